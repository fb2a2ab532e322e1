/**
 * A piece in one typed line ("navy merino jumper, hand wash, M"): kind, fibres, colour, size and label words, with everything that had
 * to be assumed said aloud. The words of the line stay the name.
 */
import { readLabelText } from '../care-label/label-text.ts';
import type { CareLabel } from '../care-label/label.ts';
import type { TraitId } from '../construction/traits.ts';
import { fibreFacts, fibreWords, type FibreId } from '../fibre/fibres.ts';
import { sizes, type Colour, type Part, type Size } from '../model/garment.ts';
import { kindFacts, type GarmentKind } from './kinds.ts';
import { colourWords } from '../colour/colour-words.ts';

export interface PieceLine {
  name: string;
  kind: GarmentKind;
  parts: Part[];
  traits: TraitId[];
  colours: Colour[];
  size: Size;
  label: CareLabel | null;
  /** What the line did not say and was filled in, in plain words. */
  assumed: string[];
  /** Words nobody understood. */
  unknown: string[];
}

interface KindRow {
  words: RegExp;
  kind: GarmentKind;
  fibre: FibreId;
  traits: readonly TraitId[];
}
/** First match wins: the more special words stand first. */
// prettier-ignore
const kindRows: readonly KindRow[] = [
  { words: /\b(rain|cycling) (jacket|shell)|rain ?coat|shell\b/, kind: 'rain_jacket', fibre: 'polyamide', traits: ['waterproof', 'zip'] },
  { words: /\bdown (jacket|coat|vest)|puffer\b/, kind: 'down_jacket', fibre: 'polyamide', traits: ['down', 'quilted', 'zip'] },
  { words: /\bleather jacket\b/, kind: 'leather_jacket', fibre: 'leather', traits: ['zip'] },
  { words: /\b(suit jacket|blazer)\b/, kind: 'suit_jacket', fibre: 'wool', traits: ['structured', 'lined'] },
  { words: /\bwaistcoat\b/, kind: 'waistcoat', fibre: 'wool', traits: ['buttons', 'lined'] },
  { words: /\bfleece( jacket| jumper)?\b/, kind: 'fleece_jacket', fibre: 'polyester', traits: ['fleece', 'zip'] },
  { words: /\bcoat\b/, kind: 'coat', fibre: 'wool', traits: ['lined', 'structured'] },
  { words: /\b(wicking|sports?|running|cycling|training) (tee|t-?shirt|shirt|top|jersey)|\bjersey\b/, kind: 'sport_tee', fibre: 'polyester', traits: ['wicking', 'jersey-knit'] },
  { words: /\b(sports?|running|cycling|training) shorts\b/, kind: 'sport_shorts', fibre: 'polyester', traits: ['wicking'] },
  { words: /\bsports? bra\b/, kind: 'sports_bra', fibre: 'polyester', traits: ['wicking', 'elastic'] },
  { words: /\bswim ?(shorts|trunks)\b/, kind: 'swim_shorts', fibre: 'polyester', traits: ['drawstring'] },
  { words: /\b(swim ?suit|bikini)\b/, kind: 'swimsuit', fibre: 'polyamide', traits: ['elastic'] },
  { words: /\braw (denim|jeans)( jeans)?\b/, kind: 'jeans_raw_heavy', fibre: 'cotton', traits: ['denim-raw', 'buttons'] },
  { words: /\b(jeans|denim( trousers)?)\b/, kind: 'jeans', fibre: 'cotton', traits: ['denim', 'zip'] },
  { words: /\b(corduroy|cord) (trousers|pants)\b/, kind: 'chinos', fibre: 'cotton', traits: ['corduroy', 'zip'] },
  { words: /\bwool (trousers|pants)\b/, kind: 'wool_trousers', fibre: 'wool', traits: ['woven', 'zip'] },
  { words: /\b(joggers|tracksuit (bottoms|trousers)|sweatpants)\b/, kind: 'joggers', fibre: 'cotton', traits: ['jersey-knit', 'drawstring'] },
  { words: /\bleggings\b/, kind: 'leggings', fibre: 'polyester', traits: ['jersey-knit', 'elastic'] },
  { words: /\b(chinos|trousers|pants)\b/, kind: 'chinos', fibre: 'cotton', traits: ['woven', 'zip'] },
  { words: /\bshorts\b/, kind: 'shorts', fibre: 'cotton', traits: ['woven', 'zip'] },
  { words: /\b(merino|wool) (base layer|undershirt|vest)\b|\bbase layer\b/, kind: 'base_layer_wool', fibre: 'wool', traits: ['jersey-knit'] },
  { words: /\bchunky (knit )?(jumper|sweater|pullover|cardigan)\b/, kind: 'jumper_chunky', fibre: 'wool', traits: ['chunky-knit'] },
  { words: /\bcashmere (jumper|sweater|pullover|cardigan)\b/, kind: 'cashmere_jumper', fibre: 'cashmere', traits: ['jersey-knit'] },
  { words: /\bcardigan\b/, kind: 'cardigan', fibre: 'wool', traits: ['jersey-knit', 'buttons'] },
  { words: /\b(merino|fine) (jumper|sweater|pullover)\b/, kind: 'jumper_fine', fibre: 'wool', traits: ['jersey-knit'] },
  { words: /\b(jumper|pullover|sweater)\b/, kind: 'jumper_mid', fibre: 'wool', traits: ['jersey-knit'] },
  { words: /\b(hoodie|hooded)\b/, kind: 'hoodie', fibre: 'cotton', traits: ['jersey-knit', 'drawstring'] },
  { words: /\bsweatshirt\b/, kind: 'sweatshirt', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\bpolo( shirt)?\b/, kind: 'polo', fibre: 'cotton', traits: ['jersey-knit', 'buttons'] },
  { words: /\b(long[- ]sleeved?) (tee|t-?shirt|top)\b/, kind: 'tee_long_sleeve', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\b(heavy|thick) (tee|t-?shirt)\b/, kind: 'tshirt_heavy', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\b(tees?|t-?shirts?)\b/, kind: 'tshirt', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\b(vest|tank) ?(top)?\b/, kind: 'vest_top', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\bflannel (shirt)?\b/, kind: 'flannel_shirt', fibre: 'cotton', traits: ['woven', 'buttons'] },
  { words: /\blinen shirt\b/, kind: 'linen_shirt', fibre: 'linen', traits: ['woven', 'buttons'] },
  { words: /\bsilk blouse\b/, kind: 'silk_blouse', fibre: 'silk', traits: ['woven', 'buttons'] },
  { words: /\bblouse\b/, kind: 'blouse_synthetic', fibre: 'polyester', traits: ['woven', 'buttons'] },
  { words: /\bcamisole\b/, kind: 'camisole', fibre: 'silk', traits: ['woven'] },
  { words: /\bshirt\b/, kind: 'dress_shirt', fibre: 'cotton', traits: ['woven', 'buttons'] },
  { words: /\bpleated skirt\b/, kind: 'skirt_pleated', fibre: 'polyester', traits: ['pleated', 'zip'] },
  { words: /\bskirt\b/, kind: 'skirt_light', fibre: 'viscose', traits: ['woven', 'zip'] },
  { words: /\bknit(ted)? dress\b/, kind: 'dress_knit', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\bdress\b/, kind: 'dress_light', fibre: 'viscose', traits: ['woven'] },
  { words: /\b(briefs|knickers|panties)\b/, kind: 'briefs', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\bboxers?\b/, kind: 'boxers', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\bbra\b/, kind: 'bra', fibre: 'polyamide', traits: ['hooks', 'elastic', 'moulded-cups'] },
  { words: /\b(hand[- ]?knit(ted)?) socks\b/, kind: 'sock_handknit_pair', fibre: 'wool', traits: ['hand-knit'] },
  { words: /\bankle socks\b/, kind: 'sock_ankle_pair', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\bsocks?\b/, kind: 'sock_crew_pair', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\b(tights|stockings)\b/, kind: 'tights', fibre: 'polyamide', traits: ['elastic'] },
  { words: /\b(pyjamas?|pajamas?)\b/, kind: 'pyjama_set', fibre: 'cotton', traits: ['woven', 'buttons'] },
  { words: /\bnight(dress|gown|shirt)\b/, kind: 'nightdress', fibre: 'cotton', traits: ['woven'] },
  { words: /\b(bath ?robe|dressing gown)\b/, kind: 'bathrobe', fibre: 'cotton', traits: ['terry'] },
  { words: /\boverall\b/, kind: 'work_overall', fibre: 'cotton', traits: ['woven', 'zip'] },
  { words: /\bapron\b/, kind: 'apron', fibre: 'cotton', traits: ['woven'] },
  { words: /\bsilk scarf\b/, kind: 'silk_scarf', fibre: 'silk', traits: ['woven'] },
  { words: /\bscarf\b/, kind: 'scarf_fine', fibre: 'wool', traits: ['woven'] },
  { words: /\b(beanie|hat|cap)\b/, kind: 'hat_knit', fibre: 'wool', traits: ['chunky-knit'] },
  { words: /\b(gloves|mittens)\b/, kind: 'gloves_knit_pair', fibre: 'wool', traits: ['jersey-knit'] },
  { words: /\b(baby ?(bodysuit|vest|grow)|bodysuit)\b/, kind: 'baby_bodysuit', fibre: 'cotton', traits: ['jersey-knit'] },
  { words: /\b(face cloth|flannel cloth|washcloth)s?\b/, kind: 'face_cloth', fibre: 'cotton', traits: ['terry'] },
  { words: /\bhand towels?\b/, kind: 'hand_towel', fibre: 'cotton', traits: ['terry'] },
  { words: /\bbath sheets?\b/, kind: 'bath_sheet', fibre: 'cotton', traits: ['terry'] },
  { words: /\bbath ?mat\b/, kind: 'bath_mat', fibre: 'cotton', traits: ['terry'] },
  { words: /\btea towels?\b/, kind: 'tea_towel', fibre: 'cotton', traits: ['woven'] },
  { words: /\btowels?\b/, kind: 'bath_towel', fibre: 'cotton', traits: ['terry'] },
  { words: /\btablecloth\b/, kind: 'tablecloth', fibre: 'cotton', traits: ['woven'] },
  { words: /\bpillow ?cases?\b/, kind: 'pillowcase', fibre: 'cotton', traits: ['woven'] },
  { words: /\bsingle duvet( cover)?\b/, kind: 'duvet_cover_single', fibre: 'cotton', traits: ['woven'] },
  { words: /\bduvet( cover)?\b/, kind: 'duvet_cover_double', fibre: 'cotton', traits: ['woven'] },
  { words: /\bsingle sheets?\b/, kind: 'sheet_single', fibre: 'cotton', traits: ['woven'] },
  { words: /\b(bed ?)?sheets?\b/, kind: 'sheet_double', fibre: 'cotton', traits: ['woven'] },
  { words: /\bcurtain\b/, kind: 'curtain_panel', fibre: 'polyester', traits: ['woven'] },
  { words: /\btie\b/, kind: 'tie', fibre: 'silk', traits: ['woven', 'structured'] },
  { words: /\b(sash|belt)\b/, kind: 'sash', fibre: 'cotton', traits: ['woven'] },
];

