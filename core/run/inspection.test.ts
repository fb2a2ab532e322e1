/** The last look: its questions, their order, what follows; and what runs and care of the machines teach. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Garment } from '../model/garment.ts';
import { profileOf } from '../piece/profile.ts';
import { everydayGarment, garment, household, only, plainRules } from '../testing/arbitrary.ts';
import { textOf } from '@words/text.ts';
import { drumCheck } from './drum-check.ts';
import {
  dryLookOf,
  isAnswer,
  isGood,
  lookFacts,
  lookKinds,
  canBeAnswered,
  looksOf,
  rinseLitres,
  rinseMatters,
  remedyOf,
  type InspectedLoad,
} from './inspection.ts';
import { optionsFor } from './options.ts';
import { troubleAdvice } from './trouble.ts';
import { descaleEveryRuns, upkeepDue, upkeepRun } from './upkeep.ts';

const stain = (id: string) => ({
  id,
  kind: 'coffee' as const,
  ageHours: 1,
  heatSet: false,
  heat: null,
  tried: [],
  place: '',
  sizeCm: 2,
  failedRounds: 0,
});
const load = (gs: readonly Garment[], change: Partial<InspectedLoad> = {}): InspectedLoad => ({
  pieces: gs.map((g) => profileOf(g, plainRules)),
  catcher: false,
  byHand: false,
  carefulRinse: false,
  withControl: new Set(),
  ...change,
});
const ids = (l: InspectedLoad): string[] => looksOf(l).map((x) => x.id);
const tee = garment('tee');
const marked = garment('marked', { stains: [stain('s1'), stain('s2')] });
const wool = garment('wool', {
  kind: 'jumper_mid',
  parts: only('wool'),
  washCount: 0,
  dye: 'undyed',
  colours: [{ hex: '#f2efe6', role: 'ground' }],
});

describe('what is looked at', () => {
  test('the catcher first, then marks one by one, then sizes; the rest after them', () => {
    expect(ids(load([tee, marked, wool], { catcher: true }))).toEqual([
      'catcher',
      'mark/marked/s1',
      'mark/marked/s2',
      'size/wool',
      'dye',
      'clean',
      'residue',
      'smell',
      'damage',
    ]);
  });
  test('colour of the others is asked of several pieces only, and first where a bleeder lies among them', () => {
    expect(ids(load([tee]))).not.toContain('dye');
    const red = garment('red', { colours: [{ hex: '#a01020', role: 'ground' }], washCount: 0, tests: [] });
    expect(ids(load([tee, red]))[0]).toBe('dye');
  });
  test('what smelled is smelled early; soap and hand make residue matter', () => {
    expect(ids(load([garment('smelly', { odour: true })]))[0]).toBe('smell');
    expect(ids(load([tee], { byHand: true, carefulRinse: true }))[0]).toBe('residue');
  });
  test('a part kept dry is compared', () => {
    expect(
      looksOf(load([tee, wool], { withControl: new Set(['tee']) })).find((l) => l.kind === 'control')?.pieces,
    ).toEqual(['tee']);
  });
  test('every question has an id of its own, a good answer first, and a remedy for each bad one', () =>
    fc.assert(
      fc.property(fc.array(everydayGarment, { minLength: 1, maxLength: 6 }), fc.boolean(), (gs, catcher) => {
        const own = gs.map((g, i) => ({ ...g, id: `g${i}` }));
        const looks = looksOf(load(own, { catcher }));
        expect(new Set(looks.map((l) => l.id)).size).toBe(looks.length);
        for (const l of looks) {
          const [good, ...bad] = lookFacts[l.kind].answers;
          expect(isGood(l.kind, good)).toBe(true);
          for (const b of bad) {
            const remedy = remedyOf(l.kind, b, { massKg: 3, rinseL: 12, temperatureC: 40 });
            expect(remedy).not.toBeNull();
            expect(textOf(remedy!.message).length).toBeGreaterThan(20);
          }
        }
      }),
    ));
  test('good answers ask for nothing, unknown ones are none', () => {
    for (const kind of lookKinds) {
      expect(remedyOf(kind, lookFacts[kind].answers[0], { massKg: 3, rinseL: 12, temperatureC: 40 })).toBeNull();
      expect(isAnswer(kind, 'perhaps')).toBe(false);
    }
  });
  test('a mark that is gone wet is asked again dry, by an id that belongs to it', () => {
    const mark = looksOf(load([marked]))[0]!;
    expect(dryLookOf(mark)).toMatchObject({ id: 'mark-dry/marked/s1', kind: 'mark-dry', stain: { id: 's1' } });
  });
  test('strong colour is a rescue, a trace is watched; residue says how many rinses', () => {
    const at = { massKg: 4, rinseL: 12, temperatureC: 40 };
    expect(remedyOf('catcher', 'strong', at)!.is).toBe('rescue');
    expect(remedyOf('catcher', 'trace', at)!.is).toBe('watch');
    expect(remedyOf('residue', 'left', at)!.message).toEqual({ code: 'look.residue', params: { count: 1 } });
    // ln 1.5 / ln((4 + 2) / 4) = 1: with little water to rinse in it takes more.
    expect(remedyOf('residue', 'left', { ...at, rinseL: 1 })!.message).toEqual({
      code: 'look.residue',
      params: { count: 2 },
    });
  });
});

describe('care of the machines', () => {
  test('descaling by hardness: none of soft water, every 80 runs at 3 mmol/l', () => {
    expect(descaleEveryRuns(1.49)).toBeNull();
    expect(descaleEveryRuns(1.5)).toBe(160);
    expect(descaleEveryRuns(3)).toBe(80);
  });
  test('due at the number, soon from four fifths, overdue from one and a half', () => {
    const state = (runs: number) =>
      upkeepDue('washer', { 'hot-run': { runs, days: null } }, 1).find((d) => d.task === 'hot-run')!.state;
    expect([15, 16, 19, 20, 29, 30].map(state)).toEqual(['fine', 'soon', 'soon', 'due', 'due', 'overdue']);
  });
  test('days count only once there was a run', () => {
    const seal = (runs: number, days: number) =>
      upkeepDue('washer', { seal: { runs, days } }, 1).find((d) => d.task === 'seal')!.state;
    expect(seal(0, 100)).toBe('fine');
    expect(seal(1, 20)).toBe('soon');
    expect(seal(1, 21)).toBe('due');
  });
  test('the most pressing first; soft water has no descaling; a dryer has other cares', () => {
    const due = upkeepDue('washer', { drawer: { runs: 30, days: null }, seal: { runs: 11, days: null } }, 1);
    expect(due.map((d) => d.task).slice(0, 2)).toEqual(['drawer', 'seal']);
    expect(due.map((d) => d.task)).not.toContain('descale');
    expect(
      upkeepDue('dryer', {}, 3)
        .map((d) => d.task)
        .sort(),
    ).toEqual(['duct', 'lint-filter']);
  });
  test('a hot run is the hottest programme of common cloth, empty; a machine that only warms has none', () => {
    const washer = household.washers[0]!;
    const run = upkeepRun(washer, 'hot-run', household)!;
    expect(run.temperatureC).toBe(
      Math.max(...washer.programmes.filter((p) => p.family !== 'wool').flatMap((p) => p.temperaturesC)),
    );
    expect(run.temperatureC).toBeGreaterThanOrEqual(60);
    expect(upkeepRun(washer, 'seal', household)).toBeNull();
    const cool = { ...washer, programmes: washer.programmes.map((p) => ({ ...p, temperaturesC: [30] })) };
    expect(upkeepRun(cool, 'hot-run', household)).toBeNull();
  });
});

describe('at the machine', () => {
  const washer = { drumVolumeL: 50, drumRadiusM: 0.24 };
  test('a fuller drum leaves less room; the verdict is that of the fill', () => {
    const pieces = (n: number) => Array.from({ length: n }, () => profileOf(tee, plainRules));
    const few = drumCheck(pieces(5), washer, 5, 0.2);
    const many = drumCheck(pieces(40), washer, 5, 1.1);
    expect(few.freeCm).toBeGreaterThan(many.freeCm);
    expect(few.freeCm).toBeLessThanOrEqual(48);
    expect(many.looseShare).toBeLessThanOrEqual(1);
    expect(few.verdict).toBe('under');
    expect(many.verdict).toBe('over');
    expect(few.massKg).toBeCloseTo(0.8, 6);
    expect([few.room, many.room]).toEqual(['plenty', 'flat']);
    const rooms = Array.from({ length: 40 }, (_, i) => drumCheck(pieces(i + 1), washer, 5, 0.5));
    for (const r of rooms) expect(r.room).toBe(r.freeCm >= 25 ? 'plenty' : r.freeCm >= 10 ? 'upright' : 'flat');
    expect(new Set(rooms.map((r) => r.room)).size).toBe(3);
  });
  test('dry cloth is looked at once it was felt dry', () => {
    const look = (kind: 'mark' | 'mark-dry') => ({ kind, pieces: ['tee'] });
    expect(canBeAnswered(look('mark-dry'), new Set(['tee', 'wool']))).toBe(false);
    expect(canBeAnswered(look('mark-dry'), new Set(['wool']))).toBe(true);
    expect(canBeAnswered(look('mark'), new Set(['tee']))).toBe(true);
  });
  test('rinsing matters more after soap and for careful skin', () => {
    expect(rinseMatters('normal', 'heavy')).toBe(false);
    expect(rinseMatters('careful', 'heavy')).toBe(true);
    expect(rinseMatters('normal', 'soap')).toBe(true);
    expect(rinseMatters('normal', null)).toBe(false);
  });
  test('a rinse takes its share of the water: a third of a machine run, a bath by hand, never none', () => {
    expect(rinseLitres(45, false, 0)).toBe(15);
    expect(rinseLitres(30, true, 2)).toBe(10);
    expect(rinseLitres(2, false, 0)).toBe(1);
  });
  test('options: rinse when the plan says so, soil by the dirtiest piece', () => {
    const p = (soil: Garment['soil']) => profileOf({ ...tee, soil }, plainRules);
    expect(optionsFor([p('light')], true)).toEqual(['extra-rinse', 'soil-light']);
    expect(optionsFor([p('light'), p('normal')], false)).toEqual([]);
    expect(optionsFor([p('light'), p('heavy')], false)).toEqual(['soil-heavy']);
  });
  test('a machine that stopped: scalding water from 50 °C on, and hours until wet cloth smells', () => {
    const codes = (t: 'error' | 'opened', temperatureC: number) =>
      troubleAdvice(t, { temperatureC, roomC: 20 }).map((m) => m.code);
    expect(codes('opened', 49)).not.toContain('trouble.opened-hot');
    expect(codes('opened', 50)[0]).toBe('trouble.opened-hot');
    expect(codes('error', 60)).toContain('trouble.error-again');
    const hours = (roomC: number) =>
      (troubleAdvice('error', { temperatureC: 30, roomC }).at(-1)!.params as { hours: number }).hours;
    expect(hours(20)).toBe(5);
    expect(hours(30)).toBe(2);
  });
});
