/**
 * The bounds of one piece, from its label, fibres, construction, colour tests, stains and the rules of the house.
 * Precedence: a fibre's hard limit always holds; the label replaces a default in either direction; where the label is silent
 * the default applies one step more careful and is marked as assumed.
 */
import {
  hasLittleElastane,
  hasSignificant,
  isCellulose,
  isHide,
  isProtein,
  isWool,
  mainParts,
  significantFibres,
} from '../fibre/blend.ts';
import { fibreFacts, type FibreId } from '../fibre/fibres.ts';
import { emptyLabel, type CareLabel, type Phrase } from '../care-label/label.ts';
import { traitFacts, type TraitId } from '../construction/traits.ts';
import { colourHistory, type ColourHistory } from '../colour/bleed.ts';
import { kindFacts } from '../garment/kinds.ts';
import type { Garment } from '../model/garment.ts';
import { detergentClasses, type DetergentClass, type HouseRules } from '../model/household.ts';
import { actionOrder, bleachOrder, ironOrder, oneStricter, tumbleOrder, type Bleach } from '../model/orders.ts';
import { fuelStains, ironStains, stainFacts, stainWashes } from '../stain/stains.ts';
import { clothNeedWords, detergentPreference, type ClothNeed } from '../washing/products.ts';
import { bound, envelopeOf, flag, type Bound, type CareFlag, type DryPosition, type Envelope } from './envelope.ts';

/** Why water is closed, or why only a missing test closes it. */
export interface WaterClosure {
  kind: 'professional' | 'test-first' | 'hide';
  reason: string;
  source: Bound['source'];
}
export interface PieceEnvelope {
  envelope: Envelope;
  history: ColourHistory;
  needs: readonly ClothNeed[];
  closure: WaterClosure | null;
  /** The label was set aside under the test-first school. */
  labelOverruled: boolean;
  conflicts: readonly string[];
}

const cautiousC = [95, 60, 40, 30] as const;
/** One step more careful where no label speaks: 60 → 40 → 30 °C. */
const cautiousTemperature = (c: number): number => cautiousC.find((step) => step < c) ?? Math.min(c, 30);

const positions = (...list: DryPosition[]): ReadonlySet<DryPosition> => new Set(list);
const percent = (g: Garment, fibre: FibreId): number =>
  Math.max(0, ...g.parts.flatMap((p) => p.fibres.filter((f) => f.fibre === fibre).map((f) => f.percent)));
const fibreReason = (g: Garment, fibre: FibreId): string => `${percent(g, fibre)} % ${fibreFacts(fibre).name}`;
const has = (g: Garment, ...ids: TraitId[]): boolean => ids.some((id) => g.traits.has(id));
export const isDenim = (g: Garment): boolean => has(g, 'denim', 'denim-raw') || kindFacts(g.kind).flags.has('denim');
export const isTowel = (g: Garment): boolean => kindFacts(g.kind).flags.has('towel');
export const isKnit = (g: Garment): boolean =>
  has(g, 'jersey-knit', 'chunky-knit', 'hand-knit') || kindFacts(g.kind).flags.has('knit');
export const hasFuel = (g: Garment): boolean =>
  g.soil === 'hazardous' || g.stains.some((s) => fuelStains.includes(s.kind));

