/**
 * Messages into sentences. The patterns of `words/en` are ICU messages; what a parameter is called is looked up by its name. Another language is
 * another folder beside `en` with the same tables, which the type checker demands row by row.
 */
import { IntlMessageFormat } from 'intl-messageformat';
import { stockOf } from '@core/chemistry/agents.ts';
import type { TraitId } from '@core/construction/traits.ts';
import type { EnvelopeParameter } from '@core/envelope/envelope.ts';
import type { Message, MessageCode } from '@core/message/message.ts';
import type { ParamName, ParamTypes } from '@core/message/params.ts';
import type { StopCode } from '@core/stain/actions.ts';
import type { StainKind } from '@core/stain/stains.ts';
import { agentWords } from './en/agents.ts';
import { boardWords } from './en/board.ts';
import { boundWords } from './en/bounds.ts';
import {
  chemicalName,
  chemistryWords,
  columnWords,
  conditionWords,
  hazardForms,
  hazardWords,
  mixWords,
  neverWords,
  pairWords,
} from './en/chemistry.ts';
import { fastnessWords } from './en/fastness.ts';
import { clothNeedWords } from './en/garment.ts';
import { phraseWords } from './en/label.ts';
import {
  actionNames,
  colourNames,
  contentsNames,
  detergentNames,
  ironNames,
  partNames,
  useNames,
  violationNames,
} from './en/names.ts';
import { handWords } from './en/hand.ts';
import { lineWords } from './en/line.ts';
import { lookWords } from './en/look.ts';
import { needWords } from './en/need.ts';
import { moneyText } from './money.ts';
import { planWords } from './en/plan.ts';
import { practiceWords } from './en/practice.ts';
import { runWords } from './en/run.ts';
import { timetableWords } from './en/timetable.ts';
import { traitLimitWords } from './en/traits.ts';
import { bandWords, handlingWords, stepText, stopWords, treatWords } from './en/treat.ts';
import { fibreWords, kindNames, stainNames, traitNames } from './en/things.ts';

const locale = 'en-GB';
/** The pattern of every message. */
export const patterns: Readonly<Record<MessageCode, string>> = {
  ...boundWords,
  ...needWords,
  ...planWords,
  ...boardWords,
  ...treatWords,
  ...chemistryWords,
  ...fastnessWords,
  ...lineWords,
  ...handWords,
  ...lookWords,
  ...runWords,
  ...practiceWords,
  ...timetableWords,
};

const and = new Intl.ListFormat(locale, { type: 'conjunction' });
const or = new Intl.ListFormat(locale, { type: 'disjunction' });
/** "red, green and blue" */
export const listed = (items: readonly string[]): string => and.format(items);

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const stainName = (kind: StainKind): string => lower(stainNames[kind]);

/** What a trait forbids, and why; inside a wool programme the reason is that of the spin. */
function traitLimit(trait: TraitId, parameter: EnvelopeParameter): string {
  const words = traitLimitWords[trait];
  const shown = parameter === 'woolSpinRpm' ? 'maxSpinRpm' : parameter;
  return words?.[shown] ?? traitNames[trait];
}

type Said = string | number;
/** How a parameter is said; those without a row are said as they are. */
const sayings: { [P in ParamName]?: (value: ParamTypes[P]) => Said } = {
  fibre: (id) => fibreWords[id].name,
  kind: (id) => kindNames[id],
  role: (id) => partNames[id],
  shares: (list) => listed(list.map((f) => `${f.percent} % ${fibreWords[f.fibre].name}`)),
  trait: (id) => traitNames[id],
  stain: stainName,
  stains: (kinds) => listed(kinds.map(stainName)),
  phrase: (id) => lower(phraseWords[id]),
  need: (id) => clothNeedWords[id],
  use: (id) => useNames[id],
  otherUse: (id) => useNames[id],
  colour: (id) => colourNames[id],
  otherColour: (id) => colourNames[id],
  detergents: (ids) => or.format(ids.map((id) => detergentNames[id])),
  action: (id) => actionNames[id],
  iron: (id) => ironNames[id],
  bearsIron: (id) => ironNames[id],
  names: listed,
  contents: (ids) => listed(ids.map((id) => contentsNames[id])),
  violation: (id) => violationNames[id],
  violations: (ids) => listed([...new Set(ids.map((id) => violationNames[id]))]),
  stated: String,
  caught: String,
  more: String,
  cost: moneyText,
  otherCost: moneyText,
  because: (message) => textOf(message),
  wash: (message) => textOf(message),
  reasons: (messages) => messages.map((m) => textOf(m)).join('; '),
  lines: (messages) => messages.map((m) => sentenceOf(m)).join(' '),
  agent: (id) => chemicalName(id),
  otherAgent: (id) => chemicalName(id),
  column: (id) => columnWords[id] ?? id,
  never: (code) => neverWords[code],
  condition: (code) => conditionWords[code],
  finish: (id) => id.replace('-', ' '),
  mix: (code) => mixWords[code],
  pair: (id) => pairWords[id],
  hazard: (id) => hazardWords[id],
  handling: (ids) => ids.map((id) => handlingWords[id]).join('; '),
  stop: (code) => stopWords[code],
  band: (id) => bandWords[id],
  step: stepText,
};

function values(message: Message): Record<string, Said> {
  const params = message.params as Partial<ParamTypes>;
  const out: Record<string, Said> = {};
  for (const [name, value] of Object.entries(params)) {
    const saying = sayings[name as ParamName] as ((value: unknown) => Said) | undefined;
    out[name] = saying ? saying(value) : (value as Said);
  }
  if (params.hazard) out.hazardForms = hazardForms[params.hazard];
  if (params.agent) {
    const stock = stockOf(params.agent);
    out.agentHazards = capital(agentWords[stock].hazards);
    out.agentStrength = agentWords[stock].strength;
  }
  if (params.fibre) out.fibreWatch = fibreWords[params.fibre].watch;
  if (params.trait && params.parameter) out.traitLimit = traitLimit(params.trait, params.parameter);
  return out;
}

const formats = new Map<MessageCode, IntlMessageFormat>();
function formatOf(code: MessageCode): IntlMessageFormat {
  const known = formats.get(code);
  if (known) return known;
  const format = new IntlMessageFormat(patterns[code], locale);
  formats.set(code, format);
  return format;
}

/**
 * The words of a message. A sentence begins with a capital; a clause, which stands behind a name or a colon, does not.
 * @example textOf(say('label.max-temperature', { celsius: 40 })) // 'label: at most 40 °C'
 */
export function textOf(message: Message): string {
  const text = String(formatOf(message.code).format(values(message)));
  return /[.!?]$/.test(text) ? capital(text) : text;
}

/** The same as a sentence of its own: a clause gets its capital and its full stop. */
export function sentenceOf(message: Message): string {
  const text = textOf(message);
  return /[.!?]$/.test(text) ? text : `${capital(text)}.`;
}

/** The same as a heading: with a capital, without a full stop. */
export const titleOf = (message: Message): string => capital(textOf(message));

/** Why a treatment stops, and what that means; '' = it does not. */
export const stopText = (p: { stop: StopCode | null; stopBecause: Message | null }): string =>
  [...(p.stopBecause ? [sentenceOf(p.stopBecause)] : []), ...(p.stop ? [stopWords[p.stop]] : [])].join(' ');
