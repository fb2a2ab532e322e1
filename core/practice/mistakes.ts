/** The tempting mistake of a basket: one thing done otherwise than the best plan does it. */
import type { AgentId } from '../chemistry/agents.ts';
import type { DryPosition } from '../envelope/envelope.ts';
import { markKey, untreated, type MarkCare, type Play, type PlayLoad, type Water, type Way } from './play.ts';

export type Mistake =
  /** Into the load of the first, or a load of their own at its way. */
  | { do: 'together'; pieces: readonly string[] }
  /** Washed by itself another way than it bears. */
  | { do: 'wash'; piece: string; way: Way }
  | { do: 'dryer'; piece: string; dryer: string }
  | { do: 'hang'; piece: string; place: string; position: DryPosition }
  /** A mark is left alone (no water), or rinsed in the wrong water, or treated with these. */
  | { do: 'mark'; piece: string; stain: string; water?: Water; agents?: readonly AgentId[] }
  | { do: 'no-net'; piece: string }
  /** All of it over one place. */
  | { do: 'all-to'; place: string; position: DryPosition };

/** @throws nothing; a mistake about a piece that is not there changes nothing. */
export function withMistake(best: Play, mistake: Mistake): Play {
  switch (mistake.do) {
    case 'together': {
      const [first = ''] = mistake.pieces;
      const moved = new Set(mistake.pieces);
      const home = best.loads.find((l) => l.pieces.includes(first)) ?? best.loads[0];
      if (!home) return best;
      const loads = best.loads.flatMap((l): PlayLoad[] => {
        const rest = l.pieces.filter((p) => !moved.has(p));
        const pieces = l.id === home.id ? [...rest, ...mistake.pieces] : rest;
        return pieces.length > 0 ? [{ ...l, pieces }] : [];
      });
      return { ...best, loads, aside: withoutKeys(best.aside, moved), drying: driedToo(best, mistake.pieces) };
    }
    case 'wash': {
      const loads = best.loads.flatMap((l): PlayLoad[] => {
        const pieces = l.pieces.filter((p) => p !== mistake.piece);
        return pieces.length > 0 ? [{ ...l, pieces }] : [];
      });
      const own: PlayLoad = { id: 'own', pieces: [mistake.piece], way: mistake.way, pockets: true, closed: true };
      return {
        ...best,
        loads: [...loads, own],
        aside: withoutKeys(best.aside, new Set([mistake.piece])),
        drying: driedToo(best, [mistake.piece]),
      };
    }
    case 'dryer':
      return {
        ...best,
        drying: { ...best.drying, [mistake.piece]: { to: 'dryer', dryer: mistake.dryer, heat: 'normal' } },
      };
    case 'hang': {
      const { place, position } = mistake;
      return { ...best, drying: { ...best.drying, [mistake.piece]: { to: 'place', place, position } } };
    }
    case 'mark': {
      const key = markKey(mistake.piece, mistake.stain);
      const care: MarkCare = {
        water: mistake.water ?? 'none',
        agents: mistake.agents ?? (mistake.water === 'none' ? [] : (best.marks[key] ?? untreated).agents),
      };
      return { ...best, marks: { ...best.marks, [key]: care } };
    }
    case 'no-net':
      return { ...best, nets: best.nets.filter((p) => p !== mistake.piece) };
    case 'all-to': {
      const { place, position } = mistake;
      const washed = best.loads.flatMap((l) => l.pieces);
      return { ...best, drying: Object.fromEntries(washed.map((p) => [p, { to: 'place', place, position }])) };
    }
  }
}
/** What was not to be washed dries where the others do. */
function driedToo({ drying }: Play, pieces: readonly string[]): Play['drying'] {
  const [usual] = Object.values(drying);
  return usual ? { ...Object.fromEntries(pieces.map((p) => [p, usual])), ...drying } : drying;
}
const withoutKeys = <T>(record: Readonly<Record<string, T>>, keys: ReadonlySet<string>): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => !keys.has(k)));
