import type { Mark } from '../job/mark';
import { isTogether } from '../schedule/window';

export const RUN_UP_KINDS = ['plant', 'cool', 'ready'] as const;

/** What is done before the hour of a stop: at the plant, waiting for it to cool, or something that has to be ready. */
export interface RunUpStep {
  readonly id: string;
  readonly what: string;
  readonly kind: (typeof RUN_UP_KINDS)[number];
  /** Who does it, by id. */
  readonly who: string;
  readonly minutes: number;
  /** Steps that are finished before it begins, by id. */
  readonly after: readonly string[];
  readonly begun?: Mark;
  readonly done?: Mark & { readonly seen: string };
}

/** When a step has to begin and end for the hour to hold, and when it will as things go (ISO 8601, UTC). */
export interface StepTimes extends RunUpStep {
  readonly beginBy: string;
  readonly endBy: string;
  readonly begins: string;
  readonly ends: string;
  /** How long after the time that it has to end by (min); 0 while the hour holds. */
  readonly slip_min: number;
  /** Everything that waits for it, directly or by way of others. */
  readonly holdsUp: readonly string[];
}

export interface RunUpTimes {
  readonly steps: readonly StepTimes[];
  /** When the plant will be ready (ISO 8601, UTC): the hour, or later. */
  readonly readyAt: string;
  readonly slip_min: number;
}

const MINUTE = 60_000;
const iso = (at: number): string => new Date(at).toISOString();

/** Steps in an order in which each comes after those that it waits for; undefined where some wait for each other in a circle. */
export function orderSteps<Step extends Pick<RunUpStep, 'id' | 'after'>>(
  steps: readonly Step[],
): Step[] | undefined {
  const known = new Set(steps.map(({ id }) => id));
  const placed = new Set<string>();
  const order: Step[] = [];
  while (order.length < steps.length) {
    const free = steps.filter(
      ({ id, after }) =>
        !placed.has(id) && after.every((before) => placed.has(before) || !known.has(before)),
    );
    if (free.length === 0) return undefined;
    for (const step of free) placed.add(step.id);
    order.push(...free);
  }
  return order;
}

/** By when each step ends at the latest (ms), counted back from the hour over what waits for it; the last first. */
function countBack(order: readonly RunUpStep[], hour: number): Map<string, number> {
  const endBy = new Map<string, number>();
  for (const { id } of [...order].reverse()) {
    const next = order.filter(({ after }) => after.includes(id));
    const begins = next.map((one) => (endBy.get(one.id) ?? hour) - one.minutes * MINUTE);
    endBy.set(id, Math.min(hour, ...begins));
  }
  return endBy;
}

function listHeldUp(steps: readonly RunUpStep[], id: string): string[] {
  const held = new Set<string>();
  const walk = (from: string): void => {
    for (const step of steps) {
      if (!step.after.includes(from) || held.has(step.id)) continue;
      held.add(step.id);
      walk(step.id);
    }
  };
  walk(id);
  return [...held];
}

/**
 * Counts the steps back from the hour (ISO 8601, UTC), and forward from what has been done: a step begins when it has to, or later when what it waits
 * for ends later, or when its time has passed and nobody has begun. What runs longer than planned ends now at the earliest. Steps in a circle are
 * refused before they are kept; here they have no times.
 */
export function computeRunUp(
  steps: readonly RunUpStep[],
  hour: string,
  at: string,
): RunUpTimes | undefined {
  const order = orderSteps(steps);
  if (order === undefined) return undefined;
  const [stop, now] = [Date.parse(hour), Date.parse(at)];
  const endBy = countBack(order, stop);
  const ends = new Map<string, number>();
  const timed = order.map((step): StepTimes => {
    const { id, after, minutes, begun, done } = step;
    const latest = endBy.get(id) ?? stop;
    const beginBy = latest - minutes * MINUTE;
    const waits = Math.max(...after.map((one) => ends.get(one) ?? -Infinity));
    const begins = begun ? Date.parse(begun.at) : Math.max(beginBy, waits, now);
    const planned = begins + minutes * MINUTE;
    const end = done ? Date.parse(done.at) : begun ? Math.max(planned, now) : planned;
    ends.set(id, end);
    return {
      ...step,
      beginBy: iso(beginBy),
      endBy: iso(latest),
      begins: iso(done && !begun ? end : begins),
      ends: iso(end),
      slip_min: Math.max(0, Math.ceil((end - latest) / MINUTE)),
      holdsUp: listHeldUp(steps, id),
    };
  });
  const readyAt = Math.max(stop, ...ends.values());
  return {
    steps: timed.sort((a, b) => Date.parse(a.beginBy) - Date.parse(b.beginBy)),
    readyAt: iso(readyAt),
    slip_min: Math.ceil((readyAt - stop) / MINUTE),
  };
}

/** The first two steps that one person would have to do at once, for the hour to hold; undefined where nobody has to. */
export function findTwice(
  steps: readonly RunUpStep[],
  hour: string,
): readonly [RunUpStep, RunUpStep] | undefined {
  const order = orderSteps(steps);
  if (order === undefined) return undefined;
  const endBy = countBack(order, Date.parse(hour));
  // What has to be ready takes nobody's time here, and cooling goes on by itself.
  const busy = order.filter(({ kind, done }) => kind === 'plant' && done === undefined);
  const span = ({ id, minutes }: RunUpStep) => {
    const until = endBy.get(id) ?? 0;
    return { from: until - minutes * MINUTE, until };
  };
  for (const [n, one] of busy.entries()) {
    const other = busy
      .slice(n + 1)
      .find((two) => two.who === one.who && isTogether(span(one), span(two)));
    if (other) return [one, other];
  }
  return undefined;
}
