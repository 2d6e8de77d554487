/** What is at the free end of a vent, drain or bleed. */
export const ENDS = ['plugged', 'piped-away', 'open-end'] as const;
export type End = (typeof ENDS)[number];
