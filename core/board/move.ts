/** What a hand-made move would change: the two loads it touches, the price, and the rules it breaks. Fast enough to follow a dragged piece. */
import { say, type Message } from '../message/message.ts';
import type { RuleType, Violation } from '../model/constraints.ts';
import type { Binding, Outcome } from '../model/plan.ts';
import { conflictOf, type Basket } from '../price/basket.ts';
import { bindingsOf } from '../plan/explain.ts';
import { violationsOfSet } from './pins.ts';
import { loadFacts, outcomeCost, type LoadFacts } from '../plan/plan.ts';
import { deferralCost, loadAt, priceLoad, pricesBySetting, type PricedLoad } from '../price/price.ts';
import type { Profile } from '../piece/profile.ts';

export type MoveTarget =
  { to: 'load'; load: number } | { to: 'own' } | { to: 'hand' } | { to: 'outcome'; outcome: Exclude<Outcome, 'wash'> };
export interface LoadAfter {
  facts: LoadFacts;
  cost: number;
  durationMin: number;
  bindings: readonly Binding[];
  pieces: readonly number[];
}
export interface Consequence {
  /** EUR; null when the move cannot be priced because a rule forbids the load. */
  delta: number | null;
  /** The load it leaves, without it; null when it was alone or in none. */
  from: LoadAfter | null;
  /** The load it joins, with it; null for waiting or when forbidden. */
  to: LoadAfter | null;
  violations: readonly Violation[];
  type: RuleType | null;
  /** The broken rules, each with its reason; empty when none. */
  reasons: readonly Message[];
}

const profilesOf = (b: Basket, pieces: readonly number[]): Profile[] => pieces.flatMap((i) => b.profiles[i] ?? []);
function after(b: Basket, load: PricedLoad): LoadAfter {
  return {
    facts: loadFacts(load),
    cost: load.cost,
    durationMin: load.durationMin,
    bindings: bindingsOf(load, profilesOf(b, load.pieces), b.household.rules),
    pieces: load.pieces,
  };
}
const brokenRule = (violation: Violation): Message =>
  violation === 'no-suitable-programme' ? say('board.nothing-washes-both') : say('board.broken', { violation });

/** Each standing conflict names its piece; what only a setting breaks is said in general. */
export function whyNot(b: Basket, set: readonly number[], piece: number, violations: readonly Violation[]): Message[] {
  const said = new Set<Violation>();
  const out: Message[] = [];
  for (const j of set) {
    const conflict = conflictOf(b, piece, j);
    if (!conflict || said.has(conflict.constraint)) continue;
    said.add(conflict.constraint);
    out.push(conflict.message());
  }
  return [...out, ...violations.filter((v) => !said.has(v)).map(brokenRule)];
}

/** `loads` = the plan as it stands, ascending piece indices. */
export function consequenceOf(
  b: Basket,
  loads: readonly (readonly number[])[],
  piece: number,
  target: MoveTarget,
): Consequence {
  const at = loads.findIndex((l) => l.includes(piece));
  const source = at >= 0 ? (loads[at] ?? []) : [];
  const rest = source.filter((i) => i !== piece);
  const priceOf = (set: readonly number[]): PricedLoad | null => {
    if (set.length === 0) return null;
    const p = priceLoad(b, set);
    return p.feasible ? p : null;
  };
  const before = at >= 0 ? (priceOf(source)?.cost ?? 0) : deferralCost(b, piece);
  const left = priceOf(rest);
  const from = left ? after(b, left) : null;
  if (target.to === 'outcome')
    return {
      delta: (left?.cost ?? 0) + outcomeCost(b, piece, target.outcome) - before,
      from,
      to: null,
      violations: [],
      type: null,
      reasons: [],
    };
  if (target.to === 'hand') {
    const byHand = pricesBySetting(b, [piece]).find((p) => p.setting.method === 'hand');
    if (byHand)
      return {
        delta: (left?.cost ?? 0) + byHand.cost - before,
        from,
        to: after(b, byHand),
        violations: [],
        type: null,
        reasons: [],
      };
    return b.settings.some((s) => s.method === 'hand')
      ? {
          delta: null,
          from,
          to: null,
          violations: ['H1'],
          type: violationsOfSet(b, [piece]).type === 'safety' ? 'safety' : 'risk',
          reasons: [b.profiles[piece]?.closure?.reason ?? say('board.against-hand')],
        }
      : {
          delta: null,
          from,
          to: null,
          violations: ['no-suitable-programme'],
          type: 'safety',
          reasons: [say('board.no-basin')],
        };
  }
  if (target.to === 'load' && target.load === at) {
    const stays = priceOf(source);
    return { delta: 0, from: null, to: stays && after(b, stays), violations: [], type: null, reasons: [] };
  }
  const joined = target.to === 'load' ? (loads[target.load] ?? []) : [];
  const set = [...joined.filter((i) => i !== piece), piece].sort((x, y) => x - y);
  const price = priceLoad(b, set);
  if (!price.feasible) {
    const { violations, type } = violationsOfSet(b, set);
    return { delta: null, from, to: null, violations, type, reasons: whyNot(b, set, piece, violations) };
  }
  const targetBefore = target.to === 'load' && joined.length > 0 ? (priceOf(joined)?.cost ?? 0) : 0;
  return {
    delta: (left?.cost ?? 0) + price.cost - before - targetBefore,
    from,
    to: after(b, price),
    violations: [],
    type: null,
    reasons: [],
  };
}

/** The same load at another setting, for trying out; null when it cannot be. */
export function loadAtSetting(b: Basket, pieces: readonly number[], setting: number): LoadAfter | null {
  const load = loadAt(b, pieces, setting);
  return load && after(b, load);
}
