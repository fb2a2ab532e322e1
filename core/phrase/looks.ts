/** What a line says of the looks and the size of a piece: kind, colours, pattern, construction, dye, size. */
import { colourWords } from '../colour/colour-words.ts';
import { shaded } from '../colour/colour.ts';
import type { DyeId } from '../colour/dye.ts';
import type { TraitId } from '../construction/traits.ts';
import { sizes, type Colour, type Size } from '../model/garment.ts';
import { kindWords, type KindWord } from './kind-words.ts';
import { singular, taken, wholeWords, type Line } from './line.ts';
import { traitWords } from './trait-words.ts';

/** Where the noun of a line ends and what is said about it begins. */
const turn = /[,;:(]|(?<![\p{L}])(?:with|for|from|in|on|of|has|that|and)(?![\p{L}])/u;

export interface KindFound {
  row: KindWord;
  /** Its words as they were typed. */
  from: number;
  to: number;
}
/** The thing itself: in English the last name before the line turns to something else ("fleece blanket" is a blanket). */
export function takeKind(line: Line): KindFound | null {
  const found: KindFound[] = [];
  const words = [...line.open.matchAll(/[\p{L}\p{N}]+/gu)].map((m) => ({
    word: singular(m[0]),
    from: m.index,
    to: m.index + m[0].length,
  }));
  const beside = (row: KindWord): boolean =>
    row.beside.size === 0 || [...row.beside].some((w) => wholeWords(w).test(line.text.toLowerCase()));
  for (let i = 0; i < words.length; i++) {
    const fits = kindWords.filter((row) => {
      const stretch = words.slice(i, i + row.words.length);
      const first = stretch[0];
      const last = stretch.at(-1);
      return (
        first !== undefined &&
        last !== undefined &&
        stretch.length === row.words.length &&
        row.words.every((w, k) => w === stretch[k]?.word) &&
        ![',', ';', taken].some((c) => line.open.slice(first.from, last.to).includes(c)) &&
        beside(row)
      );
    });
    const best = fits.sort((a, b) => b.words.length - a.words.length)[0];
    const first = words[i];
    const last = best ? words[i + best.words.length - 1] : undefined;
    if (!best || !first || !last) continue;
    found.push({ row: best, from: first.from, to: last.to });
    i += best.words.length - 1;
  }
  const start = found[0];
  if (!start) return null;
  let chosen = start;
  for (const next of found.slice(1)) {
    if (turn.test(line.open.slice(chosen.to, next.from))) break;
    chosen = next;
  }
  line.claim(chosen.from, chosen.to, 'kind', true);
  return chosen;
}

const shades: Readonly<Record<string, number>> = {
  dark: -22,
  deep: -15,
  light: 20,
  pale: 26,
  pastel: 24,
  bright: 4,
  soft: 10,
  dusty: 6,
  medium: 0,
  mid: 0,
  washed: 12,
  faded: 12,
};
const colourNames = Object.keys(colourWords)
  .sort((a, b) => b.length - a.length)
  .map((w) => w.replace(/[- ]/g, '[- ]?'))
  .join('|');
const colourPattern = wholeWords(`(?:(${Object.keys(shades).join('|')})[- ])?(${colourNames})(?:ish)?s?`);
const onTrim = wholeWords(
  'trim(?:s|med)?|piping|collar|cuffs?|hem|edges?|edging|border|binding|lace|ribbon|band|lining',
);
const patternWords = wholeWords(
  'strip(?:e|es|ed|y)|check(?:s|ed)?|chequered|plaid|tartan|gingham|polka[- ]dots?|dots?|dotted|spotted|floral|flower(?:s|ed)?|pattern(?:ed)?|paisley|houndstooth|herringbone|multi-?colou?red|colou?rful|rainbow|tie[- ]dye(?:d)?|batik|melange|heather|marl(?:ed)?',
);

const compact = (name: string): string => name.replace(/[- ]/g, '');
const hexByName: ReadonlyMap<string, string> = new Map(
  Object.entries(colourWords).map(([name, hex]) => [compact(name), hex]),
);
/** The swatch of a name; a shade that has no swatch of its own is made from the plain colour. */
const hexOf = (shade: string | undefined, name: string): string => {
  const whole = hexByName.get(compact(`${shade ?? ''}${name}`));
  return whole ?? shaded(hexByName.get(compact(name)) ?? '#8b8d94', shade ? (shades[shade] ?? 0) : 0);
};

/** "dark jeans": a shade without a colour, for cloth whose colour goes without saying. 0 = none. */
export function takeShade(line: Line): number {
  const match = line.take(wholeWords(`(${Object.keys(shades).join('|')})(?:[- ]wash(?:ed)?)?`), 'colour', true);
  return match ? (shades[match[1] ?? ''] ?? 0) : 0;
}

export interface ColoursFound {
  colours: Colour[];
  /** A pattern was named, but not what in. */
  secondMissing: boolean;
}
/** Colours in the order they are named: the first is the ground, the next a print or a trim by the words beside it. */
export function takeColours(line: Line): ColoursFound {
  const colours: Colour[] = [];
  const hexes = line.take(/#[0-9a-f]{6}(?![0-9a-z])/u, 'colour');
  if (hexes) colours.push({ hex: hexes[0], role: 'ground' });
  for (let guard = 0; guard < 4; guard++) {
    const match = line.take(colourPattern, 'colour', true);
    if (!match) break;
    const next = (
      line.text
        .toLowerCase()
        .slice(match.index + match[0].length)
        .split(/[,;]| and | with /)[0] ?? ''
    ).slice(0, 24);
    const another = colourPattern.test(line.open);
    const hasGround = colours.some((c) => c.role === 'ground');
    const role = onTrim.test(next) && (another || hasGround) ? 'trim' : hasGround ? 'print' : 'ground';
    colours.push({ hex: hexOf(match[1], match[2] ?? ''), role });
  }
  if (colours.length > 0 && !colours.some((c) => c.role === 'ground') && colours[0])
    colours[0] = { ...colours[0], role: 'ground' };
  let patterned = false;
  for (let guard = 0; guard < 3 && line.take(patternWords, 'pattern', true); guard++) patterned = true;
  return {
    colours: colours.sort((a, b) => Number(b.role === 'ground') - Number(a.role === 'ground')),
    secondMissing: patterned && colours.length === 1,
  };
}

/** "fleece-lined": what it is lined with is no name of the piece. */
export function takeLinings(line: Line): TraitId[] {
  if (line.take(wholeWords('fleece[- ]?lined|lined with fleece|sherpa[- ]lined'), 'trait', true))
    return ['lined', 'fleece'];
  return line.take(wholeWords('quilt(?:ed)?[- ]lined'), 'trait', true) ? ['lined', 'quilted'] : [];
}

/** Construction and features that are named. */
export function takeTraits(line: Line): TraitId[] {
  const traits: TraitId[] = [];
  for (const [pattern, trait] of traitWords) if (line.take(wholeWords(pattern), 'trait', true)) traits.push(trait);
  return traits;
}

const dyeWords: readonly (readonly [string, DyeId])[] = [
  ['undyed|unbleached|natural colou?r', 'undyed'],
  ['natural(?:ly)?[- ](?:dye|dyed)|plant[- ]dyed|hand[- ]dyed', 'natural'],
  ['indigo[- ]dyed', 'indigo'],
  ['reactive(?:[- ]dyed?)?', 'reactive'],
  ['vat[- ]dyed?', 'vat'],
  ['solution[- ]dyed|dope[- ]dyed', 'solution-dyed'],
  ['pigment[- ](?:dyed|print(?:ed)?)', 'pigment-print'],
];
/** How it was dyed; null = not said. */
export function takeDye(line: Line): DyeId | null {
  for (const [pattern, dye] of dyeWords) if (line.take(wholeWords(pattern), 'dye', true)) return dye;
  return null;
}

export interface SizeFound {
  size: Size | null;
  heightCm: number | null;
  /** A number that stands for no size of ours ("size 42"). */
  number: string | null;
}
const sizeWords: readonly (readonly [string, Size])[] = [
  ['3 ?xl|xxxl|extra extra extra large', '3XL'],
  ['2 ?xl|xxl|extra extra large', 'XXL'],
  ['xl|extra[- ]large', 'XL'],
  ['xs|extra[- ]small', 'XS'],
  ['size ?:? ?small|small', 'S'],
  ['size ?:? ?medium', 'M'],
  ['size ?:? ?large|large', 'L'],
];
/** Letters, words, a child's height in cm; other numbers are said back. */
export function takeSize(line: Line): SizeFound {
  const height = line.take(wholeWords('(?:height|size|for|child of|tall)? ?:? ?(\\d{2,3}) ?cm(?: tall)?'), 'size');
  if (height && Number(height[1]) >= 40 && Number(height[1]) <= 220)
    return { size: null, heightCm: Number(height[1]), number: null };
  for (const [pattern, size] of sizeWords)
    if (line.take(wholeWords(`(?:size ?:? ?)?(?:${pattern})`), 'size')) return { size, heightCm: null, number: null };
  const letter = line.take(/(?<=^|[\s,(])(?:size ?:? ?)?([sml])(?=$|[\s,)])/u, 'size');
  if (letter) return { size: sizes.find((s) => s.toLowerCase() === letter[1]) ?? null, heightCm: null, number: null };
  const number = line.take(wholeWords('(?:size|eu|uk|us) ?:? ?(\\d{1,2})|w(\\d{2})(?:[ /]*l(\\d{2}))?'), 'size');
  return { size: null, heightCm: null, number: number ? number[0] : null };
}
