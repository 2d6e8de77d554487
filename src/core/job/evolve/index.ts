import { ProgrammerFault } from '../../result';
import { standAt } from '../attendance';
import type { JobEvent } from '../events';
import type { Dossier, DossierState, Mark } from '../state';
import { evolveAbsent } from './absent';
import { EMPTY_ISOLATION, evolveIsolation } from './isolation';
import { evolvePermit } from './permit';
import { evolvePlan } from './plan';

/** What only someone at the plant can have done. */
const AT_THE_PLANT: ReadonlySet<JobEvent['kind']> = new Set([
  'point-locked',
  'outlet-opened',
  'watch-taken',
  'watch-ended',
  'store-restrained',
  'store-waited-out',
  'proved',
  'found-live',
  'start-tried',
  'found-moving',
  'box-locked',
  'point-tagged',
  'lock-replaced',
  'lifted-for-test',
  'test-run',
  'crew-joined',
  'crew-lead-incoming',
  'signed-on',
  'signed-off',
  'absent-lock-removed',
]);

/** What was entered on a device may come in after what others did later. */
const later = (a: string | undefined, b: string): string =>
  a !== undefined && Date.parse(a) > Date.parse(b) ? a : b;

const allow = (
  bypasses: Dossier['bypasses'],
  { device, until, standsIn, reason }: Extract<JobEvent, { kind: 'bypass-allowed' }>,
  mark: Mark,
): Dossier['bypasses'] => ({ ...bypasses, [device]: { ...mark, until, standsIn, reason } });

const isAtThePlant = (event: JobEvent): boolean => AT_THE_PLANT.has(event.kind);

/** The next state of a job after an event. Throws on an event before the job was raised: that is corrupt data. */
export function evolveDossier(state: DossierState, event: JobEvent, mark: Mark): Dossier {
  if (event.kind === 'job-raised') {
    const { title, equipment, work, hours, performer } = event;
    return {
      kind: 'raised',
      title,
      equipment,
      scope: { work, hours },
      performer,
      raised: mark,
      grades: {},
      plan: { kind: 'none' },
      noted: {},
      isolation: EMPTY_ISOLATION,
      restoring: false,
      permit: { kind: 'none' },
      absent: {},
      bypasses: {},
    };
  }
  if (state === undefined) throw new ProgrammerFault(`${event.kind} before the job was raised`);
  const planned = evolvePlan(standAt(state, mark.at), event, mark);
  const isolation = evolveIsolation(planned.isolation, event, mark);
  return {
    ...planned,
    kind: event.kind === 'job-closed' ? 'closed' : planned.kind,
    isolation: isAtThePlant(event)
      ? { ...isolation, attended: later(isolation.attended, mark.at) }
      : isolation,
    restoring:
      planned.restoring ||
      event.kind === 'box-opened' ||
      // Without a box the way back begins once the permit is closed.
      (event.kind === 'permit-closed' && isolation.lockout === 'each-point'),
    permit: evolvePermit(planned.permit, event, mark),
    absent: evolveAbsent(planned.absent, event, mark),
    bypasses:
      event.kind === 'bypass-allowed' ? allow(planned.bypasses, event, mark) : planned.bypasses,
  };
}
