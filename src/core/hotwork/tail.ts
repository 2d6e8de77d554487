/** How long it is watched after the last spark, how often someone goes round, and who looks last (minutes). */
export interface TailPolicy {
  /** Watched without a break. */
  readonly watch_min: number;
  /** Then looked at from time to time. */
  readonly checks_min: number;
  /** A round at least so often while it is watched, and while it is looked at from time to time. */
  readonly round_min: number;
  readonly check_min: number;
  readonly final: 'fire-watch' | 'safety' | 'none';
}

/** How late a round may be (min; practice). */
export const ROUND_GRACE_MIN = 5;

/** What someone found on a round: only what is cold goes on. */
export const ROUND_FINDINGS = ['cold', 'warm', 'burning'] as const;

/** A round: when (ISO 8601, UTC), and whether everything was cold. */
interface Round {
  readonly at: string;
  readonly found: (typeof ROUND_FINDINGS)[number];
}

/** Where the tail stands. */
export interface TailClock {
  readonly phase: 'watch' | 'checks' | 'over';
  /** When it is over if no round is missed from now on (ISO 8601, UTC). */
  readonly endsAt: string;
  readonly left_min: number;
  /** When the next round is due; undefined once it is over. */
  readonly nextRound: string | undefined;
  /** Rounds that were not made, by when they were due (ISO 8601, UTC). */
  readonly missed: readonly string[];
}

const MINUTE = 60_000;
const iso = (instant: number) => new Date(instant).toISOString();

interface Watched {
  readonly last: number;
  /** Minutes that rounds stand for. */
  readonly covered: number;
  readonly missed: readonly string[];
}

const intervalOf = ({ watch_min, round_min, check_min }: TailPolicy, covered: number): number =>
  covered < watch_min ? round_min : check_min;

/** Time up to the next look; one that came too late leaves what lay between uncounted, but for one interval. */
function passTo(policy: TailPolicy, { last, covered, missed }: Watched, instant: number): Watched {
  const interval = intervalOf(policy, covered);
  const gap = (instant - last) / MINUTE;
  // Less is left than from one round to the next: what comes then is the last look.
  const isLast = policy.watch_min + policy.checks_min - covered <= interval;
  if (isLast || gap <= interval + ROUND_GRACE_MIN)
    return { last: instant, covered: covered + gap, missed };
  return {
    last: instant,
    covered: covered + interval,
    missed: [...missed, iso(last + interval * MINUTE)],
  };
}

/**
 * The tail by the clock, from the last spark over the rounds that were made. Time that no round stands for does not count: a missed
 * round is seen, and lengthens the tail. What was found warm or burning starts it again. Source: 29 CFR 1910.252(a)(2)(iii)(B) (30 min);
 * NFPA 51B, 2019 on (60 min); rounds and longer regimes are practice.
 */
export function computeTail(
  policy: TailPolicy,
  from: string,
  rounds: readonly Round[],
  now: string,
): TailClock {
  const start: Watched = { last: Date.parse(from), covered: 0, missed: [] };
  const watched = rounds.reduce<Watched>((before, { at, found }) => {
    const next = passTo(policy, before, Date.parse(at));
    return found === 'cold' ? next : { ...next, covered: 0 };
  }, start);
  const total = policy.watch_min + policy.checks_min;
  const here = passTo(policy, watched, Math.max(Date.parse(now), watched.last));
  const left = Math.max(0, total - here.covered);
  const interval = intervalOf(policy, watched.covered);
  // The end only moves with rounds; between them it stands still while the clock runs.
  const ends = here.missed.length > watched.missed.length ? here : watched;
  return {
    phase: left <= 0 ? 'over' : here.covered < policy.watch_min ? 'watch' : 'checks',
    endsAt: iso(ends.last + Math.max(0, total - ends.covered) * MINUTE),
    left_min: Math.ceil(left),
    nextRound:
      left <= 0 || total - watched.covered <= interval
        ? undefined
        : iso(watched.last + interval * MINUTE),
    missed: here.missed,
  };
}
