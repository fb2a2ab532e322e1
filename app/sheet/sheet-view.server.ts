/** The sheet beside the machine: one row a pile, with what is set, dosed and hung, and the rules of the house. */
import { houseRules, type HouseRules } from '@core/model/household.ts';
import { loadName } from '@core/plan/load-name.ts';
import { displayDose } from '@core/plan/plan.ts';
import { pilesOf, type Pile } from '@core/plan/piles.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { readHousehold, type HouseholdView } from '@data/household.ts';
import { lookInHousehold, type Door } from '@data/client.ts';
import { ruleWords } from '@words/en/rules.ts';
import { titleOf } from '@words/text.ts';
import { kindNames } from '@words/en/things.ts';
import { notFound } from '../server/request.server.ts';
import { dayAndYear, durationText } from '../shared/words.ts';
import type { SymbolView } from '../shared/symbols.ts';
import { clothOfDocument } from '../shared/cloth.ts';
import type { ClothView } from '../ui/fold.tsx';
import { measureText } from '../wash/load-view.server.ts';
import { everythingDirty, pilesPlan } from './piles.server.ts';

export const papers = { a4: 'A4', a5: 'A5', letter: 'Letter' } as const;
export type Paper = keyof typeof papers;
export interface PileView {
  name: string;
  kinds: string;
  folds: ClothView[];
  symbols: SymbolView[];
  programme: string;
  temperature: string;
  spin: string;
  dose: string;
  dry: string;
  iron: string;
  time: string;
}
export interface SheetView {
  title: string;
  day: string;
  paper: Paper;
  school: string;
  schools: (readonly [string, string])[];
  /** Whose piles: ours, or another school's. */
  schoolWords: string;
  piles: PileView[];
  /** What goes its own way, and what no pile takes. */
  others: string[];
  rules: string[];
  water: string;
}
const dryWords: Record<string, string> = {
  bars: 'over bars',
  line: 'on the line',
  hanger: 'on hangers',
  flat: 'flat, on a towel',
  'tumble-low': 'dryer, low',
  'tumble-normal': 'dryer',
};
const ironWords = { high: 'hot iron', medium: 'medium iron', low: 'cool iron' } as const;
/** Piles of fewer pieces than this are told in a line below. */
const ownRowFrom = 2;
const mostRows = 11;
const mostFolds = 14;

const symbolsOfPile = (p: Pile): SymbolView[] => {
  const action = p.action === 'hand' ? 'hand' : p.action;
  const wash: SymbolView =
    p.method === 'hand'
      ? { part: 'wash', value: 'hand', words: `By hand, ${p.temperatureC} °C` }
      : {
          part: 'wash',
          value: `machine ${p.temperatureC} ${action === 'hand' || action === 'none' ? 'very-mild' : action}`,
          words: `${p.temperatureC} °C`,
        };
  const tumbled = p.dry?.startsWith('tumble') ?? false;
  return [
    wash,
    tumbled
      ? { part: 'tumble', value: p.dry === 'tumble-low' ? 'low' : 'normal', words: 'Dryer' }
      : {
          part: 'dry',
          value: p.dry === 'flat' ? 'flat' : 'line',
          words: p.dry === 'flat' ? 'Dry flat' : 'Dry on a line',
        },
    ...(p.iron ? [{ part: 'iron' as const, value: p.iron, words: ironWords[p.iron] }] : []),
  ];
};

/** Names of kinds, the commonest first: "shirts" as the table calls them. */
function kindsText(kinds: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const k of kinds) counts.set(k, (counts.get(k) ?? 0) + 1);
  const names = [...counts].sort((a, b) => b[1] - a[1]).map(([k]) => k.toLowerCase());
  return `${names.slice(0, 6).join(', ')}${names.length > 6 ? ' …' : ''}`;
}

export async function sheetView(scope: { door: Door; now: Date }, query: URLSearchParams): Promise<SheetView> {
  const asked = query.get('school') ?? '';
  const school = (houseRules.colourPiles as readonly string[]).includes(asked)
    ? (asked as HouseRules['colourPiles'])
    : null;
  const paper: Paper = Object.hasOwn(papers, query.get('paper') ?? '') ? (query.get('paper') as Paper) : 'a4';
  // Read first, then sorted: nobody holds the household while a thread works.
  const read = await lookInHousehold(scope.door, async (tx) => ({
    home: await readHousehold(tx),
    hamper: await everythingDirty({ tx, now: scope.now }, school),
  }));
  if (!read.home || !read.hamper) throw notFound('There is no household yet.');
  const { home } = read;
  const own = home.document.rules?.colourPiles ?? houseRules.colourPiles[0];
  const empty = read.hamper.garments.length === 0;
  const everything = empty ? null : await pilesPlan(scope.door, school ?? '', read.hamper, scope.now);
  const schools = houseRules.colourPiles.map((s) => [s, ruleWords.colourPiles.options[s]] as const);
  return {
    title: home.name,
    day: dayAndYear(scope.now, home.timeZone),
    paper,
    school: school ?? '',
    schools: [['', `Ours: ${ruleWords.colourPiles.options[own].toLowerCase()}`], ...schools.filter(([s]) => s !== own)],
    schoolWords: ruleWords.colourPiles.options[school ?? own],
    ...(everything ? rowsOf(everything, home) : { piles: [], others: [] }),
    rules: rulesOf(home),
    water: `Water ${(home.document.water?.hardnessMmolPerL ?? 2).toFixed(1)} mmol/l`,
  };
}

