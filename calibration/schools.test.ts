/** Every school of the house rules changes a plan of these baskets, in the way a practitioner would expect. */
import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { houseRules } from '@core/model/household.ts';
import { readHamperValue, type HamperDocument } from '@formats/hamper.ts';
import { planHamper, type PlanDocument } from '@formats/plan.ts';

type Rules = NonNullable<HamperDocument['household']['rules']>;
type Garment = HamperDocument['garments'][number];
type Change = (h: HamperDocument) => void;

const basket = (name: string): HamperDocument =>
  (JSON.parse(readFileSync(`calibration/${name}.json`, 'utf8')) as { input: HamperDocument }).input;
function planned(h: HamperDocument, rules: Rules): PlanDocument {
  const read = readHamperValue({ ...h, household: { ...h.household, rules: { ...h.household.rules, ...rules } } });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return planHamper(read.value);
}
interface Both {
  before: PlanDocument;
  after: PlanDocument;
  garments: Map<string, Garment>;
}
const under = (name: string, from: Rules, to: Rules, change: Change = () => undefined): Both => {
  const h = basket(name);
  change(h);
  return { before: planned(h, from), after: planned(h, to), garments: new Map(h.garments.map((g) => [g.id, g])) };
};
const loadOf = (p: PlanDocument, id: string) => p.loads.find((l) => l.garments.includes(id));
const outcome = (p: PlanDocument, id: string) => p.garments.find((g) => g.id === id)?.outcome;
const isWool = (g: Garment | undefined): boolean => g?.parts[0]?.fibres[0]?.fibre === 'wool';
const additives = (p: PlanDocument): string[] => p.loads.flatMap((l) => l.additives.map((a) => a.class));
const dried = (p: PlanDocument, method: RegExp): number =>
  p.garments.filter((g) => g.dry && method.test(g.dry.method)).length;
const at60 = (p: PlanDocument): number => p.loads.filter((l) => l.temperatureC >= 60).length;
const garment = (h: HamperDocument, id: string): Garment => {
  const g = h.garments.find((x) => x.id === id);
  if (!g) throw new Error(`${id} is not in the basket`);
  return g;
};

