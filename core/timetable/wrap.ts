/**
 * From the line to the cupboard: turning what lies flat, feeling what came out of the dryer, pressing, putting away. Nothing of it is hurried, so it is done in
 * turns of work that are there anyway; what a date asks for is done at once; the rest comes in one last turn that ends as early as the last piece allows.
 */
import type { ResourceUse, TaskKind } from '../model/timetable.ts';
import {
  endOf,
  handsUpTo,
  handsFrom,
  keyOf,
  withBusy,
  type Day,
  type Frame,
  type Hanging,
  type PlacedBlock,
} from './day.ts';
import { clearFrom, clearUpTo, oneTurnMin, withStretch, withTurn, type Stretch } from './spans.ts';
import { handMinutes, turnEveryMin } from './work.ts';

export interface WrapTask {
  id: string;
  kind: TaskKind;
  block: PlacedBlock;
  pieces: Hanging[];
  from: number;
  to: number;
  person: number;
  after: string[];
}
/** Work on one piece, or on what came out of a dryer together, that one pair of hands does in one go. */
interface Unit {
  release: number;
  neededBy: number;
  minutes: number;
  irons: boolean;
  parts: Omit<WrapTask, 'from' | 'to' | 'person'>[];
  partMin: number[];
}
export interface Wrapped {
  day: Day;
  tasks: WrapTask[];
  /** When each piece is in the cupboard, minutes. */
  ready: ReadonlyMap<string, number>;
  finish: number;
}
export const theIron: ResourceUse = { kind: 'iron', id: 'iron' };
const ironKey = keyOf(theIron);

/** The state of the hands while the day is wrapped up. */
interface Board {
  people: Day['people'];
  turns: readonly Stretch[];
  iron: readonly Stretch[];
  tasks: WrapTask[];
}
interface Slot {
  person: number;
  from: number;
}

function slotFrom(b: Board, u: Unit, t: number): Slot {
  if (!u.irons) return handsFrom(b.people, t, u.minutes);
  let at = t;
  for (let k = 0; k < 50; k++) {
    const hands = handsFrom(b.people, at, u.minutes);
    const iron = clearFrom(b.iron, hands.from, u.minutes);
    if (iron <= hands.from + 1e-9) return hands;
    at = iron;
  }
  return handsFrom(b.people, at, u.minutes);
}
function slotUpTo(b: Board, u: Unit, t: number, least: number): Slot | null {
  if (!u.irons) return handsUpTo(b.people, t, u.minutes, least);
  let at = t;
  for (let k = 0; k < 50; k++) {
    const hands = handsUpTo(b.people, at, u.minutes, least);
    if (!hands) return null;
    const iron = clearUpTo(b.iron, hands.from, u.minutes, least);
    if (iron >= hands.from - 1e-9) return hands;
    at = iron;
  }
  return null;
}
function put(b: Board, u: Unit, s: Slot): Board {
  let at = s.from;
  const tasks = u.parts.map((part, i): WrapTask => {
    const from = at;
    at += u.partMin[i] ?? 0;
    return { ...part, from, to: at, person: s.person };
  });
  return {
    people: withBusy(b.people, s, u.minutes),
    turns: withTurn(b.turns, s.from, s.from + u.minutes),
    iron: u.irons ? withStretch(b.iron, s.from, s.from + u.minutes) : b.iron,
    tasks: [...b.tasks, ...tasks],
  };
}

