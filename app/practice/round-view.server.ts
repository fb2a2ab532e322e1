/** A round under way: the pieces as eyes and hands find them, where each was put, and what can be done next. No judgement is shown here. */
import { agentOfProduct } from '@core/chemistry/cupboard.ts';
import { barsUsed, flatAreaM2, Space } from '@core/drying/spaces.ts';
import type { DryPosition } from '@core/envelope/envelope.ts';
import type { Household } from '@core/model/household.ts';
import { readPieceLine } from '@core/phrase/piece-line.ts';
import { agentsAtHand, positionsOf } from '@core/practice/moves.ts';
import { asides, markKey, untreated, waters, type Play, type PlayLoad } from '@core/practice/play.ts';
import { testGrade } from '@core/practice/tests.ts';
import { luckOf } from '@core/practice/luck.ts';
import { detergentsOf, handTemperaturesOf, helpersOf, pushedOf } from '@core/practice/ways.ts';
import { needOf } from '@core/rack/hang.ts';
import { moistureAtEnd } from '@core/piece/care-steps.ts';
import { profileOf, type Profile } from '@core/piece/profile.ts';
import { labelOf } from '@formats/hamper.ts';
import type { PracticeBasket } from '@data/practice/basket.ts';
import type { PracticeRound } from '@data/practice.ts';
import { asideNames, gradeWords, touchWords, waterNames } from '@words/en/practice.ts';
import { markAgeText, partsInWords } from '@words/en/piece-line.ts';
import { positionWords } from '@words/en/rack.ts';
import { agentNames, stainNames } from '@words/en/things.ts';
import type { HungView, PlaceView } from '../dry/dry-view.server.ts';
import { drawingOf } from '../shared/drawing.ts';
import { clothOfDocument } from '../shared/cloth.ts';
import { symbolsOf, type SymbolView } from '../shared/symbols.ts';
import { durationText, plural, wholeMoney } from '../shared/words.ts';
import type { Option } from '../ui/fields.tsx';
import type { ClothView } from '../ui/fold.tsx';
import { knownBasket, type KnownBasket } from './rounds.server.ts';

export const stages = ['look', 'sort', 'marks', 'wash', 'dry'] as const;
export type Stage = (typeof stages)[number];
const stageLabels: Record<Stage, string> = {
  look: 'Look',
  sort: 'Sort',
  marks: 'Marks',
  wash: 'Machine',
  dry: 'Hang up',
};

export interface PracticePieceView {
  id: string;
  name: string;
  cloth: ClothView;
  /** What it is made of, or what fingers say where nothing else does. */
  madeOf: string;
  symbols: SymbolView[];
  noLabel: boolean;
  facts: string[];
  /** What the test cloth showed; null = not tried. */
  tested: string | null;
}
export interface PracticeLoadView {
  id: string;
  title: string;
  pieces: { id: string; name: string; cloth: ClothView }[];
  massKg: string;
  /** Of what the drum takes, by the programme chosen. */
  fill: number;
  how: string;
  setting: string;
  temperatures: Option[];
  temperatureC: string;
  spins: Option[];
  spinRpm: string;
  detergent: string;
  helpers: string[];
  byHand: boolean;
  pockets: boolean;
  closed: boolean;
  nets: string[];
  insideOut: string[];
}
export interface PracticeMarkView {
  piece: string;
  name: string;
  cloth: ClothView;
  stain: string;
  what: string;
  age: string;
  water: string;
  agents: string[];
}
export interface DryPieceView {
  id: string;
  name: string;
  cloth: ClothView;
  where: string;
  /** It was given a place that has no room left for it. */
  noRoom: boolean;
}
export interface RoundView {
  id: string;
  basketId: string;
  title: string;
  about: string;
  who: string;
  place: string;
  stage: Stage;
  stages: { id: Stage; label: string; done: string }[];
  pieces: PracticePieceView[];
  inBasket: { id: string; name: string; cloth: ClothView }[];
  asides: { id: string; name: string; pieces: { id: string; name: string; cloth: ClothView }[] }[];
  loads: PracticeLoadView[];
  marks: PracticeMarkView[];
  dry: { load: string; title: string; pieces: DryPieceView[] }[];
  /** The places to scale, with what hangs there. */
  places: PlaceView[];
  options: {
    how: Option[];
    detergents: Option[];
    helpers: Option[];
    waters: Option[];
    agents: Option[];
    asides: Option[];
    places: Option[];
  };
  chosen: string | null;
  hints: number;
}

