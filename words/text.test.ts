/** Every message has its sentence, and every sentence uses what its message carries. */
import { describe, expect, test } from '@jest/globals';
import { IntlMessageFormat } from 'intl-messageformat';
import { traitFacts, traitIds } from '@core/construction/traits.ts';
import { messages, say, type Message, type MessageCode } from '@core/message/message.ts';
import type { ParamTypes } from '@core/message/params.ts';
import { listed, patterns, sentenceOf, textOf } from './text.ts';
import { traitLimitWords } from './en/traits.ts';

const codes = Object.keys(messages) as MessageCode[];
/** Parameters a sentence may use though the message carries only what they follow from. */
const derived: Partial<Record<keyof ParamTypes, readonly string[]>> = {
  fibre: ['fibreWatch'],
  parameter: ['traitLimit'],
  agent: ['agentHazards', 'agentStrength'],
  hazard: ['hazardForms'],
};

type Node = { type: number; value?: string; options?: Record<string, { value: Node[] }>; children?: Node[] };
const argumentsOf = (nodes: readonly Node[]): string[] =>
  nodes.flatMap((n) => [
    // 0 = literal text, 7 = the number sign of a plural
    ...(n.type === 0 || n.type === 7 || n.value === undefined ? [] : [n.value]),
    ...Object.values(n.options ?? {}).flatMap((o) => argumentsOf(o.value)),
    ...argumentsOf(n.children ?? []),
  ]);

describe.each(codes)('%s', (code) => {
  const carried: readonly (keyof ParamTypes)[] = messages[code];
  const used = new Set(argumentsOf(new IntlMessageFormat(patterns[code], 'en-GB').getAst()));
  test('its sentence asks for nothing that the message does not carry', () => {
    const known = new Set<string>(carried.flatMap((p) => [p, ...(derived[p] ?? [])]));
    expect([...used].filter((u) => !known.has(u))).toEqual([]);
  });
  test('it carries nothing that its sentence does not say', () => {
    const silent =
      code === 'trait.limit' ? [] : carried.filter((p) => !used.has(p) && !derived[p]?.some((d) => used.has(d)));
    expect(silent).toEqual([]);
  });
});

describe('sentences', () => {
  const said = (message: Message): string => textOf(message);
  test('clauses stand small behind a colon, sentences begin with a capital', () => {
    expect(said(say('label.max-temperature', { celsius: 40 }))).toBe('label: at most 40 °C');
    expect(said(say('need.hide-nothing-due', { because: say('closed.hide', { fibre: 'suede' }) }))).toBe(
      'Suede is never washed: feed or brush it; nothing is due.',
    );
    expect(sentenceOf(say('closed.heirloom'))).toBe('An heirloom is never a first experiment: test it.');
  });
  test('numbers are counted, names listed', () => {
    expect(said(say('need.wears', { wears: 1, allowedWears: 1.5 }))).toBe(
      '1 wear since the last wash; about 1.5 is usual.',
    );
    expect(said(say('step.load', { count: 1 }))).toBe('Check the drum is empty, then load the piece loosely.');
    expect(said(say('step.load', { count: 3 }))).toBe('Check the drum is empty, then load the 3 pieces loosely.');
    expect(said(say('step.start', { programme: 'Wool', celsius: 30, rpm: 0 }))).toBe('Wool, 30 °C, no spin. Start.');
    expect(said(say('warn.felting', { names: ['A', 'B', 'C'] }))).toMatch(/^Can felt: A, B and C\. /);
    expect(listed([])).toBe('');
  });
  test('no code word reaches a reader', () => {
    const bears = say('plan.bears', { celsius: 30, action: 'very-mild', detergents: ['wool-silk', 'no-rinse-wool'] });
    expect(said(bears)).toBe(
      'It bears 30 °C and very mild movement, and shares its detergent: a wool and silk detergent or a no-rinse wool wash.',
    );
    expect(said(say('need.stained', { stains: ['collar-cuff', 'coffee'] }))).toBe(
      'Stained: collar and cuff grime and black coffee.',
    );
  });
  test('the reason of a limit names its trait; inside a wool programme it is the reason of the spin', () => {
    expect(said(say('trait.limit', { trait: 'lace', parameter: 'woolSpinRpm' }))).toBe('lace tears in a fast spin');
    for (const trait of traitIds)
      for (const { parameter } of traitFacts(trait).limits ?? [])
        expect(traitLimitWords[trait]?.[parameter === 'woolSpinRpm' ? 'maxSpinRpm' : parameter]).toMatch(/\w/);
  });
});
