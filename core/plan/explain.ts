/** Why a load is set as it is: for each setting the piece and bound that decide, and what the load could do without that piece. */
import { bindingBounds, type Bound, type EnvelopeParameter } from '../envelope/envelope.ts';
import type { Binding, Constraint, PlanWarning, Separation } from '../model/plan.ts';
import { actionOrder, tumbleOrder } from '../model/orders.ts';
import { spinWithin } from '../washing/spin.ts';
import type { HouseRules } from '../model/household.ts';
import { bleedLimits } from '../colour/bleed.ts';
import { fillClass, unbalanceShare } from '../washing/drum.ts';
import { roundTo } from '../units/numbers.ts';
import type { Basket } from '../price/basket.ts';
import type { PricedLoad } from '../price/price.ts';
import { transferAllowed, transfers, type Transfer } from '../price/transfer.ts';
import { bestSpin, type Setting } from '../price/settings.ts';
import type { Profile } from '../piece/profile.ts';
import { isDenim } from '../piece/profile.ts';

type Explained = Extract<EnvelopeParameter, 'maxTemperatureC' | 'maxAction' | 'maxSpinRpm' | 'tumble'>;

function tightest<T>(
  pieces: readonly Profile[],
  value: (p: Profile) => T,
  stricterThan: (a: T, b: T) => boolean,
): Profile | null {
  return pieces.reduce<Profile | null>(
    (best, p) => (best === null || stricterThan(value(p), value(best)) ? p : best),
    null,
  );
}
const reasonOf = (p: Profile, parameter: Explained | 'woolSpinRpm'): Bound | null =>
  bindingBounds(p.envelope, parameter)[0] ?? null;

interface Candidate {
  parameter: string;
  bound: Explained | 'woolSpinRpm';
  limit: number | string;
  piece: Profile;
  without: number | string | null;
}

const toBinding = (c: Candidate): Binding | null => {
  const b = reasonOf(c.piece, c.bound);
  return (
    b && {
      parameter: c.parameter,
      limit: c.limit,
      garment: c.piece.garment.id,
      source: b.source,
      reason: b.reason,
      without: c.without,
    }
  );
};

const others = (pieces: readonly Profile[], p: Profile): Profile[] => pieces.filter((q) => q !== p);
const offeredUpTo = (s: Setting, limit: number): number =>
  s.method === 'machine' ? Math.max(...s.programme.temperaturesC.filter((c) => c <= limit), 0) : Math.min(40, limit);

