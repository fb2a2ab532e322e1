/** Names tell things apart, and what a mark is called on a screen finds it. */
import { expect, test } from '@jest/globals';
import { findStains } from '@core/phrase/stain-words.ts';
import { stainKinds } from '@core/stain/stains.ts';
import { agentNames, fibreWords, kindNames, stainNames, toolNames, traitNames } from './things.ts';

test.each(stainKinds)('%s is found by its name', (kind) => expect(findStains(stainNames[kind])[0]).toBe(kind));
test.each(
  Object.entries({
    stainNames,
    agentNames,
    toolNames,
    traitNames,
    kindNames,
    fibreNames: Object.fromEntries(Object.entries(fibreWords).map(([id, f]) => [id, f.name])),
  }),
)('no two of %s are the same', (_, names: Record<string, string>) =>
  expect(new Set(Object.values(names).map((n) => n.toLowerCase())).size).toBe(Object.keys(names).length),
);
