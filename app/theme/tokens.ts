/**
 * Design tokens: undyed linen and paper grounds, indigo ink, and four natural-dye colours with fixed meanings
 * (woad: information, weld: caution, madder: danger, walnut: structure). The garments' own colours are the brightest things on a screen.
 */
export const palette = {
  light: {
    linen: '#f3eee3',
    paper: '#fbf8f1',
    ink: '#1e2742',
    inkSoft: '#4d5468',
    hairline: '#cdbf9f',
    structure: '#6b4e37',
    shelf: '#b9a27c',
    wash: '#e7dcc4',
    woad: '#2b4f7c',
    woadGround: '#e3e9ee',
    weld: '#7a5a00',
    weldGround: '#f4e8bd',
    madder: '#97301f',
    madderGround: '#f4ddd3',
    onInk: '#fbf8f1',
    clothEdge: 'rgba(30, 39, 66, 0.28)',
  },
  dark: {
    linen: '#171b2a',
    paper: '#202538',
    ink: '#ece5d5',
    inkSoft: '#b6b3ac',
    hairline: '#4c4a4b',
    structure: '#c9a986',
    shelf: '#8a7453',
    wash: '#333850',
    woad: '#a9c6e8',
    woadGround: '#22324a',
    weld: '#ecca62',
    weldGround: '#3b3319',
    madder: '#f0a08d',
    madderGround: '#44251f',
    onInk: '#171b2a',
    clothEdge: 'rgba(255, 255, 255, 0.3)',
  },
} as const;

const variables = (colours: Record<string, string>): string =>
  Object.entries(colours)
    .map(([name, value]) => `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}: ${value};`)
    .join(' ');
export const lightVariables = variables(palette.light);
export const darkVariables = variables(palette.dark);

/** Type scale in rem, one step 1.2. */
export const type = {
  small: '0.833rem',
  body: '1rem',
  lead: '1.125rem',
  h3: '1.2rem',
  h2: '1.44rem',
  h1: 'clamp(1.7rem, 4.2vw, 2.1rem)',
  figure: 'clamp(2.6rem, 11vw, 3.6rem)',
} as const;
export const families = {
  text: "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', system-ui, sans-serif",
  display: "'Young Serif', Georgia, serif",
} as const;
/** Narrow phones to wide laptops. */
export const media = {
  phone: '@media (max-width: 639px)',
  tablet: '@media (max-width: 979px)',
  print: '@media print',
} as const;
