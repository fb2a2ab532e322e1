/** Reading a posted form against a Valibot schema: values, or errors by field with what was typed kept. */
import { parseWithValibot } from '@conform-to/valibot';
import type { SubmissionResult } from '@conform-to/react';
import type * as v from 'valibot';

export type FormReading<T> =
  { ok: true; value: T } | { ok: false; reply: SubmissionResult<string[]>; errors: string[] };

/** `wearsPerWeek` as `Wears per week`. */
const fieldWords = (key: string): string => {
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

export function readForm<S extends v.GenericSchema>(form: FormData, schema: S): FormReading<v.InferOutput<S>> {
  const submission = parseWithValibot(form, {
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
