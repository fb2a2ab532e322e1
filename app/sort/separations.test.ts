/** Rows that say the same of several pieces are one row. */
import { expect, test } from '@jest/globals';
import { say } from '@core/message/message.ts';
import { textOf } from '@words/text.ts';
import { gatheredSeparations } from './separations.ts';

const untested = say('colour.untested');
const own = (name: string, other: string) => {
  const message = say('apart.own-colour', { name, other, because: untested });
  return { garments: [name, other], constraint: 'H5', text: textOf(message), say: message };
};

test('one piece apart from several is told once, with all of them', () => {
  const rows = gatheredSeparations([own('Sash', 'Jumper'), own('Sash', 'Apron'), own('Scarf', 'Apron')]);
  expect(rows.map((r) => r.garments)).toEqual([
    ['Sash', 'Jumper', 'Apron'],
    ['Scarf', 'Apron'],
  ]);
  expect(rows[0]?.text).toContain('apart from Jumper and Apron');
});
test('several apart from one are gathered, too; other reasons stay by themselves', () => {
  const uses = say('apart.uses', { name: 'Sash', use: 'clothes', other: 'Bib', otherUse: 'baby' });
  const rows = gatheredSeparations([
    own('Sash', 'Apron'),
    own('Scarf', 'Apron'),
    { garments: ['Sash', 'Bib'], constraint: 'H11', text: textOf(uses), say: uses },
  ]);
  expect(rows).toHaveLength(2);
  expect(rows[0]?.text).toContain('Sash and Scarf');
});
test('a plan from before messages were kept is shown as it was written', () => {
  const old = { garments: ['a', 'b'], constraint: 'H3', text: 'a would tint b.' };
  expect(gatheredSeparations([old, { ...old, garments: ['a', 'c'], text: 'a would tint c.' }])).toHaveLength(2);
});
