/**
 * L5 and L8 of docs/solver.md. The loads that are worth most above their cost, by branch and bound over what may be in one. A part of the search
 * leaves out what harms only together (uses side by side, grey, soil, dye) and is a knapsack. Where the set that fills it best would harm more
 * than the part charges, or does not fit, it is divided on the worst of that: without the item that does it, or with it held (L13) and charged to
 * everyone. What a part lets in and charges does not depend on the worths, so that the parts are kept from one question to the next.
 */
import TinyQueue from 'tinyqueue';
import type { Modes } from './modes.ts';
import type { Answer, Part } from './part.ts';
import { PartDivision } from './part-division.ts';
import { PartValue } from './part-value.ts';
import { Parts } from './parts.ts';

export interface Answers {
  sets: Answer[];
  /** No load anywhere is worth more above its cost than this, EUR. */
  over: number;
  /** Items of the parts looked at, those of whole fillings weighted. */
  visited: number;
}
/** How much may be spent on a question: parts divided, sets wanted, and from what worth above its cost, EUR, a load is of interest. */
export interface Question {
  divisions: number;
  sets: number;
  least: number;
}

/** Below this the modes of a setting are told apart before what they harm. */
const outlineHarm = 0.6;
/** What prices of masses leave between a part and the set that fills it best is told apart from so much on, EUR. */
const smallSlack = 0.03;
/** Harm of a set in use from which on it is told apart, EUR. */
const refinedHarm = 0.005;
/** A hair more is given back than rounding could hide. */
const giveBackMore = 1e-9;

export class Oracle {
  private readonly made: Parts;
  private readonly values: PartValue;
  private readonly division: PartDivision;
  /** Every load is in one of these. */
  private parts: Part[];

  /** `most` = how many of each item there are. */
  constructor(modes: Modes, most: readonly number[]) {
    this.made = new Parts(modes, most);
    this.values = new PartValue(this.made);
    this.division = new PartDivision(this.made);
    this.parts = this.made.all(modes);
  }

