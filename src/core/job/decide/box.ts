import { refuse, type Refusal } from '../../rules/refuse';
import { type CommandOf } from '../commands';
import { gateWalkDown } from '../gates';
import { gateHandBack } from '../gates-permit';
import { findWorkOrder, type Context } from '../site';
import { isHeld, type Dossier } from '../state';
import { requireHole, requireLock } from './lock';
import { nameOf, type Outcome } from './outcome';
import { requireTold } from './told';

/** Refuses a box that is not wanted, not there, in use or shut before every point is locked. */
function requireBox(dossier: Dossier, box: string, context: Context): Refusal[] {
  const order = findWorkOrder(dossier, context.site);
  const { locked, tagged, test } = dossier.isolation;
  const unlocked = (order?.plan.close ?? []).filter((link) => !(link in locked || link in tagged));
  const other = context.others.boxAt.get(box);
  return [
    ...gateWalkDown(dossier),
    ...(test ? [refuse('test-open', { purpose: test.purpose })] : []),
    ...(dossier.isolation.lockout === 'each-point' ? [refuse('box-not-wanted')] : []),
    ...(dossier.isolation.box || dossier.restoring
      ? [refuse('already-done', { what: 'Locking the box' })]
      : []),
    ...(context.site.boxes.has(box) ? [] : [refuse('box-unknown', { box })]),
    ...(other === undefined ? [] : [refuse('box-in-use', { box, job: other })]),
    ...(unlocked.length > 0 ? [refuse('locks-missing', { points: unlocked.join(', ') })] : []),
  ];
}

/** Refuses an incoming control lock without a box that someone else holds. */
function requireIncoming(dossier: Dossier, context: Context): Refusal[] {
  const { box } = dossier.isolation;
  if (!box) return [refuse('box-not-locked')];
  return [
    ...(box.incoming
      ? [
          refuse('incoming-on', {
            lock: box.incoming.lock,
            person: nameOf(context, box.incoming.by),
          }),
        ]
      : []),
    ...(box.by === context.actor ? [refuse('hands-to-self', { lock: box.lock })] : []),
    ...requireHole(dossier, box.box, context),
  ];
}

/** Taking a control lock off: the incoming one withdraws it, the outgoing one hands over with everyone off. */
function decideTakeOff(
  dossier: Dossier,
  { lock }: CommandOf<'take-off-control'>,
  context: Context,
): Outcome {
  const { box } = dossier.isolation;
  const { incoming } = box ?? {};
  const hung = [box, incoming].find((one) => one?.lock === lock);
  const event =
    incoming?.lock === lock
      ? ({ kind: 'incoming-withdrawn', lock } as const)
      : ({ kind: 'control-handed-over', lock, to: incoming?.by ?? '' } as const);
  if (!hung) return { refusals: [refuse('lock-not-here', { lock })], event };
  const outgoing = event.kind === 'control-handed-over';
  return {
    refusals: [
      ...(hung.by === context.actor
        ? []
        : [refuse('lock-not-yours', { lock, owner: nameOf(context, hung.by) })]),
      ...(outgoing && !incoming ? [refuse('no-incoming-lock', { lock })] : []),
      ...(outgoing
        ? gateHandBack(dossier, context.site).filter(({ code }) => code === 'people-on')
        : []),
    ],
    event,
  };
}

function requireChainable(dossier: Dossier, where: string, context: Context): Refusal[] {
  const order = findWorkOrder(dossier, context.site);
  const isPoint = order?.plan.close.includes(where) === true;
  return isPoint || dossier.isolation.box?.box === where
    ? []
    : [refuse('not-in-plan', { subject: where })];
}

/** Decides how workers lock on, and everything about the box and its control lock but opening it. */
export function decideBox(
  dossier: Dossier,
  command: CommandOf<
    'choose-lockout' | 'chain-hasp' | 'lock-box' | 'hang-incoming' | 'take-off-control'
  >,
  context: Context,
): Outcome {
  const { isolation, permit } = dossier;
  switch (command.kind) {
    case 'choose-lockout': {
      const late = isolation.box !== undefined || dossier.restoring || isHeld(permit);
      const same = isolation.lockout === command.way;
      return {
        refusals: late || same ? [refuse('already-done', { what: 'Choosing how to lock on' })] : [],
        event: { ...command, kind: 'lockout-chosen' },
      };
    }
    case 'chain-hasp':
      return {
        refusals: requireChainable(dossier, command.where, context),
        event: { ...command, kind: 'hasp-chained' },
      };
    case 'lock-box':
      return {
        refusals: [
          ...requireTold(dossier, context.actor, context),
          ...requireBox(dossier, command.box, context),
          ...requireLock(dossier, command.lock, 'control', context),
        ],
        event: {
          kind: 'box-locked',
          box: command.box,
          lock: command.lock,
          keys: Object.values(isolation.locked)
            .map((hung) => hung.lock)
            .sort(),
        },
      };
    case 'hang-incoming':
      return {
        refusals: [
          ...requireTold(dossier, context.actor, context),
          ...requireIncoming(dossier, context),
          ...requireLock(dossier, command.lock, 'control', context),
        ],
        event: { ...command, kind: 'incoming-hung' },
      };
    case 'take-off-control':
      return decideTakeOff(dossier, command, context);
  }
}
