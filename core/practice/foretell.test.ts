/** What a play may come to: each effect where it is earned, and not beside it. */
import { describe, expect, test } from '@jest/globals';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { Household } from '../model/household.ts';
import { garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { mark } from '../testing/mark.ts';
import type { EffectKind } from './effects.ts';
import { foretell, sceneOf, type Outlook } from './foretell.ts';
import { emptyPlay, markKey, type Play, type PlayLoad, type Way } from './play.ts';

const now = '2026-05-09T08:00:00+02:00';
const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string): Garment['colours'] => [{ hex, role: 'ground' }];
const washer = household.washers[0]!;
const cotton = washer.programmes.find((p) => p.family === 'cotton')!;
const detergent = household.products[0]!.id;
const way = (temperatureC: number, spinRpm = 800): Way => ({
  by: 'machine',
  washer: washer.id,
  programme: cotton.id,
  temperatureC,
  spinRpm,
  detergent,
  helpers: [],
});
const load = (pieces: readonly string[], change: Partial<PlayLoad> = {}): PlayLoad => ({
  id: 'l1',
  pieces,
  way: way(40),
  pockets: true,
  closed: true,
  ...change,
});
const told = (garments: readonly Garment[], play: Partial<Play>, home: Household = household): Outlook =>
  foretell(sceneOf({ household: home, garments, now }), { ...emptyPlay, ...play });
const oddsOf = (o: Outlook, kind: EffectKind, piece?: string): number =>
  o.effects.find((e) => e.kind === kind && (piece === undefined || e.piece === piece))?.odds ?? 0;
const tee = garment('tee', { soil: 'light', washCount: 30 });
const jumper = garment('jumper', {
  kind: 'jumper_mid',
  parts: only('wool'),
  traits: traits('jersey-knit'),
  label: washLabel(30, 'very-mild'),
});

describe('the wash', () => {
  test('wool in a hot cotton programme felts, and its label is passed; a T-shirt bears it', () => {
    const hot = told([jumper], { loads: [load(['jumper'], { way: way(60, 1400) })] });
    expect(oddsOf(hot, 'felted')).toBeGreaterThan(0.9);
    expect(oddsOf(hot, 'harmed')).toBeGreaterThan(0.15);
    const [felted] = hot.effects.filter((e) => e.kind === 'felted');
    expect(felted?.lossEur).toBeCloseTo(0.8 * jumper.valueEur, 9);
    const mild = told([tee], { loads: [load(['tee'])] });
    expect([oddsOf(mild, 'felted'), oddsOf(mild, 'harmed')]).toEqual([0, 0]);
  });
  test('each passed limit adds to one harm: none of them spares the piece alone', () => {
    const harm = (temperatureC: number, spinRpm: number) =>
      oddsOf(told([jumper], { loads: [load(['jumper'], { way: way(temperatureC, spinRpm) })] }), 'harmed');
    const both = harm(60, 1400);
    expect(both).toBeGreaterThan(harm(30, 1400));
    expect(both).toBeLessThanOrEqual(1 - (1 - 0.15) * (1 - 0.25) * (1 - 0.15) * (1 - 0.2) + 1e-9);
  });
  test('raw denim is cut to shrink: that is no loss', () => {
    const jeans = (id: string, ...made: TraitId[]) =>
      garment(id, { kind: 'jeans', traits: traits(...made), washCount: 0, dye: 'indigo', colours: ground('#232f4e') });
    const shrunk = (g: Garment) => oddsOf(told([g], { loads: [load([g.id], { way: way(60) })] }), 'shrunk');
    expect(shrunk(jeans('raw', 'denim-raw'))).toBe(0);
    expect(shrunk(jeans('washed', 'denim'))).toBeGreaterThan(0);
  });
  test('a red beside white tints it; what a test has told narrows the odds', () => {
    const red = garment('red', { colours: ground('#b3202a'), dye: 'direct', washCount: 0, tests: [] });
    const white = garment('white', { colours: ground('#ffffff'), dye: 'undyed' });
    const play: Play = { ...emptyPlay, loads: [load(['red', 'white'])] };
    const tint = (looseness: number | null) =>
      foretell(
        sceneOf(
          { household, garments: [red, white], now },
          looseness === null ? new Map() : new Map([['red', looseness]]),
        ),
        play,
      ).effects.find((e) => e.kind === 'tinted' && e.piece === 'white');
    const untried = tint(null);
    expect(untried).toMatchObject({ from: 'red', draw: 'red/dye', lossEur: 0.5 * white.valueEur });
    expect(untried?.odds).toBeGreaterThan(0.5);
    const known = tint(0.01);
    expect(known?.odds ?? 0).toBeLessThan(0.01);
    expect(tint(1)).toMatchObject({
      draw: 'red/dye/tried',
      size: { predicted: untried?.size?.predicted, spread: 0.1 },
    });
  });
  test('heavy soil in cold water comes out dirty; a lightly soiled piece comes clean', () => {
    const dirty = garment('tee', { soil: 'heavy' });
    const cool = oddsOf(told([dirty], { loads: [load(['tee'], { way: way(30) })] }), 'not-clean');
    const warm = oddsOf(told([dirty], { loads: [load(['tee'], { way: way(60) })] }), 'not-clean');
    expect(cool).toBeGreaterThan(warm);
    expect(oddsOf(told([tee], { loads: [load(['tee'])] }), 'not-clean')).toBeLessThan(0.1);
  });
});

