/** Why loads stay apart, gathered: what keeps one piece from several others is told once, with all of them. */
import type { PlanDocument, Stored } from '@formats/plan.ts';
import type { Message } from '@core/message/message.ts';
import { listed, textOf } from '@words/text.ts';

type Separation = Stored<PlanDocument['separations'][number]>;
interface Gathered {
  garments: string[];
  constraint: string;
  text: string;
}

/** The parameters as a plain record: spreading the union of all messages would cost the type checker minutes. */
const paramsOf = (row: Separation): Record<string, string> | undefined =>
  row.say?.params as Record<string, string> | undefined;

/** Gathers rows whose messages differ in one parameter only. */
function gatheredBy(rows: readonly Separation[], param: 'other' | 'name'): Separation[] {
  const groups = new Map<string, Separation[]>();
  rows.forEach((row, i) => {
    const params = paramsOf(row);
    const key =
      typeof params?.[param] === 'string'
        ? JSON.stringify([row.constraint, row.say?.code, { ...params, [param]: '' }])
        : `single ${i}`;
    groups.set(key, [...(groups.get(key) ?? []), row]);
  });
  return [...groups.values()].map((group) => {
    const [first] = group;
    if (!first?.say || group.length < 2) return first as Separation;
    const names = [...new Set(group.map((s) => paramsOf(s)?.[param] ?? ''))];
    const code: string = first.say.code;
    const say = { code, params: { ...paramsOf(first), [param]: listed(names) } } as unknown as Message;
    const garments = [...new Set(group.flatMap((s) => s.garments))];
    return { ...first, garments, say, text: textOf(say) };
  });
}

export const gatheredSeparations = (rows: readonly Separation[]): Gathered[] =>
  gatheredBy(gatheredBy(rows, 'other'), 'name').map(({ garments, constraint, text }) => ({
    garments,
    constraint,
    text,
  }));