/** What lies flat is turned about every twelve hours, in a turn that is there anyway, else before the hours in which nobody is called. */
function turnFlats(board: Board, blocks: readonly PlacedBlock[], frame: Frame): Board {
  let b = board;
  const leastMin = turnEveryMin - 4 * 60;
  const mostMin = turnEveryMin + 2 * 60;
  for (const block of blocks)
    for (const h of block.hanging) {
      if (!h.piece.drying?.flat) continue;
      let last = h.from;
      for (let n = 1; last + turnEveryMin < h.to && n < 10; n++) {
        const id = `${block.block.id}.flip.${h.piece.id}.${n}`;
        const after =
          n === 1 ? block.steps[h.piece.afterStep]?.step.id : `${block.block.id}.flip.${h.piece.id}.${n - 1}`;
        const part = { id, kind: 'flip' as const, block, pieces: [h], after: after ? [after] : [] };
        const has = frame.happened.get(id);
        const unit: Unit = {
          release: last,
          neededBy: Infinity,
          minutes: handMinutes.turn,
          irons: false,
          parts: [part],
          partMin: [handMinutes.turn],
        };
        if (has) {
          const to = endOf(has, handMinutes.turn);
          b = {
            ...b,
            turns: withTurn(b.turns, has.from, to),
            tasks: [...b.tasks, { ...part, from: has.from, to, person: 0 }],
          };
          last = to;
          continue;
        }
        const ideal = Math.max(0, last + turnEveryMin);
        const low = Math.max(0, last + leastMin);
        const high = Math.max(ideal, last + mostMin);
        const inTurn = b.turns
          .filter((t) => t.to >= low && t.to <= high)
          .map((t) => slotFrom(b, unit, t.to))
          .filter((s) => s.from <= high)
          .sort((x, y) => Math.abs(x.from - ideal) - Math.abs(y.from - ideal))[0];
        const soonest = slotFrom(b, unit, ideal);
        const slot =
          inTurn ?? (soonest.from <= high ? soonest : (slotUpTo(b, unit, ideal, Math.max(0, last + 60)) ?? soonest));
        if (!Number.isFinite(slot.from) || slot.from >= h.to) break;
        b = put(b, unit, slot);
        last = slot.from + handMinutes.turn;
      }
    }
  return b;
}

/** The units of a block; what is done already becomes a task at its own hour. */
function unitsOf(block: PlacedBlock, frame: Frame, done: WrapTask[], ready: Map<string, number>): Unit[] {
  const units: Unit[] = [];
  const { id } = block.block;
  const cooled = block.hanging.filter((h) => h.piece.drying === null);
  const begin = (release: number): Unit => ({
    release,
    neededBy: Infinity,
    minutes: 0,
    irons: false,
    parts: [],
    partMin: [],
  });
  const add = (u: Unit, kind: TaskKind, pieces: Hanging[], minutes: number, after: string[], key: string): string => {
    const part = { id: `${id}.${key}`, kind, block, pieces, after };
    const has = frame.happened.get(part.id);
    if (has) {
      const to = endOf(has, minutes);
      done.push({ ...part, from: has.from, to, person: 0 });
      if (kind === 'put-away') for (const h of pieces) ready.set(h.piece.id, to);
      u.release = Math.max(u.release, to);
      return part.id;
    }
    u.parts.push(part);
    u.partMin.push(minutes);
    u.minutes += minutes;
    return part.id;
  };
  const wrap = (u: Unit, h: Hanging, after: string[]): void => {
    let last = after;
    if (h.piece.pressMin > 0) {
      const pressId = add(u, 'press', [h], h.piece.pressMin, after, `press.${h.piece.id}`);
      if (!frame.happened.has(pressId)) u.irons = true;
      last = [pressId];
    }
    add(u, 'put-away', [h], h.piece.putAwayMin, last, `put-away.${h.piece.id}`);
    u.neededBy = Math.min(u.neededBy, h.piece.neededByMin);
  };
  if (cooled.length > 0) {
    const u = begin(Math.max(...cooled.map((h) => h.to)));
    const outOf = block.steps[cooled[0]?.piece.afterStep ?? 0]?.step.id;
    const check = add(u, 'cool-check', cooled, handMinutes.coolCheck, outOf ? [outOf] : [], 'cool-check');
    for (const h of cooled) wrap(u, h, [check]);
    if (u.parts.length > 0) units.push(u);
  }
  for (const h of block.hanging) {
    if (h.piece.drying === null) continue;
    const u = begin(Math.max(0, h.to));
    wrap(u, h, [`${id}.dry.${h.piece.id}`]);
    if (u.parts.length > 0) units.push(u);
  }
  return units;
}

