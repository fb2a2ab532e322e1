import { say } from '../message/message.ts';
import { clockWait, triedInVain } from './bench.ts';
import { describe, expect, test } from '@jest/globals';
import { agentIds, refusedAgents, type AgentId } from '../chemistry/agents.ts';
import { garment, washLabel } from '../testing/arbitrary.ts';
import { beginBench, continueBench, dueStep, mayBegin, report, type BenchState, type CheckResult } from './bench.ts';
import { procedureFor } from './procedure.ts';
import type { Procedure, Workplace } from './treatment.ts';
import { stainKinds, type StainKind } from './stains.ts';

const w: Workplace = {
  cupboard: new Set<AgentId>(agentIds.filter((a) => !refusedAgents.includes(a))),
  hardness: 3,
  chlorine: false,
  learnt: [],
};
const white = garment('white', {
  colours: [{ hex: '#f7f7f4', role: 'ground' }],
  dye: 'undyed',
  label: washLabel(60, 'normal', { bleach: 'any' }),
  traits: new Set(),
});
const procedure = (kind: StainKind): Procedure =>
  procedureFor(
    white,
    { id: 's', kind, ageHours: 0.5, heatSet: false, heat: null, tried: [], place: '', sizeCm: 2, failedRounds: 0 },
    w,
  );
function walk(p: Procedure, results: CheckResult[]): { visited: string[]; state: BenchState } {
  let s = beginBench(p);
  const visited: string[] = [];
  for (const r of results) {
    const step = dueStep(p, s);
    if (!step) break;
    visited.push(step.what);
    s = report(p, s, r);
  }
  return { visited, state: s };
}

describe('a treatment, step by step', () => {
  test('when the detergent clears the coffee, vinegar and bleach fall away', () => {
    const { visited, state } = walk(procedure('coffee'), ['passed', 'passed', 'passed', 'passed']);
    expect(visited).toEqual(['absorbent-paper', 'water', 'det-colour-liquid']);
    expect(state.end).toEqual({ kind: 'judge' });
  });
  test('still there: repeats up to the limit, then the next means', () => {
    const { visited } = walk(procedure('coffee'), [
      'passed',
      'passed',
      'failed',
      'failed',
      'failed',
      'failed',
      'failed',
      'failed',
      'failed',
    ]);
    expect(visited).toEqual([
      'absorbent-paper',
      'water',
      'det-colour-liquid',
      'det-colour-liquid',
      'vinegar-white',
      'oxy-percarbonate',
      'oxy-percarbonate',
    ]);
  });
  test('the dye of the piece runs: stop', () => {
    const p = procedure('rust'); // its first check looks at the dye
    expect(dueStep(p, beginBench(p))!.check).toBe('garment-dye');
    expect(report(p, beginBench(p), 'failed').end).toMatchObject({ kind: 'stop', stop: 'stop-pro' });
  });
  test('airing goes on while it smells', () => {
    const p = procedure('nail-polish');
    const air = p.steps.findIndex((s) => s.check === 'fume');
    const state = report(p, { step: air, done: 0, end: null }, 'failed');
    expect(state).toEqual({ step: air, done: 1, end: null });
  });
  test('a failed hidden-spot test asks for a new procedure, which then does without', () => {
    const dyed = {
      ...white,
      colours: [{ hex: '#2f6f6b', role: 'ground' as const }],
      dye: 'reactive' as const,
      washCount: 10,
    };
    const p = procedureFor(dyed, procedure('red-wine').stain, w);
    // The mark is blotted and flushed while nobody knows yet what the dye bears.
    const at = p.steps.findIndex((s) => s.kind === 'test');
    expect(p.steps.slice(0, at).map((s) => [s.what, s.action])).toEqual([
      ['absorbent-paper', 'blot'],
      ['water', 'flush-back'],
    ]);
    const tested = p.steps[at]!;
    const state = { step: at, done: 0, end: null };
    const end = report(p, state, 'failed').end;
    expect(end).toEqual({ kind: 'test-failed', agent: tested.what });
    const again = procedureFor(
      { ...dyed, tests: [{ kind: 'spot', agent: String(tested.what), grade: 3, at: '2026-05-09T08:00:00Z' }] },
      p.stain,
      w,
    );
    expect(again.steps.map((s) => s.what)).not.toContain(tested.what);
    // What was done is not done again.
    expect(continueBench(p, state, again)).toEqual({ step: at, done: 0, end: null });
    expect(continueBench(p, beginBench(p), again)).toEqual(beginBench(again));
  });
  test('every stain comes to an end, whatever is seen', () => {
    for (const kind of stainKinds)
      for (const results of [
        new Array<CheckResult>(60).fill('passed'),
        new Array<CheckResult>(60).fill('failed'),
        Array.from({ length: 60 }, (_, i): CheckResult => (i % 2 ? 'failed' : 'passed')),
      ]) {
        const p = procedure(kind);
        const { state } = walk(p, results);
        const airing = dueStep(p, state)?.check === 'fume';
        expect(state.end !== null || airing).toBe(true);
      }
  });
});

