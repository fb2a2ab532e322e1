/** Reading a posted form against a Valibot schema: values, or errors by field with what was typed kept. */
import { parseWithValibot } from '@conform-to/valibot';
import type { SubmissionResult } from '@conform-to/react';
import type * as v from 'valibot';
import { oddCharacter } from './characters.ts';
import { seenField } from './names.ts';

export type FormReading<T> =
  { ok: true; value: T } | { ok: false; reply: SubmissionResult<string[]>; errors: string[] };
export type FormReply = SubmissionResult<string[]>;

/** `wearsPerWeek` as `Wears per week`. */
export const fieldWords = (key: string): string => {
  const words = key.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
};
/** What a schema has no words of its own for: a field that was not sent, or sent as something else. */
const plainMessage = (issue: v.BaseIssue<unknown>): string => {
  const key = issue.path
    ?.map((p) => p.key)
    .filter((k) => typeof k === 'string')
    .at(-1);
  return `${typeof key === 'string' ? fieldWords(key) : 'This field'}: ${issue.received === 'undefined' ? 'is missing' : 'is not what the form asks for'}.`;
};

/** The names a schema asks for, through pipes. */
function fieldNames(schema: v.GenericSchema): string[] {
  if ('entries' in schema) return Object.keys(schema.entries as object);
  if ('pipe' in schema) return fieldNames((schema.pipe as [v.GenericSchema])[0]);
  throw new Error('a form schema is an object of fields');
}

/** What was typed, by field, with the errors beside it: what a page needs to show the form again. */
export function replyOf(form: FormData, error: Record<string, string[]>): FormReply {
  const initialValue: Record<string, string | string[]> = {};
  for (const name of new Set(form.keys())) {
    const all = form.getAll(name).filter((x) => typeof x === 'string');
    initialValue[name] = all.length > 1 ? all : (all[0] ?? '');
  }
  return { status: 'error', initialValue, error };
}

/** Only the fields a schema knows are looked at; whatever else an address or a post carries is left alone. */
export function readForm<S extends v.GenericSchema>(form: FormData, schema: S): FormReading<v.InferOutput<S>> {
  const known = new FormData();
  const odd: Record<string, string[]> = {};
  for (const name of fieldNames(schema))
    for (const value of form.getAll(name)) {
      if (typeof value !== 'string') continue;
      known.append(name, value);
      const found = oddCharacter(value);
      if (found) odd[name] = [`${fieldWords(name)}: holds ${found}.`];
    }
  if (Object.keys(odd).length > 0) return { ok: false, reply: replyOf(known, odd), errors: Object.values(odd).flat() };
  const submission = parseWithValibot(known, {
    schema,
    info: { message: plainMessage } as v.Config<v.BaseIssue<unknown>>,
  });
  if (submission.status === 'success') return { ok: true, value: submission.value };
  const reply = submission.reply();
  return { ok: false, reply, errors: Object.values(reply.error ?? {}).flatMap((e) => e ?? []) };
}

/** Typed values of a failed submission, by field; an empty record when the form is fresh. */
export const typedValue = (
  reply: SubmissionResult<string[]> | null | undefined,
  name: string,
): string | string[] | undefined => {
  const value = reply?.initialValue?.[name];
  return typeof value === 'string' ? value : Array.isArray(value) ? value.map(String) : undefined;
};
export const errorOf = (reply: SubmissionResult<string[]> | null | undefined, name: string): string | undefined =>
  reply?.error?.[name]?.[0];
/** The version a form was filled in from: of the newest state it was told, or of the page's. */
export const seenOf = (reply: SubmissionResult<string[]> | null | undefined, page: string): string =>
  [typedValue(reply, seenField)].flat()[0] ?? page;
