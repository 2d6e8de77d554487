import { ProgrammerFault } from '../result';
import { standAt } from './attendance';
import type { CommandKind, CommandOf } from './commands';
import type {
  Dossier,
  DossierState,
  IsolationRecord,
  Mark,
  NotedCalculation,
  PermitRecord,
  PlanRecord,
} from './state';

/** What a command says, when it becomes an event unchanged. */
type Body<Kind extends CommandKind> = Omit<CommandOf<Kind>, 'kind'>;

/** What happened to a job, in the past tense. */
export type JobEvent =
  | ({ readonly kind: 'job-raised' } & Body<'raise-job'>)
  | ({ readonly kind: 'plan-drafted'; readonly plantVersion?: number } & Body<'draft-plan'>)
  | ({ readonly kind: 'grade-set' } & Body<'set-grade'>)
  | { readonly kind: 'plan-submitted'; readonly drawingChecked?: boolean }
  | { readonly kind: 'plan-returned'; readonly note: string }
  | { readonly kind: 'plan-accepted'; readonly note: string }
  | ({ readonly kind: 'label-checked' } & Body<'check-label'>)
  | ({ readonly kind: 'calculation-noted' } & Body<'note-calculation'> &
      Omit<NotedCalculation, 'by' | 'at'>)
  | { readonly kind: 'affected-told'; readonly who: string }
  | { readonly kind: 'plant-stopped'; readonly how: string }
  | ({ readonly kind: 'point-locked' } & Body<'lock-point'>)
  | ({ readonly kind: 'outlet-opened' } & Body<'open-outlet'>)
  | ({ readonly kind: 'store-restrained' } & Body<'restrain-store'>)
  | ({ readonly kind: 'store-waited-out' } & Body<'wait-out-store'>)
  | ({ readonly kind: 'proved' } & Body<'prove'>)
  | ({ readonly kind: 'found-live' } & Body<'prove'>)
  | { readonly kind: 'start-tried'; readonly station: string }
  | { readonly kind: 'found-moving'; readonly station: string }
  | {
      readonly kind: 'box-locked';
      readonly box: string;
      readonly lock: string;
      readonly keys: readonly string[];
    }
  | ({ readonly kind: 'task-assessed' } & Body<'assess-task'>)
  | { readonly kind: 'permit-approved' }
  | {
      readonly kind: 'permit-issued';
      readonly number: string;
      readonly until: string;
      readonly performer: string;
    }
  | { readonly kind: 'signed-on'; readonly person: string; readonly lock: string }
  | { readonly kind: 'signed-off'; readonly person: string; readonly lock: string }
  | ({
      readonly kind: 'absent-lock-removed';
      readonly owner: string;
      readonly where: string;
    } & Body<'remove-absent-lock'>)
  | ({ readonly kind: 'absent-owner-told' } & Body<'tell-absent-owner'>)
  | ({ readonly kind: 'permit-handed-back' } & Body<'hand-back'>)
  | { readonly kind: 'permit-closed'; readonly inspected: string }
  | { readonly kind: 'box-opened' }
  | { readonly kind: 'store-freed'; readonly store: string }
  | { readonly kind: 'outlet-closed'; readonly outlet: string }
  | { readonly kind: 'point-unlocked'; readonly link: string; readonly lock: string }
  | { readonly kind: 'lineup-walked'; readonly point: string; readonly found: 'open' | 'closed' }
  | { readonly kind: 'plant-taken-back'; readonly told: string }
  | { readonly kind: 'job-closed' };

/** What only someone at the plant can have done. */
const AT_THE_PLANT: ReadonlySet<JobEvent['kind']> = new Set([
  'point-locked',
  'outlet-opened',
  'store-restrained',
  'store-waited-out',
  'proved',
  'found-live',
  'start-tried',
  'found-moving',
  'box-locked',
  'signed-on',
  'signed-off',
  'absent-lock-removed',
]);

const isAtThePlant = (event: JobEvent): boolean => AT_THE_PLANT.has(event.kind);

const EMPTY_ISOLATION: IsolationRecord = {
  locked: {},
  opened: {},
  restrained: {},
  waited: {},
  proved: {},
  tried: {},
  foundLive: {},
  foundMoving: {},
  walked: {},
};

