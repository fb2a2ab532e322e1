/** What forms carry and may hold: versions of what they show, characters nobody types. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { oddCharacter } from './characters.ts';
import { seenField } from './names.ts';
import { seenOf } from './read.ts';
import { overtaken, versionOf } from './seen.server.ts';

const form = (fields: Record<string, string | string[]>): FormData => {
  const out = new FormData();
  for (const [key, value] of Object.entries(fields)) for (const one of [value].flat()) out.append(key, one);
  return out;
};

describe('versions', () => {
  const shown = { soil: 'heavy', neededBy: '', traits: ['zip', 'lined'] };
  test('the same state has the same version in any order of its fields; any change has another', () => {
    expect(versionOf({ traits: ['zip', 'lined'], neededBy: '', soil: 'heavy' })).toBe(versionOf(shown));
    for (const other of [
      { ...shown, soil: 'light' },
      { ...shown, neededBy: '2026-05-09' },
      { ...shown, traits: ['zip'] },
      { ...shown, traits: ['lined', 'zip'] },
    ])
      expect(versionOf(other)).not.toBe(versionOf(shown));
  });
  test('texts that would run together stay apart', () =>
    fc.assert(
      fc.property(fc.string(), fc.string(), (a, b) => {
        fc.pre(a !== '' || b !== '');
        expect(versionOf({ x: a, y: b })).toBe(versionOf({ y: b, x: a }));
        if (a !== b) expect(versionOf({ x: a, y: b })).not.toBe(versionOf({ x: b, y: a }));
        if (b !== '') expect(versionOf({ x: a, y: b })).not.toBe(versionOf({ x: a + b, y: '' }));
      }),
    ));
  test('a form that was filled in from the newest state is let through', () =>
    expect(overtaken(form({ soil: 'light', [seenField]: versionOf(shown) }), shown)).toBeNull());
  test('from an older one, or from none, it comes back with what was typed, what is there now, and the new version', () => {
    for (const seen of [versionOf({ soil: 'none' }), '']) {
      const reply = overtaken(form({ soil: 'light', traits: ['zip', 'lined'], [seenField]: seen }), shown)!;
      expect(reply.error?.['']?.[0]).toContain('There it says: Soil: heavy.');
      expect(reply.error?.['']?.[0]).not.toContain('Traits'); // typed as it is there
      expect(reply.initialValue?.soil).toBe('light');
      expect(seenOf(reply, 'of the page')).toBe(versionOf(shown));
    }
    expect(seenOf(null, 'of the page')).toBe('of the page');
  });
});

describe('characters', () => {
  test.each([
    ['a\u0000b', 'a control character'],
    ['\u001b[31m', 'a control character'],
    ['\u007f', 'a control character'],
    ['a\u202eb', 'a character that turns the reading direction'],
    ['\u2066x', 'a character that turns the reading direction'],
    ['\ufffd', 'a character that cannot be read'],
    ['\ud800', 'half a character'],
  ])('%j holds something odd', (text, what) => expect(oddCharacter(text)).toBe(what));
  test.each(['Zoë’s jumper', '80 % wool\n20 % silk\t', '布', '😀 socks', 'קטן', ''])('%j is what people type', (text) =>
    expect(oddCharacter(text)).toBeNull(),
  );
});
