import { refuse, type Refusal } from '../rules/refuse';
import type { Command } from './commands';
import { findSubject } from './scan';
import type { Context } from './site';
import type { Dossier, DossierState, Mark } from './state';

/** How far the clock of a device may be ahead (ms). Source: site rule. */
const CLOCK_AHEAD_MS = 60_000;

/**
 * When a step was done (ISO 8601, UTC): what is done at a point may be entered on a device and sent later, and counts from when it
 * was entered, never from later than now. Everything else is done when it is sent.
 */
export function timeOf(command: Command, { enteredAt, now }: Context): string {
  if (enteredAt === undefined || findSubject(command) === undefined) return now;
  return Date.parse(enteredAt) < Date.parse(now) ? enteredAt : now;
}

/** Something that happened, after which an entry made before it no longer says how the plant stands. */
interface Change {
  readonly what: string;
  readonly at: string;
}

const changesOf = (all: Readonly<Record<string, Mark>>, how: string): Change[] =>
  Object.entries(all).map(([id, { at }]) => ({ what: `${id} ${how}`, at }));

/** What changes that which a reading or a try to start proves. */
function listUnproving({ isolation }: Dossier): Change[] {
  const { locked, opened, restrained, waited, foundLive, foundMoving, relit } = isolation;
  return [
    ...changesOf(locked, 'was isolated'),
    ...changesOf(opened, 'was opened'),
    ...changesOf(restrained, 'was restrained'),
    ...changesOf(waited, 'was waited out'),
    ...changesOf(foundLive, 'was found live'),
    ...changesOf(foundMoving, 'was found to move something'),
    ...(relit ? [{ what: 'everything was to be proved again', at: relit.at }] : []),
  ];
}

/** What comes before the first point is touched. */
const listStopping = ({ isolation: { told, stopped } }: Dossier): Change[] => [
  ...(told ? [{ what: 'those affected were told', at: told.at }] : []),
  ...(stopped ? [{ what: 'the plant was stopped', at: stopped.at }] : []),
];

/** What has to have happened before an entry of this kind may have been made. */
function listBefore(dossier: Dossier, { kind }: Command): Change[] {
  const { plan, permit, isolation } = dossier;
  const accepted =
    plan.kind === 'accepted' ? [{ what: 'the plan was accepted', at: plan.acceptedAt }] : [];
  switch (kind) {
    case 'prove':
    case 'try-start':
      return [...accepted, ...listUnproving(dossier)];
    case 'lock-point':
    case 'tag-point':
      return [...accepted, ...listStopping(dossier)];
    case 'see-open':
    case 'open-outlet':
    case 'restrain-store':
    case 'wait-out-store':
      return [
        ...accepted,
        ...listStopping(dossier),
        ...changesOf(isolation.locked, 'was isolated'),
      ];
    case 'free-store':
    case 'close-outlet':
    case 'unlock-point':
      return permit.kind === 'closed'
        ? [...accepted, { what: 'the permit was closed', at: permit.closed.at }]
        : accepted;
    case 'leak-test':
    case 'walk-lineup':
      return isolation.putBack === undefined
        ? accepted
        : [...accepted, { what: 'the last point was put back', at: isolation.putBack }];
    default:
      return accepted;
  }
}

/** Refuses an entry from the future, one too old to speak for the plant as it is, and one that something later has overtaken. */
export function refuseEntered(
  state: DossierState,
  command: Command,
  { enteredAt, now, site }: Context,
): Refusal[] {
  const hours = site.values['entry-kept-h'];
  if (enteredAt === undefined) return [];
  const age = Date.parse(now) - Date.parse(enteredAt);
  if (age < -CLOCK_AHEAD_MS) return [refuse('entered-ahead', { at: enteredAt })];
  if (age > hours * 3_600_000) return [refuse('entered-long-ago', { at: enteredAt, hours })];
  if (!state || findSubject(command) === undefined) return [];
  const [last] = listBefore(state, command).sort((a, b) => Date.parse(b.at) - Date.parse(a.at));
  return last && Date.parse(enteredAt) < Date.parse(last.at)
    ? [refuse('entry-overtaken', { at: enteredAt, what: last.what, since: last.at })]
    : [];
}
