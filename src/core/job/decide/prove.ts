import {
  DEAD_LIMITS,
  findLineVoltage,
  isByTwo,
  judgeRound,
  saySeen,
  TWO_PERSONS_V,
  type ElectricalRound,
  type ProofDemand,
  type RoundVerdict,
  type Seen,
} from '../../proving';
import type { Instrument } from '../../people/people';
import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { requireFieldKit } from '../kit';
import { findWorkOrder, type Context } from '../site';
import { type Dossier } from '../state';
import { requireInDate } from './instrument';
import { nameOf, type Outcome } from './outcome';
import { minutesLeft, requireTurn } from './turn';

/** Once the site writes down the probes of one voltage tester, it writes down those of all. */
function requireProbes(
  { id, tip_mm, guarded, fused }: Instrument,
  { site: { instruments, values } }: Context,
): Refusal[] {
  if ([...instruments.values()].every((one) => one.tip_mm === undefined)) return [];
  const most = values['probe-tip-most-mm'];
  const faults = [
    ...(tip_mm === undefined ? ['nobody has measured the bare tip of its probes'] : []),
    ...(tip_mm !== undefined && tip_mm > most ? [`${tip_mm} mm of bare tip, ${most} at most`] : []),
    ...(guarded ? [] : ['its probes have no guard']),
    ...(fused ? [] : ['its leads are neither fused nor current-limited']),
  ];
  return faults.length > 0
    ? [refuse('tester-probes', { instrument: id, what: faults.join('; ') })]
    : [];
}

/** What speaks against an instrument for a proof. */
function requireInstrument(id: string, demand: ProofDemand | undefined, context: Context) {
  const instrument = context.site.instruments.get(id);
  if (instrument === undefined) return [refuse('instrument-unknown', { instrument: id })];
  const refusals = requireInDate(instrument, context);
  if (!demand) return refusals;
  if (instrument.reads !== demand.kind) {
    const { reads } = instrument;
    return [
      ...refusals,
      refuse('instrument-wrong', { instrument: id, reads, wanted: demand.kind }),
    ];
  }
  if (demand.kind !== 'voltage') return refusals;
  const line = findLineVoltage(demand, context.site.graph);
  const { contact = 'unstated', rated_v: rated = 0 } = instrument;
  if (contact !== 'two-pole') refusals.push(refuse('tester-unfit', { instrument: id, contact }));
  if (rated < line) refusals.push(refuse('tester-underrated', { instrument: id, rated, line }));
  refusals.push(...requireProbes(instrument, context));
  return refusals;
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

/** Refuses a reading that comes before the line can have let down through what was opened on it. */
function requireWait(dossier: Dossier, demand: ProofDemand, context: Context): Refusal[] {
  if (demand.kind !== 'pressure' && demand.kind !== 'level') return [];
  const { graph } = context.site;
  const order = findWorkOrder(dossier, context.site);
  const { opened } = dossier.isolation;
  const left = (order?.steps ?? []).flatMap(({ phase, subject, wait_s }) => {
    const outlet = graph.outlets[graph.outletAt.get(subject) ?? -1];
    const since = opened[subject]?.at;
    const isHere = phase === 'let-down' && demand.covers.includes(outlet?.section ?? '');
    return isHere && since !== undefined && wait_s !== undefined
      ? [minutesLeft(since, wait_s, context.now)]
      : [];
  });
  const minutes = Math.max(0, ...left);
  return minutes > 0 ? [refuse('let-down-too-soon', { section: demand.section, minutes })] : [];
}

/** Refuses a proof that says nothing of what has to be seen besides the reading. */
function requireSeen(
  { sees, section, beside }: ProofDemand,
  seen: readonly Seen[],
  { site }: Context,
): Refusal[] {
  const missing = sees
    .filter((one) => !seen.includes(one))
    .map((one) => saySeen(one, beside, site.values));
  return missing.length > 0 ? [refuse('not-seen', { section, missing: missing.join('; ') })] : [];
}

/** Refuses to prove dead or to earth alone where two are asked for; who stands by knows the work and is not the one who does it. */
export function requireSecond(second: string | undefined, context: Context): Refusal[] {
  if (second === undefined) return [refuse('second-missing', { volts: TWO_PERSONS_V })];
  return [
    ...(second === context.actor
      ? [refuse('second-is-first', { person: nameOf(context, second) })]
      : []),
    ...requireRole(context, second, ['isolating-electrical', 'area-operator']),
  ];
}

export function decideProof(
  dossier: Dossier,
  command: CommandOf<'prove'>,
  context: Context,
): Outcome {
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
    if (!isLive) {
      refusals.push(
        ...requireWait(dossier, demand, context),
        ...requireSeen(demand, command.seen ?? [], context),
      );
    }
    if (isByTwo(demand, context.site.graph)) {
      refusals.push(...requireSecond(command.second, context));
      if (!isLive && !command.ordered) refusals.push(refuse('round-order', { section }));
    }
    if (kind === 'voltage' && !isLive) {
      const { actor, now, site } = context;
      refusals.push(...requireFieldKit(dossier, site, { actor, now }));
    }
    if (kind === 'voltage' && !round) refusals.push(refuse('round-missing', { section }));
    if (round && verdict && !isLive) {
      refusals.push(...requireRound(round, verdict, findLineVoltage(demand, context.site.graph)));
    }
  }
  return { refusals, event: { ...command, reading, kind: isLive ? 'found-live' : 'proved' } };
}
