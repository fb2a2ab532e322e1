/** Room on one place as it fills, each limit on both sides; the air out of doors by month. */
import { describe, expect, test } from '@jest/globals';
import type { GarmentKind } from '../garment/kinds.ts';
import type { DryingPlace } from '../model/household.ts';
import { barsUsed, barShares, flatAreaM2, Space, type RoomNeed } from './spaces.ts';
import { outdoorAir } from './weather.ts';
import { rackFit } from './rack.ts';

const rack: DryingPlace = {
  id: 'r1',
  name: 'Rack',
  bars: 4,
  barLengthM: 1.2,
  flatM2: 0,
  hangers: 0,
  outdoors: false,
  sun: false,
};
const need = (over: Partial<RoomNeed> = {}): RoomNeed => ({
  kind: 'tshirt',
  items: 1,
  barsEach: 1,
  wetKg: 0.3,
  sizeFactor: 1,
  ...over,
});
const jumper = need({ kind: 'jumper_mid' });
const jumperM2 = flatAreaM2(jumper);

describe('lying flat', () => {
  test('as much lies as there is area, and not a square centimetre more', () => {
    const exact = new Space({ ...rack, flatM2: 2 * jumperM2 });
    expect(exact.take('flat', jumper)).toEqual([]);
    expect(exact.freeFlatM2).toBeCloseTo(jumperM2, 9);
    expect(exact.take('flat', jumper)).toEqual([]);
    expect(exact.freeFlatM2).toBeCloseTo(0, 9);
    expect(exact.take('flat', jumper)).toBeNull();
    expect(new Space({ ...rack, flatM2: jumperM2 - 1e-4 }).take('flat', jumper)).toBeNull();
  });
  test('area grows with the number of items and their size, a tenth of it is air', () => {
    expect(flatAreaM2({ kind: 'tshirt', items: 1, sizeFactor: 1 })).toBeCloseTo(0.55, 9);
    expect(flatAreaM2({ kind: 'tshirt', items: 3, sizeFactor: 1.2 })).toBeCloseTo(0.55 * 3.6, 9);
  });
  test('what lies there already takes its area, at most all of it', () => {
    const space = new Space({ ...rack, flatM2: 1.5 * jumperM2, hangers: 3 });
    space.hold('flat', jumper, []);
    expect(space.freeFlatM2).toBeCloseTo(0.5 * jumperM2, 9);
    expect(space.freeHangers).toBe(3);
    space.hold('flat', jumper, []);
    expect(space.freeFlatM2).toBe(0);
  });
});

describe('hangers', () => {
  test('one for each item, all or none', () => {
    const space = new Space({ ...rack, hangers: 3 });
    expect(space.take('hanger', need({ items: 4 }))).toBeNull();
    expect(space.freeHangers).toBe(3);
    expect(space.take('hanger', need({ items: 2 }))).toEqual([]);
    expect(space.freeHangers).toBe(1);
    expect(space.take('hanger', need({ items: 2 }))).toBeNull();
    expect(space.take('hanger', need())).toEqual([]);
    expect(space.freeHangers).toBe(0);
  });
  test('what hangs there already takes its own, at most all of them, and no area', () => {
    const space = new Space({ ...rack, hangers: 3, flatM2: 1 });
    space.hold('hanger', need({ items: 2 }), []);
    expect([space.freeHangers, space.freeFlatM2]).toEqual([1, 1]);
    space.hold('hanger', need({ items: 2 }), []);
    expect(space.freeHangers).toBe(0);
  });
});

describe('bars', () => {
  const widthM = (kind: GarmentKind): number =>
    new Space({ ...rack, barLengthM: 9 }).take('bars', need({ kind }))![0]!.widthM;
  test('the least taken bar, from the left', () => {
    const space = new Space(rack);
    const spots = [1, 2, 3, 4, 5].map(() => space.take('bars', need())![0]!);
    expect(spots.map((s) => s.bar)).toEqual([0, 1, 2, 3, 0]);
    expect(spots.map((s) => s.atM)).toEqual([0, 0, 0, 0, widthM('tshirt')]);
    expect(barsUsed(spots)).toBe(4);
  });
  test('a piece that just fits the bar is not folded, one that is a little longer is', () => {
    const clothM = widthM('tshirt') - 0.03;
    expect(new Space({ ...rack, barLengthM: clothM }).take('bars', need())![0]!.bars).toBe(1);
    expect(new Space({ ...rack, barLengthM: clothM - 0.01 }).take('bars', need())![0]!.bars).toBe(2);
  });
  test('the free metres are what nobody hangs on', () => {
    const space = new Space(rack);
    space.take('bars', need());
    expect(space.freeBarM).toBeCloseTo(4 * 1.2 - widthM('tshirt'), 9);
  });
  test('what hangs already keeps its stretch and its weight: 1.5 kg a bar', () => {
    const held = { bar: 1, bars: 2, atM: 0.1, widthM: 0.4 };
    const withHeld = (): Space => {
      const space = new Space({ ...rack, bars: 3 });
      space.hold('bars', need({ items: 2, wetKg: 4 }), [held]);
      return space;
    };
    expect(withHeld().freeBarM).toBeCloseTo(1.2 + 2 * 0.7, 9);
    // Of 2 kg each, over two bars, 1 kg lies on either.
    const bears = (bar: number, wetKg: number): boolean => withHeld().take('bars', need({ wetKg }), bar) !== null;
    expect([bears(1, 0.5), bears(1, 0.51)]).toEqual([true, false]);
    expect([bears(2, 0.5), bears(2, 0.51)]).toEqual([true, false]);
    expect(bears(0, 1.5)).toBe(true);
  });
  test('what hangs on bars that are no more takes nothing of the others', () => {
    const space = new Space({ ...rack, bars: 2 });
    space.hold('bars', need(), [{ bar: 1, bars: 4, atM: 0, widthM: 0.5 }]);
    expect(space.freeBarM).toBeCloseTo(1.2 + 0.7, 9);
    space.hold('bars', need(), [{ bar: 7, bars: 1, atM: 0, widthM: 0.5 }]);
    expect(space.freeBarM).toBeCloseTo(1.2 + 0.7, 9);
  });
  test('entries that share a bar share it by their stretches', () => {
    const shares = barShares([
      { id: 'a', spots: [{ bar: 0, bars: 1, atM: 0, widthM: 0.6 }] },
      { id: 'b', spots: [{ bar: 0, bars: 2, atM: 0.6, widthM: 0.2 }] },
    ]);
    expect(shares.get('a')).toBeCloseTo(0.75, 9);
    expect(shares.get('b')).toBeCloseTo(1.25, 9);
  });
  test('closer than 50 mm every second bar stays free', () => {
    const one = [['tshirt', 20]] as const;
    const [wide, at50, at49] = [60, 50, 49].map((pitch) => rackFit(4, 0.6, pitch, one));
    expect(at50).toBe(wide);
    expect(at49).toBe(Math.floor(wide! / 2));
  });
});

test('out of doors: the month of the date', () => {
  expect(outdoorAir('2026-01-31T23:00:00+01:00')).toEqual({ temperatureC: 3, humidity: 0.87 });
  expect(outdoorAir('2026-07-01T08:00:00+02:00')).toEqual({ temperatureC: 20, humidity: 0.65 });
  expect(outdoorAir('2026-12-01T08:00:00+01:00')).toEqual({ temperatureC: 4, humidity: 0.88 });
});
