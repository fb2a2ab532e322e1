/** The integer-programming library as a solver of set-partition programs. Its limits are counts of nodes, so that a basket always gets the same plan. */
import type { Highs } from 'highs';
import type { PartitionProgram, PartitionSolver } from '@core/solve/partition.ts';

/** Nodes of the library's tree, and the share of the cost that may stay open. */
const limits = { mip_max_nodes: 40, mip_rel_gap: 1e-3 };

/** The program in the library's text form: how often each load is washed, and how many of a kind wait. */
export function programText({ counts, waitCosts, loads }: PartitionProgram): string {
  const rows = counts.map((): string[] => []);
  const cost: string[] = [];
  loads.forEach((load, x) => {
    cost.push(`+ ${load.cost.toFixed(9)} x${x}`);
    const times = new Map<number, number>();
    for (const kind of load.kinds) times.set(kind, (times.get(kind) ?? 0) + 1);
    for (const [kind, n] of times) rows[kind]?.push(`+ ${n} x${x}`);
  });
  const bounds = loads.map((load, x) => {
    const most = Math.min(...load.kinds.map((kind) => counts[kind] as number));
    return `0 <= x${x} <= ${most}`;
  });
  waitCosts.forEach((wait, kind) => {
    if (wait === Infinity) return;
    cost.push(`+ ${wait.toFixed(9)} w${kind}`);
    rows[kind]?.push(`+ 1 w${kind}`);
    bounds.push(`0 <= w${kind} <= ${counts[kind]}`);
  });
  const whole = [...loads.map((_, x) => `x${x}`), ...waitCosts.flatMap((w, k) => (w === Infinity ? [] : [`w${k}`]))];
  return [
    'Minimize',
    ` obj: ${cost.join('\n')}`,
    'Subject To',
    ...rows.map((row, kind) => ` r${kind}: ${row.join('\n')} = ${counts[kind]}`),
    'Bounds',
    ...bounds,
    'General',
    whole.join('\n'),
    'End',
    '',
  ].join('\n');
}

/** @example partitionBy(await loadHighs()) */
export const partitionBy =
  (highs: Highs): PartitionSolver =>
  (program) => {
    if (program.loads.length === 0) return null;
    const answer = highs.solve(programText(program), { output_flag: false, ...limits });
    const columns = answer.Columns as Record<string, { Primal?: number }>;
    const times = program.loads.map((_, x) => Math.round(columns[`x${x}`]?.Primal ?? 0));
    return times.some((n) => n > 0) ? times : null;
  };
