/** What a line says of the piece's life and of today: wears, washes, value, owner, how many, marks, smell. */
import { colourWords } from '../colour/colour-words.ts';
import { stainKinds, type StainKind } from '../stain/stains.ts';
import { fibreNamed } from './fibre-words.ts';
import { singular, taken, wholeWords, type Line } from './line.ts';
import { agePhrase, takeMarkAge } from './mark-age.ts';
import { numberOf, numberWord } from './numbers.ts';
import { findStains, stainWords } from './stain-words.ts';

const amount = String.raw`(\d{1,4}|${numberWord})`;
const money = String.raw`(\d{1,6}(?:[.,]\d{1,2})?)`;

export interface Mark {
  kind: StainKind;
  place: string;
  /** Since it was made; null = not said. */
  ageHours: number | null;
}

const valuePatterns = [
  `(?:value|worth|valued at|cost(?:s| me)?|paid|price|new price) ?:? ?(?:of )?(?:€|eur|euros?|£|\\$)? ?${money} ?(?:€|eur|euros?|£|\\$|pounds|dollars)?`,
  `${money} ?(?:eur|euros?|pounds|dollars)`,
].map(wholeWords);
/** "value 200", "worth €80", "200 euros"; null = not said. */
export function takeValue(line: Line): number | null {
  for (const pattern of valuePatterns) {
    const match = line.take(pattern, 'value');
    const text = match?.slice(1).find((x) => x !== undefined);
    if (text !== undefined) return numberOf(text);
  }
  const sign = line.take(new RegExp(`[€£$] ?${money}|${money} ?[€£$]`, 'u'), 'value');
  return sign ? numberOf(sign[1] ?? sign[2] ?? '') : null;
}

const times = '(?: ?(?:times?|x|days?|wears?|uses?))?';
const wearPatterns = [
  `never worn|unworn|not worn(?: yet| since)?`,
  `worn (?:today|yesterday|last night)`,
  `(?:worn|used|wears?|had on) ?:? ?(?:about |some |around )?${amount}${times}(?: since (?:the )?(?:last )?wash(?:ed)?)?`,
  `${amount} ?(?:wears?|days? of wear|days? worn)(?: since (?:the )?(?:last )?wash(?:ed)?)?`,
].map(wholeWords);
/** Wears since the last wash: "worn 300 times", "10 wears", "worn once"; null = not said. */
export function takeWears(line: Line): number | null {
  for (const [k, pattern] of wearPatterns.entries()) {
    const match = line.take(pattern, 'wears');
    if (match) return k < 2 ? k : numberOf(match[1] ?? '');
  }
  return null;
}

const washPatterns = [
  `never (?:yet )?(?:been )?washed|not (?:yet )?washed(?: yet)?|unwashed|brand[- ]new|new with tags`,
  `washed ?:? ?(?:about |some |around )?${amount}(?: ?(?:times?|x))?`,
  `${amount} ?wash(?:es|ings)`,
].map(wholeWords);
/** Washes so far: "never washed", "washed 12 times", "40 washes"; null = not said. */
export function takeWashes(line: Line): number | null {
  for (const [k, pattern] of washPatterns.entries()) {
    const match = line.take(pattern, 'washes');
    if (match) return k === 0 ? 0 : numberOf(match[1] ?? '');
  }
  return null;
}

