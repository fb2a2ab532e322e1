/** One load as the screens show it: stack, figures, rulers, steps. Assembled from the stored plan and the facts of its hamper. */
import { garmentOf, householdOf, type HamperDocument } from '@formats/hamper.ts';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import type { PlanDocument, PlannedLoadDocument } from '@formats/plan.ts';
import { titleOf } from '@words/text.ts';
import { loadName } from '@core/plan/load-name.ts';
import { displayDose } from '@core/plan/plan.ts';
import { fromKept } from '@core/units/choices.ts';
import type { DoseMeasure } from '@data/schema.ts';
import { preferences } from '../server/preferences.server.ts';
import { prepareWords } from '@words/en/garment.ts';
import { profileOf, type Profile } from '@core/piece/profile.ts';
import { actionOrder, ironOrder, tumbleOrder } from '@core/model/orders.ts';
import { dryingWarnings, type PrepareStep } from '@core/model/plan.ts';
import type { ClothView } from '../ui/fold.tsx';
import { clothOfDocument } from '../shared/cloth.ts';
import { dryingText, durationText, plural } from '../shared/words.ts';

export interface PieceRef {
  id: string;
  name: string;
  cloth: ClothView;
}
export interface RulerView {
  id: string;
  title: string;
  value: string;
  chosen: number;
  ticks: { at: number; text: string }[];
  bars: { name: string; hex: string; reach: number; binding: boolean; text: string }[];
  sentence: string;
}
export interface FigureView {
  value: string;
  unit: string;
  note: string;
}
export interface LoadCard {
  title: string;
  /** Name of the programme; null by hand. */
  programme: string | null;
  machine: string;
  subtitle: string;
  temperature: { value: string; unit: string };
  spin: string;
  spinUnit: string;
  dose: string;
  duration: string;
  fill: number;
  fillText: string;
  pieces: PieceRef[];
  byHand: boolean;
}
/** A product of the load: how much of it, and where it goes. */
export interface AddView {
  product: string;
  name: string;
  amount: string;
  place: string;
}
export interface PrepareView {
  step: string;
  words: string;
  pieces: PieceRef[];
}
export interface LoadFacts {
  card: LoadCard;
  figures: FigureView[];
  /** Everything that goes in, the detergent first. */
  adds: AddView[];
  extraRinse: boolean;
  rulers: RulerView[];
  prepare: PrepareView[];
  warnings: PlanDocument['warnings'];
  /** What concerns drying and pressing stands there. */
  dryWarnings: PlanDocument['warnings'];
  procedure: PlannedLoadDocument['procedure'];
  drying: { piece: PieceRef; text: string; press: string }[];
  reasons: { piece: PieceRef; text: string }[];
}

const docs = (hamper: HamperDocument): Map<string, GarmentDocument> => new Map(hamper.garments.map((g) => [g.id, g]));
export const pieceRef = (g: GarmentDocument): PieceRef => ({ id: g.id, name: g.name, cloth: clothOfDocument(g) });

const actionWords = {
  normal: 'normal',
  mild: 'mild',
  'very-mild': 'very mild',
  hand: 'like by hand',
  none: 'none',
} as const;
const productUnits: Record<string, string> = {
  ml: 'ml',
  g: 'g',
  piece: 'piece',
  sheet: 'sheet',
  pod: 'pod',
  tablet: 'tablet',
};

function machineOf(hamper: HamperDocument, load: PlannedLoadDocument): { title: string; machine: string } {
  const h = householdOf(hamper.household);
  if (load.method === 'hand')
    return { title: 'By hand', machine: h.basins.find((b) => b.id === load.basin)?.name ?? 'basin' };
  const washer = h.washers.find((w) => w.id === load.washer);
  return {
    title: washer?.programmes.find((p) => p.id === load.programme)?.name ?? 'Programme',
    machine: washer?.name ?? 'Machine',
  };
}

type DoseDocument = PlannedLoadDocument['additives'][number];
const quarters = ['', '¼', '½', '¾'] as const;
/** How many of a cap or spoon make an amount, to a quarter: "1¼ caps"; '' when it is less than an eighth. */
export function measureText(amount: number, { name, holds }: DoseMeasure): string {
  const fourths = Math.round((4 * amount) / holds);
  if (fourths === 0) return '';
  const whole = Math.floor(fourths / 4);
  return `${whole > 0 ? whole : ''}${quarters[fourths % 4]} ${name}${fourths > 4 ? 's' : ''}`;
}
const amountText = (d: DoseDocument, byHand: boolean): string =>
  `${displayDose(d.amount, d.unit, byHand)} ${productUnits[d.unit] ?? d.unit}`;
