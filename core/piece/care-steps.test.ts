/** What a piece needs before and after its load: preparing, drying, pressing, putting away. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { Household, HouseRules } from '../model/household.ts';
import { anyGarment, garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { dryPlan, moistureAtEnd, prepareSteps, pressPlan, pressWaits, storeAs } from './care-steps.ts';
import { profileOf } from './profile.ts';

const profile = (change: Partial<Garment>, rules: Partial<HouseRules> = {}) =>
  profileOf(garment('g', change), { ...household.rules, ...rules });
const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string) => [{ hex, role: 'ground' as const }];
const dry = (change: Partial<Garment>, home: Partial<Household> = {}, rules: Partial<HouseRules> = {}, spinRpm = 800) =>
  dryPlan(profile(change, rules), { ...household, ...home, rules: { ...household.rules, ...rules } }, spinRpm, 0.24);
const balcony = {
  id: 'balcony',
  name: 'Balcony',
  bars: 6,
  barLengthM: 2.4,
  flatM2: 0,
  hangers: 6,
  outdoors: true,
  sun: true,
};
const dryer = { id: 'dryer', name: 'Dryer', type: 'heat-pump' as const, maxLoadKg: 7, lowTemperature: true };

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

describe('drying', () => {
  test('T-shirts hang over two bars, or lie flat where the house says so for heavy ones', () => {
    expect(dry({})).toMatchObject({ method: 'bars', place: 'rack', bars: 2 });
    expect(dry({}, {}, { tshirtDrying: 'flat' }).method).toBe('flat');
  });
  test('shirts hang on hangers, knitted wool lies flat away from heat, woven silk hangs in the shade', () => {
    expect(dry({ kind: 'dress_shirt', traits: traits('woven', 'buttons'), label: washLabel(40, 'mild') }).method).toBe(
      'hanger',
    );
    expect(
      dry({
        kind: 'jumper_mid',
        parts: only('wool'),
        traits: traits('jersey-knit'),
        label: washLabel(30, 'very-mild'),
      }),
    ).toMatchObject({ method: 'flat', awayFromHeat: true, shade: true });
    expect(
      dry({ kind: 'silk_blouse', parts: only('silk'), traits: traits('woven'), label: washLabel(30, 'very-mild') }),
    ).toMatchObject({ method: 'hanger', shade: true });
  });
  test('white goes to the sun, black into the shade: the place follows', () => {
    const places = { dryingPlaces: [...household.dryingPlaces, balcony] };
    expect(dry({ colours: ground('#f7f7f4'), dye: 'undyed' }, places)).toMatchObject({
      place: 'balcony',
      shade: false,
    });
    expect(dry({ colours: ground('#1d1e21') }, places)).toMatchObject({ place: 'rack', shade: true });
  });
  test('without a place that suits it, none is named', () =>
    expect(
      dry({ kind: 'jumper_mid', parts: only('wool'), traits: traits('jersey-knit') }, { dryingPlaces: [balcony] })
        .place,
    ).toBeNull());
  test('a dryer needs the label, the house and the kind', () => {
    const home = { dryers: [dryer] };
    const towel = {
      kind: 'bath_towel' as const,
      traits: traits('terry'),
      label: washLabel(60, 'normal', { tumble: 'normal' }),
    };
    expect(dry(towel, home).method).toBe('bars');
    expect(dry(towel, home, { tumble: 'towels' })).toMatchObject({ method: 'tumble-normal', place: 'dryer', bars: 0 });
    expect(
      dry({ label: washLabel(40, 'normal', { tumble: 'low' }), traits: traits('woven') }, home, { tumble: 'towels' })
        .method,
    ).toBe('bars');
    expect(
      dry({ label: washLabel(40, 'normal', { tumble: 'low' }), traits: traits('woven') }, home, {
        tumble: 'when-allowed',
      }).method,
    ).toBe('tumble-low');
    expect(
      dry(
        {
          kind: 'jumper_mid',
          parts: only('wool'),
          traits: traits('jersey-knit'),
          label: washLabel(30, 'very-mild', { tumble: 'normal' }),
        },
        home,
        { tumble: 'when-allowed' },
      ).method,
    ).toBe('flat');
    expect(
      dry(
        {
          ...towel,
          stains: [
            {
              id: 's',
              kind: 'coffee',
              ageHours: 30,
              heatSet: false,
              place: '',
              sizeCm: 3,
              failedRounds: 0,
              heat: null,
              tried: [],
            },
          ],
        },
        home,
        { tumble: 'when-allowed' },
      ).method,
    ).toBe('bars');
  });
  test('what leaves the spin wetter dries longer; a towel roll stands in for the spin of a hand wash', () => {
    const tee = profile({});
    expect(moistureAtEnd(tee, 1400, 0.24)).toBeLessThan(moistureAtEnd(tee, 800, 0.24));
    expect(moistureAtEnd(tee, 800, 0.24)).toBeLessThan(moistureAtEnd(tee, 400, 0.24));
    expect(moistureAtEnd(tee, 0, 0.24)).toBeGreaterThan(moistureAtEnd(tee, 800, 0.24));
    expect(dry({}, {}, {}, 1400).hours).toBeLessThan(dry({}, {}, {}, 600).hours);
  });
  test('hours are finite, bars belong to bars, flips to flat', () =>
    fc.assert(
      fc.property(
        anyGarment,
        fc.constantFrom(0, 400, 800, 1400),
        fc.constantFrom('never' as const, 'towels' as const, 'when-allowed' as const),
        (g, spinRpm, tumble) => {
          const home = { ...household, dryers: [dryer], rules: { ...household.rules, tumble } };
          const p = dryPlan(profileOf(g, home.rules), home, spinRpm, 0.24);
          expect(p.hours).toBeGreaterThanOrEqual(0);
          expect(p.hours).toBeLessThan(Infinity);
          expect(p.bars > 0).toBe(p.method === 'bars');
          if (p.flips > 0) expect(p.method).toBe('flat');
          if (p.method.startsWith('tumble')) expect([tumble, p.place]).not.toContain('never');
        },
      ),
      { numRuns: 300 },
    ));
});

describe('pressing and putting away', () => {
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
