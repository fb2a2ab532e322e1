/** The tables of agents: complete, symmetric, and the numbered rules that bind them. */
import { describe, expect, test } from '@jest/globals';
import { stainSteps } from '../stain/steps.ts';
import { stainFacts, stainKinds } from '../stain/stains.ts';
import { garment, washLabel } from '../testing/arbitrary.ts';
import { groupCode, mixCodes } from './agent-agent.ts';
import { agentFibre, conditionCodes, fibreCode, matrixColumns, neverCodes } from './agent-fibre.ts';
import { agentFacts, agentGroups, agentIds, agents, refusedAgents } from './agents.ts';
import { bearingOf } from './bearing.ts';
import { agentOfProduct, cupboardOf } from './cupboard.ts';
import { clothOf, fastnessOf } from './cloth.ts';
import {
  hazardOf,
  mixCode,
  pairRules,
  rinsesBetween,
  sequenceProblems,
  withRinses,
  type SequenceStep,
} from './sequence.ts';
import { isTool, toolCodes, toolFibreGroups, toolIds, tools } from './tools.ts';

describe('tables', () => {
  test('every agent has 25 known codes; every tool nine', () => {
    expect(matrixColumns).toHaveLength(25);
    for (const a of agentIds) {
      const codes = agentFibre[a].split(' ');
      expect([a, codes.length]).toEqual([a, 25]);
      for (const c of codes) expect(['ok', ...conditionCodes, ...neverCodes]).toContain(c);
    }
    for (const t of toolIds) {
      const codes = tools[t].split(' ');
      expect([t, codes.length]).toEqual([t, toolFibreGroups.length]);
      for (const c of codes) expect(toolCodes).toContain(c);
    }
  });
  test('the group matrix is symmetric, whole, and has a code for each group with itself', () => {
    for (const a of agentGroups)
      for (const b of agentGroups) {
        expect(mixCodes).toContain(groupCode(a, b));
        expect(groupCode(a, b)).toBe(groupCode(b, a));
      }
  });
  test('every stain has a family, a base of 2–98, steps whose agents are known, and no refused agent', () => {
    expect(stainKinds).toHaveLength(55);
    for (const kind of stainKinds) {
      const f = stainFacts(kind);
      expect(f.families.length).toBeGreaterThan(0);
      expect(f.baseScore).toBeGreaterThanOrEqual(2);
      expect(f.baseScore).toBeLessThanOrEqual(98);
      expect(stainSteps[kind].length).toBeGreaterThan(0);
      for (const s of stainSteps[kind]) {
        expect(isTool(s.agent) || s.agent in agents).toBe(true);
        expect(refusedAgents).not.toContain(s.agent);
        expect(s.minutes[0]).toBeLessThanOrEqual(s.minutes[1]);
        expect(s.temperatureC[0]).toBeLessThanOrEqual(s.temperatureC[1]);
      }
    }
  });
});

