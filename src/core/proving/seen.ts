/** What a person has to see besides the reading, by the kind of energy. Source: practice. */
export const SEEN = [
  'bleed-clear',
  'no-flow',
  'no-level',
  'ambient',
  'standing-still',
  'restraint-in',
  'live-parts-screened',
] as const;
export type Seen = (typeof SEEN)[number];

/** In words, as the one who proves says it. */
export const SEEN_WORDS: Readonly<Record<Seen, string>> = {
  'bleed-clear': 'the bleed is open and clear: something came out, or it was rodded',
  'no-flow': 'nothing flows',
  'no-level': 'nothing runs from the lowest drain: it is empty',
  ambient: 'it is as warm as what stands about',
  'standing-still': 'it stands still',
  'restraint-in': 'the restraint is in and carries',
  'live-parts-screened': 'what stays live beside it is screened off or out of reach',
};
