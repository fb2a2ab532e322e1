/**
 * What a form was filled in from. The page shows a state and sends its version along; when the stored state is another by then, nothing is
 * overwritten: the form comes back with what was typed, and says what is there now. Sent again, it takes the new state's place knowingly.
 */
import { createHash } from 'node:crypto';
import { seenField } from './names.ts';
import { fieldWords, replyOf, type FormReply } from './read.ts';

/** A state as a form shows it: text by field. */
export type Shown = Readonly<Record<string, string | readonly string[]>>;

/** A short name of exactly this state, whatever the order of its fields. */
export const versionOf = (shown: Shown): string =>
  createHash('sha256')
    .update(JSON.stringify(Object.entries(shown).sort(([a], [b]) => (a < b ? -1 : 1))))
    .digest('hex')
    .slice(0, 24);

const said = (value: string | readonly string[] | undefined): string => [value ?? ''].flat().join(', ');
/** The answer to a form that was filled in from an older state; null when the state is still the same. */
export function overtaken(form: FormData, shown: Shown): FormReply | null {
  const now = versionOf(shown);
  if (form.get(seenField) === now) return null;
  const typed = replyOf(form, {}).initialValue ?? {};
  const other = Object.keys(shown).filter(
    (name) => form.has(name) && said(shown[name]) !== said(typed[name] as string | string[] | undefined),
  );
  const there = other.map((name) => `${fieldWords(name)}: ${said(shown[name]) || 'empty'}`).join('; ');
  return replyOf(withSeen(form, now), {
    '': [
      `This was changed on another screen meanwhile.${there ? ` There it says: ${there}.` : ''} What you typed is still here; store it again to put it in its place.`,
    ],
  });
}
function withSeen(form: FormData, version: string): FormData {
  const next = new FormData();
  for (const [name, value] of form) next.append(name, value);
  next.set(seenField, version);
  return next;
}