function labelBounds(g: Garment, label: CareLabel, rules: HouseRules): Bound[] {
  const out: Bound[] = [];
  const { wash, bleach, tumble, dry, iron } = label;
  if (wash?.by === 'machine') {
    out.push(bound('maxTemperatureC', wash.maxC, 'label', `label: at most ${wash.maxC} °C`));
    if (wash.action !== 'normal')
      out.push(
        bound(
          'maxAction',
          wash.action,
          'label',
          `label: ${wash.action === 'mild' ? 'one bar, mild' : 'two bars, very mild'}`,
        ),
      );
  }
  if (wash?.by === 'hand') {
    out.push(
      bound('maxTemperatureC', Math.min(wash.maxC, 30), 'label', 'hand-wash label: our bath stays at 30 °C or below'),
    );
    if (rules.handLabel === 'hand' || hasSignificant(g.parts, (f) => f === 'angora'))
      out.push(bound('wet', 'hand', 'label', 'label: hand wash only'));
    else {
      out.push(flag('hand-programmes-only', 'label', 'hand-wash label: only a hand-wash, wool or silk programme'));
      out.push(
        bound('maxAction', 'very-mild', 'label', 'hand-wash label'),
        bound('maxSpinRpm', 400, 'label', 'hand-wash label: lowest spin'),
      );
      if (!hasSignificant(g.parts, isWool))
        out.push(bound('woolSpinRpm', 400, 'label', 'hand-wash label: lowest spin'));
    }
  }
  if (bleach)
    out.push(bound('bleach', bleach, 'label', bleach === 'none' ? 'label: no bleach' : 'label: oxygen bleach only'));
  if (tumble && tumble !== 'normal')
    out.push(bound('tumble', tumble, 'label', tumble === 'none' ? 'label: no tumble drying' : 'label: tumble dry low'));
  if (dry) {
    out.push(
      bound(
        'dryPositions',
        dry.position === 'flat' ? positions('flat') : positions('line', 'bars', 'hanger'),
        'label',
        `label: dry ${dry.position === 'flat' ? 'flat' : 'on a line'}`,
      ),
    );
    if (dry.shade) out.push(bound('shade', true, 'label', 'label: dry in shade'));
  }
  if (iron) out.push(bound('iron', iron, 'label', iron === 'none' ? 'label: do not iron' : `label: iron ${iron}`));
  for (const p of label.phrases) out.push(...phraseBounds[p]());
  return out;
}

const none = (): Bound[] => [];
const byLabel = (id: CareFlag) => (): Bound[] => [flag(id, 'label', 'label')];
const phraseBounds: Record<Phrase, () => Bound[]> = {
  'wash-separately': () => [bound('company', 'alone', 'label', 'label: wash separately')],
  'wash-separately-first': none, // ends with its first clear wash: see colourBounds
  'wash-with-like-colours': () => [bound('company', 'like-colours', 'label', 'label: wash with like colours')],
  'wash-inside-out': byLabel('inside-out'),
  'use-net': byLabel('net'),
  'reshape-while-damp': byLabel('reshape'),
  'do-not-wring': none,
  'do-not-soak': byLabel('no-soak'),
  'remove-promptly': none,
  'no-softener': () => [bound('softener', false, 'label', 'label: no softener')],
  'no-optical-brightener': () => [
    bound(
      'detergents',
      new Set(detergentPreference.coloured.filter((c) => c !== 'universal')),
      'label',
      'label: no optical brightener',
    ),
  ],
  'dry-in-shade': () => [bound('shade', true, 'label', 'label: dry in shade')],
  'dry-away-from-heat': () => [bound('awayFromHeat', true, 'label', 'label: dry away from heat')],
  'line-dry': () => [bound('dryPositions', positions('line', 'bars', 'hanger'), 'label', 'label: line dry')],
  'dry-flat': () => [bound('dryPositions', positions('flat'), 'label', 'label: dry flat')],
  'iron-inside-out': () => [bound('ironInsideOut', true, 'label', 'label: iron inside out')],
  'iron-with-press-cloth': () => [bound('pressCloth', true, 'label', 'label: press cloth')],
  'do-not-iron-decoration': () => [bound('ironInsideOut', true, 'label', 'label: do not iron the decoration')],
  'steam-only': () => [bound('iron', 'none', 'label', 'label: steam only')],
  'dry-clean-only': none,
  'professional-leather': none,
  'damp-wipe-only': none, // close water: see waterClosure
  'cool-iron': () => [bound('iron', 'low', 'label', 'label: cool iron')],
};

