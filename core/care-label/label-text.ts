/** Typed label words into the label model. What is not understood is returned, never guessed. */
import type { Message } from '../message/message.ts';
import type { Part } from '../model/garment.ts';
import { readComposition } from '../phrase/composition.ts';
import { emptyLabel, labelTemperaturesC, type CareLabel, type LabelWash, type Phrase } from './label.ts';

export interface LabelReading {
  label: CareLabel | null;
  understood: string[];
  rest: string;
}

/** A label read from words: care, composition, what nobody understood and what does not add up. */
export interface WholeLabelReading {
  label: CareLabel | null;
  parts: Part[];
  understood: string[];
  rest: string;
  problems: Message[];
}

interface Rule {
  pattern: RegExp;
  apply: (label: CareLabel, match: RegExpMatchArray) => CareLabel;
}

/** The label temperature at or below a typed one; words: cold ≤ 30, warm ≤ 40, hot ≤ 60 °C. */
function labelTemperature(text: string | undefined): number {
  if (text === undefined) return 40;
  const word = { cold: 30, cool: 30, lukewarm: 30, tepid: 30, warm: 40, hot: 60, boil: 95 }[text];
  if (word !== undefined) return word;
  const typed = Number(text.replace(/[^\d]/g, ''));
  const celsius = /f/.test(text) || typed > 100 ? (typed - 32) / 1.8 : typed;
  return [...labelTemperaturesC].reverse().find((t) => t <= celsius + 1) ?? 30;
}
const temperature = String.raw`(\d{2,3}\s*°?\s*[cf]?\b|cold|cool|lukewarm|tepid|warm|hot|boil)`;
const gentle = (text: string): 'normal' | 'mild' | 'very-mild' =>
  /very (gentle|mild|delicate)|wool/.test(text)
    ? 'very-mild'
    : /gentle|mild|delicate|easy/.test(text)
      ? 'mild'
      : 'normal';
const machine = (text: string, t: string | undefined): LabelWash => ({
  by: 'machine',
  maxC: labelTemperature(t),
  action: gentle(text),
});
const phrase =
  (p: Phrase) =>
  (label: CareLabel): CareLabel => ({
    ...label,
    phrases: label.phrases.includes(p) ? label.phrases : [...label.phrases, p],
  });

const numberWords: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  '1': 1,
  '2': 2,
  '3': 3,
  '4': 4,
  '5': 5,
  '6': 6,
};
const countOf = (text: string | undefined): number => numberWords[text ?? ''] ?? 0;
const dots = String.raw`(one|two|three|four|five|six|[1-6]) dots?`;
/** Dots in the tub (ASTM D5489): 30, 40, 50, 60, 70, 95 °C. */
const tubDots = [30, 40, 50, 60, 70, 95] as const;
const ironDots = ['low', 'medium', 'high'] as const;
/** Bars under the tub: one mild, two very mild; older national systems say "weak". */
const bars = (text: string): 'normal' | 'mild' | 'very-mild' =>
  /two bars|2 bars|double bar/.test(text)
    ? 'very-mild'
    : /one bar|1 bar|single bar|weak|permanent press/.test(text)
      ? 'mild'
      : gentle(text);

