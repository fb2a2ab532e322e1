/**
 * Which drawing a sign in a picture is: both are brought to one size, and every point of ink is measured to the nearest ink of the other (symmetric
 * chamfer distance). The drawings are tried turned a little each way. The answer says how sure it is: how much nearer the best is than the next.
 */
import { symbolBoxes, type Box } from './blobs.ts';
import { inkOf, type Mask, type Picture } from './ink.ts';

const side = 56;
const far = 12;

/** Ink of a box, fitted into a square of `side`, its proportions kept. */
function fitted({ width, ink }: Mask, box: Box, turnRad = 0): Uint8Array {
  const out = new Uint8Array(side * side);
  const [w, h] = [box.right - box.left, box.bottom - box.top];
  const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
  const scale = Math.max(w, h) / (side - 4);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const [dx, dy] = [(x + 0.5 - side / 2) * scale, (y + 0.5 - side / 2) * scale];
      const sx = Math.floor(cx + dx * cos + dy * sin);
      const sy = Math.floor(cy - dx * sin + dy * cos);
      if (sx < box.left - 2 || sx >= box.right + 2 || sy < box.top - 2 || sy >= box.bottom + 2) continue;
      if (ink[sy * width + sx] && sx >= 0 && sx < width) out[y * side + x] = 1;
    }
  return out;
}

/** Distance of every point to the nearest ink, in two sweeps (chamfer 1, √2), at most `far`. */
function distances(ink: Uint8Array): Float32Array {
  const d = new Float32Array(side * side);
  for (let i = 0; i < d.length; i++) d[i] = ink[i] ? 0 : far;
  const relax = (i: number, j: number, step: number): void => {
    const through = (d[j] ?? far) + step;
    if (through < (d[i] ?? far)) d[i] = through;
  };
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const i = y * side + x;
      if (x > 0) relax(i, i - 1, 1);
      if (y > 0) relax(i, i - side, 1);
      if (x > 0 && y > 0) relax(i, i - side - 1, Math.SQRT2);
      if (x < side - 1 && y > 0) relax(i, i - side + 1, Math.SQRT2);
    }
  for (let y = side - 1; y >= 0; y--)
    for (let x = side - 1; x >= 0; x--) {
      const i = y * side + x;
      if (x < side - 1) relax(i, i + 1, 1);
      if (y < side - 1) relax(i, i + side, 1);
      if (x < side - 1 && y < side - 1) relax(i, i + side + 1, Math.SQRT2);
      if (x > 0 && y < side - 1) relax(i, i + side - 1, Math.SQRT2);
    }
  return d;
}

interface Shape {
  points: number[];
  distance: Float32Array;
}
const shapeOf = (ink: Uint8Array): Shape => ({
  points: [...ink.keys()].filter((i) => ink[i]),
  distance: distances(ink),
});
const mean = (points: readonly number[], distance: Float32Array, shift: number): number => {
  if (points.length === 0) return far;
  let sum = 0;
  // Squared: a missing dot or a wrong figure counts more than a thick line.
  for (const p of points) {
    const d = distance[p + shift] ?? far;
    sum += d * d;
  }
  return Math.sqrt(sum / points.length);
};
const shifts = [0, -1, 1, -side, side];
/** How far apart two shapes are, both ways, at the best small shift. */
function apart(a: Shape, b: Shape): number {
  let best = Infinity;
  for (const s of shifts) best = Math.min(best, mean(a.points, b.distance, s) + mean(b.points, a.distance, -s));
  return best;
}

const turnsDegrees = [-12, -8, -4, 0, 4, 8, 12];
export interface Drawing {
  id: string;
  picture: Picture;
}
interface Template {
  id: string;
  shapes: Shape[];
}
const whole = (mask: Mask): Box => {
  const box: Box = { left: mask.width, top: mask.height, right: 0, bottom: 0 };
  mask.ink.forEach((on, i) => {
    if (!on) return;
    const x = i % mask.width;
    const y = (i - x) / mask.width;
    box.left = Math.min(box.left, x);
    box.right = Math.max(box.right, x + 1);
    box.top = Math.min(box.top, y);
    box.bottom = Math.max(box.bottom, y + 1);
  });
  return box;
};
const templateOf = ({ id, picture }: Drawing): Template => {
  const mask = inkOf(picture);
  const box = whole(mask);
  if (box.right <= box.left) return { id, shapes: [] };
  return { id, shapes: turnsDegrees.map((deg) => shapeOf(fitted(mask, box, (deg * Math.PI) / 180))) };
};

export interface SymbolFound {
  id: string;
  /** 0 = the next drawing fits as well, towards 1 = nothing else comes near. */
  sureness: number;
  /** Mean distance of the ink, in 56ths of the sign's size. */
  distance: number;
  /** What else it might be, the nearest first. */
  others: string[];
  box: Box;
}
/** A sign farther than this from every drawing is none of them. */
const farthest = 5.2;

/**
 * The care symbols in a picture, from left to right, each with how sure it is.
 * @example findSymbols(photo, drawings)[0] // { id: 'wash/machine 40 mild', sureness: 0.6, … }
 */
export function findSymbols(picture: Picture, drawings: readonly Drawing[]): SymbolFound[] {
  const templates = drawings.map(templateOf);
  const mask = inkOf(picture);
  return symbolBoxes(mask).flatMap((box): SymbolFound[] => {
    const shape = shapeOf(fitted(mask, box));
    const ranked = templates
      .map((t) => ({ id: t.id, distance: Math.min(Infinity, ...t.shapes.map((s) => apart(shape, s))) }))
      .sort((a, b) => a.distance - b.distance);
    const [best, next] = ranked;
    if (!best || best.distance > farthest) return [];
    const sureness = next ? Math.max(0, Math.min(1, 1 - best.distance / Math.max(1e-6, next.distance))) : 1;
    return [{ id: best.id, sureness, distance: best.distance, others: ranked.slice(1, 3).map((r) => r.id), box }];
  });
}
