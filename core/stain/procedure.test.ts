/** Every stain on every fibre, dye state, label and cupboard: enumerated, not sampled. */
import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { say } from '../message/message.ts';
import { agentFacts, agentIds, refusedAgents, stockOf, type AgentId } from '../chemistry/agents.ts';
import { bearingOf } from '../chemistry/bearing.ts';
import { clothOf, hasAny, proteinColumns } from '../chemistry/cloth.ts';
import { sequenceProblems } from '../chemistry/sequence.ts';
import { fibreIds, type FibreId } from '../fibre/fibres.ts';
import type { ColourTest, Garment, Stain } from '../model/garment.ts';
import { garment, washLabel } from '../testing/arbitrary.ts';
import { capsOf } from './caps.ts';
import { procedureFor, washAgent } from './procedure.ts';
import type { Procedure, Workplace } from './treatment.ts';
import { stainFacts, stainKinds, type StainKind } from './stains.ts';
import { stainSteps } from './steps.ts';

const at = '2026-05-01T08:00:00+02:00';
const passed = (agent: string): ColourTest => ({ kind: 'spot', agent, grade: 4.5, at });
const allPassed = ['water', ...agentIds].map(passed);
const stain = (kind: StainKind, change: Partial<Stain> = {}): Stain => ({
  id: 's',
  kind,
  ageHours: 2,
  heatSet: false,
  heat: null,
  tried: [],
  place: 'front',
  sizeCm: 2,
  failedRounds: 0,
  ...change,
});
const parts = (...fibres: FibreId[]): Garment['parts'] => [
  { role: 'shell', fibres: fibres.map((fibre) => ({ fibre, percent: 100 / fibres.length })) },
];
const full = new Set<AgentId>(agentIds.filter((a) => !refusedAgents.includes(a)));
const usual = new Set<AgentId>([
  'det-colour-liquid',
  'det-wool-silk',
  'soap-dish',
  'vinegar-white',
  'oxy-percarbonate',
  'absorbent-powder',
]);
const cupboards: [string, Set<AgentId>][] = [
  ['full', full],
  ['usual', usual],
  ['soap only', new Set<AgentId>(['soap-bar'])],
  ['empty', new Set<AgentId>()],
];
const workplace = (cupboard: Set<AgentId> = full, change: Partial<Workplace> = {}): Workplace => ({
  cupboard,
  hardness: 3,
  chlorine: true,
  learnt: [],
  ...change,
});

const dyes: [string, Partial<Garment>][] = [
  ['undyed', { colours: [{ hex: '#f7f7f4', role: 'ground' }], dye: 'undyed', tests: [] }],
  [
    'fast and tested',
    { colours: [{ hex: '#2f6f6b', role: 'ground' }], dye: 'reactive', washCount: 10, tests: allPassed },
  ],
  ['fast by washes', { colours: [{ hex: '#2f6f6b', role: 'ground' }], dye: 'reactive', washCount: 10, tests: [] }],
  ['untested', { colours: [{ hex: '#2f6f6b', role: 'ground' }], dye: 'reactive', washCount: 0, tests: [] }],
  [
    'trace',
    {
      colours: [{ hex: '#be1e2d', role: 'ground' }],
      dye: 'direct',
      washCount: 1,
      tests: [{ kind: 'spot', agent: 'water', grade: 3, at }],
    },
  ],
  [
    'strong',
    {
      colours: [{ hex: '#be1e2d', role: 'ground' }],
      dye: 'direct',
      washCount: 1,
      tests: [{ kind: 'spot', agent: 'water', grade: 2, at }],
    },
  ],
  [
    'printed',
    {
      colours: [
        { hex: '#f7f7f4', role: 'ground' },
        { hex: '#2f6f6b', role: 'print' },
      ],
      dye: 'reactive',
      washCount: 10,
      tests: allPassed,
    },
  ],
];
const cloths: [string, Partial<Garment>][] = [
  ...fibreIds.map((f): [string, Partial<Garment>] => [f, { parts: parts(f), traits: new Set() }]),
  ['cotton and elastane', { parts: parts('cotton', 'elastane'), traits: new Set() }],
  ['wool and polyamide', { parts: parts('wool', 'polyamide'), traits: new Set() }],
  ['cotton with a zip', { parts: parts('cotton'), traits: new Set(['zip']) }],
  ['raw denim', { parts: parts('cotton'), traits: new Set(['denim-raw']) }],
  ['velvet', { parts: parts('cotton'), traits: new Set(['velvet']) }],
  ['flame-resistant', { parts: parts('cotton'), traits: new Set(['flame-resistant']) }],
  ['tailored wool', { parts: parts('wool'), traits: new Set(['structured']) }],
];
const labels: [string, Garment['label']][] = [
  ['any bleach', washLabel(60, 'normal', { bleach: 'any' })],
  ['no bleach', washLabel(30, 'mild', { bleach: 'none' })],
  ['none', null],
];