/** Capitalised words before 's that are nobody's name. */
const notPeople: ReadonlySet<string> = new Set(
  'men women kid child children boy girl baby baker cook chef grandma grandmother grandfather granny mother father it that there nan lady ladies gent worker'.split(
    ' ',
  ),
);
/** Whose it is: "Ida's jumper", "for Ida", "owner: Ida", or a known name; '' = not said. */
export function takeOwner(line: Line, people: readonly string[]): string {
  const open = (from: number, to: number): boolean => !line.open.slice(from, to).includes(taken);
  const said = [
    /(?:owner|whose|belongs to) ?:? ?(?<name>\p{L}[\p{L}-]*)/iu,
    /(?<![\p{L}\p{N}])(?<name>\p{Lu}[\p{L}-]*)['’]s(?![\p{L}\p{N}])/u,
    /(?<![\p{L}\p{N}])for (?<name>\p{Lu}[\p{Ll}-]+)(?![\p{L}\p{N}])/u,
  ];
  for (const pattern of said) {
    const match = pattern.exec(line.text);
    const name = match?.groups?.name;
    if (!match || !name || notPeople.has(name.toLowerCase()) || !open(match.index, match.index + match[0].length))
      continue;
    line.claim(match.index, match.index + match[0].length, 'owner');
    return people.find((p) => p.toLowerCase() === name.toLowerCase()) ?? name;
  }
  for (const person of people) {
    if (person === '') continue;
    const match = line.take(wholeWords(person.toLowerCase().replace(/[.*+?^${}()|[\]\\]/g, '\\$&')), 'owner');
    if (match) return person;
  }
  return '';
}

const mostPieces = 60;
const counted = `(${numberWord}|\\d{1,2})`;
const countPatterns = [
  // At the very start, before a word: "14 cashmere jumpers", "a pair of jeans", "six pairs of socks".
  new RegExp(
    `^(?:an? |the )?${counted}(?: ?[x×])?(?: (?:like|identical))?(?: (?:pairs?|sets?|packs?|pieces?) of)?(?= \\p{L})(?! ?(?:gentle|mild|delicate|very|degrees?|percent|cm|kg|g|wash|wool,)\\b)`,
    'u',
  ),
  wholeWords(`(?:set|pack|pile|stack|bundle|lot) of ${counted}`),
  wholeWords(`[x×] ?(\\d{1,2})|(\\d{1,2}) ?[x×]`),
  wholeWords(`${counted} (?:pieces|pcs|of them|off|pairs?)`),
  new RegExp(`\\((${numberWord}|\\d{1,2})\\)`, 'u'),
  // Between commas: "napkins, twelve, white".
  new RegExp(`(?<=, ?)(${numberWord}|(?!(?:30|40|50|60|70|90|95),)\\d{1,2})(?= ?,)`, 'u'),
  // At the very end, after a comma: "Bath towels, six".
  new RegExp(`(?<=,) ?(${numberWord}|(?!(?:30|40|50|60|70|90|95)$)\\d{1,2})$`, 'u'),
];
/** How many; null = not said. A pair is one piece of its kind. */
export function takeCount(line: Line): number | null {
  const pair = line.take(wholeWords('(?:a |one )?pair of'), 'count');
  for (const pattern of countPatterns) {
    const match = line.take(pattern, 'count');
    const text = match?.slice(1).find((x) => x !== undefined);
    if (text === undefined) continue;
    const n = numberOf(text);
    if (n !== null && n >= 1 && n <= mostPieces) return Math.round(n);
  }
  return pair ? 1 : null;
}

const places =
  'cuffs?|collar|sleeves?|knees?|hem|front|back|pockets?|lap|thighs?|chest|shoulders?|neck(?:line)?|elbows?|seat|bottom|armpits?|underarms?|arms?|corner|middle|centre|edge|toes?|heels?|waist(?:band)?|belly|left|right|inside|crotch|leg|hood|yoke|bib|strap';
const at = `(?: (?:on|at|in|under|near) (?:the |its |my |both |one |left |right |front |back )*(?:[\\p{L}]+ )?(${places})(?: (?:front|back|side))?)`;

const plain = (text: string): string =>
  text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter(Boolean)
    .map(singular)
    .join(' ');
/** Whole names of marks and their aliases, each word without its plural. */
const stainNames: ReadonlyMap<string, StainKind> = new Map(
  stainKinds.flatMap((kind) => {
    const [usual, ...others] = stainWords[kind];
    const name = usual.replace(/\([^)]*\)/g, '');
    return [name, ...(/ (?:of|on) /.test(name) ? [] : name.split(/, | or /)), kind.replace(/-/g, ' '), ...others]
      .filter((words) => plain(words) !== '')
      .map((words) => [plain(words), kind] as const);
  }),
);
const noise: ReadonlySet<string> = new Set([
  'a',
  'an',
  'the',
  'some',
  'old',
  'fresh',
  'dried',
  'small',
  'big',
  'of',
  'with',
  'and',
  'has',
  'bit',
]);
/** The mark that words name: the whole name, or what the finder takes for it where a mark is spoken of for certain. */
function stainOf(words: string, certain: boolean): StainKind | null {
  const telling = words.split(' ').filter((w) => !noise.has(w));
  const exact = stainNames.get(telling.map(singular).join(' '));
  if (exact) return exact;
  return certain && telling.length > 0 ? (findStains(telling.join(' '))[0] ?? null) : null;
}
/** Words that name a mark by themselves, wherever they stand. */
const tellingWords: Readonly<Record<string, StainKind>> = {
  greasy: 'cooking-grease',
  oily: 'cooking-grease',
  poo: 'faeces',
  poop: 'faeces',
  wee: 'urine',
  pee: 'urine',
  puke: 'vomit',
  muddy: 'mud',
  'mud-stained': 'mud',
  bloody: 'blood-dried',
  'grass-stained': 'grass',
  mouldy: 'mildew',
  mildewed: 'mildew',
  yellowed: 'age-yellowing',
};

