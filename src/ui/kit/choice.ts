/** One thing among those that can be chosen. */
export interface Choice {
  readonly id: string;
  readonly label: string;
}

/** So many are shown at once; typing finds the others. */
export const MOST_SHOWN = 60;

/** Puts words into one case, without what typing leaves out. */
const plain = (words: string): string => words.toLowerCase().replace(/[\s,()-]+/g, ' ');

/** How well a choice answers what is typed: 0 is best, undefined is not at all. */
function rank({ id, label }: Choice, typed: string): number | undefined {
  const words = plain(typed).trim().split(' ');
  const within = `${plain(id)} ${plain(label)}`;
  if (!words.every((word) => within.includes(word))) return undefined;
  if (plain(id) === words.join(' ')) return 0;
  if (plain(id).startsWith(words.join(' '))) return 1;
  return plain(label).startsWith(words.join(' ')) ? 2 : 3;
}

/** The choices that hold every word typed: those whose own number or name begins with it first, else in the order of the list. */
export function findChoices(choices: readonly Choice[], typed: string): Choice[] {
  if (typed.trim() === '') return [...choices];
  return choices
    .flatMap((choice) => {
      const at = rank(choice, typed);
      return at === undefined ? [] : [{ choice, at }];
    })
    .sort((a, b) => a.at - b.at)
    .map(({ choice }) => choice);
}