/** How often the cap or spoon of the product is filled for it; '' when it has none. */
const measured = (d: DoseDocument, byHand: boolean): string => {
  const measure = preferences().measures[d.product];
  return measure ? measureText(displayDose(d.amount, d.unit, byHand), measure) : '';
};
const doseText = (d: DoseDocument, byHand: boolean): string => {
  const caps = measured(d, byHand);
  return caps ? `${amountText(d, byHand)} (${caps})` : amountText(d, byHand);
};

function card(
  hamper: HamperDocument,
  load: PlannedLoadDocument,
  profiles: readonly Profile[],
  pieces: PieceRef[],
): LoadCard {
  const { title, machine } = machineOf(hamper, load);
  const byHand = load.method === 'hand';
  const maxKg = load.fill > 0 ? load.massKg / load.fill : load.massKg;
  return {
    title: titleOf(loadName(profiles, { celsius: load.temperatureC, method: load.method })),
    programme: byHand ? null : title,
    machine,
    byHand,
    subtitle: plural(pieces.length, 'piece'),
    temperature: { value: String(load.temperatureC), unit: '°C' },
    spin: byHand ? 'press' : load.spinRpm === 0 ? 'no spin' : String(load.spinRpm),
    spinUnit: byHand || load.spinRpm === 0 ? '' : 'rpm',
    dose: load.detergent ? amountText(load.detergent, byHand) : 'no product',
    duration: durationText(load.durationMin),
    fill: load.fill,
    fillText: `${load.massKg.toFixed(1)} of ${maxKg.toFixed(1)} kg`,
    pieces,
  };
}

const productName = (hamper: HamperDocument, id: string | undefined): string =>
  hamper.household.products?.find((p) => p.id === id)?.name ?? 'detergent';
const compartmentWords: Record<string, string> = {
  prewash: 'compartment I',
  main: 'compartment II',
  softener: 'softener place',
  drum: 'into the drum',
  basin: 'into the water',
};

/** 149 → 2:29 h, 41 → 41 min: as a figure to read from far. */
function clockFigure(minutes: number): Pick<FigureView, 'value' | 'unit'> {
  const whole = Math.round(minutes);
  return whole < 60
    ? { value: String(whole), unit: 'min' }
    : { value: `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`, unit: 'h' };
}

function figures(
  hamper: HamperDocument,
  load: PlannedLoadDocument,
  c: LoadCard,
  names: Map<string, string>,
): FigureView[] {
  const by = (parameter: string): string => {
    const b = load.bindings.find((x) => x.parameter === parameter);
    if (!b) return '';
    return b.garment ? `set by ${names.get(b.garment) ?? 'one piece'}` : b.reason;
  };
  const d = load.detergent;
  return [
    { ...c.temperature, note: by('temperatureC') },
    { value: c.spin, unit: c.spinUnit, note: c.byHand ? 'press out, roll in a towel' : by('spinRpm') },
    d
      ? {
          value: String(displayDose(d.amount, d.unit, c.byHand)),
          unit: productUnits[d.unit] ?? d.unit,
          note: [measured(d, c.byHand), `${productName(hamper, d.product)}, ${compartmentWords[d.compartment]}`]
            .filter(Boolean)
            .join(': '),
        }
      : { value: 'none', unit: '', note: 'no product' },
    {
      ...clockFigure(load.durationMin),
      note: c.byHand ? 'about, with your hands' : 'then take it out at once',
    },
  ];
}

interface RulerSpec {
  id: string;
  title: string;
  parameter: string;
  value: (p: Profile, wool: boolean) => number;
  text: (p: Profile, wool: boolean) => string;
  chosen: (l: PlannedLoadDocument) => number;
  chosenText: (l: PlannedLoadDocument) => string;
  ticks: RulerView['ticks'];
}
const scale = (max: number, values: readonly number[], unit = ''): RulerView['ticks'] =>
  values.map((x) => ({ at: x / max, text: `${x}${unit}` }));
