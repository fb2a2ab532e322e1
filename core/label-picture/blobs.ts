/** Connected stretches of ink, put together to what the eye takes for one sign: dots inside, bars beneath, a cross over all of it. */
import type { Mask } from './ink.ts';

export interface Box {
  left: number;
  top: number;
  /** The first column and row outside. */
  right: number;
  bottom: number;
}
const widthOf = (b: Box): number => b.right - b.left;
const heightOf = (b: Box): number => b.bottom - b.top;

/** Boxes around connected ink (eight neighbours); specks are left out. */
export function blobsOf({ width, height, ink }: Mask, smallestPx = 6): Box[] {
  const seen = new Uint8Array(width * height);
  const boxes: Box[] = [];
  const stack: number[] = [];
  for (let start = 0; start < ink.length; start++) {
    if (!ink[start] || seen[start]) continue;
    seen[start] = 1;
    stack.push(start);
    const box: Box = { left: width, top: height, right: 0, bottom: 0 };
    let count = 0;
    for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
      count++;
      const x = at % width;
      const y = (at - x) / width;
      box.left = Math.min(box.left, x);
      box.right = Math.max(box.right, x + 1);
      box.top = Math.min(box.top, y);
      box.bottom = Math.max(box.bottom, y + 1);
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const nx = x + dx;
          const ny = y + dy;
          if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
          const next = ny * width + nx;
          if (ink[next] && !seen[next]) {
            seen[next] = 1;
            stack.push(next);
          }
        }
    }
    if (count >= smallestPx) boxes.push(box);
  }
  return boxes;
}

const union = (a: Box, b: Box): Box => ({
  left: Math.min(a.left, b.left),
  top: Math.min(a.top, b.top),
  right: Math.max(a.right, b.right),
  bottom: Math.max(a.bottom, b.bottom),
});
/** Whether two boxes belong to one sign: one stands mostly over the width of the other and touches it, or hangs just beneath. */
function together(a: Box, b: Box): boolean {
  const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
  if (across < 0.6 * Math.min(widthOf(a), widthOf(b))) return false;
  const gap = Math.max(a.top, b.top) - Math.min(a.bottom, b.bottom);
  const larger = heightOf(a) >= heightOf(b) ? a : b;
  const smaller = larger === a ? b : a;
  // Inside or crossing; or a bar: flat, beneath, nearly as wide, close.
  if (gap <= 0) return true;
  const isBar = heightOf(smaller) <= 0.2 * heightOf(larger) && widthOf(smaller) >= 0.3 * widthOf(larger);
  return isBar && smaller.top >= larger.bottom - 1 && gap <= 0.25 * heightOf(larger);
}

/** Blobs joined to signs, until nothing joins any more. */
export function signsOf(blobs: readonly Box[]): Box[] {
  const signs = [...blobs].sort((a, b) => heightOf(b) * widthOf(b) - heightOf(a) * widthOf(a));
  for (let i = 0; i < signs.length; i++) {
    for (let j = i + 1; j < signs.length; j++) {
      const [a, b] = [signs[i], signs[j]];
      if (!a || !b || !together(a, b)) continue;
      signs[i] = union(a, b);
      signs.splice(j, 1);
      j = i; // the larger box may reach others now
    }
  }
  return signs;
}

/** Signs that may be care symbols: about as high as wide, clearly larger than letters, several of one size. */
export function symbolBoxes(mask: Mask): Box[] {
  const signs = signsOf(blobsOf(mask)).filter((b) => {
    const ratio = widthOf(b) / heightOf(b);
    return ratio > 0.55 && ratio < 1.9 && heightOf(b) >= 18 && heightOf(b) < 0.9 * mask.height;
  });
  const heights = signs.map(heightOf).sort((a, b) => b - a);
  // The largest size that at least two share; letters are smaller.
  const size = heights.find((h) => heights.filter((x) => x <= h && x >= 0.6 * h).length >= 2) ?? heights[0];
  if (size === undefined) return [];
  return signs
    .filter((b) => heightOf(b) >= 0.55 * size && heightOf(b) <= 1.3 * size)
    .sort((a, b) => a.left - b.left || a.top - b.top);
}
