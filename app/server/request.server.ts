/** What loaders and actions share: the household's transaction, form data, the clock. */
import type { RouterContextProvider } from 'react-router';
import { inHousehold, type Transaction } from '@data/client.ts';
import { householdContext } from './context.ts';

export interface Scope {
  tx: Transaction;
  householdId: string;
  now: Date;
}

/** Run work for the household of this request, in one transaction. */
export function withHousehold<T>(
  context: Readonly<RouterContextProvider>,
  work: (scope: Scope) => Promise<T>,
): Promise<T> {
  const householdId = context.get(householdContext);
  return inHousehold(householdId, (tx) => work({ tx, householdId, now: new Date() }));
}

const formLimit = 200_000;
/** Form fields; a body over 200 kB is refused. */
export async function formOf(request: Request): Promise<FormData> {
  if (Number(request.headers.get('content-length') ?? 0) > formLimit)
    throw new Response('The form is too large.', { status: 413 });
  return request.formData();
}
export const field = (form: FormData, name: string): string => {
  const value = form.get(name);
  return typeof value === 'string' ? value.trim() : '';
};

/** Not found, in words for the error page. */
export const notFound = (text: string): Response => new Response(text, { status: 404, statusText: 'Not found' });
