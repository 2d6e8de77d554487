/** A sentence or a name with a capital at its beginning. */
export const capitalise = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** "1 point", "14 points". */
export const countOf = (many: number, one: string): string =>
  `${many} ${one}${many === 1 ? '' : 's'}`;

/** "D-0007": something that is counted, by the letters of its kind and its number. */
export const numbered = (kind: string, number: number): string =>
  `${kind}-${String(number).padStart(4, '0')}`;

/** "Ada, Ben, Cora and 22 more": so many names are said, the rest counted. */
export const nameFew = (names: readonly string[], most = 4): string =>
  names.length <= most
    ? names.join(', ')
    : `${names.slice(0, most - 1).join(', ')} and ${names.length - most + 1} more`;

/** No document nests deeper than this; what does was made to exhaust whoever reads it. */
const MOST_DEPTH = 64;

/** How deep JSON text nests, outside its strings; counting stops beyond `most`. */
export function measureDepth(text: string, most = MOST_DEPTH): number {
  let depth = 0;
  let deepest = 0;
  let isInString = false;
  for (let at = 0; at < text.length && deepest <= most; at++) {
    const code = text.charCodeAt(at);
    if (isInString) {
      if (code === 0x5c) at += 1;
      else if (code === 0x22) isInString = false;
    } else if (code === 0x22) isInString = true;
    else if (code === 0x5b || code === 0x7b) deepest = Math.max(deepest, ++depth);
    else if (code === 0x5d || code === 0x7d) depth -= 1;
  }
  return deepest;
}

/** Whether JSON text nests deeper than any document does. */
export const isTooDeep = (text: string): boolean => measureDepth(text) > MOST_DEPTH;

/** Half a character (an escaped surrogate) may stand in JSON text; only then has a document to be looked through for it. */
const MAY_BE_HALF = /\\u[dD][89a-fA-F]/;

/**
 * The first text in a document that is not well-formed, half a character without its other half, by its path; undefined when there is
 * none. Such text cannot be kept: what is written is not what is read back.
 */
export function findIllFormed(document: unknown): string | undefined {
  const open: { readonly value: unknown; readonly path: string }[] = [
    { value: document, path: '' },
  ];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value, path } = next;
    if (typeof value === 'string' && !value.isWellFormed()) return path || '(document)';
    if (typeof value !== 'object' || value === null) continue;
    for (const [key, inner] of Object.entries(value)) {
      const place = path === '' ? key : `${path}.${key}`;
      if (!key.isWellFormed()) return path || '(document)';
      open.push({ value: inner, path: place });
    }
  }
  return undefined;
}

/** JSON text as a document, or why it cannot be one. */
export type JsonRead =
  { readonly ok: true; readonly document: unknown } | { readonly ok: false; readonly says: string };

/** Reads JSON text from outside: not deeper than any document is, and well-formed text throughout. */
export function readJsonText(text: string): JsonRead {
  if (isTooDeep(text)) return { ok: false, says: `nests deeper than ${MOST_DEPTH} levels` };
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    const reason = error instanceof Error ? error.message.slice(0, 160) : 'unreadable';
    return { ok: false, says: `is not JSON: ${reason}` };
  }
  const half = MAY_BE_HALF.test(text) ? findIllFormed(document) : undefined;
  return half === undefined
    ? { ok: true, document }
    : { ok: false, says: `holds half a character at ${half}` };
}

/** Bytes as text; undefined when they are no UTF-8. */
export function decodeText(bytes: Uint8Array): string | undefined {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return undefined;
  }
}
