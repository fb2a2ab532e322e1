/** The planner's optimum against an integer-programming library on the full model: every feasible set of pieces is a column. */
import { expect, test } from '@jest/globals';
import loadHighs from 'highs';
import { garment, household, only, washLabel } from '../../testing/arbitrary.ts';
import { basketOf } from '../../price/basket.ts';
import { deferralCost } from '../../price/price.ts';
import { makeInstance, Pricer } from '../instance.ts';
import { Proof } from './proof.ts';
import { KindLoads } from '../kinds.ts';
import { Modes } from '../bounds/modes.ts';

const colours = (hex: string) => [{ hex, role: 'ground' as const }];
const pieces = [
  garment('tee-white', { colours: colours('#f7f7f4'), dye: 'undyed', soil: 'normal', activity: 'sweaty' }),
  garment('tee-navy', { colours: colours('#232f4e'), soil: 'normal' }),
  garment('towel', {
    kind: 'bath_towel',
    traits: new Set(['terry'] as const),
    colours: colours('#d9c7a4'),
    dye: 'vat',
    soil: 'normal',
  }),
  garment('towel-2', {
    kind: 'bath_sheet',
    traits: new Set(['terry'] as const),
    colours: colours('#d9c7a4'),
    dye: 'vat',
    soil: 'heavy',
  }),
  garment('jeans', {
    kind: 'jeans',
    traits: new Set(['denim', 'zip'] as const),
    colours: colours('#4a6285'),
    dye: 'indigo',
    washCount: 9,
    label: washLabel(40),
  }),
  garment('shirt', {
    kind: 'dress_shirt',
    parts: only('cotton', 60, 'polyester'),
    colours: colours('#2f6f6b'),
    label: washLabel(40, 'mild'),
  }),
  garment('skirt', {
    kind: 'skirt_light',
    parts: only('viscose', 60, 'polyester'),
    colours: colours('#8b8d94'),
    label: washLabel(30, 'mild'),
  }),
  garment('jersey', {
    kind: 'sport_tee',
    parts: only('polyester'),
    traits: new Set(['wicking'] as const),
    colours: colours('#b9cf3a'),
    dye: 'disperse',
    label: washLabel(30, 'mild'),
    activity: 'sweaty',
  }),
  garment('jumper', {
    kind: 'jumper_mid',
    parts: only('wool'),
    colours: colours('#8d9299'),
    dye: 'acid',
    soil: 'light',
    label: washLabel(30, 'very-mild'),
  }),
  garment('blouse', {
    kind: 'silk_blouse',
    parts: only('silk'),
    colours: colours('#f2ead8'),
    dye: 'undyed',
    label: washLabel(30, 'very-mild'),
  }),
  garment('red', { colours: colours('#a3222f'), dye: 'unknown', washCount: 1, soil: 'normal' }),
  garment('sheet', { kind: 'sheet_double', colours: colours('#e6dfd0'), dye: 'undyed', soil: 'normal' }),
];

test('twelve pieces: the same optimum', async () => {
  const b = basketOf(pieces, household);
  const pricer = new Pricer(b);
  const inst = makeInstance(
    b,
    pieces.map((_, i) => ({ pieces: [i], waitCost: deferralCost(b, i) })),
  );
  const columns = pieces.map((_, i) => ({ rows: [i], cost: deferralCost(b, i) }));
  for (let mask = 1; mask < 1 << pieces.length; mask++) {
    const rows = pieces.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
    const cost = pricer.cost(rows);
    if (cost < Infinity) columns.push({ rows, cost });
  }
  expect(columns.length).toBeGreaterThan(120);
  const names = columns.map((_, k) => `x${k}`);
  const wrap = (terms: string[]): string => terms.map((t, k) => (k % 8 === 7 ? `${t}\n` : t)).join(' ');
  const model = `Minimize\n obj: ${wrap(columns.map((c, k) => `+ ${c.cost.toFixed(9)} x${k}`))}\nSubject To\n${pieces.map((_, i) => ` r${i}: ${wrap(columns.flatMap((c, k) => (c.rows.includes(i) ? [`+ x${k}`] : [])))} = 1`).join('\n')}\nBinary\n ${wrap(names)}\nEnd\n`;
  const highs = await loadHighs();
  const reference = highs.solve(model, { output_flag: false, mip_rel_gap: 0 });
  expect(reference.Status).toBe('Optimal');
  const start = { loads: [], waiting: pieces.map((_, i) => i), cost: inst.items.reduce((c, x) => c + x.waitCost, 0) };
  const own = new Proof(Modes.of(inst), pricer, new KindLoads(inst, pricer), start, {
    relaxation: { rounds: 200, nodesPerMode: 100_000, visited: 5_000_000 },
    written: { columns: 20_000, visited: 200_000, list: { branches: 500, looks: 1_000_000 } },
  }).run((best) => best);
  expect(own.lowerBound).toBeCloseTo(own.division.cost, 6);
  expect(own.division.cost).toBeCloseTo(reference.ObjectiveValue, 5);
}, 60_000);