const traitWords: readonly [RegExp, TraitId][] = [
  [/\blace\b/, 'lace'],
  [/\bembroider(ed|y)\b/, 'embroidery'],
  [/\bsequin(s|ned)?\b/, 'sequins'],
  [/\bbead(s|ed)\b/, 'beads'],
  [/\bprint(ed)?\b/, 'print'],
  [/\bpleated\b/, 'pleated'],
  [/\blined\b/, 'lined'],
  [/\bvelvet\b/, 'velvet'],
  [/\bcorduroy\b/, 'corduroy'],
  [/\bzip\b/, 'zip'],
  [/\bwaterproof\b/, 'waterproof'],
  [/\bmembrane\b/, 'membrane'],
  [/\bheirloom\b/, 'heirloom'],
  [/\bhand[- ]?knit(ted)?\b/, 'hand-knit'],
  [/\bstuds\b/, 'studs'],
  [/\bunderwire\b/, 'underwire'],
  [/\bhood\b/, 'drawstring'],
];

/** "60 % cotton 40 % polyester", "60/40 cotton/poly", or bare fibre names. Shares that do not reach 100 go to the first fibre. */
function readFibres(text: string): { parts: { fibre: FibreId; percent: number }[]; rest: string } {
  const words = Object.keys(fibreWords)
    .sort((a, b) => b.length - a.length)
    .map((w) => w.replace(/\s/g, '\\s'))
    .join('|');
  const found: { fibre: FibreId; percent: number }[] = [];
  let rest = text;
  const add = (word: string | undefined, percent: number): void => {
    const fibre = fibreWords[(word ?? '').replace(/\s+/g, ' ')];
    if (fibre && !found.some((f) => f.fibre === fibre)) found.push({ fibre, percent });
  };
  rest = rest.replace(new RegExp(String.raw`(\d{1,3})\s*%\s*(${words})\b`, 'g'), (_, p: string, w: string) => {
    add(w, Number(p));
    return ' ';
  });
  rest = rest.replace(new RegExp(String.raw`\b(${words})\s*(\d{1,3})\s*%`, 'g'), (_, w: string, p: string) => {
    add(w, Number(p));
    return ' ';
  });
  if (found.length === 0) {
    const bare = [...rest.matchAll(new RegExp(String.raw`\b(${words})\b`, 'g'))]
      .map((m) => m[1])
      .filter((w) => !(w === 'down' && /down (jacket|coat|vest)/.test(text)));
    bare.slice(0, 1).forEach((w) => {
      add(w, 100);
      rest = rest.replace(w ?? '', ' ');
    });
  }
  const total = found.reduce((s, f) => s + f.percent, 0);
  const first = found[0];
  if (first && Math.abs(total - 100) > 1 && total < 100) first.percent += 100 - total;
  return { parts: found.filter((f) => f.percent > 0 && f.percent <= 100), rest };
}

