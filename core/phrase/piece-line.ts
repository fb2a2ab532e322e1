/**
 * A piece in one typed line ("navy merino jumper, hand wash, M, worn twice"). Readers take their words from the line one after another, numbers
 * with a meaning first; what nobody takes was not understood and keeps its place, so that a screen can mark it. What the line leaves out is
 * filled in and said aloud as `assumed`, or asked for.
 *
 * @example readPieceLine('Ida’s emerald blouse, 65 polyester 35 cotton, 30 gentle').label?.wash // { by: 'machine', maxC: 30, action: 'mild' }
 */
import { scanLabel } from '../care-label/label-text.ts';
import type { CareLabel } from '../care-label/label.ts';
import type { DyeId } from '../colour/dye.ts';
import { shaded } from '../colour/colour.ts';
import type { TraitId } from '../construction/traits.ts';
import type { FibreId } from '../fibre/fibres.ts';
import { kindFacts, type GarmentKind, type Use } from '../garment/kinds.ts';
import { namedUse } from '../garment/use.ts';
import { say, type Message } from '../message/message.ts';
import type { Colour, Part, PartRole, Size } from '../model/garment.ts';
import { scanComposition } from './composition.ts';
import type { KindWord } from './kind-words.ts';
import { Line, singular, wholeWords, type Claim } from './line.ts';
import { takeColours, takeDye, takeKind, takeLinings, takeShade, takeSize, takeTraits } from './looks.ts';
import { takeCount, takeMarks, takeOdour, takeOwner, takeValue, takeWashes, takeWears, type Mark } from './today.ts';

export interface PieceLine {
  /** The line without what went into the other fields. */
  name: string;
  /** The name of one of several. */
  nameOfOne: string;
  kind: GarmentKind;
  parts: Part[];
  traits: TraitId[];
  /** Empty = not said, and the kind does not tell: to be asked. */
  colours: Colour[];
  dye: DyeId;
  size: Size;
  heightCm: number | null;
  label: CareLabel | null;
  owner: string;
  use: Use | null;
  /** How many; null = not said. */
  count: number | null;
  valueEur: number | null;
  washCount: number | null;
  wearsSinceWash: number | null;
  marks: Mark[];
  odour: boolean;
  /** What the line did not say and was filled in. */
  assumed: Message[];
  /** What the line says that does not add up. */
  problems: Message[];
  /** Words nobody understood, with their places in `text`. */
  unknown: { from: number; to: number; word: string }[];
  /** The line with single spaces, and what became of its words. */
  text: string;
  claims: Claim[];
}

/** Cloth whose colour goes without saying. */
const usualColour: Partial<Record<GarmentKind, { hex: string; dye: DyeId }>> = {
  jeans: { hex: '#3f5878', dye: 'indigo' },
  jeans_raw_heavy: { hex: '#232f4e', dye: 'indigo' },
};

/** Raw cotton and wool as they grow. */
const undyedHex = '#e6dcc3';

// prettier-ignore
const fillers: ReadonlySet<string> = new Set(
  ('a an the my our his her their in of with and or at only for from to is are it its this that has no not some new old size pair pairs one set sets piece pieces big small long short ' +
  'sleeve sleeved sleeves collar cuff cuffs pocket pockets neck v crew round high low fit slim loose wide narrow skinny straight cropped plain simple organic pure men women mens womens ladies ' +
  'men\'s women\'s kids kid\'s child child\'s baker\'s bakers cook\'s chef\'s suit compression underwear children children\'s boys girls baby toddler summer winter spring autumn everyday best favourite favorite good nice warm cool thin thick heavy light lightweight soft ' +
  'fine thermal hiking running cycling gym yoga work office school party evening wedding holiday beach folk dance house home guest kitchen bathroom bedroom bath hand body outdoor indoor ' +
  'fabric cloth material weave twill poplin oxford satin sateen percale jersey flannel muslin gauze crepe chiffon tweed worsted canvas ripstop piqué pique waffle ribbed rib seersucker chambray ' +
  'blend mix mixed lined preshrunk pre-shrunk sanforized sanforised prewashed pre-washed stonewashed stone-washed handmade home-made homemade second-hand secondhand vintage label made ' +
  'double single queen king cot large fitted flat square oblong striped selvedge selvage wash washed iron ironed trim trims trimmed piping edging edged border stripe stripes jumper sweater football rugby tennis sport sports den denier shower window kitchen worn wears wear kept').split(' '),
);
const indigoWords = wholeWords('indigo|denim blue');
const noLabelPattern = wholeWords(
  'no (?:care )?label|without (?:a )?(?:care )?label|unlabell?ed|label (?:is )?(?:missing|gone|cut off|cut out|illegible|unreadable|worn off)|(?:cut off|missing|illegible) label',
);
const notSoft = wholeWords('pre-?shrunk|preshrunk|sanfori[sz]ed|pre-?washed|stone-?washed|not washed out');