const actionReach: Record<(typeof actionOrder)[number], number> = {
  none: 0,
  hand: 0.25,
  'very-mild': 0.5,
  mild: 0.75,
  normal: 1,
};
const stepReach = (order: readonly string[], value: string): number => 1 - order.indexOf(value) / (order.length - 1);

const rulerSpecs: readonly RulerSpec[] = [
  {
    id: 'temperature',
    title: 'Temperature',
    parameter: 'temperatureC',
    value: (p) => Math.min(1, p.values.maxTemperatureC / 95),
    text: (p) => `${p.values.maxTemperatureC} °C`,
    chosen: (l) => l.temperatureC / 95,
    chosenText: (l) => `${l.temperatureC} °C`,
    ticks: scale(95, [20, 40, 60, 95]),
  },
  {
    id: 'spin',
    title: 'Spin',
    parameter: 'spinRpm',
    value: (p, w) => Math.min(1, (w ? p.values.woolSpinRpm : p.values.maxSpinRpm) / 1400),
    text: (p, w) => `${Math.min(1400, w ? p.values.woolSpinRpm : p.values.maxSpinRpm)} rpm`,
    chosen: (l) => l.spinRpm / 1400,
    chosenText: (l) => (l.spinRpm === 0 ? 'none' : `${l.spinRpm} rpm`),
    ticks: scale(1400, [0, 400, 800, 1400]),
  },
  {
    id: 'movement',
    title: 'Movement',
    parameter: 'action',
    value: (p) => actionReach[p.values.maxAction],
    text: (p) => actionWords[p.values.maxAction],
    chosen: (l) => actionReach[l.action as 'normal'] ?? 1,
    chosenText: (l) => actionWords[l.action as 'normal'] ?? l.action,
    ticks: [
      { at: 0.25, text: 'hand' },
      { at: 0.75, text: 'mild' },
      { at: 1, text: 'full' },
    ],
  },
  {
    id: 'dryer',
    title: 'Dryer',
    parameter: 'tumble',
    value: (p) => stepReach(tumbleOrder, p.values.tumble),
    text: (p) => p.values.tumble,
    chosen: () => 0,
    chosenText: () => '',
    ticks: [
      { at: 0, text: 'none' },
      { at: 0.5, text: 'low' },
      { at: 1, text: 'normal' },
    ],
  },
  {
    id: 'iron',
    title: 'Iron',
    parameter: 'iron',
    value: (p) => stepReach(ironOrder, p.values.iron),
    text: (p) => p.values.iron,
    chosen: () => 0,
    chosenText: () => '',
    ticks: [
      { at: 0, text: 'none' },
      { at: 0.33, text: 'cool' },
      { at: 1, text: 'hot' },
    ],
  },
];

/** Degrees of the ruler, in the household's unit. */
const tickOf = (celsius: number): string =>
  String(Math.round(fromKept('temperature', preferences().units.temperature, celsius)));

function rulers(
  load: PlannedLoadDocument,
  profiles: readonly Profile[],
  refs: Map<string, PieceRef>,
  wool: boolean,
): RulerView[] {
  return rulerSpecs
    .filter((s) => !(load.method === 'hand' && (s.id === 'spin' || s.id === 'movement')))
    .map((s) => {
      const binding = load.bindings.find((b) => b.parameter === s.parameter);
      const perPiece = s.id === 'dryer' || s.id === 'iron';
      const least = Math.min(...profiles.map((p) => s.value(p, wool)));
      const named = binding?.garment ? refs.get(binding.garment)?.name : null;
      const sentence =
        perPiece && s.id === 'iron'
          ? 'Each piece is pressed by its own limit.'
          : binding
            ? `${named ? `${named}: ` : ''}${binding.reason}.${binding.without !== null && binding.without !== undefined ? ` Without it: ${String(binding.without)}${s.id === 'temperature' ? ' °C' : s.id === 'spin' ? ' rpm' : ''}.` : ''}`
            : 'Nothing in this load limits it.';
      return {
        id: s.id,
        title: s.title,
        value: perPiece ? 'by piece' : s.chosenText(load),
        chosen: perPiece ? -1 : s.chosen(load),
        ticks: s.id === 'temperature' ? s.ticks.map((t) => ({ ...t, text: tickOf(Number(t.text)) })) : s.ticks,
        sentence: sentence.charAt(0).toUpperCase() + sentence.slice(1),
        bars: profiles.map((p) => ({
          name: p.garment.name,
          hex: refs.get(p.garment.id)?.cloth.hex ?? '#888888',
          reach: s.value(p, wool),
          binding:
            binding?.garment === p.garment.id ||
            (!perPiece &&
              binding?.garment !== null &&
              binding !== undefined &&
              s.value(p, wool) === least &&
              least < 1),
          text: s.text(p, wool),
        })),
      };
    });
}

