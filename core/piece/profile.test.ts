/** What sorting asks of a piece: its family, its build, what it gives to its company and takes from it; each limit on both sides. */
import { describe, expect, test } from '@jest/globals';
import type { TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import { garment, household, only, washLabel } from '../testing/arbitrary.ts';
import { profileOf, type Profile } from './profile.ts';

const of = (change: Partial<Garment>): Profile => profileOf(garment('g', change), household.rules);
const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string): Garment['colours'] => [{ hex, role: 'ground' }];
const white: Partial<Garment> = { colours: ground('#fbfaf6'), dye: 'undyed' };
const black: Partial<Garment> = { colours: ground('#15151a') };

describe('family', () => {
  test.each<[string, Partial<Garment>, Profile['family']]>([
    ['cotton', {}, 'cotton'],
    ['cotton with 19 % polyester', { parts: only('polyester', 19) }, 'cotton'],
    ['cotton with 20 % polyester', { parts: only('polyester', 20) }, 'synthetics'],
    ['linen with 20 % elastane', { parts: only('elastane', 20, 'linen') }, 'synthetics'],
    ['polyamide', { parts: only('polyamide') }, 'synthetics'],
    ['acrylic', { parts: only('acrylic') }, 'synthetics'],
    ['polypropylene', { parts: only('polypropylene') }, 'synthetics'],
    ['silk', { parts: only('silk') }, 'delicate'],
    ['lace', { traits: traits('lace') }, 'delicate'],
    ['a tenth of wool', { parts: only('wool', 10) }, 'wool'],
    ['wool before silk', { parts: only('wool', 50, 'silk') }, 'wool'],
  ])('%s', (_, change, family) => expect(of(change).family).toBe(family));
});

describe('build, for the bath and the spin', () => {
  test.each<[string, Partial<Garment>, Profile['build']]>([
    ['a quilted coat', { kind: 'coat', traits: traits('quilted') }, 'padded'],
    ['padding', { traits: traits('padded') }, 'padded'],
    ['down', { traits: traits('down') }, 'padded'],
    ['a down jacket by its kind', { kind: 'down_jacket', traits: traits() }, 'padded'],
    ['fleece', { kind: 'fleece_jacket', traits: traits('fleece') }, 'fleece'],
    ['a towel by its kind', { kind: 'bath_towel', traits: traits() }, 'terry'],
    ['terry', { traits: traits('terry') }, 'terry'],
    ['jersey', { traits: traits('jersey-knit') }, 'knit'],
    ['cloth', { kind: 'dress_shirt', traits: traits('woven') }, 'woven'],
  ])('%s', (_, change, build) => expect(of(change).build).toBe(build));
  test('cotton that only creases bears a fast spin; what a spin could harm does not', () => {
    const shirt: Partial<Garment> = { kind: 'dress_shirt', traits: traits('woven'), ...white };
    const robust = (change: Partial<Garment>) => of({ ...shirt, ...change }).robustCotton;
    expect(robust({})).toBe(true);
    expect(robust({ label: washLabel(40, 'mild') })).toBe(true);
    expect(robust({ parts: only('polyester', 35) })).toBe(false);
    expect(robust({ parts: only('silk') })).toBe(false);
    expect(robust({ kind: 'coat', traits: traits('quilted') })).toBe(false);
    expect(robust({ traits: traits('woven', 'pleated') })).toBe(false);
  });
  test('how it is treated in the basin, and what an agitator may turn', () => {
    const basin = (change: Partial<Garment>) => of(change).bathCare;
    expect([basin({ parts: only('silk') }), basin({ parts: only('wool') }), basin({ traits: traits('lace') }), basin({})])
      .toEqual(['silk', 'wool', 'delicate', 'normal']); // prettier-ignore
    const none = (change: Partial<Garment>) => of(change).noAgitator;
    expect([none({}), none({ parts: only('wool') }), none({ parts: only('silk') }), none({ traits: traits('lined') })])
      .toEqual([false, true, true, true]); // prettier-ignore
  });
});

