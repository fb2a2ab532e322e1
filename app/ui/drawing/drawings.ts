/**
 * The drawings of pieces, laid flat. Each is drawn by its right half and mirrored at x = 50; the width is 100, the
 * height is the drawing's own. Places are named as the piece is worn: on the front its left is at the viewer's right.
 */
export type Side = 'front' | 'back';
export interface Zone {
  side: Side;
  name: string;
  x: number;
  y: number;
}
/** A measured line, and where its number stands so that no two meet. */
export type Line = readonly [x1: number, y1: number, x2: number, y2: number, textX: number, textY: number];
export interface Drawing {
  height: number;
  /** Right half of the contour, from the middle above to the middle below. */
  half: string;
  /** Lines on both halves, on the front and on the back. */
  front: string;
  back: string;
  /** Lines that are not mirrored: a button row, a pocket. Front only. */
  once: string;
  zones: readonly Zone[];
  lines: Readonly<Partial<Record<string, Line>>>;
}

const on =
  (side: Side) =>
  (name: string, x: number, y: number): Zone => ({ side, name, x, y });
const front = on('front');
const back = on('back');

/** Places of what has sleeves. `cuffY` = how far down its sleeves reach. */
const sleeved = (cuffY: number, hemY: number): Zone[] => [
  front('collar', 50, 13),
  front('right sleeve', 13, (cuffY + 20) / 2),
  front('left sleeve', 87, (cuffY + 20) / 2),
  ...(cuffY > 50 ? [front('right cuff', 9, cuffY), front('left cuff', 91, cuffY)] : []),
  front('right underarm', 25, 37),
  front('left underarm', 75, 37),
  front('chest', 50, 36),
  front('front', 50, hemY * 0.66),
  front('hem', 50, hemY - 4),
  back('back of the collar', 50, 8),
  back('left sleeve, behind', 13, (cuffY + 20) / 2),
  back('right sleeve, behind', 87, (cuffY + 20) / 2),
  back('between the shoulders', 50, 30),
  back('back', 50, hemY * 0.62),
  back('hem behind', 50, hemY - 4),
];
const sleeveless = (hemY: number): Zone[] => [
  front('collar', 50, 22),
  front('right underarm', 24, 38),
  front('left underarm', 76, 38),
  front('chest', 50, 40),
  front('front', 50, hemY * 0.66),
  front('hem', 50, hemY - 4),
  back('between the shoulders', 50, 26),
  back('back', 50, hemY * 0.6),
  back('hem behind', 50, hemY - 4),
];
const legs = (kneeY: number, hemY: number): Zone[] => [
  front('waist', 50, 7),
  front('front', 50, 26),
  front('right pocket', 30, 20),
  front('left pocket', 70, 20),
  front('right thigh', 33, kneeY * 0.66),
  front('left thigh', 67, kneeY * 0.66),
  ...(kneeY < hemY - 20 ? [front('right knee', 31, kneeY), front('left knee', 69, kneeY)] : []),
  front('right hem', 29, hemY - 4),
  front('left hem', 71, hemY - 4),
  back('waist behind', 50, 7),
  back('seat', 50, 32),
  back('left leg, behind', 31, (kneeY + hemY) / 2),
  back('right leg, behind', 69, (kneeY + hemY) / 2),
];
const cloth = (height: number): Zone[] => [
  front('middle', 50, height / 2),
  front('left edge', 12, height / 2),
  front('right edge', 88, height / 2),
  front('upper edge', 50, 8),
  front('lower edge', 50, height - 8),
  front('a corner', 86, 9),
  back('other side', 50, height / 2),
];
const skirtZones = (waistY: number, hemY: number): Zone[] => [
  front('waist', 50, waistY),
  front('lap', 50, (waistY + hemY) / 2),
  front('hem', 50, hemY - 4),
  back('seat', 50, waistY + 16),
  back('hem behind', 50, hemY - 4),
];

const topLines = (lengthFromY: number, hemY: number, sleeve: Line): Drawing['lines'] => ({
  'body-length': [42, lengthFromY, 42, hemY, 24, hemY - 8],
  chest: [26, 42, 74, 42, 45, 39],
  sleeve,
});

