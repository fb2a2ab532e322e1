/** Rows of figures as a Markdown table. */
export function table(head: readonly string[], rows: readonly (readonly (string | number)[])[]): string {
  return [head, head.map(() => '---'), ...rows].map((r) => `| ${r.join(' | ')} |`).join('\n');
}

export const median = (xs: readonly number[]): number => quantile(xs, 0.5);
/** Quantile by the nearest rank. */
export function quantile(xs: readonly number[], q: number): number {
  const sorted = [...xs].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(q * sorted.length) - 1)] ?? Number.NaN;
}
