import { refuse, type Refusal } from '../../rules/book';
import { type CommandOf } from '../commands';
import { gateClose, gateRestore, listStanding } from '../gates';
import { findWorkOrder, type Context } from '../site';
import { type Dossier, type LockedBox } from '../state';
import { type Outcome, nameOf } from './outcome';

/** Refuses a restoring step that is out of turn. */
export function requireRestoreTurn(dossier: Dossier, subject: string, context: Context): Refusal[] {
  const gate = gateRestore(dossier);
  const order = findWorkOrder(dossier, context.site);
  if (gate.length > 0 || !order) return gate;
  const standing = listStanding(dossier, order);
  if (!standing.includes(subject)) return [refuse('already-done', { what: subject })];
  const groupOf = (id: string) => order.restore.find((step) => step.subject === id)?.group;
  const first = standing[0];
  return first !== undefined && first !== subject && groupOf(first) !== groupOf(subject)
    ? [refuse('out-of-order', { subject, first })]
    : [];
}

/** Refuses a position that differs from the normal line-up: links as the plant file says, outlets shut. */
function requireNormal(
  command: CommandOf<'walk-lineup'>,
  dossier: Dossier,
  context: Context,
): Refusal[] {
  const order = findWorkOrder(dossier, context.site);
  const standing = order ? listStanding(dossier, order) : [];
  const isLink = order?.plan.close.includes(command.point) === true;
  if (!isLink && order?.plan.open.includes(command.point) !== true) {
    return [refuse('not-in-plan', { subject: command.point })];
  }
  const { graph } = context.site;
  const link = graph.links[graph.linkAt.get(command.point) ?? -1];
  const normal = isLink ? (link?.normal ?? 'open') : 'closed';
  return [
    ...(standing.length > 0 ? [refuse('points-locked', { points: standing.join(', ') })] : []),
    ...(command.found === normal
      ? []
      : [refuse('position-wrong', { subject: command.point, found: command.found, normal })]),
  ];
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

export function decideRestoring(
  dossier: Dossier,
  command: CommandOf<
    | 'open-box'
    | 'free-store'
    | 'close-outlet'
    | 'count-earths'
    | 'unlock-point'
    | 'walk-lineup'
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
        refusals: requireRestoreTurn(dossier, command.store, context),
        event: { kind: 'store-freed', store: command.store },
      };
    case 'close-outlet':
      return {
        refusals: requireRestoreTurn(dossier, command.outlet, context),
        event: { kind: 'outlet-closed', outlet: command.outlet },
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
      return {
        refusals: [...gateRestore(dossier), ...requireNormal(command, dossier, context)],
        event: { kind: 'lineup-walked', point: command.point, found: command.found },
      };
    case 'take-back':
      return {
        refusals: gateClose(dossier, context.site).filter(({ code }) => code !== 'not-taken-back'),
        event: { kind: 'plant-taken-back', told: command.told },
      };
    case 'close-job':
      return { refusals: gateClose(dossier, context.site), event: { kind: 'job-closed' } };
  }
}
