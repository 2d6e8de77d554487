/** The clauses of a sentence, parted by "; "; what stands in brackets stays together. */
export function splitClauses(words: string): string[] {
  const clauses: string[] = [];
  let depth = 0;
  let from = 0;
  for (let at = 0; at < words.length; at++) {
    if (words[at] === '(') depth += 1;
    if (words[at] === ')') depth = Math.max(0, depth - 1);
    if (depth > 0 || !words.startsWith('; ', at)) continue;
    clauses.push(words.slice(from, at));
    from = at + 2;
  }
  return [...clauses, words.slice(from)];
}

/** A reading beside its limit, as a finding of the air says it: where, gas, figure, limit, basis. */
const READING =
  /^(?:(?:air not fit: )?[^:]*: )?(?<gas>[a-z][a-z -]*?) (?<shown>over range|[\d.e+-]+ \S+), limit (?:at most )?(?<limit>[^(]+?) \(.*\)$/;

/** A clause as it fits into one line: a reading without where it was taken and what its limit rests on. */
export function shorten(clause: string): string {
  const { gas, shown, limit } = READING.exec(clause)?.groups ?? {};
  if (gas === undefined) return clause.replace(/^air not fit: /, '');
  return `${gas} ${shown} (limit ${limit})`;
}