const placeWords: Record<PracticeBasket['place'], string> = {
  flat: 'A flat with a machine, a dryer, a rack and a balcony',
  'laundry-room': 'A laundry room with one programme, and a tub at home',
  tub: 'A tub, a rack and a line; no machine',
  'small-rack': 'A machine, and a rack of eight short bars',
};

type Ref = { id: string; name: string; cloth: ClothView };
const refsOf = ({ hamper }: KnownBasket): Map<string, Ref> =>
  new Map(hamper.garments.map((g) => [g.id, { id: g.id, name: g.name, cloth: clothOfDocument(g) }] as const));
const agoText = (hours: number | null): string => (hours === null ? 'old' : markAgeText(hours));
const soilWords = {
  none: 'not dirty',
  light: 'hardly dirty',
  normal: 'a little dirty',
  heavy: 'plainly dirty',
  hazardous: 'filthy',
} as const;

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
function pieceView(known: KnownBasket, round: PracticeRound, index: number): PracticePieceView | null {
  const piece = known.basket.pieces[index];
  const doc = known.hamper.garments[index];
  const g = known.request.garments[index];
  if (!piece || !doc || !g) return null;
  const label = labelOf(doc.label);
  const mainFibre = [...(g.parts[0]?.fibres ?? [])].sort((a, b) => b.percent - a.percent)[0]?.fibre;
  const tried = round.play.tests.includes(g.id);
  const grade = testGrade(g, luckOf(round.luck));
  return {
    id: g.id,
    name: g.name,
    cloth: clothOfDocument(doc),
    madeOf: piece.touch ?? capital(partsInWords(readPieceLine(piece.line).parts)),
    symbols: label ? symbolsOf(label) : [],
    noLabel: label === null,
    facts: [
      piece.touch === undefined && mainFibre ? `feels ${touchWords[mainFibre]}` : '',
      g.washCount === 0 ? 'new, never washed' : g.washCount < 4 ? `washed ${plural(g.washCount, 'time')}` : '',
      soilWords[g.soil],
      g.wearsSinceWash > 0 ? `worn ${plural(g.wearsSinceWash, 'time')}` : '',
      g.odour ? 'smells' : '',
      `worth about ${wholeMoney(g.valueEur, known.request.household.tariff.currency)}`,
      ...g.stains.map((s) => `${stainNames[s.kind].toLowerCase()}, ${agoText(s.ageHours)}`),
    ].filter(Boolean),
    tested: tried ? `${gradeWords(grade)} Grade ${grade.toFixed(1)}.` : null,
  };
}

function howOptions(h: Household): Option[] {
  return [
    ...h.washers.flatMap((w) =>
      w.programmes
        .filter((p) => p.family !== 'rinse-spin')
        .map((p): Option => [
          `machine:${w.id}/${p.id}`,
          `${p.name}, ${durationText(p.durationMin)}, up to ${p.maxLoadKg} kg`,
        ]),
    ),
    ...h.basins.map((b): Option => [`hand:${b.id}`, `By hand: ${b.name}`]),
  ];
}
const howOf = ({ way }: PlayLoad): string =>
  way.by === 'hand' ? `hand:${way.basin}` : `machine:${way.washer}/${way.programme}`;

