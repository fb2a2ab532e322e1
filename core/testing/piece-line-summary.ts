/** What was read from a line, in short, for tables of expected readings. Only what was said stands in it. */
import type { PieceLine } from '../phrase/piece-line.ts';

export function summaryOf(p: PieceLine): string {
  const w = p.label?.wash;
  const label = p.label
    ? [
        w ? `wash ${w.by}${w.by === 'none' ? '' : ` ${w.maxC}`}${w.by === 'machine' ? ` ${w.action}` : ''}` : '',
        p.label.bleach ? `bleach ${p.label.bleach}` : '',
        p.label.tumble ? `tumble ${p.label.tumble}` : '',
        p.label.dry ? `dry ${p.label.dry.position}` : '',
        p.label.iron ? `iron ${p.label.iron}` : '',
        ...p.label.phrases,
      ]
    : [];
  return [
    p.name,
    p.kind,
    ...p.parts.map((x) => `${x.role} ${x.fibres.map((f) => `${f.fibre} ${f.percent}`).join(' ')}`),
    ...p.colours.map((c) => `${c.role} ${c.hex}`),
    ...label,
    p.size === 'M' ? '' : `size ${p.size}`,
    p.heightCm === null ? '' : `${p.heightCm} cm`,
    p.owner ? `of ${p.owner}` : '',
    p.count === null ? '' : `× ${p.count}`,
    p.valueEur === null ? '' : `€ ${p.valueEur}`,
    p.washCount === null ? '' : `washed ${p.washCount}`,
    p.wearsSinceWash === null ? '' : `worn ${p.wearsSinceWash}`,
    ...p.marks.map((m) => `${m.kind}${m.place ? ` at ${m.place}` : ''}`),
    p.odour ? 'smells' : '',
    ...p.problems.map((m) => `! ${m.code}`),
    p.unknown.length > 0 ? `? ${p.unknown.map((u) => u.word).join(' ')}` : '',
  ]
    .filter(Boolean)
    .join(' | ');
}
