import { describe, expect, test } from '@jest/globals';
import type { Stain } from '../model/garment.ts';
import { garment, only } from '../testing/arbitrary.ts';
import { procedureFor } from '../stain/procedure.ts';
import { nothingLearnt } from '../learn/lesson.ts';
import { careByTheBook, markOutlook, neededAgents } from './marks.ts';
import { untreated } from './play.ts';

const stain = (kind: Stain['kind']): Stain => ({
  id: 's1',
  kind,
  ageHours: 3,
  heatSet: false,
  heat: null,
  tried: [],
  place: '',
  sizeCm: 2,
  failedRounds: 0,
});
const workplace = {
  cupboard: new Set([
    'det-colour-liquid',
    'soap-dish',
    'enzyme-prespotter',
    'oxy-percarbonate',
    'chlorine-bleach',
    'vinegar-white',
  ] as const),
  hardness: 2,
  chlorine: false,
  learnt: nothingLearnt.stains,
};
const white = garment('shirt', {
  colours: [{ hex: '#ffffff', role: 'ground' }],
  dye: 'undyed',
  stains: [stain('blood-fresh')],
});
const look = (kind: Stain['kind'], care: Parameters<typeof markOutlook>[2], g = white, washed = true) =>
  markOutlook(g, stain(kind), care, workplace, washed);

describe('marks in practice', () => {
  test('the book’s treatment reaches the odds of its procedure; nothing done leaves the wash’s share', () => {
    const p = procedureFor(white, stain('cooking-grease'), workplace);
    const book = careByTheBook(stain('cooking-grease'), p);
    expect(neededAgents(p).length).toBeGreaterThan(0);
    expect(look('cooking-grease', book).goneOdds).toBeCloseTo(p.odds, 10);
    expect(look('cooking-grease', untreated).goneOdds).toBeCloseTo(0.4 * p.odds, 10);
    expect(look('cooking-grease', book, white, false).goneOdds).toBeCloseTo(0.6 * p.odds, 10);
  });
  test('blood: cold is right, 40 °C cooks it', () => {
    expect(look('blood-fresh', { water: 'cold', agents: [] }).heated).toBe(false);
    expect(look('blood-fresh', { water: 'warm', agents: [] }).heated).toBe(true);
    expect(look('coffee', { water: 'warm', agents: [] }).heated).toBe(false);
  });
  test('bleach on wool harms; the same on white cotton does not', () => {
    const wool = garment('jumper', { parts: only('wool') });
    expect(look('egg', { water: 'cold', agents: ['chlorine-bleach'] }, wool).harm).toMatchObject({
      never: true,
      odds: 0.6,
    });
    expect(look('egg', { water: 'cold', agents: ['soap-dish'] }).harm).toBeNull();
  });
  test('two agents that give off gas are told, whichever comes first', () => {
    const both = ['chlorine-bleach', 'vinegar-white'] as const;
    expect(look('mildew', { water: 'none', agents: both }).hazard?.id).toBe('haz-chlorine');
    expect(look('mildew', { water: 'none', agents: [...both].reverse() }).hazard?.id).toBe('haz-chlorine');
    expect(look('mildew', { water: 'none', agents: ['soap-dish', 'vinegar-white'] }).hazard).toBeNull();
  });
});
