import {
  DEAD_LIMITS,
  judgeRound,
  type ElectricalRound,
  type ProofDemand,
  type RoundVerdict,
} from '../../proving';
import { refuse, type Refusal } from '../../rules/book';
import { type CommandOf } from '../commands';
import { type JobEvent } from '../events';
import { gateWalkDown, isStepDone } from '../gates';
import { findWorkOrder, type Context } from '../site';
import { type Dossier } from '../state';
import { requireLock } from './lock';
import { type Outcome } from './outcome';
import { requireTold } from './told';

/** Refuses a step that is not of the plan, is done, or comes before its turn. */
export function requireTurn(dossier: Dossier, subject: string, context: Context): Refusal[] {
  const unwalked = gateWalkDown(dossier);
  if (unwalked.length > 0) return unwalked;
  const { test } = dossier.isolation;
  if (test) return [refuse('test-open', { purpose: test.purpose })];
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

/** What speaks against an instrument for a proof. */
function requireInstrument(id: string, demand: ProofDemand | undefined, context: Context) {
  const instrument = context.site.instruments.get(id);
  if (instrument === undefined) return [refuse('instrument-unknown', { instrument: id })];
  const refusals: Refusal[] = [];
  if (Date.parse(instrument.testedUntil) < Date.parse(context.now)) {
    const until = instrument.testedUntil.slice(0, 10);
    refusals.push(refuse('instrument-overdue', { instrument: id, until }));
  }
  if (!demand) return refusals;
  if (instrument.reads !== demand.kind) {
    const { reads } = instrument;
    return [
      ...refusals,
      refuse('instrument-wrong', { instrument: id, reads, wanted: demand.kind }),
    ];
  }
  if (demand.kind !== 'voltage') return refusals;
  const line = findLineVoltage(demand, context);
  const { contact = 'unstated', rated_v: rated = 0 } = instrument;
  if (contact !== 'two-pole') refusals.push(refuse('tester-unfit', { instrument: id, contact }));
  if (rated < line) refusals.push(refuse('tester-underrated', { instrument: id, rated, line }));
  return refusals;
}

/** The highest voltage (V) that a proof speaks for; 0 where the drawing gives none. */
function findLineVoltage({ covers }: ProofDemand, { site: { graph } }: Context): number {
  return covers.reduce((most, id) => {
    const section = graph.sections[graph.sectionAt.get(id) ?? -1];
    return Math.max(most, section?.voltage_v ?? 0);
  }, 0);
}

/** What is missing in a round that found nothing live: pairs, or a tester that shows a known source before and after. */
function requireRound(
  round: ElectricalRound,
  { missing, foreign, unproved }: RoundVerdict,
  line: number,
): Refusal[] {
  const { arrangement, source, source_v } = round;
  return [
    ...(source_v < line ? [refuse('source-underrated', { source, rated: source_v, line })] : []),
    ...unproved.map(({ when, read }) => refuse('tester-not-proved', { when, read, source })),
    ...(missing.length > 0 ? [refuse('pairs-missing', { pairs: missing.join(', ') })] : []),
    ...(foreign.length > 0
      ? [refuse('pair-unknown', { pairs: foreign.join(', '), arrangement })]
      : []),
  ];
}

function decideProof(dossier: Dossier, command: CommandOf<'prove'>, context: Context): Outcome {
  const demand = findWorkOrder(dossier, context.site)?.proofs.find(
    ({ id }) => id === command.proof,
  );
  const { round } = command;
  const verdict = demand?.kind === 'voltage' && round ? judgeRound(round) : undefined;
  const reading = verdict?.worst?.volts ?? command.reading;
  const isLive = demand !== undefined && reading > DEAD_LIMITS[demand.kind].most;
  const refusals: Refusal[] = [
    // What is found live is kept whenever it is found.
    ...requireTurn(dossier, command.proof, context).filter(
      ({ code }) => !(isLive && code === 'already-done'),
    ),
    ...requireInstrument(command.instrument, demand, context),
  ];
  if (demand) {
    const { kind, section } = demand;
    const { unit } = command;
    if (unit !== demand.unit) {
      refusals.push(refuse('unit-wrong', { proof: demand.id, unit, wanted: demand.unit }));
    }
    const { least, most } = DEAD_LIMITS[kind];
    if (reading < least) {
      refusals.push(refuse('reading-not-dead', { reading, unit, section, least, most }));
    }
    if (kind === 'voltage' && !round) refusals.push(refuse('round-missing', { section }));
    if (round && verdict && !isLive) {
      refusals.push(...requireRound(round, verdict, findLineVoltage(demand, context)));
    }
  }
  return { refusals, event: { ...command, reading, kind: isLive ? 'found-live' : 'proved' } };
}

type Isolating = CommandOf<
  | 'tell-affected'
  | 'stop-plant'
  | 'lock-point'
  | 'open-outlet'
  | 'restrain-store'
  | 'wait-out-store'
  | 'prove'
  | 'try-start'
>;

const isFoundLive = ({ kind }: JobEvent) => kind === 'found-live' || kind === 'found-moving';

/**
 * Decides a step at the plant. Nobody takes one whose lock was taken off and who has not been told; what is found live is kept
 * whoever finds it.
 */
export function decideIsolating(dossier: Dossier, command: Isolating, context: Context): Outcome {
  const { refusals, event } = decideStep(dossier, command, context);
  const untold = isFoundLive(event) ? [] : requireTold(dossier, context.actor, context);
  return { refusals: [...untold, ...refusals], event };
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
  }
}