/** Marks, today being a day of the week (0 = Sunday, null = not known): "coffee on the cuff", "with a red wine stain", "stained with blood", "muddy". */
export function takeMarks(line: Line, weekday: number | null = null): Mark[] {
  const marks: Mark[] = [];
  const word = String.raw`[\p{L}][\p{L}’'-]*`;
  const both = new RegExp(`(${word}(?: ${word})?) and (?=(?:${word} ){0,2}(?:stains?|marks?|spots?)(?!\\p{L}))`, 'u');
  const tries: [pattern: RegExp, certain: boolean][] = [
    [both, false],
    [
      wholeWords(
        `(?:stained|spotted|covered|smeared|splashed|spilled|spilt) (?:with|in|by) ((?:${word} ){0,2}${word})${at}?`,
      ),
      true,
    ],
    [wholeWords(`((?:${word} ){0,3}${word}) (?:stains?|marks?|spots?|spill|splash(?:es)?|patch(?:es)?)${at}?`), true],
    [wholeWords(`((?:${word} ){0,2}${word})${at}`), true],
    [wholeWords(`(?:with|has|got) ((?:an? |some )?(?:${word} ){0,2}${word})${at}?`), false],
  ];
  for (const [pattern, certain] of tries)
    for (let guard = 0; guard < 5; guard++) {
      const match = firstStain(line, pattern, certain);
      if (!match) break;
      line.claim(match.from, match.to, 'stain');
      marks.push({ kind: match.kind, place: match.place, ageHours: null });
    }
  for (const [word, kind] of Object.entries(tellingWords)) {
    const match = line.take(wholeWords(`${word}(?: (${places}))?`), 'stain');
    if (match) marks.push({ kind, place: match[1] ?? '', ageHours: null });
  }
  marks.push(...takeListedMarks(line));
  const markAt = Math.min(...line.claims.filter((c) => c.said === 'stain').map((c) => c.from));
  const ageHours = marks.length > 0 ? takeMarkAge(line, markAt, weekday) : null;
  return marks.map((m) => ({ ...m, ageHours }));
}

/** A part between commas that names marks and nothing else: "tablecloth, candle wax and red wine". What may be a colour is none. */
function takeListedMarks(line: Line): Mark[] {
  const marks: Mark[] = [];
  for (const part of line.open.matchAll(/(?<=,)[^,;]+/gu)) {
    const age = wholeWords(agePhrase).exec(part[0]);
    const marked = age ? part[0].slice(0, age.index) : part[0];
    const named = marked
      .split(/ and | & /)
      .map((words) => ({ words: words.trim(), kind: stainNames.get(plain(words)) }));
    if (!named.every((n) => n.kind && !(n.words in colourWords) && fibreNamed(n.words) === null)) continue;
    line.claim(part.index, part.index + marked.length, 'stain');
    for (const { kind } of named) if (kind) marks.push({ kind, place: '', ageHours: null });
  }
  return marks;
}

interface Found extends Omit<Mark, 'ageHours'> {
  from: number;
  to: number;
}
/** The first place where a pattern holds a mark; of the words before it only those that name it, the longest such run. */
function firstStain(line: Line, pattern: RegExp, certain: boolean): Found | null {
  const global = new RegExp(pattern.source, 'gu');
  for (const match of line.open.matchAll(global)) {
    const words = match[1] ?? '';
    // "Under the arms" is no arm.
    const place = / under [^,]*arms?$/.test(match[0]) ? 'underarms' : (match[2] ?? '');
    const list = words.split(' ');
    for (let k = 0; k < list.length; k++) {
      const run = list.slice(k).join(' ');
      const kind = stainOf(run, certain);
      if (!kind) continue;
      const lead = match[0].indexOf(words);
      const skipped = list.slice(0, k).join(' ').length + (k > 0 ? 1 : 0);
      return {
        kind,
        place,
        from: match.index + (k === 0 && lead > 0 ? 0 : lead + skipped),
        to: match.index + match[0].length,
      };
    }
  }
  return null;
}

/** What cloth smells of. */
const smells = '(?:smoke|sweat|food|frying|chlorine|damp|mould|feet|dog|perfume|old|cellar)';
/** Whether the line says that it smells. */
export const takeOdour = (line: Line): boolean =>
  line.take(
    wholeWords(
      `smells(?: bad| (?:of|like) (?:\\p{L}+ )?${smells})?|smelly|stinks(?: of ${smells})?|stinky|sweaty|whiffy|musty|smoky`,
    ),
    'odour',
  ) !== null;
