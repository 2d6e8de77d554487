import type { TailPolicy } from '../../hotwork';
import { type JobEvent } from '../events';
import {
  isHeld,
  isNumbered,
  type Assessment,
  type Dossier,
  type HeldPermit,
  type Mark,
  type PermitOf,
  type PermitRecord,
} from '../state';
import { evolveWatched } from './hot-work';
import { drop, put } from './ledger';

/** The incoming lead of a crew takes over; without one the crew is gone. */
function passCrew(crews: HeldPermit['crews'], name: string): HeldPermit['crews'] {
  const incoming = crews[name]?.incoming;
  return incoming ? put(crews, name, incoming) : drop(crews, name);
}

/** A lock that came off for its absent owner: of a lead, or of someone signed on, who is off with their last lock. */
function takeOff(
  permit: HeldPermit,
  { lock, owner, where }: Extract<JobEvent, { kind: 'absent-lock-removed' }>,
): HeldPermit {
  const led = Object.entries(permit.crews).find(([, crew]) => crew.lock === lock)?.[0];
  if (led !== undefined) return { ...permit, crews: passCrew(permit.crews, led) };
  const on = permit.people[owner];
  if (on?.locks[where] !== lock) return permit;
  const locks = drop(on.locks, where);
  const isOff = Object.keys(locks).length === 0;
  const { people } = permit;
  return { ...permit, people: isOff ? drop(people, owner) : put(people, owner, { ...on, locks }) };
}

/** Events that change who is on a permit. */
type CrewEvent = Extract<
  JobEvent,
  {
    kind:
      | 'signed-on'
      | 'signed-off'
      | 'crew-joined'
      | 'crew-lead-incoming'
      | 'crew-handed-over'
      | 'crew-left'
      | 'absent-lock-removed';
  }
>;

function evolvePeople(permit: HeldPermit, event: CrewEvent, { at }: Mark): HeldPermit {
  const { people, crews } = permit;
  switch (event.kind) {
    case 'signed-on': {
      const { person, locks, crew, sparks } = event;
      const on = put(people, person, { locks, crew, sparks, since: at });
      return { ...permit, people: on, worked: true };
    }
    case 'signed-off':
      return { ...permit, people: drop(people, event.person) };
    case 'crew-joined': {
      const { crew, lead, lock, verified } = event;
      const joined = put(crews, crew, { lead, lock, verified, since: at });
      return { ...permit, crews: joined, worked: true };
    }
    case 'crew-lead-incoming': {
      const { crew, lead, lock, verified } = event;
      const known = crews[crew];
      if (!known) return permit;
      const incoming = { lead, lock, verified, since: at };
      return { ...permit, crews: put(crews, crew, { ...known, incoming }) };
    }
    case 'crew-handed-over':
    case 'crew-left':
      return { ...permit, crews: passCrew(crews, event.crew) };
    case 'absent-lock-removed':
      return takeOff(permit, event);
  }
}

type Assessed = Extract<JobEvent, { kind: 'task-assessed' }>;

/** An assessment as it is kept now, also from an event of the time before tasks had steps. */
function readAssessment(event: Assessed, mark: Mark): Assessment {
  if (!('hazards' in event)) {
    const { steps, left, wear, emergency, questions, takenFrom } = event;
    return { ...mark, steps, left, wear, emergency, questions, takenFrom };
  }
  const hazards = event.hazards.map(({ hazard, control }) => ({
    hazard,
    controls: [{ rank: 'organise' as const, control }],
    remains: 'low' as const,
  }));
  return {
    ...mark,
    steps: [{ step: 'the whole task', hazards }],
    left: {},
    wear: [event.equipment],
    emergency: [event.emergency],
    questions: [],
  };
}

function issue(
  { assessment, approved }: PermitOf<'approved'>,
  { number, until, papers = ['general'] }: Extract<JobEvent, { kind: 'permit-issued' }>,
  mark: Mark,
): PermitRecord {
  return {
    kind: 'issued',
    assessment,
    approved,
    number,
    issuer: mark.by,
    issuedAt: mark.at,
    until,
    papers,
    copies: [],
    extensions: [],
    validated: mark,
    people: {},
    worked: false,
    crews: {},
  };
}

/** What stays of a permit whatever becomes of it: numbers, times, signatures and copies. */
const ISSUED = [
  'assessment',
  'approved',
  'number',
  'issuer',
  'issuedAt',
  'until',
  'papers',
  'copies',
  'extensions',
  'validated',
] as const satisfies readonly (keyof HeldPermit)[];

const pickIssued = (permit: HeldPermit) =>
  Object.fromEntries(ISSUED.map((field) => [field, permit[field]])) as Pick<
    HeldPermit,
    (typeof ISSUED)[number]
  >;

/** A permit that is handed back has nobody on it any more; after hot work someone watches. */
function handBack(
  permit: HeldPermit,
  event: Extract<JobEvent, { kind: 'permit-handed-back' }>,
  mark: Mark,
): PermitRecord {
  const { finished = true, watcher, watchedUntil } = event;
  const back = { ...pickIssued(permit), handedBack: mark, finished };
  if (watcher === undefined || watchedUntil === undefined) return { ...back, kind: 'handed-back' };
  const tail = event.tail ?? unrounded(mark.at, watchedUntil);
  return { ...back, kind: 'watched', watcher, watchedUntil, tail, rounds: [] };
}

