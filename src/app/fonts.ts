import localFont from 'next/font/local';

/**
 * The typefaces, fetched before the page is painted: what is set in one face and then in another moves everything below it. Letters beyond
 * Latin come when they are needed.
 */
const sans = localFont({
  src: '../../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  weight: '200 800',
  variable: '--face-sans',
  adjustFontFallback: false,
});
const sansMore = localFont({
  src: '../../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-wght-normal.woff2',
  weight: '200 800',
  variable: '--face-sans-more',
  adjustFontFallback: false,
  preload: false,
});
const mono = localFont({
  src: '../../node_modules/@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2',
  weight: '200 800',
  variable: '--face-mono',
  adjustFontFallback: false,
});
const monoMore = localFont({
  src: '../../node_modules/@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-ext-wght-normal.woff2',
  weight: '200 800',
  variable: '--face-mono-more',
  adjustFontFallback: false,
  preload: false,
});

/** The class that names them all to the style sheet. */
export const FACES = [sans, sansMore, mono, monoMore].map(({ variable }) => variable).join(' ');