const schools: Record<string, () => void> = {
  'colourPiles two': () => {
    const { before, after } = under('00-demo', {}, { colourPiles: 'two' });
    expect(after.loads.length).toBeGreaterThan(before.loads.length);
  },
  'colourPiles three': () => {
    const { before, after } = under('00-demo', {}, { colourPiles: 'three' });
    expect(after.loads.length).toBeGreaterThan(before.loads.length);
  },
  'colourPiles black-white-colour': () => {
    const { before, after } = under('205-silk-lace-basin-only', {}, { colourPiles: 'black-white-colour' });
    expect(after.loads.length).toBeGreaterThan(before.loads.length);
  },
  'handLabel hand': () => {
    const { after, garments } = under('213-swimmers', {}, { handLabel: 'hand' });
    const byHand = [...garments.values()].filter(
      (g) => g.label?.wash?.by === 'hand' && outcome(after, g.id) === 'wash',
    );
    expect(byHand.length).toBeGreaterThan(0);
    for (const g of byHand) expect(loadOf(after, g.id)?.method).toBe('hand');
  },
  'wool hand': () => {
    const { before, after, garments } = under('00-demo', {}, { wool: 'hand' });
    const methods = (p: PlanDocument) =>
      new Set([...garments.values()].filter(isWool).flatMap((g) => loadOf(p, g.id)?.method ?? []));
    expect(methods(before).has('machine')).toBe(true);
    expect([...methods(after)]).toEqual(['hand']);
  },
  'woolCompany alone': () => {
    const { after, garments } = under('202-family-babies-muddy-kit', {}, { woolCompany: 'alone', waiting: 'none' });
    for (const l of after.loads.filter((x) => x.garments.some((id) => isWool(garments.get(id)))))
      expect(l.garments.filter((id) => !isWool(garments.get(id)))).toEqual([]);
  },
  'dryCleanOnly test-first': () => {
    const closed: Change = (h) =>
      Object.assign(garment(h, 'bl1'), { allowTestFirst: true, label: { wash: { by: 'none' }, dryClean: 'P' } });
    const { before, after } = under('205-silk-lace-basin-only', {}, { dryCleanOnly: 'test-first' }, closed);
    expect([outcome(before, 'bl1'), outcome(after, 'bl1')]).toEqual(['professional', 'test-first']);
    expect(after.garments.find((g) => g.id === 'bl1')?.unlock?.test).toBe('spot');
  },
  'whites colour-safe': () => {
    const { before, after } = under('00-demo', {}, { whites: 'colour-safe' });
    const classes = (p: PlanDocument) => p.loads.map((l) => l.detergent?.class);
    expect(classes(before)).toContain('universal');
    expect(classes(after)).not.toContain('universal');
  },
  'whites chlorine': () => {
    // Only what bears it, all of it: a load with one piece that does not gets none.
    const row = { light: 60, normal: 60, heavy: 60 };
    const greyed: Change = (h) => {
      h.household.washers?.forEach((w) => Object.assign(w, { bleachDispenser: true }));
      h.household.products?.push({
        id: 'zz-chlorine',
        class: 'chlorine-bleach',
        form: 'liquid',
        dose: { unit: 'ml', perLoadKg: 4.5, table: { soft: row, medium: row, hard: row } },
      });
      h.garments = h.garments.filter((g) => g.kind.includes('towel') || g.kind === 'face_cloth');
      for (const g of h.garments)
        Object.assign(g, {
          colours: [{ hex: '#f7f7f4', role: 'ground' }],
          dye: 'undyed',
          label: { ...g.label, bleach: 'any' },
          stains: [{ id: 'grey', kind: 'greyed-whites' }],
        });
    };
    const { before, after } = under('202-family-babies-muddy-kit', {}, { whites: 'chlorine' }, greyed);
    expect(additives(before)).not.toContain('chlorine-bleach');
    expect(additives(after)).toContain('chlorine-bleach');
  },
  'softening vinegar': () => {
    const { before, after } = under('00-demo', {}, { softening: 'vinegar' });
    expect(additives(before)).not.toContain('vinegar');
    expect(additives(after)).toContain('vinegar');
  },
  'softening softener': () => {
    const { after, garments } = under('213-swimmers', { softening: 'none' }, { softening: 'softener' });
    const softened = after.loads.filter((l) => l.softener);
    for (const l of softened)
      for (const id of l.garments) expect(garments.get(id)?.kind).not.toMatch(/swim|sport|towel/);
    const { before, after: home } = under(
      '00-demo',
      {},
      { softening: 'softener' },
      (h) => void h.household.products?.push({ id: 'soft', class: 'softener', form: 'liquid' } as never),
    );
    expect([before, home].map((p) => additives(p).includes('softener'))).toEqual([false, true]);
  },
  'tumble towels': () => {
    const { before, after } = under('00-demo', { tumble: 'never' }, { tumble: 'towels' });
    expect([dried(before, /tumble/), dried(after, /tumble/) > 0]).toEqual([0, true]);
  },
  'tumble when-allowed': () => {
    const { before, after } = under('00-demo', { tumble: 'towels' }, { tumble: 'when-allowed' });
    expect(dried(after, /tumble/)).toBeGreaterThan(dried(before, /tumble/));
  },
  'denim label': () => {
    const { before, after, garments } = under('202-family-babies-muddy-kit', { denim: 'cold' }, { denim: 'label' });
    const jeans = [...garments.values()].find((g) => g.kind === 'jeans');
    expect(JSON.stringify(loadOf(after, jeans?.id ?? ''))).not.toBe(JSON.stringify(loadOf(before, jeans?.id ?? '')));
    expect(loadOf(after, jeans?.id ?? '')?.temperatureC).toBeGreaterThanOrEqual(
      loadOf(before, jeans?.id ?? '')?.temperatureC ?? 0,
    );
  },
  'denim contrast-40': () => {
    const worn: Change = (h) => {
      const raw = garment(h, 'rw');
      Object.assign(raw, { washCount: 4, label: { wash: { by: 'machine', maxC: 40, action: 'normal' } } });
    };
    const { before, after } = under('209-all-new-dark-and-red', { denim: 'cold' }, { denim: 'contrast-40' }, worn);
    expect(loadOf(before, 'rw')?.temperatureC).toBeLessThan(40);
    expect(loadOf(after, 'rw')?.temperatureC).toBe(40);
  },
  'tshirtDrying flat': () => {
    const { before, after } = under('00-demo', {}, { tshirtDrying: 'flat' });
    expect(dried(after, /^flat$/)).toBeGreaterThan(dried(before, /^flat$/));
  },
  'shirtAim easy-iron': () => {
    const { after, garments } = under('202-family-babies-muddy-kit', {}, { shirtAim: 'easy-iron' });
    const shirts = [...garments.values()].filter((g) => g.kind === 'dress_shirt');
    expect(shirts.length).toBeGreaterThan(0);
    for (const g of shirts) {
      const load = loadOf(after, g.id);
      expect(load?.spinRpm).toBe(0);
      // It concerns the shirts, not everything that shares their day.
      expect(load?.garments.filter((id) => garments.get(id)?.kind.includes('towel'))).toEqual([]);
    }
  },
  'dosing undershoot': () => {
    // It spares on lightly soiled loads only.
    const slightlySoiled: Change = (h) => {
      h.garments = h.garments
        .filter((g) => (g.stains ?? []).length === 0)
        .map((g) => ({ ...g, soil: 'light' as const }));
    };
    const { before, after } = under('202-family-babies-muddy-kit', {}, { dosing: 'undershoot' }, slightlySoiled);
    const dose = (p: PlanDocument) => p.loads.reduce((s, l) => s + (l.detergent?.amount ?? 0), 0);
    expect(dose(after)).toBeLessThan(dose(before));
  },
  'reuseBath true': () => {
    const { before, after } = under('205-silk-lace-basin-only', { reuseBath: false }, { reuseBath: true });
    expect(before.loads.some((l) => l.reuses !== undefined)).toBe(false);
    const again = after.loads.filter((l) => l.reuses !== undefined);
    expect(again.length).toBeGreaterThan(0);
    for (const l of again) {
      const first = after.loads.find((x) => x.id === l.reuses);
      expect([first?.detergent?.class, l.detergent?.class, l.detergent?.amount]).toEqual([
        'no-rinse-wool',
        'no-rinse-wool',
        0,
      ]);
      expect(after.loads.indexOf(l) - after.loads.indexOf(first as (typeof after.loads)[number])).toBe(1);
    }
  },
  'skin careful': () => {
    const { before, after } = under('00-demo', {}, { skin: 'careful' });
    const rinsed = (p: PlanDocument) => p.loads.filter((l) => l.extraRinse).length;
    expect(rinsed(after)).toBeGreaterThan(rinsed(before));
  },
  'kitchenLinen apart-below-60': () => {
    const { before, after } = under('00-demo', {}, { kitchenLinen: 'apart-below-60' });
    expect(after.loads.length).toBeLessThan(before.loads.length);
  },
  'kitchenLinen any': () => {
    const { before, after } = under('00-demo', {}, { kitchenLinen: 'any' });
    expect(after.loads.length).toBeLessThan(before.loads.length);
  },
  'linenHeat warm': () => {
    const { before, after } = under('00-demo', {}, { linenHeat: 'warm' });
    expect(at60(after)).toBeLessThan(at60(before));
  },
  'waiting none': () => {
    const { before, after } = under('202-family-babies-muddy-kit', {}, { waiting: 'none' });
    expect(before.garments.filter((g) => g.outcome === 'wait').length).toBeGreaterThan(0);
    expect(after.garments.filter((g) => g.outcome === 'wait')).toEqual([]);
  },
  'priority gentle': () => {
    const { before, after } = under('202-family-babies-muddy-kit', {}, { priority: 'gentle' });
    expect(after.loads.length).toBeGreaterThan(before.loads.length);
  },
  'priority thrifty': () => {
    const { before, after } = under('00-demo', {}, { priority: 'thrifty' });
    expect(after.totals.money).toBeLessThan(before.totals.money);
  },
  'priority quick': () => {
    const { before, after } = under('00-demo', {}, { priority: 'quick' });
    const minutes = (p: PlanDocument) => p.loads.reduce((s, l) => s + l.durationMin, 0);
    expect(minutes(after)).toBeLessThan(minutes(before));
  },
};

describe('schools', () => {
  test.each(Object.keys(schools))('%s', (name) => schools[name]?.());
  test('none is missing: every option beside the first of its rule', () => {
    const every = Object.entries(houseRules).flatMap(([rule, [, ...others]]) =>
      others.map((o) => `${rule} ${String(o)}`),
    );
    expect(Object.keys(schools).sort()).toEqual(expect.arrayContaining(every.filter((e) => !e.endsWith('balanced'))));
  });
});
