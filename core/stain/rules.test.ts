/** The numbered rules of stains (STAIN) and chemistry (CHEM), one test each; those that hold over every combination stand in procedure.test.ts. */
import { describe, expect, test } from '@jest/globals';
import { say } from '../message/message.ts';
import { groupCode } from '../chemistry/agent-agent.ts';
import { fibreCode, matrixColumns } from '../chemistry/agent-fibre.ts';
import { agentFacts, agentIds, agents, preparations, refusedAgents, type AgentId } from '../chemistry/agents.ts';
import { onPiece, together } from '../chemistry/ask.ts';
import { bearingOf } from '../chemistry/bearing.ts';
import { clothOf } from '../chemistry/cloth.ts';
import { agentOfProduct } from '../chemistry/cupboard.ts';
import { precautionsFor } from '../chemistry/precautions.ts';
import { mixCode, rinsesBetween, sequenceProblems } from '../chemistry/sequence.ts';
import { soapDose } from '../chemistry/soap.ts';
import { isTool, tools } from '../chemistry/tools.ts';
import { garmentEnvelope } from '../envelope/garment-envelope.ts';
import type { FibreId } from '../fibre/fibres.ts';
import { planBasket } from '../plan/plan.ts';
import type { ColourTest, Garment, Stain } from '../model/garment.ts';
import { garment, household, plainRules, washLabel } from '../testing/arbitrary.ts';
import { actionIds, checkIds, whenIds } from './actions.ts';
import { planSoak, soakBath, soakObstacle, stirTimes } from './bulk-soak.ts';
import { beginBench, report, type BenchState } from './bench.ts';
import { capsOf } from './caps.ts';
import { procedureFor } from './procedure.ts';
import type { Workplace } from './treatment.ts';
import { practices } from './practices.ts';
import { bandOf, bands, stainScore } from './score.ts';
import { stainFacts, stainKinds, stainWashes, type StainKind } from './stains.ts';
import { stainSteps } from './steps.ts';

const now = '2026-05-09T08:00:00+02:00';
const w: Workplace = {
  cupboard: new Set<AgentId>(agentIds.filter((a) => !refusedAgents.includes(a))),
  hardness: 3,
  chlorine: true,
  learnt: [],
};
const mark = (kind: StainKind, change: Partial<Stain> = {}): Stain => ({
  id: 's1',
  kind,
  ageHours: 2,
  heatSet: false,
  heat: null,
  tried: [],
  place: '',
  sizeCm: 2,
  failedRounds: 0,
  ...change,
});
const made = (fibre: FibreId, change: Partial<Garment> = {}): Garment =>
  garment('g', {
    parts: [{ role: 'shell', fibres: [{ fibre, percent: 100 }] }],
    traits: new Set(),
    colours: [{ hex: '#f7f7f4', role: 'ground' }],
    dye: 'undyed',
    label: washLabel(60, 'normal', { bleach: 'any' }),
    ...change,
  });
const dyed = (fibre: FibreId, change: Partial<Garment> = {}): Garment =>
  made(fibre, { colours: [{ hex: '#2f6f6b', role: 'ground' }], dye: 'reactive', washCount: 10, ...change });
const spot = (agent: string, grade: number): ColourTest => ({ kind: 'spot', agent, grade, at: '2026-05-01T08:00:00Z' });
const whats = (g: Garment, kind: StainKind, change: Partial<Stain> = {}): string[] =>
  procedureFor(g, mark(kind, change), w).steps.map((s) => s.what);
const plan = (garments: Garment[]) =>
  planBasket({ garments: garments.map((g, i) => ({ ...g, id: `g${i}`, name: `g${i}` })), household, now });