const fillers = new Set([
  'a',
  'an',
  'the',
  'my',
  'in',
  'of',
  'with',
  'and',
  'size',
  'pair',
  'pairs',
  'one',
  'two',
  'three',
  'four',
  'new',
  'old',
  'at',
  'only',
  'for',
  'from',
  'dark',
  'light',
  'pale',
  'knitted',
  'knit',
  'woven',
  'cotton',
  'organic',
  'pure',
  'striped',
  'check',
  'checked',
  'plain',
]);

/** Read one line. Always gives a usable piece; `assumed` and `unknown` say how sure it is. */
export function readPieceLine(line: string): PieceLine {
  const original = line.trim().replace(/\s+/g, ' ');
  const reading = readLabelText(original);
  const assumed: string[] = [];
  const fibre = readFibres(reading.rest);
  let rest = ` ${fibre.rest} `;

  const row = kindRows.find((r) => r.words.test(reading.rest));
  const kind = row?.kind ?? 'other';
  if (row)
    for (const word of reading.rest.match(row.words)?.[0].split(' ') ?? [])
      rest = rest.replace(new RegExp(String.raw`\b${word}\b`), ' ');
  else assumed.push('What it is: not recognised. Choose the kind, and weigh it (200 g stands in).');

  const sizeMatch = rest.match(/(?:^|[\s,])(xs|s|m|l|xl|xxl|3xl)(?=[\s,]|$)/);
  const size = sizes.find((s) => s.toLowerCase() === sizeMatch?.[1]) ?? 'M';
  if (sizeMatch) rest = rest.replace(sizeMatch[0], ' ');
  else if (kindFacts(kind).type === 'tube') assumed.push('Size M.');

  const colourKey = Object.keys(colourWords)
    .sort((a, b) => b.length - a.length)
    .find((w) => new RegExp(String.raw`\b${w}\b`).test(rest));
  const hex = colourKey ? (colourWords[colourKey] ?? '#8b8d94') : '#8b8d94';
  if (colourKey) rest = rest.replace(new RegExp(String.raw`\b${colourKey}\b`), ' ');
  else assumed.push('Colour: a mid grey stands in. Choose the real one, it decides what it may be washed with.');

  const parts: Part[] = [];
  if (fibre.parts.length > 0 && Math.abs(fibre.parts.reduce((s, f) => s + f.percent, 0) - 100) <= 1)
    parts.push({ role: 'shell', fibres: fibre.parts });
  else if (row) {
    parts.push({ role: 'shell', fibres: [{ fibre: row.fibre, percent: 100 }] });
    assumed.push(`Fibre: ${fibreFacts(row.fibre).name}, the usual one for ${kindFacts(kind).name}.`);
  } else {
    parts.push({ role: 'shell', fibres: [{ fibre: 'unknown', percent: 100 }] });
    assumed.push('Fibre: unknown, so only the gentlest treatment.');
  }
  if (kind === 'down_jacket') parts.push({ role: 'filling', fibres: [{ fibre: 'down-fill', percent: 100 }] });

  const traits = new Set<TraitId>(row?.traits ?? []);
  for (const [pattern, trait] of traitWords)
    if (pattern.test(reading.rest)) {
      traits.add(trait);
      rest = rest.replace(new RegExp(pattern.source, 'g'), ' ');
    }
  if (!reading.label) assumed.push('No label words: limits come from the fibre, one step more careful.');

  const unknown = rest.split(/[\s,/]+/).filter((w) => w.length > 1 && !fillers.has(w) && !/^\d+%?$/.test(w));
  return {
    name: nameFrom(original, reading.understood, size, sizeMatch !== null),
    kind,
    parts,
    traits: [...traits],
    colours: [{ hex, role: 'ground' }],
    size,
    label: reading.label,
    assumed,
    unknown,
  };
}

/** The name is the line without label words and size. */
function nameFrom(line: string, understood: readonly string[], size: Size, hasSize: boolean): string {
  let name = line;
  for (const words of understood)
    name = name.replace(new RegExp(words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\s+/g, '\\s+'), 'i'), ' ');
  if (hasSize) name = name.replace(new RegExp(`([\\s,])${size}(?=[\\s,]|$)`, 'i'), '$1');
  name = name
    .replace(/\b(size)\b/gi, ' ')
    .replace(/\s+,/g, ',')
    .replace(/[,;\s]+$/g, '')
    .replace(/,\s*(,\s*)+/g, ', ')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^[,;\s]+/, '');
  if (name === '') return 'New piece';
  return `${name.charAt(0).toUpperCase()}${name.slice(1)}`.slice(0, 80);
}
