/** Duties in which someone stands by and does nothing else. */
export const DUTY_KINDS = ['fire-watch', 'attendant'] as const;

/** What is checked before a duty is taken, by duty. Source: NFPA 51B; 29 CFR 1910.252(a)(2)(iii)(B), 1910.146(i) and (k), from memory. */
export const READY_CHECKS = {
  'fire-watch': {
    extinguisher: 'extinguisher at hand, charged and of the right kind',
    hose: 'hose laid and under pressure, or why none is needed',
    alarm: 'nearest alarm and telephone known',
    radio: 'radio tested',
    exits: 'ways out known',
  },
  attendant: {
    radio: 'talked with those who go in, heard both ways',
    alarm: 'how help is called, tried',
    retrieval: 'means of getting people out stand ready',
    guard: 'opening guarded',
  },
} as const satisfies Readonly<
  Record<(typeof DUTY_KINDS)[number], Readonly<Record<string, string>>>
>;

/** How a clash is lived with: something stands between, or an issuing authority accepts it as it is. */
export const CLASH_ANSWERS = ['barrier', 'accept'] as const;