describe('STAIN', () => {
  test('01 every stain is whole and every id in its steps resolves', () => {
    for (const kind of stainKinds) {
      expect(stainFacts(kind).wash in stainWashes).toBe(true);
      for (const s of stainSteps[kind])
        expect([
          s.agent in agents || s.agent in tools,
          actionIds.includes(s.action),
          checkIds.includes(s.check),
          whenIds.includes(s.when),
        ]).toEqual([true, true, true, true]);
    }
  });
  test('02 protein and unknown begin cold', () => {
    for (const kind of stainKinds.filter((k) => stainFacts(k).families.includes('protein') || k === 'unknown-old')) {
      const first = procedureFor(made('cotton'), mark(kind), w).steps.find((s) => s.wet);
      expect([kind, (first?.temperatureC ?? 0) <= 20]).toEqual([kind, true]);
    }
  });
  test('03 the strictest cap wins and is explained', () => {
    const s = procedureFor(
      made('viscose', { label: washLabel(30, 'mild', { bleach: 'oxygen' }) }),
      mark('coffee'),
      w,
    ).steps.find((x) => x.what === 'oxy-percarbonate')!;
    expect([s.temperatureC, s.mostMinutes]).toEqual([30, 30]);
    expect(s.because.map((m) => m.params)).toContainEqual(expect.objectContaining({ celsius: 30 }));
  });
  test('04 no dryer and no iron while a mark is open; as warm as the cloth and the mark allow', () => {
    const e = garmentEnvelope(made('cotton', { stains: [mark('coffee')] }), plainRules).envelope.values;
    expect([e.tumble, e.iron, e.maxTemperatureC]).toEqual(['none', 'none', 60]);
    const blue = dyed('cotton', { stains: [mark('coffee')] });
    expect(garmentEnvelope(blue, plainRules).envelope.values.maxTemperatureC).toBe(40);
    expect(
      garmentEnvelope(made('cotton', { stains: [mark('vomit')] }), plainRules).envelope.values.maxTemperatureC,
    ).toBe(60);
  });
  test('05 every procedure ends with the judging, dry and in daylight', () => {
    let s: BenchState = beginBench(procedureFor(made('cotton'), mark('mud'), w));
    const p = procedureFor(made('cotton'), mark('mud'), w);
    for (let k = 0; k < 9; k++) s = report(p, s, 'passed');
    expect(s.end).toEqual({ kind: 'judge' });
    expect(
      plan([made('cotton', { stains: [mark('mud')] })]).loads[0]!.procedure.some((x) => x.check?.code === 'gone-dry'),
    ).toBe(true);
  });
  test('06 a blocked agent is replaced or named, never a blank', () => {
    const p = procedureFor(made('wool', { label: washLabel(30, 'very-mild', { bleach: 'oxygen' }) }), mark('milk'), w);
    expect(p.steps.map((s) => s.what)).toContain('prespotter-wool-safe');
    for (const kind of stainKinds)
      for (const d of procedureFor(made('acetate'), mark(kind), w).dropped) expect(d.because).not.toBe('');
  });
  test('07 untested: the test is its own step and gates; trace: cold flush only; strong: nothing wet', () => {
    const fresh = dyed('cotton', { washCount: 0, label: washLabel(40, 'normal', { bleach: 'oxygen' }) });
    const steps = procedureFor(fresh, mark('coffee'), w).steps;
    // A fresh mark is blotted and flushed before the first test.
    expect(steps.slice(0, 3).map((s) => [s.what, s.kind])).toEqual([
      ['absorbent-paper', 'treat'],
      ['water', 'treat'],
      ['det-colour-liquid', 'test'],
    ]);
    const trace = procedureFor({ ...fresh, tests: [spot('water', 3)] }, mark('coffee'), w).steps.filter((s) => s.wet);
    expect(trace.map((s) => [s.what, s.action])).toEqual([['water', 'flush-back']]);
    expect(procedureFor({ ...fresh, tests: [spot('water', 2)] }, mark('coffee'), w)).toMatchObject({
      stop: 'stop-pro',
    });
  });
  test('08 an unknown fibre takes every cap but those of hides and down', () => {
    const caps = capsOf(clothOf(made('unknown')));
    expect([caps.rounds, caps.brush, caps.soakMaxMin]).toEqual([1, 'none', 10]);
  });
  test('09 two marks on one piece obey the order of agents together', () => {
    const steps = ['vinegar-white', 'oxy-percarbonate'].map((agent) => ({
      agent: agent as AgentId,
      rinses: 1,
      mayBeSkipped: false,
      airs: false,
      wet: true,
    }));
    expect(sequenceProblems(steps)).toHaveLength(1);
  });
  test('10 rust and sunscreen: no bleach in spots, and none in the wash', () => {
    for (const kind of ['rust', 'sunscreen'] as const) {
      expect(
        whats(made('cotton', { stains: [mark(kind)] }), kind).some((x) =>
          ['oxy-percarbonate', 'peroxide-3', 'chlorine-bleach'].includes(x),
        ),
      ).toBe(false);
      const e = garmentEnvelope(made('cotton', { stains: [mark(kind)] }), plainRules).envelope.values;
      expect([e.bleach, e.flags.has('no-bleach-detergent')]).toEqual(['none', true]);
    }
  });
  test('11 no chlorine on sweat', () =>
    expect(whats(made('cotton', { stains: [mark('underarm-yellow')] }), 'mildew')).not.toContain('chlorine-bleach'));
  test('12 gloves and washing apart for body fluids', () =>
    expect(precautionsFor({ agents: ['water'], stains: ['urine'], hottestC: 20 }).lines).toEqual(
      expect.arrayContaining(['gloves', 'biological']),
    ));
  test('13 protein: no enzyme, no alkali, no brush when wet', () => {
    for (const kind of stainKinds)
      for (const s of procedureFor(
        made('wool', { label: washLabel(30, 'very-mild', { bleach: 'oxygen' }) }),
        mark(kind),
        w,
      ).steps) {
        expect([
          'enzyme-prespotter',
          'oxy-percarbonate',
          'det-colour-liquid',
          'bio-odour-enzyme',
          'chlorine-bleach',
        ]).not.toContain(s.what);
        expect(s.action).not.toBe('work-soft-brush');
      }
  });
  test('14 acetate: no acetone, no iron, alcohol diluted, one round', () => {
    for (const kind of stainKinds) {
      const p = procedureFor(made('acetate'), mark(kind), w);
      expect(p.rounds).toBe(1);
      for (const s of p.steps) {
        expect(['acetone', 'isopropyl-alcohol']).not.toContain(s.what);
        expect(s.action).not.toBe('iron-through-paper');
      }
    }
  });
  test('15 dry-side solvents on dry cloth', () => {
    const p = procedureFor(made('polyester'), mark('tar', { ageHours: 0.5 }), w);
    const solvent = p.steps.findIndex((s) => s.what === 'solvent-spotter');
    expect(
      p.steps
        .slice(0, solvent)
        .reverse()
        .find((s) => s.wet || s.airs)!.airs,
    ).toBe(true);
  });
  test('16 after a solvent no wash before the smell is gone', () => {
    for (const kind of stainKinds) {
      const p = procedureFor(made('cotton'), mark(kind, { ageHours: 0.5 }), w);
      const last = p.steps.map((s) => s.what).lastIndexOf('solvent-spotter');
      if (last >= 0) expect(p.steps.slice(last + 1).some((s) => s.airs)).toBe(true);
      expect(p.needsFume).toBe(
        p.steps.some((s) => ['isopropyl-alcohol', 'acetone', 'solvent-spotter', 'mineral-spirits'].includes(s.what)) ||
          stainFacts(kind).families.includes('fuel-solvent'),
      );
    }
  });
  test('17 fuel and oil paint: a load of their own, no dryer; much fuel is no wash at all', () => {
    const p = plan([
      made('cotton', { stains: [mark('fuel-diesel')], soil: 'heavy' }),
      made('cotton', { soil: 'heavy' }),
    ]);
    expect(p.loads.find((l) => l.garments.includes('g0'))!.garments).toEqual(['g0']);
    expect(p.garments[0]!.dry!.method).not.toContain('tumble');
    expect(procedureFor(made('cotton'), mark('fuel-diesel', { sizeCm: 20 }), w).stop).toBe('stop-safety');
  });
  test('18 repeats and rounds end', () => {
    const p = procedureFor(made('cotton'), mark('coffee'), w);
    let s = beginBench(p);
    let n = 0;
    while (s.end === null && n++ < 50) s = report(p, s, 'failed');
    expect(n).toBe(p.steps.reduce((k, x) => k + x.repeats, 0));
    expect(procedureFor(made('cotton'), mark('coffee', { failedRounds: 3 }), w).stop).toBe('stop-leave');
  });
  test('20 cut-offs of the bands are inclusive, the score is clamped', () => {
    expect(bands.map((b) => b.from)).toEqual([85, 65, 40, 20, 0]);
    expect(
      stainScore({
        kind: 'scorch',
        age: 'ge-2y',
        heat: 'repeated',
        columns: ['suede'],
        dye: 'not-fast',
        prior: -30,
        sizeCm: 50,
      }),
    ).toBe(2);
  });
  test('21 every score has its band', () => {
    for (const b of bands) expect(bandOf(b.from)).toBe(b.id);
  });
  test('22 outer layers first: oil before protein before colour, bleach last', () => {
    for (const kind of ['tomato-sauce', 'chocolate', 'turmeric-curry'] as const) {
      const list = stainSteps[kind].map((s) => s.agent);
      const bleach = list.indexOf('oxy-percarbonate');
      for (const a of ['soap-dish', 'enzyme-prespotter', 'det-colour-liquid'] as const)
        if (list.includes(a)) expect(list.indexOf(a)).toBeLessThan(bleach);
    }
  });
  test('23 the wash that follows keeps to the strictest partner', () => {
    const p = plan([
      made('cotton', { stains: [{ ...mark('blood-fresh'), failedRounds: 1 }], soil: 'heavy' }),
      made('cotton', { soil: 'heavy' }),
    ]);
    for (const l of p.loads) if (l.garments.includes('g0')) expect(l.temperatureC).toBeLessThanOrEqual(30);
  });
  test('24 picked-up dye never shares with another colour', () => {
    const p = plan([made('cotton', { stains: [mark('dye-bleed')], soil: 'heavy' }), dyed('cotton', { soil: 'heavy' })]);
    expect(p.loads.find((l) => l.garments.includes('g0'))!.garments).toEqual(['g0']);
  });
  test('25 conditions are decided by the program', () => {
    expect(whats(made('cotton'), 'age-yellowing')).toContain('oxy-percarbonate');
    expect(whats(dyed('cotton'), 'age-yellowing')).not.toContain('oxy-percarbonate');
    expect(
      procedureFor(made('cotton'), mark('greyed-whites'), { ...w, hardness: 2.5 }).steps.map((s) => s.what),
    ).not.toContain('water-softener');
    expect(
      procedureFor(made('cotton'), mark('greyed-whites'), { ...w, hardness: 2.6 }).steps.map((s) => s.what),
    ).toContain('water-softener');
  });
  test('26–28 the soak: limits, stirs, the end', () => {
    expect(soakObstacle(made('wool'))).not.toBeNull();
    expect(stirTimes(241)).toEqual([30, 60, 90, 120, 180, 240]);
    for (const [g, most] of [
      [made('cotton'), 480],
      [dyed('cotton', { label: washLabel(40, 'normal', { bleach: 'oxygen' }) }), 120],
      [made('polyester'), 240],
    ] as const) {
      const t = planSoak([g], { maxLoadKg: 7 }).tubs[0]!;
      expect(t.minutes).toBeLessThanOrEqual(most);
      expect([t.warnMin, t.endMin]).toEqual([480, 720]);
      expect(t.bathL / t.tubL).toBeLessThanOrEqual(0.7 + 1e-9);
    }
    expect(soakBath(2.9, false).percarbonateG).toBe(290);
  });
  test('30 customs are answered; harmful ones are no step anywhere', () => {
    expect(Object.keys(practices)).toHaveLength(35);
    for (const kind of stainKinds)
      for (const s of stainSteps[kind])
        expect(['table-salt', 'essential-oil', 'ammonia', 'lemon-juice', 'baking-soda']).not.toContain(s.agent);
  });
  test('31 hides: nothing wet', () => {
    for (const fibre of ['leather', 'suede'] as const)
      for (const kind of stainKinds)
        for (const s of procedureFor(made(fibre), mark(kind, { ageHours: 0.5 }), w).steps)
          expect([kind, s.wet]).toEqual([kind, false]);
  });
});

