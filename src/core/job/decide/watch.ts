import { sayFault } from '../../energy/fault';
import type { EarthingSet } from '../../people/people';
import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { requireFieldKit } from '../kit';
import { type CommandOf } from '../commands';
import { findHolder } from '../shared';
import { findWorkOrder, type Context } from '../site';
import { type Dossier } from '../state';
import { requireInDate } from './instrument';
import { nameOf, type Outcome } from './outcome';
import { requireSecond } from './prove';
import { requireTurn } from './turn';

const WATCHERS = [
  'area-operator',
  'isolating-process',
  'isolating-mechanical',
  'isolating-electrical',
] as const;

/** Whoever watches a drain does nothing else: called away means stopped first, or another takes the watch. */
export function requireNotWatching(dossier: Dossier, person: string, context: Context): Refusal[] {
  const jobs = [{ id: context.jobId, dossier }, ...context.others.open()];
  return jobs.flatMap(({ id, dossier: { isolation } }) =>
    Object.entries(isolation.watched)
      .filter(([, { watcher }]) => watcher === person)
      .map(([outlet]) =>
        refuse('watcher-busy', { person: nameOf(context, person), outlet, job: id }),
      ),
  );
}

function requireWatcher(
  dossier: Dossier,
  { outlet, watcher }: CommandOf<'open-outlet'>,
  context: Context,
): Refusal[] {
  const order = findWorkOrder(dossier, context.site);
  const step = order?.steps.find(
    ({ phase, subject }) => phase === 'let-down' && subject === outlet,
  );
  if (!step?.watched) return [];
  if (watcher === undefined) return [refuse('watcher-missing', { outlet })];
  return [
    ...requireRole(context, watcher, WATCHERS),
    ...(watcher === context.actor ? [] : requireNotWatching(dossier, watcher, context)),
  ];
}

/** Refuses a set that does not carry the fault current of the place for as long as it flows. Source: IEC 61230 (from memory). */
function requireRating(outlet: string, set: EarthingSet, { site }: Context): Refusal[] {
  const { graph } = site;
  const section = graph.sections[graph.outletSection[graph.outletAt.get(outlet) ?? -1] ?? -1];
  const { fault_ka, fault_s } = section ?? {};
  if (fault_ka === undefined) return [];
  const { rated_ka, rated_s } = set;
  const fault =
    fault_s === undefined ? `${fault_ka} kA for an unknown time` : sayFault(fault_ka, fault_s);
  if (rated_ka === undefined || rated_s === undefined) {
    return [refuse('earth-rating-unknown', { set: set.id, outlet, fault })];
  }
  // How long it flows is taken as a second where the drawing does not say.
  const carries = rated_ka >= fault_ka && rated_ka ** 2 * rated_s >= fault_ka ** 2 * (fault_s ?? 1);
  return carries
    ? []
    : [
        refuse('earth-too-small', {
          set: set.id,
          rated: sayFault(rated_ka, rated_s),
          outlet,
          fault,
        }),
      ];
}

/** A stake stands deep enough, as it was measured; an earth end of which nobody says what it is on is taken to be on one. */
function requireStake(
  { to, stake_m }: NonNullable<CommandOf<'open-outlet'>['earth']>,
  { site: { values } }: Context,
): Refusal[] {
  const least = values['stake-least-m'];
  if (to === 'point' || (stake_m !== undefined && stake_m >= least)) return [];
  return [refuse('stake-shallow', { depth: stake_m ?? 'at a depth that nobody measured', least })];
}

/** Refuses an earth without its set, in date and not on elsewhere, its earth end first, and without a second person. */
function requireEarth(
  dossier: Dossier,
  { outlet, earth, second }: CommandOf<'open-outlet'>,
  context: Context,
): Refusal[] {
  const { graph, earths } = context.site;
  if (graph.outlets[graph.outletAt.get(outlet) ?? -1]?.kind !== 'earth') return [];
  if (!earth) return [refuse('earth-set-missing', { outlet }), ...requireSecond(second, context)];
  const known = earths.get(earth.set);
  const jobs = [dossier, ...context.others.open().map((other) => other.dossier)];
  const on = jobs
    .flatMap(({ isolation }) => Object.entries(isolation.earths))
    .find(([, set]) => set === earth.set);
  return [
    ...(known
      ? [...requireInDate(known, context), ...requireRating(outlet, known, context)]
      : [refuse('instrument-unknown', { instrument: earth.set })]),
    ...(on ? [refuse('earth-in-use', { set: earth.set, where: on[0] })] : []),
    ...(earth.endFirst ? [] : [refuse('earth-end-first', { outlet })]),
    ...(earth.ordered ? [] : [refuse('earth-order', { outlet })]),
    ...(earth.clear ? [] : [refuse('earth-lead-held', { outlet })]),
    ...requireStake(earth, context),
    ...requireSecond(second, context),
  ];
}

/** Opening an outlet: a drain under watch, an earth with its set and two persons. */
export function decideOpening(
  dossier: Dossier,
  command: CommandOf<'open-outlet'>,
  context: Context,
): Outcome {
  return {
    refusals: [
      ...requireTurn(dossier, command.outlet, context),
      ...requireWatcher(dossier, command, context),
      ...requireEarth(dossier, command, context),
      ...(command.earth
        ? requireFieldKit(dossier, context.site, { actor: context.actor, now: context.now })
        : []),
    ],
    event: { ...command, kind: 'outlet-opened' },
  };
}

/** The watch over a drain: taken over by another who is there, and ended by the watcher. */
export function decideWatch(
  dossier: Dossier,
  command: CommandOf<'take-watch' | 'end-watch'>,
  context: Context,
): Outcome {
  const watch = dossier.isolation.watched[command.outlet];
  const isTaking = command.kind === 'take-watch';
  const { watcher } = watch ?? {};
  const holder = findHolder(command.outlet, context.others.open());
  return {
    refusals: watch
      ? [
          ...(isTaking ? requireRole(context, context.actor, WATCHERS) : []),
          ...(isTaking ? requireNotWatching(dossier, context.actor, context) : []),
          ...(!isTaking && watcher !== context.actor
            ? [refuse('not-the-watcher', { person: nameOf(context, watcher ?? '') })]
            : []),
          // Shutting it would shut what another job is let down through.
          ...(command.kind === 'end-watch' && command.end === 'stopped' && holder !== undefined
            ? [refuse('held-by-other', { subject: command.outlet, job: holder })]
            : []),
        ]
      : [refuse('not-watched', { outlet: command.outlet })],
    event: isTaking ? { ...command, kind: 'watch-taken' } : { ...command, kind: 'watch-ended' },
  };
}
