/** What loaders and actions share: looking at the household, changing it by a form, and what a form may hold. */
import { createHash } from 'node:crypto';
import {
  MaxFileSizeExceededError,
  MaxFilesExceededError,
  MaxHeaderSizeExceededError,
  MaxPartsExceededError,
  MaxTotalSizeExceededError,
  parseFormData,
} from '@remix-run/form-data-parser';
import { data, redirect, type RouterContextProvider } from 'react-router';
import {
  inHousehold,
  inNewHousehold,
  isUnavailable,
  lookInHousehold,
  NotOpened,
  type Transaction,
} from '@data/client.ts';
import { findSubmission, keepSubmission } from '@data/submissions.ts';
import { pageInUnits } from '@words/units.ts';
import { oddCharacter } from '../forms/characters.ts';
import { homeField, keyField, keyShape } from '../forms/names.ts';
import { readPreferences } from '@data/preferences.ts';
import { asTheyRead, preferences, readingAs } from './preferences.server.ts';
import { actorContext, logContext, readyContext, visitorContext } from './context.ts';
import { doorOf } from './door.server.ts';

export interface Scope {
  tx: Transaction;
  householdId: string;
  now: Date;
  /** Who does it, as the log tells it. */
  actor: string;
}
type Context = Readonly<RouterContextProvider>;

const unavailable = (): Response =>
  new Response('The cupboard does not open: the database gives no answer. Nothing you stored is lost.', {
    status: 503,
    statusText: 'Not available',
    headers: { 'Retry-After': '5' },
  });
/** Another's household, or one that this session or device is no longer let into: as if it were not there. */
const shut = (): Response =>
  new Response('This household is not open to you. Sign in again, or ask somebody of it to let you in.', {
    status: 404,
    statusText: 'Not found',
  });
/** A database that does not answer becomes a page that says so; every other failure stays what it is. */
export async function answering<T>(context: Context, work: () => Promise<T>): Promise<T> {
  if (!context.get(readyContext)) throw unavailable();
  try {
    return await work();
  } catch (error) {
    if (error instanceof NotOpened) throw shut();
    if (!isUnavailable(error)) throw error;
    context.get(logContext)?.warn({ err: error }, 'the database did not answer');
    throw unavailable();
  }
}
const scopeOf = (context: Context, tx: Transaction, householdId: string): Scope => ({
  tx,
  householdId,
  now: new Date(),
  actor: context.get(actorContext),
});

/** Look at the household of this request: one consistent moment, read only. What a page shows is said in the household's units. */
export function withHousehold<T>(context: Context, work: (scope: Scope) => Promise<T>): Promise<T> {
  return answering(context, () => {
    const door = doorOf(context);
    return lookInHousehold(door, (tx) =>
      asTheyRead(tx, async () => pageInUnits(await work(scopeOf(context, tx, door.householdId)), preferences().units)),
    );
  });
}

/** Say something as this household reads, with transactions of its own: for what works long between reading and answering. */
export function asHousehold<T>(context: Context, work: () => Promise<T>): Promise<T> {
  return answering(context, async () => {
    const known = await lookInHousehold(doorOf(context), readPreferences);
    return readingAs(known, async () => pageInUnits(await work(), preferences().units));
  });
}

/** Begin a household: at home by its id, with an account as its owner. */
export function founding<T>(context: Context, householdId: string, work: (tx: Transaction) => Promise<T>): Promise<T> {
  const { key } = context.get(visitorContext);
  return answering(context, () => inNewHousehold({ householdId, key }, work));
}

/** What is given back instead of committed: the change was refused, and nothing of it may stay. */
class Refused extends Error {
  constructor(readonly answer: unknown) {
    super('refused');
  }
}
const statusOf = (answer: unknown): number => {
  if (answer instanceof Response) return answer.status;
  if (typeof answer === 'object' && answer !== null && 'init' in answer) {
    const { init } = answer as { init: { status?: number } | null };
    return init?.status ?? 200;
  }
  return 200;
};
/** Change the household of this request in one transaction. An answer of 400 or more takes everything back. */
export async function changeHousehold<T>(context: Context, work: (scope: Scope) => Promise<T>): Promise<T> {
  return answering(context, async () => {
    const door = doorOf(context);
    try {
      return await inHousehold(door, async (tx) => {
        const answer = await asTheyRead(tx, () => work(scopeOf(context, tx, door.householdId)));
        if (statusOf(answer) >= 400) throw new Refused(answer);
        return answer;
      });
    } catch (error) {
      if (error instanceof Refused) return error.answer as T;
      throw error;
    }
  });
}

/** Everything a form says, apart from its key: two posts with the same key and the same words (and files) are one. */
async function digestOf(path: string, form: FormData): Promise<string> {
  const hash = createHash('sha256').update(path);
  for (const [name, value] of form) {
    if (name === keyField) continue;
    if (typeof value === 'string') hash.update(`\n${name.length}:${name}=${value.length}:${value}`);
    else hash.update(`\n${name.length}:${name}=${value.size}:`).update(new Uint8Array(await value.arrayBuffer()));
  }
  return hash.digest('hex');
}

/**
 * Answer a posted form: read it, change the household, remember the form's key. The same form sent twice is done once, and both get
 * the same answer. `repeatable` says which forms only set something to what it may already be (a tick) and need no key.
 *
 * @example
 * export const action = (args: Route.ActionArgs) => onSubmit(args, async ({ tx }, form) => { …; return redirect('/basket'); });
 */
