import { refuse, type Refusal } from '../../rules/refuse';
import { gateChanges } from '../changes';
import { type CommandOf } from '../commands';
import { gateClose, gateLeakTests, gateRestore, gateTakeBack, listStanding } from '../gates-back';
import { findHolder } from '../shared';
import { findWorkOrder, type Context } from '../site';
import { type Dossier, type LockedBox } from '../state';
import { type Outcome, nameOf } from './outcome';
import { decideLeakTest, decideStart, decideWalk } from './return';

/** Refuses a restoring step that is out of turn. */
export function requireRestoreTurn(dossier: Dossier, subject: string, context: Context): Refusal[] {
  const gate = gateRestore(dossier);
  const order = findWorkOrder(dossier, context.site);
  if (!order) return [...gate, refuse('plan-missing')];
  if (gate.length > 0) return gate;
  const standing = listStanding(dossier, order);
  if (!standing.includes(subject)) return [refuse('already-done', { what: subject })];
  const stepOf = (id: string) => order.restore.find((step) => step.subject === id);
  const [step, first] = [stepOf(subject), stepOf(standing[0] ?? '')];
  if (first && step && first.group !== step.group)
    return [refuse('out-of-order', { subject, first: first.subject })];
  // Blinds, spools and couplings come out under the valves, before anything is tested.
  return step?.kind === 'unlock' ? gateLeakTests(dossier, context.site) : [];
}

/** A point that another job needs is left as it stands, and one that none needs is put back. An earth is each job's own. */
function requireLeft(subject: string, left: boolean, { site, others }: Context): Refusal[] {
  const outlet = site.graph.outlets[site.graph.outletAt.get(subject) ?? -1];
  const job = outlet?.kind === 'earth' ? undefined : findHolder(subject, others.open());
  if (job !== undefined && !left) return [refuse('held-by-other', { subject, job })];
  return job === undefined && left ? [refuse('held-by-nobody', { subject })] : [];
}

/** The last lock off a box is its control lock, by whoever hung it. */
function requireControl({ lock, by, incoming }: LockedBox, context: Context): Refusal[] {
  return [
    ...(by === context.actor
      ? []
      : [refuse('lock-not-yours', { lock, owner: nameOf(context, by) })]),
    ...(incoming
      ? [refuse('incoming-on', { lock: incoming.lock, person: nameOf(context, incoming.by) })]
      : []),
  ];
}

/** Earths are counted off against those that were put on, once every one of them is off. */
function decideCount(dossier: Dossier, command: CommandOf<'count-earths'>): Outcome {
  const { earths, opened } = dossier.isolation;
  const on = Object.keys(earths);
  const left = on.filter((outlet) => outlet in opened);
  const { counted } = command;
  return {
    refusals: [
      ...gateRestore(dossier),
      ...(on.length === 0 ? [refuse('already-done', { what: 'Counting earths' })] : []),
      ...(left.length > 0 ? [refuse('points-locked', { points: left.join(', ') })] : []),
      ...(counted === on.length
        ? []
        : [
            refuse('earth-count-wrong', {
              counted,
              on: on.length,
              sets: on.map((outlet) => `${earths[outlet] ?? ''} on ${outlet}`).join(', '),
            }),
          ]),
    ],
    event: { ...command, kind: 'earths-counted' },
  };
}

/** An earth comes off the conductors first, in the reverse of the order in which it went on, and nobody touches a lead meanwhile. */
const requireOff = (
  { isolation }: Dossier,
  { outlet, left, off }: CommandOf<'close-outlet'>,
): Refusal[] => {
  if (left || !(outlet in isolation.earths)) return [];
  return [
    ...(off?.reversed ? [] : [refuse('earth-off-order', { outlet })]),
    ...(off?.clear ? [] : [refuse('earth-lead-held', { outlet })]),
  ];
};

export function decideRestoring(
  dossier: Dossier,
  command: CommandOf<
    | 'open-box'
    | 'free-store'
    | 'close-outlet'
    | 'count-earths'
    | 'unlock-point'
    | 'walk-lineup'
    | 'leak-test'
    | 'see-start'
    | 'take-back'
    | 'close-job'
  >,
  context: Context,
): Outcome {
  const { isolation } = dossier;
  switch (command.kind) {
    case 'open-box':
      return {
        refusals: [
          ...gateRestore(dossier).filter(({ code }) => code !== 'box-still-locked'),
          ...(isolation.box
            ? requireControl(isolation.box, context)
            : [refuse('already-done', { what: 'Opening the box' })]),
        ],
        event: { kind: 'box-opened' },
      };
    case 'free-store':
      return {
        refusals: [
          ...requireRestoreTurn(dossier, command.store, context),
          ...requireLeft(command.store, command.left === true, context),
        ],
        event: { ...command, kind: 'store-freed' },
      };
    case 'close-outlet':
      return {
        refusals: [
          ...requireRestoreTurn(dossier, command.outlet, context),
          ...requireLeft(command.outlet, command.left === true, context),
          ...requireOff(dossier, command),
        ],
        event: { ...command, kind: 'outlet-closed' },
      };
    case 'count-earths':
      return decideCount(dossier, command);
    case 'unlock-point': {
      const hung = isolation.locked[command.link];
      return {
        refusals: [
          ...requireRestoreTurn(dossier, command.link, context),
          ...(Object.keys(isolation.earths).length > 0 ? [refuse('earths-not-counted')] : []),
          ...(hung && hung.by !== context.actor
            ? [refuse('lock-not-yours', { lock: hung.lock, owner: nameOf(context, hung.by) })]
            : []),
        ],
        event: { kind: 'point-unlocked', link: command.link, lock: hung?.lock ?? '' },
      };
    }
    case 'walk-lineup':
      return decideWalk(dossier, command, context);
    case 'leak-test':
      return decideLeakTest(dossier, command, context);
    case 'see-start':
      return decideStart(dossier, command, context);
    case 'take-back':
      return {
        refusals: [
          ...gateTakeBack(dossier, context.site),
          ...gateChanges(dossier, context.site, context.now, context.jobId),
        ],
        event: { kind: 'plant-taken-back', told: command.told },
      };
    case 'close-job':
      return { refusals: gateClose(dossier, context.site), event: { kind: 'job-closed' } };
  }
}
