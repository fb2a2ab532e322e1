import { describe, expect, test } from '@jest/globals';
import { placesOf } from './measures.ts';
import { garmentKinds, kindFacts, type GarmentKind } from './kinds.ts';

describe('the table of kinds', () => {
  test.each<[GarmentKind, 'fold' | 'hang']>([
    ['swimsuit', 'fold'],
    ['petticoat', 'fold'],
    ['baby_bodysuit', 'fold'],
    ['sweatshirt', 'fold'],
    ['leather_jacket', 'hang'],
    ['down_jacket', 'hang'],
    ['suit_jacket', 'hang'],
    ['dress_shirt', 'hang'],
  ])('a %s is put away: %s', (kind, store) => expect(kindFacts(kind).store).toBe(store));
  test('pockets belong to what has some: not to a petticoat or a tablecloth', () => {
    for (const kind of ['petticoat', 'tablecloth', 'tshirt', 'bra'] as const)
      expect(kindFacts(kind).flags.has('pockets')).toBe(false);
    for (const kind of ['coat', 'jeans', 'work_overall', 'cardigan'] as const)
      expect(kindFacts(kind).flags.has('pockets')).toBe(true);
  });
  test('what is measured follows the cut', () => {
    expect(placesOf('jeans')).toContain('knee');
    expect(placesOf('sport_shorts')).not.toContain('knee');
    expect(placesOf('petticoat')).toEqual(['waist', 'body-length']);
    expect(placesOf('swimsuit')).not.toContain('sleeve');
    expect(placesOf('bra')).toEqual([]);
  });
  test('every kind has a length in the hand, and what is pressed by habit has its minutes', () => {
    for (const kind of garmentKinds) {
      const facts = kindFacts(kind);
      expect(facts.usualLengthCm).toBeGreaterThanOrEqual(28);
      expect(facts.usualLengthCm).toBeLessThanOrEqual(220);
      if (facts.flags.has('pressed')) expect(facts.ironMin).toBeGreaterThan(0);
      if (facts.flags.has('towel')) expect(facts.physicalFibre).toBe('terry');
    }
  });
});