/** Bounds of one significant fibre of a main part. */
function fibreBounds(g: Garment, id: FibreId, label: CareLabel, white: boolean): Bound[] {
  const f = fibreFacts(id);
  const why = fibreReason(g, id);
  const out: Bound[] = [];
  if (f.hardTemperatureC < 95)
    out.push(bound('maxTemperatureC', f.hardTemperatureC, 'fibre', `${why} bears at most ${f.hardTemperatureC} °C`));
  if (f.hardAction !== 'normal') out.push(bound('maxAction', f.hardAction, 'fibre', `${why} ${f.watch}`));
  if (label.wash === null) {
    const usual = white && f.whiteMaxTemperatureC !== null ? f.whiteMaxTemperatureC : f.maxTemperatureC;
    const c = g.hygiene ? Math.max(usual, Math.min(60, f.hardTemperatureC)) : cautiousTemperature(usual);
    out.push(bound('maxTemperatureC', c, 'assumed', `no wash symbol: ${why}, one step more careful`));
    out.push(
      bound(
        'maxAction',
        oneStricter(actionOrder, f.action, 'very-mild'),
        'assumed',
        `no wash symbol: ${why}, one class gentler`,
      ),
    );
  }
  const lifted =
    label.wash?.by === 'machine' && label.wash.action === 'normal' ? (f.normalLabelSpinRpm ?? f.spinRpm) : f.spinRpm;
  out.push(
    bound('maxSpinRpm', lifted, 'fibre', `${why}: ${f.watch}`),
    bound('woolSpinRpm', Math.max(lifted, f.woolProgrammeSpinRpm), 'fibre', `${why}: ${f.watch}`),
  );
  const tumble = label.tumble === null ? oneStricter(tumbleOrder, f.tumble, 'none') : f.hardTumble;
  if (tumble !== 'normal')
    out.push(
      bound(
        'tumble',
        tumble,
        label.tumble === null ? 'assumed' : 'fibre',
        `${why}${label.tumble === null ? ', no dryer symbol' : ''}`,
      ),
    );
  const iron = label.iron === null ? oneStricter(ironOrder, f.iron, 'none') : f.iron;
  if (iron !== 'high')
    out.push(
      bound(
        'iron',
        iron,
        label.iron === null ? 'assumed' : 'fibre',
        `${why}${label.iron === null ? ', no iron symbol: one class cooler' : ''}`,
      ),
    );
  if (!f.steam) out.push(bound('steam', false, 'fibre', why));
  if (f.pressCloth) out.push(bound('pressCloth', true, 'fibre', why));
  if (f.ironInsideOut) out.push(bound('ironInsideOut', true, 'fibre', why));
  if (id === 'angora') out.push(bound('wet', 'hand', 'fibre', `${why} felts in any machine`));
  if (isProtein(id) || id === 'down-fill') out.push(bound('softener', false, 'fibre', `${why}: no softener`));
  if (isProtein(id)) out.push(bound('awayFromHeat', true, 'fibre', why));
  if (isWool(id) && isKnit(g))
    out.push(bound('dryPositions', positions('flat'), 'fibre', 'a wet wool knit grows when it hangs'));
  if (id === 'silk')
    out.push(
      bound('shade', true, 'fibre', 'silk yellows in the sun'),
      bound(
        'dryPositions',
        isKnit(g) ? positions('flat') : positions('hanger', 'bars', 'line'),
        'fibre',
        isKnit(g) ? 'knitted silk dries flat' : 'woven silk hangs in the shade',
      ),
    );
  return out;
}

function bleachOf(id: FibreId, label: CareLabel, white: boolean): Bleach {
  const f = fibreFacts(id);
  if (isProtein(id) || id === 'unknown' || id === 'down-fill') return 'none';
  if (f.chlorine === 'white-only') return white ? 'any' : 'oxygen';
  return f.chlorine === 'label-only' && label.bleach === 'any' ? 'any' : 'oxygen';
}

function bleachBounds(g: Garment, label: CareLabel, white: boolean): Bound[] {
  const out: Bound[] = [];
  for (const p of g.parts)
    for (const { fibre, percent: share } of p.fibres) {
      const limit = share > 0 ? bleachOf(fibre, label, white) : 'any';
      if (limit !== 'any')
        out.push(
          bound(
            'bleach',
            limit,
            p.role === 'trim' ? 'trim' : 'fibre',
            `${fibreFacts(fibre).name}${limit === 'none' ? ' bears no bleach' : ' bears no chlorine'}`,
          ),
        );
    }
  const tested = g.tests.some((t) => t.agent === 'oxy-percarbonate' && t.grade >= 4);
  if (label.bleach === null && !tested)
    out.push(bound('bleach', 'none', 'assumed', 'no bleach symbol: oxygen bleach only after a test'));
  return out;
}

