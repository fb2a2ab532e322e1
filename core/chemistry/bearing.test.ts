/** What cloth bears by its dye and its tests, and what conditions ask for, in numbers. */
import { describe, expect, test } from '@jest/globals';
import { fibreIds, type FibreId } from '../fibre/fibres.ts';
import type { ColourTest, Garment } from '../model/garment.ts';
import { garment, only, washLabel } from '../testing/arbitrary.ts';
import type { ConditionCode } from './agent-fibre.ts';
import { agentIds, isDetergent, type AgentId } from './agents.ts';
import { bearingOf } from './bearing.ts';
import { clothOf, testedWith, testPassed } from './cloth.ts';

const label = washLabel(60, 'normal', { bleach: 'any' });
const dyed = (change: Partial<Garment> = {}) =>
  clothOf(garment('g', { label, colours: [{ hex: '#2f6f6b', role: 'ground' }], dye: 'direct', tests: [], ...change }));
const reading = (grade: number, change: Partial<ColourTest> = {}): ColourTest => ({
  kind: 'spot',
  agent: 'water',
  grade,
  at: '2026-01-01',
  ...change,
});

describe('a dye that runs', () => {
  const strong = dyed({ washCount: 0, tests: [reading(2)] });
  const trace = dyed({ washCount: 9, tests: [reading(3, { kind: 'catcher' })] });
  const fast = dyed({ washCount: 9 });
  const unknown = dyed({ washCount: 0 });
  const never = (agent: AgentId, cloth: typeof fast) => bearingOf(agent, cloth).never?.because.code ?? null;

  const others = agentIds.filter(
    (a) => a !== 'water' && !isDetergent(a) && bearingOf(a, fast).conditions.includes('c-fast'),
  );

  test('strongly: neither water nor detergent; a trace: a cold flush, no detergent', () => {
    expect([strong.fastness, trace.fastness, fast.fastness, unknown.fastness]).toEqual([
      'strong',
      'trace',
      'fast',
      'unknown',
    ]);
    expect(['water', 'det-colour-liquid'].map((a) => never(a as AgentId, strong))).toEqual(
      ['chem.dye-runs', 'chem.dye-runs'], // prettier-ignore
    );
    expect([never('water', trace), never('det-colour-liquid', trace)]).toEqual([null, 'chem.dye-runs']);
    expect(bearingOf('water', trace).needsTest).toBe(true);
  });
  test('untried: water and detergent want a test; proven fast they want none', () => {
    for (const agent of ['water', 'det-colour-liquid'] as const) {
      expect([agent, never(agent, unknown), bearingOf(agent, unknown).needsTest]).toEqual([agent, null, true]);
      expect([agent, never(agent, fast), bearingOf(agent, fast).needsTest]).toEqual([agent, null, false]);
    }
  });
  test('other agents want a test of their own even where water is proven', () => {
    expect(others.length).toBeGreaterThan(3);
    for (const a of others) expect([a, bearingOf(a, fast).needsTest]).toEqual([a, true]);
  });
  test('a test with the agent decides: passed opens, failed closes, the newest counts', () => {
    const tried = (...tests: ColourTest[]) => dyed({ washCount: 9, tests });
    const agent = others[0] as AgentId;
    const passed = tried(reading(4, { agent }));
    expect([bearingOf(agent, passed).needsTest, never(agent, passed)]).toEqual([false, null]);
    const failed = tried(reading(3.5, { agent }));
    expect([bearingOf(agent, failed).needsTest, never(agent, failed)]).toEqual([true, 'chem.test-failed']);
    const later = tried(reading(4.5, { agent, at: '2026-03-01' }), reading(3, { agent, at: '2026-02-01' }));
    expect([testedWith(later, agent), bearingOf(agent, later).needsTest]).toEqual(['passed', false]);
    const other = tried(reading(3, { agent: 'water', kind: 'catcher', at: '2026-05-01' }), reading(5, { agent }));
    expect([testedWith(other, agent), testedWith(fast, agent)]).toEqual(['passed', null]);
  });
  test('a reading of four passes, of three and a half does not', () =>
    expect([testPassed(4), testPassed(3.5)]).toEqual([true, false]));
});

describe('conditions in numbers', () => {
  const minutes: Partial<Record<ConditionCode, number>> = { 'c-10': 10, 'c-dil': 10, 'c-30': 30, 'c-trim': 30 };
  const rinses: Partial<Record<ConditionCode, number>> = { 'c-rinse': 2, 'c-soap': 2, 'c-10': 1, 'c-30': 1 };
  const warmth: Partial<Record<ConditionCode, number>> = { 'c-10': 30, 'c-soap': 30, 'c-bleed': 30, 'c-30': 40 };
  const cloths = fibreIds.map((f) => clothOf(garment('g', { label, dye: 'undyed', parts: only(f) })));
  const cases = () => cloths.flatMap((c) => agentIds.map((a) => bearingOf(a, c)));
  const listed = (of: Partial<Record<ConditionCode, number>>, cs: readonly ConditionCode[]) =>
    cs.flatMap((c) => of[c] ?? []);

  test('minutes: the shortest asked for, else any', () => {
    for (const b of cases()) expect(b.mostMinutes).toBe(Math.min(Infinity, ...listed(minutes, b.conditions)));
    expect(new Set(cases().map((b) => b.mostMinutes))).toEqual(new Set([10, 30, Infinity]));
  });
  test('rinses: the most asked for, else none', () => {
    for (const b of cases()) expect(b.leastRinses).toBe(Math.max(0, ...listed(rinses, b.conditions)));
    expect(new Set(cases().map((b) => b.leastRinses))).toEqual(new Set([0, 1, 2]));
  });
  test('warmth: the coolest asked for', () => {
    for (const b of cases().filter((x) => !x.conditions.includes('c-cool')))
      expect(b.mostC).toBe(Math.min(Infinity, ...listed(warmth, b.conditions)));
  });
  test.each<[string, readonly FibreId[], number]>([
    ['acrylic', ['acrylic'], 40],
    ['elastane in cotton', ['cotton', 'elastane'], 40],
    ['wool', ['wool'], 30],
    ['acrylic with wool', ['acrylic', 'wool'], 30],
    ['elastane with silk', ['elastane', 'silk'], 30],
    ['acrylic with acetate', ['acrylic', 'acetate'], 30],
  ])('cool for %s means this many degrees', (_, list, mostC) => {
    const fibres = list.map((fibre) => ({ fibre, percent: 100 / list.length }));
    const cloth = clothOf(garment('g', { label, dye: 'undyed', parts: [{ role: 'shell', fibres }] }));
    const cool = agentIds
      .map((a) => bearingOf(a, cloth))
      .filter((b) => b.conditions.includes('c-cool') && listed(warmth, b.conditions).length === 0);
    expect(cool.length).toBeGreaterThan(0);
    for (const b of cool) expect(b.mostC).toBe(mostC);
  });
});