/** One last turn: first as early as everything allows, then moved up to its end, so that it is one. `by` = it has to be over by then. */
function lastTurn(board: Board, units: readonly Unit[], by = Infinity): { board: Board; finish: number } {
  let forward = board;
  let finish = 0;
  const placed = units.map((u) => {
    const slot = slotFrom(forward, u, u.release);
    forward = put(forward, u, slot);
    finish = Math.max(finish, slot.from + u.minutes);
    return { u, slot };
  });
  const end = Number.isFinite(by) ? Math.max(by, finish) : finish;
  let b = board;
  for (const { u, slot } of [...placed].sort((x, y) => y.slot.from - x.slot.from)) {
    const late = slotUpTo(b, u, end - u.minutes, u.release);
    b = put(b, u, late ?? slotFrom(b, u, slot.from));
  }
  return { board: b, finish };
}

/** Minutes an interruption is worth. */
export interface WrapWeights {
  interruptionMin: number;
}

export function wrapUp(day: Day, frame: Frame, weights: WrapWeights): Wrapped {
  const ready = new Map<string, number>();
  const done: WrapTask[] = [];
  const units = day.blocks.flatMap((b) => unitsOf(b, frame, done, ready));
  let b: Board = { people: day.people, turns: day.turns, iron: day.taken.get(ironKey) ?? [], tasks: done };
  for (const t of done) b = { ...b, turns: withTurn(b.turns, t.from, t.to) };
  b = turnFlats(b, day.blocks, frame);
  units.sort((x, y) => x.release - y.release || (x.parts[0]?.id ?? '').localeCompare(y.parts[0]?.id ?? ''));

  /** In the first turn that is there anyway; null = there is none, or only past `by`. */
  const inTurn = (u: Unit, by: number): Slot | null => {
    for (const t of b.turns) {
      if (t.to <= u.release - oneTurnMin || t.to + u.minutes > by + 1e-9) continue;
      const slot = slotFrom(b, u, Math.max(u.release, t.to));
      if (slot.from - t.to < oneTurnMin && slot.from + u.minutes <= by + 1e-9) return slot;
    }
    return null;
  };
  const dated = units.filter((u) => Number.isFinite(u.neededBy)).sort((x, y) => x.neededBy - y.neededBy);
  for (const u of dated) b = put(b, u, inTurn(u, u.neededBy) ?? slotFrom(b, u, u.release));
  const rest: Unit[] = [];
  for (const u of units) {
    if (Number.isFinite(u.neededBy)) continue;
    const slot = inTurn(u, Infinity);
    if (slot) b = put(b, u, slot);
    else rest.push(u);
  }
  // What is dry before hands go to bed or out may be put away in a turn of its own before that.
  const whole = lastTurn(b, rest);
  let best = { board: whole.board, cost: whole.finish + weights.interruptionMin * whole.board.turns.length };
  const closings = new Set(
    b.people.flatMap((busy) => busy.filter((s) => s.from > 0 && s.from < whole.finish).map((s) => s.from)),
  );
  for (const by of [...closings].sort((x, y) => y - x).slice(0, 3)) {
    const before = rest.filter((u) => u.release + u.minutes <= by);
    if (before.length === 0 || before.length === rest.length) continue;
    const early = lastTurn(b, before, by);
    if (early.finish > by) continue;
    const after = lastTurn(
      early.board,
      rest.filter((u) => !before.includes(u)),
    );
    const finish = Math.max(after.finish, early.finish);
    const cost = finish + weights.interruptionMin * after.board.turns.length;
    if (cost < best.cost - 1e-9) best = { board: after.board, cost };
  }
  b = best.board;
  for (const t of b.tasks) if (t.kind === 'put-away') for (const h of t.pieces) ready.set(h.piece.id, t.to);
  const stepEnds = day.blocks.flatMap((x) => [...x.steps, ...x.before].map((s) => s.to));
  return {
    day: { ...day, people: b.people, turns: b.turns },
    tasks: b.tasks,
    ready,
    finish: Math.max(
      0,
      ...stepEnds,
      ...b.tasks.map((t) => t.to),
      ...day.blocks.flatMap((x) => x.hanging.map((h) => h.to)),
    ),
  };
}