/** Trim counts for chemicals, heat and iron; it does not decide the method. */
function trimBounds(g: Garment): Bound[] {
  const out: Bound[] = [];
  for (const p of g.parts.filter((q) => q.role === 'trim' && mainParts(g.parts) !== g.parts)) {
    for (const { fibre } of significantFibres(p.fibres)) {
      const f = fibreFacts(fibre);
      const why = `${f.name} trim`;
      if (isHide(fibre)) {
        out.push(
          bound('maxTemperatureC', 30, 'trim', why),
          bound('maxAction', 'mild', 'trim', why),
          flag('no-soak', 'trim', why),
          bound('tumble', 'none', 'trim', why),
        );
        continue;
      }
      if (f.hardTemperatureC < 95) out.push(bound('maxTemperatureC', f.hardTemperatureC, 'trim', why));
      if (f.hardTumble !== 'normal') out.push(bound('tumble', f.hardTumble, 'trim', why));
      if (f.iron !== 'high') out.push(bound('iron', f.iron, 'trim', why));
      if (fibre === 'metallic') out.push(flag('net', 'trim', why));
      if (isProtein(fibre))
        out.push(bound('detergents', new Set(detergentPreference.unknown), 'trim', `${why}: no enzymes`));
    }
  }
  return out;
}

/** Socks, gloves and hats are too light to grow on a bar or an open frame. */
const hangsThoughKnitted = (g: Garment): boolean =>
  kindFacts(g.kind).flags.has('small') && !isTowel(g) && kindFacts(g.kind).type === 'tube';

function traitBounds(g: Garment, label: CareLabel): Bound[] {
  const out: Bound[] = [];
  const stated: Partial<Record<Bound['parameter'], boolean>> = {
    maxTemperatureC: label.wash !== null,
    maxAction: label.wash !== null,
    tumble: label.tumble !== null,
    iron: label.iron !== null,
  };
  for (const id of g.traits) {
    const facts = traitFacts(id);
    for (const l of facts.limits ?? []) {
      if (l.yields && stated[l.parameter]) continue;
      if (l.parameter === 'dryPositions' && l.limit.has('flat') && hangsThoughKnitted(g)) continue;
      out.push(bound(l.parameter, l.limit, 'construction', l.reason));
    }
    for (const f of facts.flags ?? []) out.push(flag(f, 'construction', facts.name));
  }
  if (has(g, 'embroidery', 'applique')) {
    const robust = mainParts(g.parts).every((p) => significantFibres(p.fibres).every((f) => isCellulose(f.fibre)));
    if (robust) out.push(bound('maxAction', 'mild', 'construction', 'embroidery on robust cloth'));
    else
      out.push(
        bound('maxAction', 'very-mild', 'construction', 'embroidery pulls'),
        flag('hand-programmes-only', 'construction', 'embroidery on delicate cloth'),
        bound('maxSpinRpm', 400, 'construction', 'embroidery puckers in a fast spin'),
        bound('woolSpinRpm', 400, 'construction', 'embroidery puckers in a fast spin'),
        bound('tumble', 'none', 'construction', 'embroidery puckers'),
      );
  }
  if (has(g, 'buttons'))
    out.push(
      flag(
        has(g, 'denim-raw') ? 'buttons-closed' : 'buttons-open',
        'construction',
        has(g, 'denim-raw') ? 'raw denim keeps its shape buttoned' : 'closed buttons strain the cloth',
      ),
    );
  const limit = kindSpinRpm(g);
  if (limit !== null)
    out.push(
      bound('maxSpinRpm', limit.rpm, 'construction', limit.reason),
      bound('woolSpinRpm', limit.rpm, 'construction', limit.reason),
    );
  return out;
}

/** Spin by kind of piece against creases. */
function kindSpinRpm(g: Garment): { rpm: number; reason: string } | null {
  if (has(g, 'lined')) return { rpm: 400, reason: 'a lining shifts in a fast spin' };
  const group = kindFacts(g.kind).wearGroup;
  if (group === 'shirt' || group === 'blouse' || group === 'dress' || group === 'skirt')
    return { rpm: 800, reason: 'fewer creases to iron' };
  if (group === 'chinos') return { rpm: 800, reason: 'fewer hard creases in firm cloth' };
  if (group === 'tshirt' || group === 'polo') return { rpm: 800, reason: 'light jersey keeps its shape' };
  return null;
}

