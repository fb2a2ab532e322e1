/**
 * Cloth of each garment kind: cut geometry and cloth weight of a size M piece, from which mass, volume and drying space follow.
 * All values are engineering estimates from cut geometry and usual trade cloth weights.
 */
import type { PhysicalFibreId } from '../fibre/physical.ts';
import type { GarmentKind } from './kinds.ts';

export type Layout = 'bar1' | 'bar2' | 'bar3' | 'hanger' | 'line' | 'flat_towel' | 'flat_mesh';

export interface KindCloth {
  /** One face of every piece of cloth, size M. */
  areaM2: number;
  clothGPerM2: readonly [low: number, typical: number, high: number];
  /** Seams, hems and trim as a share of the cloth. */
  trimShare: number;
  /** Metal and fill. */
  hardwareG: number;
  thicknessMm: number;
  /** Loose volume in the drum per kg dry. */
  looseVolumeLPerKg: number;
  /** Slow-zone factor for drying (thick hems, waistband, collar). */
  slowZone: number;
  type: 'tube' | 'sheet';
  barLengthM: number;
  layers: number;
  physicalFibre: PhysicalFibreId;
  flatM2: number;
  layout: Layout;
}

const cloth = (
  areaM2: number,
  clothGPerM2: KindCloth['clothGPerM2'],
  trimShare: number,
  hardwareG: number,
  thicknessMm: number,
  looseVolumeLPerKg: number,
  slowZone: number,
  type: KindCloth['type'],
  barLengthM: number,
  layers: number,
  physicalFibre: PhysicalFibreId,
  flatM2: number,
  layout: Layout,
): KindCloth => ({
  areaM2,
  clothGPerM2,
  trimShare,
  hardwareG,
  thicknessMm,
  looseVolumeLPerKg,
  slowZone,
  type,
  barLengthM,
  layers,
  physicalFibre,
  flatM2,
  layout,
});