/** One binding per setting: temperature, spin, movement and dryer. */
export function bindingsOf(load: PricedLoad, pieces: readonly Profile[], rules: HouseRules): Binding[] {
  const { setting: s } = load;
  const out: (Binding | null)[] = [];
  const cool = tightest(
    pieces,
    (p) => p.values.maxTemperatureC,
    (a, b) => a < b,
  );
  if (cool) {
    const limit = cool.values.maxTemperatureC;
    const rest = others(pieces, cool);
    const free = rest.length > 0 ? offeredUpTo(s, Math.min(...rest.map((p) => p.values.maxTemperatureC))) : null;
    if (s.temperatureC >= offeredUpTo(s, limit))
      out.push(
        toBinding({
          parameter: 'temperatureC',
          bound: 'maxTemperatureC',
          limit,
          piece: cool,
          without: free !== null && free > s.temperatureC ? free : null,
        }),
      );
    else
      out.push({
        parameter: 'temperatureC',
        limit: s.temperatureC,
        garment: null,
        source: 'rule',
        reason: `${s.temperatureC} °C cleans this soil; hotter costs energy and wears the cloth`,
        without: null,
      });
  }
  if (s.method === 'machine') {
    const key = s.programme.family === 'wool' ? 'woolSpinRpm' : 'maxSpinRpm';
    const slow = tightest(
      pieces,
      (p) => p.values[key],
      (a, b) => a < b,
    );
    if (slow) {
      const rest = others(pieces, slow);
      const free = rest.length > 0 ? bestSpin(rest, s) : null;
      const machineLimited =
        Math.max(...s.programme.spinsRpm) <= load.spinRpm &&
        spinWithin(load.spinRpm, s.washer.drumRadiusM, slow.values[key]) &&
        slow.values[key] > load.spinRpm;
      if (machineLimited)
        out.push({
          parameter: 'spinRpm',
          limit: load.spinRpm,
          garment: null,
          source: 'washer',
          reason: `${s.programme.name} spins no faster`,
          without: null,
        });
      else
        out.push(
          toBinding({
            parameter: 'spinRpm',
            bound: key,
            limit: slow.values[key],
            piece: slow,
            without: free !== null && free > load.spinRpm ? free : null,
          }),
        );
    }
    const gentle = tightest(
      pieces,
      (p) => p.values.maxAction,
      (a, b) => actionOrder.indexOf(a) > actionOrder.indexOf(b),
    );
    if (gentle && gentle.values.maxAction !== 'normal') {
      const rest = others(pieces, gentle);
      const free =
        tightest(
          rest,
          (p) => p.values.maxAction,
          (a, b) => actionOrder.indexOf(a) > actionOrder.indexOf(b),
        )?.values.maxAction ?? null;
      out.push(
        toBinding({
          parameter: 'action',
          bound: 'maxAction',
          limit: gentle.values.maxAction,
          piece: gentle,
          without: free && free !== gentle.values.maxAction ? free : null,
        }),
      );
    }
  }
  const cold = tightest(
    pieces,
    (p) => p.values.tumble,
    (a, b) => tumbleOrder.indexOf(a) > tumbleOrder.indexOf(b),
  );
  if (cold && cold.values.tumble !== 'normal') {
    if (rules.tumble === 'never')
      out.push({
        parameter: 'tumble',
        limit: 'none',
        garment: null,
        source: 'rule',
        reason: 'house rule: air only',
        without: null,
      });
    else {
      const free =
        tightest(
          others(pieces, cold),
          (p) => p.values.tumble,
          (a, b) => tumbleOrder.indexOf(a) > tumbleOrder.indexOf(b),
        )?.values.tumble ?? null;
      out.push(
        toBinding({
          parameter: 'tumble',
          bound: 'tumble',
          limit: cold.values.tumble,
          piece: cold,
          without: free && free !== cold.values.tumble ? free : null,
        }),
      );
    }
  }
  return out.filter((x): x is Binding => x !== null);
}

const warn = (
  code: PlanWarning['code'],
  severity: PlanWarning['severity'],
  garments: readonly string[],
  text: string,
): PlanWarning => ({ code, severity, garments, text });
const ids = (ps: readonly Profile[]): string[] => ps.map((p) => p.garment.id);
const names = (ps: readonly Profile[]): string => ps.map((p) => p.garment.name).join(', ');

