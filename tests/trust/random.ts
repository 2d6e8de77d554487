/** A repeatable source of numbers in [0, 1): the same seed gives the same attack again. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state * 1_664_525 + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

export const pick = <T>(random: () => number, all: readonly T[]): T =>
  all[Math.floor(random() * all.length)] as T;
