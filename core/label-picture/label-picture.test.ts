import { describe, expect, test } from '@jest/globals';
import { blobsOf, signsOf, symbolBoxes } from './blobs.ts';
import { inkOf, type Picture } from './ink.ts';
import { findSymbols, type Drawing } from './match.ts';
import { skewDegrees, textOnly } from './straighten.ts';

type Point = readonly [x: number, y: number];
type Shape = readonly (readonly [from: Point, to: Point])[];
/** A sheet on which strokes are painted: 0 = black. */
function paint(
  width: number,
  height: number,
  strokes: readonly { shape: Shape; at: Point; scale: number; degrees?: number }[],
  { thick = 2, shade = (_x: number, _y: number): number => 0 } = {},
): Picture {
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      data.set(
        [250, 250, 250, 255].map((c, k) => (k < 3 ? c - shade(x, y) : c)),
        4 * (y * width + x),
      );
  for (const { shape, at, scale, degrees = 0 } of strokes) {
    const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
    const place = ([x, y]: Point): Point => {
      const [dx, dy] = [(x - 0.5) * scale, (y - 0.5) * scale];
      return [at[0] + dx * cos - dy * sin, at[1] + dx * sin + dy * cos];
    };
    for (const [a, b] of shape) {
      const [p, q] = [place(a), place(b)];
      const steps = Math.ceil(Math.hypot(q[0] - p[0], q[1] - p[1]) * 2) + 1;
      for (let k = 0; k <= steps; k++) {
        const [cx, cy] = [p[0] + ((q[0] - p[0]) * k) / steps, p[1] + ((q[1] - p[1]) * k) / steps];
        for (let y = Math.floor(cy - thick); y <= cy + thick; y++)
          for (let x = Math.floor(cx - thick); x <= cx + thick; x++)
            if (x >= 0 && y >= 0 && x < width && y < height && Math.hypot(x - cx, y - cy) <= thick)
              data.set(
                [20 - shade(x, y) / 20, 20, 20].map((c) => Math.max(0, c)),
                4 * (y * width + x),
              );
      }
    }
  }
  return { width, height, data };
}
const square: Shape = [
  [
    [0, 0],
    [1, 0],
  ],
  [
    [1, 0],
    [1, 1],
  ],
  [
    [1, 1],
    [0, 1],
  ],
  [
    [0, 1],
    [0, 0],
  ],
];
const triangle: Shape = [
  [
    [0.5, 0],
    [1, 1],
  ],
  [
    [1, 1],
    [0, 1],
  ],
  [
    [0, 1],
    [0.5, 0],
  ],
];
const cross: Shape = [
  [
    [0, 0],
    [1, 1],
  ],
  [
    [1, 0],
    [0, 1],
  ],
];
const dot: Shape = [
  [
    [0.48, 0.5],
    [0.52, 0.5],
  ],
];
const shapes: Readonly<Record<string, Shape>> = {
  square,
  triangle,
  'square crossed': [...square, ...cross],
  'square dotted': [...square, ...dot],
};
const drawings: Drawing[] = Object.entries(shapes).map(([id, shape]) => ({
  id,
  picture: paint(120, 120, [{ shape, at: [60, 60], scale: 80 }], { thick: id === 'square dotted' ? 4 : 3 }),
}));

describe('ink', () => {
  test('is found under a shadow that makes the ground darker than ink in the light', () => {
    const strokes = [60, 240, 420].map((x) => ({ shape: square, at: [x, 60] as const, scale: 60 }));
    const mask = inkOf(paint(480, 120, strokes, { shade: (x) => (x / 480) * 170 }));
    expect(blobsOf(mask)).toHaveLength(3);
  });
  test('is what is light where most of the picture is dark', () => {
    const p = paint(160, 160, [{ shape: square, at: [80, 80], scale: 90 }]);
    for (let i = 0; i < p.data.length; i += 4) for (let k = 0; k < 3; k++) p.data[i + k] = 255 - (p.data[i + k] ?? 0);
    expect(blobsOf(inkOf(p))).toHaveLength(1);
  });
});

