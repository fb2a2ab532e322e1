/** What to watch in a load, and what is known of its pieces: each warning once, with its pieces, and only where someone can act on it. */
import { bindingBounds } from '../envelope/envelope.ts';
import { kindFacts } from '../garment/kinds.ts';
import { say, type Message } from '../message/message.ts';
import { moneyOf } from '../message/params.ts';
import { soilOrder } from '../model/orders.ts';
import type { PlanWarning } from '../model/plan.ts';
import { bleedLimits } from '../colour/bleed.ts';
import { isDenim, isKnit, type Profile } from '../piece/profile.ts';
import type { Basket } from '../price/basket.ts';
import type { PricedLoad } from '../price/price.ts';
import { agitationOf } from '../shrinkage/agitation.ts';
import { shrinkClassOf } from '../shrinkage/classes.ts';
import { totalShrinkPercent } from '../shrinkage/shrinkage.ts';
import { unbalanceShare } from '../washing/drum.ts';
import { roundTo } from '../units/numbers.ts';

type Warn = (severity: PlanWarning['severity'], pieces: readonly Profile[], message: Message) => void;
const ids = (ps: readonly Profile[]): string[] => ps.map((p) => p.garment.id);
const names = (ps: readonly Profile[]): string[] => ps.map((p) => p.garment.name);

/** Below this share of a drum a load is worth a word. */
const nearlyEmpty = 0.15;
/** Below this share a heavy piece unbalances the spin. */
const unbalancedBelow = 0.5;
/** Share of its need that a wash leaves undone before it is worth a word. */
const uncleanDeficit = 0.25;
/** Greying of less than this is not told, EUR. */
const toldGreying = 0.75;
/** Loss of length in the first wash that is seen. */
const seenShrink = 3;
const bleedShareOfWash = 0.4;
const disinfectsC = 60;
/** Zips of pieces this heavy rub what is beside them. */
const heavyKg = 0.3;

/** What is looked at in one load. */
interface Looked {
  b: Basket;
  load: PricedLoad;
  pieces: readonly Profile[];
  where: (test: (p: Profile) => boolean) => Profile[];
}
type Rule = (l: Looked, warn: Warn) => void;

/** Why a piece is washed no warmer: its own limit, a piece beside it, or the price of more heat. */
function whyNotWarmer(p: Profile, { load, pieces }: Looked): Message {
  const celsius = load.setting.temperatureC;
  const own = bindingBounds(p.envelope, 'maxTemperatureC')[0]?.reason;
  const step = 10;
  if (p.values.maxTemperatureC < celsius + step && own) return own;
  const coolest = pieces.reduce((x, y) => (y.values.maxTemperatureC < x.values.maxTemperatureC ? y : x));
  return coolest.values.maxTemperatureC < Math.min(celsius + step, p.values.maxTemperatureC)
    ? say('binding.company', { other: coolest.garment.name, celsius: coolest.values.maxTemperatureC })
    : say('binding.no-warmer', { celsius });
}
/** Pieces with the same cause are told together. */
function byCause(
  pieces: readonly Profile[],
  cause: (p: Profile) => Message,
): { pieces: Profile[]; because: Message }[] {
  const found = new Map<string, { pieces: Profile[]; because: Message }>();
  for (const p of pieces) {
    const because = cause(p);
    const key = JSON.stringify(because);
    const known = found.get(key);
    if (known) known.pieces.push(p);
    else found.set(key, { pieces: [p], because });
  }
  return [...found.values()];
}

const dirty = (p: Profile): boolean =>
  p.garment.odour || p.garment.stains.length > 0 || soilOrder.indexOf(p.garment.soil) >= soilOrder.indexOf('heavy');