export async function onSubmit<T>(
  { request, context }: { request: Request; context: Context },
  work: (scope: Scope, form: FormData) => Promise<T>,
  {
    repeatable = () => false,
    mostBytes = limits.bytes,
    file,
  }: { repeatable?: (form: FormData) => boolean; mostBytes?: number; file?: FileField } = {},
): Promise<T | Response> {
  const form = await formOf(request, mostBytes, file);
  const home = field(form, homeField);
  if (home !== '' && home !== context.get(visitorContext).householdId)
    throw new Response(
      'This page is of another household than the one this browser looks at now. Nothing was stored: switch back in the header, then send it again.',
      { status: 409 },
    );
  const { pathname, search } = new URL(request.url);
  if (repeatable(form)) return changeHousehold(context, (scope) => work(scope, form));
  const key = field(form, keyField);
  if (!keyShape.test(key))
    throw new Response('This form is not complete. Open its page again and send it from there.', { status: 400 });
  const digest = await digestOf(pathname, form);
  return changeHousehold<T | Response>(context, async (scope) => {
    const before = await findSubmission(scope.tx, key, digest);
    if (before) return redirect(before.to);
    const answer = await work(scope, form);
    const to = (answer instanceof Response && answer.headers.get('Location')) || `${pathname}${search}`;
    if (statusOf(answer) < 400) await keepSubmission(scope.tx, scope.householdId, { key, digest, to, at: scope.now });
    return answer;
  });
}

const limits = { bytes: 200_000, fields: 400, name: 60 } as const;
const tooLarge = () => new Response('The form is too large.', { status: 413, headers: { Connection: 'close' } });
/** Fields that may come several times: lists of choices. */
const repeated: ReadonlySet<string> = new Set([
  'piece',
  'mark',
  'tried',
  'traits',
  'phrases',
  'products',
  'refusesForms',
  'nets',
  'insideOut',
  'agents',
  'helpers',
]);

/** The bytes of a body, given up as soon as they are too many, however they are sent. */
async function bodyText(request: Request, mostBytes: number): Promise<string> {
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) throw tooLarge();
  if (!request.body) return '';
  const decoder = new TextDecoder('utf-8', { fatal: true });
  // Read by hand: a loop that is left early would cut the line before it has its answer.
  const reader = (request.body as ReadableStream<Uint8Array>).getReader();
  let text = '';
  let bytes = 0;
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return text + decoder.decode();
      bytes += value.byteLength;
      if (bytes > mostBytes) throw tooLarge();
      text += decoder.decode(value, { stream: true });
    }
  } catch (error) {
    if (error instanceof TypeError) throw new Response('The form is not readable text.', { status: 400 });
    throw error;
  }
}

/** Names a form of ours never has: of structures, of libraries, of prototypes. */
const oddName = /[[\].]|^__/;
/** The fields of a posted form. Too many or too large, odd names, and single fields sent twice are refused before anything looks at them. */
export async function formOf(
  request: Request,
  mostBytes: number = limits.bytes,
  file: FileField | null = null,
): Promise<FormData> {
  const withFile = (request.headers.get('content-type') ?? '').toLowerCase().startsWith('multipart/form-data');
  if (withFile && !file) throw new Response('This form takes no files.', { status: 415 });
  const sent =
    withFile && file ? await partsOf(request, file) : new URLSearchParams(await bodyText(request, mostBytes));
  const form = new FormData();
  let fields = 0;
  for (const [name, value] of sent) {
    if (++fields > limits.fields) throw tooLarge();
    if (oddName.test(name) || name.length > limits.name)
      throw new Response('A field of this form is not known here.', { status: 400 });
    if (form.has(name) && !repeated.has(name))
      throw new Response(`The field "${name}" was sent twice.`, { status: 400 });
    form.append(name, value);
  }
  return form;
}

/** The one field of a form that carries a file, and how large that may be. */
export interface FileField {
  name: string;
  mostBytes: number;
}
/** The parts of a form with a file, given up as soon as they are too many or too large. */
async function partsOf(request: Request, file: FileField): Promise<FormData> {
  if (Number(request.headers.get('content-length') ?? 0) > file.mostBytes + limits.bytes) throw tooLarge();
  try {
    return await parseFormData(
      request,
      { maxFiles: 1, maxFileSize: file.mostBytes, maxParts: 60, maxTotalSize: file.mostBytes + limits.bytes },
      (upload) => (upload.fieldName === file.name ? upload : null),
    );
  } catch (error) {
    if (limitErrors.some((kind) => error instanceof kind)) throw tooLarge();
    throw new Response('The form is not readable.', { status: 400, headers: { Connection: 'close' } });
  }
}
const limitErrors = [
  MaxFilesExceededError,
  MaxFileSizeExceededError,
  MaxPartsExceededError,
  MaxTotalSizeExceededError,
  MaxHeaderSizeExceededError,
];
/** The file a form carries; null = none was chosen. */
export const fileOf = (form: FormData, name: string): File | null => {
  const value = form.get(name);
  return value instanceof File && value.size > 0 ? value : null;
};
/** One field, trimmed; '' when it was not sent. Characters nobody types are refused by the field's name. */
export const field = (form: FormData, name: string): string => {
  const value = form.get(name);
  const text = typeof value === 'string' ? value.trim() : '';
  const odd = oddCharacter(text);
  if (odd) throw new Response(`The field "${name}" holds ${odd}.`, { status: 422 });
  return text;
};
/** All values of a field that may come several times. */
export const fieldsOf = (form: FormData, name: string): string[] =>
  form.getAll(name).filter((v): v is string => typeof v === 'string' && oddCharacter(v) === null);

/** Not found, in words for the error page. */
export const notFound = (text: string): Response => new Response(text, { status: 404, statusText: 'Not found' });
/** Refused because something changed meanwhile, in words for the page. */
export const conflict = <T>(answer: T) => data(answer, { status: 409 });