function rowsOf(
  { hamper, plan }: Awaited<ReturnType<typeof pilesPlan>>,
  home: HouseholdView,
): Pick<SheetView, 'piles' | 'others'> {
  const household = householdOf(hamper.household);
  const byId = new Map(hamper.garments.map((g) => [g.id, g]));
  const piles = pilesOf(plan.loads, plan.garments);
  const profiles = (p: Pile) =>
    p.garments.flatMap((id) => {
      const g = byId.get(id);
      return g ? [profileOf(garmentOf(g), household.rules)] : [];
    });
  const nameOf = (p: Pile): string => titleOf(loadName(profiles(p), { celsius: p.temperatureC, method: p.method }));
  const settingOf = (p: Pile): string => {
    const washer = household.washers.find((w) => w.id === p.washer);
    const programme = washer?.programmes.find((x) => x.id === p.programme)?.name;
    const place = household.basins.find((b) => b.id === p.basin)?.name ?? 'the basin';
    return p.method === 'hand'
      ? `By hand, ${place}`
      : `${programme ?? 'Programme'}${household.washers.length > 1 ? `, ${washer?.name ?? ''}` : ''}${p.extraRinse ? ', extra rinse' : ''}`;
  };
  const doseOf = (p: Pile): string => {
    if (!p.dose) return 'no product';
    const product = home.document.products?.find((x) => x.id === p.dose?.product)?.name ?? 'detergent';
    const shown = displayDose(p.dose.amount, p.dose.unit, p.method === 'hand');
    const cap = home.measures[p.dose.product];
    const caps = cap ? measureText(shown, cap) : '';
    const besides = p.additives.map((id) => home.document.products?.find((x) => x.id === id)?.name ?? id);
    return [`${product} ${shown} ${p.dose.unit}${caps ? ` (${caps})` : ''}`, ...besides].join(' + ');
  };
  const large = piles.filter((p) => p.garments.length >= ownRowFrom).slice(0, mostRows);
  const small = piles.filter((p) => !large.includes(p));
  const view = (p: Pile): PileView => ({
    name: nameOf(p),
    kinds: kindsText(
      p.garments.flatMap((id) => {
        const g = byId.get(id);
        return g ? [kindNames[g.kind]] : [];
      }),
    ),
    folds: p.garments.slice(0, mostFolds).flatMap((id) => {
      const g = byId.get(id);
      return g ? [clothOfDocument(g)] : [];
    }),
    symbols: symbolsOfPile(p),
    programme: settingOf(p),
    temperature: `${p.temperatureC} °C`,
    spin: p.method === 'hand' ? 'press' : p.spinRpm === 0 ? 'no spin' : `${p.spinRpm} rpm`,
    dose: doseOf(p),
    dry: p.dry ? (dryWords[p.dry] ?? p.dry) : '',
    iron: p.iron ? ironWords[p.iron] : 'no iron',
    time: durationText(p.durationMin),
  });
  const alone = small.flatMap((p) =>
    p.garments.map((id) => `${byId.get(id)?.name ?? id}: ${settingOf(p)}, ${p.temperatureC} °C`),
  );
  const never = plan.garments
    .filter((g) => g.load === null)
    .map((g) => `${byId.get(g.id)?.name ?? g.id}: ${notWashed[g.outcome] ?? 'not washed'}`);
  return { piles: large.map(view), others: [...alone, ...never] };
}
const notWashed: Record<string, string> = {
  professional: 'to the cleaner',
  'no-wash': 'not washed, cared for',
  'test-first': 'tested first',
  air: 'aired',
  steam: 'steamed',
  brush: 'brushed',
};

/** The rules of the house as the sheet tells them, and what always holds. */
function rulesOf(home: HouseholdView): string[] {
  const rules = home.document.rules ?? {};
  const told = (
    ['kitchenLinen', 'linenHeat', 'wool', 'denim', 'whites', 'tumble', 'softening', 'tshirtDrying'] as const
  ).map((k) => {
    const words = ruleWords[k];
    const value = rules[k] ?? houseRules[k][0];
    return `${words.question}: ${(words.options as Record<string, string>)[value] ?? value}`;
  });
  return [
    ...told,
    'Pockets empty, zips closed, buttons open. New and strong colours with a catcher.',
    'A mark is gone before heat: look at it dry before dryer or iron.',
    'Anything with fuel, oil or solvent on it: outdoors until no smell is left, never in the dryer.',
    ...(home.children ? ['Pods and bleach out of reach of children.'] : []),
    ...(home.poisonCentre ? [`Poison centre: ${home.poisonCentre}`] : []),
  ];
}
