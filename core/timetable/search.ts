/**
 * The order of the work and its hours. Blocks are put on the day one after another, each at the first moment it fits or a little later where that saves an
 * interruption or current; every order of few blocks is tried, many are improved by moving one at a time. Deterministic: it stops after so many placements, not
 * after so much time.
 */
import { seeded } from '../units/random.ts';
import { emptyDay, firstFit, type Day, type Frame, type PlacedBlock } from './day.ts';
import { overlapMin } from './spans.ts';
import type { Block } from './work.ts';
import { wrapUp, type Wrapped } from './wrap.ts';

/** What counts besides dates, all in minutes of waiting for the end of the day. */
export interface DayWeights {
  interruptionMin: number;
  /** Minutes that one unit of money is worth. */
  perMoney: number;
}
export interface Prices {
  usualPerKwh: number;
  cheapPerKwh: number;
}
export interface Scored {
  wrapped: Wrapped;
  /** Pieces past their date, and by how many minutes together. */
  latePieces: number;
  lateMin: number;
  energyMoney: number;
  /** Finish + interruptions + money, minutes. */
  cost: number;
  /** Blocks that the given hours have no room for. */
  outside: readonly string[];
  order: readonly string[];
}
export const better = (a: Scored, b: Scored | null): boolean =>
  b === null ||
  a.outside.length < b.outside.length ||
  (a.outside.length === b.outside.length &&
    (a.latePieces < b.latePieces ||
      (a.latePieces === b.latePieces &&
        (a.lateMin < b.lateMin - 1e-6 || (a.lateMin <= b.lateMin + 1e-6 && a.cost < b.cost - 1e-6)))));

/** Placements a search may try: what it costs in time, the same on every machine. */
export const searchBudget = { placements: 2400 } as const;
/** Later than the first moment a block is tried so much, min. */
const mostPatienceMin = 90;
const everyOrderUpTo = 6;

/** How long is looked for hours that keep all dates: until a day keeps them, or only at the plan's own order, which may miss a date that could be kept. */
export type DateLook = 'search' | 'glance';

interface Partial {
  day: Day;
  outside: string[];
}
export interface SearchRequest {
  blocks: readonly Block[];
  frame: Frame;
  weights: DayWeights;
  prices: Prices;
  /** The order of an earlier timetable: kept where another is not better. */
  prefer?: readonly string[];
  placements?: number;
  /** When blocks were promised to begin, minutes from now: kept, as long as no other day is better by `keepMarginMin`. */
  keep?: ReadonlyMap<string, number>;
  keepMarginMin?: number;
  /** Loads that come before all others, in this order: somebody said so. */
  first?: readonly string[];
  /** Only dates are asked for. */
  dates?: DateLook;
}

/** When the last of what hangs is away, minutes from now. */
const awayMin = (hanging: PlacedBlock['hanging']): number =>
  hanging.reduce((end, h) => Math.max(end, h.to + h.piece.pressMin + h.piece.putAwayMin), 0);

/** Electricity of a block at its hours. */
export function moneyOfBlock(p: PlacedBlock, frame: Frame, prices: Prices): number {
  return p.block.energy.reduce((sum, { step, kwh }) => {
    const run = p.steps[step];
    if (!run || run.to <= run.from) return sum;
    const cheap = overlapMin(frame.calendar.cheap, run.from, run.to) / (run.to - run.from);
    return sum + kwh * (cheap * prices.cheapPerKwh + (1 - cheap) * prices.usualPerKwh);
  }, 0);
}

