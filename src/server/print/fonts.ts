import { join } from 'node:path';

const file = (family: string, weight: number) =>
  join(
    process.cwd(),
    'node_modules/@fontsource',
    family,
    `files/${family}-latin-${weight}-normal.woff`,
  );

/** The typefaces of print, by the name that a document calls them. */
export const PRINT_FONTS = {
  text: file('atkinson-hyperlegible-next', 400),
  bold: file('atkinson-hyperlegible-next', 700),
  code: file('atkinson-hyperlegible-mono', 700),
} as const;