describe('side by side', () => {
  test('chlorine never beside an acid or ammonia in the room; acid waits for the bleach bath of another piece', () => {
    expect(
      mayBegin('rust-remover', 'a', [{ agent: 'chlorine-bleach', garment: 'b', rinses: 9, underWay: true }]),
    ).toMatchObject({ refused: true });
    expect(
      mayBegin('chlorine-bleach', 'a', [{ agent: 'rust-remover', garment: 'b', rinses: 0, underWay: false }]),
    ).toMatchObject({ refused: true });
    const acid = mayBegin('vinegar-white', 'a', [
      { agent: 'oxy-percarbonate', garment: 'b', rinses: 0, underWay: true },
    ]);
    expect(acid).toMatchObject({ refused: false });
    expect(acid!.because).toEqual(say('treat.wait-aired', { hazard: 'haz-peracid' }));
    expect(
      mayBegin('vinegar-white', 'a', [{ agent: 'oxy-percarbonate', garment: 'b', rinses: 0, underWay: false }]),
    ).toBeNull();
  });
  test('two marks of one piece: rinses between, none for what goes together', () => {
    expect(
      mayBegin('oxy-percarbonate', 'a', [{ agent: 'vinegar-white', garment: 'a', rinses: 1, underWay: false }])!
        .because,
    ).toEqual(say('treat.rinse-first', { times: 2 }));
    expect(
      mayBegin('oxy-percarbonate', 'a', [{ agent: 'vinegar-white', garment: 'a', rinses: 2, underWay: false }]),
    ).toBeNull();
    expect(mayBegin('soap-dish', 'a', [{ agent: 'det-delicate', garment: 'a', rinses: 0, underWay: true }])).toBeNull();
    expect(mayBegin(null, 'a', [{ agent: 'chlorine-bleach', garment: 'a', rinses: 0, underWay: true }])).toBeNull();
  });
});

describe('clocks gate what is passed', () => {
  const step = (minutes: number) => ({ minutes }) as Parameters<typeof clockWait>[0];
  const now = Date.UTC(2026, 4, 9, 6);
  const inMinutes = (m: number) => now + m * 60_000;
  test('without a clock, while it runs, and when it is over', () => {
    expect(clockWait(step(10), null, now)).toEqual({ code: 'treat.clock-first', params: { minutes: 10 } });
    expect(clockWait(step(10), inMinutes(6), now)).toEqual({ code: 'treat.clock-runs', params: { minutes: 6 } });
    expect(clockWait(step(10), inMinutes(0.6), now)).toEqual({ code: 'treat.clock-runs', params: { minutes: 1 } });
    expect(clockWait(step(10), inMinutes(0.5), now)).toBeNull();
    expect(clockWait(step(10), inMinutes(-3), now)).toBeNull();
  });
  test('a minute or two of the hands has none', () => {
    expect(clockWait(step(2.9), null, now)).toBeNull();
    expect(clockWait(step(2), inMinutes(1), now)).toBeNull();
    expect(clockWait(step(3), null, now)?.code).toBe('treat.clock-first');
  });
});

test('two rounds that changed nothing end the attempts; others do not count', () => {
  expect(triedInVain(['same'])).toBe(false);
  expect(triedInVain(['same', 'lighter', 'stopped', null])).toBe(false);
  expect(triedInVain(['same', 'lighter', 'same'])).toBe(true);
});