export function search(request: SearchRequest): Scored {
  const { blocks, frame, weights, prices } = request;
  let left = request.placements ?? searchBudget.placements;
  const begun = (b: Block): number =>
    Math.min(
      ...[...b.steps, ...(b.before ? [b.before.hands] : [])].map((s) => frame.happened.get(s.id)?.from ?? Infinity),
    );
  const ownTail = (b: Block): number =>
    Math.max(
      0,
      ...b.pieces.map((p) => (frame.dryMin.get(p.id) ?? p.drying?.planMin ?? p.coolMin) + p.pressMin + p.putAwayMin),
    );
  const due = (b: Block): number => Math.min(Infinity, ...b.pieces.map((p) => p.neededByMin));
  const running = blocks.filter((b) => Number.isFinite(begun(b))).sort((x, y) => begun(x) - begun(y));
  const others = blocks.filter((b) => !running.includes(b));
  const chores = others.filter((b) => b.load === null);
  // A bath that is used again stays with the block that fills it.
  const allHeads = others.filter(
    (b) => b.load !== null && (b.bathOf === null || !others.some((o) => o.id === b.bathOf)),
  );
  const rank = (b: Block): number => (request.first ?? []).indexOf(b.id);
  const firsts = allHeads.filter((b) => rank(b) >= 0).sort((x, y) => rank(x) - rank(y));
  const heads = allHeads.filter((b) => rank(b) < 0);
  const followers = (head: Block): Block[] => {
    const next = others.find((b) => b.bathOf === head.id);
    return next ? [head, ...followers(next)] : [head];
  };

  const washersLeft = (rest: readonly Block[], b: Block): boolean =>
    b.washer !== null && rest.some((r) => r !== b && r.washer === b.washer);
  interface Choice {
    day: Day;
    placed: PlacedBlock;
    score: number;
  }
  /** Ways to put a block on the day, best first; empty = the hours have no room for it. */
  function choices(day: Day, block: Block, rest: readonly Block[], most: number, hurry: boolean): Choice[] {
    left--;
    const parent = block.bathOf === null ? undefined : day.blocks.find((p) => p.block.id === block.bathOf);
    const t = parent ? Math.max(0, ...parent.block.holds.map((h) => parent.steps[h.to]?.to ?? 0)) : 0;
    const first = firstFit(day, block, t, frame);
    if (!first) return [];
    const begin = (p: PlacedBlock): number => p.before[0]?.from ?? p.steps[0]?.from ?? 0;
    const soonest = first.placed.steps[0]?.from ?? 0;
    const idle = washersLeft(rest, block);
    const allAway = day.blocks.reduce((end, b) => Math.max(end, awayMin(b.hanging)), 0);
    const score = (x: { day: Day; placed: PlacedBlock }): number => {
      const end = Math.max(allAway, awayMin(x.placed.hanging), ...x.placed.steps.map((s) => s.to));
      const late = x.placed.hanging.reduce(
        (m, h) => m + (h.to + h.piece.pressMin + h.piece.putAwayMin > h.piece.neededByMin + 1e-6 ? 1 : 0),
        0,
      );
      const start = x.placed.steps[0]?.from ?? 0;
      return (
        late * 1e5 +
        end +
        weights.interruptionMin * x.day.turns.length +
        weights.perMoney * moneyOfBlock(x.placed, frame, prices) +
        (idle ? start - soonest : 0) +
        1e-3 * begin(x.placed)
      );
    };
    const found: Choice[] = [{ ...first, score: score(first) }];
    if (!hurry && !parent && !frame.happened.has(block.steps[0]?.id ?? '')) {
      const offsets = [
        0,
        ...first.placed.steps.flatMap((s) => (s.step.attended && s.from > soonest ? [s.from - soonest] : [])),
      ];
      const wanted = new Set<number>();
      for (const turn of day.turns)
        for (const o of offsets)
          for (const at of [turn.to - o, turn.from - o - (first.placed.steps[0]?.step.minutes ?? 0)])
            if (at > soonest && at <= soonest + mostPatienceMin) wanted.add(at);
      if (weights.perMoney > 0)
        for (const { step } of block.energy) {
          const into = (first.placed.steps[step]?.from ?? 0) - soonest;
          for (const c of frame.calendar.cheap.slice(0, 4)) if (c.from - into > soonest) wanted.add(c.from - into);
        }
      for (const at of [...wanted].sort((a, b) => a - b).slice(0, 6)) {
        left--;
        const later = firstFit(day, block, at, frame);
        if (later) found.push({ ...later, score: score(later) });
      }
    }
    return found.sort((a, b) => a.score - b.score).slice(0, most);
  }
  function outsideHours(day: Day, block: Block): Day {
    // After everything else at the latest there is room.
    const last = Math.max(0, ...[...day.people, ...day.taken.values()].flatMap((list) => list.at(-1)?.to ?? 0));
    const fit = firstFit(day, block, 0, frame, false) ?? firstFit(day, block, last, frame, false);
    if (!fit) throw new Error(`no hour was found for ${block.id}`);
    return fit.day;
  }

  let best: Scored | null = null;
  const bestNow = (): Scored | null => best;
  /** Nothing is left to be looked for. */
  const enough = (): boolean => {
    const found = bestNow();
    const inTime = found !== null && found.latePieces === 0 && found.outside.length === 0;
    return inTime && request.dates !== undefined;
  };
  const ids = (day: Day): string[] => day.blocks.flatMap((b) => (b.block.load === null ? [] : [b.block.id]));
  function finish({ day, outside }: Partial): void {
    let d = day;
    const out = [...outside];
    for (const chore of chores.filter((c) => !day.blocks.some((b) => b.block === c))) {
      const [choice] = choices(d, chore, [], 1, false);
      if (choice) d = choice.day;
      else {
        d = outsideHours(d, chore);
        out.push(chore.id);
      }
    }
    const wrapped = wrapUp(d, frame, weights);
    let latePieces = 0;
    let lateMin = 0;
    for (const b of d.blocks)
      for (const { piece } of b.hanging) {
        const over = (wrapped.ready.get(piece.id) ?? 0) - piece.neededByMin;
        if (over > 1e-6) {
          latePieces++;
          lateMin += over;
        }
      }
    const energyMoney = d.blocks.reduce((m, b) => m + moneyOfBlock(b, frame, prices), 0);
    const scored: Scored = {
      wrapped,
      latePieces,
      lateMin,
      energyMoney,
      cost: wrapped.finish + weights.interruptionMin * wrapped.day.turns.length + weights.perMoney * energyMoney,
      outside: out,
      order: ids(d),
    };
    if (better(scored, best)) best = scored;
  }
  const putAll = (from: Partial, order: readonly Block[], rest: readonly Block[], hurry = false): Partial => {
    let p = from;
    order.forEach((block, i) => {
      const [choice] = choices(p.day, block, [...order.slice(i + 1), ...rest], 1, hurry);
      p = choice
        ? { day: choice.day, outside: p.outside }
        : { day: outsideHours(p.day, block), outside: [...p.outside, block.id] };
    });
    return p;
  };

  /** Everything at the hour it was promised, or as soon after it as it can. */
  const asPromised = (from: Partial, order: readonly Block[], keep: ReadonlyMap<string, number>): Partial => {
    let p = from;
    for (const block of order) {
      left--;
      const fit = firstFit(p.day, block, keep.get(block.id) ?? 0, frame);
      p = fit
        ? { day: fit.day, outside: p.outside }
        : { day: outsideHours(p.day, block), outside: [...p.outside, block.id] };
    }
    return p;
  };
  const begin: Partial = { day: emptyDay(frame.calendar), outside: [] };
  const start = putAll(begin, [...running, ...firsts.flatMap(followers)], heads);
  const byTail = [...heads].sort((x, y) => ownTail(y) - ownTail(x) || x.id.localeCompare(y.id));
  const byDate = [...byTail].sort((x, y) => due(x) - due(y) || 0);
  const place = (id: string): number => {
    const i = (request.prefer ?? []).indexOf(id);
    return i < 0 ? Infinity : i;
  };
  const preferred = [...byDate].sort((x, y) => (place(x.id) === place(y.id) ? 0 : place(x.id) - place(y.id)));
  const tryOrder = (order: readonly Block[], hurry: boolean): void => {
    if (!enough()) finish(putAll(start, order.flatMap(followers), [], hurry));
  };
  /** Each load at the hour that weighs best at its turn, and each as soon as it can: what waits for a turn may miss the evening. */
  const decode = (order: readonly Block[]): void => {
    for (const hurry of [false, true]) tryOrder(order, hurry);
  };
  let kept: Scored | null = null;
  const { keep } = request;
  if (keep) {
    const promised = (b: Block): number => keep.get(b.id) ?? Infinity;
    const order = [...heads].sort((x, y) => promised(x) - promised(y)).flatMap(followers);
    finish(asPromised(start, [...order, ...chores.filter((c) => keep.has(c.id))], keep));
    kept = bestNow();
    best = null;
  }
  // The order of the plan, where dates come first, each as soon as it can: nothing else keeps dates as often.
  if (request.dates) tryOrder(heads, true);
  if (request.dates !== 'glance') {
    if (request.prefer) decode(preferred);
    decode(byDate);
    decode(byTail);
    decode(heads);
    if (heads.length <= everyOrderUpTo) {
      const all = left;
      everyOrder(start, byDate, 1, true);
      left = Math.max(left, all / 2);
      everyOrder(start, byDate, heads.length <= 3 ? 4 : 1, false);
    } else improve(byDate);
  }
  const found = bestNow();
  if (found === null) throw new Error('a day has at least one order');
  const margin = request.keepMarginMin ?? 0;
  return kept !== null && !better({ ...found, cost: found.cost + margin, lateMin: found.lateMin + margin }, kept)
    ? kept
    : found;

  /** Every order, and for few blocks several hours of each; what cannot end sooner than the best is not gone into. */
  function everyOrder(p: Partial, rest: readonly Block[], ways: number, hurry: boolean): void {
    if (left <= 0 || enough()) return;
    const [only] = rest;
    if (!only) {
      finish(p);
      return;
    }
    for (const head of rest) {
      const others = rest.filter((b) => b !== head);
      const chain = followers(head);
      const [next, ...after] = chain;
      if (!next) continue;
      const found = choices(p.day, next, others, ways, hurry);
      if (found.length === 0) {
        everyOrder(putAll(p, chain, others, hurry), others, ways, hurry);
        continue;
      }
      for (const c of found) {
        const into = putAll({ day: c.day, outside: p.outside }, after, others, hurry);
        if (!hopeless(into)) everyOrder(into, others, ways, hurry);
      }
    }
  }
  /** What hangs already cannot be away before it is dry: nothing that follows makes it sooner. */
  function hopeless(p: Partial): boolean {
    if (best === null || best.latePieces > 0 || best.outside.length > 0) return false;
    const end = Math.max(0, ...p.day.blocks.flatMap((b) => b.hanging.map((h) => h.to + h.piece.putAwayMin)));
    return end >= best.cost;
  }
  /** One block at a time to another place in the order; then two changed about, as long as placements are left. */
  function improve(order: readonly Block[]): void {
    let at = [...order];
    const random = seeded(order.length * 7919);
    while (left > 0 && !enough()) {
      const before: Scored | null = best;
      const i = Math.floor(random() * at.length);
      const j = Math.floor(random() * at.length);
      const next = [...at];
      const [moved] = next.splice(i, 1);
      if (moved) next.splice(j, 0, moved);
      if (i !== j) decode(next);
      else left--;
      if (best !== before) at = next;
    }
  }
}
