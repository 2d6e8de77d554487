import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { gateChanges } from '../changes';
import { requireSight } from '../clearing';
import { gatePressureUse } from '../kit';
import { type CommandOf } from '../commands';
import { gateLineup, gateRestore, listStanding } from '../gates-back';
import {
  computeMissed,
  computeShortest,
  isTight,
  listLeakTests,
  type LeakTestDemand,
} from '../leak-test';
import { isInLine, listLineup } from '../lineup';
import { findWorkOrder, type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome } from './outcome';
import { minutesLeft } from './turn';

/** Compares a point with the line-up; a difference is kept, and holds the plant until the point is found in line. */
export function decideWalk(
  dossier: Dossier,
  command: CommandOf<'walk-lineup'>,
  context: Context,
): Outcome {
  const order = findWorkOrder(dossier, context.site);
  const standing = order ? listStanding(dossier, order) : [];
  const lineup = order ? listLineup(context.site.graph, order, context.others.open()) : [];
  const point = lineup.find((one) => one.point === command.point);
  const isLine = point && isInLine(point, command.found, command.end);
  return {
    refusals: [
      ...gateRestore(dossier),
      ...(point ? [] : [refuse('not-in-plan', { subject: command.point })]),
      ...(standing.length > 0 ? [refuse('points-locked', { points: standing.join(', ') })] : []),
    ],
    event:
      !point || isLine
        ? { ...command, kind: 'lineup-walked' }
        : { ...command, kind: 'lineup-differed', normal: point.normal },
  };
}

/** Refuses a test with gas that ends before the leak that it looks for would show; what shuts in liquid shows it at once. */
function requireShown(
  { fluid, minutes, resolution_bar }: CommandOf<'leak-test'>,
  volume: number | undefined,
  { site }: Context,
): Refusal[] {
  const leak = site.values['leak-test-shows'];
  const least = fluid === 'gas' ? computeShortest(volume, resolution_bar, leak) : undefined;
  return least === undefined || minutes >= least
    ? []
    : [
        refuse('leak-test-blind', {
          volume: volume ?? 0,
          leak,
          step: resolution_bar,
          least,
          minutes,
        }),
      ];
}

/** Refuses a test that says nothing: too short, too low, rising, or with gas that nobody accepted. */
function requireTelling(
  command: CommandOf<'leak-test'>,
  demand: LeakTestDemand | undefined,
  context: Context,
): Refusal[] {
  const { section, fluid, from_bar, to_bar, minutes, accepter } = command;
  const least_bar = demand?.least_bar;
  const least = context.site.values['leak-test-min'];
  return [
    ...requireShown(command, demand?.volume_m3, context),
    ...(from_bar > 0 && from_bar >= (least_bar ?? 0)
      ? []
      : [
          refuse('leak-test-too-low', {
            section,
            from: from_bar,
            least: least_bar ?? 'more than 0',
          }),
        ]),
    ...(minutes >= least ? [] : [refuse('leak-test-too-short', { minutes, least })]),
    ...(to_bar > from_bar
      ? [refuse('leak-test-void', { section, from: from_bar, to: to_bar })]
      : []),
    ...(fluid === 'gas' && accepter === undefined ? [refuse('gas-test-not-accepted')] : []),
    ...(accepter === undefined ? [] : requireRole(context, accepter, ['issuing-authority'])),
  ];
}

/** Refuses a pressure that cannot have been held for so long: its outlets were shut only later. */
function requireHeld(
  { isolation: { putBack } }: Dossier,
  { section, minutes }: CommandOf<'leak-test'>,
  { now }: Context,
): Refusal[] {
  const left = putBack === undefined ? 0 : minutesLeft(putBack, minutes * 60, now);
  return left > 0 ? [refuse('leak-test-too-soon', { section, minutes, left })] : [];
}

/** A line that was broken into is tested before its locks come off: outlets shut, pressure held. */
export function decideLeakTest(
  dossier: Dossier,
  command: CommandOf<'leak-test'>,
  context: Context,
): Outcome {
  const demand = listLeakTests(dossier, context.site).find(
    ({ section }) => section === command.section,
  );
  const order = findWorkOrder(dossier, context.site);
  const standing = new Set(order ? listStanding(dossier, order) : []);
  const first = order?.restore.find(
    ({ kind, subject }) => kind !== 'unlock' && standing.has(subject),
  );
  const missed = computeMissed(demand?.volume_m3, command);
  return {
    refusals: [
      ...gateRestore(dossier),
      ...(demand ? [] : [refuse('no-leak-test', { section: command.section })]),
      ...(first
        ? [refuse('out-of-order', { subject: command.section, first: first.subject })]
        : []),
      ...requireTelling(command, demand, context),
      ...requireHeld(dossier, command, context),
    ],
    event: {
      ...command,
      kind: 'leak-tested',
      tight: isTight(command),
      ...(missed === undefined ? {} : { missed }),
    },
  };
}

/** The start after the work: those affected told, everyone clear, seen from a distance. */
export function decideStart(
  dossier: Dossier,
  command: CommandOf<'see-start'>,
  context: Context,
): Outcome {
  return {
    refusals: [
      ...gateLineup(dossier, context.site),
      ...gateChanges(dossier, context.site, context.now, context.jobId),
      ...gatePressureUse(dossier, context.site, context.now),
      ...(command.clear ? [] : [refuse('not-kept-clear')]),
      ...requireSight(dossier, command, context),
    ],
    event: { ...command, kind: 'start-seen' },
  };
}
