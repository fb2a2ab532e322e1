/** Loads given out to machines that are alike, so that the last one ends as early as it can. */
import type { Programme, Washer } from '../model/household.ts';
import type { PricedLoad } from '../price/price.ts';

const programmeText = ({ id: _id, name: _name, energyKwhAt, ...rest }: Programme): string =>
  JSON.stringify([rest, [...energyKwhAt]]);
const washerText = ({ id: _id, name: _name, programmes, ...rest }: Washer): string =>
  JSON.stringify([rest, programmes.map(programmeText)]);

/** Up to so many ways all are tried; beyond, the longest load goes to the machine that is free first. */
const mostWays = 20_000;

/** The machine of each load, an index below `machines`. */
export function divide(minutes: readonly number[], machines: number): number[] {
  const longest = (ends: readonly number[]): number => Math.max(...ends);
  const order = minutes.map((_, i) => i).sort((x, y) => (minutes[y] ?? 0) - (minutes[x] ?? 0) || x - y);
  const best = new Array<number>(minutes.length).fill(0);
  const ends = new Array<number>(machines).fill(0);
  for (const i of order) {
    const free = ends.indexOf(Math.min(...ends));
    best[i] = free;
    ends[free] = (ends[free] ?? 0) + (minutes[i] ?? 0);
  }
  if (machines ** minutes.length > mostWays) return best;
  let least = longest(ends);
  const found = [...best];
  const way = new Array<number>(minutes.length).fill(0);
  const sums = new Array<number>(machines).fill(0);
  const tryFrom = (at: number): void => {
    if (longest(sums) >= least - 1e-9) return;
    if (at === order.length) {
      least = longest(sums);
      way.forEach((m, i) => (found[i] = m));
      return;
    }
    const i = order[at] ?? 0;
    for (let m = 0; m < machines; m++) {
      way[i] = m;
      sums[m] = (sums[m] ?? 0) + (minutes[i] ?? 0);
      tryFrom(at + 1);
      sums[m] = (sums[m] ?? 0) - (minutes[i] ?? 0);
    }
  };
  tryFrom(0);
  return found;
}

/** `loads` in running order; the price of a load does not depend on which of two like machines takes it. */
export function shareOut(loads: readonly PricedLoad[], washers: readonly Washer[]): PricedLoad[] {
  const out = [...loads];
  const kinds = new Map<string, Washer[]>();
  for (const w of washers) kinds.set(washerText(w), [...(kinds.get(washerText(w)) ?? []), w]);
  for (const twins of kinds.values()) {
    if (twins.length < 2) continue;
    const at = out.flatMap(({ setting: s }, i) => (s.method === 'machine' && twins.includes(s.washer) ? [i] : []));
    const machines = divide(
      at.map((i) => out[i]?.durationMin ?? 0),
      twins.length,
    );
    at.forEach((i, k) => {
      const load = out[i];
      const washer = twins[machines[k] ?? 0];
      if (!load || load.setting.method !== 'machine' || !washer) return;
      const programme = washer.programmes[load.setting.washer.programmes.indexOf(load.setting.programme)];
      if (programme) out[i] = { ...load, setting: { ...load.setting, washer, programme } };
    });
  }
  return out;
}
