/** The door of a request: the household it is about, and what opens it. */
import { redirect, type RouterContextProvider } from 'react-router';
import { householdsOf, lookAt } from '@data/accounts.ts';
import { lookInHousehold, type Door, type Transaction } from '@data/client.ts';
import { householdsHere } from '@data/household.ts';
import { choose } from './cookie.server.ts';
import { visitorContext, type Account } from './context.ts';

type Context = Readonly<RouterContextProvider>;

/** The household of this request; who has none yet is led to where one begins. */
export function doorOf(context: Context): Door {
  const { householdId, key, account } = context.get(visitorContext);
  if (householdId) return { householdId, key };
  throw redirect(account ? '/welcome' : '/account/sign-in');
}
/** The account of this request. */
export function accountOf(context: Context): Account {
  const { account } = context.get(visitorContext);
  if (account) return account;
  throw redirect('/account/sign-in');
}

/** What a browser is told when it looks at this household from now on; with an account its session knows. */
export const nowIn = async (context: Context, householdId: string): Promise<Record<string, string>> =>
  context.get(visitorContext).account ? {} : { 'Set-Cookie': await choose(householdId) };
/** The households this visitor may go to; `tx` = who looks at one already. */
export async function householdsFor(context: Context, tx?: Transaction): Promise<{ id: string; name: string }[]> {
  const { account } = context.get(visitorContext);
  if (account) return householdsOf(account.userId);
  return tx ? householdsHere(tx) : lookInHousehold(doorOf(context), householdsHere);
}
/** Look at another household from now on. Answers its headers, or null when it is not theirs. */
export async function goTo(context: Context, householdId: string): Promise<Record<string, string> | null> {
  const { account, pocket } = context.get(visitorContext);
  if (account) return (await lookAt(account.sessionToken, account.userId, householdId)) ? {} : null;
  if (pocket) return null;
  const all = await householdsFor(context);
  return all.some((h) => h.id === householdId) ? nowIn(context, householdId) : null;
}
