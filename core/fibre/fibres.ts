/**
 * Care defaults and hard limits of every fibre. A row is the default where the label is silent; `hard` values hold whatever
 * the label says. For protein fibres, acetates, cupro, angora, metallic, coated and hides the row itself is hard.
 * `significantFromPercent`: the share from which the fibre sets limits in a blend.
 */
import type { Action, Iron, Tumble } from '../model/orders.ts';

export type FibreGroup = 'cellulose' | 'regenerated' | 'ester' | 'protein' | 'synthetic' | 'elastomer' | 'trim' | 'filling' | 'hide' | 'unknown';

export interface FibreFacts {
  name: string;
  group: FibreGroup;
  wetStrength: number | null;
  maxTemperatureC: number;
  /** White or undyed cloth of this fibre bears more. */
  whiteMaxTemperatureC: number | null;
  hardTemperatureC: number;
  action: Action;
  hardAction: Action;
  /** Limit on a drum of radius 0.24 m outside a wool programme, and inside one. */
  spinRpm: number;
  woolProgrammeSpinRpm: number;
  /** Spin a label with normal action lifts the limit to. */
  normalLabelSpinRpm: number | null;
  tumble: Tumble;
  hardTumble: Tumble;
  iron: Iron;
  steam: boolean;
  pressCloth: boolean;
  ironInsideOut: boolean;
  chlorine: 'white-only' | 'label-only' | 'none';
  protease: boolean;
  significantFromPercent: number;
  watch: string;
}

const base = {
  whiteMaxTemperatureC: null, hardAction: 'normal', hardTumble: 'normal', normalLabelSpinRpm: null, steam: true, pressCloth: false,
  ironInsideOut: false, chlorine: 'none', protease: true, significantFromPercent: 20,
} as const;
/** Rows whose own values are hard. */
const protein = { ...base, group: 'protein', protease: false, significantFromPercent: 5, tumble: 'none', hardTumble: 'none' } as const;