/** The regime of a watch from before there were rounds: one stretch. */
function unrounded(from: string, until: string): TailPolicy {
  const watch_min = (Date.parse(until) - Date.parse(from)) / 60_000;
  return { watch_min, checks_min: 0, round_min: watch_min, check_min: watch_min, final: 'none' };
}

const suspend = (permit: HeldPermit, suspended: Mark): HeldPermit =>
  permit.kind === 'issued' ? { ...permit, kind: 'suspended', suspended } : permit;

const takeInCopy = (
  copies: HeldPermit['copies'],
  { number, end, note }: Extract<JobEvent, { kind: 'copy-taken-in' }>,
  mark: Mark,
): HeldPermit['copies'] =>
  copies.map((copy) => (copy.number === number ? { ...copy, end: { ...mark, end, note } } : copy));

function evolveHeld(permit: HeldPermit, event: JobEvent, mark: Mark): PermitRecord {
  switch (event.kind) {
    case 'permit-extended': {
      const { until, retested } = event;
      const extensions = [...permit.extensions, { ...mark, until, retested }];
      return { ...permit, until, extensions, validated: mark };
    }
    case 'permit-revalidated':
      return { ...permit, validated: mark };
    case 'copy-given': {
      const { number, holder, instead } = event;
      return { ...permit, copies: [...permit.copies, { ...mark, number, holder, instead }] };
    }
    case 'air-tested':
      return event.isFit ? permit : suspend(permit, mark);
    case 'permit-audited':
      return event.grave.length > 0 ? suspend(permit, mark) : permit;
    case 'work-stopped':
    case 'alarm-raised':
    case 'air-alarmed':
      return suspend(permit, mark);
    case 'detector-failed':
      return event.why === 'silent' ? suspend(permit, mark) : permit;
    case 'copy-taken-in':
      return { ...permit, copies: takeInCopy(permit.copies, event, mark) };
    case 'stop-lifted': {
      if (permit.kind !== 'suspended') return permit;
      const { people, worked, crews } = permit;
      return { ...pickIssued(permit), people, worked, crews, kind: 'issued' };
    }
    case 'permit-handed-back':
      return handBack(permit, event, mark);
    case 'signed-on':
    case 'signed-off':
    case 'crew-joined':
    case 'crew-lead-incoming':
    case 'crew-handed-over':
    case 'crew-left':
    case 'absent-lock-removed':
      return evolvePeople(permit, event, mark);
    default:
      return permit;
  }
}

function close(
  permit: PermitOf<'handed-back' | 'watched'>,
  inspected: string,
  closed: Mark,
): PermitOf<'closed'> {
  return { ...permit, kind: 'closed', closed, inspected };
}

const isOfTail = ({ kind }: JobEvent) =>
  kind === 'round-made' || kind === 'watch-handed-over' || kind === 'fire-watch-ended';

function evolveRecord(permit: PermitRecord, event: JobEvent, mark: Mark): PermitRecord {
  if (isHeld(permit)) return evolveHeld(permit, event, mark);
  if (permit.kind === 'watched' && isOfTail(event)) return evolveWatched(permit, event, mark);
  switch (event.kind) {
    case 'task-assessed':
      return { kind: 'assessed', assessment: readAssessment(event, mark) };
    case 'permit-approved':
      return permit.kind === 'assessed' ? { ...permit, kind: 'approved', approved: mark } : permit;
    case 'permit-issued':
      return permit.kind === 'approved' ? issue(permit, event, mark) : permit;
    case 'copy-taken-in':
      return isNumbered(permit)
        ? { ...permit, copies: takeInCopy(permit.copies, event, mark) }
        : permit;
    case 'permit-closed':
      return permit.kind === 'handed-back' || permit.kind === 'watched'
        ? close(permit, event.inspected, mark)
        : permit;
    case 'permit-cancelled':
      return { kind: 'cancelled', cancelled: mark, reason: event.reason };
    // What was assessed and approved was another scope or other papers.
    case 'plan-returned':
      return event.relights && (permit.kind === 'assessed' || permit.kind === 'approved')
        ? { kind: 'draft' }
        : permit;
    case 'scope-changed':
    case 'job-screened':
      return permit.kind === 'assessed' || permit.kind === 'approved' ? { kind: 'draft' } : permit;
    default:
      return permit;
  }
}

/** The permit of a job after an event, and those it is done with: one closed with work left makes room for the next number. */
export function evolvePermit(
  { permit, pastPermits }: Pick<Dossier, 'permit' | 'pastPermits'>,
  event: JobEvent,
  mark: Mark,
): Pick<Dossier, 'permit' | 'pastPermits'> {
  const next = evolveRecord(permit, event, mark);
  return next.kind === 'closed' && !next.finished
    ? { permit: { kind: 'draft' }, pastPermits: [...pastPermits, next] }
    : { permit: next, pastPermits };
}