describe('signs', () => {
  test('a dot inside and a bar beneath belong to a sign, a neighbour does not', () => {
    const bar: Shape = [
      [
        [0.1, 0.5],
        [0.9, 0.5],
      ],
    ];
    const mask = inkOf(
      paint(400, 200, [
        { shape: square, at: [80, 80], scale: 80 },
        { shape: dot, at: [80, 80], scale: 40 },
        { shape: bar, at: [80, 135], scale: 70 },
        { shape: triangle, at: [220, 80], scale: 80 },
      ]),
    );
    expect(blobsOf(mask)).toHaveLength(4);
    expect(signsOf(blobsOf(mask))).toHaveLength(2);
  });
  test('letters are no symbols', () => {
    const letters = Array.from({ length: 12 }, (_, k) => ({
      shape: triangle,
      at: [40 + k * 28, 180] as const,
      scale: 16,
    }));
    const mask = inkOf(
      paint(400, 220, [
        { shape: square, at: [80, 80], scale: 80 },
        { shape: triangle, at: [220, 80], scale: 80 },
        ...letters,
      ]),
    );
    expect(symbolBoxes(mask)).toHaveLength(2);
  });
});

describe('symbols', () => {
  const names = Object.keys(shapes);
  const sheet = (degrees: number, scale: number) =>
    paint(
      names.length * 150,
      180,
      names.map((n, k) => ({ shape: shapes[n] ?? square, at: [75 + k * 150, 90] as const, scale, degrees })),
      { thick: 3 },
    );
  test.each([
    [0, 80],
    [0, 50],
    [6, 80],
    [-9, 90],
  ])('turned by %i degrees, %i pixels large, are found in their order', (degrees, scale) => {
    const found = findSymbols(sheet(degrees, scale), drawings);
    expect(found.map((f) => f.id)).toEqual(names);
    for (const f of found) expect(f.sureness).toBeGreaterThan(0.02);
  });
  test('a sign that is no drawing of ours is none', () => {
    const star: Shape = Array.from({ length: 12 }, (_, k) => [
      [0.5, 0.5],
      [0.5 + 0.5 * Math.cos(k), 0.5 + 0.5 * Math.sin(k)],
    ]);
    const found = findSymbols(
      paint(300, 150, [
        { shape: star, at: [80, 75], scale: 90 },
        { shape: square, at: [220, 75], scale: 90 },
      ]),
      drawings,
    );
    expect(found.map((f) => f.id)).toEqual(['square']);
  });
});

describe('setting straight', () => {
  const line = (degrees: number) => ({
    shape: Array.from({ length: 40 }, (_, k): readonly [Point, Point] => [
      [k / 40, 0.5],
      [k / 40 + 0.012, 0.5],
    ]),
    scale: 420,
    degrees,
  });
  test.each([0, 4, -7, 10])('lines that lean by %i degrees', (degrees) => {
    const p = paint(
      500,
      300,
      [80, 130, 180, 230].map((y) => ({ ...line(degrees), at: [250, y] as const })),
      { thick: 4 },
    );
    expect(Math.abs(skewDegrees(inkOf(p)) - degrees)).toBeLessThanOrEqual(0.75);
    expect(Math.abs(skewDegrees(inkOf(textOnly(p, []))))).toBeLessThanOrEqual(0.75);
  });
  test('what stands in a symbol and what is an edge is left out', () => {
    const p = paint(
      500,
      300,
      [
        { ...line(0), at: [250, 200] },
        { shape: square, at: [100, 80], scale: 60 },
        { shape: square, at: [250, 150], scale: 280 },
      ],
      { thick: 3 },
    );
    const blobs = blobsOf(inkOf(textOnly(p, [{ left: 60, top: 40, right: 140, bottom: 120 }])));
    expect(Math.min(...blobs.map((b) => b.top))).toBeGreaterThan(180);
  });
});
