/** The code of a badge: it says who, and opens nothing without the PIN. */
export const writeBadge = (person: string): string => `WHO/${person}`;

/** The short name of whoever a badge is of, from its code as it was scanned, or as a reader typed it; undefined when it is no badge. */
export const readBadge = (code: string): string | undefined =>
  /^WHO\/([a-z][a-z0-9-]{0,39})$/i.exec(code.trim())?.[1]?.toLowerCase();

/** Who a field names: by the code of their badge, or as it was typed. */
export const readWho = (text: string): string => readBadge(text) ?? text.trim();
