/**
 * What core has to say: a code and its parameters, typed end to end. Sentences are made in `words/`, which the type checker asks for every code.
 * A new message is one row in the table of its room and one sentence in `words/en`.
 */
import { boardMessages } from './board.ts';
import { boundMessages } from './bounds.ts';
import { chemistryMessages } from './chemistry.ts';
import { fastnessMessages } from './fastness.ts';
import { handMessages } from './hand.ts';
import { lineMessages } from './line.ts';
import { lookMessages } from './look.ts';
import { needMessages } from './need.ts';
import type { ParamTypes } from './params.ts';
import { planMessages } from './plan.ts';
import { practiceMessages } from './practice.ts';
import { runMessages } from './run.ts';
import { timetableMessages } from './timetable.ts';
import { treatMessages } from './treat.ts';

export const messages = {
  ...boundMessages,
  ...needMessages,
  ...planMessages,
  ...boardMessages,
  ...treatMessages,
  ...chemistryMessages,
  ...fastnessMessages,
  ...lineMessages,
  ...handMessages,
  ...lookMessages,
  ...runMessages,
  ...practiceMessages,
  ...timetableMessages,
} as const;
export type MessageCode = keyof typeof messages;
export type MessageParams<C extends MessageCode> = { [P in (typeof messages)[C][number]]: ParamTypes[P] };
export interface MessageOf<C extends MessageCode> {
  code: C;
  params: MessageParams<C>;
}
export type Message = { [C in MessageCode]: MessageOf<C> }[MessageCode];

type Params<C extends MessageCode> = (typeof messages)[C] extends readonly [] ? [] : [params: MessageParams<C>];

/**
 * Make a message; the type checker pairs code and parameters.
 * @example say('label.max-temperature', { celsius: 40 })
 */
export const say = <C extends MessageCode>(code: C, ...[params]: Params<C>): Message =>
  ({ code, params: params ?? {} }) as unknown as Message;