function loadView(
  known: KnownBasket,
  play: Play,
  load: PlayLoad,
  index: number,
  refs: Map<string, Ref>,
): PracticeLoadView {
  const h = known.request.household;
  const { way } = load;
  const pushed = pushedOf(h, way, 'none', null);
  const profiles = profilesOf(known, load.pieces);
  const massKg = profiles.reduce((m, p) => m + p.massKg, 0);
  const temperatures = way.by === 'hand' ? handTemperaturesOf(h) : (pushed?.programme.temperaturesC ?? []);
  return {
    id: load.id,
    title: `Load ${index + 1}`,
    pieces: load.pieces.flatMap((id) => refs.get(id) ?? []),
    massKg: `${massKg.toFixed(1)} kg`,
    fill: massKg / (pushed?.programme.maxLoadKg ?? 1),
    how: howOf(load),
    setting: `${pushed?.programme.name ?? ''}, ${way.temperatureC} °C${way.by === 'machine' ? `, ${way.spinRpm} rpm` : ''}`,
    temperatures: temperatures.map((c): Option => [String(c), `${c} °C`]),
    temperatureC: String(way.temperatureC),
    spins:
      way.by === 'hand'
        ? []
        : (pushed?.programme.spinsRpm ?? []).map((r): Option => [String(r), r === 0 ? 'no spin' : `${r} rpm`]),
    spinRpm: way.by === 'machine' ? String(way.spinRpm) : '0',
    detergent: way.detergent,
    helpers: [...way.helpers],
    byHand: way.by === 'hand',
    pockets: load.pockets,
    closed: load.closed,
    nets: play.nets.filter((id) => load.pieces.includes(id)),
    insideOut: play.insideOut.filter((id) => load.pieces.includes(id)),
  };
}
const profilesOf = (known: KnownBasket, ids: readonly string[]): Profile[] =>
  ids.flatMap((id) => {
    const g = known.request.garments.find((x) => x.id === id);
    return g ? [profileOf(g, known.request.household.rules)] : [];
  });

function dryOptions(h: Household): Option[] {
  return [
    ['heap', 'Not decided: it lies in a heap'],
    ...h.dryingPlaces.flatMap((d) =>
      positionsOf(h, d.id).map((p): Option => [`place:${d.id}:${p}`, `${d.name}, ${positionWords[p]}`]),
    ),
    ...h.dryers.flatMap((d): Option[] => [
      [`dryer:${d.id}:normal`, `${d.name}, normal`],
      ...(d.lowTemperature ? ([[`dryer:${d.id}:low`, `${d.name}, low`]] as Option[]) : []),
    ]),
  ];
}
/** Where each piece was hung, and whether it finds room there beside the ones before it. */
function dryView(known: KnownBasket, play: Play, refs: Map<string, Ref>): Pick<RoundView, 'dry' | 'places'> {
  const h = known.request.household;
  const spaces = new Map(h.dryingPlaces.map((d) => [d.id, new Space(d)] as const));
  const hung: { place: string; position: DryPosition; view: HungView; m2: number }[] = [];
  const dry = play.loads.map((load, i) => ({
    load: load.id,
    title: `Load ${i + 1}`,
    pieces: load.pieces.flatMap((id): DryPieceView[] => {
      const ref = refs.get(id);
      const [p] = profilesOf(known, [id]);
      if (!ref || !p) return [];
      const way = play.drying[id];
      if (!way) return [{ ...ref, where: 'heap', noRoom: false }];
      if (way.to === 'dryer') return [{ ...ref, where: `dryer:${way.dryer}:${way.heat}`, noRoom: false }];
      const radius = pushedOf(h, load.way, 'none', null)?.washer.drumRadiusM ?? 0;
      const moisture = moistureAtEnd(p, {
        method: load.way.by,
        spinRpm: load.way.by === 'machine' ? load.way.spinRpm : 0,
        drumRadiusM: radius,
      });
      const need = needOf(p, moisture, h.rules);
      const spots = spaces.get(way.place)?.take(way.position, need);
      const { kind, count } = p.garment;
      const view = { ...ref, drawing: drawingOf(kind), spots: spots ?? [], count, wished: false, ready: '' };
      if (spots) hung.push({ place: way.place, position: way.position, view, m2: flatAreaM2(need) });
      return [{ ...ref, where: `place:${way.place}:${way.position}`, noRoom: !spots }];
    }),
  }));
  const places = h.dryingPlaces.map((d): PlaceView => {
    const here = hung.filter((x) => x.place === d.id);
    const of = (...positions: DryPosition[]): HungView[] =>
      here.filter((x) => positions.includes(x.position)).map((x) => x.view);
    const onBars = of('bars', 'line');
    const usedM2 = here.filter((x) => x.position === 'flat').reduce((m, x) => m + x.m2, 0);
    const hangers = of('hanger');
    return {
      id: d.id,
      name: d.name,
      outdoors: d.outdoors,
      bars: Math.floor(d.bars),
      barLengthM: d.barLengthM,
      fill: [
        d.bars > 0 ? `${barsUsed(onBars.flatMap((p) => p.spots))} of ${d.bars} bars` : '',
        d.flatM2 > 0 ? `${usedM2.toFixed(1)} of ${d.flatM2.toFixed(1)} m² flat` : '',
        d.hangers > 0 ? `${hangers.reduce((n, p) => n + p.count, 0)} of ${d.hangers} hangers` : '',
      ]
        .filter(Boolean)
        .join(', '),
      onBars,
      flat: { m2: d.flatM2, usedM2, pieces: of('flat') },
      hangers: { count: d.hangers, pieces: hangers },
    };
  });
  return { dry, places };
}

