/** What a session with chemicals shows: each trigger on both sides, and one set of protection for all of it. */
import { describe, expect, test } from '@jest/globals';
import { precautionsFor, type Session } from './precautions.ts';

const session = (change: Partial<Session>): Session => ({ agents: ['water'], stains: [], hottestC: 30, ...change });
const lines = (change: Partial<Session>) => precautionsFor(session(change)).lines;
const ppe = (...agents: Session['agents']) => precautionsFor(session({ agents })).ppe;

describe('lines', () => {
  test('nothing but the label for water', () => expect(lines({})).toEqual(['label-first']));
  test.each<[string, Partial<Session>, Partial<Session>, string]>([
    ['scalding from above 45 °C', { hottestC: 45.5 }, { hottestC: 45 }, 'scald'],
    ['lifting from above 10 kg', { bulkSoakKg: 10.1 }, { bulkSoakKg: 10 }, 'lift'],
    ['a tub wherever one stands', { bulkSoakKg: 0 }, {}, 'tub-child'],
    ['mixing from two agents on', { agents: ['vinegar-white', 'soap-bar'] }, { agents: ['soap-bar'] }, 'no-mix'],
    ['what comes from a body', { stains: ['urine'] }, { stains: ['tea'] }, 'biological'],
    ['blood', { stains: ['blood-dried'] }, { stains: ['coffee'] }, 'biological'],
    ['mould', { stains: ['mildew'] }, { stains: ['tea'] }, 'mould'],
    ['oily rags by the mark', { stains: ['engine-oil'] }, { stains: ['tea'] }, 'oily-rags'],
    ['oily rags by the agent', { agents: ['soft-fat'] }, { agents: ['glycerine'] }, 'oily-rags'],
    ['gloves by the agent', { agents: ['enzyme-prespotter'] }, { agents: ['soap-bar'] }, 'gloves'],
    ['eyes', { agents: ['citric-acid'] }, { agents: ['lemon-juice'] }, 'eyes'],
    ['fresh air', { agents: ['ammonia'] }, { agents: ['washing-soda'] }, 'ventilate'],
    ['fire', { agents: ['acetone'] }, { agents: ['ammonia'] }, 'flame'],
    ['chlorine by itself', { agents: ['chlorine-bleach'] }, { agents: ['oxy-percarbonate'] }, 'bleach-alone'],
    ['peroxide on skin', { agents: ['peroxide-3'] }, { agents: ['borax'] }, 'peroxide-skin'],
    ['rust remover', { agents: ['rust-remover'] }, { agents: ['citric-acid'] }, 'rust-remover'],
  ])('%s', (_, on, off, line) => {
    expect(lines(on)).toContain(line);
    expect(lines(off)).not.toContain(line);
  });
  test('five at most, the worst first', () => {
    const all = lines({ agents: ['chlorine-bleach', 'acetone'], stains: ['fuel-diesel', 'urine'], hottestC: 60 });
    expect(all).toEqual(['bleach-gas', 'bleach-alone', 'fuel-cloth', 'fuel-body', 'flame']);
  });
});

describe('protection', () => {
  test.each<[Session['agents'], string]>([
    [['water'], 'ppe-none'],
    [['absorbent-powder'], 'ppe-mask'],
    [['absorbent-powder', 'lemon-juice'], 'ppe-gloves'],
    [['lemon-juice', 'citric-acid'], 'ppe-gloves-eye'],
    [['citric-acid', 'lemon-juice', 'water'], 'ppe-gloves-eye'],
    [['acetone'], 'ppe-gloves-vent'],
    [['acetone', 'lemon-juice'], 'ppe-gloves-vent'],
    // Eyes for the one, air for the other: both.
    [['acetone', 'citric-acid'], 'ppe-gloves-eye-vent'],
    [['citric-acid', 'acetone', 'water'], 'ppe-gloves-eye-vent'],
    [['ammonia'], 'ppe-gloves-eye-vent'],
  ])('%j: %s', (agents, set) => expect(ppe(...agents)).toBe(set));
});
