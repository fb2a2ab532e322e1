/** A typed line as a screen shows it: what was understood, what was assumed, which words nobody understood. */
import type { PieceLine } from '@core/phrase/piece-line.ts';
import { lineInWords } from '@words/en/piece-line.ts';
import { textOf } from '@words/text.ts';
import type { GarmentInput } from '@data/garments.ts';

export interface LineView {
  /** The line, cut where a word was not understood. */
  words: { text: string; clear: boolean }[];
  understood: string[];
  assumed: string[];
  problems: string[];
}
export function lineView(p: PieceLine): LineView {
  const words: LineView['words'] = [];
  let at = 0;
  for (const { from, to } of p.unknown) {
    if (from > at) words.push({ text: p.text.slice(at, from), clear: true });
    words.push({ text: p.text.slice(from, to), clear: false });
    at = to;
  }
  if (at < p.text.length) words.push({ text: p.text.slice(at), clear: true });
  return {
    words,
    understood: lineInWords(p),
    assumed: p.assumed.map(textOf),
    problems: p.problems.map(textOf),
  };
}

/** Grams that stand in where the kind does not tell. */
const unknownMassG = 200;
/** Stands for a colour nobody has said yet, on the drawing only. */
const noColour = '#8b8d94';

/** The piece a line describes; what was not said is at its usual value. */
export const garmentOf = (p: PieceLine, name: string): GarmentInput => ({
  name,
  owner: p.owner,
  kind: p.kind,
  size: p.size,
  heightCm: p.heightCm,
  parts: p.parts.map((x) => ({ role: x.role, fibres: x.fibres.map((f) => ({ ...f })) })),
  traits: p.traits,
  colours: p.colours.length > 0 ? p.colours : [{ hex: noColour, role: 'ground' }],
  dye: p.dye,
  label: p.label ? { ...p.label, phrases: [...p.label.phrases] } : null,
  dryMassG: p.kind === 'other' ? unknownMassG : null,
  use: p.use,
  count: 1,
  set: null,
  valueEur: p.valueEur ?? 20,
});
