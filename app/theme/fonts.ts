/**
 * The two typefaces, served with the application. They are loaded ahead and shown from the first line on, or not before the next page: a line of
 * text never changes its width while somebody reads it.
 */
import textLatin from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import textLatinExt from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-wght-normal.woff2?url';
import displayLatin from '@fontsource/young-serif/files/young-serif-latin-400-normal.woff2?url';

const latin =
  'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD';
const latinExt =
  'U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF,U+1E00-1E9F,U+1EF2-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF';

const face = (family: string, weight: string, url: string, range: string): string => `
  @font-face {
    font-family: '${family}';
    font-style: normal;
    font-display: optional;
    font-weight: ${weight};
    src: url(${url}) format('woff2');
    unicode-range: ${range};
  }`;
export const fontFaces = [
  face('Atkinson Hyperlegible Next Variable', '200 800', textLatin, latin),
  face('Atkinson Hyperlegible Next Variable', '200 800', textLatinExt, latinExt),
  face('Young Serif', '400', displayLatin, latin),
].join('');

/** Files every page needs for its first line. */
export const firstFonts = [textLatin, displayLatin];