function denimBounds(g: Garment, label: CareLabel, rules: HouseRules): Bound[] {
  if (!isDenim(g)) return [];
  const byRule = {
    cold: 30,
    label: label.wash?.by === 'machine' ? Math.min(60, label.wash.maxC) : 30,
    'contrast-40': 40,
  }[rules.denim];
  return [
    bound(
      'maxTemperatureC',
      byRule,
      'rule',
      rules.denim === 'cold'
        ? 'house rule: denim cold'
        : rules.denim === 'label'
          ? 'house rule: denim by its label'
          : 'house rule: denim at 40 °C for contrast',
    ),
  ];
}

function colourBounds(g: Garment, label: CareLabel, history: ColourHistory, rules: HouseRules): Bound[] {
  const out: Bound[] = [];
  const coldC = rules.denim === 'contrast-40' && has(g, 'denim-raw') ? 40 : 30;
  if (history.knownBleeder)
    out.push(
      bound('maxTemperatureC', coldC, 'test', 'its newest test or catcher showed colour'),
      bound('company', 'like-colours', 'test', 'a known bleeder stays with colours of its own depth'),
      flag('catcher', 'test', 'a known bleeder'),
    );
  if (history.untested && history.strongColour)
    out.push(
      bound('maxTemperatureC', coldC, 'colour', 'first washes of a strong colour are cold'),
      bound('company', 'like-colours', 'colour', 'a strong colour not yet tested, washed fewer than 3 times'),
      flag('catcher', 'colour', 'not yet tested'),
    );
  if (label.phrases.includes('wash-separately-first') && g.washCount === 0 && !history.earned)
    out.push(bound('company', 'like-colours', 'label', 'label: separately the first time'));
  return out;
}

/** A universal powder or tablet carries oxygen bleach. */
const bleachFree: ReadonlySet<DetergentClass> = new Set(detergentClasses.filter((c) => c !== 'universal'));

function stainBounds(g: Garment): Bound[] {
  const out: Bound[] = [];
  for (const s of g.stains) {
    const facts = stainFacts(s.kind);
    const { maxTemperatureC } = stainWashes[facts.wash];
    if (maxTemperatureC < 60)
      out.push(
        bound(
          'maxTemperatureC',
          maxTemperatureC,
          'stain',
          `${facts.name.toLowerCase()} sets above ${maxTemperatureC} °C`,
        ),
      );
    if (s.kind === 'dye-bleed')
      out.push(bound('company', 'like-colours', 'stain', 'it holds another piece’s loose dye'));
    if (ironStains.includes(s.kind))
      out.push(
        bound('bleach', 'none', 'stain', `bleach and the iron in ${facts.name.toLowerCase()} eat holes`),
        bound(
          'detergents',
          bleachFree,
          'stain',
          `no bleaching detergent until the ${facts.name.toLowerCase()} is gone`,
        ),
      );
    out.push(
      bound('tumble', 'none', 'stain', `no dryer until the ${facts.name.toLowerCase()} is gone`),
      bound('iron', 'none', 'stain', `no iron until the ${facts.name.toLowerCase()} is gone`),
    );
  }
  if (hasFuel(g))
    out.push(
      bound('tumble', 'none', 'stain', 'fuel or solvent never meets heat'),
      bound('iron', 'none', 'stain', 'fuel or solvent never meets heat'),
      flag('extra-rinse', 'stain', 'fuel or solvent'),
    );
  return out;
}

function ruleBounds(g: Garment, rules: HouseRules): Bound[] {
  const out: Bound[] = [];
  if (rules.wool === 'hand' && hasSignificant(g.parts, isWool))
    out.push(bound('wet', 'hand', 'rule', 'house rule: wool by hand'));
  if (rules.tumble === 'never' || (rules.tumble === 'towels' && !isTowel(g)))
    out.push(
      bound(
        'tumble',
        'none',
        'rule',
        rules.tumble === 'never' ? 'house rule: air only' : 'house rule: the dryer is for towels',
      ),
    );
  if (rules.skin === 'careful')
    out.push(
      bound('softener', false, 'rule', 'house rule: sensitive skin'),
      flag('extra-rinse', 'rule', 'house rule: sensitive skin'),
    );
  if (rules.shirtAim === 'easy-iron' && kindFacts(g.kind).wearGroup === 'shirt')
    out.push(flag('lowest-spin', 'rule', 'house rule: shirts without spin'));
  if (rules.tshirtDrying === 'flat' && kindFacts(g.kind).wearGroup === 'tshirt')
    out.push(bound('dryPositions', positions('flat'), 'rule', 'house rule: T-shirts flat'));
  return out;
}

