import type { Mark } from './mark';
import { isHeld, isNumbered, type PermitRecord } from './permit-record';
import { listPlanPoints } from '../plant/isolation-plan';
import { countOf } from '../text';
import type { Dossier } from './state';

/** Something that a job has behind it: what, who did it and when, with the figure that matters. */
export interface Milestone extends Mark {
  readonly what: string;
  /** "14 points", "P-0007": what of it matters later. */
  readonly figure?: string;
}

/** The newest of some marks; none when there is none. */
const findLast = (marks: readonly Mark[]): Mark | undefined =>
  marks.reduce<Mark | undefined>(
    (last, one) => (last && Date.parse(last.at) >= Date.parse(one.at) ? last : one),
    undefined,
  );

/** What was done about many things, as one milestone at the moment of the last of them. */
function gather(what: string, one: string, marks: readonly Mark[]): Milestone[] {
  const last = findLast(marks);
  return last ? [{ what, by: last.by, at: last.at, figure: countOf(marks.length, one) }] : [];
}

function listOfPermit(permit: PermitRecord): Milestone[] {
  if (!isNumbered(permit)) return [];
  const { number, issuer, issuedAt } = permit;
  const issued: Milestone = { what: 'issued', by: issuer, at: issuedAt, figure: number };
  if (isHeld(permit)) return [issued];
  const { by, at } = permit.handedBack;
  const back: Milestone = { what: 'handed back', by, at, figure: number };
  if (permit.kind !== 'closed') return [issued, back];
  return [issued, back, { what: 'permit closed', ...permit.closed, figure: number }];
}

/** What a job has behind it, oldest first: from being raised to being taken back. What was undone on the way stands in the record alone. */
export function listLife(dossier: Dossier): Milestone[] {
  const { raised, plan, isolation, permit, pastPermits } = dossier;
  const accepted: Milestone[] =
    plan.kind === 'accepted'
      ? [
          {
            what: 'plan accepted',
            by: plan.reviewer,
            at: plan.acceptedAt,
            figure: countOf(listPlanPoints(plan.plan).length, 'point'),
          },
        ]
      : [];
  const labels = plan.kind === 'accepted' ? Object.values(plan.labels) : [];
  const { told, stopped, locked, opened, proved, box, started, takenBack } = isolation;
  const all: Milestone[] = [
    { what: 'raised', by: raised.by, at: raised.at },
    ...accepted,
    ...gather('walked down', 'point', labels),
    ...(told ? [{ what: 'those affected told', by: told.by, at: told.at }] : []),
    ...(stopped ? [{ what: 'stopped', by: stopped.by, at: stopped.at }] : []),
    ...gather('isolated', 'lock', Object.values(locked)),
    ...gather('let down', 'outlet', Object.values(opened)),
    ...gather('proved dead', 'reading', Object.values(proved)),
    ...(box ? [{ what: 'keys in the box', by: box.by, at: box.at, figure: box.box }] : []),
    ...pastPermits.flatMap(listOfPermit),
    ...listOfPermit(permit),
    ...(started ? [{ what: 'seen to start', by: started.by, at: started.at }] : []),
    ...(takenBack ? [{ what: 'taken back', by: takenBack.by, at: takenBack.at }] : []),
  ];
  return all.sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}
