/** What an agent meets on a piece: fibres, dye, print, trims and finishes as columns of the agent matrix, and what is known of the colour and the label. */
import { kindFacts } from '../garment/kinds.ts';
import { colourHistory } from '../colour/bleed.ts';
import type { TraitId } from '../construction/traits.ts';
import type { FibreId } from '../fibre/fibres.ts';
import type { ColourTest, Garment } from '../model/garment.ts';
import type { AgentId } from './agents.ts';
import type { Finish, MatrixColumn } from './agent-fibre.ts';

/** How the colour has behaved in water so far. */
export type Fastness = 'undyed' | 'fast' | 'unknown' | 'trace' | 'strong';

export interface Cloth {
  columns: ReadonlySet<MatrixColumn>;
  finishes: ReadonlySet<Finish>;
  fibres: ReadonlySet<FibreId>;
  fastness: Fastness;
  /** Undyed and without print. */
  plainWhite: boolean;
  pile: boolean;
  /** It is there to take up water: towels, terry, sportswear that wicks. A film of softener stops that. */
  absorbs: boolean;
  /** The label's bleach symbol; null = not readable. */
  labelBleach: 'any' | 'oxygen' | 'none' | null;
  /** Highest wash temperature of the label; null = not stated. */
  labelMaxC: number | null;
  tests: readonly ColourTest[];
}

const column: Record<FibreId, readonly MatrixColumn[]> = {
  cotton: ['cotton'],
  linen: ['linen'],
  hemp: ['hemp'],
  viscose: ['viscose'],
  modal: ['modal-lyocell'],
  lyocell: ['modal-lyocell'],
  cupro: ['viscose', 'acetate'],
  acetate: ['acetate'],
  triacetate: ['triacetate'],
  wool: ['wool'],
  'wool-superwash': ['wool'],
  cashmere: ['cashmere'],
  mohair: ['mohair-alpaca-angora'],
  alpaca: ['mohair-alpaca-angora'],
  angora: ['mohair-alpaca-angora'],
  silk: ['silk'],
  polyester: ['polyester'],
  polyamide: ['nylon'],
  acrylic: ['acrylic'],
  elastane: ['elastane'],
  polypropylene: ['polyester'],
  metallic: ['metallic-thread'],
  coated: ['elastane'],
  'down-fill': ['down'],
  leather: ['leather'],
  suede: ['suede'],
  unknown: [
    'cotton',
    'linen',
    'hemp',
    'viscose',
    'modal-lyocell',
    'acetate',
    'triacetate',
    'polyester',
    'nylon',
    'acrylic',
    'elastane',
    'wool',
    'cashmere',
    'mohair-alpaca-angora',
    'silk',
    'metallic-thread',
  ],
};
/** A fibre counts for agents from this share, percent; stricter than for programmes. */
const fromPercent = (f: FibreId): number => (f === 'elastane' || f === 'unknown' ? 1 : 5);

const traitColumn: Partial<Record<TraitId, MatrixColumn>> = {
  elastic: 'elastic-trim',
  zip: 'metal-trim',
  'hard-buckle': 'metal-trim',
  studs: 'metal-trim',
  hooks: 'metal-trim',
  underwire: 'metal-trim',
  print: 'print',
  'transfer-print': 'print',
  flock: 'print',
  'denim-raw': 'raw-indigo',
};
const traitFinish: Partial<Record<TraitId, Finish>> = {
  waterproof: 'water-repellent',
  membrane: 'water-repellent',
  sequins: 'beaded-glued',
  beads: 'beaded-glued',
  glued: 'beaded-glued',
  'flame-resistant': 'flame-resistant',
  'rubber-backed': 'rubber-backed',
};
const pileTraits: readonly TraitId[] = ['velvet', 'velveteen', 'pile'];

export type ClothInput = Pick<
  Garment,
  'kind' | 'parts' | 'traits' | 'colours' | 'dye' | 'label' | 'tests' | 'washCount'
>;

export function fastnessOf(g: Pick<Garment, 'colours' | 'dye' | 'washCount' | 'tests'>): Fastness {
  const h = colourHistory(g);
  if (h.dye === null) return 'undyed';
  if (h.noWater) return 'strong';
  if (h.knownBleeder) return 'trace';
  return h.newest === 'clear' || g.washCount >= 3 ? 'fast' : 'unknown';
}

export function clothOf(g: ClothInput): Cloth {
  const fibres = new Set(
    g.parts.flatMap((p) => p.fibres.filter((f) => f.percent >= fromPercent(f.fibre)).map((f) => f.fibre)),
  );
  if (fibres.size === 0) fibres.add(g.parts[0]?.fibres[0]?.fibre ?? 'unknown');
  const columns = new Set([...fibres].flatMap((f) => column[f]));
  const fastness = fastnessOf(g);
  columns.add(fastness === 'undyed' ? 'undyed' : 'dyed');
  for (const t of g.traits) {
    const c = traitColumn[t];
    if (c) columns.add(c);
  }
  if (g.colours.some((c) => c.role === 'print')) columns.add('print');
  return {
    columns,
    fibres,
    fastness,
    plainWhite: fastness === 'undyed' && !columns.has('print') && !columns.has('raw-indigo'),
    pile: pileTraits.some((t) => g.traits.has(t)),
    absorbs: kindFacts(g.kind).use === 'towel' || g.traits.has('terry') || g.traits.has('wicking'),
    finishes: new Set([...g.traits].flatMap((t) => traitFinish[t] ?? [])),
    labelBleach: g.label?.bleach ?? null,
    labelMaxC: g.label?.wash && g.label.wash.by !== 'none' ? (g.label.wash.maxC ?? null) : null,
    tests: g.tests,
  };
}

export const proteinColumns: readonly MatrixColumn[] = ['wool', 'cashmere', 'mohair-alpaca-angora', 'silk'];
export const acetateColumns: readonly MatrixColumn[] = ['acetate', 'triacetate'];
export const hideColumns: readonly MatrixColumn[] = ['leather', 'suede'];
export const celluloseColumns: readonly MatrixColumn[] = ['cotton', 'linen', 'hemp'];
export const hasAny = (cloth: Cloth, columns: readonly MatrixColumn[]): boolean =>
  columns.some((c) => cloth.columns.has(c));

/** What the tests say of one agent: the newest decides; null = never tested with it. */
export function testedWith(cloth: Cloth, agent: AgentId): 'passed' | 'failed' | null {
  const newest = cloth.tests
    .filter((t) => t.agent === agent)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
    .at(-1);
  return newest === undefined ? null : testPassed(newest.grade) ? 'passed' : 'failed';
}
/** A reading that lets the agent be used. */
export const testPassed = (grade: number): boolean => grade >= 4;
