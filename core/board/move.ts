/** What a hand-made move would change: the two loads it touches, the price, and the rules it breaks. Fast enough to follow a dragged piece. */
import type { Binding, Outcome } from '../model/plan.ts';
import type { Basket } from '../price/basket.ts';
import { bindingsOf } from '../plan/explain.ts';
import { constraintWords, violationsOfSet, type RuleType } from './pins.ts';
import { loadFacts, outcomeCost, type LoadFacts } from '../plan/plan.ts';
import { deferralCost, loadAt, priceLoad, pricesBySetting, type PricedLoad, type Violation } from '../price/price.ts';
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
  constraints: readonly Violation[];
  type: RuleType | null;
  /** The broken rules in words; empty when none. */
  text: string;
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
const wordsOf = (v: Violation): string =>
  v === 'no-suitable-product'
    ? constraintWords.H6
    : v === 'no-suitable-programme'
      ? 'nothing here washes both'
      : constraintWords[v];

/** The reasons in words: each standing conflict names its piece; what only a setting breaks is said in general. */
function whyNot(b: Basket, set: readonly number[], piece: number, constraints: readonly Violation[]): string {
  const said = new Set<Violation>();
  const texts: string[] = [];
  for (const j of set) {
    const conflict = b.conflict[piece]?.[j];
    if (!conflict || said.has(conflict.constraint)) continue;
    said.add(conflict.constraint);
    texts.push(conflict.text());
  }
  for (const v of constraints) {
    if (said.has(v)) continue;
    const words = wordsOf(v);
    texts.push(`${words.charAt(0).toUpperCase()}${words.slice(1)}.`);
  }
  return texts.join(' ');
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
      constraints: [],
      type: null,
      text: '',
    };
  if (target.to === 'hand') {
    const byHand = pricesBySetting(b, [piece]).find((p) => p.setting.method === 'hand');
    if (byHand)
      return {
        delta: (left?.cost ?? 0) + byHand.cost - before,
        from,
        to: after(b, byHand),
        constraints: [],
        type: null,
        text: '',
      };
    return b.settings.some((s) => s.method === 'hand')
      ? {
          delta: null,
          from,
          to: null,
          constraints: ['H1'],
          type: violationsOfSet(b, [piece]).type === 'safety' ? 'safety' : 'risk',
          text:
            b.profiles[piece]?.closure?.reason ?? 'Its label, or the size of the basin, is against washing it by hand.',
        }
      : {
          delta: null,
          from,
          to: null,
          constraints: ['no-suitable-programme'],
          type: 'safety',
          text: 'There is no basin in this household.',
        };
  }
  if (target.to === 'load' && target.load === at) {
    const stays = priceOf(source);
    return { delta: 0, from: null, to: stays && after(b, stays), constraints: [], type: null, text: '' };
  }
  const joined = target.to === 'load' ? (loads[target.load] ?? []) : [];
  const set = [...joined.filter((i) => i !== piece), piece].sort((x, y) => x - y);
  const price = priceLoad(b, set);
  if (!price.feasible) {
    const { constraints, type } = violationsOfSet(b, set);
    return { delta: null, from, to: null, constraints, type, text: whyNot(b, set, piece, constraints) };
  }
  const targetBefore = target.to === 'load' && joined.length > 0 ? (priceOf(joined)?.cost ?? 0) : 0;
  return {
    delta: (left?.cost ?? 0) + price.cost - before - targetBefore,
    from,
    to: after(b, price),
    constraints: [],
    type: null,
    text: '',
  };
}

/** The same load at another setting, for trying out; null when it cannot be. */
export function loadAtSetting(b: Basket, pieces: readonly number[], setting: number): LoadAfter | null {
  const load = loadAt(b, pieces, setting);
  return load && after(b, load);
}
