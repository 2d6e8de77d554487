import type { DossierProps } from '../job/types';
import { useMoments } from '../kit/moment';

/** What was found live or moving and has not been found dead since. */
export function FoundLive({ view }: Pick<DossierProps, 'view'>) {
  const { time } = useMoments();
  const { foundLive, foundMoving } = view.dossier.isolation;
  const found = [
    ...Object.entries(foundLive).map(
      ([id, { reading, unit, at }]) => `NOT DEAD: ${reading} ${unit} at ${time(at)} (${id})`,
    ),
    ...Object.entries(foundMoving).map(
      ([station, { at }]) => `IT MOVED at ${time(at)}, from ${station}`,
    ),
  ];
  if (found.length === 0) return null;
  return (
    <div role="alert" className="border-2 border-error p-3 font-bold">
      {found.map((words) => (
        <p key={words}>{words}.</p>
      ))}
      <p>Keep away from it, find out why with the coordinator, then prove it again.</p>
    </div>
  );
}
