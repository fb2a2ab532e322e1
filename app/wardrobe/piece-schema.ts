/** The full form of a piece: every field flat, fibres as "cotton 60; polyester 40". */
import * as v from 'valibot';
import { labelTemperaturesC, phrases } from '@core/care-label/label.ts';
import { askedColours, colourWords } from '@core/colour/colour-words.ts';
import { dyeIds } from '@core/colour/dye.ts';
import { traitIds } from '@core/construction/traits.ts';
import { fibreIds, type FibreId } from '@core/fibre/fibres.ts';
import { garmentKinds, uses } from '@core/garment/kinds.ts';
import { sizes } from '@core/model/garment.ts';
import { scanComposition } from '@core/phrase/composition.ts';
import { bleachOrder, ironOrder, tumbleOrder } from '@core/model/orders.ts';
import type { GarmentInput } from '@data/garments.ts';
import { neededText, typedNumber } from '../forms/numbers.ts';

export const washChoices = [
  ...labelTemperaturesC.flatMap((c) =>
    (['normal', 'mild', 'very-mild'] as const).map((a) => `machine ${c} ${a}` as const),
  ),
  'hand 40',
  'hand 30',
  'none',
] as const;
export type WashChoice = (typeof washChoices)[number];
/** The wash symbol of a choice; null = none was chosen. */
export function washOf(choice: WashChoice | undefined) {
  const [by, c, action] = (choice ?? '').split(' ');
  switch (by) {
    case 'machine':
      return { by, maxC: Number(c), action: action as 'mild' } as const;
    case 'hand':
      return { by, maxC: Number(c) } as const;
    case 'none':
      return { by } as const;
    default:
      return null;
  }
}

type Fibres = { fibre: FibreId; percent: number }[];
/** "60 % Baumwolle, 40 % poly" or "merino": what the reader of typed lines understands of it, if it understands every word; null = not all of it. */
function asSpoken(text: string): Fibres | null {
  const scan = scanComposition(text.toLowerCase(), 'any');
  let rest = text;
  for (const { from, to } of [...scan.spans].sort((a, b) => b.from - a.from))
    rest = rest.slice(0, from) + rest.slice(to);
  if (/[\p{L}\p{N}]/u.test(rest) || scan.problems.length > 0) return null;
  const [part] = scan.parts;
  if (part && scan.parts.length === 1 && scan.named.length === 0) return [...part.fibres];
  const [named] = scan.named;
  const [fibre, ...more] = named?.fibres ?? [];
  return fibre && more.length === 0 && scan.named.length === 1 && scan.parts.length === 0
    ? [{ fibre, percent: 100 }]
    : null;
}
/** "cotton 60; polyester 40" with known fibres and a sum of 100. */
const fibreList = (label: string) =>
  v.pipe(
    v.string(`${label}: say the fibres, like "cotton 60; polyester 40".`),
    v.rawTransform<string, Fibres>(({ dataset, addIssue, NEVER }) => {
      const spoken = asSpoken(dataset.value);
      if (spoken) return spoken;
      const fibres: Fibres = [];
      for (const entry of dataset.value
        .split(/[;,]+/)
        .map((s) => s.trim().toLowerCase())
        .filter(Boolean)) {
        const match =
          entry.match(/^([a-z-]+)\s+(\d+(?:\.\d+)?)\s*%?$/) ??
          entry
            .match(/^(\d+(?:\.\d+)?)\s*%?\s+([a-z-]+)$/)
            ?.map((x, i, all) => (i === 1 ? (all[2] ?? x) : i === 2 ? (all[1] ?? x) : x));
        const fibre = fibreIds.find((f) => f === match?.[1]);
        const percent = Number(match?.[2]);
        if (!match || !fibre) {
          addIssue({ message: `${label}: "${entry}" is not a fibre and a share, like "cotton 60".` });
          return NEVER;
        }
        if (!(percent >= 0 && percent <= 100)) {
          addIssue({ message: `${label}: a share is between 0 and 100 %.` });
          return NEVER;
        }
        fibres.push({ fibre, percent });
      }
      const total = fibres.reduce((s, f) => s + f.percent, 0);
      if (Math.abs(total - 100) > 1) {
        addIssue({ message: `${label}: the shares sum to ${total} %, not 100.` });
        return NEVER;
      }
      return fibres;
    }),
  );
