import { describe, expect, test } from '@jest/globals';
import { household } from '../testing/arbitrary.ts';
import { applyMove, hurriedWay, positionsOf, type Move } from './moves.ts';
import { emptyPlay, type Play } from './play.ts';
import { playProblems } from './ways.ts';

const garments = new Map<string, readonly string[]>([
  ['tee', []],
  ['shirt', ['wine']],
  ['jumper', []],
]);
const after = (...moves: Move[]): Play | null =>
  moves.reduce<Play | null>((p, m) => p && applyMove(household, garments, p, m), emptyPlay);
const fresh: Move = { do: 'put', pieces: ['tee'], target: { to: 'new' } };

describe('moves of a round', () => {
  test('a piece goes to a new load, another joins it, a load without pieces is gone', () => {
    const two = after(fresh, { do: 'put', pieces: ['jumper'], target: { to: 'load', load: 'L1' } });
    expect(two?.loads.map((l) => l.pieces)).toEqual([['tee', 'jumper']]);
    const moved = after(fresh, { do: 'put', pieces: ['tee'], target: { to: 'aside', aside: 'air' } });
    expect(moved?.loads).toEqual([]);
    expect(moved?.aside).toEqual({ tee: 'air' });
    expect(after(fresh, { do: 'put', pieces: ['tee'], target: { to: 'basket' } })).toEqual({ ...emptyPlay, loads: [] });
  });
  test('ids of loads are never used twice in a play', () => {
    const play = after(
      fresh,
      { do: 'put', pieces: ['jumper'], target: { to: 'new' } },
      { do: 'put', pieces: ['tee'], target: { to: 'basket' } },
      fresh,
    );
    expect(play?.loads.map((l) => l.id)).toEqual(['L2', 'L3']);
  });
  test('what is not there cannot be chosen', () => {
    expect(after({ do: 'put', pieces: ['sock'], target: { to: 'new' } })).toBeNull();
    expect(after({ do: 'put', pieces: ['tee'], target: { to: 'load', load: 'L9' } })).toBeNull();
    expect(after({ do: 'put', pieces: [], target: { to: 'new' } })).toBeNull();
    const way = hurriedWay(household)!;
    expect(after(fresh, { do: 'way', load: 'L1', way: { ...way, temperatureC: 37 } })).toBeNull();
    expect(after(fresh, { do: 'way', load: 'L1', way: { ...way, detergent: 'sand' } })).toBeNull();
    expect(after({ do: 'mark', piece: 'tee', stain: 'wine', care: { water: 'cold', agents: [] } })).toBeNull();
    expect(
      after({ do: 'mark', piece: 'shirt', stain: 'wine', care: { water: 'cold', agents: ['acetone'] } }),
    ).toBeNull();
    expect(after({ do: 'dry', pieces: ['tee'], way: { to: 'place', place: 'attic', position: 'bars' } })).toBeNull();
  });
  test('a mark that is left alone again is no treatment', () => {
    const cold: Move = { do: 'mark', piece: 'shirt', stain: 'wine', care: { water: 'cold', agents: [] } };
    expect(after(cold)?.marks).toEqual({ 'shirt/wine': { water: 'cold', agents: [] } });
    expect(after(cold, { ...cold, care: { water: 'none', agents: [] } })?.marks).toEqual({});
  });
  test('loads change places, the first stays first', () => {
    const other: Move = { do: 'put', pieces: ['jumper'], target: { to: 'new' } };
    expect(after(fresh, other, { do: 'earlier', load: 'L2' })?.loads.map((l) => l.id)).toEqual(['L2', 'L1']);
    expect(after(fresh, other, { do: 'earlier', load: 'L1' })?.loads.map((l) => l.id)).toEqual(['L1', 'L2']);
  });
  test('nets and inside out concern the pieces of that load alone', () => {
    const ready = (load: string, nets: string[]): Move => ({
      do: 'ready',
      load,
      pockets: true,
      closed: false,
      nets,
      insideOut: [],
    });
    const play = after(
      fresh,
      { do: 'put', pieces: ['jumper'], target: { to: 'new' } },
      ready('L2', ['jumper', 'tee']),
      ready('L1', []),
    );
    expect(play?.nets).toEqual(['jumper']);
    expect(play?.loads.map((l) => l.pockets)).toEqual([true, true]);
  });
  test('whatever moves allow is a possible play', () => {
    const play = after(
      fresh,
      { do: 'put', pieces: ['jumper'], target: { to: 'aside', aside: 'wait' } },
      { do: 'test', piece: 'tee' },
    )!;
    expect(playProblems(household, new Set(garments.keys()), play)).toEqual([]);
    const twice = { ...play, aside: { tee: 'air' as const } };
    expect(playProblems(household, new Set(garments.keys()), twice)).toEqual([
      'loads[0].pieces: “tee” is elsewhere, too',
    ]);
  });
  test('a place offers what it has', () => {
    for (const d of household.dryingPlaces)
      for (const p of positionsOf(household, d.id)) expect(['bars', 'line', 'flat', 'hanger']).toContain(p);
    expect(positionsOf(household, 'attic')).toEqual([]);
  });
});
