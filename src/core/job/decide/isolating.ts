import { refuse, type Refusal } from '../../rules/refuse';
import { requireBypassAllowed } from '../bypasses';
import { requireCleared } from '../clearances';
import { type CommandOf } from '../commands';
import { type JobEvent } from '../events';
import { gateWalkDown } from '../gates';
import { gateCalled } from '../run-up';
import { findWorkOrder, type Context } from '../site';
import { type Dossier } from '../state';
import { requireLock } from './lock';
import { type Outcome } from './outcome';
import { decideProof } from './prove';
import { requireTold } from './told';
import { minutesLeft, requireTurn } from './turn';
import { decideOpening, decideWatch, requireNotWatching } from './watch';

type Isolating = CommandOf<
  | 'tell-affected'
  | 'stop-plant'
  | 'lock-point'
  | 'see-open'
  | 'open-outlet'
  | 'take-watch'
  | 'end-watch'
  | 'restrain-store'
  | 'wait-out-store'
  | 'prove'
  | 'try-start'
>;

const isFoundLive = ({ kind }: JobEvent) => kind === 'found-live' || kind === 'found-moving';

/** Volts on a capacitor up to which it may be shorted. Source: discharged to 50 V (practice; IEC 60831-1, from memory). */
const SHORTED_FROM_V = 50;

/** Refuses to call a store run down before it can have; a capacitor is read and shorted as well. */
function requireRunDown(
  dossier: Dossier,
  { store, volts, shorted }: CommandOf<'wait-out-store'>,
  context: Context,
): Refusal[] {
  const { graph } = context.site;
  const placed = graph.stores[graph.storeAt.get(store) ?? -1];
  const order = findWorkOrder(dossier, context.site);
  const step = order?.steps.find(({ phase, subject }) => phase === 'wait' && subject === store);
  const { stopped, locked } = dossier.isolation;
  const drives = order?.steps.filter(({ phase }) => phase === 'isolate-drives') ?? [];
  const [since] = [stopped?.at, ...drives.map(({ subject }) => locked[subject]?.at)]
    .filter((at) => at !== undefined)
    .sort((a, b) => Date.parse(b) - Date.parse(a));
  const minutes = since === undefined ? 0 : minutesLeft(since, step?.wait_s ?? 0, context.now);
  const isCapacitor = placed?.store.kind === 'capacitor';
  return [
    ...(minutes > 0 ? [refuse('run-down-too-soon', { store, minutes })] : []),
    ...(isCapacitor && (volts === undefined || Math.abs(volts) > SHORTED_FROM_V)
      ? [refuse('capacitor-charged', { store, volts: volts ?? 'no', most: SHORTED_FROM_V })]
      : []),
    ...(isCapacitor && shorted !== true ? [refuse('not-shorted', { store })] : []),
  ];
}

/**
 * Decides a step at the plant. Nobody takes one whose lock was taken off and who has not been told; what is found live is kept
 * whoever finds it.
 */
export function decideIsolating(dossier: Dossier, command: Isolating, context: Context): Outcome {
  const { refusals, event } = decideStep(dossier, command, context);
  const isWatching = command.kind === 'take-watch' || command.kind === 'end-watch';
  const bound = isFoundLive(event)
    ? []
    : [
        ...requireTold(dossier, context.actor, context),
        ...(isWatching ? [] : requireNotWatching(dossier, context.actor, context)),
      ];
  return { refusals: [...bound, ...refusals], event };
}

function decideStep(dossier: Dossier, command: Isolating, context: Context): Outcome {
  const reviewed = dossier.plan.kind === 'accepted' ? [] : [refuse('plan-not-reviewed')];
  const { isolation } = dossier;
  switch (command.kind) {
    case 'tell-affected':
      return {
        refusals: [
          ...reviewed,
          ...(isolation.told ? [refuse('already-done', { what: 'Telling' })] : []),
        ],
        event: { kind: 'affected-told', who: command.who },
      };
    case 'stop-plant':
      return {
        refusals: [
          ...gateWalkDown(dossier),
          ...gateCalled(dossier),
          ...(isolation.told ? [] : [refuse('not-told')]),
          ...(isolation.stopped ? [refuse('already-done', { what: 'Stopping' })] : []),
        ],
        event: { kind: 'plant-stopped', how: command.how },
      };
    case 'lock-point':
      return {
        refusals: [
          ...requireTurn(dossier, command.link, context),
          ...gateCalled(dossier),
          ...requireCleared(dossier, command.link, context.site, context.now),
          ...requireLock(dossier, command.lock, 'point', context),
          ...requireBypassAllowed(dossier, command.link, context.site, context.now),
        ],
        event: { ...command, kind: 'point-locked' },
      };
    case 'see-open':
      return {
        refusals: [
          ...requireTurn(dossier, command.link, context),
          ...(command.found === 'stays-shut' && command.note.trim() === ''
            ? [refuse('way-needs-words', { link: command.link })]
            : []),
        ],
        event: {
          ...command,
          kind: command.found === 'stays-shut' ? 'way-found-shut' : 'seen-open',
        },
      };
    case 'open-outlet':
      return decideOpening(dossier, command, context);
    case 'take-watch':
    case 'end-watch':
      return decideWatch(dossier, command, context);
    case 'restrain-store':
      return {
        refusals: requireTurn(dossier, command.store, context),
        event: {
          ...command,
          kind: 'store-restrained',
          ...(context.site.graph.linkAt.has(command.store) ? { isHold: true } : {}),
        },
      };
    case 'wait-out-store':
      return {
        refusals: [
          ...requireTurn(dossier, command.store, context),
          ...requireRunDown(dossier, command, context),
        ],
        event: { ...command, kind: 'store-waited-out' },
      };
    case 'prove':
      return decideProof(dossier, command, context);
    case 'try-start':
      return {
        refusals: requireTurn(dossier, command.station, context),
        event: { kind: command.moved ? 'found-moving' : 'start-tried', station: command.station },
      };
  }
}
