import { describe, expect, test } from '@jest/globals';
import { agentIds } from '@core/chemistry/agents.ts';
import { hazardIds } from '@core/chemistry/agent-agent.ts';
import { together } from '@core/chemistry/ask.ts';
import { clothOf } from '@core/chemistry/cloth.ts';
import { bearingOf } from '@core/chemistry/bearing.ts';
import { fibreIds } from '@core/fibre/fibres.ts';
import { stopCodes } from '@core/stain/actions.ts';
import { procedureFor } from '@core/stain/procedure.ts';
import { bands } from '@core/stain/score.ts';
import { stainKinds } from '@core/stain/stains.ts';
import { garment, only } from '@core/testing/arbitrary.ts';
import { sentenceOf, stopText, textOf } from '../text.ts';
import { hazardWords } from './chemistry.ts';
import { bandWords, stepText, stopWords } from './treat.ts';

const broken = /undefined|\{|\}|\bnull\b|\[object/;

describe('the stain bench in words', () => {
  test('every step, reason, stop and dropped step of every mark on every fibre can be said', () => {
    const workplace = { cupboard: new Set(agentIds), hardness: 3, chlorine: true, learnt: [] };
    const bare = { ...workplace, cupboard: new Set<never>() };
    for (const fibre of fibreIds)
      for (const kind of stainKinds)
        for (const w of [workplace, bare]) {
          const mark = {
            id: 's',
            kind,
            ageHours: 3,
            heatSet: false,
            heat: null,
            tried: [],
            place: '',
            sizeCm: 3,
            failedRounds: 0,
          };
          const p = procedureFor(garment('g', { parts: only(fibre), stains: [mark] }), mark, w);
          const said = [
            ...p.steps.map((s) => stepText(s)),
            ...p.steps.flatMap((s) => s.because.map(textOf)),
            ...p.dropped.map((d) => textOf(d.because)),
            ...(p.stop ? [stopText(p)] : []),
          ];
          for (const text of said) {
            expect(text).not.toMatch(broken);
            expect(text.length).toBeGreaterThan(5);
          }
        }
  });
  test('a step as the ticket has it', () => {
    const step = {
      kind: 'treat',
      what: 'oxy-percarbonate',
      dose: '10 g/l',
      action: 'soak',
      minutes: 30,
      mostMinutes: 120,
      repeats: 2,
      rinses: 2,
      check: 'gone-dry',
      when: 'if-left',
    } as const;
    expect(stepText(step)).toBe(
      'If it is still there: oxygen bleach powder (sodium percarbonate), 10 g/l: fully under the liquid, loose, lid or plate on top; move gently at start and end. 30–120 min. Up to 2 times. Then rinse 2 times. Check: no mark after air-drying 12–24 h, daylight, both sides.',
    );
    expect(stepText({ ...step, kind: 'test', when: 'always', repeats: 1, rinses: 0, mostMinutes: 30 })).toMatch(
      /^Test Oxygen bleach powder.* first: one drop on an inner seam.*it must stay white\.$/,
    );
  });
  test('no band promises anything; stops say what to do', () => {
    for (const b of bands) expect(bandWords[b.id]).not.toMatch(/always|guarantee|100 ?%/i);
    for (const s of stopCodes) expect(stopWords[s].length).toBeGreaterThan(20);
    expect(stopText({ stop: null, stopBecause: null })).toBe('');
  });
});

test('every answer about two agents, and every agent that a cloth does not bear, can be said', () => {
  for (const a of agentIds) {
    for (const b of agentIds) for (const line of together(a, b).lines) expect(sentenceOf(line)).not.toMatch(broken);
    for (const fibre of fibreIds) {
      const { never } = bearingOf(a, clothOf(garment('g', { parts: only(fibre) })));
      if (never) expect(textOf(never.because)).not.toMatch(broken);
    }
  }
  for (const id of hazardIds) expect(hazardWords[id].length).toBeGreaterThan(10);
});
