/**
 * The bounds of one piece, from its label, fibres, construction, colour tests, stains and the rules of the house.
 * Precedence: a fibre's hard limit always holds; the label replaces a default in either direction; where the label is silent
 * the default applies one step more careful and is marked as assumed.
 */
import { afterSoak } from '../washing/soak.ts';
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
import { kindFacts, type Use } from '../garment/kinds.ts';
import { say, type Message } from '../message/message.ts';
import type { Garment } from '../model/garment.ts';
import { dryerAllowed, effectOf } from '../model/rule-effects.ts';
import { type DetergentClass, type HouseRules } from '../model/household.ts';
import { actionOrder, ironOrder, oneStricter, tumbleOrder, type Bleach } from '../model/orders.ts';
import { markCapC } from '../stain/mark-cap.ts';
import { fuelStains, ironStains } from '../stain/stains.ts';
import { detergentPreference, type ClothNeed } from '../washing/products.ts';
import { bound, envelopeOf, flag, type Bound, type DryPosition, type Envelope } from './envelope.ts';

/** Why water is closed, or why only a missing test closes it. */
export interface WaterClosure {
  kind: 'professional' | 'test-first' | 'hide';
  reason: Message;
  source: Bound['source'];
}
export interface PieceEnvelope {
  envelope: Envelope;
  history: ColourHistory;
  needs: readonly ClothNeed[];
  closure: WaterClosure | null;
  /** The label was set aside under the test-first school. */
  labelOverruled: boolean;
  conflicts: readonly Message[];
}

const cautiousC = [95, 60, 40, 30] as const;
/** One step more careful where no label speaks: 60 → 40 → 30 °C. */
const cautiousTemperature = (c: number): number => cautiousC.find((step) => step < c) ?? Math.min(c, 30);

const positions = (...list: DryPosition[]): ReadonlySet<DryPosition> => new Set(list);
const percent = (g: Garment, fibre: FibreId): number =>
  Math.max(0, ...g.parts.flatMap((p) => p.fibres.filter((f) => f.fibre === fibre).map((f) => f.percent)));
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
    out.push(bound('maxTemperatureC', wash.maxC, 'label', say('label.max-temperature', { celsius: wash.maxC })));
    if (wash.action !== 'normal')
      out.push(bound('maxAction', wash.action, 'label', say('label.action', { action: wash.action })));
  }
  if (wash?.by === 'hand') {
    out.push(bound('maxTemperatureC', Math.min(wash.maxC, 30), 'label', say('label.hand-bath')));
    if (effectOf(rules, 'handLabel').handOnly || hasSignificant(g.parts, (f) => f === 'angora'))
      out.push(bound('wet', 'hand', 'label', say('label.hand-only')));
    else {
      out.push(flag('hand-programmes-only', 'label', say('label.hand-programmes')));
      out.push(
        bound('maxAction', 'very-mild', 'label', say('label.hand')),
        bound('maxSpinRpm', 400, 'label', say('label.hand-lowest-spin')),
      );
      if (!hasSignificant(g.parts, isWool)) out.push(bound('woolSpinRpm', 400, 'label', say('label.hand-lowest-spin')));
    }
  }
  if (bleach) out.push(bound('bleach', bleach, 'label', say('label.bleach', { bleach })));
  if (bleach === 'none') out.push(flag('no-bleach-detergent', 'label', say('label.bleach', { bleach })));
  if (tumble && tumble !== 'normal') out.push(bound('tumble', tumble, 'label', say('label.tumble', { tumble })));
  if (dry) {
    out.push(
      bound(
        'dryPositions',
        dry.position === 'flat' ? positions('flat') : positions('line', 'bars', 'hanger'),
        'label',
        say('label.dry', { position: dry.position }),
      ),
    );
    if (dry.shade) out.push(bound('shade', true, 'label', say('label.shade')));
  }
  if (iron) out.push(bound('iron', iron, 'label', say('label.iron', { iron })));
  for (const phrase of label.phrases) {
    const asked = phraseBounds[phrase]?.(say('label.phrase', { phrase }));
    if (asked) out.push(asked);
  }
  return out;
}