export function roundView(round: PracticeRound, asked: { stage: string | null; piece: string | null }): RoundView {
  const known = knownBasket(round.basket);
  const { basket, request } = known;
  const { household } = request;
  const { play } = round;
  const refs = refsOf(known);
  const stage = stages.find((s) => s === asked.stage) ?? 'look';
  const placed = new Set([...play.loads.flatMap((l) => l.pieces), ...Object.keys(play.aside)]);
  const marks = request.garments.flatMap((g) =>
    g.stains.map((s): PracticeMarkView => {
      const care = play.marks[markKey(g.id, s.id)] ?? untreated;
      const ref = refs.get(g.id) as Ref;
      return {
        piece: g.id,
        name: g.name,
        cloth: ref.cloth,
        stain: s.id,
        what: stainNames[s.kind],
        age: agoText(s.ageHours),
        water: care.water,
        agents: [...care.agents],
      };
    }),
  );
  const washed = play.loads.flatMap((l) => l.pieces);
  const hung = washed.filter((id) => play.drying[id]).length;
  const cared = Object.keys(play.marks).length;
  const done: Record<Stage, string> = {
    look: play.tests.length > 0 ? `${new Set(play.tests).size} tried` : '',
    sort: `${placed.size} of ${request.garments.length}`,
    marks: marks.length > 0 ? `${cared} of ${marks.length}` : 'none',
    wash: plural(play.loads.length, 'load'),
    dry: washed.length > 0 ? `${hung} of ${washed.length}` : '',
  };
  return {
    id: round.id,
    basketId: basket.id,
    title: basket.title,
    about: basket.about,
    who: round.person,
    place: placeWords[basket.place],
    stage,
    stages: stages.map((id) => ({ id, label: stageLabels[id], done: done[id] })),
    pieces: request.garments.flatMap((_, i) => pieceView(known, round, i) ?? []),
    inBasket: [...refs.values()].filter((r) => !placed.has(r.id)),
    asides: asides.map((id) => ({
      id,
      name: asideNames[id],
      pieces: Object.entries(play.aside).flatMap(([p, a]) => (a === id ? (refs.get(p) ?? []) : [])),
    })),
    loads: play.loads.map((l, i) => loadView(known, play, l, i, refs)),
    marks,
    ...dryView(known, play, refs),
    options: {
      how: howOptions(household),
      detergents: detergentsOf(household).map((p): Option => [p.id, p.name]),
      helpers: helpersOf(household).map((p): Option => [p.id, p.name]),
      waters: waters.map((w): Option => [w, waterNames[w]]),
      agents: agentsAtHand(household).map((a): Option => [
        a,
        household.products.find((p) => agentOfProduct(p) === a)?.name ?? agentNames[a],
      ]),
      asides: asides.map((a): Option => [a, asideNames[a]]),
      places: dryOptions(household),
    },
    chosen: refs.has(asked.piece ?? '') ? asked.piece : null,
    hints: round.hints,
  };
}