/** What must hold of every procedure; a line per breach. */
function breaches(p: Procedure, g: Garment, w: Workplace): string[] {
  const out: string[] = [];
  const cloth = clothOf(g);
  const caps = capsOf(cloth);
  const washed = { agent: washAgent(p.stain, cloth), rinses: 0, mayBeSkipped: false, airs: false, wet: true };
  for (const problem of sequenceProblems(p.stop === null ? [...p.steps, washed] : p.steps))
    out.push(`order: ${problem.first} then ${problem.then}: ${problem.problem}`);
  p.steps.forEach((s, i) => {
    if (s.kind !== 'treat') return;
    if (s.agent !== null) {
      const stock = stockOf(s.agent);
      const bearing = bearingOf(stock, cloth);
      if (refusedAgents.includes(stock)) out.push(`refused agent ${stock}`);
      if (bearing.never && !hasAny(cloth, ['leather', 'suede'])) out.push(`${stock}: ${bearing.never.code}`);
      if (stock !== 'water' && !w.cupboard.has(stock) && !hasAny(cloth, ['leather', 'suede']))
        out.push(`${stock} is not in the cupboard`);
      if (
        bearing.needsTest &&
        s.gate !== 'test-passed' &&
        !(stock === 'water' && s.action === 'flush-back' && s.temperatureC <= 20 && s.check === 'garment-dye') &&
        !hasAny(cloth, ['leather', 'suede'])
      )
        out.push(`${stock} without its test`);
      if (s.gate === 'test-passed' && !p.steps.slice(0, i).some((t) => t.kind === 'test' && t.what === s.what))
        out.push(`no test step before ${s.what}`);
      if (bearing.spotOnly && (s.action === 'soak' || s.action === 'rinse-bath')) out.push(`${stock} in a bath`);
      if (s.mostMinutes > bearing.mostMinutes) out.push(`${stock} too long`);
      if (
        hasAny(cloth, proteinColumns) &&
        (agentFacts(stock).ph?.[0] ?? 7) >= 9 &&
        !bearing.conditions.includes('c-soap')
      )
        out.push(`${stock}: too alkaline for protein`);
    }
    const bath = s.action === 'soak' || s.action === 'rinse-bath';
    if (s.wet && s.temperatureC > (bath ? caps.soakMaxC : caps.spotMaxC)) out.push(`${s.what} at ${s.temperatureC} °C`);
    if (s.wet && bath && s.mostMinutes > caps.soakMaxMin) out.push(`${s.what} soaks ${s.mostMinutes} min`);
    if (s.mostMinutes < s.minutes) out.push(`${s.what}: least above most`);
    if (s.action === 'iron-through-paper' && s.gate !== 'check-passed') out.push('an iron without its check');
    if (!['freeze', 'iron-through-paper'].includes(s.action) && s.temperatureC > 60) out.push('heat');
  });
  const families = stainFacts(p.stain.kind).families;
  const firstWet = p.steps.find((s) => s.wet);
  if (firstWet && (families.includes('protein') || p.stain.kind === 'unknown-old') && firstWet.temperatureC > 20)
    out.push('protein begins warm');
  if (p.stop === null && !p.steps.some((s) => s.agent !== null || s.airs)) out.push('a dead end');
  return out;
}

describe.each(stainKinds)('%s', (kind) => {
  test('on every fibre, dye, label and from every cupboard', () => {
    const found: string[] = [];
    for (const [clothName, cloth] of cloths)
      for (const [dyeName, dye] of dyes)
        for (const [labelName, label] of labels)
          for (const [cupboardName, cupboard] of cupboards) {
            const g = garment('g', { ...dye, ...cloth, label });
            const w = workplace(cupboard);
            for (const b of breaches(procedureFor(g, stain(kind), w), g, w))
              found.push(`${clothName}, ${dyeName}, ${labelName}, ${cupboardName}: ${b}`);
          }
    expect(found.slice(0, 8)).toEqual([]);
  });
});

