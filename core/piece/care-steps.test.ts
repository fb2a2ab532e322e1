/** What a piece needs before and after its load: preparing, drying, pressing, putting away. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { HouseRules } from '../model/household.ts';
import { anyGarment, garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { mayChangeSize, moistureAtEnd, prepareSteps, pressPlan, pressWaits, storeAs } from './care-steps.ts';
import { physicalFibres } from '../fibre/physical.ts';
import { moistureAfterSpin } from '../washing/spin.ts';
import { profileOf } from './profile.ts';

const profile = (change: Partial<Garment>, rules: Partial<HouseRules> = {}) =>
  profileOf(garment('g', change), { ...household.rules, ...rules });
const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string) => [{ hex, role: 'ground' as const }];
describe('preparing', () => {
  test.each<[string, Partial<Garment>, string[]]>([
    [
      'jeans: pockets, zip, inside out',
      { kind: 'jeans', traits: traits('denim', 'zip') },
      ['empty-pockets', 'zip-closed', 'inside-out'],
    ],
    ['a shirt: buttons open', { kind: 'dress_shirt', traits: traits('woven', 'buttons') }, ['buttons-open']],
    [
      'raw denim keeps its buttons closed, and is measured',
      { kind: 'jeans', traits: traits('denim-raw', 'buttons'), dye: 'indigo', colours: ground('#232f4e') },
      ['empty-pockets', 'measure', 'buttons-closed', 'inside-out'],
    ],
    ['hooks closed and netted', { kind: 'bra', traits: traits('hooks', 'underwire') }, ['hooks-closed', 'net']],
    [
      'lace: a net without metal instead of any',
      { kind: 'apron', traits: traits('lace', 'beads'), dye: 'undyed', colours: ground('#faf8f2') },
      ['empty-pockets', 'inside-out', 'net-no-metal'],
    ],
    ['a drawstring is tied', { kind: 'joggers', traits: traits('drawstring') }, ['empty-pockets', 'tie-drawstring']],
    [
      'what comes off comes off, and of an unproven colour one part is kept to compare',
      { kind: 'dress_light', traits: traits('detachable') },
      ['detach', 'keep-control'],
    ],
    [
      'flour and mud come off dry',
      { kind: 'apron', traits: traits('woven'), soil: 'heavy' },
      ['empty-pockets', 'brush-out'],
    ],
  ])('%s', (_, change, expected) => {
    const steps: string[] = prepareSteps(profile(change));
    for (const s of expected) expect(steps).toContain(s);
  });
  test('wool is measured before its first wash only; socks are never turned', () => {
    const jumper = { kind: 'jumper_mid' as const, parts: only('wool'), label: washLabel(30, 'very-mild') };
    expect(prepareSteps(profile({ ...jumper, washCount: 0 }))).toContain('measure');
    expect(prepareSteps(profile({ ...jumper, washCount: 4 }))).not.toContain('measure');
    // Measured already: nothing to do before, and a look at its size after.
    const known = profile({ ...jumper, washCount: 0, measured: true });
    expect(prepareSteps(known)).not.toContain('measure');
    expect([mayChangeSize(known), mayChangeSize(profile({ ...jumper, washCount: 4 }))]).toEqual([true, false]);
    expect(prepareSteps(profile({ kind: 'sock_crew_pair', traits: traits('jersey-knit') }))).not.toContain(
      'inside-out',
    );
  });
  test('no control part of a colour that has earned its trust, or of undyed cloth; light soil needs no brush', () => {
    const clear = [1, 2].map((d) => ({
      kind: 'catcher' as const,
      agent: 'water',
      grade: 5,
      at: `2026-04-0${d}T10:00:00Z`,
    }));
    expect(prepareSteps(profile({ traits: traits('detachable'), tests: clear }))).toEqual(
      expect.not.arrayContaining(['keep-control']),
    );
    expect(prepareSteps(profile({ traits: traits('detachable'), dye: 'undyed', colours: ground('#f7f7f4') }))).toEqual([
      'detach',
    ]);
    expect(prepareSteps(profile({ kind: 'apron', traits: traits('woven'), soil: 'normal' }))).not.toContain(
      'brush-out',
    );
  });
  test('a dark tube is turned, a light one of plain weave is not', () => {
    expect(prepareSteps(profile({ traits: traits('woven'), colours: ground('#1d1e21') }))).toContain('inside-out');
    expect(prepareSteps(profile({ traits: traits('woven'), colours: ground('#d9c7a4') }))).not.toContain('inside-out');
  });
  test('always in the order of doing, each once, never both kinds of net', () =>
    fc.assert(
      fc.property(anyGarment, (g) => {
        const order = [
          'mend',
          'empty-pockets',
          'brush-out',
          'photo',
          'measure',
          'detach',
          'keep-control',
          'tie-drawstring',
          'zip-closed',
          'hooks-closed',
          'buttons-open',
          'buttons-closed',
          'inside-out',
          'net',
          'net-no-metal',
        ];
        const at = prepareSteps(profileOf(g, household.rules)).map((s) => order.indexOf(s));
        expect(at).toEqual([...new Set(at)].sort((x, y) => x - y));
        expect(at).not.toEqual(expect.arrayContaining([order.indexOf('net'), order.indexOf('net-no-metal')]));
      }),
    ));
});

describe('moisture when the bath is over', () => {
  const cotton = profile({});
  const after = (method: 'machine' | 'hand', spinRpm: number) =>
    moistureAtEnd(cotton, { method, spinRpm, drumRadiusM: 0.24 });
  test('spun, dripping, or pressed and rolled in a towel', () => {
    const facts = physicalFibres.cotton;
    expect(after('machine', 1400)).toBeCloseTo(moistureAfterSpin(cotton.fibre, 1400, 0.24), 12);
    expect(after('machine', 0)).toBe(facts.dripped);
    expect(after('hand', 0)).toBeCloseTo(facts.pressed - ((0.65 * 1) / 1.6) * (facts.pressed - facts.boundWater), 12);
    // By hand nothing spins, whatever is said.
    expect(after('hand', 1400)).toBe(after('hand', 0));
  });
});

describe('pressing and putting away', () => {
  test('no steam on a low iron, nor where the label forbids it; pale cloth is ironed on its face', () => {
    const shirt = (iron: 'low' | 'medium', more: Partial<Garment> = {}) =>
      pressPlan(
        profile({ kind: 'dress_shirt', traits: traits('woven'), label: washLabel(40, 'mild', { iron }), ...more }),
      );
    expect([shirt('low')?.steam, shirt('medium')?.steam]).toEqual([false, true]);
    expect(shirt('medium', { parts: only('silk') })?.steam).toBe(false);
    const faces = ['#f7f7f4', '#7fb3d9', '#1d1e21'].map((hex) => shirt('medium', { colours: ground(hex) })?.insideOut);
    expect(faces).toEqual([false, false, true]);
  });
  test('cotton shirts by their label, with steam; wool trousers through a cloth; T-shirts not by default when nothing asks', () => {
    expect(
      pressPlan(
        profile({ kind: 'dress_shirt', traits: traits('woven'), label: washLabel(40, 'mild', { iron: 'high' }) }),
      ),
    ).toMatchObject({ iron: 'high', steam: true });
    expect(
      pressPlan(
        profile({
          kind: 'wool_trousers',
          parts: only('wool'),
          traits: traits('woven'),
          label: washLabel(30, 'very-mild', { iron: 'medium' }),
        }),
      ),
    ).toMatchObject({ iron: 'medium', pressCloth: true });
    expect(pressPlan(profile({ kind: 'bath_towel', traits: traits('terry') }))).toBeNull();
  });
  test('dark pieces are ironed from the back; a crossed iron means none', () => {
    expect(
      pressPlan(profile({ kind: 'dress_shirt', traits: traits('woven'), colours: ground('#1d1e21') }))?.insideOut,
    ).toBe(true);
    expect(
      pressPlan(
        profile({ kind: 'dress_shirt', traits: traits('woven'), label: washLabel(40, 'mild', { iron: 'none' }) }),
      ),
    ).toBeNull();
  });
  test('an open mark puts the iron off; fuel forbids it', () => {
    const stain = {
      id: 's',
      ageHours: 30,
      heatSet: false,
      place: '',
      sizeCm: 3,
      failedRounds: 0,
      heat: null,
      tried: [],
    };
    const shirt = (kind: 'coffee' | 'fuel-diesel') =>
      profile({ kind: 'dress_shirt', traits: traits('woven'), stains: [{ ...stain, kind }] });
    expect(pressPlan(shirt('coffee'))).not.toBeNull();
    expect(pressWaits(shirt('coffee'))).toBe(true);
    expect(pressPlan(shirt('fuel-diesel'))).toBeNull();
    expect(pressWaits(profile({ kind: 'dress_shirt', traits: traits('woven') }))).toBe(false);
  });
  test.each<[Garment['kind'], Partial<Garment>, 'fold' | 'hang']>([
    ['dress_shirt', {}, 'hang'],
    ['skirt_light', {}, 'hang'],
    ['rain_jacket', {}, 'hang'],
    ['tshirt', {}, 'fold'],
    ['jumper_mid', { parts: only('wool') }, 'fold'],
    ['jeans', {}, 'fold'],
    ['bath_towel', {}, 'fold'],
  ])('%s: %s', (kind, change, way) => expect(storeAs(profile({ kind, ...change }))).toBe(way));
});
