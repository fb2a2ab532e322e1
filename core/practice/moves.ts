/** One decision of a learner at a time, applied to a play: everything a person could do, right or wrong; nothing that could not be done. */
import type { AgentId } from '../chemistry/agents.ts';
import { agentOfProduct } from '../chemistry/cupboard.ts';
import { Space } from '../drying/spaces.ts';
import type { DryPosition } from '../envelope/envelope.ts';
import type { Household } from '../model/household.ts';
import { asides, type Aside, type DryWay, type MarkCare, type Play, type PlayLoad, type Way } from './play.ts';
import { markKey, untreated, waters } from './play.ts';
import { detergentsOf, handTemperaturesOf, wayProblem } from './ways.ts';

/** Where a piece can be put: a load by its id, a new one, something else than a wash, or back into the basket. */
export type Target = { to: 'load'; load: string } | { to: 'new' } | { to: 'aside'; aside: Aside } | { to: 'basket' };
export type Move =
  | { do: 'put'; pieces: readonly string[]; target: Target }
  | { do: 'way'; load: string; way: Way }
  | {
      do: 'ready';
      load: string;
      pockets: boolean;
      closed: boolean;
      nets: readonly string[];
      insideOut: readonly string[];
    }
  | { do: 'earlier'; load: string }
  | { do: 'mark'; piece: string; stain: string; care: MarkCare }
  | { do: 'test'; piece: string }
  | { do: 'dry'; pieces: readonly string[]; way: DryWay | null };

/** Agents of the cupboard that a hand could reach for on a mark. Water stands beside them. */
export const agentsAtHand = (h: Household): AgentId[] => [
  ...new Set(h.products.flatMap((p) => (p.class === 'colour-catcher' ? [] : (agentOfProduct(p) ?? [])))),
];
/** Positions a place has. */
export const positionsOf = (h: Household, place: string): DryPosition[] => {
  const found = h.dryingPlaces.find((d) => d.id === place);
  if (!found) return [];
  const space = new Space(found);
  const rail: DryPosition = found.outdoors ? 'line' : 'bars';
  return ([rail, 'flat', 'hanger'] as const).filter((p) => space.offers(p));
};

/** As a hurried hand sets it: the first programme, 40 °C, full spin, what stands in front. null = there is nothing to wash with. */
export function hurriedWay(h: Household): Way | null {
  const detergent = detergentsOf(h)[0]?.id;
  if (detergent === undefined) return null;
  const near = (cs: readonly number[]): number =>
    cs.reduce((b, c) => (Math.abs(c - 40) < Math.abs(b - 40) ? c : b), cs[0] ?? 40);
  for (const washer of h.washers) {
    const programme = washer.programmes.find((p) => p.family !== 'rinse-spin');
    if (programme)
      return {
        by: 'machine',
        washer: washer.id,
        programme: programme.id,
        temperatureC: near(programme.temperaturesC),
        spinRpm: Math.max(...programme.spinsRpm),
        detergent,
        helpers: [],
      };
  }
  const [basin] = h.basins;
  return basin
    ? { by: 'hand', basin: basin.id, temperatureC: near(handTemperaturesOf(h)), detergent, helpers: [] }
    : null;
}

const without = (loads: readonly PlayLoad[], pieces: ReadonlySet<string>): PlayLoad[] =>
  loads.map((l) => ({ ...l, pieces: l.pieces.filter((p) => !pieces.has(p)) }));
const filled = (loads: readonly PlayLoad[]): PlayLoad[] => loads.filter((l) => l.pieces.length > 0);
const omit = <T>(record: Readonly<Record<string, T>>, keys: ReadonlySet<string>): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => !keys.has(k)));
const nextId = (loads: readonly PlayLoad[]): string =>
  `L${1 + Math.max(0, ...loads.map((l) => Number(l.id.slice(1)) || 0))}`;

