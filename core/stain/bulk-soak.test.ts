import { describe, expect, test } from '@jest/globals';
import type { FibreId } from '../fibre/fibres.ts';
import type { Garment } from '../model/garment.ts';
import { garment, washLabel } from '../testing/arbitrary.ts';
import { mayBeUndyed, planSoak, soakBath, soakObstacle, splitEvenly, stirTimes } from './bulk-soak.ts';

const white = (id: string, massG: number, fibres: FibreId[] = ['cotton'], change: Partial<Garment> = {}): Garment =>
  garment(id, {
    parts: [{ role: 'shell', fibres: fibres.map((fibre) => ({ fibre, percent: 100 / fibres.length })) }],
    traits: new Set(),
    colours: [{ hex: '#f7f7f4', role: 'ground' }],
    dye: 'undyed',
    weighedDryMassG: massG,
    label: washLabel(60, 'normal', { bleach: 'oxygen' }),
    ...change,
  });
const many = (n: number, f: (k: number) => Garment): Garment[] => Array.from({ length: n }, (_, k) => f(k));

describe('the tub', () => {
  test('12 shirts and 10 T-shirts, white and mixed', () => {
    const list = [
      ...many(12, (k) => white(`s${k}`, 250, ['cotton', 'polyester'])),
      ...many(10, (k) => white(`t${k}`, 180)),
    ];
    const { tubs, refused } = planSoak(list, { maxLoadKg: 8 });
    expect(refused).toEqual([]);
    const t = tubs[0]!;
    expect(t.dryKg).toBeCloseTo(4.8, 9);
    expect(t.bathL).toBeCloseTo(48, 9);
    expect(t.tubL).toBeCloseTo(68.6, 1);
    expect(t.percarbonateG).toBeCloseTo(480, 9);
    expect(t.detergentMl).toBeCloseTo(96, 9);
    expect(t.minutes).toBe(240);
    const masses = t.loads.map((l) => l.reduce((m, id) => m + (id.startsWith('s') ? 0.25 : 0.18), 0));
    expect(masses).toHaveLength(2);
    expect(Math.abs(masses[0]! - masses[1]!)).toBeLessThanOrEqual(0.25 + 1e-9);
  });
  test('6 pillowcases and 4 towels, white cotton: one load', () => {
    const t = planSoak([...many(6, (k) => white(`p${k}`, 150)), ...many(4, (k) => white(`h${k}`, 500))], {
      maxLoadKg: 7,
    }).tubs[0]!;
    expect([t.dryKg, t.bathL, t.percarbonateG, t.detergentMl].map((x) => Math.round(x * 100) / 100)).toEqual([
      2.9, 29, 290, 58,
    ]);
    expect(t.tubL).toBeCloseTo(41.4, 0);
    expect(t.loads).toHaveLength(1);
    // White cotton may soak for eight hours, but at 50 °C the bleach is used up in 6.3.
    expect(t.minutes).toBe(377);
  });
  test('3 T-shirts dyed fast: the least bath, half the dose, two hours, an eye on the bath', () => {
    const dyed = many(3, (k) =>
      white(`d${k}`, 180, ['cotton'], {
        colours: [{ hex: '#2f6f6b', role: 'ground' }],
        dye: 'reactive',
        washCount: 10,
      }),
    );
    const t = planSoak(dyed, { maxLoadKg: 7 }).tubs[0]!;
    expect([t.bathL, t.percarbonateG, t.detergentMl, t.minutes]).toEqual([12, 60, 24, 120]);
    expect(t.tubL).toBeCloseTo(17.1, 1);
    expect(t.bathChecksAtMin).toEqual([10, 30, 60]);
    expect(t.loads).toHaveLength(1);
  });
  test('30 litres for whites: 300 g or 60 level teaspoons, 60 ml', () => {
    expect(soakBath(3, false)).toMatchObject({ bathL: 30, percarbonateG: 300, detergentMl: 60 });
  });
  test('stirs at 30, 60, 90, 120, then hourly', () => {
    expect(stirTimes(480)).toEqual([30, 60, 90, 120, 180, 240, 300, 360, 420]);
    expect(stirTimes(120)).toEqual([30, 60, 90]);
  });
  test('white, light and dark never share a tub; honest odds add up', () => {
    const { tubs } = planSoak(
      [
        white('a', 200),
        white('b', 200, ['cotton'], { colours: [{ hex: '#d9c7a4', role: 'ground' }], dye: 'reactive', washCount: 9 }),
        white('c', 200, ['cotton'], { colours: [{ hex: '#1e2a50', role: 'ground' }], dye: 'reactive', washCount: 9 }),
      ],
      { maxLoadKg: 7 },
    );
    expect(tubs.map((t) => t.group).sort()).toEqual(['dark', 'light', 'white']);
    for (const t of tubs) expect(t.expectedClear + t.mayStay).toBe(t.pieces.length);
  });
  test('who stays out, and why', () => {
    const why = (fibres: FibreId[], change: Partial<Garment> = {}): string | null => {
      const because = soakObstacle(white('x', 200, fibres, change))?.because;
      return because ? JSON.stringify(because) : null;
    };
    expect(why(['cotton'])).toBeNull();
    expect(why(['wool'])).toContain('x-alkali');
    expect(why(['silk'])).not.toBeNull();
    expect(why(['acetate'])).toContain('soak.too-short');
    expect(why(['cotton'], { traits: new Set(['zip']) })).toContain('metal');
    expect(why(['cotton'], { label: null })).toContain('soak.no-label');
    expect(why(['cotton'], { label: washLabel(40, 'normal', { bleach: 'none' }) })).toContain('label-no-bleach');
    expect(why(['cotton'], { colours: [{ hex: '#be1e2d', role: 'ground' }], dye: 'direct', washCount: 0 })).toContain(
      'tested',
    );
    expect(
      why(['cotton'], {
        stains: [
          {
            id: 'r',
            kind: 'rust',
            ageHours: 1,
            heatSet: false,
            heat: null,
            tried: [],
            place: '',
            sizeCm: 1,
            failedRounds: 0,
          },
        ],
      }),
    ).toContain('iron');
    expect(why(['cotton'], { traits: new Set(['denim-raw']) })).not.toBeNull();
  });
  test('the split is even: no two loads differ by more than the heaviest piece', () => {
    const pieces = many(17, (k) => white(`x${k}`, 90 + 61 * (k % 7))).map((g) => ({
      id: g.id,
      massKg: (g.weighedDryMassG ?? 0) / 1000,
    }));
    const loads = splitEvenly(pieces, 3, 0.5).map((l) => l.reduce((m, p) => m + p.massKg, 0));
    expect(Math.max(...loads) - Math.min(...loads)).toBeLessThanOrEqual(
      Math.max(...pieces.map((p) => p.massKg)) + 1e-9,
    );
  });

  const printed = {
    colours: [
      { hex: '#f7f7f4', role: 'ground' as const },
      { hex: '#224488', role: 'print' as const },
    ],
  };
  const passed = [{ kind: 'spot' as const, agent: 'oxy-percarbonate', grade: 4, at: '2026-11-01T08:00:00Z' }];
  test('cloth that bears half an hour gets half an hour, in a tub of its own', () => {
    const { tubs, refused } = planSoak(
      [
        white('long', 500),
        white('viscose', 150, ['viscose']),
        white('stretch', 160, ['cotton', 'elastane']),
        white('print', 180, ['cotton'], { ...printed, tests: passed }),
      ],
      { maxLoadKg: 7 },
    );
    expect(refused).toEqual([]);
    expect(tubs.map((t) => [t.group, t.short, t.pieces.map((p) => p.id), t.minutes, t.endMin])).toEqual([
      ['white', false, ['long'], 377, 720],
      ['white', true, ['viscose', 'stretch', 'print'], 30, 45],
    ]);
    expect(tubs[1]!.stirsAtMin).toEqual([10, 20]);
    expect(tubs[1]!.startC).toEqual([30, 40]);
  });
  test('without a label: a drop of the bleach on a hidden place, then in', () => {
    const tee = (grade: number | null): ReturnType<typeof soakObstacle> =>
      soakObstacle(
        white('tee', 180, ['cotton'], { label: null, tests: grade === null ? [] : [{ ...passed[0]!, grade }] }),
      );
    expect(tee(null)).toMatchObject({ because: { code: 'soak.no-label' }, testOpens: true });
    expect(tee(4)).toBeNull();
    expect(tee(3.5)).toMatchObject({ because: { code: 'soak.not-borne' }, testOpens: false });
  });
  test('an entry of five counts as five', () => {
    const t = planSoak([white('five', 900, ['cotton'], { count: 5 }), white('one', 180)], { maxLoadKg: 7 }).tubs[0]!;
    expect(t.pieces.map((p) => p.count)).toEqual([5, 1]);
    expect(t.expectedClear + t.mayStay).toBe(6);
  });
  test('white of unknown dye takes half the dose until somebody has looked', () => {
    const sheets = many(2, (k) => white(`s${k}`, 600, ['cotton'], { dye: 'unknown', washCount: 9, tests: passed }));
    expect(sheets.every(mayBeUndyed)).toBe(true);
    const dose = (neverDyed: boolean): number[] => {
      const t = planSoak(sheets, { maxLoadKg: 7 }, { neverDyed }).tubs[0]!;
      return [t.percarbonateG, t.minutes];
    };
    expect(dose(false)).toEqual([60, 120]);
    expect(dose(true)).toEqual([120, 377]);
    expect(mayBeUndyed(white('x', 200, ['cotton'], { ...printed, dye: 'unknown' }))).toBe(false);
  });
});
