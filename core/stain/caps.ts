/**
 * What each fibre bears of spot work and soaking: caps of temperature and time, brush, actions, rounds. A garment takes the strictest row among its
 * fibres and trims. Temperatures are of liquids; freezing and ironing have their own ranges.
 */
import type { MatrixColumn } from '../chemistry/agent-fibre.ts';
import type { Cloth } from '../chemistry/cloth.ts';
import type { ActionId } from './actions.ts';

export const handlingIds = [
  'weak-cloth',
  'inside-out',
  'weak-when-wet',
  'no-wringing',
  'same-temperature',
  'barely-damp',
  'oil-needs-dish-liquid',
  'takes-loose-dye',
  'stretches-warm',
  'no-solvent',
  'whole-panel',
  'shell-only',
  'dry-only',
  'test-first',
  'may-lighten',
  'from-the-back',
  'pile-crushes',
] as const;
export type HandlingId = (typeof handlingIds)[number];

export interface SpotCaps {
  spotMaxC: number;
  soakMaxC: number;
  soakMaxMin: number;
  brush: 'soft' | 'dry' | 'none';
  /** Working actions it bears beside blotting, dabbing, flushing and the dry ones. */
  actions: readonly ActionId[];
  /** Complete passes through the steps of a stain. */
  rounds: number;
  /** What to mind with such cloth, strictest row first. */
  handling: readonly HandlingId[];
}
const working: readonly ActionId[] = [
  'work-fingers',
  'work-soft-brush',
  'spray-rest',
  'paste-rest',
  'soak',
  'rinse-bath',
  'iron-through-paper',
  'sun-dry',
  'mist-even',
];
const allBut = (...out: ActionId[]): readonly ActionId[] => working.filter((a) => !out.includes(a));
const bath: readonly ActionId[] = ['soak', 'rinse-bath'];

const cellulose: SpotCaps = {
  spotMaxC: 60,
  soakMaxC: 60,
  soakMaxMin: 480,
  brush: 'soft',
  actions: working,
  rounds: 3,
  handling: ['weak-cloth'],
};
const dyedCellulose: SpotCaps = {
  spotMaxC: 40,
  soakMaxC: 50,
  soakMaxMin: 120,
  brush: 'soft',
  actions: allBut('sun-dry'),
  rounds: 3,
  handling: ['inside-out'],
};
const regenerated: SpotCaps = {
  spotMaxC: 30,
  soakMaxC: 40,
  soakMaxMin: 30,
  brush: 'none',
  actions: ['work-fingers', 'iron-through-paper', ...bath],
  rounds: 2,
  handling: ['weak-when-wet'],
};
const acetates: SpotCaps = {
  spotMaxC: 30,
  soakMaxC: 30,
  soakMaxMin: 15,
  brush: 'none',
  actions: ['spray-rest', ...bath],
  rounds: 1,
  handling: ['no-wringing'],
};
const wool: SpotCaps = {
  spotMaxC: 30,
  soakMaxC: 30,
  soakMaxMin: 20,
  brush: 'dry',
  actions: ['spray-rest', 'iron-through-paper', 'mist-even', ...bath],
  rounds: 2,
  handling: ['same-temperature'],
};
const hide: SpotCaps = {
  spotMaxC: 0,
  soakMaxC: 0,
  soakMaxMin: 0,
  brush: 'none',
  actions: [],
  rounds: 1,
  handling: ['barely-damp'],
};

