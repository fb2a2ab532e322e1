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
import { kindFacts } from '../garment/kinds.ts';
import { dryMassG } from '../garment/mass.ts';
import { traitFacts, type TraitId } from '../construction/traits.ts';
import type { Garment } from '../model/garment.ts';
import type { HouseRules, ProgrammeFamily } from '../model/household.ts';
import type { BathCare, Build } from '../washing/basin.ts';
import { netVolumeFactor } from '../washing/drum.ts';
import { cleaningNeed, wearFactor, waitUrgency } from './demand.ts';

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
  /** Cleaning need 0–1. */
  need: number;
  /** Wear of the cloth per reference action, before programme and temperature. */
  wearFactor: number;
  coloured: boolean;
  urgency: number;
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
  const lintGiver = hasTrait(g, 'fleece') || ((hasTrait(g, 'terry') || isTowel(g)) && g.washCount < 5);
  const coloured = !['white'].includes(colour.class);
  return {
    ...piece,
    garment: g,
    values,
    massKg,
    volumeL: massKg * kindFacts(g.kind).looseVolumeLPerKg * (netted ? netVolumeFactor : 1),
    fibre: physicalShares(g.parts),
    family: familyOf(g),
    isWool: wool,
    isSilk: silk,
    isShirt: kindFacts(g.kind).wearGroup === 'shirt',
    isSport: kindFacts(g.kind).wearGroup === 'sportswear' || hasTrait(g, 'wicking'),
    noAgitator: hasSignificant(g.parts, isProtein) || isFragile(g) || hasTrait(g, 'lined'),
    rawIndigo: hasTrait(g, 'denim-raw'),
    bathCare: silk ? 'silk' : wool ? 'wool' : isDelicate(g) ? 'delicate' : 'normal',
    build: buildOf(g),
    contamination: hasFuel(g) ? 'fuel' : g.hygiene ? 'hygiene' : 'none',
    lintGiver,
    lintCollector:
      !lintGiver &&
      ((['dark', 'black'].includes(colour.class) && synthetic) ||
        [...g.traits].some((t) => traitFacts(t).lint === 'collector')),
    need: cleaningNeed(g),
    wearFactor: wearFactor(g, colour, values.flags.has('inside-out')),
    coloured,
    urgency: waitUrgency(g, colour),
  };
}

export { isDenim, isTowel, isKnit };
