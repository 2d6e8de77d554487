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
