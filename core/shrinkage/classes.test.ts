/** Which shrinkage row a piece belongs to, and how a programme's movement is felt. */
import { describe, expect, test } from '@jest/globals';
import type { FibreId } from '../fibre/fibres.ts';
import type { Garment } from '../model/garment.ts';
import type { Programme } from '../model/household.ts';
import type { TraitId } from '../construction/traits.ts';
import { garment, household, only } from '../testing/arbitrary.ts';
import { agitationOf } from './agitation.ts';
import { shrinkClassOf } from './classes.ts';
import { shrinkClasses } from './shrinkage.ts';

const traits = (...ids: TraitId[]): ReadonlySet<TraitId> => new Set(ids);
const blend = (...shares: [FibreId, number][]): Garment['parts'] => [
  { role: 'shell', fibres: shares.map(([fibre, percent]) => ({ fibre, percent })) },
];
const woven = { kind: 'dress_shirt' as const, traits: traits('woven') };
const jersey = { kind: 'tshirt' as const, traits: traits('jersey-knit') };
const classOf = (change: Partial<Garment>): string => shrinkClassOf(garment('g', change));

describe('shrinkage by cloth', () => {
  test.each<[string, Partial<Garment>, keyof typeof shrinkClasses]>([
    ['cashmere', { ...jersey, parts: only('cashmere') }, 'cashmere-knit'],
    ['cashmere before wool', { ...jersey, parts: blend(['wool', 60], ['cashmere', 40]) }, 'cashmere-knit'],
    ['mohair', { ...jersey, parts: only('mohair') }, 'mohair-alpaca-knit'],
    ['alpaca', { ...jersey, parts: only('alpaca') }, 'mohair-alpaca-knit'],
    ['angora before wool', { ...jersey, parts: blend(['wool', 70], ['angora', 30]) }, 'mohair-alpaca-knit'],
    ['knitted wool', { ...jersey, parts: only('wool') }, 'wool-knit'],
    ['woven wool', { ...woven, parts: only('wool') }, 'wool-woven'],
    ['superwash wool', { ...jersey, parts: only('wool-superwash') }, 'wool-superwash'],
    ['silk', { ...woven, parts: only('silk') }, 'silk-woven'],
    ['raw denim', { kind: 'jeans', traits: traits('denim-raw'), parts: only('cotton') }, 'denim-raw'],
    ['denim', { kind: 'jeans', traits: traits('denim'), parts: only('cotton') }, 'denim-sanforized'],
    ['a towel', { kind: 'bath_towel', traits: traits(), parts: only('cotton') }, 'terry'],
    ['terry that is no towel', { kind: 'bathrobe', traits: traits('terry'), parts: only('cotton') }, 'terry'],
    ['linen', { ...woven, parts: only('linen') }, 'linen'],
    ['hemp', { ...woven, parts: only('hemp') }, 'linen'],
    ['knitted viscose', { ...jersey, parts: only('viscose') }, 'viscose-knit'],
    ['woven viscose', { ...woven, parts: only('viscose') }, 'viscose-woven'],
    ['modal', { ...jersey, parts: only('modal') }, 'viscose-knit'],
    ['lyocell', { ...woven, parts: only('lyocell') }, 'viscose-woven'],
    ['cupro', { ...woven, parts: only('cupro') }, 'viscose-woven'],
    ['acetate', { ...woven, parts: only('acetate') }, 'viscose-woven'],
    ['triacetate', { ...woven, parts: only('triacetate') }, 'viscose-woven'],
    ['a fifth of polyester', { ...woven, parts: blend(['cotton', 80], ['polyester', 20]) }, 'polycotton'],
    ['a fifth of cotton', { ...woven, parts: blend(['cotton', 20], ['polyester', 80]) }, 'polycotton'],
    ['less than a fifth', { ...woven, parts: blend(['cotton', 81], ['polyester', 19]) }, 'cotton-woven-sanforized'],
    ['less cotton than a fifth', { ...woven, parts: blend(['cotton', 19], ['polyester', 81]) }, 'polyester'],
    ['cotton jersey', { ...jersey, parts: only('cotton') }, 'cotton-jersey-preshrunk'],
    ['woven cotton', { ...woven, parts: only('cotton') }, 'cotton-woven-sanforized'],
    ['half cotton', { ...jersey, parts: blend(['cotton', 50], ['acrylic', 50]) }, 'cotton-jersey-preshrunk'],
    ['less than half', { ...jersey, parts: blend(['cotton', 49], ['acrylic', 51]) }, 'acrylic-knit'],
    ['polyamide', { ...jersey, parts: only('polyamide') }, 'nylon'],
    ['polyamide and elastane', { ...jersey, parts: blend(['polyamide', 80], ['elastane', 20]) }, 'nylon'],
    ['polyester', { ...jersey, parts: only('polyester') }, 'polyester'],
  ])('%s', (_, change, expected) => expect(classOf(change)).toBe(expected));
});

test('a programme is felt by its movement; a wool programme has its own', () => {
  const some = household.washers[0]!.programmes[0]!;
  const felt = (change: Partial<Programme>): string => agitationOf({ ...some, family: 'cotton', ...change });
  expect((['normal', 'mild', 'very-mild', 'hand', 'none'] as const).map((action) => felt({ action }))).toEqual([
    'cotton',
    'synthetics',
    'delicate',
    'hand-wash',
    'hand-wash',
  ]);
  expect(felt({ family: 'wool', action: 'normal' })).toBe('wool-programme');
});