/** The handbook's own list of what changes on each group of fibres, checked against what the rules give. */
const changes = JSON.parse(readFileSync(new URL('./fibre-changes.json', import.meta.url), 'utf8')) as Record<
  StainKind,
  Record<'protein' | 'cellulose' | 'acetates' | 'synthetics' | 'elastane' | 'skin', string>
>;
const members: Record<'protein' | 'cellulose' | 'acetates' | 'synthetics' | 'elastane', FibreId[]> = {
  protein: ['wool', 'cashmere', 'silk'],
  cellulose: ['cotton', 'linen', 'viscose', 'lyocell'],
  acetates: ['acetate', 'triacetate'],
  synthetics: ['polyester', 'polyamide', 'acrylic'],
  elastane: ['elastane'],
};
const named: Record<string, FibreId[]> = {
  silk: ['silk'],
  viscose: ['viscose'],
  'modal-lyocell': ['lyocell', 'modal'],
  nylon: ['polyamide'],
  acrylic: ['acrylic'],
};
describe('what changes per fibre group', () => {
  for (const kind of stainKinds)
    for (const [group, fibres] of Object.entries(members)) {
      const cell = changes[kind][group as keyof typeof members];
      if (cell.startsWith('=')) continue;
      test(`${kind} on ${group}: ${cell}`, () => {
        for (const fibre of fibres) {
          const g = garment('g', {
            parts: parts(fibre),
            traits: new Set(),
            colours: [{ hex: '#f7f7f4', role: 'ground' }],
            dye: 'undyed',
            tests: allPassed,
            label: washLabel(60, 'normal', { bleach: 'any' }),
            valueEur: 20,
          });
          // Fresh, on a sturdy chance, so that no stop hides the steps.
          const p = procedureFor(g, stain(kind, { ageHours: 0.5 }), workplace());
          const step = (n: number) => p.steps.find((s) => s.from === n);
          if (p.stop !== null && p.steps.length === 0) {
            expect(p.score).toBeLessThan(40);
            continue;
          }
          for (const part of cell.split(';').map((x) => x.trim())) {
            const only = /\(([^)]*)\)$/
              .exec(part)?.[1]
              ?.split(',')
              .map((x) => x.trim())
              .filter((x) => x in named);
            if (only && only.length > 0 && !only.some((o) => named[o]?.includes(fibre))) continue;
            const minutes = /^s(\d) ≤(\d+)/.exec(part);
            if (minutes) {
              const s = step(Number(minutes[1]));
              expect(s?.mostMinutes ?? Number(minutes[2])).toBeLessThanOrEqual(Number(minutes[2]));
              expect(s).toBeDefined();
            }
            const other = /^s(\d) → ([a-z0-9-]+)/.exec(part);
            if (other?.[2] === 'stop-pro') expect(p.stop).toBe('stop-pro');
            else if (other) expect(step(Number(other[1]))?.what).toBe(other[2]);
            const half = /^s(\d) (half strength|1:2 water|1 %)/.exec(part);
            if (half) {
              const s = step(Number(half[1]));
              expect(s?.because ?? []).toContainEqual(say('chem.condition', { condition: 'c-dil' }));
            }
            const skipped = /^s(\d) skip/.exec(part);
            if (skipped) expect(step(Number(skipped[1]))).toBeUndefined();
          }
          if (cell === '—')
            for (const [i, listed] of stainSteps[kind].entries()) {
              if (listed.when === 'if-hard-water' || listed.when === 'white-cellulose-only') continue;
              const s = step(i + 1);
              if (s) expect(s.what).toBe(listed.agent);
            }
        }
      });
    }
});