type Ledger<T> = Readonly<Record<string, T>>;
const put = <T>(all: Ledger<T>, key: string, value: T): Ledger<T> => ({ ...all, [key]: value });
const drop = <T>(all: Ledger<T>, key: string): Ledger<T> =>
  Object.fromEntries(Object.entries(all).filter(([one]) => one !== key));

/** Something came undone: what was proved before no longer proves anything. */
const unprove = (isolation: IsolationRecord): IsolationRecord => ({
  ...isolation,
  proved: {},
  tried: {},
  waited: {},
});

function evolveIsolation(isolation: IsolationRecord, event: JobEvent, mark: Mark): IsolationRecord {
  switch (event.kind) {
    case 'affected-told':
      return { ...isolation, told: { ...mark, who: event.who } };
    case 'plant-stopped':
      return { ...isolation, stopped: { ...mark, how: event.how } };
    case 'point-locked':
      return {
        ...isolation,
        locked: put(isolation.locked, event.link, { ...mark, lock: event.lock, tag: event.tag }),
      };
    case 'outlet-opened':
      return {
        ...isolation,
        opened: put(isolation.opened, event.outlet, { ...mark, tag: event.tag }),
      };
    case 'store-restrained':
      return {
        ...isolation,
        restrained: put(isolation.restrained, event.store, { ...mark, how: event.how }),
      };
    case 'store-waited-out':
      return {
        ...isolation,
        waited: put(isolation.waited, event.store, { ...mark, seen: event.seen }),
      };
    case 'proved': {
      const { reading, unit, instrument, round } = event;
      return {
        ...isolation,
        proved: put(isolation.proved, event.proof, { ...mark, reading, unit, instrument, round }),
        foundLive: drop(isolation.foundLive, event.proof),
      };
    }
    case 'found-live': {
      const { reading, unit, instrument, round } = event;
      const found = { ...mark, reading, unit, instrument, round };
      return {
        ...isolation,
        proved: drop(isolation.proved, event.proof),
        foundLive: put(isolation.foundLive, event.proof, found),
      };
    }
    case 'start-tried':
      return {
        ...isolation,
        tried: put(isolation.tried, event.station, mark),
        foundMoving: drop(isolation.foundMoving, event.station),
      };
    case 'found-moving': {
      const undone = unprove(isolation);
      return { ...undone, foundMoving: put(isolation.foundMoving, event.station, mark) };
    }
    case 'box-locked':
      return { ...isolation, box: { ...mark, box: event.box, lock: event.lock, keys: event.keys } };
    case 'box-opened':
      return { ...isolation, box: undefined };
    case 'store-freed':
      return unprove({ ...isolation, restrained: drop(isolation.restrained, event.store) });
    case 'outlet-closed':
      return unprove({ ...isolation, opened: drop(isolation.opened, event.outlet) });
    case 'point-unlocked':
      return unprove({ ...isolation, locked: drop(isolation.locked, event.link) });
    case 'absent-lock-removed':
      return event.where in isolation.locked
        ? unprove({ ...isolation, locked: drop(isolation.locked, event.where) })
        : isolation;
    case 'lineup-walked':
      return {
        ...isolation,
        walked: put(isolation.walked, event.point, { ...mark, found: event.found }),
      };
    case 'plant-taken-back':
      return { ...isolation, takenBack: { ...mark, told: event.told } };
    default:
      return isolation;
  }
}

function evolvePermit(permit: PermitRecord, event: JobEvent, mark: Mark): PermitRecord {
  switch (event.kind) {
    case 'task-assessed': {
      const { hazards, equipment, emergency } = event;
      return { kind: 'assessed', assessment: { ...mark, hazards, equipment, emergency } };
    }
    case 'permit-approved':
      return permit.kind === 'assessed' ? { ...permit, kind: 'approved', approved: mark } : permit;
    case 'permit-issued':
      return permit.kind === 'approved'
        ? {
            ...permit,
            kind: 'issued',
            number: event.number,
            issuer: mark.by,
            issuedAt: mark.at,
            until: event.until,
            people: {},
          }
        : permit;
    case 'signed-on':
      return permit.kind === 'issued'
        ? { ...permit, people: put(permit.people, event.person, event.lock) }
        : permit;
    case 'signed-off':
      return permit.kind === 'issued'
        ? { ...permit, people: drop(permit.people, event.person) }
        : permit;
    case 'absent-lock-removed':
      return permit.kind === 'issued' && permit.people[event.owner] === event.lock
        ? { ...permit, people: drop(permit.people, event.owner) }
        : permit;
    case 'permit-handed-back': {
      if (permit.kind !== 'issued') return permit;
      const { assessment, approved, number, issuer, issuedAt, until } = permit;
      return {
        kind: 'handed-back',
        assessment,
        approved,
        number,
        issuer,
        issuedAt,
        until,
        handedBack: mark,
      };
    }
    case 'permit-closed':
      return permit.kind === 'handed-back' ? { ...permit, kind: 'closed', closed: mark } : permit;
    default:
      return permit;
  }
}

