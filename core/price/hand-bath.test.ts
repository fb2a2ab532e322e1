/** A hand bath: its water, rinses and minutes, the steps that people follow, and the nets a load asks for. */
import { describe, expect, test } from '@jest/globals';
import { say } from '../message/message.ts';
import { textOf } from '@words/text.ts';
import fc from 'fast-check';
import type { Garment } from '../model/garment.ts';
import { garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { mark } from '../testing/mark.ts';
import { basketOf } from './basket.ts';
import { featuresOf } from './features.ts';
import { handBath, handDuration, handStepMinutes } from './hand-bath.ts';
import { netNeed } from '../piece/nets.ts';
import { loadAt } from './price.ts';
import { procedureOf } from '../plan/procedure.ts';

const dosing = say('step.dose', { amount: 20, unit: 'ml', product: 'Liquid', compartment: 'main', caught: false });

const jumper = (id: string, change: Partial<Garment> = {}) =>
  garment(id, {
    kind: 'jumper_mid',
    parts: only('wool'),
    traits: new Set(['jersey-knit']),
    label: washLabel(30, 'very-mild'),
    ...change,
  });
const at = (gs: Garment[], temperatureC = 30) => {
  const b = basketOf(gs, household);
  const index = b.settings.findIndex((s) => s.method === 'hand' && s.temperatureC === temperatureC);
  return {
    b,
    index,
    s: b.settings[index] as Extract<(typeof b.settings)[number], { method: 'hand' }>,
    f: featuresOf(
      b,
      gs.map((_, i) => i),
    ),
  };
};

describe('the bath', () => {
  test('litres grow with the mass, at least three, never above the usable volume', () => {
    const litres = (massG: number) => {
      const { b, s, f } = at([jumper('j', { weighedDryMassG: massG })]);
      return handBath(b, s, f, 4, false).litres;
    };
    expect(litres(60)).toBe(3);
    expect(litres(500)).toBeGreaterThan(litres(300));
    expect(litres(900)).toBeLessThanOrEqual(at([jumper('j')]).s.usableL);
  });
  test('warm water is mixed: 30 °C of 12 and 55 needs 18/43 of it hot', () => {
    const { b, s, f } = at([jumper('j', { weighedDryMassG: 400 })]);
    const bath = handBath(b, s, f, 4, false);
    expect(bath.hotL).toBeCloseTo((bath.litres * 18) / 43, 6);
    const cold = at([jumper('j', { weighedDryMassG: 400 })], 20);
    expect(handBath(cold.b, cold.s, cold.f, 4, false).hotL).toBeCloseTo((bath.litres * 8) / 43, 6);
  });
  test('a no-rinse product needs none, another at least one', () => {
    const { b, s, f } = at([jumper('j')]);
    expect(handBath(b, s, f, 1.25, true).rinses).toBe(0);
    expect(handBath(b, s, f, 4, false).rinses).toBeGreaterThanOrEqual(1);
    expect(handBath(b, s, f, 12, false).rinses).toBeGreaterThanOrEqual(handBath(b, s, f, 4, false).rinses);
  });
  test('what may bleed does not soak', () => {
    const red = at([garment('r', { colours: [{ hex: '#a3222f', role: 'ground' }], dye: 'unknown', washCount: 0 })], 20);
    expect(handBath(red.b, red.s, red.f, 4, false).soakMin).toBe(0);
    const calm = at([jumper('j', { dye: 'undyed', colours: [{ hex: '#f2ead8', role: 'ground' }] })]);
    expect(handBath(calm.b, calm.s, calm.f, 4, false).soakMin).toBeGreaterThan(0);
  });
});

describe('the bath by its cloth', () => {
  const bath = (g: Garment, perLitre: number, noRinse: boolean) => {
    const { b, s, f } = at([g]);
    return handBath(b, s, f, perLitre, noRinse);
  };
  const calm = { dye: 'undyed', colours: [{ hex: '#f2ead8', role: 'ground' as const }], weighedDryMassG: 300 } as const;
  const cotton = garment('c', { ...calm, label: washLabel(40) });
  const wool = garment('w', { ...calm, kind: 'jumper_mid', parts: only('wool'), label: washLabel(30, 'very-mild') });
  const silk = garment('s', { ...calm, kind: 'silk_blouse', parts: only('silk'), label: washLabel(30, 'very-mild') });
  test('litres and soak by the most demanding cloth', () => {
    expect([cotton, wool, silk].map((g) => bath(g, 4, false).care)).toEqual(['normal', 'wool', 'silk']);
    expect([cotton, wool, silk].map((g) => bath(g, 4, false).litres.toFixed(3))).toEqual(['3.600', '7.500', '7.500']);
    expect([cotton, wool, silk].map((g) => bath(g, 4, false).soakMin)).toEqual([15, 10, 3]);
  });
  test('what is not rinsed out works a quarter of an hour; silk keeps its own three minutes', () =>
    expect([cotton, wool, silk].map((g) => bath(g, 1, true).soakMin)).toEqual([15, 15, 3]));
  test('rinses bring 4 ml/l of cotton bath below 50 mg/l, of a weak bath one is left', () => {
    const { litres } = bath(cotton, 4, false);
    const { carryL } = at([cotton]).f;
    const after = (n: number): number => 4_000 * (carryL / (carryL + litres)) ** n;
    const { rinses } = bath(cotton, 4, false);
    expect(after(rinses)).toBeLessThanOrEqual(50);
    expect(after(rinses - 1)).toBeGreaterThan(50);
    expect(bath(cotton, 0.01, false).rinses).toBe(1);
    expect(bath(cotton, 4, true).rinses).toBe(0);
  });
  test('minutes: fill 5, soak, move 3, drain 2, five a rinse, press 3, roll 4', () => {
    const b = bath(silk, 1, true);
    expect(handDuration(b)).toBe(5 + 3 + 3 + 2 + 3 + 4);
    expect(handDuration({ ...b, rinses: 2 })).toBe(20 + 10);
  });
});

describe('the steps by hand', () => {
  test('their minutes are the load’s duration, in the order of doing, the last rinse is looked at', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 120, max: 700 }),
        fc.constantFrom('wool' as const, 'silk' as const, 'cotton' as const),
        fc.constantFrom(20, 30),
        (massG, fibre, temperatureC) => {
          const { b, index } = at([jumper('j', { parts: only(fibre), weighedDryMassG: massG })], temperatureC);
          const load = loadAt(b, [0], index)!;
          const steps = procedureOf(load, b.profiles, dosing);
          const bathSteps = steps.filter((x) => !['read-catcher', 'inspect', 'measure'].includes(x.step));
          expect(bathSteps.reduce((t, x) => t + x.minutes, 0)).toBe(load.durationMin);
          expect(handDuration(load.bath!)).toBe(load.durationMin);
          expect(bathSteps.map((x) => x.step)).toEqual([
            'fill-basin',
            'dose',
            ...(load.bath!.soakMin > 0 ? ['soak'] : []),
            'move',
            'drain',
            ...Array.from({ length: load.bath!.rinses }, () => 'rinse'),
            'press-out',
            'towel-roll',
          ]);
          const rinses = bathSteps.filter((x) => x.step === 'rinse');
          expect(rinses.map((x) => x.check?.code ?? null)).toEqual(
            rinses.map((_, i) => (i === rinses.length - 1 ? 'no-residue' : null)),
          );
          for (const x of rinses) expect(x.temperatureC).toBe(temperatureC);
        },
      ),
      { numRuns: 60 },
    ));
  test('only the soak leaves the hands free', () => {
    const { b, index } = at([jumper('j')]);
    const load = loadAt(b, [0], index)!;
    expect(
      procedureOf(load, b.profiles, dosing)
        .filter((x) => !x.attended)
        .map((x) => x.step),
    ).toEqual(load.bath!.soakMin > 0 ? ['soak'] : []);
    expect(handStepMinutes.fill + handStepMinutes.press).toBe(8);
  });
});

