import type { CheckResult } from '../isolation';
import type { Lamp } from './lamps';

/** Things said of single sources, gathered under the arrival that they belong to. */
export interface OfArrival<T> {
  /** The arrival in a sentence; the source's id where no lamp tells of it. */
  readonly name: string;
  readonly items: readonly T[];
}

/**
 * Gathers what is about sources by arrival: each source under the first lamp that tells of it, those that differ in `key` apart. In the
 * order of the lamps, then of the items.
 */
export function gatherByArrival<T extends { readonly subject: string }>(
  items: readonly T[],
  lamps: readonly Lamp[],
  key: (item: T) => string = () => '',
): OfArrival<T>[] {
  const gathered = new Map<string, { at: number; name: string; items: T[] }>();
  for (const item of items) {
    const found = lamps.findIndex(({ sources }) => sources.some(({ id }) => id === item.subject));
    const name = lamps[found]?.name ?? item.subject;
    const at = found === -1 ? lamps.length : found;
    const entry = gathered.get(`${name} ${key(item)}`) ?? { at, name, items: [] };
    entry.items.push(item);
    gathered.set(`${name} ${key(item)}`, entry);
  }
  return [...gathered.values()]
    .sort((a, b) => a.at - b.at)
    .map(({ name, items: of }) => ({ name, items: of }));
}

/** How many arrivals a plan holds, and which it leaves open: "9 of 10 arrivals held; open: ...". */
export function sumUpArrivals({ findings }: CheckResult, lamps: readonly Lamp[]): string {
  const broken = new Set(
    findings.filter(({ severity }) => severity === 'stops').map(({ subject }) => subject),
  );
  const arrivals = lamps.filter(({ kind }) => kind !== 'store');
  const open = arrivals.filter(({ sources }) => sources.some(({ id }) => broken.has(id)));
  const held = `${arrivals.length - open.length} of ${arrivals.length} arrivals held`;
  return open.length === 0
    ? `${held}.`
    : `${held}; open: ${open.map(({ name }) => name).join('; ')}.`;
}
