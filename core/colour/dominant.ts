/**
 * Dominant colours of a photograph of a piece: the ground, and a trim or print that stands out. Pixels are gathered in CIELAB cells, cells into
 * clusters; a plain border (the floor or wall around the piece) is left out. Deterministic.
 */
import { deltaE, labOf, type Lab } from './colour.ts';

export interface Pixels {
  width: number;
  height: number;
  /** RGBA, row by row. */ data: Uint8ClampedArray;
}
export interface DominantColours {
  ground: string;
  second: string | null;
  /** Share of the piece's pixels in the ground colour. */ groundShare: number;
  secondShare: number;
}

const hexOf = (r: number, g: number, b: number): string =>
  `#${[r, g, b]
    .map((c) =>
      Math.max(0, Math.min(255, Math.round(c)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
interface Cluster {
  r: number;
  g: number;
  b: number;
  n: number;
  lab: Lab;
}

/** Colours nearer than this are one cloth in folds and light. */
const sameCloth = 16;
/** A second colour covers at least this share and differs at least so much. */
const secondShareLeast = 0.06;
const secondDifference = 22;
/** A border this uniform is background. */
const borderShare = 0.7;

function clustersOf(pixels: Pixels, take: (x: number, y: number) => boolean): Cluster[] {
  const cells = new Map<number, { r: number; g: number; b: number; n: number }>();
  const step = Math.max(1, Math.floor(Math.sqrt((pixels.width * pixels.height) / 40_000)));
  for (let y = 0; y < pixels.height; y += step)
    for (let x = 0; x < pixels.width; x += step) {
      if (!take(x, y)) continue;
      const at = (y * pixels.width + x) * 4;
      const [r = 0, g = 0, b = 0, a = 255] = pixels.data.subarray(at, at + 4);
      if (a < 128) continue;
      const key = ((r >> 4) << 8) | ((g >> 4) << 4) | (b >> 4);
      const cell = cells.get(key) ?? { r: 0, g: 0, b: 0, n: 0 };
      cell.r += r;
      cell.g += g;
      cell.b += b;
      cell.n += 1;
      cells.set(key, cell);
    }
  const clusters: Cluster[] = [];
  for (const [, c] of [...cells].sort((p, q) => q[1].n - p[1].n || p[0] - q[0])) {
    const lab = labOf(hexOf(c.r / c.n, c.g / c.n, c.b / c.n));
    const near = clusters.find((k) => deltaE(k.lab, lab) < sameCloth);
    if (!near) {
      clusters.push({ r: c.r, g: c.g, b: c.b, n: c.n, lab });
      continue;
    }
    near.r += c.r;
    near.g += c.g;
    near.b += c.b;
    near.n += c.n;
    near.lab = labOf(hexOf(near.r / near.n, near.g / near.n, near.b / near.n));
  }
  return clusters.sort((p, q) => q.n - p.n);
}

/** null when the picture holds no opaque pixel. */
export function dominantColours(pixels: Pixels): DominantColours | null {
  const edge = Math.max(1, Math.floor(Math.min(pixels.width, pixels.height) * 0.05));
  const onEdge = (x: number, y: number): boolean =>
    x < edge || y < edge || x >= pixels.width - edge || y >= pixels.height - edge;
  const border = clustersOf(pixels, onEdge);
  const borderTotal = border.reduce((n, c) => n + c.n, 0);
  const background = border[0] && border[0].n / borderTotal >= borderShare ? border[0] : null;
  const all = clustersOf(pixels, () => true);
  const piece = background ? all.filter((c) => deltaE(c.lab, background.lab) >= sameCloth) : all;
  // A piece of the floor's own colour fills the picture: then there is nothing to leave out.
  const clusters = piece.reduce((n, c) => n + c.n, 0) >= 0.08 * all.reduce((n, c) => n + c.n, 0) ? piece : all;
  const [ground] = clusters;
  if (!ground) return null;
  const total = clusters.reduce((n, c) => n + c.n, 0);
  const second =
    clusters.slice(1).find((c) => c.n / total >= secondShareLeast && deltaE(c.lab, ground.lab) >= secondDifference) ??
    null;
  const hex = (c: Cluster): string => hexOf(c.r / c.n, c.g / c.n, c.b / c.n);
  return {
    ground: hex(ground),
    second: second && hex(second),
    groundShare: ground.n / total,
    secondShare: second ? second.n / total : 0,
  };
}