const evenShares = (fibres: readonly FibreId[]): { fibre: FibreId; percent: number }[] => {
  const share = Math.floor(100 / fibres.length);
  return fibres.map((fibre, k) => ({ fibre, percent: k === 0 ? 100 - share * (fibres.length - 1) : share }));
};

/** Fibres of every part: as said, else as the kind usually is. */
function takeParts(
  line: Line,
  row: KindWord | null,
  first: ReturnType<typeof scanComposition>,
): { parts: Part[]; assumed: Message[]; problems: Message[] } {
  const assumed: Message[] = [];
  const problems: Message[] = [];
  const parts = new Map<PartRole, Part>();
  for (const part of first.parts) {
    const total = part.fibres.reduce((s, f) => s + f.percent, 0);
    if (Math.abs(total - 100) <= 1) parts.set(part.role, part);
    else if (total < 100 && part.fibres[0]) {
      const missing = 100 - total;
      const [head, ...others] = part.fibres;
      parts.set(part.role, { role: part.role, fibres: [{ ...head, percent: head.percent + missing }, ...others] });
      assumed.push(say('line.shares-filled', { percent: total, fibre: head.fibre }));
    } else problems.push(say('line.shares-over', { percent: total }));
  }
  for (const problem of first.problems)
    if (problem.is === 'unknown-fibre')
      problems.push(say('line.unknown-fibre', { name: problem.word, percent: problem.percent }));
  const named = scanComposition(line.open, 'any');
  for (const { from, to, ofPart } of named.spans) line.claim(from, to, 'fibres', !ofPart);
  for (const { role, fibres } of named.named) {
    if (parts.has(role)) continue;
    parts.set(role, { role, fibres: evenShares(fibres) });
    if (fibres.length > 1) assumed.push(say('line.shares-even', { count: fibres.length }));
  }
  if (!parts.has('shell')) {
    const fibre = row?.fibre ?? 'unknown';
    parts.set('shell', { role: 'shell', fibres: [{ fibre, percent: 100 }] });
    assumed.push(
      fibre === 'unknown' ? say('line.fibre-unknown') : say('line.fibre', { fibre, kind: row?.kind ?? 'other' }),
    );
  }
  if (row?.kind === 'down_jacket' && !parts.has('filling'))
    parts.set('filling', { role: 'filling', fibres: [{ fibre: 'down-fill', percent: 100 }] });
  const order: readonly PartRole[] = ['shell', 'lining', 'filling', 'trim'];
  return { parts: order.flatMap((role) => parts.get(role) ?? []), assumed, problems };
}

/**
 * Read one line; `people` are those who live here, `weekday` is today's (0 = Sunday; null = not known). Always gives a usable piece; `assumed`, `problems` and
 * `unknown` say how sure it is.
 */
