/** Posted forms: what is missing, odd or hostile is told by field, in plain words, and what was typed is kept. */
import { describe, expect, test } from '@jest/globals';
import * as v from 'valibot';
import * as household from '../household/household-form.ts';
import * as label from '../label/label-form.ts';
import * as piece from '../wardrobe/piece-schema.ts';
import { errorOf, readForm, typedValue } from './read.ts';

const form = (fields: Record<string, string | string[]>): FormData => {
  const out = new FormData();
  for (const [key, value] of Object.entries(fields)) for (const one of [value].flat()) out.append(key, one);
  return out;
};
const schemas = Object.entries({ ...household, ...label, ...piece }).filter(
  ([name, value]) => name.endsWith('Schema') && typeof value === 'object' && 'kind' in value,
) as [string, v.GenericSchema][];
const raw = /Invalid (key|type|value)|Expected|received|undefined/;

describe('every form', () => {
  test('there are some', () => expect(schemas.length).toBeGreaterThan(2));
  test.each(schemas)('%s: sent empty, each message names its field in plain words', (_, schema) => {
    const read = readForm(new FormData(), schema);
    if (read.ok) return;
    expect(read.errors.length).toBeGreaterThan(0);
    for (const message of read.errors) {
      expect(message).not.toMatch(raw);
      expect(message).toMatch(/^[A-Z][^:]*: /);
    }
  });
  test.each(schemas)('%s: nonsense in every field is refused or kept as text, never thrown', (_, schema) => {
    const keys = Object.keys(
      (schema as unknown as { entries?: Record<string, unknown>; pipe?: [{ entries?: Record<string, unknown> }] })
        .entries ?? (schema as unknown as { pipe: [{ entries: Record<string, unknown> }] }).pipe[0].entries,
    );
    for (const nonsense of ['x'.repeat(100_000), '__proto__', '1e999', '-1', '<script>', '\u0000', '[object Object]']) {
      const read = readForm(form(Object.fromEntries(keys.map((k) => [k, nonsense]))), schema);
      expect(read.ok).toBe(false);
      if (!read.ok) for (const message of read.errors) expect(message).not.toMatch(raw);
    }
  });
});

describe('the label form', () => {
  const good = { text: '80% wool', kind: 'jumper_mid', colour: '#7d8a96', wearsPerWeek: '2,5' };
  test('a number may have a comma', () => {
    const read = readForm(form(good), label.labelSchema);
    expect(read.ok && read.value.wearsPerWeek).toBe(2.5);
  });
  test('a link without a colour reads all the same', () => {
    const { colour: _, ...rest } = good;
    expect(readForm(form(rest), label.labelSchema).ok).toBe(true);
  });
  test('what was typed is kept with its error', () => {
    const read = readForm(form({ ...good, wearsPerWeek: 'often' }), label.labelSchema);
    if (read.ok) throw new Error('must be refused');
    expect(errorOf(read.reply, 'wearsPerWeek')).toBe('Wears a week: give a number.');
    expect(typedValue(read.reply, 'text')).toBe('80% wool');
    expect(typedValue(read.reply, 'wearsPerWeek')).toBe('often');
    expect(errorOf(read.reply, 'text')).toBeUndefined();
  });
  test('a kind there is not', () => {
    const read = readForm(form({ ...good, kind: 'sofa' }), label.labelSchema);
    expect(read.ok ? [] : read.errors).toEqual(['Kind: choose one of the shown.']);
  });
});
