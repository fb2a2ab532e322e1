/**
 * Garment kinds: what a piece of each kind is for and how it is handled. One row is one kind; a new kind is one row here and one in `kind-cloth.ts`,
 * and the type checker names what is missing. Lengths and minutes are engineering estimates.
 */
import type { WearGroup } from '../wear/wear.ts';
import { kindCloth, type KindCloth } from './kind-cloth.ts';

export type { Layout } from './kind-cloth.ts';

/** What a piece is for: linen that touches food, the body, the floor or illness keeps apart from the rest. */
export const uses = ['kitchen', 'body', 'towel', 'bed', 'baby', 'sick', 'workshop', 'floor', 'clothes'] as const;
export type Use = (typeof uses)[number];

/** The drawing that stands for a kind. */
export const outlines = ['top', 'trousers', 'dress', 'flat', 'small'] as const;
export type Outline = (typeof outlines)[number];

/** Where pieces of a kind are measured; the places of each set stand in `measures.ts`. */
export type MeasureSet = 'sleeved' | 'sleeveless' | 'legs' | 'shorts' | 'skirt' | 'sheet' | 'none';

/**
 * pockets = to be emptied · small = stays as it is, hangs safely though knitted · knit = knitted even where no trait says so · denim, towel = cloth of
 * that name · pressed = a household usually irons it · netted = tangles or is torn without a net · cover = inside out and buttoned, or it fills with the rest.
 */
type KindFlag = 'pockets' | 'small' | 'knit' | 'denim' | 'towel' | 'pressed' | 'netted' | 'cover';

interface KindHandling {
  /** Row of the wear table; null = judged by soil and stain only. */
  wearGroup: WearGroup | null;
  use: Use;
  store: 'fold' | 'hang';
  outline: Outline;
  /** Usual body, leg or cloth length of a size M piece, cm: what a per cent means in the hand. */
  usualLengthCm: number;
  measured: MeasureSet;
  /** Minutes an average presser takes; null = no row of its own, not pressed by default. */
  ironMin: number | null;
  flags: ReadonlySet<KindFlag>;
}
export interface KindFacts extends KindHandling, KindCloth {}

const kind = (
  wearGroup: WearGroup | null,
  use: Use,
  store: KindHandling['store'],
  outline: Outline,
  usualLengthCm: number,
  measured: MeasureSet,
  ironMin: number | null,
  ...flags: KindFlag[]
): KindHandling => ({ wearGroup, use, store, outline, usualLengthCm, measured, ironMin, flags: new Set(flags) });