/** What each printed phrase asks for; `null` = nothing that a bound could say. */
const phraseBounds: Record<Phrase, ((reason: Message) => Bound) | null> = {
  'wash-separately': (why) => bound('company', 'alone', 'label', why),
  'wash-separately-first': null, // ends with its first clear wash: see colourBounds
  'wash-with-like-colours': (why) => bound('company', 'like-colours', 'label', why),
  'wash-inside-out': (why) => flag('inside-out', 'label', why),
  'use-net': (why) => flag('net', 'label', why),
  'reshape-while-damp': (why) => flag('reshape', 'label', why),
  'do-not-wring': null,
  'do-not-soak': (why) => flag('no-soak', 'label', why),
  'remove-promptly': null,
  'no-softener': (why) => bound('softener', false, 'label', why),
  'no-optical-brightener': (why) => bound('detergents', withoutBrightener, 'label', why),
  'dry-in-shade': (why) => bound('shade', true, 'label', why),
  'dry-away-from-heat': (why) => bound('awayFromHeat', true, 'label', why),
  'line-dry': (why) => bound('dryPositions', positions('line', 'bars', 'hanger'), 'label', why),
  'dry-flat': (why) => bound('dryPositions', positions('flat'), 'label', why),
  'iron-inside-out': (why) => bound('ironInsideOut', true, 'label', why),
  'iron-with-press-cloth': (why) => bound('pressCloth', true, 'label', why),
  'do-not-iron-decoration': (why) => bound('ironInsideOut', true, 'label', why),
  'steam-only': (why) => bound('iron', 'none', 'label', why),
  'dry-clean-only': null, // these three close water: see waterClosure
  'professional-leather': null,
  'damp-wipe-only': null,
  'cool-iron': (why) => bound('iron', 'low', 'label', why),
};
const withoutBrightener: ReadonlySet<DetergentClass> = new Set(
  detergentPreference.coloured.filter((c) => c !== 'universal'),
);

/** Nobody vouches for wool without a label, in the wool programme either. */
const unlabelledWoolRpm = 400;

/** Bounds of one significant fibre of a main part. */
function fibreBounds(g: Garment, id: FibreId, label: CareLabel, white: boolean): Bound[] {
  const f = fibreFacts(id);
  const cloth = { percent: percent(g, id), fibre: id };
  const why = say('fibre.is', cloth);
  const watch = say('fibre.watch', cloth);
  const out: Bound[] = [];
  if (f.hardTemperatureC < 95)
    out.push(
      bound(
        'maxTemperatureC',
        f.hardTemperatureC,
        'fibre',
        say('fibre.temperature', { ...cloth, celsius: f.hardTemperatureC }),
      ),
    );
  if (f.hardAction !== 'normal') out.push(bound('maxAction', f.hardAction, 'fibre', watch));
  if (label.wash === null) {
    const usual = white && f.whiteMaxTemperatureC !== null ? f.whiteMaxTemperatureC : f.maxTemperatureC;
    const c = g.hygiene ? Math.max(usual, Math.min(60, f.hardTemperatureC)) : cautiousTemperature(usual);
    out.push(bound('maxTemperatureC', c, 'assumed', say('fibre.assumed-temperature', cloth)));
    out.push(
      bound(
        'maxAction',
        oneStricter(actionOrder, f.action, 'very-mild'),
        'assumed',
        say('fibre.assumed-action', cloth),
      ),
    );
  }
  const lifted =
    label.wash?.by === 'machine' && label.wash.action === 'normal' ? (f.normalLabelSpinRpm ?? f.spinRpm) : f.spinRpm;
  out.push(
    bound('maxSpinRpm', lifted, 'fibre', watch),
    bound('woolSpinRpm', Math.max(lifted, f.woolProgrammeSpinRpm), 'fibre', watch),
  );
  if (isWool(id) && label.wash === null)
    out.push(bound('woolSpinRpm', unlabelledWoolRpm, 'fibre', say('fibre.unlabelled-wool-spin')));
  const tumble = label.tumble === null ? oneStricter(tumbleOrder, f.tumble, 'none') : f.hardTumble;
  if (tumble !== 'normal')
    out.push(
      bound(
        'tumble',
        tumble,
        label.tumble === null ? 'assumed' : 'fibre',
        label.tumble === null ? say('fibre.assumed-tumble', cloth) : why,
      ),
    );
  const iron = label.iron === null ? oneStricter(ironOrder, f.iron, 'none') : f.iron;
  if (iron !== 'high')
    out.push(
      bound(
        'iron',
        iron,
        label.iron === null ? 'assumed' : 'fibre',
        label.iron === null ? say('fibre.assumed-iron', cloth) : why,
      ),
    );
  if (!f.steam) out.push(bound('steam', false, 'fibre', why));
  if (f.pressCloth) out.push(bound('pressCloth', true, 'fibre', why));
  if (f.ironInsideOut) out.push(bound('ironInsideOut', true, 'fibre', why));
  if (id === 'angora') out.push(bound('wet', 'hand', 'fibre', say('fibre.felts-in-machines', cloth)));
  if (isProtein(id) || id === 'down-fill') out.push(bound('softener', false, 'fibre', say('fibre.no-softener', cloth)));
  if (isProtein(id)) out.push(bound('awayFromHeat', true, 'fibre', why));
  if (isWool(id) && isKnit(g))
    out.push(bound('dryPositions', positions('flat'), 'fibre', say('fibre.wool-knit-grows')));
  if (id === 'silk')
    out.push(
      bound('shade', true, 'fibre', say('fibre.silk-sun')),
      bound(
        'dryPositions',
        isKnit(g) ? positions('flat') : positions('hanger', 'bars', 'line'),
        'fibre',
        say(isKnit(g) ? 'fibre.silk-knit-flat' : 'fibre.silk-woven-hangs'),
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
            say(limit === 'none' ? 'fibre.no-bleach' : 'fibre.no-chlorine', { fibre }),
          ),
        );
    }
  const tested = g.tests.some((t) => t.agent === 'oxy-percarbonate' && t.grade >= 4);
  if (label.bleach === null && !tested) out.push(bound('bleach', 'none', 'assumed', say('fibre.bleach-untested')));
  return out;
}