function put(h: Household, play: Play, pieces: readonly string[], target: Target): Play | null {
  const moved = new Set(pieces);
  const rest = without(play.loads, moved);
  const aside = omit(play.aside, moved);
  switch (target.to) {
    case 'basket':
      return { ...play, loads: filled(rest), aside };
    case 'aside':
      return asides.includes(target.aside)
        ? {
            ...play,
            loads: filled(rest),
            aside: { ...aside, ...Object.fromEntries(pieces.map((p) => [p, target.aside])) },
          }
        : null;
    case 'load': {
      if (!rest.some((l) => l.id === target.load)) return null;
      const loads = rest.map((l) => (l.id === target.load ? { ...l, pieces: [...l.pieces, ...pieces] } : l));
      return { ...play, loads: filled(loads), aside };
    }
    case 'new': {
      const way = hurriedWay(h);
      if (!way) return null;
      const load: PlayLoad = { id: nextId(play.loads), pieces, way, pockets: false, closed: false };
      return { ...play, loads: filled([...rest, load]), aside };
    }
  }
}
/** Each of the pieces is in or out as asked; the others stay as they are. */
const chosenAmong = (now: readonly string[], among: readonly string[], chosen: readonly string[]): string[] => [
  ...now.filter((p) => !among.includes(p)),
  ...among.filter((p) => chosen.includes(p)),
];

/**
 * The play after a move; null where it cannot be done: a piece, a load or a setting that is not there.
 * `garments` = marks by garment id of the basket.
 */
export function applyMove(
  h: Household,
  garments: ReadonlyMap<string, readonly string[]>,
  play: Play,
  move: Move,
): Play | null {
  const load = 'load' in move ? play.loads.find((l) => l.id === move.load) : undefined;
  const known = (ids: readonly string[]): boolean => ids.length > 0 && ids.every((id) => garments.has(id));
  switch (move.do) {
    case 'put':
      return known(move.pieces) ? put(h, play, [...new Set(move.pieces)], move.target) : null;
    case 'way':
      return load && wayProblem(h, move.way) === null
        ? { ...play, loads: play.loads.map((l) => (l === load ? { ...l, way: move.way } : l)) }
        : null;
    case 'ready': {
      if (!load) return null;
      const { pockets, closed, nets, insideOut } = move;
      return {
        ...play,
        loads: play.loads.map((l) => (l === load ? { ...l, pockets, closed } : l)),
        nets: chosenAmong(play.nets, load.pieces, nets),
        insideOut: chosenAmong(play.insideOut, load.pieces, insideOut),
      };
    }
    case 'earlier': {
      if (!load) return null;
      const at = play.loads.indexOf(load);
      const before = play.loads[at - 1];
      if (!before) return play;
      return { ...play, loads: play.loads.map((l, i) => (i === at - 1 ? load : i === at ? before : l)) };
    }
    case 'mark': {
      const { care } = move;
      const there = garments.get(move.piece)?.includes(move.stain) ?? false;
      const cupboard = agentsAtHand(h);
      if (!there || !waters.includes(care.water) || !care.agents.every((a) => cupboard.includes(a))) return null;
      const key = markKey(move.piece, move.stain);
      const nothing = care.water === untreated.water && care.agents.length === 0;
      const marks = omit(play.marks, new Set([key]));
      return {
        ...play,
        marks: nothing ? marks : { ...marks, [key]: { water: care.water, agents: [...new Set(care.agents)] } },
      };
    }
    case 'test':
      return known([move.piece]) && play.tests.length < mostTests
        ? { ...play, tests: [...play.tests, move.piece] }
        : null;
    case 'dry': {
      if (!known(move.pieces)) return null;
      const { way } = move;
      const drying = omit(play.drying, new Set(move.pieces));
      if (way === null) return { ...play, drying };
      const there =
        way.to === 'dryer'
          ? h.dryers.some((d) => d.id === way.dryer)
          : positionsOf(h, way.place).includes(way.position);
      return there ? { ...play, drying: { ...drying, ...Object.fromEntries(move.pieces.map((p) => [p, way])) } } : null;
    }
  }
}
/** Nobody tries a colour more often in one round. */
const mostTests = 40;