/** What the cloth asks of its detergent. */
export function clothNeeds(g: Garment, history: ColourHistory): ClothNeed[] {
  const needs: ClothNeed[] = [];
  if (has(g, 'waterproof', 'membrane')) needs.push('waterproof');
  if (hasSignificant(g.parts, isProtein)) needs.push('wool-silk');
  else if (hasSignificant(g.parts, (f) => f === 'unknown')) needs.push('unknown');
  else if (hasSignificant(g.parts, (f) => f === 'down-fill')) needs.push('down');
  else if (isDelicate(g)) needs.push('delicate');
  else if (has(g, 'denim-raw')) needs.push('raw-indigo');
  else if (history.colour.class === 'white' && !history.colour.contrast) needs.push('white');
  else if (history.colour.class === 'dark' || history.colour.class === 'black') needs.push('dark');
  else needs.push('coloured');
  return needs;
}

/** Delicate programme family: protein fibre, acetate, cupro, or a fragile trait. */
export const isFragile = (g: Garment): boolean => [...g.traits].some((t) => traitFacts(t).fragile);
export const isDelicate = (g: Garment): boolean =>
  isFragile(g) ||
  hasSignificant(g.parts, (f) => isProtein(f) || f === 'acetate' || f === 'triacetate' || f === 'cupro');

/** Clear tests that the test-first school asks for: water spot (reds twice), and a part test where a part comes off. */
function testsSuffice(g: Garment, history: ColourHistory): boolean {
  const clearSpots = g.tests.filter((t) => t.kind === 'spot' && t.agent === 'water' && t.grade >= 4).length;
  const partClear = !g.traits.has('detachable') || g.tests.some((t) => t.kind === 'part' && t.grade >= 4);
  return clearSpots >= (history.colour.red ? 2 : 1) && partClear && history.newest === 'clear';
}

const exceptionFibres: readonly FibreId[] = [
  'cotton',
  'polyester',
  'silk',
  'wool',
  'wool-superwash',
  'cashmere',
  'elastane',
];
function exceptionAllowed(g: Garment, rules: HouseRules): boolean {
  if (rules.dryCleanOnly !== 'test-first' || !g.allowTestFirst) return false;
  if (has(g, 'velvet', 'velveteen', 'structured', 'glued', 'crinkle', 'pleated', 'lined')) return false;
  const significant = mainParts(g.parts).flatMap((p) => significantFibres(p.fibres).map((s) => s.fibre));
  return significant.every((f) => exceptionFibres.includes(f) && (!isWool(f) || isKnit(g)));
}

function waterClosure(
  g: Garment,
  label: CareLabel,
  history: ColourHistory,
  rules: HouseRules,
): { closure: WaterClosure | null; overruled: boolean } {
  const hide = mainParts(g.parts)
    .flatMap((p) => p.fibres)
    .find((f) => isHide(f.fibre) && f.percent > 0);
  const close = (reason: string, source: Bound['source'], kind: WaterClosure['kind'] = 'professional') => ({
    closure: { kind, reason, source },
    overruled: false,
  });
  if (hide && hasSignificant(g.parts, isHide))
    return close(`${fibreFacts(hide.fibre).name} is never washed: feed or brush it`, 'fibre', 'hide');
  if (label.phrases.includes('professional-leather') || label.phrases.includes('damp-wipe-only'))
    return close('label: professional care', 'label');
  const trait = [...g.traits].find((t) => traitFacts(t).noImmersion);
  if (trait) return close(`${traitFacts(trait).name}: no immersion at home`, 'construction');
  if (has(g, 'crinkle', 'pleated') && hasSignificant(g.parts, (f) => f === 'acetate' || isWool(f)))
    return close('acetate or wool pleats lose their shape in water', 'construction');
  if (history.noWater) return close('its colour test bled strongly: no water at home', 'test');
  if (label.wash?.by === 'none' || label.phrases.includes('dry-clean-only')) {
    if (!exceptionAllowed(g, rules))
      return close(label.wash?.by === 'none' ? 'label: do not wash' : 'label: dry clean only', 'label');
    if (!testsSuffice(g, history))
      return close('the label says no; a clear colour test would open a cold bath', 'label', 'test-first');
    return { closure: null, overruled: true };
  }
  if (has(g, 'heirloom') && g.tests.length === 0)
    return close('an heirloom is never a first experiment: test it', 'construction', 'test-first');
  return { closure: null, overruled: false };
}