export const fibres = {
  cotton: { ...base, name: 'cotton', group: 'cellulose', wetStrength: 1.1, maxTemperatureC: 60, whiteMaxTemperatureC: 95, hardTemperatureC: 95, action: 'normal', spinRpm: 1400, woolProgrammeSpinRpm: 1400, tumble: 'normal', iron: 'high', chlorine: 'white-only', watch: 'knits relax 3–8 %, creases' },
  linen: { ...base, name: 'linen', group: 'cellulose', wetStrength: 1.15, maxTemperatureC: 60, hardTemperatureC: 95, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, normalLabelSpinRpm: 1000, tumble: 'low', iron: 'high', chlorine: 'white-only', watch: 'creases, abrasion at folds' },
  hemp: { ...base, name: 'hemp', group: 'cellulose', wetStrength: 1.15, maxTemperatureC: 40, hardTemperatureC: 95, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, normalLabelSpinRpm: 1000, tumble: 'low', iron: 'high', chlorine: 'white-only', watch: 'creases, abrasion at folds' },
  viscose: { ...base, name: 'viscose', group: 'regenerated', wetStrength: 0.5, maxTemperatureC: 30, hardTemperatureC: 60, action: 'mild', spinRpm: 600, woolProgrammeSpinRpm: 600, tumble: 'none', iron: 'medium', watch: 'weak and shrinking when wet' },
  modal: { ...base, name: 'modal', group: 'regenerated', wetStrength: 0.6, maxTemperatureC: 40, hardTemperatureC: 60, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, tumble: 'low', iron: 'medium', watch: 'weaker when wet' },
  lyocell: { ...base, name: 'lyocell', group: 'regenerated', wetStrength: 0.82, maxTemperatureC: 40, hardTemperatureC: 60, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, tumble: 'low', iron: 'medium', watch: 'fibrillates: inside out' },
  cupro: { ...base, name: 'cupro', group: 'regenerated', wetStrength: 0.6, maxTemperatureC: 30, hardTemperatureC: 30, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 400, tumble: 'none', hardTumble: 'none', iron: 'low', significantFromPercent: 5, watch: 'water marks' },
  acetate: { ...base, name: 'acetate', group: 'ester', wetStrength: 0.65, maxTemperatureC: 30, hardTemperatureC: 30, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 400, tumble: 'none', hardTumble: 'none', iron: 'low', significantFromPercent: 5, watch: 'acetone dissolves it; heat sets creases' },
  triacetate: { ...base, name: 'triacetate', group: 'ester', wetStrength: 0.7, maxTemperatureC: 40, hardTemperatureC: 40, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 400, tumble: 'none', hardTumble: 'none', iron: 'low', watch: 'keeps pleats' },
  wool: { ...protein, name: 'wool', wetStrength: 0.82, maxTemperatureC: 30, hardTemperatureC: 30, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 800, iron: 'medium', pressCloth: true, watch: 'felts with heat, alkali, movement and shock' },
  'wool-superwash': { ...protein, name: 'superwash wool', wetStrength: 0.82, maxTemperatureC: 40, hardTemperatureC: 40, action: 'mild', hardAction: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, iron: 'medium', pressCloth: true, watch: 'still no alkali' },
  cashmere: { ...protein, name: 'cashmere', wetStrength: 0.78, maxTemperatureC: 30, hardTemperatureC: 30, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 600, iron: 'low', pressCloth: true, watch: 'pills, felts, grows when hung' },
  mohair: { ...protein, name: 'mohair', wetStrength: 0.85, maxTemperatureC: 30, hardTemperatureC: 30, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 400, iron: 'low', pressCloth: true, watch: 'sheds' },
  alpaca: { ...protein, name: 'alpaca', wetStrength: 0.8, maxTemperatureC: 30, hardTemperatureC: 30, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 400, iron: 'low', pressCloth: true, watch: 'stretches' },
  angora: { ...protein, name: 'angora', wetStrength: 0.7, maxTemperatureC: 30, hardTemperatureC: 30, action: 'hand', hardAction: 'hand', spinRpm: 0, woolProgrammeSpinRpm: 0, iron: 'low', pressCloth: true, watch: 'felts first of all' },
  silk: { ...protein, name: 'silk', wetStrength: 0.8, maxTemperatureC: 30, hardTemperatureC: 30, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 400, iron: 'low', steam: false, pressCloth: true, ironInsideOut: true, watch: 'sun, alkali, rubbing, water marks' },
  polyester: { ...base, name: 'polyester', group: 'synthetic', wetStrength: 1, maxTemperatureC: 40, whiteMaxTemperatureC: 60, hardTemperatureC: 60, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, normalLabelSpinRpm: 1000, tumble: 'low', iron: 'low', pressCloth: true, chlorine: 'label-only', watch: 'holds oil and odour, shine' },
  polyamide: { ...base, name: 'polyamide', group: 'synthetic', wetStrength: 0.88, maxTemperatureC: 40, hardTemperatureC: 60, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, normalLabelSpinRpm: 1000, tumble: 'low', iron: 'low', watch: 'takes up loose dye; greys' },
  acrylic: { ...base, name: 'acrylic', group: 'synthetic', wetStrength: 0.92, maxTemperatureC: 40, hardTemperatureC: 40, action: 'mild', spinRpm: 600, woolProgrammeSpinRpm: 600, tumble: 'none', hardTumble: 'low', iron: 'low', steam: false, watch: 'hot and wet stretches for good; pills' },
  elastane: { ...base, name: 'elastane', group: 'elastomer', wetStrength: 0.95, maxTemperatureC: 40, hardTemperatureC: 60, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, tumble: 'none', hardTumble: 'low', iron: 'low', significantFromPercent: 10, watch: 'heat and chlorine kill it' },
  polypropylene: { ...base, name: 'polypropylene', group: 'synthetic', wetStrength: 1, maxTemperatureC: 40, hardTemperatureC: 40, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, tumble: 'none', hardTumble: 'low', iron: 'none', watch: 'melts' },
  metallic: { ...base, name: 'metallic yarn', group: 'trim', wetStrength: null, maxTemperatureC: 30, hardTemperatureC: 30, action: 'hand', hardAction: 'hand', spinRpm: 0, woolProgrammeSpinRpm: 0, tumble: 'none', hardTumble: 'none', iron: 'low', pressCloth: true, watch: 'tarnish, snag' },
  coated: { ...base, name: 'coated cloth', group: 'synthetic', wetStrength: null, maxTemperatureC: 30, hardTemperatureC: 30, action: 'very-mild', hardAction: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 400, tumble: 'none', hardTumble: 'none', iron: 'none', watch: 'the coating cracks' },
  'down-fill': { ...base, name: 'down', group: 'filling', wetStrength: null, maxTemperatureC: 30, hardTemperatureC: 60, action: 'mild', spinRpm: 800, woolProgrammeSpinRpm: 800, tumble: 'low', iron: 'none', protease: false, watch: 'dry right through or it moulds' },
  leather: { ...base, name: 'leather', group: 'hide', wetStrength: null, maxTemperatureC: 20, hardTemperatureC: 20, action: 'none', hardAction: 'none', spinRpm: 0, woolProgrammeSpinRpm: 0, tumble: 'none', hardTumble: 'none', iron: 'none', watch: 'feed or brush; professional' },
  suede: { ...base, name: 'suede', group: 'hide', wetStrength: null, maxTemperatureC: 20, hardTemperatureC: 20, action: 'none', hardAction: 'none', spinRpm: 0, woolProgrammeSpinRpm: 0, tumble: 'none', hardTumble: 'none', iron: 'none', watch: 'feed or brush; professional' },
  unknown: { ...base, name: 'unknown fibre', group: 'unknown', wetStrength: 0.6, maxTemperatureC: 30, hardTemperatureC: 60, action: 'very-mild', spinRpm: 400, woolProgrammeSpinRpm: 400, tumble: 'none', iron: 'low', pressCloth: true, protease: false, significantFromPercent: 1, watch: 'may be wool: delicate agents only' },
} as const satisfies Record<string, FibreFacts>;