// prettier-ignore
export const kindCloth: Readonly<Record<GarmentKind, KindCloth>> = {
  // kind                    area  g per m²          trim  metal mm   l/kg slow   type     bar   layers fibre     flat  layout
  tshirt:             cloth(0.95, [130, 160, 220],  0.06, 0,   0.6,  7,  1.35, 'tube',  0.52, 1, 'cotton',    0.5,  'bar1'),
  tshirt_heavy:       cloth(1,    [200, 240, 300],  0.06, 0,   0.9,  7,  1.35, 'tube',  0.55, 1, 'cotton',    0.52, 'bar1'),
  tee_long_sleeve:    cloth(1.25, [140, 170, 220],  0.06, 0,   0.6,  7,  1.35, 'tube',  0.52, 1, 'cotton',    0.65, 'bar1'),
  vest_top:           cloth(0.65, [130, 160, 200],  0.06, 0,   0.6,  7,  1.25, 'tube',  0.42, 1, 'cotton',    0.35, 'bar1'),
  polo:               cloth(1.05, [170, 200, 240],  0.08, 5,   0.8,  7,  1.45, 'tube',  0.54, 1, 'cotton',    0.55, 'hanger'),
  dress_shirt:        cloth(1.55, [90, 120, 150],   0.12, 6,   0.3,  9,  1.5,  'tube',  0.55, 1, 'cotton',    0.8,  'hanger'),
  flannel_shirt:      cloth(1.55, [150, 180, 220],  0.12, 6,   0.7,  8,  1.5,  'tube',  0.55, 1, 'cotton',    0.8,  'hanger'),
  linen_shirt:        cloth(1.5,  [120, 160, 200],  0.12, 6,   0.5,  8,  1.5,  'tube',  0.55, 1, 'linen',     0.78, 'hanger'),
  blouse_synthetic:   cloth(1.3,  [60, 95, 130],    0.1,  4,   0.25, 9,  1.4,  'tube',  0.5,  1, 'polyester', 0.68, 'hanger'),
  silk_blouse:        cloth(1.3,  [50, 75, 110],    0.08, 4,   0.2,  9,  1.35, 'tube',  0.5,  1, 'silk',      0.68, 'hanger'),
  camisole:           cloth(0.5,  [50, 80, 150],    0.08, 2,   0.3,  8,  1.25, 'tube',  0.38, 1, 'silk',      0.28, 'hanger'),
  sweatshirt:         cloth(1.4,  [260, 300, 380],  0.08, 0,   1.6,  10, 1.5,  'tube',  0.58, 1, 'cotton',    0.75, 'bar2'),
  hoodie:             cloth(1.75, [260, 320, 420],  0.08, 15,  1.8,  11, 1.8,  'tube',  0.6,  1, 'cotton',    0.9,  'bar3'),
  jumper_fine:        cloth(1.2,  [160, 220, 280],  0.05, 0,   1.4,  11, 1.3,  'tube',  0.52, 1, 'wool',      0.62, 'flat_towel'),
  jumper_mid:         cloth(1.25, [260, 340, 420],  0.05, 0,   2.6,  13, 1.3,  'tube',  0.54, 1, 'wool',      0.66, 'flat_towel'),
  jumper_chunky:      cloth(1.3,  [420, 520, 700],  0.05, 0,   5,    16, 1.35, 'tube',  0.58, 1, 'wool',      0.72, 'flat_towel'),
  cashmere_jumper:    cloth(1.2,  [160, 210, 300],  0.05, 0,   1.8,  13, 1.3,  'tube',  0.52, 1, 'wool',      0.62, 'flat_towel'),
  cardigan:           cloth(1.3,  [220, 300, 420],  0.07, 15,  2.4,  12, 1.35, 'tube',  0.54, 1, 'wool',      0.68, 'flat_towel'),
  fleece_jacket:      cloth(1.5,  [200, 260, 330],  0.08, 25,  3,    15, 1.4,  'tube',  0.58, 1, 'fleece',    0.8,  'hanger'),
  jeans:              cloth(1.45, [340, 420, 500],  0.1,  30,  0.9,  6,  1.8,  'tube',  0.45, 1, 'denim',     0.75, 'bar3'),
  jeans_raw_heavy:    cloth(1.45, [480, 540, 710],  0.1,  35,  1.2,  6,  1.8,  'tube',  0.45, 1, 'denim',     0.75, 'bar3'),
  chinos:             cloth(1.4,  [220, 260, 320],  0.1,  15,  0.6,  7,  1.7,  'tube',  0.45, 1, 'cotton',    0.72, 'bar2'),
  wool_trousers:      cloth(1.45, [200, 240, 300],  0.12, 15,  0.5,  8,  1.6,  'tube',  0.45, 1, 'wool',      0.75, 'hanger'),
  joggers:            cloth(1.35, [240, 300, 360],  0.08, 5,   1.6,  10, 1.6,  'tube',  0.45, 1, 'cotton',    0.7,  'bar2'),
  leggings:           cloth(0.85, [180, 240, 300],  0.05, 0,   0.8,  8,  1.4,  'tube',  0.35, 1, 'polyester', 0.45, 'bar1'),
  shorts:             cloth(0.8,  [180, 230, 300],  0.1,  10,  0.6,  7,  1.6,  'tube',  0.5,  1, 'cotton',    0.42, 'bar1'),
  skirt_light:        cloth(1.1,  [90, 130, 200],   0.08, 10,  0.4,  8,  1.4,  'tube',  0.5,  1, 'viscose',   0.58, 'hanger'),
  skirt_pleated:      cloth(1.8,  [180, 240, 320],  0.08, 15,  0.7,  8,  1.5,  'tube',  0.55, 1, 'polyester', 0.95, 'hanger'),
  dress_light:        cloth(1.9,  [90, 130, 180],   0.08, 10,  0.4,  8,  1.4,  'tube',  0.52, 1, 'viscose',   1,    'hanger'),
  dress_knit:         cloth(1.7,  [180, 230, 320],  0.06, 0,   0.9,  9,  1.4,  'tube',  0.52, 1, 'cotton',    0.9,  'flat_towel'),
  dress_lined:        cloth(4.2,  [100, 135, 180],  0.12, 40,  0.4,  10, 1.6,  'tube',  0.7,  3, 'cotton',    1.1,  'flat_towel'),
  petticoat:          cloth(3,    [30, 45, 80],     0.1,  15,  0.3,  25, 1.3,  'tube',  0.6,  2, 'nylon',     0.9,  'hanger'),
  briefs:             cloth(0.22, [130, 170, 220],  0.15, 0,   0.9,  7,  1.4,  'tube',  0.3,  1, 'cotton',    0.12, 'bar1'),
  boxers:             cloth(0.45, [110, 140, 180],  0.12, 0,   0.5,  7,  1.4,  'tube',  0.4,  1, 'cotton',    0.24, 'bar1'),
  bra:                cloth(0.16, [200, 280, 400],  0.1,  25,  2.5,  14, 1.6,  'tube',  0.35, 1, 'polyester', 0.1,  'flat_mesh'),
  sports_bra:         cloth(0.32, [200, 260, 340],  0.1,  5,   1.5,  10, 1.5,  'tube',  0.35, 1, 'polyester', 0.17, 'flat_mesh'),
  sock_ankle_pair:    cloth(0.13, [180, 250, 330],  0.05, 0,   1.6,  8,  1.2,  'tube',  0.2,  1, 'cotton',    0.08, 'bar1'),
  sock_crew_pair:     cloth(0.22, [200, 280, 380],  0.05, 0,   1.8,  8,  1.2,  'tube',  0.2,  1, 'cotton',    0.13, 'bar1'),
  sock_handknit_pair: cloth(0.26, [300, 380, 480],  0.05, 0,   2.4,  10, 1.2,  'tube',  0.22, 1, 'wool',      0.15, 'bar1'),
  tights:             cloth(0.45, [40, 70, 150],    0.05, 0,   0.4,  8,  1.2,  'tube',  0.2,  1, 'nylon',     0.25, 'bar1'),
  pyjama_set:         cloth(2.6,  [120, 150, 200],  0.08, 5,   0.5,  8,  1.4,  'tube',  1,    1, 'cotton',    1.35, 'bar2'),
  nightdress:         cloth(1.6,  [110, 140, 190],  0.07, 0,   0.5,  8,  1.35, 'tube',  0.52, 1, 'cotton',    0.85, 'hanger'),
  bathrobe:           cloth(2.6,  [280, 350, 480],  0.12, 0,   3.5,  10, 1.7,  'tube',  0.7,  1, 'terry',     1.3,  'hanger'),
  sport_tee:          cloth(0.95, [110, 140, 170],  0.05, 0,   0.5,  8,  1.3,  'tube',  0.52, 1, 'polyester', 0.5,  'bar1'),
  sport_shorts:       cloth(0.75, [100, 130, 170],  0.08, 5,   0.4,  8,  1.4,  'tube',  0.48, 1, 'polyester', 0.4,  'bar1'),
  base_layer_wool:    cloth(1.2,  [150, 190, 250],  0.05, 0,   0.8,  9,  1.3,  'tube',  0.5,  1, 'wool',      0.62, 'flat_mesh'),
  rain_jacket:        cloth(1.9,  [90, 130, 190],   0.15, 60,  0.4,  12, 1.5,  'tube',  0.6,  2, 'nylon',     1,    'hanger'),
  down_jacket:        cloth(3.6,  [45, 60, 90],     0.15, 300, 25,   35, 2,    'tube',  0.65, 2, 'down',      1,    'flat_mesh'),
  work_overall:       cloth(2.6,  [240, 280, 340],  0.12, 60,  0.6,  7,  1.8,  'tube',  0.55, 1, 'cotton',    1.35, 'hanger'),
  apron:              cloth(0.7,  [180, 220, 280],  0.08, 5,   0.5,  7,  1.3,  'sheet', 0.6,  1, 'cotton',    0.7,  'bar1'),
  scarf_fine:         cloth(0.6,  [100, 140, 200],  0.02, 0,   0.8,  9,  1.1,  'sheet', 0.35, 1, 'wool',      0.6,  'flat_mesh'),
  scarf_chunky:       cloth(0.55, [300, 420, 550],  0.02, 0,   4,    14, 1.2,  'sheet', 0.3,  1, 'wool',      0.55, 'flat_towel'),
  silk_scarf:         cloth(0.81, [35, 55, 80],     0.03, 0,   0.15, 9,  1.1,  'sheet', 0.9,  1, 'silk',      0.81, 'bar1'),
  hat_knit:           cloth(0.12, [300, 400, 520],  0.1,  3,   4,    14, 1.6,  'tube',  0.25, 2, 'wool',      0.07, 'flat_towel'),
  gloves_knit_pair:   cloth(0.11, [250, 320, 420],  0.05, 0,   2.5,  12, 1.4,  'tube',  0.25, 1, 'wool',      0.07, 'flat_mesh'),
  baby_bodysuit:      cloth(0.35, [150, 180, 220],  0.08, 4,   0.7,  7,  1.4,  'tube',  0.28, 1, 'cotton',    0.2,  'bar1'),
  face_cloth:         cloth(0.09, [380, 480, 600],  0.05, 0,   3.5,  8,  1.2,  'sheet', 0.3,  1, 'terry',     0.09, 'bar1'),
  hand_towel:         cloth(0.5,  [380, 480, 600],  0.05, 0,   3.8,  8,  1.25, 'sheet', 0.5,  1, 'terry',     0.5,  'bar1'),
  bath_towel:         cloth(0.98, [400, 500, 650],  0.04, 0,   4,    8,  1.25, 'sheet', 0.7,  1, 'terry',     0.98, 'bar2'),
  bath_sheet:         cloth(1.5,  [400, 500, 650],  0.04, 0,   4,    8,  1.25, 'sheet', 1,    1, 'terry',     1.5,  'bar3'),
  bath_mat:           cloth(0.4,  [700, 900, 1200], 0.05, 0,   6,    9,  1.4,  'sheet', 0.5,  1, 'terry',     0.4,  'bar2'),
  tea_towel:          cloth(0.35, [150, 190, 260],  0.04, 0,   0.6,  6,  1.15, 'sheet', 0.5,  1, 'cotton',    0.35, 'bar1'),
  tablecloth:         cloth(2.6,  [150, 190, 240],  0.04, 0,   0.5,  6,  1.15, 'sheet', 1.3,  1, 'cotton',    2.6,  'bar2'),
  pillowcase:         cloth(0.9,  [110, 135, 160],  0.05, 0,   0.35, 6,  1.25, 'tube',  0.5,  1, 'cotton',    0.45, 'bar1'),
  sheet_single:       cloth(3.75, [110, 135, 160],  0.04, 0,   0.35, 6,  1.2,  'sheet', 1.5,  1, 'cotton',    3.75, 'bar2'),
  sheet_double:       cloth(6.2,  [110, 135, 160],  0.04, 0,   0.35, 6,  1.2,  'sheet', 1.5,  1, 'cotton',    6.2,  'bar3'),
  duvet_cover_single: cloth(6,    [110, 135, 160],  0.05, 5,   0.35, 6,  1.4,  'tube',  1.4,  1, 'cotton',    3,    'bar3'),
  duvet_cover_double: cloth(9,    [110, 135, 160],  0.05, 5,   0.35, 6,  1.4,  'tube',  1.6,  1, 'cotton',    4.5,  'bar3'),
  curtain_panel:      cloth(3.4,  [150, 220, 300],  0.08, 40,  0.6,  7,  1.3,  'sheet', 1.4,  1, 'polyester', 3.4,  'line'),
  coat:               cloth(2.9,  [280, 360, 480],  0.15, 60,  1.5,  12, 1.8,  'tube',  0.62, 2, 'wool',      1.2,  'hanger'),
  suit_jacket:        cloth(2.4,  [180, 230, 300],  0.2,  40,  0.8,  12, 1.7,  'tube',  0.6,  2, 'wool',      1,    'hanger'),
  waistcoat:          cloth(0.9,  [160, 240, 340],  0.12, 20,  1,    10, 1.5,  'tube',  0.5,  2, 'wool',      0.45, 'flat_towel'),
  leather_jacket:     cloth(2.2,  [500, 650, 850],  0.1,  120, 1.2,  10, 2,    'tube',  0.6,  2, 'cotton',    1,    'hanger'),
  tie:                cloth(0.14, [120, 180, 260],  0.2,  5,   1,    10, 1.5,  'sheet', 0.1,  2, 'silk',      0.07, 'flat_towel'),
  sash:               cloth(0.25, [150, 260, 400],  0.05, 0,   1,    8,  1.2,  'sheet', 0.15, 1, 'cotton',    0.25, 'bar1'),
  swimsuit:           cloth(0.45, [160, 200, 250],  0.08, 5,   0.8,  8,  1.4,  'tube',  0.38, 1, 'nylon',     0.25, 'flat_mesh'),
  swim_shorts:        cloth(0.8,  [90, 120, 160],   0.1,  8,   0.4,  8,  1.5,  'tube',  0.5,  1, 'polyester', 0.42, 'bar1'),
  other:              cloth(1,    [100, 200, 500],  0.08, 0,   0.8,  9,  1.5,  'tube',  0.5,  1, 'cotton',    0.5,  'bar1'),
};