function evolveAbsent(absent: Dossier['absent'], event: JobEvent, mark: Mark): Dossier['absent'] {
  if (event.kind === 'absent-lock-removed') {
    const { owner, lock, where, offSite, tried, manager } = event;
    return put(absent, owner, { ...mark, lock, where, offSite, tried, manager });
  }
  const removed = event.kind === 'absent-owner-told' ? absent[event.owner] : undefined;
  if (event.kind !== 'absent-owner-told' || !removed) return absent;
  return put(absent, event.owner, { ...removed, told: { ...mark, words: event.told } });
}

const LABEL_WORDS = {
  'label-differs': 'the label differs',
  'not-as-drawn': 'it is not as drawn',
} as const;

/** A point as drawn is marked; anything else sends the plan back, with what was found. */
function evolveLabels(
  plan: PlanRecord,
  drafted: Omit<Extract<PlanRecord, { kind: 'drafted' }>, 'kind' | 'returned'>,
  { point, found, note }: Extract<JobEvent, { kind: 'label-checked' }>,
  mark: Mark,
): PlanRecord {
  if (plan.kind !== 'accepted') return plan;
  if (found === 'as-drawn') return { ...plan, labels: put(plan.labels, point, mark) };
  return {
    kind: 'drafted',
    ...drafted,
    returned: `Walked down, at ${point} ${LABEL_WORDS[found]}: ${note}`,
  };
}

function evolvePlan(dossier: Dossier, event: JobEvent, mark: Mark): Dossier {
  const { plan } = dossier;
  if (event.kind === 'calculation-noted') {
    const { calculation, title, figures, notes, seconds } = event;
    const noted = { ...mark, calculation, title, figures, notes, seconds };
    return { ...dossier, noted: put(dossier.noted, event.subject, noted) };
  }
  if (event.kind === 'plan-drafted') {
    // Events from before versions were kept were all drawn up on the first.
    const { close, open, restrain, origin, plantVersion = 1 } = event;
    const drafted = { plan: { close, open, restrain }, origin, author: mark.by, plantVersion };
    return { ...dossier, plan: { kind: 'drafted', ...drafted } };
  }
  if (event.kind === 'grade-set') {
    const { grade, reason, measures } = event;
    const set = { ...mark, grade, reason, measures };
    return { ...dossier, grades: put(dossier.grades, event.source, set) };
  }
  if (plan.kind === 'none') return dossier;
  const drafted = {
    plan: plan.plan,
    origin: plan.origin,
    author: plan.author,
    plantVersion: plan.plantVersion,
  };
  if (event.kind === 'label-checked') {
    return { ...dossier, plan: evolveLabels(plan, drafted, event, mark) };
  }
  if (event.kind === 'plan-submitted')
    return { ...dossier, plan: { kind: 'submitted', ...drafted } };
  if (event.kind === 'plan-returned') {
    return { ...dossier, plan: { kind: 'drafted', ...drafted, returned: event.note } };
  }
  if (event.kind === 'plan-accepted') {
    return {
      ...dossier,
      plan: { kind: 'accepted', ...drafted, reviewer: mark.by, note: event.note, labels: {} },
    };
  }
  return dossier;
}

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
    };
  }
  if (state === undefined) throw new ProgrammerFault(`${event.kind} before the job was raised`);
  const planned = evolvePlan(standAt(state, mark.at), event, mark);
  const isolation = evolveIsolation(planned.isolation, event, mark);
  return {
    ...planned,
    kind: event.kind === 'job-closed' ? 'closed' : planned.kind,
    isolation: isAtThePlant(event) ? { ...isolation, attended: mark.at } : isolation,
    restoring: planned.restoring || event.kind === 'box-opened',
    permit: evolvePermit(planned.permit, event, mark),
    absent: evolveAbsent(planned.absent, event, mark),
  };
}