// prettier-ignore
const handling = {
  // kind                  wear group       use          store   outline     cm    measured      iron min
  tshirt:             kind('tshirt',        'clothes',  'fold', 'top',      68,  'sleeved',    2     ),
  tshirt_heavy:       kind('tshirt',        'clothes',  'fold', 'top',      68,  'sleeved',    2     ),
  tee_long_sleeve:    kind('tshirt',        'clothes',  'fold', 'top',      68,  'sleeved',    2     ),
  vest_top:           kind('tshirt',        'clothes',  'fold', 'top',      68,  'sleeveless', 2     ),
  polo:               kind('polo',          'clothes',  'hang', 'top',      68,  'sleeved',    3     ),
  dress_shirt:        kind('shirt',         'clothes',  'hang', 'top',      78,  'sleeved',    6,    'pressed', 'pockets'),
  flannel_shirt:      kind('shirt',         'clothes',  'hang', 'top',      78,  'sleeved',    6,    'pockets'),
  linen_shirt:        kind('shirt',         'clothes',  'hang', 'top',      78,  'sleeved',    6,    'pressed', 'pockets'),
  blouse_synthetic:   kind('blouse',        'clothes',  'hang', 'top',      68,  'sleeved',    6,    'pressed'),
  silk_blouse:        kind('blouse',        'clothes',  'hang', 'top',      68,  'sleeved',    6,    'pressed'),
  camisole:           kind('tshirt',        'clothes',  'fold', 'top',      68,  'sleeveless', null  ),
  sweatshirt:         kind('sweatshirt',    'clothes',  'fold', 'top',      68,  'sleeved',    null  ),
  hoodie:             kind('sweatshirt',    'clothes',  'fold', 'top',      68,  'sleeved',    null, 'pockets'),
  jumper_fine:        kind('jumper',        'clothes',  'fold', 'top',      68,  'sleeved',    null, 'knit'),
  jumper_mid:         kind('jumper',        'clothes',  'fold', 'top',      68,  'sleeved',    null, 'knit'),
  jumper_chunky:      kind('jumper',        'clothes',  'fold', 'top',      68,  'sleeved',    null, 'knit'),
  cashmere_jumper:    kind('jumper',        'clothes',  'fold', 'top',      68,  'sleeved',    null, 'knit'),
  cardigan:           kind('jumper',        'clothes',  'fold', 'top',      68,  'sleeved',    null, 'pockets', 'knit'),
  fleece_jacket:      kind('sweatshirt',    'clothes',  'fold', 'top',      68,  'sleeved',    null, 'pockets'),
  jeans:              kind('jeans',         'clothes',  'fold', 'trousers', 104, 'legs',       4,    'pockets', 'denim'),
  jeans_raw_heavy:    kind('jeans',         'clothes',  'fold', 'trousers', 104, 'legs',       4,    'pockets', 'denim'),
  chinos:             kind('chinos',        'clothes',  'fold', 'trousers', 104, 'legs',       5,    'pockets'),
  wool_trousers:      kind('trousers_wool', 'clothes',  'hang', 'trousers', 104, 'legs',       5,    'pockets', 'pressed'),
  joggers:            kind('sweatshirt',    'clothes',  'fold', 'trousers', 104, 'legs',       null, 'pockets'),
  leggings:           kind('leggings',      'clothes',  'fold', 'trousers', 104, 'legs',       null  ),
  shorts:             kind('chinos',        'clothes',  'fold', 'trousers', 58,  'shorts',     null, 'pockets'),
  skirt_light:        kind('skirt',         'clothes',  'hang', 'dress',    58,  'skirt',      4,    'pressed'),
  skirt_pleated:      kind('skirt',         'clothes',  'hang', 'dress',    58,  'skirt',      10,   'pressed'),
  dress_light:        kind('dress',         'clothes',  'hang', 'dress',    105, 'sleeved',    8,    'pressed'),
  dress_knit:         kind('dress',         'clothes',  'fold', 'dress',    105, 'sleeved',    8,    'knit'),
  dress_lined:        kind('dress_outer',   'clothes',  'hang', 'dress',    105, 'sleeved',    20,   'pressed'),
  petticoat:          kind('underwear',     'body',     'fold', 'dress',    75,  'skirt',      null  ),
  briefs:             kind('underwear',     'body',     'fold', 'trousers', 28,  'none',       null  ),
  boxers:             kind('underwear',     'body',     'fold', 'trousers', 28,  'none',       null  ),
  bra:                kind('bra',           'body',     'fold', 'small',    28,  'none',       null, 'netted'),
  sports_bra:         kind('sportswear',    'body',     'fold', 'small',    28,  'none',       null  ),
  sock_ankle_pair:    kind('socks',         'body',     'fold', 'small',    28,  'none',       null, 'small'),
  sock_crew_pair:     kind('socks',         'body',     'fold', 'small',    28,  'none',       null, 'small'),
  sock_handknit_pair: kind('socks',         'body',     'fold', 'small',    28,  'none',       null, 'small', 'knit'),
  tights:             kind('underwear',     'body',     'fold', 'trousers', 95,  'none',       null, 'netted'),
  pyjama_set:         kind('pyjama',        'body',     'fold', 'top',      68,  'sleeved',    null  ),
  nightdress:         kind('pyjama',        'body',     'fold', 'dress',    105, 'sleeved',    null  ),
  bathrobe:           kind('pyjama',        'towel',    'fold', 'dress',    105, 'sleeved',    null, 'pockets'),
  sport_tee:          kind('sportswear',    'clothes',  'fold', 'top',      68,  'sleeved',    null  ),
  sport_shorts:       kind('sportswear',    'clothes',  'fold', 'trousers', 58,  'shorts',     null, 'pockets'),
  base_layer_wool:    kind('thermal_wool',  'clothes',  'fold', 'top',      68,  'sleeved',    null  ),
  rain_jacket:        kind('jacket',        'clothes',  'hang', 'top',      68,  'sleeved',    null, 'pockets'),
  down_jacket:        kind('jacket',        'clothes',  'hang', 'top',      68,  'sleeved',    null, 'pockets'),
  work_overall:       kind('chinos',        'workshop', 'fold', 'dress',    105, 'sleeved',    5,    'pockets'),
  apron:              kind('tea_towel',     'kitchen',  'fold', 'flat',     68,  'sheet',      null, 'pockets'),
  scarf_fine:         kind('scarf',         'clothes',  'fold', 'small',    180, 'sheet',      null  ),
  scarf_chunky:       kind('scarf',         'clothes',  'fold', 'small',    180, 'sheet',      null  ),
  silk_scarf:         kind('scarf',         'clothes',  'fold', 'small',    68,  'sheet',      null  ),
  hat_knit:           kind('hat',           'clothes',  'fold', 'small',    28,  'none',       null, 'small', 'knit'),
  gloves_knit_pair:   kind('hat',           'clothes',  'fold', 'small',    28,  'none',       null, 'small', 'knit'),
  baby_bodysuit:      kind('tshirt',        'baby',     'fold', 'top',      40,  'sleeved',    null  ),
  face_cloth:         kind('hand_towel',    'towel',    'fold', 'flat',     28,  'sheet',      null, 'small', 'towel'),
  hand_towel:         kind('hand_towel',    'towel',    'fold', 'flat',     100, 'sheet',      null, 'towel'),
  bath_towel:         kind('bath_towel',    'towel',    'fold', 'flat',     100, 'sheet',      null, 'towel'),
  bath_sheet:         kind('bath_towel',    'towel',    'fold', 'flat',     150, 'sheet',      null, 'towel'),
  bath_mat:           kind('bath_towel',    'floor',    'fold', 'flat',     100, 'sheet',      null, 'towel'),
  tea_towel:          kind('tea_towel',     'kitchen',  'fold', 'flat',     70,  'sheet',      1     ),
  tablecloth:         kind('tea_towel',     'kitchen',  'fold', 'flat',     220, 'sheet',      6,    'pressed'),
  pillowcase:         kind('sheet',         'bed',      'fold', 'flat',     75,  'none',       1.5,    'cover'),
  sheet_single:       kind('sheet',         'bed',      'fold', 'flat',     220, 'sheet',      5     ),
  sheet_double:       kind('sheet',         'bed',      'fold', 'flat',     220, 'sheet',      5     ),
  duvet_cover_single: kind('sheet',         'bed',      'fold', 'flat',     220, 'none',       9,    'cover'),
  duvet_cover_double: kind('sheet',         'bed',      'fold', 'flat',     220, 'none',       9,    'cover'),
  curtain_panel:      kind(null,            'clothes',  'fold', 'flat',     220, 'sheet',      null  ),
  coat:               kind('coat',          'clothes',  'hang', 'dress',    105, 'sleeved',    null, 'pockets'),
  suit_jacket:        kind('jacket',        'clothes',  'hang', 'top',      68,  'sleeved',    null, 'pockets'),
  waistcoat:          kind('jacket',        'clothes',  'hang', 'top',      60,  'sleeveless', null, 'pockets'),
  leather_jacket:     kind('jacket',        'clothes',  'hang', 'top',      68,  'sleeved',    null, 'pockets'),
  tie:                kind('scarf',         'clothes',  'fold', 'small',    148, 'sheet',      null, 'small'),
  sash:               kind('scarf',         'clothes',  'fold', 'small',    160, 'sheet',      null  ),
  swimsuit:           kind('sportswear',    'clothes',  'fold', 'top',      68,  'sleeveless', null, 'netted'),
  swim_shorts:        kind('sportswear',    'clothes',  'fold', 'trousers', 58,  'shorts',     null, 'pockets'),
  other:              kind(null,            'clothes',  'fold', 'top',      68,  'none',       null  ),
} as const satisfies Record<string, KindHandling>;

export type GarmentKind = keyof typeof handling;
export const garmentKinds = Object.keys(handling) as GarmentKind[];

const kinds: Readonly<Record<GarmentKind, KindFacts>> = Object.fromEntries(
  garmentKinds.map((id) => [id, { ...handling[id], ...kindCloth[id] }]),
) as Record<GarmentKind, KindFacts>;

/**
 * Everything known of a kind.
 * @example kindFacts('jeans').flags.has('pockets') // true
 */
export const kindFacts = (id: GarmentKind): KindFacts => kinds[id];