const hex = (label: string) =>
  v.pipe(v.string(`${label}: choose a colour.`), v.regex(/^#[0-9a-fA-F]{6}$/, `${label}: a colour like #2f6f6b.`));
const chosen = <const T extends readonly string[]>(values: T, label: string) =>
  v.optional(v.picklist(values, `${label}: choose one of the shown.`));
const several = <const T extends readonly string[]>(values: T, label: string) =>
  v.optional(
    v.union([
      v.array(v.picklist(values, `${label}: choose from the shown.`)),
      v.pipe(
        v.picklist(values, `${label}: choose from the shown.`),
        v.transform((x) => [x]),
      ),
    ]),
    [],
  );

export const pieceSchema = v.pipe(
  v.object({
    name: neededText('Name'),
    owner: v.optional(v.pipe(v.string(), v.maxLength(40, 'Whose: at most 40 letters.'))),
    kind: v.picklist(garmentKinds, 'Kind: choose one of the shown.'),
    size: v.picklist(sizes, 'Size: choose one of the shown.'),
    heightCm: typedNumber('Height of the child', 40, 220, 'cm'),
    shell: fibreList('Shell'),
    lining: v.optional(fibreList('Lining')),
    filling: v.optional(fibreList('Filling')),
    trim: v.optional(fibreList('Trim')),
    ground: hex('Ground colour'),
    /** Given where the colour is asked for: a name, or `exact` = as set in `ground`. */
    colourNamed: chosen([...askedColours, 'exact'] as const, 'Colour'),
    asksColour: v.optional(v.string()),
    print: v.optional(hex('Print colour')),
    trimColour: v.optional(hex('Trim colour')),
    hasPrint: v.optional(v.string()),
    hasTrim: v.optional(v.string()),
    dye: v.picklist(dyeIds, 'Dye: choose one of the shown.'),
    traits: several(traitIds, 'Construction'),
    noLabel: v.optional(v.string()),
    wash: chosen(washChoices, 'Wash symbol'),
    bleach: chosen(bleachOrder, 'Bleach'),
    tumble: chosen(tumbleOrder, 'Dryer'),
    iron: chosen(ironOrder, 'Iron'),
    dry: chosen(['line', 'flat'] as const, 'Drying'),
    shade: v.optional(v.string()),
    dryClean: chosen(['P', 'F', 'any', 'none'] as const, 'Dry cleaning'),
    phrases: several(phrases, 'Words on the label'),
    dryMassG: typedNumber('Weight', 5, 6000, 'g'),
    valueEur: typedNumber('Value', 0, 100_000, '€'),
    use: chosen(uses, 'Used for'),
    count: typedNumber('How many', 1, 60, 'pieces'),
    set: v.optional(v.pipe(v.string(), v.maxLength(40, 'Set: at most 40 letters.'))),
    washed: typedNumber('Washed before', 0, 2000, 'times'),
    worn: typedNumber('Worn since', 0, 2000, 'times'),
    marks: v.optional(v.pipe(v.string(), v.maxLength(500))),
    odour: v.optional(v.string()),
  }),
  v.forward(
    v.partialCheck(
      [['asksColour'], ['colourNamed']],
      (f) => f.asksColour === undefined || f.colourNamed !== undefined,
      'Ground colour: choose it.',
    ),
    ['colourNamed'],
  ),
  v.forward(
    v.partialCheck(
      [['kind'], ['dryMassG']],
      (f) => f.kind !== 'other' || f.dryMassG !== undefined,
      'Weight: weigh it, since its kind is not known.',
    ),
    ['dryMassG'],
  ),
);
export type PieceForm = v.InferOutput<typeof pieceSchema>;

export function toGarment(f: PieceForm): GarmentInput {
  const parts: GarmentInput['parts'] = [{ role: 'shell', fibres: f.shell }];
  for (const role of ['lining', 'filling', 'trim'] as const) {
    const fibres = f[role];
    if (fibres) parts.push({ role, fibres });
  }
  const named = f.colourNamed && f.colourNamed !== 'exact' ? colourWords[f.colourNamed] : undefined;
  const colours: GarmentInput['colours'] = [{ hex: named ?? f.ground, role: 'ground' }];
  if (f.hasPrint && f.print) colours.push({ hex: f.print, role: 'print' });
  if (f.hasTrim && f.trimColour) colours.push({ hex: f.trimColour, role: 'trim' });
  const label = f.noLabel
    ? null
    : {
        wash: washOf(f.wash),
        bleach: f.bleach ?? null,
        tumble: f.tumble ?? null,
        dry: f.dry ? { position: f.dry, drip: false, shade: Boolean(f.shade) } : null,
        iron: f.iron ?? null,
        dryClean: f.dryClean ?? null,
        phrases: f.phrases,
      };
  return {
    name: f.name,
    owner: f.owner ?? '',
    kind: f.kind,
    size: f.size,
    heightCm: f.heightCm ?? null,
    parts,
    traits: f.traits,
    colours,
    dye: f.dye,
    label,
    dryMassG: f.dryMassG ?? null,
    valueEur: f.valueEur ?? 20,
    use: f.use ?? null,
    count: Math.round(f.count ?? 1),
    set: f.set ?? null,
  };
}

/** What the form shows for a stored or a newly read piece. */
export type PieceStart = Record<string, string | string[]>;
export function pieceStart(g: GarmentInput): PieceStart {
  const fibres = (role: string): string =>
    g.parts
      .find((p) => p.role === role)
      ?.fibres.map((f) => `${f.fibre} ${f.percent}`)
      .join('; ') ?? '';
  const colour = (role: string): string => g.colours.find((c) => c.role === role)?.hex ?? '';
  const w = g.label?.wash;
  return {
    name: g.name,
    owner: g.owner,
    kind: g.kind,
    size: g.size,
    heightCm: g.heightCm?.toString() ?? '',
    shell: fibres('shell'),
    lining: fibres('lining'),
    filling: fibres('filling'),
    trim: fibres('trim'),
    ground: colour('ground'),
    print: colour('print'),
    trimColour: colour('trim'),
    hasPrint: colour('print') ? 'on' : '',
    hasTrim: colour('trim') ? 'on' : '',
    dye: g.dye,
    traits: g.traits,
    noLabel: g.label === null ? 'on' : '',
    wash: !w
      ? ''
      : w.by === 'machine'
        ? `machine ${w.maxC} ${w.action ?? 'normal'}`
        : w.by === 'hand'
          ? `hand ${w.maxC ?? 40}`
          : 'none',
    bleach: g.label?.bleach ?? '',
    tumble: g.label?.tumble ?? '',
    iron: g.label?.iron ?? '',
    dry: g.label?.dry?.position ?? '',
    shade: g.label?.dry?.shade ? 'on' : '',
    dryClean: g.label?.dryClean ?? '',
    phrases: g.label?.phrases ?? [],
    dryMassG: g.dryMassG?.toString() ?? '',
    valueEur: String(g.valueEur),
    use: g.use ?? '',
    count: String(g.count),
    set: g.set ?? '',
    washed: '',
    worn: '',
  };
}