describe('made ready', () => {
  const bra = garment('bra', { kind: 'bra', traits: traits('hooks', 'underwire') });
  const jeans = garment('jeans', { kind: 'jeans', traits: traits('denim', 'zip') });
  test('a net, or a pull in five', () => {
    const snag = (nets: string[]) => oddsOf(told([bra], { loads: [load(['bra'])], nets }), 'snagged');
    expect([snag([]), snag(['bra'])]).toEqual([0.2, 0]);
  });
  test('an open zip pulls at what is delicate beside it, not at itself', () => {
    const lace = garment('lace', { kind: 'tights', parts: only('polyamide'), traits: traits() });
    const snag = (closed: boolean, pieces: Garment[]) =>
      oddsOf(
        told(pieces, {
          loads: [
            load(
              pieces.map((p) => p.id),
              { closed },
            ),
          ],
          nets: pieces.map((p) => p.id),
        }),
        'snagged',
      );
    expect([snag(false, [lace, jeans]), snag(true, [lace, jeans])]).toEqual([0.25, 0]);
    expect([snag(false, [lace]), snag(false, [jeans])]).toEqual([0, 0]);
  });
  test('pockets are emptied or one load in seven has a tissue; colours fade right side out', () => {
    const play = (pockets: boolean, insideOut: string[]) =>
      told([jeans], { loads: [load(['jeans'], { pockets })], insideOut });
    expect([oddsOf(play(false, []), 'tissue'), oddsOf(play(true, []), 'tissue')]).toEqual([0.15, 0]);
    expect([oddsOf(play(true, []), 'faded'), oddsOf(play(true, ['jeans']), 'faded')]).toEqual([0.3, 0]);
    expect(oddsOf(told([bra], { loads: [load(['bra'], { pockets: false })] }), 'tissue')).toBe(0);
  });
});

describe('company and room', () => {
  const briefs = (id: string) => garment(id, { kind: 'briefs', use: 'body' });
  const teaTowel = garment('tea', { kind: 'tea_towel', use: 'kitchen', traits: traits('woven') });
  test('kitchen linen beside underwear is a mistake for both, alike beside alike for none', () => {
    const o = told([briefs('a'), teaTowel], { loads: [load(['a', 'tea'])] });
    expect([oddsOf(o, 'mixed', 'a'), oddsOf(o, 'mixed', 'tea')]).toEqual([1, 1]);
    expect(oddsOf(told([briefs('a'), briefs('b')], { loads: [load(['a', 'b'])] }), 'mixed')).toBe(0);
  });
  test('a drum is crowded from above its load on', () => {
    const heavy = (g: number) => garment('h', { kind: 'bath_towel', traits: traits('terry'), weighedDryMassG: g });
    const crowded = (g: number) => oddsOf(told([heavy(g)], { loads: [load(['h'])] }), 'crowded');
    expect(crowded(cotton.maxLoadKg * 1000)).toBe(0);
    expect(crowded(cotton.maxLoadKg * 1000 * 1.02)).toBeGreaterThan(0);
    expect(crowded(cotton.maxLoadKg * 1000 * 1.5)).toBeGreaterThan(crowded(cotton.maxLoadKg * 1000 * 1.02));
  });
  test('hands: ten minutes a load, one a piece hung, five an agent and five a test', () => {
    const stained = { ...tee, stains: [mark('coffee')] };
    const plain = told([stained], { loads: [load(['tee'])] });
    expect(plain.handsMin).toBe(10 + 1);
    const more = told([stained], {
      loads: [load(['tee'])],
      tests: ['tee'],
      marks: { [markKey('tee', 's')]: { water: 'cold', agents: ['det-colour-liquid', 'oxy-percarbonate'] } },
    });
    expect(more.handsMin).toBe(10 + 1 + 5 + 2 * 5);
  });
});