/** Tried in this order; each consumes its words. */
const rules: readonly Rule[] = [
  {
    pattern: /\bprofessional (leather|fur) clean(ing)?( only)?\b|\bleather (clean|specialist)[a-z ]*only\b/,
    apply: (l) => phrase('professional-leather')({ ...l, wash: { by: 'none' } }),
  },
  {
    pattern: /\b(damp wipe|wipe clean|wipe with a damp cloth|sponge clean)( only)?\b/,
    apply: (l) => phrase('damp-wipe-only')({ ...l, wash: { by: 'none' } }),
  },
  {
    pattern: /\b(do not|don't|no|never) (wring|twist)( or twist)?\b|\btwisted cloth (crossed|with a cross)\b/,
    apply: phrase('do-not-wring'),
  },
  { pattern: /\b(do not|don't|no|never) soak(ing)?\b/, apply: phrase('do-not-soak') },
  { pattern: /\b(remove|take out) (promptly|immediately|at once)\b/, apply: phrase('remove-promptly') },
  { pattern: /\b(no|without) (optical )?brightener(s)?\b/, apply: phrase('no-optical-brightener') },
  { pattern: /\b(use a |in a |wash in a )?(laundry |washing |mesh )(net|bag)\b/, apply: phrase('use-net') },
  {
    pattern: /\b(re)?shape (while|whilst|when) (damp|wet)\b|\bpull (in)?to shape\b/,
    apply: phrase('reshape-while-damp'),
  },
  { pattern: /\b(dry )?away from (direct )?heat\b/, apply: phrase('dry-away-from-heat') },
  { pattern: /\biron (on (the )?)?(reverse|inside out|wrong side|back)( side)?\b/, apply: phrase('iron-inside-out') },
  { pattern: /\b(iron )?(with|use) a? ?(press|pressing|damp) cloth\b/, apply: phrase('iron-with-press-cloth') },
  {
    pattern: /\b(do not|don't|no) iron(ing)? (on )?(the )?(print|decoration|trim|motif|embroidery)\b/,
    apply: phrase('do-not-iron-decoration'),
  },
  { pattern: /\bsteam only\b|\bsteam,? do not iron\b/, apply: (l) => phrase('steam-only')({ ...l, iron: 'none' }) },
  { pattern: /\b(do not|don't|no) steam( iron)?\b/, apply: (l) => ({ ...l, iron: l.iron ?? 'low' }) },
  {
    pattern: /\b(professional )?wet[- ]?clean(ing)?( only)?( very (gentle|mild)| gentle| mild)?\b/,
    apply: (l, m) => ({
      ...l,
      wetClean: /very/.test(m[0]) ? 'very-mild' : /gentle|mild/.test(m[0]) ? 'mild' : 'normal',
    }),
  },
  { pattern: /\b(do not|don't|no) wet[- ]?clean\b/, apply: (l) => ({ ...l, wetClean: 'none' }) },
  {
    pattern: /\bcircle (with )?(an? )?(a|p|f)\b( (one bar|mild))?/,
    apply: (l, m) => ({
      ...l,
      dryClean: m[3] === 'a' ? 'any' : m[3] === 'f' ? (m[4] ? 'F-mild' : 'F') : m[4] ? 'P-mild' : 'P',
    }),
  },
  {
    pattern: new RegExp(String.raw`\biron[ ,]*(with )?${dots}`),
    apply: (l, m) => ({ ...l, iron: ironDots[Math.min(3, countOf(m[2])) - 1] ?? 'low' }),
  },
  {
    pattern: new RegExp(String.raw`\b(tumble( dry| dryer)?|dryer)[ ,]*(with )?${dots}`),
    apply: (l, m) => ({ ...l, tumble: countOf(m[4]) <= 1 ? 'low' : 'normal' }),
  },
  {
    pattern: new RegExp(
      String.raw`\b((wash )?tub|wash|machine wash)[ ,]*(with )?${dots}([ ,]*(one|two|1|2|single|double) bars?)?`,
    ),
    apply: (l, m) => ({ ...l, wash: { by: 'machine', maxC: tubDots[countOf(m[4]) - 1] ?? 30, action: bars(m[0]) } }),
  },
  {
    pattern: /\b(crossed (out )?|cross over )(wash )?tub\b|\b(wash )?tub (is )?crossed( out)?\b/,
    apply: (l) => ({ ...l, wash: { by: 'none' } }),
  },
  {
    pattern: /\bcrossed (out )?triangle\b|\btriangle (is )?crossed( out)?\b/,
    apply: (l) => ({ ...l, bleach: 'none' }),
  },
  { pattern: /\btriangle with (two )?(slanted |diagonal )?lines\b/, apply: (l) => ({ ...l, bleach: 'oxygen' }) },
  { pattern: /\bcrossed (out )?iron\b|\biron (is )?crossed( out)?\b/, apply: (l) => ({ ...l, iron: 'none' }) },
  {
    pattern: /\b(tub|machine)[ ,]*(\d{2,3})[ ,]*(weak|one bar|two bars|single bar|double bar)/,
    apply: (l, m) => ({ ...l, wash: { by: 'machine', maxC: labelTemperature(m[2]), action: bars(m[0]) } }),
  },
  { pattern: /\bdry[- ]?clean only\b/, apply: (l) => phrase('dry-clean-only')({ ...l, wash: { by: 'none' } }) },
  { pattern: /\b(do not|don't|no|never) wash\b/, apply: (l) => ({ ...l, wash: { by: 'none' } }) },
  { pattern: /\b(do not|no|not) dry[- ]?clean(ing)?\b/, apply: (l) => ({ ...l, dryClean: 'none' }) },
  { pattern: /\bwash separately (the )?first( time)?\b/, apply: phrase('wash-separately-first') },
  { pattern: /\bwash (it )?separately\b/, apply: phrase('wash-separately') },
  { pattern: /\b(wash )?with like colou?rs\b/, apply: phrase('wash-with-like-colours') },
  { pattern: /\b(wash )?inside out\b/, apply: phrase('wash-inside-out') },
  { pattern: /\b(no|without) (fabric )?softener\b/, apply: phrase('no-softener') },
  {
    pattern: /\b(do not|don't|no|not in the|never in the|without) (tumble[- ]?(dry(er|ing)?)?|dryer)\b/,
    apply: (l) => ({ ...l, tumble: 'none' }),
  },
  { pattern: /\btumble( dry)?[ ,]*(on )?(low|cool|gentle)( heat)?\b/, apply: (l) => ({ ...l, tumble: 'low' }) },
  { pattern: /\btumble( dry| dryer)?( ok| normal| medium)?\b/, apply: (l) => ({ ...l, tumble: 'normal' }) },
  { pattern: /\b(only )?(non[- ]?chlorine|oxygen) bleach( only)?\b/, apply: (l) => ({ ...l, bleach: 'oxygen' }) },
  { pattern: /\b(do not|no) bleach\b/, apply: (l) => ({ ...l, bleach: 'none' }) },
  { pattern: /\b(any bleach|bleach ok)\b/, apply: (l) => ({ ...l, bleach: 'any' }) },
  { pattern: /\b(do not|no) iron(ing)?\b/, apply: (l) => ({ ...l, iron: 'none' }) },
  { pattern: /\b(cool|low) iron\b|\biron (cool|low)\b/, apply: (l) => ({ ...l, iron: 'low' }) },
  { pattern: /\b(warm|medium) iron\b|\biron (warm|medium)\b/, apply: (l) => ({ ...l, iron: 'medium' }) },
  { pattern: /\b(hot|high) iron\b|\biron (hot|high)\b/, apply: (l) => ({ ...l, iron: 'high' }) },
  {
    pattern: /\b(dry flat|flat dry)\b/,
    apply: (l) => ({ ...l, dry: { position: 'flat', drip: false, shade: false } }),
  },
  {
    pattern: /\b(drip dry|line dry|hang (to )?dry)\b/,
    apply: (l, m) => ({ ...l, dry: { position: 'line', drip: (m[0] ?? '').startsWith('drip'), shade: false } }),
  },
  { pattern: /\bin (the )?shade\b/, apply: phrase('dry-in-shade') },
  {
    pattern:
      /\b(?:(\d{2}) ?(?:° ?c? )?)?(hand[- ]?wash|wool|silk|delicates?|gentle) (?:cycle|programme|program)(?: (?:at )?(\d{2}))?\b/,
    apply: (l, m) => ({
      ...l,
      wash: {
        by: 'machine',
        maxC: labelTemperature(m[1] ?? m[3] ?? '30'),
        action: /hand|wool|silk/.test(m[0]) ? 'very-mild' : 'mild',
      },
    }),
  },
  {
    pattern: new RegExp(String.raw`\b(hand[- ]?wash(able| only)?|wash by hand|by hand)( ${temperature})?`),
    apply: (l, m) => ({ ...l, wash: { by: 'hand', maxC: Math.min(40, labelTemperature(m[4])) } }),
  },
  {
    pattern: new RegExp(
      String.raw`\b(machine(?:[- ]?wash(?:able)?)?|wash(?:able)?(?: at| on)?|up to)[ ,]*${temperature}[ ,]*(very gentle|very mild|gentle|mild|delicates?|easy care|wool(?! ?[a-z]))?`,
    ),
    apply: (l, m) => ({ ...l, wash: machine(m[0] ?? '', m[2]) }),
  },
  {
    pattern:
      /\b(very gentle|very mild|gentle|mild|delicates?|wool) (cycle |programme |program )?(at )?(30|40|50|60|70|90|95)\b/,
    apply: (l, m) => ({ ...l, wash: machine(m[0], m[4]) }),
  },
  {
    // A bare number is a temperature only where a label could print it, and where nothing else is counted.
    pattern:
      /\b(\d{2}(?=\s?°|\s?c\b|\s?degrees?\b)|30|40|50|60|70|90|95)\b(\s?°\s?c?| ?c\b| ?degrees?)?(?! ?(?:cm|mm|den|denier|g|kg|times|days|wears|washes|pieces|x|×|%|€|eur|euros?|percent)(?![a-z]))[ ,]*(very gentle|very mild|gentle|mild|delicates?|wool(?! ?[a-z]))?/,
    apply: (l, m) => ({ ...l, wash: machine(m[0], m[1]) }),
  },
  {
    pattern: /(?<=^|[,;] ?)(cool|cold)(?= ?(?:[,;]|$))/,
    apply: (l, m) => ({ ...l, wash: machine('', m[1]) }),
  },
  {
    pattern: /\b(cold|cool|lukewarm|warm|hot|boil)[- ]wash(able)?\b/,
    apply: (l, m) => ({ ...l, wash: machine('', m[1]) }),
  },
  { pattern: /\b(gentle|mild|delicate) machine wash\b/, apply: (l) => ({ ...l, wash: machine('gentle', undefined) }) },
  { pattern: /\bmachine[- ]?wash(able)?\b/, apply: (l) => ({ ...l, wash: machine('', undefined) }) },
  { pattern: /\bdry[- ]?clean(ing)?\b/, apply: (l) => ({ ...l, dryClean: 'P' }) },
];

/** A stretch of label words that was understood. */
export interface LabelSpan {
  from: number;
  to: number;
}
/**
 * Find label words in a text in lower case; what was understood keeps its place. Each stretch is read once, the more special rules first.
 * @example scanLabel('navy jumper, hand wash').label?.wash // { by: 'hand', maxC: 40 }
 */
export function scanLabel(text: string): { label: CareLabel | null; spans: LabelSpan[] } {
  let open = text.replace(/[;.]/g, ' ');
  let label = emptyLabel;
  const spans: LabelSpan[] = [];
  for (const { pattern, apply } of rules) {
    const match = pattern.exec(open);
    if (!match) continue;
    label = apply(label, match);
    const from = match.index + (match[0].length - match[0].trimStart().length);
    const to = from + match[0].trim().length;
    spans.push({ from, to });
    open = open.slice(0, from) + '\u0001'.repeat(to - from) + open.slice(to);
  }
  return { label: spans.length > 0 ? label : null, spans };
}

/** Read label words from a line. `rest` is what no rule understood. */
export function readLabelText(text: string): LabelReading {
  const line = text.toLowerCase().replace(/[;.]/g, ' ').replace(/\s+/g, ' ').trim();
  const { label, spans } = scanLabel(line);
  let rest = line;
  for (const { from, to } of [...spans].sort((a, b) => b.from - a.from))
    rest = `${rest.slice(0, from)} ${rest.slice(to)}`;
  return {
    label,
    understood: spans.map(({ from, to }) => line.slice(from, to)),
    rest: rest.replace(/\s+/g, ' ').trim(),
  };
}

/** Care and composition together, from the words of a whole label. */
export function readWholeLabel(text: string): WholeLabelReading {
  const fibres = readComposition(text);
  const care = readLabelText(fibres.rest);
  const rest = care.rest
    .split(',')
    .map((x) => x.trim())
    .filter((x) => x && !/^(and|or|with|the|only|made in [a-z]+)$/.test(x))
    .join(', ');
  return {
    label: care.label,
    parts: fibres.parts,
    understood: [...fibres.understood, ...care.understood],
    rest,
    problems: fibres.problems,
  };
}

/** A label with its silent parts filled from its typed words; stated parts stay. */
export function withTypedWords(label: CareLabel): CareLabel {
  const typed = label.text ? readLabelText(label.text).label : null;
  if (!typed) return label;
  return {
    wash: label.wash ?? typed.wash,
    bleach: label.bleach ?? typed.bleach,
    tumble: label.tumble ?? typed.tumble,
    dry: label.dry ?? typed.dry,
    iron: label.iron ?? typed.iron,
    dryClean: label.dryClean ?? typed.dryClean,
    wetClean: label.wetClean ?? typed.wetClean,
    phrases: [...new Set([...label.phrases, ...typed.phrases])],
    text: label.text,
  };
}