export type FibreId = keyof typeof fibres;
export const fibreIds = Object.keys(fibres) as FibreId[];
export const fibreFacts = (id: FibreId): FibreFacts => fibres[id];

/** Words printed on labels that stand for a fibre of the table. */
export const fibreWords: Readonly<Record<string, FibreId>> = {
  rayon: 'viscose', bamboo: 'viscose', nylon: 'polyamide', spandex: 'elastane', merino: 'wool', lambswool: 'wool', 'virgin wool': 'wool',
  camel: 'cashmere', yak: 'cashmere', ramie: 'linen', jute: 'linen', modacrylic: 'acrylic', pu: 'coated', pvc: 'coated', polyurethane: 'coated',
  metallised: 'metallic', feather: 'down-fill', down: 'down-fill', microfibre: 'polyester', poly: 'polyester', superwash: 'wool-superwash',
  cotton: 'cotton', linen: 'linen', hemp: 'hemp', viscose: 'viscose', modal: 'modal', lyocell: 'lyocell', cupro: 'cupro', acetate: 'acetate',
  triacetate: 'triacetate', wool: 'wool', cashmere: 'cashmere', mohair: 'mohair', alpaca: 'alpaca', angora: 'angora', silk: 'silk',
  polyester: 'polyester', polyamide: 'polyamide', acrylic: 'acrylic', elastane: 'elastane', polypropylene: 'polypropylene', leather: 'leather',
  suede: 'suede', metallic: 'metallic', coated: 'coated',
};