describe('what cloth bears', () => {
  const on = (
    fibre:
      | 'cotton'
      | 'wool'
      | 'silk'
      | 'acetate'
      | 'acrylic'
      | 'elastane'
      | 'down-fill'
      | 'polyester'
      | 'unknown'
      | 'cupro'
      | 'polypropylene',
    change: Parameters<typeof garment>[1] = {},
  ) =>
    clothOf(
      garment('g', {
        parts: [{ role: 'shell', fibres: [{ fibre, percent: 100 }] }],
        colours: [{ hex: '#f7f7f4', role: 'ground' }],
        dye: 'undyed',
        traits: new Set(),
        label: washLabel(60, 'normal', { bleach: 'any' }),
        ...change,
      }),
    );
  test('what swells or dissolves in solvents meets none', () => {
    const solvents = agentIds.filter((a) => agentFacts(a).group === 'flam-solvent');
    expect(solvents.length).toBeGreaterThan(3);
    const coated = clothOf(
      garment('g', { parts: [{ role: 'shell', fibres: [{ fibre: 'coated', percent: 100 }] }], traits: new Set() }),
    );
    for (const a of solvents) {
      expect(bearingOf(a, coated).never).toMatchObject({ code: 'x-swell' });
      expect(bearingOf(a, coated).conditions).toContain('c-noheat');
      expect(bearingOf(a, on('cotton')).conditions).toContain('c-noheat');
    }
    expect(bearingOf('water', coated).never?.code).not.toBe('x-swell');
    expect(bearingOf('water', on('cotton')).conditions).not.toContain('c-noheat');
    expect(bearingOf('acetone', on('cupro')).never?.code).toBe('x-dissolve');
    expect(bearingOf('mineral-spirits', on('cupro')).never?.code).not.toBe('x-dissolve');
    for (const a of ['solvent-spotter', 'mineral-spirits', 'soft-fat'] as const)
      expect(bearingOf(a, on('polypropylene')).never?.code).toBe('x-swell');
    expect(bearingOf('water', on('polypropylene')).never).toBeNull();
    expect(bearingOf('soft-fat', on('polyester')).never).toBeNull();
  });
  test('a flame-resistant finish takes neither soap nor bleach, as its agents say; a piece without it does', () => {
    const finished = on('cotton', { traits: new Set(['flame-resistant'] as const) });
    for (const a of ['soap-bar', 'oxy-percarbonate', 'fabric-softener'] as const) {
      expect(bearingOf(a, finished).never?.code).toBe('x-refuse');
      expect(bearingOf(a, on('cotton')).never).toBeNull();
    }
    expect(bearingOf('water', finished).never).toBeNull();
  });
  test('enzymes and alkali never meet protein fibre or down', () => {
    for (const fibre of ['wool', 'silk', 'down-fill'] as const)
      for (const a of agentIds) {
        const { never, conditions: c } = bearingOf(a, on(fibre));
        if (
          [
            'det-universal-powder',
            'det-tablet',
            'det-colour-liquid',
            'det-dark-liquid',
            'det-pod',
            'enzyme-prespotter',
            'bio-odour-enzyme',
          ].includes(a)
        )
          expect(never?.code).toBe('x-protease');
        if ((agentFacts(a).ph?.[0] ?? 7) >= 9 && !c.includes('c-soap')) expect([a, never === null]).toEqual([a, false]);
      }
  });
  test('acetone on none of acetate, acrylic, elastane, print, metallic yarn, cupro or the unknown', () => {
    for (const cloth of [
      on('acetate'),
      on('acrylic'),
      on('elastane'),
      on('unknown'),
      on('cupro'),
      on('cotton', { traits: new Set(['print']) }),
      on('cotton', { traits: new Set(['elastic']) }),
    ])
      expect(bearingOf('acetone', cloth).never).not.toBeNull();
    expect(bearingOf('acetone', on('cotton')).never).toBeNull();
    expect(bearingOf('solvent-spotter', on('polypropylene')).never?.code).toBe('x-swell');
  });
  test('chlorine: undyed cellulose or polyester under an empty triangle, nothing else', () => {
    expect(bearingOf('chlorine-bleach', on('cotton')).never).toBeNull();
    expect(bearingOf('chlorine-bleach', on('polyester')).never).toBeNull();
    expect(
      bearingOf('chlorine-bleach', on('cotton', { label: washLabel(60, 'normal', { bleach: 'oxygen' }) })).never,
    ).not.toBeNull();
    expect(bearingOf('chlorine-bleach', on('cotton', { label: null })).never).not.toBeNull();
    expect(
      bearingOf('chlorine-bleach', on('cotton', { colours: [{ hex: '#2f6f6b', role: 'ground' }], dye: 'reactive' }))
        .never,
    ).not.toBeNull();
    expect(bearingOf('chlorine-bleach', on('wool')).never?.code).toBe('x-chlorine');
  });
  test('a crossed triangle forbids every bleach; an unreadable one asks for a test', () => {
    expect(
      bearingOf('oxy-percarbonate', on('cotton', { label: washLabel(40, 'normal', { bleach: 'none' }) })).never?.because
        .code,
    ).toBe('chem.label-no-bleach');
    expect(bearingOf('oxy-percarbonate', on('cotton', { label: null }))).toMatchObject({
      never: null,
      needsTest: true,
    });
    expect(bearingOf('oxy-percarbonate', on('cotton'))).toMatchObject({ never: null, needsTest: false });
  });
  test('conditions become numbers: 10 min at 30 °C, 30 min at 40 °C, half strength', () => {
    expect(bearingOf('citric-acid', on('wool'))).toMatchObject({ mostMinutes: 10, mostC: 30, leastRinses: 1 });
    expect(bearingOf('oxy-percarbonate', on('acrylic'))).toMatchObject({ mostMinutes: 30, mostC: 40 });
    expect(bearingOf('peroxide-3', on('silk'))).toMatchObject({ halfStrength: true, mostMinutes: 10 });
    expect(bearingOf('soap-dish', on('wool')).spotOnly).toBe(true);
  });
  test('the worst code of a blend decides, from 5 percent; elastane from 1', () => {
    const blend = (fibres: { fibre: 'cotton' | 'wool' | 'elastane'; percent: number }[]) =>
      clothOf(
        garment('g', { parts: [{ role: 'shell', fibres }], label: washLabel(40, 'normal', { bleach: 'oxygen' }) }),
      );
    expect(
      bearingOf(
        'det-colour-liquid',
        blend([
          { fibre: 'cotton', percent: 96 },
          { fibre: 'wool', percent: 4 },
        ]),
      ).never,
    ).toBeNull();
    expect(
      bearingOf(
        'det-colour-liquid',
        blend([
          { fibre: 'cotton', percent: 95 },
          { fibre: 'wool', percent: 5 },
        ]),
      ).never?.code,
    ).toBe('x-protease');
    expect(
      bearingOf(
        'acetone',
        blend([
          { fibre: 'cotton', percent: 99 },
          { fibre: 'elastane', percent: 1 },
        ]),
      ).never?.code,
    ).toBe('x-swell');
  });
  test('how fast a colour is: tests, then three washes; bleeders stay bleeders', () => {
    const g = garment('g', { washCount: 0, tests: [] });
    expect(fastnessOf(g)).toBe('unknown');
    expect(fastnessOf({ ...g, washCount: 3 })).toBe('fast');
    expect(fastnessOf({ ...g, tests: [{ kind: 'spot', agent: 'water', grade: 4.5, at: '2026-01-01' }] })).toBe('fast');
    expect(
      fastnessOf({ ...g, washCount: 9, tests: [{ kind: 'catcher', agent: 'water', grade: 3, at: '2026-01-01' }] }),
    ).toBe('trace');
    expect(fastnessOf({ ...g, tests: [{ kind: 'spot', agent: 'water', grade: 2, at: '2026-01-01' }] })).toBe('strong');
    expect(fastnessOf({ ...g, dye: 'undyed' })).toBe('undyed');
  });
});