/** Trim counts for chemicals, heat and iron; it does not decide the method. */
function trimBounds(g: Garment): Bound[] {
  const out: Bound[] = [];
  for (const p of g.parts.filter((q) => q.role === 'trim' && mainParts(g.parts) !== g.parts)) {
    for (const { fibre } of significantFibres(p.fibres)) {
      const f = fibreFacts(fibre);
      const why = say('trim.is', { fibre });
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
        out.push(bound('detergents', new Set(detergentPreference.unknown), 'trim', say('trim.no-enzymes', { fibre })));
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
      out.push(bound(l.parameter, l.limit, 'construction', say('trait.limit', { trait: id, parameter: l.parameter })));
    }
    for (const f of facts.flags ?? []) out.push(flag(f, 'construction', say('trait.is', { trait: id })));
  }
  if (has(g, 'embroidery', 'applique')) {
    const robust = mainParts(g.parts).every((p) => significantFibres(p.fibres).every((f) => isCellulose(f.fibre)));
    if (robust) out.push(bound('maxAction', 'mild', 'construction', say('cloth.embroidery-robust')));
    else
      out.push(
        bound('maxAction', 'very-mild', 'construction', say('cloth.embroidery-pulls')),
        flag('hand-programmes-only', 'construction', say('cloth.embroidery-delicate')),
        bound('maxSpinRpm', 400, 'construction', say('cloth.embroidery-puckers')),
        bound('woolSpinRpm', 400, 'construction', say('cloth.embroidery-puckers')),
        bound('tumble', 'none', 'construction', say('cloth.embroidery-puckers')),
      );
  }
  if (has(g, 'buttons'))
    out.push(
      flag(
        has(g, 'denim-raw') ? 'buttons-closed' : 'buttons-open',
        'construction',
        say(has(g, 'denim-raw') ? 'cloth.raw-denim-buttoned' : 'cloth.buttons-strain'),
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
function kindSpinRpm(g: Garment): { rpm: number; reason: Message } | null {
  if (has(g, 'lined')) return { rpm: 400, reason: say('cloth.lining-shifts') };
  const group = kindFacts(g.kind).wearGroup;
  if (group === 'shirt' || group === 'blouse' || group === 'dress' || group === 'skirt')
    return { rpm: 800, reason: say('cloth.fewer-creases') };
  // Creases of work clothes are nobody's sorrow.
  if (group === 'chinos' && g.use !== 'kitchen' && g.use !== 'workshop')
    return { rpm: 800, reason: say('cloth.hard-creases') };
  if (group === 'tshirt' || group === 'polo') return { rpm: 800, reason: say('cloth.jersey-shape') };
  return null;
}

/** Against lengthwise creases, raw or not. */
const denimSpinRpm = 800;
function denimBounds(g: Garment, label: CareLabel, rules: HouseRules): Bound[] {
  if (!isDenim(g)) return [];
  const byLabel = label.wash?.by === 'machine' ? Math.min(60, label.wash.maxC) : 30;
  const byRule = effectOf(rules, 'denim').maxTemperatureC ?? byLabel;
  const creases = say('trait.limit', { trait: 'denim', parameter: 'maxSpinRpm' });
  return [
    bound('maxTemperatureC', byRule, 'rule', say('rule.denim', { denim: rules.denim })),
    bound('maxSpinRpm', denimSpinRpm, 'construction', creases),
    bound('woolSpinRpm', denimSpinRpm, 'construction', creases),
  ];
}

/** Softener coats what should drink, wick or repel, and burns. */
function softenerBounds(g: Garment): Bound[] {
  const { wearGroup } = kindFacts(g.kind);
  if (g.use === 'towel' || g.use === 'workshop')
    return [bound('softener', false, 'construction', say('softener.use', { use: g.use }))];
  if (wearGroup === 'sportswear') return [bound('softener', false, 'construction', say('softener.sports'))];
  const synthetic = mainParts(g.parts).every((p) =>
    significantFibres(p.fibres).every((f) => f.fibre === 'polyester' || f.fibre === 'polyamide'),
  );
  if (synthetic && (isTowel(g) || g.use === 'kitchen' || g.use === 'floor'))
    return [bound('softener', false, 'fibre', say('softener.microfibre'))];
  return hasFuel(g) ? [bound('softener', false, 'stain', say('stain.fuel'))] : [];
}

function colourBounds(g: Garment, label: CareLabel, history: ColourHistory, rules: HouseRules): Bound[] {
  const out: Bound[] = [];
  const coldC = has(g, 'denim-raw') ? effectOf(rules, 'denim').rawTemperatureC : 30;
  if (history.knownBleeder)
    out.push(
      bound('maxTemperatureC', coldC, 'test', say('colour.bled')),
      bound('company', 'like-colours', 'test', say('colour.bleeder-company')),
      flag('catcher', 'test', say('colour.bleeder')),
    );
  if (history.untested && history.strongColour)
    out.push(
      bound('maxTemperatureC', coldC, 'colour', say('colour.first-cold')),
      bound('company', 'like-colours', 'colour', say('colour.untested-company')),
      flag('catcher', 'colour', say('colour.untested')),
    );
  if (label.phrases.includes('wash-separately-first') && g.washCount === 0 && !history.earned)
    out.push(bound('company', 'like-colours', 'label', say('label.separately-first')));
  return out;
}

function stainBounds(g: Garment): Bound[] {
  const out: Bound[] = [];
  for (const s of g.stains) {
    const maxTemperatureC = markCapC(s, g);
    if (maxTemperatureC < 95)
      out.push(
        bound(
          'maxTemperatureC',
          maxTemperatureC,
          'stain',
          say('stain.sets-above', { stain: s.kind, celsius: maxTemperatureC }),
        ),
      );
    if (s.kind === 'dye-bleed') out.push(bound('company', 'like-colours', 'stain', say('stain.loose-dye')));
    if (ironStains.includes(s.kind))
      out.push(
        bound('bleach', 'none', 'stain', say('stain.iron-bleach', { stain: s.kind })),
        flag('no-bleach-detergent', 'stain', say('stain.no-bleaching-detergent', { stain: s.kind })),
      );
    out.push(
      bound('tumble', 'none', 'stain', say('stain.no-dryer', { stain: s.kind })),
      bound('iron', 'none', 'stain', say('stain.no-iron', { stain: s.kind })),
    );
  }
  if (g.soaked)
    out.push(
      bound('maxTemperatureC', afterSoak.mostC, 'stain', say('stain.soaked', { celsius: afterSoak.mostC })),
      flag('extra-rinse', 'stain', say('stain.soaked', { celsius: afterSoak.mostC })),
      bound('tumble', 'none', 'stain', say('stain.soaked-look')),
      bound('iron', 'none', 'stain', say('stain.soaked-look')),
    );
  if (hasFuel(g))
    out.push(
      bound('tumble', 'none', 'stain', say('stain.fuel-heat')),
      bound('iron', 'none', 'stain', say('stain.fuel-heat')),
      flag('extra-rinse', 'stain', say('stain.fuel')),
    );
  return out;
}

function ruleBounds(g: Garment, rules: HouseRules): Bound[] {
  const out: Bound[] = [];
  if (effectOf(rules, 'wool').handOnly && hasSignificant(g.parts, isWool))
    out.push(bound('wet', 'hand', 'rule', say('rule.wool-by-hand')));
  if (!dryerAllowed(rules, isTowel(g)))
    out.push(bound('tumble', 'none', 'rule', say(dryerAllowed(rules, true) ? 'rule.dryer-towels' : 'rule.air-only')));
  if (effectOf(rules, 'skin').careful)
    out.push(bound('softener', false, 'rule', say('rule.skin')), flag('extra-rinse', 'rule', say('rule.skin')));
  if (effectOf(rules, 'shirtAim').easyIron && kindFacts(g.kind).wearGroup === 'shirt')
    out.push(flag('lowest-spin', 'rule', say('rule.shirts-no-spin')));
  if (effectOf(rules, 'tshirtDrying').flat && kindFacts(g.kind).wearGroup === 'tshirt')
    out.push(bound('dryPositions', positions('flat'), 'rule', say('rule.tshirts-flat')));
  return out;
}

const softFibres: readonly FibreId[] = ['viscose', 'modal', 'lyocell', 'cupro', 'acetate', 'triacetate'];
/** Bras, viscose and its kin, cloth rich in elastane. */
const isSoft = (g: Garment): boolean =>
  kindFacts(g.kind).wearGroup === 'bra' ||
  hasSignificant(g.parts, (f) => softFibres.includes(f)) ||
  hasSignificant(g.parts, (f) => f === 'elastane');

const householdLinen: readonly Use[] = ['kitchen', 'towel', 'bed'];
const linenWashes = 3;
/** Washes after which a coloured trim counts as fast. */
const fastStripesFrom = 15;
/** White cloth, undyed pale cloth, and pale household linen that has been washed and whose label bears bleach. */
function asksForWhiteWash(g: Garment, history: ColourHistory): boolean {
  const { class: colour, contrast } = history.colour;
  // Stripes that have proved fast stay with their ground.
  if (contrast && !history.earned && g.washCount < fastStripesFrom) return false;
  if (colour === 'white' || (colour === 'light' && g.dye === 'undyed')) return true;
  const bears = g.label?.bleach === 'any' || g.label?.bleach === 'oxygen';
  return colour === 'light' && householdLinen.includes(g.use) && g.washCount >= linenWashes && bears;
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
  else if (isSoft(g)) needs.push('soft');
  else if (asksForWhiteWash(g, history)) needs.push('white');
  // A deep red is a colour to its detergent, not a dark.
  else if ((history.colour.class === 'dark' || history.colour.class === 'black') && !history.colour.red)
    needs.push('dark');
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
  if (!effectOf(rules, 'dryCleanOnly').testOpens || !g.allowTestFirst) return false;
  if (has(g, 'velvet', 'velveteen', 'structured', 'glued', 'crinkle', 'pleated')) return false;
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
  const close = (reason: Message, source: Bound['source'], kind: WaterClosure['kind'] = 'professional') => ({
    closure: { kind, reason, source },
    overruled: false,
  });
  if (hide && hasSignificant(g.parts, isHide)) return close(say('closed.hide', { fibre: hide.fibre }), 'fibre', 'hide');
  if (label.phrases.includes('professional-leather') || label.phrases.includes('damp-wipe-only'))
    return close(say('closed.professional'), 'label');
  const trait = [...g.traits].find((t) => traitFacts(t).noImmersion);
  if (trait) return close(say('closed.trait', { trait }), 'construction');
  if (has(g, 'crinkle', 'pleated') && hasSignificant(g.parts, (f) => f === 'acetate' || isWool(f)))
    return close(say('closed.pleats'), 'construction');
  if (history.noWater) return close(say('closed.colour-strong'), 'test');
  if (label.wash?.by === 'none' || label.phrases.includes('dry-clean-only')) {
    if (!exceptionAllowed(g, rules))
      return close(say(label.wash?.by === 'none' ? 'closed.do-not-wash' : 'closed.dry-clean-only'), 'label');
    if (!testsSuffice(g, history)) return close(say('closed.test-opens'), 'label', 'test-first');
    return { closure: null, overruled: true };
  }
  if (has(g, 'heirloom') && g.tests.length === 0) return close(say('closed.heirloom'), 'construction', 'test-first');
  return { closure: null, overruled: false };
}

/** Contradictions on the label; the safer value already holds. */
function labelConflicts(g: Garment, label: CareLabel): Message[] {
  const out: Message[] = [];
  const fibresOf = mainParts(g.parts).flatMap((p) => significantFibres(p.fibres).map((s) => s.fibre));
  if (label.tumble && label.tumble !== 'none' && label.wash?.by === 'none') out.push(say('conflict.tumble-no-wash'));
  for (const id of new Set(fibresOf)) {
    const f = fibreFacts(id);
    if (label.wash?.by === 'machine' && label.wash.maxC > f.hardTemperatureC)
      out.push(say('conflict.temperature', { celsius: label.wash.maxC, fibre: id, bearsCelsius: f.hardTemperatureC }));
    if (label.iron && ironOrder.indexOf(label.iron) < ironOrder.indexOf(f.iron))
      out.push(say('conflict.iron', { iron: label.iron, fibre: id, bearsIron: f.iron }));
    if (label.tumble && tumbleOrder.indexOf(label.tumble) < tumbleOrder.indexOf(f.hardTumble))
      out.push(say('conflict.tumble', { tumble: label.tumble, fibre: id, bearsTumble: f.hardTumble }));
  }
  if (label.bleach === 'any' && g.parts.some((p) => p.fibres.some((f) => f.fibre === 'elastane' && f.percent >= 1)))
    out.push(say('conflict.bleach'));
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
        bound('maxTemperatureC', 60, 'fibre', say('fibre.elastane-temperature')),
        bound('tumble', 'low', 'fibre', say('fibre.elastane-tumble')),
        bound('iron', 'medium', 'fibre', say('fibre.elastane-iron')),
      );
  }
  bounds.push(
    ...bleachBounds(g, label, white),
    ...trimBounds(g),
    ...traitBounds(g, label),
    ...denimBounds(g, label, rules),
    ...softenerBounds(g),
  );
  bounds.push(...colourBounds(g, label, history, rules), ...stainBounds(g), ...ruleBounds(g, rules));
  const needs = clothNeeds(g, history);
  for (const need of needs)
    bounds.push(
      bound(
        'detergents',
        new Set(detergentPreference[need]),
        need === 'waterproof' ? 'construction' : 'fibre',
        say('fibre.detergent', { need }),
      ),
    );
  if (overruled)
    bounds.push(
      bound('company', 'alone', 'rule', say('rule.dry-clean-overruled')),
      bound('maxSpinRpm', 400, 'rule', say('rule.dry-clean-overruled')),
      bound('woolSpinRpm', 400, 'rule', say('rule.dry-clean-overruled')),
    );
  if (closure) bounds.push(bound('wet', 'none', closure.source, closure.reason));
  if (['dark', 'black'].includes(history.colour.class) && hasSignificant(g.parts, (f) => f === 'polyester'))
    bounds.push(bound('pressCloth', true, 'fibre', say('fibre.dark-polyester-shine')));
  return {
    envelope: envelopeOf(bounds),
    history,
    needs,
    closure,
    labelOverruled: overruled,
    conflicts: labelConflicts(g, label),
  };
}
