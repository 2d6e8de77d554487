/** How long a piece of work takes (ms). */
export const time = (work: () => unknown): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};

export function summarise(times: readonly number[]): { median: number; p90: number } {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) =>
    sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
  return { median: at(0.5), p90: at(0.9) };
}

export const say = (line: string): void => {
  process.stdout.write(`${line}\n`);
};