export function readPieceLine(typed: string, people: readonly string[] = [], weekday: number | null = null): PieceLine {
  const line = new Line(typed);
  const owner = takeOwner(line, people);
  const valueEur = takeValue(line);
  const washCount = takeWashes(line);
  const wearsSinceWash = takeWears(line);
  const marks = takeMarks(line, weekday);
  const odour = takeOdour(line);
  const withoutLabel = line.take(noLabelPattern, 'label') !== null;
  line.take(notSoft, 'filler', true);
  line.take(wholeWords('\\d{1,3} ?(?:den|denier)'), 'filler', true);
  const composition = scanComposition(line.open, 'none');
  for (const { from, to } of composition.spans) line.claim(from, to, 'fibres');
  const size = takeSize(line);
  const count = takeCount(line);
  const care = scanLabel(line.open);
  for (const { from, to } of care.spans) line.claim(from, to, 'label');
  const linings = takeLinings(line);
  const dye = takeDye(line);
  const found = takeKind(line);
  const kind = found?.row.kind ?? 'other';
  const { parts, assumed, problems } = takeParts(line, found?.row ?? null, composition);
  const { colours, secondMissing } = takeColours(line);
  const traits = new Set<TraitId>([...(found?.row.traits ?? []), ...linings, ...takeTraits(line)]);
  if (traits.has('denim-raw')) traits.delete('denim');

  if (kind === 'other') assumed.unshift(say('line.kind'));
  if (size.number) assumed.push(say('line.size-number', { name: size.number }));
  else if (!size.size && size.heightCm === null && kindFacts(kind).type === 'tube') assumed.push(say('line.size'));
  if (colours.length === 0 && dye === 'undyed') colours.push({ hex: undyedHex, role: 'ground' });
  const usual = colours.length === 0 ? usualColour[kind] : undefined;
  const asIndigo = dye === null && usualColour[kind] !== undefined && indigoWords.test(line.text.toLowerCase());
  if (usual) {
    colours.push({ hex: shaded(usual.hex, takeShade(line)), role: 'ground' });
    assumed.push(say('line.denim-blue'));
  } else if (colours.length === 0) assumed.push(say('line.colour'));
  if (secondMissing) assumed.push(say('line.second-colour'));
  if (!care.label) assumed.push(withoutLabel ? say('line.label-gone') : say('line.no-label'));

  const unknown = [...line.rest()].filter(
    ({ word }) => word.length > 1 && !fillers.has(word) && !fillers.has(word.replace(/’/g, "'").replace(/'$/, '')),
  );
  const name = nameOf(line, false, found);
  return {
    name,
    nameOfOne: nameOf(line, true, found),
    kind,
    parts,
    traits: [...traits],
    colours,
    dye: dye ?? (usual ? usual.dye : asIndigo ? 'indigo' : 'unknown'),
    size: size.size ?? 'M',
    heightCm: size.heightCm,
    label: care.label,
    owner,
    use: namedUse(line.text),
    count,
    valueEur,
    washCount,
    wearsSinceWash,
    marks,
    odour,
    assumed,
    problems,
    unknown,
    text: line.text,
    claims: line.inOrder(),
  };
}

const longestName = 80;
/** What stays of the line as a name; `one` = the plural taken off. */
function nameOf(line: Line, one: boolean, kind: { from: number; to: number } | null): string {
  let name = '';
  let at = 0;
  for (const claim of line.inOrder()) {
    if (claim.from < at) continue;
    name += line.text.slice(at, claim.from);
    const words = line.text.slice(claim.from, claim.to);
    const isKind = claim.from === kind?.from;
    if (claim.named) name += one && isKind ? words.replace(/[\p{L}]+$/u, (w) => ofOne(w)) : words;
    at = claim.to;
  }
  name += line.text.slice(at);
  name = name
    .replace(/\(\s*\)/g, ' ')
    .replace(/(?<![\p{L}])(?:size|with|and|of|in|has|for|a|an|the|at)(?=\s*(?:[,;.:]|$))/giu, ' ')
    .replace(/(^|[,;])\s*(?:with|and|of|at|in)(?![\p{L}])/giu, '$1')
    .replace(/[;:./+%|–-]+(?=\s|$|,)/g, ' ')
    .replace(/\s+,/g, ',')
    .replace(/,(\s*,)+/g, ',')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^[,;.\s]+|[,;.\s]+$/g, '');
  if (!/[\p{L}\p{N}]/u.test(name)) return 'New piece';
  const [first = ''] = name;
  return [...`${first.toUpperCase()}${name.slice(first.length)}`].slice(0, longestName).join('').trim();
}
/** Names whose one is a pair, or a plural by nature, stay as they are. */
const plurals: ReadonlySet<string> = new Set(
  'jeans trousers pants shorts socks tights leggings joggers briefs boxers knickers pyjamas gloves mittens trunks overalls dungarees chinos slippers shoes stockings cords slacks culottes'.split(
    ' ',
  ),
);
const ofOne = (word: string): string => {
  const lower = word.toLowerCase();
  if (plurals.has(lower)) return word;
  const single = singular(lower);
  return word === lower ? single : `${word.charAt(0)}${single.slice(1)}`;
};