/** What to watch in this load. */
export function loadWarnings(b: Basket, load: PricedLoad, pieces: readonly Profile[]): PlanWarning[] {
  const out: PlanWarning[] = [];
  const where = (test: (p: Profile) => boolean): Profile[] => pieces.filter(test);
  const untested = where((p) => p.history.untested && p.history.strongColour);
  if (untested.length)
    out.push(
      warn(
        'dye-untested',
        'caution',
        ids(untested),
        `${names(untested)}: a strong colour not yet tested. Cold, with its own colour${load.catcher ? ', with a colour catcher' : ''}; read the catcher afterwards.`,
      ),
    );
  const bleeders = where((p) => p.history.knownBleeder);
  const t = load.worstTransfer;
  if (bleeders.length)
    out.push(
      warn('dye-bleeds', 'caution', ids(bleeders), `${names(bleeders)} bled before. Take the load out at once.`),
    );
  else if (t && t.deltaE >= bleedLimits.white)
    out.push(
      warn(
        'dye-bleeds',
        'info',
        ids([b.profiles[t.giver], b.profiles[t.receiver]].flatMap((p) => p ?? [])),
        `${b.profiles[t.giver]?.garment.name ?? ''} may lend a little colour (ΔE about ${roundTo(t.deltaE, 1)}).`,
      ),
    );
  const overruled = where((p) => p.labelOverruled);
  if (overruled.length)
    out.push(
      warn(
        'label-overruled',
        'caution',
        ids(overruled),
        `${names(overruled)}: the label is set aside by your decision. The risk is yours.`,
      ),
    );
  const felting = where((p) => p.isWool && load.setting.method === 'machine');
  if (felting.length)
    out.push(
      warn('felting', 'info', ids(felting), `${names(felting)} can felt: no warmer, no longer, no other programme.`),
    );
  const stained = where((p) => p.garment.stains.length > 0);
  if (stained.length)
    out.push(
      warn(
        'stain-before-heat',
        'caution',
        ids(stained),
        `No dryer and no iron for ${names(stained)} until the stain is gone. Look at it dry, in daylight.`,
      ),
    );
  const fuel = where((p) => p.contamination === 'fuel');
  if (fuel.length)
    out.push(
      warn(
        'fuel-fire',
        'danger',
        ids(fuel),
        'Fuel or solvent: air it outdoors first, wash it by itself, never tumble or iron it. Ask your fire service or waste office what to do with soaked cloth.',
      ),
    );
  const hygiene = where((p) => p.contamination === 'hygiene');
  if (hygiene.length)
    out.push(
      warn(
        'hygiene',
        load.setting.temperatureC < 60 ? 'caution' : 'info',
        ids(hygiene),
        load.setting.temperatureC < 60
          ? `${load.setting.temperatureC} °C does not disinfect; the label allows no more. Follow local health advice.`
          : 'Washed hot with its like. Wash your hands after loading.',
      ),
    );
  const deficit = where((p) => (load.deficits[pieces.indexOf(p)] ?? 0) >= 0.25);
  if (deficit.length)
    out.push(
      warn(
        'cleaning-deficit',
        'info',
        ids(deficit),
        `${names(deficit)} may not come out quite clean: the label allows no more.`,
      ),
    );
  const bulky = where(
    (p) => pieces.length > 1 && p.massKg > unbalanceShare * load.massKg && load.setting.method === 'machine',
  );
  if (fillClass(load.fill) === 'under' && load.setting.method === 'machine')
    out.push(
      warn(
        'underfilled',
        'info',
        ids(pieces),
        `The drum is ${Math.round(load.fill * 100)} % full${bulky.length ? `, and ${names(bulky)} may unbalance the spin` : ''}.`,
      ),
    );
  const zips = where((p) => p.garment.traits.has('zip'));
  if (zips.length && pieces.length > zips.length)
    out.push(
      warn('hard-parts', 'info', ids(zips), `Close the zip of ${names(zips)} so that it does not rub the others.`),
    );
  const denim = where(
    (p) => isDenim(p.garment) && load.setting.method === 'machine' && load.spinRpm > p.values.maxSpinRpm,
  );
  if (denim.length)
    out.push(
      warn('assumed', 'info', ids(denim), 'This machine has no slower spin; denim may show lengthwise creases.'),
    );
  if (load.product.remaining !== null && load.doseAmount > load.product.remaining)
    out.push(
      warn(
        'product-runs-out',
        'caution',
        ids(pieces),
        `${load.product.name}: ${roundTo(load.product.remaining, 0)} ${load.doseUnit} left, ${roundTo(load.doseAmount, 0)} needed.`,
      ),
    );
  return out;
}