describe('one after the other', () => {
  const step = (agent: SequenceStep['agent'], rinses = 0, change: Partial<SequenceStep> = {}): SequenceStep => ({
    agent,
    rinses,
    mayBeSkipped: false,
    airs: false,
    wet: true,
    ...change,
  });
  test.each(pairRules)('$first.0 and $then.0: $code', (r) => {
    expect(mixCode(r.first[0]!, r.then[0]!)).toBe(r.code);
    if (!r.ordered) expect(mixCode(r.then[0]!, r.first[0]!)).toBe(r.code);
  });
  test('two identical or neutral agents need nothing between; acids and bleaches two rinses', () => {
    expect(rinsesBetween(mixCode('soap-dish', 'soap-dish'))).toBe(0);
    expect(rinsesBetween(mixCode('vinegar-white', 'oxy-percarbonate'))).toBe(2);
    expect(rinsesBetween(mixCode('det-colour-liquid', 'oxy-percarbonate'))).toBe(1);
    expect(rinsesBetween(mixCode('chlorine-bleach', 'rust-remover'))).toBe(Infinity);
  });
  test('what forms', () => {
    expect(hazardOf('chlorine-bleach', 'vinegar-white')).toBe('haz-chlorine');
    expect(hazardOf('citric-acid', 'chlorine-bleach')).toBe('haz-chlorine');
    expect(hazardOf('chlorine-bleach', 'ammonia')).toBe('haz-chloramine');
    expect(hazardOf('chlorine-bleach', 'det-universal-powder')).toBe('haz-bleach-oxygen');
    expect(hazardOf('chlorine-bleach', 'isopropyl-alcohol')).toBe('haz-bleach-solvent');
    expect(hazardOf('peroxide-1', 'vinegar-white')).toBe('haz-peracid');
    expect(hazardOf('oxy-percarbonate', 'acetone')).toBe('haz-peroxide-acetone');
    expect(hazardOf('reducer-run-remover', 'citric-acid')).toBe('haz-so2');
    expect(hazardOf('reducer-run-remover', 'oxy-percarbonate')).toBe('haz-redox');
    expect(hazardOf('soap-dish', 'det-delicate')).toBeNull();
  });
  test('rinses of a step that may be skipped do not count', () => {
    const steps = [
      step('vinegar-white', 1),
      step('det-colour-liquid', 1, { mayBeSkipped: true }),
      step('oxy-percarbonate', 2),
    ];
    expect(sequenceProblems(steps).map((p) => [p.first, p.then])).toEqual([[0, 2]]);
    expect(sequenceProblems(withRinses(steps))).toEqual([]);
    expect(withRinses(steps)[0]!.rinses).toBe(2);
  });
  test('rinses are raised by what is missing, and only there', () => {
    const raised = (...steps: SequenceStep[]) => withRinses(steps).map((s) => s.rinses);
    // Acid before oxygen bleach: two rinses between.
    expect(raised(step('vinegar-white'), step('oxy-percarbonate'))).toEqual([2, 0]);
    expect(raised(step('vinegar-white', 1), step('oxy-percarbonate', 5))).toEqual([2, 5]);
    expect(raised(step('vinegar-white', 3), step('oxy-percarbonate'))).toEqual([3, 0]);
    // What lies between counts, unless it may be left out; what is no agent needs nothing.
    expect(raised(step('vinegar-white', 1), step(null, 1), step('oxy-percarbonate'))).toEqual([1, 1, 0]);
    expect(raised(step('vinegar-white'), step(null, 1), step('oxy-percarbonate'))).toEqual([1, 1, 0]);
    expect(raised(step('vinegar-white'), step(null, 1, { mayBeSkipped: true }), step('oxy-percarbonate'))).toEqual([
      2, 1, 0,
    ]);
    expect(raised(step(null), step('oxy-percarbonate'), step(null))).toEqual([0, 0, 0]);
    expect(raised(step('soap-dish'), step('soap-dish'))).toEqual([0, 0]);
  });
  test('a volatile solvent needs dry cloth before and fresh air after', () => {
    const wet = [step('water', 1), step('acetone', 0, { wet: false }), step('soap-dish', 1)];
    expect(sequenceProblems(wet).map((p) => p.problem)).toEqual(expect.arrayContaining(['dry-cloth', 'solvent-gone']));
    const air = step(null, 0, { airs: true, wet: false });
    expect(
      sequenceProblems([step('water', 1), air, step('acetone', 0, { wet: false }), air, step('soap-dish', 1)]).filter(
        (p) => p.problem === 'dry-cloth' || p.problem === 'solvent-gone',
      ),
    ).toEqual([]);
  });
  test('what never meets is not mended by rinsing', () => {
    expect(sequenceProblems(withRinses([step('chlorine-bleach', 9), step('rust-remover', 2)]))).toHaveLength(1);
  });
});

test('products are agents by class and form; used up and pods count for nothing at the bench', () => {
  expect(agentOfProduct({ class: 'universal', form: 'powder' })).toBe('det-universal-powder');
  expect(agentOfProduct({ class: 'universal', form: 'liquid' })).toBe('det-colour-liquid');
  expect(agentOfProduct({ class: 'dish-soap', form: 'liquid' })).toBe('soap-dish');
  expect(agentOfProduct({ class: 'citric-acid', form: 'powder' })).toBe('citric-acid');
  const product = (id: string, cls: string, form: 'liquid' | 'pod', remaining: number | null) => ({
    id,
    name: id,
    class: cls,
    form,
    dose: null,
    remaining,
    pricePerUnit: null,
  });
  expect([
    ...cupboardOf({
      products: [
        product('a', 'colour', 'liquid', 0),
        product('b', 'vinegar', 'liquid', null),
        product('c', 'colour', 'pod', 5),
      ] as never,
    }),
  ]).toEqual(['vinegar-white']);
});
test('columns exist for every fibre code asked', () => {
  for (const c of matrixColumns) expect(fibreCode('water', c)).toBeDefined();
});