const rules: Partial<Record<PlanWarning['code'], Rule>> = {
  'dye-untested': ({ load, where }, warn) => {
    const found = where((p) => p.history.untested && p.history.strongColour);
    const caught = load.catcher !== null;
    const celsius = load.setting.temperatureC;
    if (found.length) warn('caution', found, say('warn.dye-untested', { names: names(found), celsius, caught }));
  },
  'dye-bleeds': ({ b, load, where }, warn) => {
    const bled = where((p) => p.history.knownBleeder);
    const t = load.worstTransfer;
    if (bled.length) warn('caution', bled, say('warn.dye-bled-before', { names: names(bled) }));
    else if (t && t.deltaE >= bleedLimits.white) {
      const pair = [b.profiles[t.giver], b.profiles[t.receiver]].flatMap((p) => p ?? []);
      const [name = '', other = ''] = names(pair);
      warn('info', pair, say('warn.dye-lends', { name, other, deltaE: roundTo(t.deltaE, 1) }));
    }
  },
  greying: ({ b, load, where }, warn) => {
    const pale = where((p) => p.pale);
    if (load.company.greying < toldGreying || pale.length === 0) return;
    const cost = moneyOf(b.household.tariff, load.company.greying);
    warn('info', pale, say('warn.greying', { names: names(pale), cost }));
  },
  'label-overruled': ({ where }, warn) => {
    const found = where((p) => p.labelOverruled);
    if (found.length) warn('caution', found, say('warn.label-overruled', { names: names(found) }));
  },
  felting: ({ load, where }, warn) => {
    // A label that says machine has been tried; a hand label or none has not.
    const found = where((p) => p.isWool && p.garment.label?.wash?.by !== 'machine');
    if (found.length && load.setting.method === 'machine')
      warn('caution', found, say('warn.felting', { names: names(found) }));
  },
  shrinkage: ({ load: { setting }, where }, warn) => {
    const event = {
      temperatureC: setting.temperatureC,
      agitation: setting.method === 'machine' ? agitationOf(setting.programme) : ('hand-wash' as const),
      drying: 'line' as const,
      minutes: setting.method === 'machine' ? Math.min(60, bleedShareOfWash * setting.programme.durationMin) : 15,
      times: 1,
      insideOut: false,
    };
    const loss = (p: Profile): number =>
      totalShrinkPercent(shrinkClassOf(p.garment), 'length', [event]) * (p.garment.learntShrinkShare ?? 1);
    const found = where(
      (p) => p.garment.washCount === 0 && kindFacts(p.garment.kind).measured !== 'none' && loss(p) >= seenShrink,
    );
    if (found.length === 0) return;
    const percent = Math.round(Math.max(...found.map(loss)));
    warn('info', found, say('warn.shrinkage', { names: names(found), percent }));
  },
  'stain-before-heat': ({ where }, warn) => {
    const found = where((p) => p.garment.stains.length > 0);
    if (found.length) warn('caution', found, say('warn.stain-before-heat', { names: names(found) }));
  },
  'fuel-fire': ({ where }, warn) => {
    const found = where((p) => p.contamination === 'fuel');
    if (found.length) warn('danger', found, say('warn.fuel-fire'));
  },
  hygiene: (looked, warn) => {
    const found = looked.where((p) => p.contamination === 'hygiene');
    const celsius = looked.load.setting.temperatureC;
    if (found.length === 0) return;
    if (celsius >= disinfectsC) return warn('info', found, say('warn.hygiene-hot'));
    for (const { pieces, because } of byCause(found, (p) => whyNotWarmer(p, looked)))
      warn('caution', pieces, say('warn.hygiene-cool', { celsius, because }));
  },
  'cleaning-deficit': (looked, warn) => {
    const { load, pieces } = looked;
    const found = looked.where((p) => (load.deficits[pieces.indexOf(p)] ?? 0) >= uncleanDeficit && dirty(p));
    for (const { pieces: some, because } of byCause(found, (p) => whyNotWarmer(p, looked)))
      warn('info', some, say('warn.cleaning-deficit', { names: names(some), because }));
  },
  underfilled: ({ load, pieces, where }, warn) => {
    if (load.setting.method === 'hand') return;
    const percent = Math.round(load.fill * 100);
    const heavy = where((p) => pieces.length > 1 && p.massKg > unbalanceShare * load.massKg);
    if (heavy.length > 0 && load.fill < unbalancedBelow)
      warn('info', heavy, say('warn.underfilled-unbalanced', { percent, names: names(heavy) }));
    else if (load.fill < nearlyEmpty) warn('info', pieces, say('warn.underfilled', { percent }));
  },
  overfilled: ({ load, pieces }, warn) => {
    if (load.fill > 1) warn('caution', pieces, say('warn.overfilled', { percent: Math.round(load.fill * 100) }));
  },
  agitator: ({ load: { setting: s }, where }, warn) => {
    if (s.method === 'hand' || s.washer.loading !== 'top-agitator') return;
    const found = where((p) => p.garment.use === 'bed' || kindFacts(p.garment.kind).flags.has('netted'));
    if (found.length) warn('info', found, say('warn.agitator', { names: names(found) }));
  },
  'hard-parts': ({ where }, warn) => {
    const zips = where((p) => p.garment.traits.has('zip') && p.massKg / p.pieces >= heavyKg);
    const soft = where((p) => isKnit(p.garment) && !p.garment.traits.has('zip'));
    if (zips.length && soft.length) warn('info', zips, say('warn.hard-parts', { names: names(zips) }));
  },
  assumed: ({ load, where }, warn) => {
    const found = where(
      (p) => isDenim(p.garment) && load.setting.method === 'machine' && load.spinRpm > p.values.maxSpinRpm,
    );
    if (found.length) warn('info', found, say('warn.denim-creases'));
  },
  'product-runs-out': ({ load, pieces }, warn) => {
    const { remaining, name: product } = load.product;
    if (remaining === null || load.doseAmount <= remaining) return;
    const amounts = { left: roundTo(remaining, 0), amount: roundTo(load.doseAmount, 0), unit: load.doseUnit };
    warn('caution', pieces, say('warn.product-runs-out', { product, ...amounts }));
  },
};

