/** A label set straight for a text reader: turned back, light and shadow taken off, symbols and specks blanked out. */
import { blobsOf, type Box } from './blobs.ts';
import { inkOf, type Mask, type Picture } from './ink.ts';

const mostDegrees = 12;
const stepDegrees = 0.5;

/** How uneven the rows are when the ink is turned so far: lines of text that lie level make full rows and empty ones. */
function unevenness(points: readonly (readonly [x: number, y: number])[], height: number, degrees: number): number {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const rows = new Float64Array(height * 2);
  for (const [x, y] of points) {
    const row = Math.round(y * cos - x * sin + height / 2);
    if (row >= 0 && row < rows.length) rows[row] = (rows[row] ?? 0) + 1;
  }
  let sum = 0;
  for (let i = 1; i < rows.length; i++) sum += ((rows[i] ?? 0) - (rows[i - 1] ?? 0)) ** 2;
  return sum;
}

/**
 * By how many degrees the lines of a picture lean (clockwise positive, at most 12).
 * @example skewDegrees(inkOf(photo)) // 4
 */
export function skewDegrees({ width, height, ink }: Mask): number {
  const points: (readonly [number, number])[] = [];
  const step = Math.max(1, Math.round(Math.sqrt((width * height) / 400_000)));
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step) if (ink[y * width + x]) points.push([x, y]);
  let best = { degrees: 0, score: unevenness(points, height, 0) };
  for (let degrees = -mostDegrees; degrees <= mostDegrees; degrees += stepDegrees) {
    const score = unevenness(points, height, degrees);
    if (score > best.score) best = { degrees, score };
  }
  return best.degrees;
}

const speckPx = 14;
/** Longer than this share of the picture is an edge or a fold, no letter. */
const edgeShare = 0.35;

/** Black letters on white: specks, edges and what stands in `without` are left out, and the lines lie level. */
export function textOnly(picture: Picture, without: readonly Box[]): Picture {
  const mask = inkOf(picture);
  const { width, height, ink } = mask;
  const kept = new Uint8Array(width * height);
  for (const b of blobsOf(mask, speckPx)) {
    if (b.right - b.left > edgeShare * width || b.bottom - b.top > edgeShare * height) continue;
    const middle = [(b.left + b.right) / 2, (b.top + b.bottom) / 2] as const;
    if (without.some((w) => middle[0] >= w.left && middle[0] < w.right && middle[1] >= w.top && middle[1] < w.bottom))
      continue;
    for (let y = b.top; y < b.bottom; y++)
      for (let x = b.left; x < b.right; x++) if (ink[y * width + x]) kept[y * width + x] = 1;
  }
  const degrees = skewDegrees({ width, height, ink: kept });
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const data = new Uint8ClampedArray(4 * width * height).fill(255);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [dx, dy] = [x - width / 2, y - height / 2];
      const sx = Math.round(width / 2 + dx * cos - dy * sin);
      const sy = Math.round(height / 2 + dx * sin + dy * cos);
      if (sx < 0 || sy < 0 || sx >= width || sy >= height || !kept[sy * width + sx]) continue;
      const at = 4 * (y * width + x);
      data[at] = data[at + 1] = data[at + 2] = 0;
    }
  return { width, height, data };
}