describe('what it does to its company', () => {
  test('terry gives lint for its first five washes, fleece always; dark synthetics collect it', () => {
    const towel = (washCount: number) => of({ kind: 'bath_towel', traits: traits('terry'), washCount });
    expect([towel(4).lintGiver, towel(5).lintGiver]).toEqual([true, false]);
    expect(of({ kind: 'fleece_jacket', traits: traits('fleece'), washCount: 50, ...black }).lintGiver).toBe(true);
    const collects = (change: Partial<Garment>) => of(change).lintCollector;
    expect(collects({ ...black, parts: only('polyester') })).toBe(true);
    expect(collects({ ...white, parts: only('polyester') })).toBe(false);
    expect(collects({ ...black, parts: only('cotton') })).toBe(false);
  });
  test('synthetic towels collect from terry and give none', () => {
    const gym = of({ kind: 'bath_towel', traits: traits('terry'), parts: only('polyester'), washCount: 0 });
    expect([gym.terry, gym.collectsTerry, gym.lintGiver]).toEqual([false, true, false]);
    const cotton = of({ kind: 'bath_towel', traits: traits('terry'), washCount: 0 });
    expect([cotton.terry, cotton.collectsTerry, cotton.lintGiver]).toEqual([true, false, true]);
  });
  test('what is not pale gives grey, less from the thirtieth wash on; a pale pink gives none', () => {
    const grey = (change: Partial<Garment>) => of(change).greyShare;
    expect(grey(white)).toBe(0);
    expect(grey({ ...black, washCount: 29 })).toBe(1);
    expect(grey({ ...black, washCount: 30 })).toBe(0.75);
    expect([grey({ colours: ground('#f2b8b8') }), grey({ colours: ground('#ee8888') })]).toEqual([0, 1]);
  });
  test('a dark is trusted beside pale cloth from its fifteenth wash, an untested red from its thirtieth', () => {
    const untrusted = (change: Partial<Garment>, washCount: number) => of({ ...change, washCount }).darkUntrusted;
    expect([untrusted(black, 14), untrusted(black, 15)]).toEqual([true, false]);
    const red = { colours: ground('#b3202a'), dye: 'unknown' } as const;
    expect([untrusted(red, 15), untrusted(red, 29), untrusted(red, 30)]).toEqual([true, true, false]);
    expect(untrusted(white, 0)).toBe(false);
  });
  test('bulk: towels and bed linen but the small ones, denim, and whatever weighs more than 600 g a piece', () => {
    const bulk = (change: Partial<Garment>) => of(change).bulk;
    expect(bulk({ kind: 'bath_towel' })).toBe(true);
    expect(bulk({ kind: 'face_cloth' })).toBe(false);
    expect(bulk({ kind: 'jeans', traits: traits('denim') })).toBe(true);
    expect([bulk({ weighedDryMassG: 600 }), bulk({ weighedDryMassG: 601 })]).toEqual([false, true]);
    // Three of 250 g are three light pieces, not a heavy one.
    expect(bulk({ weighedDryMassG: 250, count: 3 })).toBe(false);
  });
  test.each<[string, Partial<Garment>]>([
    ['silk', { parts: only('silk') }],
    ['an unknown fibre', { parts: only('unknown') }],
    ['lace', { traits: traits('lace') }],
    ['beads', { traits: traits('beads') }],
    ['a bra', { kind: 'bra' }],
    ['tights', { kind: 'tights', parts: only('polyamide') }],
  ])('bulk harms %s', (_, change) => {
    expect(of(change).bulkSuffers).toBe(true);
    expect(of({}).bulkSuffers).toBe(false);
  });
  test('soft delicates up to 350 g fill a wool load, unless something of theirs scratches or sheds', () => {
    const silk: Partial<Garment> = { kind: 'silk_blouse', parts: only('silk'), traits: traits('woven') };
    const soft = (change: Partial<Garment>) => of({ ...silk, ...change }).softDelicate;
    expect([soft({ weighedDryMassG: 350 }), soft({ weighedDryMassG: 351 })]).toEqual([true, false]);
    expect(soft({ traits: traits('woven', 'zip') })).toBe(false);
    expect(soft({ traits: traits('woven', 'studs') })).toBe(false);
    expect(soft({ parts: only('viscose') })).toBe(true);
    expect(soft({ parts: only('elastane', 5), traits: traits('jersey-knit') })).toBe(true);
    expect(soft({ parts: only('cotton'), traits: traits('woven') })).toBe(false);
  });
  test('terms that count every piece count six at most', () => {
    expect([of({ count: 6 }).pieces, of({ count: 7 }).pieces]).toEqual([6, 6]);
    expect(of({ count: 5 }).pieces).toBe(5);
  });
});
