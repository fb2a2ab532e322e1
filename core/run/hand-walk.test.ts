/** Washes by hand: what is written for which load, and that every walk ends, with clocks that never give time back. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { textOf } from '@words/text.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { profileOf, type Profile } from '../piece/profile.ts';
import { everydayGarment, garment, household, only, plainRules } from '../testing/arbitrary.ts';
import { bathCare, bathCareOrder, usableVolumeL } from '../washing/basin.ts';
import { sum } from '../units/numbers.ts';
import { mostSoakMin, writeHandWalk, type HandLoad, type HandWalk } from './hand-walk.ts';
import { timeLeftMs } from './clock.ts';
import { advance, beginWalk, walkActions, walkDue, walkEnded, type WalkAction, type WalkState } from './walk-state.ts';

const profiles = (gs: readonly Garment[]): Profile[] => gs.map((g) => profileOf(g, plainRules));
const basin = household.basins[0]!;
function load(gs: readonly Garment[], change: Partial<HandLoad> = {}): HandLoad {
  const pieces = profiles(gs);
  return {
    pieces,
    household,
    basin,
    temperatureC: 30,
    massKg: sum(pieces.map((p) => p.massKg)),
    soakMin: 10,
    rinses: 2,
    detergent: { name: 'Wool liquid', productClass: 'wool-silk', amount: 20, unit: 'ml' },
    usesBathOf: null,
    bathGoesTo: null,
    suspectDye: false,
    ...change,
  };
}
const jumper = garment('jumper', {
  kind: 'jumper_mid',
  parts: only('wool'),
  washCount: 0,
  weighedDryMassG: 400,
  dye: 'undyed',
  colours: [{ hex: '#f2efe6', role: 'ground' }],
});
const blouse = garment('blouse', { kind: 'silk_blouse', parts: only('silk'), traits: new Set(), weighedDryMassG: 120 });
const shirt = garment('shirt', { kind: 'dress_shirt', traits: new Set(['woven']), weighedDryMassG: 220 });
const kinds = (w: HandWalk): string[] => w.steps.map((s) => s.kind);

describe('the steps of a wash by hand', () => {
  test('new wool: a cold presoak first, pressed not rubbed, two rinses, the last one looked at', () => {
    const walk = writeHandWalk(load([jumper]));
    expect(kinds(walk)).toEqual([
      'presoak',
      'fill',
      'dissolve',
      'put-in',
      'soak',
      'move',
      'drain',
      'rinse',
      'rinse',
      'press',
      'roll',
      'roll',
    ]);
    expect(walk.care).toBe('wool');
    expect(walk.steps[0]!.clock).toEqual({ minutes: 30, mostMinutes: 45 });
    expect(walk.steps.filter((s) => s.check === 'rinse-clear')).toHaveLength(1);
    expect(walk.steps.at(8)!.check).toBe('rinse-clear');
    expect(textOf(walk.steps[5]!.message)).toBe('Press down and let it come up again, 10 times.');
  });
  test('wool that has been washed twice needs no presoak', () =>
    expect(kinds(writeHandWalk(load([{ ...jumper, washCount: 2 }])))).not.toContain('presoak'));
  test('silk soaks three minutes, and never longer than ten', () => {
    const walk = writeHandWalk(load([blouse], { soakMin: 3 }));
    expect(walk.steps.find((s) => s.kind === 'soak')!.clock).toEqual({ minutes: 3, mostMinutes: 10 });
    expect(textOf(walk.forgotten)).toMatch(/^Silk does not stand long/);
  });
  test('collars of shirts are brushed, those of silk are not', () => {
    expect(kinds(writeHandWalk(load([shirt])))[0]).toBe('brush');
    expect(kinds(writeHandWalk(load([{ ...shirt, soil: 'light' }])))).not.toContain('brush');
    expect(kinds(writeHandWalk(load([blouse])))).not.toContain('brush');
  });
  test('marks are looked at half-way, and the soak is as long as it was', () => {
    const marked = garment('marked', {
      stains: [
        {
          id: 's',
          kind: 'coffee',
          ageHours: 1,
          heatSet: false,
          heat: null,
          tried: [],
          place: '',
          sizeCm: 2,
          failedRounds: 0,
        },
      ],
    });
    const walk = writeHandWalk(load([marked], { soakMin: 15 }));
    const soaks = walk.steps.filter((s) => s.kind === 'soak');
    expect(kinds(walk)).toContain('look');
    expect(sum(soaks.map((s) => s.clock!.minutes))).toBe(15);
    expect(kinds(writeHandWalk(load([marked], { soakMin: 9 })))).not.toContain('look');
  });
  test('a bath that is used again is looked at first; a fresh one is only made when it has taken colour', () => {
    const walk = writeHandWalk(load([jumper], { usesBathOf: 1 }));
    expect(kinds(walk).slice(0, 4)).toEqual(['same-bath', 'fill', 'dissolve', 'put-in']);
    expect(walk.steps.filter((s) => s.onlyFreshBath).map((s) => s.kind)).toEqual(['fill', 'dissolve']);
    const clear = advance(walk, beginWalk(), 'clear', 0);
    const coloured = advance(walk, beginWalk(), 'cloudy', 0);
    expect(clear.ok && walkDue(walk, clear.value)?.kind).toBe('put-in');
    expect(coloured.ok && walkDue(walk, coloured.value)?.kind).toBe('fill');
  });
  test('a bath that is left for the next load is not let out', () => {
    expect(kinds(writeHandWalk(load([jumper], { bathGoesTo: 2 })))).toContain('lift-out');
    expect(kinds(writeHandWalk(load([jumper], { bathGoesTo: 2 })))).not.toContain('drain');
  });
  test('vinegar only against a smell, when there is some, and not after a no-rinse product', () => {
    const vinegar: Household = {
      ...household,
      products: [
        ...household.products,
        {
          id: 'v',
          name: 'White vinegar',
          class: 'vinegar',
          form: 'liquid',
          dose: null,
          remaining: null,
          pricePerUnit: null,
        },
      ],
    };
    const smelly = { ...jumper, odour: true };
    expect(kinds(writeHandWalk(load([smelly], { household: vinegar })))).toContain('vinegar');
    expect(kinds(writeHandWalk(load([smelly])))).not.toContain('vinegar');
    expect(kinds(writeHandWalk(load([jumper], { household: vinegar })))).not.toContain('vinegar');
    const noRinse = { name: 'No-rinse', productClass: 'no-rinse-wool', amount: 10, unit: 'ml' };
    expect(kinds(writeHandWalk(load([smelly], { household: vinegar, detergent: noRinse, rinses: 0 })))).not.toContain(
      'vinegar',
    );
  });
  test('a hot tap that is too cool: the kettle, by the arithmetic', () => {
    const cool: Household = { ...household, water: { ...household.water, hotC: 28, coldC: 12 } };
    const walk = writeHandWalk(load([shirt], { household: cool, temperatureC: 40 }));
    const fill = walk.steps.find((s) => s.kind === 'fill')!;
    expect(fill.message.code).toBe('hand.fill-kettle');
    const { kettleL, hotL } = fill.message.params as { kettleL: number; hotL: number };
    expect(Math.abs((kettleL * 95 + hotL * 28) / (kettleL + hotL) - 40)).toBeLessThan(1.5); // litres to the tenth
  });
  test('no hot tap at all: the kettle is poured to cold water', () => {
    const cold: Household = { ...household, water: { ...household.water, hotC: 12, coldC: 12 } };
    const fill = writeHandWalk(load([shirt], { household: cold })).steps.find((s) => s.kind === 'fill')!;
    expect(fill.message.params).toMatchObject({ hotL: 0 });
    expect(textOf(fill.message)).toMatch(/pour 0\.\d l from the kettle to 2\.\d l cold water/);
  });
  test('two halves of a soak end together at its longest time', () => {
    const stain = { id: 's', kind: 'coffee' as const, ageHours: 1, heatSet: false, heat: null };
    const marked = garment('wool', {
      kind: 'jumper_mid',
      parts: only('wool'),
      stains: [{ ...stain, tried: [], place: '', sizeCm: 2, failedRounds: 0 }],
    });
    const [first, second] = writeHandWalk(load([marked], { soakMin: 15 })).steps.filter((s) => s.kind === 'soak');
    expect(first!.clock!.minutes + second!.clock!.mostMinutes).toBe(30);
  });
  test('a colour that is not trusted soaks five minutes at most; dyed cloth less long than white', () => {
    const white = garment('white', { dye: 'undyed', colours: [{ hex: '#fbfbf8', role: 'ground' }] });
    const red = garment('red', { colours: [{ hex: '#a02020', role: 'ground' }] });
    expect(mostSoakMin({ pieces: profiles([red]), suspectDye: true }, 'normal')).toBe(5);
    expect(mostSoakMin({ pieces: profiles([red]), suspectDye: false }, 'normal')).toBe(120);
    expect(mostSoakMin({ pieces: profiles([white]), suspectDye: false }, 'normal')).toBe(480);
    expect(kinds(writeHandWalk(load([jumper], { suspectDye: true })))).not.toContain('presoak');
  });
});

const anyLoad = fc
  .record({
    gs: fc.array(everydayGarment, { minLength: 1, maxLength: 4 }),
    soakMin: fc.integer({ min: 0, max: 20 }),
    rinses: fc.integer({ min: 0, max: 5 }),
    temperatureC: fc.constantFrom(20, 30, 40),
    reuse: fc.constantFrom(null, 1),
    suspectDye: fc.boolean(),
  })
  .map(({ gs, reuse, ...rest }) => load(gs, { ...rest, usesBathOf: reuse }));

describe('properties of every walk', () => {
  test('it ends, whatever is answered', () =>
    fc.assert(
      fc.property(
        anyLoad,
        fc.array(fc.constantFrom(...walkActions.filter((a) => a !== 'back')), { maxLength: 400 }),
        (l, acts) => {
          const walk = writeHandWalk(l);
          let s = beginWalk();
          let now = 0;
          for (const a of acts) {
            now += 60_000;
            const next = advance(walk, s, a, now);
            if (next.ok) s = next.value;
          }
          // Whoever answers what is asked comes to the end in as many steps as there are, and the extra rinses.
          let left = walk.steps.length * 2 + walk.mostExtraRinses;
          while (!walkEnded(walk, s)) {
            expect(left--).toBeGreaterThan(0);
            const due = walkDue(walk, s)!;
            const action: WalkAction = due.check ? 'cloudy' : due.clock ? 'early' : 'done';
            const next = advance(walk, s, action, now);
            expect(next.ok).toBe(true);
            if (next.ok) s = next.value;
          }
        },
      ),
    ));
  test('no water warmer than the load allows, no more of it than the tub holds', () =>
    fc.assert(
      fc.property(anyLoad, (l) => {
        const { steps, tub, care } = writeHandWalk(l);
        for (const s of steps)
          if (s.temperatureC !== null)
            expect(s.temperatureC).toBeLessThanOrEqual(Math.max(l.temperatureC, household.water.coldC));
        expect(tub.waterL).toBeLessThanOrEqual(usableVolumeL(basin) + 1e-9);
        for (const s of steps)
          if (s.kind === 'soak') expect(s.clock!.minutes).toBeLessThanOrEqual(s.clock!.mostMinutes);
        expect(bathCareOrder.indexOf(care)).toBe(Math.max(...l.pieces.map((p) => bathCareOrder.indexOf(p.bathCare))));
        for (const s of steps)
          if (s.kind === 'soak') expect(s.clock!.mostMinutes).toBeLessThanOrEqual(bathCare[care].mostSoakMin);
      }),
    ));
  test('wool and silk are never brushed, plunged or spun faster than they bear', () =>
    fc.assert(
      fc.property(anyLoad, (l) => {
        const { steps } = writeHandWalk(l);
        if (l.pieces.some((p) => p.isWool || p.isSilk))
          expect(steps.map((s) => s.message.code)).not.toContain('hand.move-plunge');
        for (const s of steps)
          if (s.message.code === 'hand.spin') {
            const { rpm } = s.message.params;
            for (const p of l.pieces) expect(rpm).toBeLessThanOrEqual(p.values.maxSpinRpm * 1.1);
          }
      }),
    ));
});

describe('a step and its clock', () => {
  const walk = writeHandWalk(load([blouse], { soakMin: 3 }));
  const atSoak = (): WalkState => {
    let s = beginWalk();
    while (walkDue(walk, s)!.kind !== 'soak') {
      const next = advance(walk, s, 'done', 0);
      if (!next.ok) throw new Error('must go on');
      s = next.value;
    }
    return s;
  };
  const act = (s: WalkState, a: WalkAction, now: number) => {
    const next = advance(walk, s, a, now);
    if (!next.ok) throw new Error(next.reason.code);
    return next.value;
  };
  test('is not over before its time, half a minute is no lie', () => {
    const s = act(atSoak(), 'start-clock', 1_000);
    const early = advance(walk, s, 'done', 1_000 + 149_000);
    expect(!early.ok && early.reason).toEqual({ code: 'hand.clock-runs', params: { minutes: 1 } });
    expect(walkDue(walk, act(s, 'done', 1_000 + 150_000))!.kind).toBe('move');
  });
  test('needs its clock started', () => {
    const refused = advance(walk, atSoak(), 'done', 0);
    expect(!refused.ok && refused.reason.code).toBe('hand.clock-first');
  });
  test('starting it twice changes nothing', () => {
    const s = act(atSoak(), 'start-clock', 5_000);
    expect(act(s, 'start-clock', 90_000)).toEqual(s);
  });
  test('a clock set back gives no time back', () => {
    const { clock } = act(atSoak(), 'start-clock', 1_000_000);
    expect(timeLeftMs(clock!, 0)).toBe(180_000);
    expect(timeLeftMs(clock!, 1_060_000)).toBe(120_000);
    expect(timeLeftMs(clock!, 1_300_000)).toBe(-120_000);
  });
  test('back goes to the step before, and the clock begins anew', () => {
    const s = act(atSoak(), 'start-clock', 0);
    const back = act(s, 'back', 0);
    expect(walkDue(walk, back)!.kind).toBe('put-in');
    expect(back.clock).toBeNull();
    expect(back.seen).toBeGreaterThan(s.seen);
    const first = advance(walk, beginWalk(), 'back', 0);
    expect(!first.ok && first.reason.code).toBe('hand.first-step');
  });
  test('cloudy water: three rinses more at most, then it is said', () => {
    let s = atSoak();
    s = act(act(act(s, 'early', 0), 'done', 0), 'done', 0);
    s = act(s, 'done', 0);
    expect(walkDue(walk, s)!.check).toBe('rinse-clear');
    for (let k = 1; k <= 3; k++) {
      s = act(s, 'cloudy', 0);
      expect(s.extraRinses).toBe(k);
      expect(walkDue(walk, s)!.kind).toBe('rinse');
    }
    s = act(s, 'cloudy', 0);
    expect(s.cloudy).toBe(true);
    expect(walkDue(walk, s)!.kind).toBe('press');
    const noLook = advance(walk, s, 'clear', 0);
    expect(!noLook.ok && noLook.reason.code).toBe('hand.nothing-to-look');
  });
  test('only what may be left out is left out', () => {
    const s = beginWalk();
    const refused = advance(walk, s, 'skip', 0);
    expect(!refused.ok && refused.reason.code).toBe('hand.not-skipped');
  });
});
