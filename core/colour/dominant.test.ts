import { describe, expect, test } from '@jest/globals';
import { deltaE, labOf } from './colour.ts';
import { dominantColours, type Pixels } from './dominant.ts';

/** A made-up picture: a colour for each place, with a little deterministic noise as of folds and light. */
function picture(
  width: number,
  height: number,
  at: (x: number, y: number) => readonly [number, number, number],
  noise = 6,
): Pixels {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const n = ((x * 31 + y * 17) % 13) / 13 - 0.5;
      at(x, y).forEach((c, k) => {
        data[(y * width + x) * 4 + k] = c + n * 2 * noise;
      });
      data[(y * width + x) * 4 + 3] = 255;
    }
  return { width, height, data };
}
const far = (a: string, b: string): number => deltaE(labOf(a), labOf(b));

describe('dominant colours', () => {
  test('one cloth that fills the picture', () => {
    const c = dominantColours(picture(80, 60, () => [43, 51, 80]))!;
    expect(far(c.ground, '#2b3350')).toBeLessThan(3);
    expect(c.second).toBeNull();
    expect(c.groundShare).toBeCloseTo(1, 2);
  });
  test('a red trim on a light shirt before a grey floor: the floor is left out', () => {
    const c = dominantColours(
      picture(200, 160, (x, y) =>
        x < 40 || x > 160 || y < 30 || y > 130 ? [139, 141, 148] : y < 50 ? [163, 34, 47] : [243, 239, 228],
      ),
    )!;
    expect(far(c.ground, '#f3efe4')).toBeLessThan(4);
    expect(far(c.second!, '#a3222f')).toBeLessThan(5);
    expect(c.secondShare).toBeGreaterThan(0.15);
    expect(c.secondShare).toBeLessThan(0.3);
  });
  test('a second colour covers 6 % at least and is a ΔE of 22 away', () => {
    const striped = (columns: number, grey: number) =>
      dominantColours(picture(100, 100, (x) => (x < columns ? [grey, grey, grey] : [119, 119, 119]), 0))!;
    expect(striped(6, 20).secondShare).toBeCloseTo(0.06, 9);
    expect(far(striped(6, 20).second!, '#141414')).toBeLessThan(1);
    expect(striped(5, 20)).toMatchObject({ second: null, secondShare: 0 });
    expect(far('#777777', '#ababab')).toBeGreaterThan(16);
    expect(far('#777777', '#ababab')).toBeLessThan(22);
    expect(striped(6, 0xab).second).toBeNull();
    expect(far('#777777', '#b5b5b5')).toBeGreaterThan(22);
    expect(striped(6, 0xb5).second).not.toBeNull();
  });
  test('the floor is what fills seven tenths of a rim of a twentieth, on every side', () => {
    const floor = [139, 141, 148] as const;
    const cloth = [163, 34, 47] as const;
    const read = (at: (x: number, y: number) => boolean) =>
      dominantColours(picture(200, 100, (x, y) => (at(x, y) ? cloth : floor), 0))!;
    // Five pixels of a hundred all around: the floor is left out, though it is most of nothing else.
    const framed = read((x, y) => x >= 5 && y >= 5 && x < 195 && y < 95);
    expect(far(framed.ground, '#a3222f')).toBeLessThan(1);
    expect([framed.second, framed.groundShare]).toEqual([null, 1]);
    // Cloth that lies across half of the rim is no floor, nor is the rest: both are read.
    const across = read((x) => x >= 100);
    expect(across.second).not.toBeNull();
    expect(across.groundShare).toBeCloseTo(0.5, 9);
    // Cloth over one corner of the picture leaves the floor its share of the rim.
    const corner = read((x, y) => x >= 150 && y >= 60);
    expect(far(corner.ground, '#a3222f')).toBeLessThan(1);
    expect(corner.second).toBeNull();
  });
  test('a piece of less than eight hundredths of the picture is taken for a speck on cloth', () => {
    const speck = (side: number) =>
      dominantColours(
        picture(
          100,
          100,
          (x, y) => (x >= 40 && x < 40 + side && y >= 40 && y < 40 + side ? [163, 34, 47] : [139, 141, 148]),
          0,
        ),
      )!;
    expect(far(speck(28).ground, '#8b8d94')).toBeLessThan(1);
    expect(far(speck(29).ground, '#a3222f')).toBeLessThan(1);
  });
  test('the larger colour is the ground, wherever it lies', () => {
    const two = (columns: number) =>
      dominantColours(picture(100, 40, (x) => (x < columns ? [163, 34, 47] : [43, 51, 80]), 0))!;
    expect([far(two(40).ground, '#2b3350') < 1, far(two(60).ground, '#a3222f') < 1]).toEqual([true, true]);
    expect([two(40).groundShare, two(60).groundShare].map((x) => Number(x.toFixed(2)))).toEqual([0.6, 0.6]);
  });
  test('a piece as grey as its floor is still read', () =>
    expect(far(dominantColours(picture(60, 60, () => [139, 141, 148]))!.ground, '#8b8d94')).toBeLessThan(3));
  test('an empty picture has none', () =>
    expect(dominantColours({ width: 4, height: 4, data: new Uint8ClampedArray(64) })).toBeNull());
  test('the same picture gives the same answer', () => {
    const p = picture(90, 90, (x, y) => [(x * 3) % 256, (y * 2) % 256, (x + y) % 256]);
    expect(dominantColours(p)).toEqual(dominantColours(p));
  });
});
