import { ProgrammerFault } from '../../result';
import { standAt } from '../attendance';
import type { JobEvent } from '../events';
import type { Photo } from '../photo-kinds';
import { isFreed, type Dossier, type DossierState, type Mark } from '../state';
import { applyNames } from '../names';
import { evolveAbsent } from './absent';
import { evolveAudits } from './audit';
import { evolveBriefing } from './briefing';
import { evolveClearing } from './clearing';
import { evolveEntry, NO_ENTRY } from './entry';
import { evolveHotWork, NO_HOT_WORK } from './hot-work';
import { EMPTY_ISOLATION, evolveIsolation } from './isolation';
import { evolveKit } from './kit';
import { drop, put } from './ledger';
import { evolveOutside } from './outside';
import { evolveAbout } from './papers';
import { evolvePermit } from './permit';
import { evolvePlan } from './plan';
import { evolveRunUp } from './run-up';

/** What only someone at the plant can have done. */
const AT_THE_PLANT: ReadonlySet<JobEvent['kind']> = new Set([
  'point-locked',
  'outlet-opened',
  'seen-open',
  'way-found-shut',
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
  'space-opened',
  'pumped-out',
  'purge-started',
  'purge-ended',
  'space-entered',
  'space-left',
  'points-seen',
]);

/** What was entered on a device may come in after what others did later. */
const later = (a: string | undefined, b: string): string =>
  a !== undefined && Date.parse(a) > Date.parse(b) ? a : b;

const allow = (
  bypasses: Dossier['bypasses'],
  { device, until, standsIn, reason }: Extract<JobEvent, { kind: 'bypass-allowed' }>,
  mark: Mark,
): Dossier['bypasses'] => ({ ...bypasses, [device]: { ...mark, until, standsIn, reason } });

/** Detectors that stand at the work, and the newest alarm of one. They go with the permit. */
function evolveDetectors(
  { detectors, airAlarms, faults }: Dossier,
  event: JobEvent,
  mark: Mark,
): Pick<Dossier, 'detectors' | 'airAlarms' | 'faults'> {
  const kept = { detectors, airAlarms, faults };
  switch (event.kind) {
    case 'detector-placed': {
      const { device, use, place } = event;
      return { ...kept, detectors: put(detectors, device, { ...mark, use, place }) };
    }
    case 'detector-taken':
      return {
        ...kept,
        detectors: drop(detectors, event.device),
        faults: drop(faults, event.device),
      };
    case 'air-alarmed': {
      const { use, findings } = event;
      return { ...kept, airAlarms: { ...airAlarms, [use]: { ...mark, findings } } };
    }
    case 'detector-failed': {
      const { device, use, place, why, words, since } = event;
      return { ...kept, faults: put(faults, device, { ...mark, use, place, why, words, since }) };
    }
    case 'detector-heard':
      return { ...kept, faults: drop(faults, event.device) };
    case 'permit-closed':
      return { ...kept, detectors: {}, faults: {} };
    default:
      return kept;
  }
}

/** What shows that the points of a job are on their way back. */
const PUTS_BACK: ReadonlySet<JobEvent['kind']> = new Set([
  'box-opened',
  'store-freed',
  'outlet-closed',
  'point-unlocked',
]);

/** Without a box the way back begins once the work is finished; otherwise with the first point that is put back. */
const isOnWayBack = (
  { permit, isolation }: Pick<Dossier, 'permit' | 'isolation'>,
  event: JobEvent,
) =>
  isFreed(permit) &&
  (PUTS_BACK.has(event.kind) ||
    (event.kind === 'permit-closed' && isolation.lockout === 'each-point'));

const toPhoto = (
  { digest, of, subject, words }: Extract<JobEvent, { kind: 'photo-added' }>,
  mark: Mark,
): Photo => ({ ...mark, digest, of, subject, words });

const isAtThePlant = (event: JobEvent): boolean => AT_THE_PLANT.has(event.kind);

/** The next state of a job after an event. Throws on an event before the job was raised: that is corrupt data. */
export function evolveDossier(state: DossierState, event: JobEvent, mark: Mark): Dossier {
  if (event.kind === 'job-raised') {
    const { title, equipment, work, hours, emptied, performer, workOrder } = event;
    const { lockout = 'box' } = event;
    return {
      kind: 'raised',
      title,
      equipment,
      scope: { work, hours, ...(emptied ? { emptied } : {}) },
      performer,
      ...(workOrder === undefined ? {} : { workOrder }),
      raised: mark,
      grades: {},
      plan: { kind: 'none' },
      noted: {},
      isolation: { ...EMPTY_ISOLATION, lockout },
      restoring: false,
      permit: { kind: 'draft' },
      pastPermits: [],
      team: [],
      clashes: {},
      duties: {},
      absent: {},
      airTests: [],
      detectors: {},
      airAlarms: {},
      faults: {},
      hotWork: NO_HOT_WORK,
      entry: NO_ENTRY,
      audits: [],
      photos: [],
      bypasses: {},
      rounds: {},
      clearances: {},
      runUp: [],
      messages: [],
      kitChecks: {},
      calls: {},
    };
  }
  if (state === undefined) throw new ProgrammerFault(`${event.kind} before the job was raised`);
  const stood = standAt(state, mark.at);
  const before =
    event.kind === 'names-taken-over'
      ? applyNames(stood, new Map(Object.entries(event.names)))
      : stood;
  const planned = evolvePlan(before, event, mark);
  const isolation = evolveIsolation(planned.isolation, event, mark);
  const permits = evolvePermit(before, event, mark);
  return {
    ...planned,
    ...evolveAbout(before, event, mark),
    ...permits,
    kind: event.kind === 'job-closed' ? 'closed' : planned.kind,
    isolation: isAtThePlant(event)
      ? { ...isolation, attended: later(isolation.attended, mark.at) }
      : isolation,
    restoring: planned.restoring || isOnWayBack({ ...permits, isolation }, event),
    absent: evolveAbsent(planned.absent, event, mark),
    airTests:
      event.kind === 'air-tested' ? [...before.airTests, { ...event, ...mark }] : before.airTests,
    ...evolveDetectors(before, event, mark),
    entry: evolveEntry(before.entry, event, mark),
    hotWork: evolveHotWork(before.hotWork, event, mark),
    audits: evolveAudits(before, event, mark),
    photos: event.kind === 'photo-added' ? [...before.photos, toPhoto(event, mark)] : before.photos,
    ...evolveOutside(before, event, mark),
    ...evolveRunUp(before, event, mark),
    ...evolveClearing(before, event, mark),
    ...evolveKit(before, event, mark),
    ...evolveBriefing(before, event, mark),
    bypasses:
      event.kind === 'bypass-allowed' ? allow(planned.bypasses, event, mark) : planned.bypasses,
  };
}