describe('CHEM', () => {
  test('01 every agent has a row of 25 codes, every step’s agent exists', () => {
    for (const a of agentIds) for (const c of matrixColumns) expect(fibreCode(a, c)).toBeTruthy();
  });
  test('02 the worst code of fibres and trims', () => {
    expect(
      bearingOf(
        'oxy-percarbonate',
        clothOf(
          garment('g', {
            parts: [
              { role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] },
              { role: 'trim', fibres: [{ fibre: 'silk', percent: 100 }] },
            ],
            label: washLabel(40, 'normal', { bleach: 'oxygen' }),
          }),
        ),
      ).never?.code,
    ).toBe('x-alkali');
    expect(bearingOf('citric-acid', clothOf(made('cotton', { traits: new Set(['zip']) }))).conditions).toEqual(
      expect.arrayContaining(['c-rinse', 'c-trim']),
    );
  });
  test('03 never is never', () => {
    for (const [a, b] of [
      ['chlorine-bleach', 'rust-remover'],
      ['ammonia', 'water'],
      ['chlorine-bleach', 'vinegar-white'],
    ] as const)
      expect(together(a, b).verdict).toBe('no');
  });
  test('04 conditions carry numbers', () =>
    expect(onPiece('citric-acid', clothOf(made('wool'))).lines).toContainEqual(
      say('chem.condition', { condition: 'c-10' }),
    ));
  test('05 refused agents are known and never a step', () => {
    for (const a of refusedAgents) expect(onPiece(a, clothOf(made('cotton'))).verdict).toBe('no');
    for (const kind of stainKinds) for (const s of stainSteps[kind]) expect(refusedAgents).not.toContain(s.agent);
  });
  test('06, 07, 09 chlorine with acid or oxygen bleach: not in one bath, two rinses in a sequence', () => {
    for (const a of [
      'vinegar-white',
      'citric-acid',
      'lemon-juice',
      'oxy-percarbonate',
      'peroxide-3',
      'det-universal-powder',
      'det-tablet',
    ] as const) {
      expect(mixCode('chlorine-bleach', a)).toBe('nv');
      expect(rinsesBetween(mixCode(a, 'chlorine-bleach'))).toBe(2);
    }
  });
  test('08 chlorine never beside urine, vomit or heavy sweat', () => {
    for (const kind of ['urine', 'vomit', 'sweat'] as const)
      expect(whats(made('cotton', { stains: [mark(kind)] }), 'mildew')).not.toContain('chlorine-bleach');
    expect(whats(made('cotton', { activity: 'sweaty' }), 'mildew')).not.toContain('chlorine-bleach');
  });
  test('10 a reducer keeps two rinses from acid, chlorine and peroxide', () => {
    for (const a of ['citric-acid', 'chlorine-bleach', 'oxy-percarbonate'] as const)
      expect(rinsesBetween(mixCode('reducer-run-remover', a))).toBe(2);
  });
  test('11 solvents keep away from bleaches', () => {
    for (const s of ['acetone', 'isopropyl-alcohol'] as const)
      for (const b of ['oxy-percarbonate', 'peroxide-3', 'chlorine-bleach'] as const) expect(mixCode(s, b)).toBe('nv');
  });
  test('12 acetone is never offered where it dissolves', () => {
    for (const f of ['acetate', 'triacetate', 'acrylic', 'elastane', 'metallic', 'unknown'] as const)
      for (const kind of stainKinds) expect(whats(made(f), kind, { ageHours: 0.5 })).not.toContain('acetone');
  });
  test('14 after any solvent the fume check stands before drum, iron and dryer', () =>
    expect(procedureFor(made('cotton'), mark('ink-ballpoint'), w).needsFume).toBe(true));
  test('16 chlorine: undyed cellulose or polyester under an empty triangle', () => {
    expect(bearingOf('chlorine-bleach', clothOf(made('cotton'))).never).toBeNull();
    for (const g of [
      dyed('cotton'),
      made('cotton', { label: null }),
      made('elastane'),
      made('silk'),
      made('cotton', { traits: new Set(['zip']) }),
    ])
      expect(bearingOf('chlorine-bleach', clothOf(g)).never).not.toBeNull();
  });
  test('17 percarbonate: 15 g/l and 60 °C at most, 50 °C on dyed cloth', () => {
    for (const kind of stainKinds)
      for (const g of [
        made('cotton'),
        dyed('cotton', { label: washLabel(60, 'normal', { bleach: 'oxygen' }), tests: [spot('oxy-percarbonate', 5)] }),
      ])
        for (const s of procedureFor(g, mark(kind), w).steps)
          if (s.what === 'oxy-percarbonate') expect(s.temperatureC).toBeLessThanOrEqual(g.dye === 'undyed' ? 60 : 50);
  });
  test('18, 19 protease and alkali never on protein or down', () => {
    for (const a of agentIds)
      for (const f of ['wool', 'silk', 'down-fill'] as const)
        if (
          [
            'det-universal-powder',
            'det-tablet',
            'det-colour-liquid',
            'det-dark-liquid',
            'det-pod',
            'enzyme-prespotter',
            'bio-odour-enzyme',
          ].includes(a) ||
          ((agentFacts(a).ph?.[0] ?? 7) >= 9 && !['soap-bar', 'ox-gall-soap'].includes(a))
        )
          expect([a, f, bearingOf(a, clothOf(made(f))).never === null]).toEqual([a, f, false]);
  });
  test('20 wool and silk: 30 °C in every bath', () => {
    for (const f of ['wool', 'silk'] as const)
      for (const kind of stainKinds)
        for (const s of procedureFor(made(f, { label: washLabel(40, 'mild', { bleach: 'oxygen' }) }), mark(kind), w)
          .steps)
          if (s.wet) expect(s.temperatureC).toBeLessThanOrEqual(30);
  });
  test('22 own soap is refused in hard or unknown water', () => {
    expect(soapDose(10, 2).refused).not.toBeNull();
    expect(soapDose(10, null).refused).not.toBeNull();
    expect(soapDose(10, 1.9).refused).toBeNull();
  });
  test('24 vinegar and salt never fix dye', () => {
    for (const id of ['vinegar-sets-dye', 'salt-sets-dye'] as const) expect(practices[id].grade).toBe('folk');
  });
  test('25 no softener on wool, silk, down, elastic', () => {
    for (const f of ['wool', 'silk', 'down-fill', 'elastane'] as const)
      expect(bearingOf('fabric-softener', clothOf(made(f))).never).not.toBeNull();
  });
  test('27 hygiene rinse and fixative not with detergents', () => {
    for (const a of ['hygiene-rinse', 'dye-fixative'] as const) expect(mixCode(a, 'det-colour-liquid')).toBe('r1');
  });
  test('28 pods are no step and no soak', () => {
    for (const kind of stainKinds) for (const s of stainSteps[kind]) expect(s.agent).not.toBe('det-pod');
  });
  test('32, 33 one highest protection, five lines at most, the worst first', () => {
    const p = precautionsFor({
      agents: agentIds.filter((a) => !refusedAgents.includes(a)),
      stains: [...stainKinds],
      hottestC: 60,
      bulkSoakKg: 40,
    });
    expect(p.lines).toHaveLength(5);
    expect(p.ppe).toBe('ppe-gloves-eye-vent');
  });
  test('36 a product without a known class counts for nothing', () =>
    expect(agentOfProduct({ class: 'miracle', form: 'liquid' })).toBeNull());
  test('37 metal parts: soaks of 30 minutes at most', () =>
    expect(bearingOf('oxy-percarbonate', clothOf(made('cotton', { traits: new Set(['zip']) }))).mostMinutes).toBe(30));
  test('38 with a rust mark no bleach stands in any procedure of the piece', () => {
    const g = made('cotton', { stains: [mark('rust'), mark('coffee', { id: 's2' })] });
    for (const kind of stainKinds)
      expect(
        whats(g, kind).some((x) => ['oxy-percarbonate', 'peroxide-3', 'peroxide-1', 'chlorine-bleach'].includes(x)),
      ).toBe(false);
  });
  test('40 the matrix is symmetric', () => expect(groupCode('acid', 'chlorine')).toBe(groupCode('chlorine', 'acid')));
  test('41 the same agent twice needs no rinse', () => {
    for (const a of agentIds.filter((x) => x !== 'mothball')) expect(rinsesBetween(mixCode(a, a))).toBe(0);
  });
  test('preparations come from stock agents; tools are no agents', () => {
    for (const p of Object.values(preparations)) expect(p.from in agents).toBe(true);
    for (const t of Object.keys(tools)) expect(isTool(t) && !(t in agents)).toBe(true);
  });
});