// prettier-ignore
export const drawings = {
  tee: {
    height: 98,
    half: 'M50 12 Q60 12 64 6 L82 12 L98 36 L84 44 L77 33 L77 95 L50 95',
    front: 'M50 16 Q62 16 67 7 M95.5 32.5 L81.5 40 M50 92 L77 92',
    back: 'M50 8 Q60 9 64 6 M50 11 Q62 12 67 7 M95.5 32.5 L81.5 40 M50 92 L77 92',
    once: '',
    zones: sleeved(36, 95),
    lines: topLines(13, 95, [82, 12, 98, 36, 86, 20]),
  },
  jumper: {
    height: 102,
    half: 'M50 13 Q60 13 64 6 L81 11 L97 76 L86 80 L76 38 L76 99 L50 99',
    front: 'M50 17 Q62 17 67 7 M95.5 70 L84.5 74 M50 92 L76 92 M55 93 L55 98 M60 93 L60 98 M65 93 L65 98 M70 93 L70 98',
    back: 'M50 9 Q60 10 64 6 M95.5 70 L84.5 74 M50 92 L76 92 M55 93 L55 98 M60 93 L60 98 M65 93 L65 98 M70 93 L70 98',
    once: '',
    zones: sleeved(74, 99),
    lines: topLines(14, 99, [81, 11, 97, 76, 76, 62]),
  },
  shirt: {
    height: 106,
    half: 'M50 13 L58 4 L67 8 L82 13 L97 78 L87 82 L77 38 L77 97 Q72 102 62 99 Q56 98 50 103',
    front: 'M50 13 L60 19 L67 8 M95.5 72 L85.5 76',
    back: 'M50 8 Q58 9 62 6 M50 24 Q66 25 80 22 M95.5 72 L85.5 76',
    once: 'M53 17 L53 102 M50 30 L50.1 30 M50 45 L50.1 45 M50 60 L50.1 60 M50 75 L50.1 75 M50 90 L50.1 90 M60 34 L71 34 L71 45 L65.5 48.5 L60 45 Z',
    zones: [...sleeved(76, 103), front('button row', 52, 52), front('breast pocket', 66, 40)],
    lines: topLines(14, 102, [82, 13, 97, 78, 76, 64]),
  },
  vest: {
    height: 96,
    half: 'M50 24 Q60 22 62 5 L70 5 Q70 28 80 36 L77 93 L50 93',
    front: 'M50 28 Q64 26 66 5 M50 90 L77 90',
    back: 'M50 14 Q60 13 62 5 M50 90 L77 90',
    once: '',
    zones: sleeveless(93),
    lines: { 'body-length': [42, 24, 42, 93, 24, 84], chest: [22, 42, 78, 42, 45, 39] },
  },
  jacket: {
    height: 106,
    half: 'M50 6 L62 6 L64 11 L84 16 L99 80 L87 84 L79 42 L80 102 L50 102',
    front: 'M50 12 L64 11 M97.5 74 L85.5 78 M64 70 L69 88 M50 97 L80 97',
    back: 'M50 12 L64 11 M97.5 74 L85.5 78 M50 97 L80 97 M50 28 L82 26',
    once: 'M50 7 L50 102',
    zones: [...sleeved(78, 102), front('zip', 52, 56), front('right pocket', 30, 80), front('left pocket', 70, 80)],
    lines: topLines(12, 102, [84, 16, 99, 80, 78, 66]),
  },
  hoodie: {
    height: 106,
    half: 'M50 3 Q67 3 68 14 L84 19 L98 80 L87 84 L78 44 L78 103 L50 103',
    front: 'M50 24 Q62 22 64 9 Q58 6 50 6 M96.5 74 L85.5 78 M50 68 L66 68 L73 84 L73 91 L50 91 M50 97 L78 97',
    back: 'M68 14 Q66 26 50 30 M96.5 74 L85.5 78 M50 97 L78 97',
    once: '',
    zones: [...sleeved(78, 103), back('hood', 50, 16)],
    lines: topLines(24, 103, [84, 19, 98, 80, 77, 66]),
  },
  coat: {
    height: 142,
    half: 'M50 13 L61 5 L83 13 L98 84 L86 88 L79 46 L85 138 L50 138',
    front: 'M50 52 L58 28 L64 8 M58 28 L66 27 M96.5 78 L84.5 82 M62 88 L76 86',
    back: 'M50 10 Q58 10 61 5 M96.5 78 L84.5 82',
    once: 'M50 52 L50 138 M53 60 L53.1 60 M53 76 L53.1 76 M53 92 L53.1 92',
    zones: [...sleeved(84, 138), front('lapel', 60, 32), front('right pocket', 31, 90), front('left pocket', 69, 90)],
    lines: { 'body-length': [42, 14, 42, 138, 22, 128], chest: [22, 50, 78, 50, 44, 47], sleeve: [83, 13, 98, 84, 76, 70] },
  },
  trousers: {
    height: 142,
    half: 'M50 4 L74 4 L77 18 L83 138 L58 138 L50 48',
    front: 'M50 10 L75.2 10 M66 10 Q67 20 77 23 M58 132 L82.7 132',
    back: 'M50 10 L75.2 10 M57 20 L69 20 L69 32 L63 35 L57 32 Z M50 18 L77 14 M58 132 L82.7 132',
    once: 'M54 10 L54 28 Q54 34 50 36',
    zones: legs(84, 138),
    lines: {
      waist: [26, 4, 74, 4, 44, 1], 'front-rise': [50, 4, 50, 48, 36, 30], thigh: [25, 52, 49, 52, 28, 60],
      knee: [22, 88, 45, 88, 24, 97], 'leg-opening': [17, 138, 42, 138, 20, 134], inseam: [50, 50, 57, 138, 46, 116],
    },
  },
  shorts: {
    height: 86,
    half: 'M50 4 L76 4 L89 80 L57 84 L50 44',
    front: 'M50 10 L77 10 M67 10 Q68 20 79 24 M56.3 78 L88 74',
    back: 'M50 10 L77 10 M58 20 L70 20 L70 31 L58 31 Z M56.3 78 L88 74',
    once: '',
    zones: legs(78, 82),
    lines: {
      waist: [24, 4, 76, 4, 44, 1], 'front-rise': [50, 4, 50, 44, 36, 28], thigh: [19, 48, 49, 48, 24, 56],
      'leg-opening': [11, 80, 43, 84, 18, 76], inseam: [50, 46, 57, 84, 45, 72],
    },
  },
  leggings: {
    height: 146,
    half: 'M50 4 L69 4 Q75 26 73 48 Q71 92 66 141 L57 141 Q55 92 50 46',
    front: 'M50 10 L70.5 10',
    back: 'M50 10 L70.5 10',
    once: '',
    zones: legs(86, 141),
    lines: {
      waist: [31, 4, 69, 4, 44, 1], 'front-rise': [50, 4, 50, 46, 36, 30], thigh: [27, 52, 49, 52, 29, 60],
      knee: [30, 90, 45, 90, 22, 97], 'leg-opening': [34, 141, 43, 141, 16, 139], inseam: [50, 48, 57, 141, 60, 116],
    },
  },
  tights: {
    height: 152,
    half: 'M50 4 L67 4 Q73 26 72 50 Q70 92 66 132 Q74 144 68 147 L58 147 Q54 142 56 130 Q56 90 50 44',
    front: 'M50 9 L68 9 M57 141 Q64 138 71 142',
    back: 'M50 9 L68 9',
    once: '',
    zones: [...legs(86, 132), front('right toe', 32, 146), front('left toe', 68, 146)],
    lines: {},
  },
  briefs: {
    height: 62,
    half: 'M50 6 L86 6 L84 22 Q62 30 57 54 L50 56',
    front: 'M50 12 L85 12 M50 40 L60 42',
    back: 'M50 12 L85 12',
    once: '',
    zones: [front('waist', 50, 9), front('front', 50, 24), front('gusset', 50, 48), back('seat', 50, 28), back('gusset behind', 50, 48)],
    lines: {},
  },
  dress: {
    height: 142,
    half: 'M50 16 Q60 15 63 5 L80 12 L92 42 L81 47 L75 34 L71 62 L88 138 L50 138',
    front: 'M50 20 Q63 19 67 7 M50 62 L71 62 M89.5 38 L79 43 M50 134 L87 134',
    back: 'M50 9 Q60 10 63 5 M50 62 L71 62 M89.5 38 L79 43 M50 134 L87 134',
    once: '',
    zones: [...sleeved(42, 64).filter((z) => !['hem', 'hem behind', 'front', 'back'].includes(z.name)), ...skirtZones(62, 138)],
    lines: { 'body-length': [42, 17, 42, 138, 20, 126], chest: [27, 38, 73, 38, 45, 35], sleeve: [80, 12, 92, 42, 88, 20], waist: [30, 58, 70, 58, 45, 55] },
  },
  skirt: {
    height: 98,
    half: 'M50 4 L68 4 L90 91 Q70 95 50 95',
    front: 'M50 10 L69.5 10 M57 11 L63 93 M64 11 L77 91',
    back: 'M50 10 L69.5 10 M57 11 L63 93 M64 11 L77 91',
    once: '',
    zones: skirtZones(8, 95),
    lines: { waist: [32, 4, 68, 4, 44, 1], 'body-length': [46, 5, 46, 95, 26, 80] },
  },
  overall: {
    height: 152,
    half: 'M50 13 Q60 12 63 6 L82 12 L98 66 L87 70 L78 40 L78 80 L84 148 L60 148 L50 94',
    front: 'M50 13 L58 19 L63 6 M96 60 L85 64 M50 72 L78 72 M82 142 L59 142',
    back: 'M50 9 Q58 10 63 6 M96 60 L85 64 M50 72 L78 72 M82 142 L59 142',
    once: 'M50 18 L50 92 M61 34 L73 34 L73 46 L61 46 Z',
    zones: [
      ...sleeved(66, 76).filter((z) => !z.name.startsWith('hem')),
      front('right knee', 30, 118), front('left knee', 70, 118), front('right hem', 28, 144), front('left hem', 72, 144), back('seat', 50, 86),
    ],
    lines: { 'body-length': [42, 14, 42, 148, 22, 140], chest: [23, 46, 77, 46, 45, 43], sleeve: [82, 12, 98, 66, 77, 56] },
  },
  bra: {
    height: 60,
    half: 'M50 40 Q56 36 58 26 L60 4 L64 4 L66 22 Q78 26 80 38 L98 34 L98 44 L78 52 Q64 58 54 48 L50 46',
    front: 'M58 26 Q68 36 80 38 M54 48 Q66 40 80 44',
    back: 'M80 38 L80 50',
    once: '',
    zones: [front('right cup', 32, 42), front('left cup', 68, 42), front('middle', 50, 43), front('right strap', 38, 14), front('left strap', 62, 14), back('band behind', 50, 43)],
    lines: {},
  },
  swimsuit: {
    height: 102,
    half: 'M50 30 Q60 26 62 4 L68 4 Q66 30 77 40 Q70 58 78 76 Q64 82 56 98 L50 98',
    front: 'M50 34 Q63 30 65.5 5',
    back: 'M50 50 Q62 40 64 4',
    once: '',
    zones: [front('chest', 50, 40), front('front', 50, 66), front('gusset', 50, 92), back('back', 50, 64), back('seat', 50, 84)],
    lines: { 'body-length': [44, 31, 44, 98, 24, 90], chest: [24, 42, 76, 42, 45, 39] },
  },
  socks: {
    height: 98,
    half: 'M60 5 L80 5 L80 52 Q81 62 87 68 L95 78 Q100 91 87 92 Q76 92 66 77 Q60 67 60 52 Z',
    front: 'M60 15 L80 15 M61 62 Q69 60 70 74 M85 91.5 Q84 80 95 78',
    back: 'M60 15 L80 15 M61 62 Q69 60 70 74 M85 91.5 Q84 80 95 78',
    once: '',
    zones: [front('cuff', 70, 11), front('leg', 70, 36), front('heel', 66, 68), front('toe', 90, 86), front('sole', 76, 84), back('cuff inside', 70, 11), back('sole inside', 76, 84)],
    lines: {},
  },
  gloves: {
    height: 92,
    half: 'M62 88 L62 60 Q54 46 57 38 Q62 34 64 44 L67 50 L67 15 Q70 10 73 15 L74 40 L76 9 Q79 4 82 9 L82 40 L85 13 Q88 8 90 13 L90 44 L93 24 Q96 20 97 26 L94 60 L89 88 Z',
    front: 'M62 78 L90 78',
    back: 'M62 78 L90 78',
    once: '',
    zones: [front('cuff', 76, 82), front('back of the hand', 78, 58), front('a finger', 79, 22), front('thumb', 59, 44), back('palm', 78, 58), back('a fingertip', 79, 12)],
    lines: {},
  },
  hat: {
    height: 70,
    half: 'M50 6 Q82 8 84 46 L88 46 L88 65 L50 65',
    front: 'M50 46 L84 46 M60 47 L60 64 M70 47 L70 64 M80 47 L80 64',
    back: 'M50 46 L84 46',
    once: '',
    zones: [front('crown', 50, 20), front('brim', 50, 56), back('brim inside', 50, 56)],
    lines: {},
  },
  strip: {
    height: 142,
    half: 'M50 5 L67 5 L67 132 L50 132',
    front: 'M50 132 L50 138 M56 132 L56 138 M62 132 L62 138 M67 132 L67 138',
    back: 'M50 132 L50 138 M56 132 L56 138 M62 132 L62 138 M67 132 L67 138',
    once: '',
    zones: [front('upper end', 50, 14), front('middle', 50, 68), front('lower end', 50, 124), back('other side', 50, 68)],
    lines: { 'body-length': [46, 5, 46, 132, 22, 110], chest: [33, 68, 67, 68, 70, 66] },
  },
  towel: {
    height: 122,
    half: 'M50 4 L86 4 L86 118 L50 118',
    front: 'M50 14 L86 14 M50 18 L86 18 M50 104 L86 104 M50 108 L86 108',
    back: 'M50 14 L86 14 M50 108 L86 108',
    once: '',
    zones: cloth(122),
    lines: { 'body-length': [46, 4, 46, 118, 24, 98], chest: [14, 62, 86, 62, 55, 59] },
  },
  sheet: {
    height: 90,
    half: 'M50 4 L96 4 L96 86 L50 86',
    front: 'M50 9 L96 9 M50 82 L96 82',
    back: 'M50 9 L96 9 M50 82 L96 82',
    once: '',
    zones: cloth(90),
    lines: { 'body-length': [46, 4, 46, 86, 26, 74], chest: [4, 46, 96, 46, 60, 43] },
  },
  pillowcase: {
    height: 66,
    half: 'M50 4 L95 4 L95 62 L50 62',
    front: '',
    back: '',
    once: 'M85 4 L85 62',
    zones: cloth(66),
    lines: {},
  },
  apron: {
    height: 122,
    half: 'M50 10 L64 10 Q68 34 88 44 L88 118 L50 118',
    front: 'M64 10 Q64 0 50 1 M88 46 L99 56 M50 72 L68 72 L68 94 L50 94 M50 114 L88 114',
    back: 'M64 10 Q64 0 50 1 M88 46 L99 56 M50 114 L88 114',
    once: '',
    zones: [front('bib', 50, 24), front('front', 50, 56), front('pocket', 50, 84), front('hem', 50, 114), back('other side', 50, 70)],
    lines: { 'body-length': [46, 10, 46, 118, 24, 100], chest: [12, 60, 88, 60, 56, 57] },
  },
  bodysuit: {
    height: 92,
    half: 'M50 12 Q60 12 64 6 L80 11 L93 32 L82 38 L76 30 L78 66 Q66 72 58 88 L50 88',
    front: 'M50 16 Q62 16 67 7 M90.5 28 L79.5 34',
    back: 'M50 8 Q60 9 64 6 M90.5 28 L79.5 34',
    once: 'M44 84 L44.1 84 M50 85 L50.1 85 M56 84 L56.1 84',
    zones: [...sleeved(32, 70).filter((z) => !z.name.startsWith('hem')), front('gusset', 50, 82), back('seat', 50, 72)],
    lines: topLines(13, 88, [80, 11, 93, 32, 84, 18]),
  },
} as const satisfies Record<string, Drawing>;

export type DrawingId = keyof typeof drawings;
export const drawingFacts = (id: DrawingId): Drawing => drawings[id];

/** A point on one side of a drawing: x of 100, y of its height. */
export interface Spot {
  side: Side;
  x: number;
  y: number;
}
/**
 * The named place next to a point.
 * @example nearestZone('tee', { side: 'front', x: 52, y: 34 }).name // 'chest'
 */
export function nearestZone(id: DrawingId, spot: Spot): Zone {
  const { zones } = drawingFacts(id);
  const distance = (z: Zone): number => (z.x - spot.x) ** 2 + (z.y - spot.y) ** 2;
  const same = zones.filter((z) => z.side === spot.side);
  return (same.length > 0 ? same : zones).reduce((best, z) => (distance(z) < distance(best) ? z : best));
}
