import { describe, expect, test } from '@jest/globals';
import { say } from '../message/message.ts';
import { garment, only, washLabel } from '../testing/arbitrary.ts';
import { clothOf } from './cloth.ts';
import { onPiece, together } from './ask.ts';
import { childLines, precautionsFor } from './precautions.ts';
import { soapDose, soapForStockG } from './soap.ts';

describe('may I use it', () => {
  const cotton = clothOf(
    garment('c', {
      parts: only('cotton'),
      traits: new Set(),
      colours: [{ hex: '#f7f7f4', role: 'ground' }],
      dye: 'undyed',
      label: washLabel(60, 'normal', { bleach: 'any' }),
    }),
  );
  const wool = clothOf(garment('w', { parts: only('wool'), traits: new Set(), label: washLabel(30, 'very-mild') }));
  test('on a piece', () => {
    expect(onPiece('soap-dish', cotton)).toMatchObject({ verdict: 'yes' });
    // Softener and its sheets on what must take up water: a plain no, not a yes with an exception.
    const towel = clothOf(garment('t', { kind: 'bath_towel', traits: new Set(['terry'] as const) }));
    for (const agent of ['dryer-sheet', 'fabric-softener'] as const) {
      expect(onPiece(agent, towel)).toMatchObject({ verdict: 'no' });
      expect(onPiece(agent, cotton).verdict).not.toBe('no');
    }
    expect(onPiece('enzyme-prespotter', wool)).toMatchObject({ verdict: 'no', danger: false });
    expect(onPiece('enzyme-prespotter', wool).lines[0]).toEqual(
      say('chem.never', { column: 'wool', never: 'x-protease' }),
    );
    expect(onPiece('vinegar-white', cotton)).toMatchObject({ verdict: 'with-care', mix: null });
    expect(onPiece('ammonia', cotton)).toMatchObject({ verdict: 'no', danger: true });
  });
  test('with another: bleach and vinegar are dangerous, soap and water are not', () => {
    const bad = together('chlorine-bleach', 'vinegar-white');
    expect(bad).toMatchObject({ verdict: 'no', mix: 'nv', danger: true });
    expect(bad.lines).toEqual([say('ask.fresh-bath'), say('ask.forms', { hazard: 'haz-chlorine' })]);
    expect(together('vinegar-white', 'chlorine-bleach')).toEqual(bad);
    expect(together('soap-dish', 'water')).toMatchObject({ verdict: 'yes', danger: false });
    expect(together('enzyme-prespotter', 'citric-acid')).toMatchObject({
      verdict: 'with-care',
      mix: 'r1',
    });
  });
});

describe('home-made soap', () => {
  test('stock: 5, 10 and 12 litres', () => expect([5, 10, 12].map((l) => soapForStockG(l))).toEqual([100, 200, 240]));
  test.each([
    [0.5, 19.6, 979],
    [1, 24.2, 1208],
    [2.5, 37.9, 1894],
  ])('15 litres at %s mmol/l: %s g, %s ml', (h, g, ml) => {
    const d = soapDose(15, h);
    expect(Math.abs(d.soapG - g)).toBeLessThan(0.1);
    expect(Math.abs(d.stockMl - ml)).toBeLessThanOrEqual(1);
    expect(d.refused !== null).toBe(h >= 2);
  });
  test('unknown water and baths that would need too much are refused', () => {
    expect(soapDose(15, null).refused).toEqual(say('soap.hardness-unknown'));
    expect(soapDose(25, 1.5).refused).toEqual(say('soap.too-much'));
    expect(soapDose(10, 1).sodaCrystalsG).toBeCloseTo(10 * 0.106 * 2.7, 9);
  });
});

describe('what to watch', () => {
  test('at most five lines, the worst first; the highest protection, with air if any needs it', () => {
    const p = precautionsFor({
      agents: ['chlorine-bleach', 'isopropyl-alcohol', 'oxy-percarbonate', 'rust-remover'],
      stains: ['urine', 'mildew'],
      hottestC: 50,
    });
    expect(p.lines).toHaveLength(5);
    expect(p.lines[0]).toBe('bleach-gas');
    expect(p.lines).toContain('flame');
    expect(p.ppe).toBe('ppe-gloves-eye-vent');
  });
  test('where children are about nothing gives way, and three lines join', () => {
    const session = {
      agents: ['chlorine-bleach', 'isopropyl-alcohol', 'oxy-percarbonate', 'rust-remover'],
      stains: ['urine'],
      hottestC: 50,
    } as const;
    const plain = precautionsFor(session).lines;
    expect(precautionsFor({ ...session, children: true }).lines).toEqual([...plain, 'children', 'pods', 'tub-child']);
    const soak = precautionsFor({
      agents: ['oxy-percarbonate'],
      stains: [],
      hottestC: 50,
      bulkSoakKg: 4,
      children: true,
    }).lines;
    expect(soak.filter((id) => id === 'tub-child')).toHaveLength(1);
    expect(precautionsFor({ agents: ['water'], stains: [], hottestC: 20, children: true }).lines).toEqual([
      'label-first',
      'children',
      'pods',
      'tub-child',
    ]);
  });
  test('a load says what its product and its tub ask for', () => {
    expect(childLines({ pod: false, tub: false })).toEqual(['children']);
    expect(childLines({ pod: true, tub: true })).toEqual(['children', 'pods', 'tub-child']);
    expect(childLines({ pod: false, tub: true }).at(-1)).toBe('tub-child');
  });
  test('water and soap ask for little', () => {
    const p = precautionsFor({ agents: ['water', 'soap-dish'], stains: ['coffee'], hottestC: 30 });
    expect(p.lines).toEqual(['no-mix', 'label-first']);
    expect(p.ppe).toBe('ppe-none');
  });
  test('body fluids: gloves; a deep tub: a lid, and bail before lifting', () => {
    expect(precautionsFor({ agents: ['water'], stains: ['vomit'], hottestC: 20 }).lines).toEqual(
      expect.arrayContaining(['gloves', 'biological']),
    );
    expect(precautionsFor({ agents: ['water'], stains: [], hottestC: 20, bulkSoakKg: 30 }).lines).toEqual(
      expect.arrayContaining(['tub-child', 'lift']),
    );
  });
});