  /** The loads worth most above their cost; parts are divided, the most promising first, until a load of the best part is real or the effort is spent. */
  ask(worth: Float64Array, { divisions, sets: wanted, least }: Question): Answers {
    this.values.ask(worth);
    this.values.least = least;
    this.values.visited = 0;
    const kept: Part[] = [];
    const open: Part[] = [];
    for (const part of this.parts)
      if (part.base < Infinity)
        (this.values.atMost(part) > least && this.values.look(part) > least ? open : kept).push(part);
    const queue = new TinyQueue<Part>(open, (x, y) => y.value - x.value);
    const sets: Answer[] = [];
    let over = least;
    let divided = 0;
    let settled = false;
    const seen = new Map<string, number>();
    for (let part = queue.pop(); part; part = queue.pop()) {
      if (part.rough) {
        part.value = this.values.valueWithDoses(part);
        (part.value > least ? queue : kept).push(part);
        continue;
      }
      if (!settled) over = part.value;
      if (divided >= divisions || sets.length >= wanted / 2) {
        queue.push(part);
        break;
      }
      const next = this.divide(part);
      if (next === null) {
        // What cannot be divided may still hold a load worth as much.
        settled ||= part.value > least;
        kept.push(part);
        continue;
      }
      if ('cost' in next) {
        settled = true;
        kept.push(part);
        const key = `${part.way.index} ${part.company}`;
        const alike = seen.get(key) ?? 0;
        seen.set(key, alike + 1);
        if (alike < 3) {
          sets.push(next);
          part.answers.push(next);
        }
        continue;
      }
      divided++;
      this.handOn(part, next);
      for (const child of next) {
        if (child.base === Infinity) continue;
        if (this.values.look(child, part.value) > least) queue.push(child);
        else kept.push(child);
      }
    }
    if (!settled && queue.length === 0) over = least;
    sets.push(...this.quickSets(queue, wanted));
    this.parts = [...kept, ...queue.data];
    return { sets, over, visited: this.values.visited };
  }
  /** Divide the parts of some answers on what those would do or be beyond what they are charged; returns how many. */
  refine(answers: readonly Answer[]): number {
    let divided = 0;
    for (const { part, items } of answers) {
      if (!part || part.base === Infinity) continue;
      const children =
        this.division.choose(part, items, this.values.worth, refinedHarm)?.parts() ??
        (part.way.modes.length > 0 ? this.made.byModes(part) : null);
      if (!children) continue;
      this.handOn(part, children);
      // Its loads lie in the new parts: it is left out when the parts are next gone through.
      part.base = Infinity;
      this.parts.push(...children);
      divided++;
    }
    return divided;
  }
  /**
   * L4 of docs/solver.md. Worths that no load exceeds, near those last asked about: where a part's loads could be worth more than they cost, the items that gain
   * in it give back the share that makes up for it. Giving back makes no other part worse, so that one round over the parts is enough.
   */
  mended(): Float64Array {
    this.values.mend();
    const broken = this.parts
      .filter((part) => this.values.atMost(part) > 0 && this.values.look(part) > 0)
      .sort((x, y) => y.value - x.value);
    for (const part of broken) {
      if (this.values.valueOf(part) <= 0 || this.values.valueWithDoses(part) <= 0) continue;
      const over = this.values.wholeValue(part).value;
      if (over <= 0) continue;
      const { held, heldCosts } = part;
      const gainOf = (i: number, x: number): number => (this.values.worth[i] as number) - (heldCosts[x] as number);
      const owed = held.reduce((t, i, x) => t + Math.max(0, -gainOf(i, x)), part.base);
      const share = over / (owed + over) + giveBackMore;
      this.values.gainsOf(part);
      held.forEach((i, x) => {
        const gain = gainOf(i, x);
        if (gain > 0 && !part.items.includes(i)) this.values.worth[i] = (this.values.worth[i] as number) - share * gain;
      });
      const { gains, items, count } = this.values.offer;
      for (let k = 0; k < count; k++) {
        const i = items[k] as number;
        if ((gains[k] as number) > 0)
          this.values.worth[i] = (this.values.worth[i] as number) - share * (gains[k] as number);
      }
    }
    return this.values.worth;
  }
  /** Where the effort was spent before: one set for each setting and company, by following the better part. */
  private quickSets(queue: TinyQueue<Part>, wanted: number): Answer[] {
    const seen = new Set<string>();
    const sets: Answer[] = [];
    for (const part of [...queue.data].sort((x, y) => y.value - x.value)) {
      if (sets.length >= wanted) break;
      const key = `${part.way.index} ${part.company}`;
      if (seen.has(key)) continue;
      seen.add(key);
      const found = this.follow(part);
      if (!found) continue;
      // The parts on the way to it are not kept.
      found.part = part;
      part.answers.push(found);
      sets.push(found);
    }
    return sets;
  }
  /** The sets found in a part that has been divided: each costs what the parts that it lies in charge it at least. */
  private handOn({ answers }: Part, parts: readonly Part[]): void {
    for (const answer of answers) {
      answer.cost = Infinity;
      answer.part = null;
      for (const part of parts) {
        const cost = this.made.chargeOf(part, answer.items);
        if (cost < answer.cost) [answer.cost, answer.part] = [cost, part];
      }
      answer.part?.answers.push(answer);
    }
  }
  private follow(from: Part): Answer | null {
    for (let part: Part | null = from; part;) {
      const next: Answer | Part[] | null = this.divide(part);
      if (next === null || 'cost' in next) return next;
      part = null;
      let most = this.values.least;
      for (const child of next) {
        if (this.values.look(child, from.value) <= most) continue;
        most = child.value;
        part = child;
      }
    }
    return null;
  }
  /** The whole set that fills a part best: an answer, or the parts into which its harm divides it; null where no whole set is worth it. */
  private divide(part: Part): Answer | Part[] | null {
    const { way } = part;
    const { value, set } = this.values.wholeValue(part);
    part.value = Math.min(part.value, value);
    if (part.value <= this.values.least) return null;
    const choice = this.division.choose(part, set, this.values.worth);
    if (choice && (way.modes.length === 0 || choice.harm > outlineHarm)) return choice.parts();
    if (way.modes.length > 0) return this.made.byModes(part);
    const cost = this.made.chargeOf(part, set);
    if (cost === Infinity) return null;
    const gain = set.reduce((t, i) => t + (this.values.worth[i] as number), 0) - cost;
    return part.value - gain > smallSlack
      ? (this.division.priced(part, set) ?? { items: set, cost, part })
      : { items: set, cost, part };
  }
}
