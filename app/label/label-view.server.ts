/** The label reader: what was understood, what contradicts itself, what it means in this household, what it costs in a year. */
import { readWholeLabel, withTypedWords } from '@core/care-label/label-text.ts';
import { emptyLabel, type CareLabel } from '@core/care-label/label.ts';
import { phraseWords } from '@words/en/label.ts';
import { garmentKinds, type GarmentKind } from '@core/garment/kinds.ts';
import { careOfYear } from '@core/board/ownership.ts';
import { profileOf } from '@core/piece/profile.ts';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { readHousehold } from '@data/household.ts';
import { sentenceOf } from '@words/text.ts';
import { fibreWords, kindNames } from '@words/en/things.ts';
import type { LabelForm } from './label-form.ts';
import type { Scope } from '../server/request.server.ts';
import { washOf } from '../wardrobe/piece-schema.ts';
import { limitRows, type PieceView } from '../wardrobe/piece-view.server.ts';
import { symbolsOf, type SymbolView } from '../shared/symbols.ts';
import { money, wholeMoney } from '../shared/words.ts';

export interface LabelView {
  kinds: (readonly [string, string])[];
  reading: null | {
    symbols: SymbolView[];
    phrases: string[];
    fibres: string[];
    understood: string[];
    rest: string;
    problems: string[];
    conflicts: string[];
    missing: string[];
    limits: PieceView['limits'];
    year: { title: string; text: string };
    newPiece: string;
  };
}

/** Symbols picked count before typed words. */
function labelFrom(f: LabelForm): CareLabel {
  return withTypedWords({
    ...emptyLabel,
    wash: washOf(f.wash),
    bleach: f.bleach ?? null,
    tumble: f.tumble ?? null,
    iron: f.iron ?? null,
    dryClean: f.dryClean ?? null,
    text: f.text ?? null,
  });
}

type Stated = ReturnType<typeof readWholeLabel>['parts'];
const partsOf = (parts: Stated): Stated =>
  parts.length > 0 ? parts : [{ role: 'shell', fibres: [{ fibre: 'unknown', percent: 100 }] }];
/** The piece a label describes, never worn or washed. */
export function pieceOfLabel(f: LabelForm, name = kindNames[f.kind]): GarmentDocument {
  const label = labelFrom(f);
  return {
    id: 'label',
    name,
    kind: f.kind,
    parts: partsOf(readWholeLabel(f.text ?? '').parts).map((p) => ({ role: p.role, fibres: [...p.fibres] })),
    colours: [{ hex: f.colour, role: 'ground' }],
    label: {
      wash: label.wash,
      bleach: label.bleach,
      tumble: label.tumble,
      dry: label.dry,
      iron: label.iron,
      dryClean: label.dryClean,
      phrases: [...label.phrases],
    },
  };
}

export async function labelView({ tx }: Scope, f: LabelForm | null): Promise<LabelView> {
  const kinds = garmentKinds
    .filter((k) => k !== 'other')
    .map((k) => [k, kindNames[k]] as const)
    .sort((a, b) => a[1].localeCompare(b[1]));
  const household = householdOf((await readHousehold(tx))?.document ?? {});
  if (!f) return { kinds, reading: null };
  const words = readWholeLabel(f.text ?? '');
  const label = labelFrom(f);
  const kind: GarmentKind = f.kind;
  const stated = partsOf(words.parts);
  const garment = garmentOf(pieceOfLabel(f));
  const profile = profileOf(garment, household.rules);
  const year = careOfYear(garment, household, f.wearsPerWeek);
  const programme = household.washers.flatMap((w) => w.programmes).find((p) => p.id === year.setting?.programme);
  const how =
    year.setting === null
      ? year.by === 'none'
        ? 'It is never washed: feed or brush it.'
        : 'At the cleaner’s: nothing here may wash it.'
      : `${year.setting.method === 'hand' ? 'By hand' : (programme?.name ?? 'A programme')}, ${year.setting.temperatureC} °C${year.setting.method === 'hand' ? '' : `, ${year.setting.spinRpm} rpm`}, in a usual load.`;
  const silent = (
    [
      ['wash', 'washing'],
      ['bleach', 'bleach'],
      ['tumble', 'the dryer'],
      ['iron', 'the iron'],
    ] as const
  ).flatMap(([k, what]) => (label[k] === null ? [what] : []));
  return {
    kinds,
    reading: {
      symbols: symbolsOf(label),
      phrases: label.phrases.map((p) => phraseWords[p]),
      fibres: stated.flatMap((p) =>
        p.fibres.map((x) => `${p.role === 'shell' ? '' : `${p.role}: `}${x.percent} % ${fibreWords[x.fibre].name}`),
      ),
      understood: words.understood,
      rest: words.rest,
      problems: [
        ...words.problems.map(sentenceOf),
        ...(words.parts.length === 0
          ? ['The composition is not known: naming the fibre is the first thing to do.']
          : []),
      ],
      conflicts: profile.conflicts.map(sentenceOf),
      missing: silent,
      limits: limitRows(profile),
      year: {
        title:
          year.perYear === null
            ? `about ${money(year.perClean, household.tariff.currency)} each time`
            : `about ${wholeMoney(year.perYear, household.tariff.currency)} a year`,
        text: `${how}${year.cleansPerYear === null ? '' : ` About ${Math.round(year.cleansPerYear)} times a year, ${money(year.perClean, household.tariff.currency)} each, your time and wear of the cloth counted.`}`,
      },
      newPiece: `/pieces/new?line=${encodeURIComponent([kindNames[kind], f.text ?? ''].filter(Boolean).join(', ').slice(0, 300))}`,
    },
  };
}
