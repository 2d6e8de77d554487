const LONGEST = 80;

/** One id that an address names; undefined where it names none, or nonsense. */
export const oneText = (given: string | string[] | undefined): string | undefined =>
  typeof given === 'string' && given.length > 0 && given.length <= LONGEST ? given : undefined;