describe('the steps by machine', () => {
  const machine = (g: Garment) => {
    const b = basketOf([g], household);
    const index = b.settings.findIndex(
      (s) => s.method === 'machine' && s.programme.id === 'cottons' && s.temperatureC === 30,
    );
    return procedureOf(loadAt(b, [0], index)!, b.profiles, dosing);
  };
  test('load, dose, start, take out; the machine runs by itself', () => {
    const steps = machine(garment('t'));
    expect(steps.map((s) => [s.step, s.minutes, s.attended])).toEqual([
      ['load', 6, true],
      ['dose', 2, true],
      ['start', 149, false],
      ['take-out', 2, true],
    ]);
    expect(textOf(steps[2]!.message)).toBe('Cottons, 30 °C, 800 rpm. Start.');
  });
  test('fuel is aired before and rinsed out of the drum after; a mark is looked at before any heat', () => {
    const fuel = machine(garment('f', { stains: [mark('fuel-diesel')] }));
    expect(fuel[0]).toMatchObject({ step: 'air-out', check: { code: 'fume' } });
    expect(fuel.at(-1)!.step).toBe('empty-drum-rinse');
    expect(machine(garment('c', { stains: [mark('coffee')] })).find((s) => s.step === 'inspect')!.check).toEqual({
      code: 'gone-dry',
    });
  });
});

describe('nets', () => {
  const small = (n: number, withoutMetal = false) => Array.from({ length: n }, () => ({ massKg: 0.06, withoutMetal }));
  test('four small pieces share one, by mass at most 400 g', () => {
    expect(netNeed(small(4), 4, 2)).toEqual({ nets: 1, withoutMetal: 0, missing: 0, missingWithoutMetal: 0 });
    expect(netNeed(small(5), 4, 2).nets).toBe(2);
    expect(netNeed([{ massKg: 0.9, withoutMetal: false }], 4, 2).nets).toBe(3);
    expect(netNeed([], 0, 0)).toEqual({ nets: 0, withoutMetal: 0, missing: 0, missingWithoutMetal: 0 });
  });
  test('lace does not share with others, and what is missing is told once', () => {
    expect(netNeed([...small(2), ...small(2, true)], 1, 1)).toEqual({
      nets: 2,
      withoutMetal: 1,
      missing: 1,
      missingWithoutMetal: 0,
    });
    expect(netNeed(small(9, true), 5, 2)).toEqual({ nets: 3, withoutMetal: 3, missing: 0, missingWithoutMetal: 1 });
  });
  test('more nets are never worse', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ massKg: fc.double({ min: 0.02, max: 1, noNaN: true }), withoutMetal: fc.boolean() }), {
          maxLength: 12,
        }),
        fc.nat(6),
        fc.nat(6),
        (list, have, bare) => {
          const a = netNeed(list, have + bare, bare);
          const more = netNeed(list, have + bare + 1, bare + 1);
          expect(more.missing + more.missingWithoutMetal).toBeLessThanOrEqual(a.missing + a.missingWithoutMetal);
          expect(a.nets).toBeGreaterThanOrEqual(a.withoutMetal);
        },
      ),
    ));
});