describe('particular procedures', () => {
  const white = garment('white', {
    parts: parts('cotton'),
    traits: new Set(),
    colours: [{ hex: '#f7f7f4', role: 'ground' }],
    dye: 'undyed',
    label: washLabel(60, 'normal', { bleach: 'any' }),
  });
  test('coffee on white cotton: blot, flush cold, detergent, vinegar, oxygen bleach', () => {
    const p = procedureFor(white, stain('coffee'), workplace());
    expect(p.steps.map((s) => s.what)).toEqual([
      'absorbent-paper',
      'water',
      'det-colour-liquid',
      'vinegar-white',
      'oxy-percarbonate',
    ]);
    expect(p.steps.map((s) => s.temperatureC)).toEqual([20, 20, 30, 25, 40]);
    expect(p.steps.map((s) => s.when)).toEqual(['always', 'always', 'always', 'if-left', 'if-left']);
    expect(p.steps.map((s) => s.rinses)).toEqual([0, 1, 1, 2, 2]);
    expect(p).toMatchObject({ score: 77, odds: 0.77, stop: null, rounds: 3, roundsLeft: 3 });
    expect(p.band).toBe('likely');
  });
  test('a missing agent is stood in for, and what would help is said', () => {
    const p = procedureFor(white, stain('coffee'), workplace(new Set<AgentId>(['soap-dish'])));
    expect(p.steps.map((s) => s.what)).toEqual(['absorbent-paper', 'water', 'soap-dish']);
    expect(p.dropped.filter((d) => d.missing).map((d) => d.agent)).toEqual(['vinegar-white', 'oxy-percarbonate']);
  });
  test('a failed test with alcohol takes the alcohol out', () => {
    const g = garment('g', {
      parts: parts('cotton'),
      traits: new Set(),
      washCount: 10,
      tests: [{ kind: 'spot', agent: 'isopropyl-alcohol', grade: 3, at }],
    });
    expect(procedureFor(g, stain('ink-ballpoint'), workplace()).steps.map((s) => s.what)).not.toContain(
      'isopropyl-alcohol',
    );
  });
  test('an untested colour is tested first, agent by agent; a passed test takes the gate away', () => {
    const g = garment('g', {
      parts: parts('cotton'),
      traits: new Set(),
      washCount: 0,
      tests: [],
      label: washLabel(40, 'normal', { bleach: 'oxygen' }),
    });
    const p = procedureFor(g, stain('red-wine'), workplace());
    expect(p.steps.filter((s) => s.kind === 'test').map((s) => s.what)).toEqual([
      'det-colour-liquid',
      'vinegar-white',
      'oxy-percarbonate',
    ]);
    expect(p.steps.find((s) => s.what === 'water')).toMatchObject({
      action: 'flush-back',
      gate: null,
      check: 'garment-dye',
    });
    const tested = procedureFor({ ...g, tests: [passed('vinegar-white')] }, stain('red-wine'), workplace());
    expect(tested.steps.find((s) => s.what === 'vinegar-white')!.gate).toBeNull();
  });
  test('rust keeps every bleach away, also from the mark beside it', () => {
    const g = { ...white, stains: [stain('rust'), stain('coffee', { id: 't' })] };
    expect(procedureFor(g, stain('coffee'), workplace()).steps.map((s) => s.what)).not.toContain('oxy-percarbonate');
  });
  test('chlorine only on plain white cellulose, where house and label allow it, and never with sweat', () => {
    const chlorine = (g: Garment, w = workplace()): boolean =>
      procedureFor(g, stain('mildew'), w).steps.some((s) => s.what === 'chlorine-bleach');
    expect(chlorine(white)).toBe(true);
    expect(chlorine(white, workplace(full, { chlorine: false }))).toBe(false);
    expect(chlorine({ ...white, label: washLabel(60, 'normal', { bleach: 'oxygen' }) })).toBe(false);
    expect(chlorine({ ...white, activity: 'sweaty' })).toBe(false);
    expect(chlorine({ ...white, stains: [stain('urine')] })).toBe(false);
  });
  test('rounds used up, poor odds, too much fuel, ink too wide: it stops, with words', () => {
    expect(procedureFor(white, stain('coffee', { failedRounds: 3 }), workplace())).toMatchObject({
      stop: 'stop-leave',
      steps: [],
      roundsLeft: 0,
    });
    expect(
      procedureFor({ ...white, parts: parts('silk') }, stain('coffee', { failedRounds: 1 }), workplace()).stop,
    ).toBe('stop-pro');
    expect(procedureFor(white, stain('turmeric-curry', { ageHours: 20_000, heat: 'repeated' }), workplace()).stop).toBe(
      'stop-leave',
    );
    expect(procedureFor(white, stain('fuel-diesel', { sizeCm: 30 }), workplace()).stop).toBe('stop-safety');
    expect(procedureFor(white, stain('ink-permanent', { sizeCm: 14 }), workplace()).stop).toBe('stop-pro');
  });
  test('leather gets the dry way and the specialist', () => {
    const p = procedureFor({ ...white, parts: parts('leather') }, stain('mud', { ageHours: 1 }), workplace());
    expect(p.steps.every((s) => !s.wet)).toBe(true);
    expect(p.stop).not.toBeNull();
  });
  test('the same piece and mark give the same procedure', () => {
    expect(procedureFor(white, stain('red-wine'), workplace())).toEqual(
      procedureFor(white, stain('red-wine'), workplace()),
    );
  });
});
