import type { JobEvent } from './events';
import type { Mark } from './mark';

const INSTANT = /^(\d{4}-\d\d-\d\d)T[\d:.]+Z$/;

/** Every text in a value, also names of its fields that stand for things (points, boxes, people). */
function* textsIn(value: unknown): Generator<string> {
  if (typeof value === 'string') yield INSTANT.exec(value)?.[1] ?? value;
  else if (Array.isArray(value)) for (const one of value) yield* textsIn(one);
  else if (typeof value === 'object' && value !== null) {
    for (const [key, one] of Object.entries(value)) {
      if (key === 'kind' || key === 'sent') continue;
      // Ids have a capital or a digit; names of fields have neither at their beginning.
      if (/^[A-Z0-9]/.test(key)) yield key;
      yield* textsIn(one);
    }
  }
}

/** What a job can be found by after an event: every tag, lock, person, date and word in it. People stand with their names. */
export function listWords(
  event: JobEvent,
  { by, at }: Mark,
  people: ReadonlyMap<string, { readonly name: string }>,
): string[] {
  const name = (text: string) => people.get(text)?.name ?? text;
  return [at.slice(0, 10), name(by), ...[...textsIn(event)].map(name)];
}