/** Warnings about what is known of a piece, wherever it goes. */
export function pieceWarnings(profiles: readonly Profile[]): PlanWarning[] {
  const out: PlanWarning[] = [];
  const active = profiles.filter((p) => p.garment.include);
  const unlabelled = active.filter((p) => p.garment.label === null);
  if (unlabelled.length)
    out.push(
      warn(
        'label-missing',
        'info',
        ids(unlabelled),
        `No care label for ${names(unlabelled)}: limits are taken from the fibre, one step more careful.`,
      ),
    );
  const assumed = active.filter(
    (p) =>
      p.garment.label !== null &&
      p.garment.label.wash === null &&
      p.envelope.bounds.some((x) => x.source === 'assumed' && x.parameter === 'maxTemperatureC'),
  );
  if (assumed.length)
    out.push(
      warn(
        'assumed',
        'info',
        ids(assumed),
        `The label of ${names(assumed)} says nothing about washing: limits are assumed.`,
      ),
    );
  for (const p of active.filter((q) => q.conflicts.length > 0))
    out.push(
      warn(
        'label-conflict',
        'caution',
        [p.garment.id],
        `${p.garment.name}: ${p.conflicts.join('; ')}. The safer value holds.`,
      ),
    );
  return out;
}

const strength: readonly Constraint[] = ['H4', 'H5', 'H3', 'H6', 'H7', 'H10', 'H8', 'H1', 'H2'];

/** The transfer that keeps two pieces apart, at the first of the settings that suit both; null when some setting lets them share. */
function firstTint(b: Basket, i: number, j: number): Transfer | 'no-setting' | null {
  const words = b.settingWords;
  let first: Transfer | 'no-setting' = 'no-setting';
  for (let w = 0; w < words; w++)
    for (
      let bits = (b.allowedBits[i * words + w] ?? 0) & (b.allowedBits[j * words + w] ?? 0);
      bits !== 0;
      bits &= bits - 1
    ) {
      const tint = transfers(b, [i, j], w * 32 + 31 - Math.clz32(bits & -bits), true).find(
        (t) => !transferAllowed(b, t.giver, t.receiver, t.deltaE),
      );
      if (!tint) return null;
      if (first === 'no-setting') first = tint;
    }
  return first;
}
/** Why two groups stay apart: the strongest reason between any two of their pieces; null when only the price keeps them apart. */
export function separationOf(b: Basket, loadA: PricedLoad, loadB: PricedLoad): Separation | null {
  let best: Separation | null = null;
  const offer = (garments: readonly number[], constraint: Constraint, text: string): void => {
    if (best && strength.indexOf(best.constraint) <= strength.indexOf(constraint)) return;
    best = { garments: garments.flatMap((i) => b.profiles[i]?.garment.id ?? []), constraint, text };
  };
  const name = (i: number): string => b.profiles[i]?.garment.name ?? '';
  const stillOpen = (constraint: Constraint): boolean =>
    best === null || strength.indexOf(best.constraint) > strength.indexOf(constraint);
  for (const i of loadA.pieces)
    for (const j of loadB.pieces) {
      const conflict = b.conflict[i]?.[j];
      if (conflict) {
        offer([i, j], conflict.constraint, conflict.text());
        continue;
      }
      if (!stillOpen('H3')) continue;
      const tint = firstTint(b, i, j);
      if (tint === 'no-setting') offer([i, j], 'H1', `No programme or bath suits both ${name(i)} and ${name(j)}.`);
      else if (tint)
        offer(
          [tint.giver, tint.receiver],
          'H3',
          `${name(tint.giver)} would tint ${name(tint.receiver)} (ΔE about ${roundTo(tint.deltaE, 1)}, allowed ${tint.limit}).`,
        );
    }
  if (
    !best &&
    loadA.setting.method === 'machine' &&
    loadB.setting.method === 'machine' &&
    loadA.massKg + loadB.massKg > Math.max(loadA.setting.programme.maxLoadKg, loadB.setting.programme.maxLoadKg)
  ) {
    const i = loadA.pieces[0] ?? 0;
    const j = loadB.pieces[0] ?? 0;
    offer([i, j], 'H2', 'Together they would overfill the drum.');
  }
  return best;
}