export const spotCaps: Record<Exclude<MatrixColumn, 'undyed' | 'dyed' | 'elastic-trim' | 'metal-trim'>, SpotCaps> = {
  cotton: cellulose,
  linen: cellulose,
  hemp: cellulose,
  viscose: regenerated,
  'modal-lyocell': regenerated,
  acetate: acetates,
  triacetate: acetates,
  polyester: {
    spotMaxC: 40,
    soakMaxC: 50,
    soakMaxMin: 240,
    brush: 'soft',
    actions: allBut('iron-through-paper'),
    rounds: 3,
    handling: ['oil-needs-dish-liquid'],
  },
  nylon: {
    spotMaxC: 40,
    soakMaxC: 40,
    soakMaxMin: 120,
    brush: 'soft',
    actions: allBut('iron-through-paper', 'sun-dry'),
    rounds: 2,
    handling: ['takes-loose-dye'],
  },
  acrylic: {
    spotMaxC: 40,
    soakMaxC: 40,
    soakMaxMin: 60,
    brush: 'soft',
    actions: allBut('iron-through-paper', 'sun-dry'),
    rounds: 2,
    handling: ['stretches-warm'],
  },
  elastane: {
    spotMaxC: 35,
    soakMaxC: 40,
    soakMaxMin: 30,
    brush: 'soft',
    actions: allBut('iron-through-paper', 'sun-dry'),
    rounds: 2,
    handling: ['no-solvent'],
  },
  wool,
  cashmere: wool,
  'mohair-alpaca-angora': wool,
  silk: {
    spotMaxC: 30,
    soakMaxC: 30,
    soakMaxMin: 10,
    brush: 'none',
    actions: ['spray-rest', 'mist-even', ...bath],
    rounds: 1,
    handling: ['whole-panel'],
  },
  down: {
    spotMaxC: 30,
    soakMaxC: 30,
    soakMaxMin: 30,
    brush: 'none',
    actions: [],
    rounds: 1,
    handling: ['shell-only'],
  },
  leather: hide,
  suede: { ...hide, brush: 'dry', handling: ['dry-only'] },
  'metallic-thread': {
    spotMaxC: 25,
    soakMaxC: 25,
    soakMaxMin: 10,
    brush: 'none',
    actions: [],
    rounds: 1,
    handling: ['test-first'],
  },
  'raw-indigo': {
    spotMaxC: 25,
    soakMaxC: 30,
    soakMaxMin: 20,
    brush: 'none',
    actions: bath,
    rounds: 1,
    handling: ['may-lighten'],
  },
  print: {
    spotMaxC: 30,
    soakMaxC: 40,
    soakMaxMin: 30,
    brush: 'none',
    actions: bath,
    rounds: 2,
    handling: ['from-the-back'],
  },
};
const pile: SpotCaps = {
  spotMaxC: 25,
  soakMaxC: 0,
  soakMaxMin: 0,
  brush: 'dry',
  actions: ['mist-even'],
  rounds: 1,
  handling: ['pile-crushes'],
};
const brushes = ['soft', 'dry', 'none'] as const;

const meet = (a: SpotCaps, b: SpotCaps): SpotCaps => ({
  spotMaxC: Math.min(a.spotMaxC, b.spotMaxC),
  soakMaxC: Math.min(a.soakMaxC, b.soakMaxC),
  soakMaxMin: Math.min(a.soakMaxMin, b.soakMaxMin),
  brush: brushes[Math.max(brushes.indexOf(a.brush), brushes.indexOf(b.brush))] ?? 'none',
  actions: a.actions.filter((x) => b.actions.includes(x)),
  rounds: Math.min(a.rounds, b.rounds),
  handling: [...new Set([...a.handling, ...b.handling])],
});

/** The strictest row of a piece, its label included. */
export function capsOf(cloth: Cloth): SpotCaps {
  const rows = [...cloth.columns].flatMap((c): SpotCaps[] => {
    if (c === 'undyed' || c === 'dyed' || c === 'elastic-trim' || c === 'metal-trim') return [];
    return [spotCaps[c] === cellulose && cloth.columns.has('dyed') ? dyedCellulose : spotCaps[c]];
  });
  if (cloth.pile) rows.push(pile);
  const met = rows.reduce(meet, rows[0] ?? cellulose);
  const label = cloth.labelMaxC ?? Infinity;
  return { ...met, spotMaxC: Math.min(met.spotMaxC, label), soakMaxC: Math.min(met.soakMaxC, label) };
}