/** Contradictions on the label; the safer value already holds. */
function labelConflicts(g: Garment, label: CareLabel): string[] {
  const out: string[] = [];
  const fibresOf = mainParts(g.parts).flatMap((p) => significantFibres(p.fibres).map((s) => s.fibre));
  if (label.tumble && label.tumble !== 'none' && label.wash?.by === 'none')
    out.push('tumble drying is allowed but washing is not');
  for (const id of new Set(fibresOf)) {
    const f = fibreFacts(id);
    if (label.wash?.by === 'machine' && label.wash.maxC > f.hardTemperatureC)
      out.push(`the label says ${label.wash.maxC} °C, ${f.name} bears ${f.hardTemperatureC} °C`);
    if (label.iron && ironOrder.indexOf(label.iron) < ironOrder.indexOf(f.iron))
      out.push(`the label says iron ${label.iron}, ${f.name} bears ${f.iron}`);
    if (label.tumble && tumbleOrder.indexOf(label.tumble) < tumbleOrder.indexOf(f.hardTumble))
      out.push(`the label says tumble ${label.tumble}, ${f.name} bears ${f.hardTumble}`);
  }
  if (label.bleach === 'any' && g.parts.some((p) => p.fibres.some((f) => f.fibre === 'elastane' && f.percent >= 1)))
    out.push('the label allows any bleach, elastane bears no chlorine');
  return out;
}

/** The envelope of one piece under the rules of the house. */
export function garmentEnvelope(g: Garment, rules: HouseRules): PieceEnvelope {
  const history = colourHistory(g);
  const { closure, overruled } = waterClosure(g, g.label ?? emptyLabel, history, rules);
  const label: CareLabel = overruled
    ? { ...(g.label ?? emptyLabel), wash: { by: 'machine', maxC: 30, action: 'very-mild' } }
    : (g.label ?? emptyLabel);
  const white = history.colour.class === 'white';
  const bounds: Bound[] = labelBounds(g, label, rules);
  for (const part of mainParts(g.parts)) {
    for (const { fibre } of significantFibres(part.fibres)) bounds.push(...fibreBounds(g, fibre, label, white));
    if (hasLittleElastane(part.fibres))
      bounds.push(
        bound('maxTemperatureC', 60, 'fibre', 'elastane tires above 60 °C'),
        bound('tumble', 'low', 'fibre', 'elastane tires with heat'),
        bound('iron', 'medium', 'fibre', 'elastane melts under a hot iron'),
      );
  }
  bounds.push(
    ...bleachBounds(g, label, white),
    ...trimBounds(g),
    ...traitBounds(g, label),
    ...denimBounds(g, label, rules),
  );
  bounds.push(...colourBounds(g, label, history, rules), ...stainBounds(g), ...ruleBounds(g, rules));
  const needs = clothNeeds(g, history);
  for (const need of needs)
    bounds.push(
      bound(
        'detergents',
        new Set(detergentPreference[need]),
        need === 'waterproof' ? 'construction' : 'fibre',
        clothNeedWords[need],
      ),
    );
  if (overruled)
    bounds.push(
      bound('company', 'alone', 'rule', 'dry-clean label overruled: alone'),
      bound('maxSpinRpm', 400, 'rule', 'dry-clean label overruled'),
      bound('woolSpinRpm', 400, 'rule', 'dry-clean label overruled'),
    );
  if (closure) bounds.push(bound('wet', 'none', closure.source, closure.reason));
  if (['dark', 'black'].includes(history.colour.class) && hasSignificant(g.parts, (f) => f === 'polyester'))
    bounds.push(bound('pressCloth', true, 'fibre', 'dark polyester shines under an iron'));
  return {
    envelope: envelopeOf(bounds),
    history,
    needs,
    closure,
    labelOverruled: overruled,
    conflicts: labelConflicts(g, label),
  };
}

/** The words of a bleach scale value. */
export const bleachAllowed = (limit: Bleach, wanted: Exclude<Bleach, 'none'>): boolean =>
  bleachOrder.indexOf(wanted) >= bleachOrder.indexOf(limit) && limit !== 'none';