/** What to watch in this load. */
export function loadWarnings(b: Basket, load: PricedLoad, pieces: readonly Profile[]): PlanWarning[] {
  const out: PlanWarning[] = [];
  const looked: Looked = { b, load, pieces, where: (test) => pieces.filter(test) };
  for (const [code, rule] of Object.entries(rules) as [PlanWarning['code'], Rule][])
    rule(looked, (severity, some, message) => out.push({ code, severity, garments: ids(some), message }));
  return out;
}

/** Warnings about what is known of a piece, wherever it goes. */
export function pieceWarnings(profiles: readonly Profile[]): PlanWarning[] {
  const out: PlanWarning[] = [];
  const active = profiles.filter((p) => p.garment.include);
  const warn = (
    code: PlanWarning['code'],
    severity: PlanWarning['severity'],
    pieces: readonly Profile[],
    message: Message,
  ): void => {
    if (pieces.length > 0) out.push({ code, severity, garments: ids(pieces), message });
  };
  const unlabelled = active.filter((p) => p.garment.label === null);
  warn('label-missing', 'info', unlabelled, say('warn.label-missing', { names: names(unlabelled) }));
  const assumed = active.filter(
    (p) =>
      p.garment.label !== null &&
      p.garment.label.wash === null &&
      p.envelope.bounds.some((x) => x.source === 'assumed' && x.parameter === 'maxTemperatureC'),
  );
  warn('assumed', 'info', assumed, say('warn.label-silent', { names: names(assumed) }));
  const alike = new Map<string, Profile[]>();
  for (const p of active.filter((q) => q.conflicts.length > 0)) {
    const key = JSON.stringify(p.conflicts);
    alike.set(key, [...(alike.get(key) ?? []), p]);
  }
  for (const pieces of alike.values())
    warn(
      'label-conflict',
      'caution',
      pieces,
      say('warn.label-conflict', { names: names(pieces), reasons: pieces[0]?.conflicts ?? [] }),
    );
  return out;
}

/** A strong colour that stays untested is told of, in whatever way it waits. */
export function untestedWaiting(profiles: readonly Profile[]): PlanWarning[] {
  const found = profiles.filter((p) => p.history.untested && p.history.strongColour);
  return found.length === 0
    ? []
    : [
        {
          code: 'dye-untested',
          severity: 'caution',
          garments: ids(found),
          message: say('warn.dye-untested-waiting', { names: names(found) }),
        },
      ];
}
