/** Everything about a piece that sorting asks for again and again, computed once. */
import {
  garmentEnvelope,
  hasFuel,
  isDelicate,
  isDenim,
  isFragile,
  isKnit,
  isTowel,
  type PieceEnvelope,
} from '../envelope/garment-envelope.ts';
import { envelopeOf, type BoundSource, type EnvelopeValues } from '../envelope/envelope.ts';
import { hasSignificant, isProtein, isWool, mainParts, physicalShares, significantFibres } from '../fibre/blend.ts';
import type { PhysicalFibreId } from '../fibre/physical.ts';
import { kindFacts, type Use } from '../garment/kinds.ts';
import type { FibreId } from '../fibre/fibres.ts';
import type { ColourClass } from '../colour/colour.ts';
import { dryMassG } from '../garment/mass.ts';
import { traitFacts, type TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { HouseRules, ProgrammeFamily } from '../model/household.ts';
import type { BathCare, Build } from '../washing/basin.ts';
import { netVolumeFactor } from '../washing/drum.ts';
import { wearUnitsOf } from './verdict.ts';
import { cleaningNeed, heatNeed, wearFactor, waitUrgency } from './demand.ts';

/** Terms that count every piece count six at most. */
const mostCounted = 6;

export type Contamination = 'none' | 'fuel' | 'hygiene';
export type PieceFamily = Extract<ProgrammeFamily, 'cotton' | 'synthetics' | 'delicate' | 'wool'>;

export interface Profile extends PieceEnvelope {
  garment: Garment;
  values: EnvelopeValues;
  massKg: number;
  /** Loose drum volume, net bag included. */
  volumeL: number;
  fibre: ReadonlyMap<PhysicalFibreId, number>;
  family: PieceFamily;
  isWool: boolean;
  isSilk: boolean;
  isShirt: boolean;
  isSport: boolean;
  noAgitator: boolean;
  rawIndigo: boolean;
  bathCare: BathCare;
  build: Build;
  contamination: Contamination;
  lintGiver: boolean;
  lintCollector: boolean;
  /** Cotton terry, and synthetic towels and floor cloths, which collect from all of it. */
  terry: boolean;
  collectsTerry: boolean;
  /** Cleaning need 0–1. */
  need: number;
  /** Wear of the cloth per reference action, before programme and temperature. */
  wearFactor: number;
  coloured: boolean;
  urgency: number;
  /** Weight of the entry in terms that count every piece: its count, six at most. */
  pieces: number;
  /** Wool, hair, or a fibre nobody knows, which may be wool. */
  woolLike: boolean;
  /** Wraps and beats what is delicate in a drum: sheets, towels, jeans, heavy pieces. */
  bulk: boolean;
  /** Suffers from bulk in a drum. */
  bulkSuffers: boolean;
  /** May fill a wool load: soft, light, without hard parts or lint. */
  softDelicate: boolean;
  /** White, or undyed and pale: brightens with a universal detergent and greys among darks. */
  whiteLike: boolean;
  /** Its ground is white or light. */
  pale: boolean;
  /** What it gives of grey to pale cloth, as a share of its mass; 0 = nothing. */
  greyShare: number;
  /** Dark, black or red, washed too seldom to be trusted beside pale cloth. */
  darkUntrusted: boolean;
  /** Cotton whose spin is limited by looks alone: it bears more than its kind should get. */
  robustCotton: boolean;
  /** How much a wash below 60 °C leaves undone in linen, 0–1. */
  heatNeed: number;
}

const hasTrait = (g: Garment, ...ids: TraitId[]): boolean => ids.some((id) => g.traits.has(id));

function familyOf(g: Garment): PieceFamily {
  if (hasSignificant(g.parts, isWool)) return 'wool';
  if (isDelicate(g)) return 'delicate';
  const synthetic = mainParts(g.parts).some((p) =>
    p.fibres.some(
      (f) =>
        ['polyester', 'polyamide', 'acrylic', 'polypropylene', 'coated', 'elastane'].includes(f.fibre) &&
        f.percent >= 20,
    ),
  );
  return synthetic ? 'synthetics' : 'cotton';
}

function buildOf(g: Garment): Build {
  if (hasTrait(g, 'down', 'padded', 'quilted') || kindFacts(g.kind).physicalFibre === 'down') return 'padded';
  if (hasTrait(g, 'fleece')) return 'fleece';
  if (isTowel(g) || hasTrait(g, 'terry')) return 'terry';
  return isKnit(g) ? 'knit' : 'woven';
}

/** Spin that cotton bears, and the limit that only spares it creases, rpm. */
const cottonSpinRpm = 1400;
const creaseSpinRpm = 800;
/** Cotton without anything that a spin could harm: only creases speak for a slow one. */
function isRobustCotton(p: PieceEnvelope, family: PieceFamily, build: Build): boolean {
  const spins = (construction: boolean): number[] =>
    p.envelope.bounds.flatMap((b) =>
      b.parameter === 'maxSpinRpm' && (b.source === 'construction') === construction ? [b.limit] : [],
    );
  return (
    family === 'cotton' &&
    build !== 'padded' &&
    spins(false).every((rpm) => rpm >= cottonSpinRpm) &&
    spins(true).every((rpm) => rpm >= creaseSpinRpm)
  );
}

/** One piece over this mass is bulk, whatever it is, kg. */
const bulkFromKg = 0.6;
const bulkUses: readonly Use[] = ['towel', 'bed', 'floor'];
function isBulk(g: Garment, pieceKg: number): boolean {
  const kind = kindFacts(g.kind);
  return (bulkUses.includes(kind.use) && !kind.flags.has('small')) || isDenim(g) || pieceKg > bulkFromKg;
}
const suffersFromBulk = (g: Garment): boolean =>
  hasSignificant(g.parts, (f) => isProtein(f) || f === 'unknown') ||
  hasTrait(g, 'lace', 'tulle', 'mesh', 'beads') ||
  kindFacts(g.kind).wearGroup === 'bra' ||
  g.kind === 'tights';

const softFibres: readonly FibreId[] = ['viscose', 'modal', 'lyocell', 'silk'];
/** A soft delicate that fills a wool load weighs at most this, kg. */
const softMostKg = 0.35;
function isSoftDelicate(g: Garment, family: PieceFamily, pieceKg: number, lintGiver: boolean): boolean {
  const stretchJersey =
    hasTrait(g, 'jersey-knit') && g.parts.some((p) => p.fibres.some((f) => f.fibre === 'elastane' && f.percent > 0));
  const soft = family === 'delicate' || hasSignificant(g.parts, (f) => softFibres.includes(f)) || stretchJersey;
  return soft && pieceKg <= softMostKg && !hasTrait(g, 'zip', 'studs', 'hard-buckle') && !lintGiver;
}

/** Washes after which a dark gives less grey, and after which it is trusted beside pale cloth. */
const greysLessFrom = 30;
const greyShareLater = 0.75;
const trustedFromWashes = 15;
/** A red that nobody has tested is trusted later still. */
const redTrustedFromWashes = 30;
const strongClasses: readonly ColourClass[] = ['dark', 'black'];

const waivable: readonly BoundSource[] = ['label', 'assumed', 'rule'];
function withoutLabel(p: PieceEnvelope): PieceEnvelope {
  if (p.closure?.kind === 'hide') return p;
  const bounds = p.envelope.bounds.filter(
    (b) => !waivable.includes(b.source) && !(b.parameter === 'wet' && b.limit === 'none'),
  );
  return { ...p, envelope: envelopeOf(bounds), closure: null, labelOverruled: true };
}

/** `pastLabel` = a confirmed decision sets the label, assumptions and house rules aside; what fibre and construction bear still holds. */
export function profileOf(g: Garment, rules: HouseRules, pastLabel = false): Profile {
  const piece = pastLabel ? withoutLabel(garmentEnvelope(g, rules)) : garmentEnvelope(g, rules);
  const { values } = piece.envelope;
  const massKg = dryMassG(g) / 1000;
  const netted = values.flags.has('net') || values.flags.has('net-no-metal');
  const wool = hasSignificant(g.parts, isWool);
  const silk = hasSignificant(g.parts, (f) => f === 'silk');
  const colour = piece.history.colour;
  const synthetic = mainParts(g.parts).some((p) =>
    significantFibres(p.fibres).some((s) => ['polyester', 'polyamide', 'acrylic', 'elastane'].includes(s.fibre)),
  );
  const pieceKg = massKg / g.count;
  const family = familyOf(g);
  const build = buildOf(g);
  const terry = hasTrait(g, 'terry') || isTowel(g);
  // Synthetic towels and floor cloths collect from all terry; what is cotton terry itself gives and does not collect.
  const syntheticCloth = synthetic && (terry || g.use === 'floor');
  const lintGiver = hasTrait(g, 'fleece') || (terry && !syntheticCloth && g.washCount < 5);
  const pale = colour.class === 'white' || colour.class === 'light';
  const greyGiver = !pale || colour.red;
  const coloured = colour.class !== 'white';
  return {
    ...piece,
    garment: g,
    values,
    massKg,
    volumeL: massKg * kindFacts(g.kind).looseVolumeLPerKg * (netted ? netVolumeFactor : 1),
    fibre: physicalShares(g.parts),
    family,
    isWool: wool,
    isSilk: silk,
    isShirt: kindFacts(g.kind).wearGroup === 'shirt',
    isSport: kindFacts(g.kind).wearGroup === 'sportswear' || hasTrait(g, 'wicking'),
    noAgitator: hasSignificant(g.parts, isProtein) || isFragile(g) || hasTrait(g, 'lined'),
    rawIndigo: hasTrait(g, 'denim-raw'),
    bathCare: silk ? 'silk' : wool ? 'wool' : isDelicate(g) ? 'delicate' : 'normal',
    build,
    contamination: hasFuel(g) ? 'fuel' : g.hygiene ? 'hygiene' : 'none',
    lintGiver,
    terry: terry && !syntheticCloth,
    collectsTerry: syntheticCloth,
    lintCollector:
      !lintGiver &&
      ((['dark', 'black'].includes(colour.class) && synthetic) ||
        [...g.traits].some((t) => traitFacts(t).lint === 'collector')),
    need: cleaningNeed(g),
    wearFactor: wearFactor(g, colour, values.flags.has('inside-out')),
    coloured,
    urgency: waitUrgency(g, colour, wearUnitsOf(g)),
    pieces: Math.min(g.count, mostCounted),
    woolLike: wool || hasSignificant(g.parts, (f) => f === 'unknown'),
    bulk: isBulk(g, pieceKg),
    bulkSuffers: suffersFromBulk(g),
    softDelicate: isSoftDelicate(g, family, pieceKg, lintGiver),
    whiteLike: colour.class === 'white' || (g.dye === 'undyed' && pale),
    pale,
    greyShare: greyGiver ? (g.washCount >= greysLessFrom ? greyShareLater : 1) : 0,
    darkUntrusted:
      (strongClasses.includes(colour.class) || colour.red) &&
      g.washCount < (colour.red && piece.history.clearReadings === 0 ? redTrustedFromWashes : trustedFromWashes) &&
      !piece.history.earned,
    robustCotton: isRobustCotton(piece, family, build),
    heatNeed: heatNeed(g, values.maxTemperatureC, colour),
  };
}

export { isDenim, isTowel, isKnit };
