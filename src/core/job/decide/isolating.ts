import { DEAD_LIMITS, FEWEST_PAIRS } from '../../proving';
import { refuse, type Refusal } from '../../rules/book';
import { type CommandOf } from '../commands';
import { gateWalkDown, isStepDone } from '../gates';
import { findWorkOrder, type Context } from '../site';
import { type Dossier } from '../state';
import { requireLock } from './lock';
import { type Outcome } from './outcome';

/** Refuses a step that is not of the plan, is done, or comes before its turn. */
function requireTurn(dossier: Dossier, subject: string, context: Context): Refusal[] {
  const unwalked = gateWalkDown(dossier);
  if (unwalked.length > 0) return unwalked;
  if (dossier.restoring) return [refuse('already-done', { what: 'Isolating' })];
  const order = findWorkOrder(dossier, context.site);
  const step = order?.steps.find((one) => one.subject === subject && subject !== '');
  if (!order || !step) return [refuse('not-in-plan', { subject })];
  if (isStepDone(dossier.isolation, step)) return [refuse('already-done', { what: subject })];
  const at = order.steps.indexOf(step);
  const first = order.steps
    .slice(0, at)
    .find(
      (one) =>
        !(one.phase === step.phase && one.layer === step.layer) &&
        !isStepDone(dossier.isolation, one),
    );
  if (first?.phase === 'tell') return [refuse('not-told')];
  if (first?.phase === 'stop') return [refuse('not-stopped')];
  return first ? [refuse('out-of-order', { subject, first: first.subject })] : [];
}

function decideProof(dossier: Dossier, command: CommandOf<'prove'>, context: Context): Outcome {
  const demand = findWorkOrder(dossier, context.site)?.proofs.find(
    ({ id }) => id === command.proof,
  );
  const instrument = context.site.instruments.get(command.instrument);
  const refusals: Refusal[] = [...requireTurn(dossier, command.proof, context)];
  if (instrument === undefined) {
    refusals.push(refuse('instrument-unknown', { instrument: command.instrument }));
  } else if (Date.parse(instrument.testedUntil) < Date.parse(context.now)) {
    refusals.push(
      refuse('instrument-overdue', {
        instrument: instrument.id,
        until: instrument.testedUntil.slice(0, 10),
      }),
    );
  }
  if (demand) {
    if (instrument && instrument.reads !== demand.kind) {
      refusals.push(
        refuse('instrument-wrong', {
          instrument: instrument.id,
          reads: instrument.reads,
          wanted: demand.kind,
        }),
      );
    }
    if (command.unit !== demand.unit) {
      refusals.push(
        refuse('unit-wrong', { proof: demand.id, unit: command.unit, wanted: demand.unit }),
      );
    }
    const { least, most } = DEAD_LIMITS[demand.kind];
    if (command.reading < least) {
      refusals.push(
        refuse('reading-not-dead', {
          reading: command.reading,
          unit: command.unit,
          section: demand.section,
          least,
          most,
        }),
      );
    }
    if (demand.kind === 'voltage') {
      if (!command.testerProved) refusals.push(refuse('tester-not-proved'));
      if (command.pairs < FEWEST_PAIRS) {
        refusals.push(refuse('pairs-missing', { pairs: command.pairs, wanted: FEWEST_PAIRS }));
      }
    }
  }
  const isLive = demand !== undefined && command.reading > DEAD_LIMITS[demand.kind].most;
  return { refusals, event: { ...command, kind: isLive ? 'found-live' : 'proved' } };
}

function decideBox(dossier: Dossier, command: CommandOf<'lock-box'>, context: Context): Outcome {
  const order = findWorkOrder(dossier, context.site);
  const unlocked = (order?.plan.close ?? []).filter((link) => !(link in dossier.isolation.locked));
  const other = context.others.boxAt.get(command.box);
  return {
    refusals: [
      ...gateWalkDown(dossier),
      ...(dossier.isolation.box || dossier.restoring
        ? [refuse('already-done', { what: 'Locking the box' })]
        : []),
      ...(context.site.boxes.has(command.box) ? [] : [refuse('box-unknown', { box: command.box })]),
      ...(other === undefined ? [] : [refuse('box-in-use', { box: command.box, job: other })]),
      ...requireLock(dossier, command.lock, 'control', context),
      ...(unlocked.length > 0 ? [refuse('locks-missing', { points: unlocked.join(', ') })] : []),
    ],
    event: {
      kind: 'box-locked',
      box: command.box,
      lock: command.lock,
      keys: Object.values(dossier.isolation.locked)
        .map((hung) => hung.lock)
        .sort(),
    },
  };
}

export function decideIsolating(
  dossier: Dossier,
  command: CommandOf<
    | 'tell-affected'
    | 'stop-plant'
    | 'lock-point'
    | 'open-outlet'
    | 'restrain-store'
    | 'wait-out-store'
    | 'prove'
    | 'try-start'
    | 'lock-box'
  >,
  context: Context,
): Outcome {
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
          ...(isolation.told ? [] : [refuse('not-told')]),
          ...(isolation.stopped ? [refuse('already-done', { what: 'Stopping' })] : []),
        ],
        event: { kind: 'plant-stopped', how: command.how },
      };
    case 'lock-point':
      return {
        refusals: [
          ...requireTurn(dossier, command.link, context),
          ...requireLock(dossier, command.lock, 'point', context),
        ],
        event: { ...command, kind: 'point-locked' },
      };
    case 'open-outlet':
      return {
        refusals: requireTurn(dossier, command.outlet, context),
        event: { ...command, kind: 'outlet-opened' },
      };
    case 'restrain-store':
      return {
        refusals: requireTurn(dossier, command.store, context),
        event: { ...command, kind: 'store-restrained' },
      };
    case 'wait-out-store':
      return {
        refusals: requireTurn(dossier, command.store, context),
        event: { ...command, kind: 'store-waited-out' },
      };
    case 'prove':
      return decideProof(dossier, command, context);
    case 'try-start':
      return {
        refusals: requireTurn(dossier, command.station, context),
        event: { kind: command.moved ? 'found-moving' : 'start-tried', station: command.station },
      };
    case 'lock-box':
      return decideBox(dossier, command, context);
  }
}