describe('marks', () => {
  const stained = { ...tee, stains: [mark('blood-fresh')] };
  test('untreated it stays, or is set by hot water; both and gone share one draw', () => {
    const at = (temperatureC: number) => told([stained], { loads: [load(['tee'], { way: way(temperatureC) })] });
    expect(oddsOf(at(60), 'mark-set')).toBeGreaterThan(oddsOf(at(30), 'mark-set'));
    const both = at(60).effects.filter((e) => e.kind === 'mark-set' || e.kind === 'mark-stays');
    expect(new Set(both.map((e) => e.draw))).toEqual(new Set([`${markKey('tee', 's')}/gone`]));
    expect(both.reduce((s, e) => s + e.odds, 0)).toBeLessThanOrEqual(1);
  });
  test('a mark on what is not washed is left out of the count, unless a spot was meant to go', () => {
    expect(oddsOf(told([stained], {}), 'mark-stays')).toBe(0);
    expect(oddsOf(told([stained], { aside: { tee: 'spot-clean' } }), 'mark-stays')).toBeGreaterThan(0);
  });
});

describe('drying', () => {
  const place = household.dryingPlaces[0]!.id;
  const dried = (g: Garment, position: 'bars' | 'flat' | 'hanger', home = household) =>
    told([g], { loads: [load([g.id], { way: way(30) })], drying: { [g.id]: { to: 'place', place, position } } }, home);
  test('knitted wool over a bar stretches, lying flat it does not', () => {
    expect([oddsOf(dried(jumper, 'bars'), 'stretched'), oddsOf(dried(jumper, 'flat'), 'stretched')]).toEqual([0.6, 0]);
    expect(oddsOf(dried(tee, 'bars'), 'stretched')).toBe(0);
  });
  test('in the sun a black shirt bleaches, a white one does not', () => {
    const sunny = { ...household, dryingPlaces: [{ ...household.dryingPlaces[0]!, outdoors: true, sun: true }] };
    const black = { ...tee, colours: ground('#15151a') };
    const white = { ...tee, colours: ground('#ffffff'), dye: 'undyed' as const };
    expect([oddsOf(dried(black, 'bars', sunny), 'bleached'), oddsOf(dried(white, 'bars', sunny), 'bleached')]).toEqual([
      0.4, 0,
    ]);
    expect(oddsOf(dried(black, 'bars'), 'bleached')).toBe(0);
  });
  test('left in a heap it smells; on the rack it dries', () => {
    const towel = garment('towel', { kind: 'bath_towel', traits: traits('terry') });
    const heap = told([towel], { loads: [load(['towel'])] });
    const hung = told([towel], {
      loads: [load(['towel'])],
      drying: { towel: { to: 'place', place, position: 'bars' } },
    });
    expect(oddsOf(heap, 'musty')).toBeGreaterThan(0.5);
    expect(oddsOf(hung, 'musty')).toBeLessThan(oddsOf(heap, 'musty'));
    expect(hung.loads[0]!.dryHours).toBeGreaterThan(2);
    expect(hung.loads[0]!.dryHours).toBeLessThan(heap.loads[0]!.dryHours);
  });
});

describe('instead of washing', () => {
  test('a fresh piece in a load is needless, a due one left out is left dirty, and what rests rests', () => {
    const rested = garment('tee', { soil: 'none', wearsSinceWash: 0 });
    expect(oddsOf(told([rested], { loads: [load(['tee'])] }), 'needless')).toBe(1);
    expect(oddsOf(told([tee], { loads: [load(['tee'])] }), 'needless')).toBe(0);
    expect([oddsOf(told([rested], {}), 'left-dirty'), oddsOf(told([tee], {}), 'left-dirty')]).toEqual([0, 1]);
    expect(oddsOf(told([tee], { aside: { tee: 'air' } }), 'left-dirty')).toBe(1);
    expect(oddsOf(told([tee], { aside: { tee: 'professional' } }), 'left-dirty')).toBe(0);
  });
});