const dryWords = {
  bars: 'over bars',
  line: 'on the line',
  hanger: 'on a hanger',
  flat: 'flat on a towel',
  'tumble-low': 'dryer, low',
  'tumble-normal': 'dryer',
} as const;

const laterThanWash = (w: { code: string }): boolean => (dryingWarnings as readonly string[]).includes(w.code);

/** Everything a screen needs of one load. */
export function loadFacts(hamper: HamperDocument, plan: PlanDocument, load: PlannedLoadDocument): LoadFacts {
  const byId = docs(hamper);
  const garments = load.garments.flatMap((id) => byId.get(id) ?? []);
  const refs = new Map(garments.map((g) => [g.id, pieceRef(g)]));
  const names = new Map(garments.map((g) => [g.id, g.name]));
  const rules = householdOf(hamper.household).rules;
  const profiles = garments.map((g) => profileOf(garmentOf(g), rules));
  const planned = load.garments.flatMap((id) => plan.garments.find((g) => g.id === id) ?? []);
  const c = card(hamper, load, profiles, [...refs.values()]);
  const family = hamper.household.washers
    ?.find((w) => w.id === load.washer)
    ?.programmes.find((p) => p.id === load.programme)?.family;
  const steps = Object.keys(prepareWords) as PrepareStep[];
  const order = steps.filter((s) => planned.some((g) => g.prepare.includes(s)));
  const places = new Map(
    [...(hamper.household.dryingPlaces ?? []), ...(hamper.household.dryers ?? [])].map((p) => [p.id, p.name ?? p.id]),
  );
  const profileOfId = (id: string): Profile | undefined => profiles.find((p) => p.garment.id === id);
  const ref = (id: string): PieceRef[] => {
    const r = refs.get(id);
    return r ? [r] : [];
  };
  return {
    card: c,
    figures: figures(hamper, load, c, names),
    adds: [...(load.detergent ? [load.detergent] : []), ...load.additives].map((d) => ({
      product: d.product,
      name: productName(hamper, d.product),
      amount: doseText(d, c.byHand),
      place: compartmentWords[d.compartment] ?? d.compartment,
    })),
    extraRinse: load.extraRinse,
    rulers: rulers(load, profiles, refs, family === 'wool'),
    warnings: load.warnings.filter((w) => !laterThanWash(w)),
    dryWarnings: [...load.warnings, ...plan.warnings.filter((w) => w.garments.some((id) => refs.has(id)))].filter(
      laterThanWash,
    ),
    procedure: load.procedure,
    prepare: order.map((s) => ({
      step: s,
      words: prepareWords[s],
      pieces: planned.filter((g) => g.prepare.includes(s)).flatMap((g) => ref(g.id)),
    })),
    drying: planned.flatMap((g) =>
      ref(g.id).map((piece) => ({
        piece,
        text: g.dry
          ? `${dryWords[g.dry.method as keyof typeof dryWords] ?? g.dry.method}${g.dry.bars > 1 ? ` (${Math.round(g.dry.bars)} bars)` : ''}${g.dry.place ? `, ${places.get(g.dry.place) ?? ''}` : ''}, ${dryingText(g.dry.hours)}${g.dry.shade ? ', in shade' : ''}`
          : '',
        press: g.press
          ? `iron ${g.press.iron}${g.press.steam ? ' with steam' : ''}${g.press.insideOut ? ', inside out' : ''}${g.press.pressCloth ? ', press cloth' : ''}`
          : profileOfId(g.id)?.values.iron === 'none' && profileOfId(g.id)?.garment.stains.length === 0
            ? 'no iron'
            : 'needs no iron',
      })),
    ),
    reasons: planned.flatMap((g) =>
      ref(g.id).map((piece) => ({ piece, text: g.reasons.map((r) => r.text).join(' ') })),
    ),
  };
}

export const loadTitle = (f: LoadFacts): string => f.card.title;
