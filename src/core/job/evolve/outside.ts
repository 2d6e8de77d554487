import type { JobEvent } from '../events';
import type { Dossier, Mark } from '../state';
import { put } from './ledger';

type Kept = Pick<Dossier, 'barriers' | 'clearances' | 'gasTest' | 'rounds'>;

/** What passes between the site and others who operate points of the plan; what is asked for again leaves what is given as it is. */
function evolveClearances(
  clearances: Dossier['clearances'],
  event: JobEvent,
  mark: Mark,
): Dossier['clearances'] {
  switch (event.kind) {
    case 'clearance-asked': {
      const { operator, whom, what } = event;
      const { given, returned } = clearances[operator] ?? {};
      const kept = given && !returned ? { given } : {};
      return put(clearances, operator, { ...kept, asked: { ...mark, whom, what } });
    }
    case 'clearance-taken': {
      const { operator, number, person, isolates, earths, until } = event;
      const given = { ...mark, number, person, isolates, earths, until };
      return put(clearances, operator, { asked: clearances[operator]?.asked, given });
    }
    case 'clearance-returned': {
      const { operator, person, seen } = event;
      const returned = { ...mark, person, seen };
      return put(clearances, operator, { ...clearances[operator], returned });
    }
    default:
      return clearances;
  }
}

/** What the leads of visiting firms have seen and were shown. */
function evolveRounds(rounds: Dossier['rounds'], event: JobEvent, mark: Mark): Dossier['rounds'] {
  if (event.kind !== 'points-seen' && event.kind !== 'bounds-shown') return rounds;
  const known = rounds[event.firm] ?? { seen: {} };
  if (event.kind === 'bounds-shown') {
    const { lead, words } = event;
    return put(rounds, event.firm, { ...known, bounds: { ...mark, lead, words } });
  }
  const { how } = event;
  const seen = Object.fromEntries(event.points.map((point) => [point, { ...mark, how }]));
  return put(rounds, event.firm, { ...known, seen: { ...known.seen, ...seen } });
}

/** Barriers and notices round the work; another scope has them set anew. */
function evolveBarriers(
  barriers: Dossier['barriers'],
  event: JobEvent,
  mark: Mark,
): Dossier['barriers'] {
  if (event.kind === 'scope-changed') return undefined;
  return event.kind === 'barriers-set'
    ? { ...mark, where: event.where, notices: event.notices }
    : barriers;
}

/** What keeps others safe from the work and the work from others: barriers, firms from outside, networks of somebody else, a test with gas. */
export const evolveOutside = (
  { barriers, clearances, gasTest, rounds }: Kept,
  event: JobEvent,
  mark: Mark,
): Kept => ({
  barriers: evolveBarriers(barriers, event, mark),
  clearances: evolveClearances(clearances, event, mark),
  gasTest:
    event.kind === 'gas-test-approved'
      ? { ...mark, why: event.why, stands: event.stands }
      : gasTest,
  rounds: evolveRounds(rounds, event, mark),
});
