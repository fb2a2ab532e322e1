/** Which of this machine's households a browser looks at, and the secret of a device that was let in. */
import { createCookie } from 'react-router';
import { demoHouseholdId } from '@data/demo/id.ts';
import { isUuid } from '@data/ids.ts';

const year = 365 * 86_400;
const household = createCookie('household', { httpOnly: true, sameSite: 'lax', path: '/', maxAge: year });

/** The household a request asks for; null = this browser never chose one. */
export async function chosenHousehold(header: string | null | undefined): Promise<string | null> {
  const value: unknown = await household.parse(header ?? null).catch(() => null);
  return typeof value === 'string' && isUuid(value) ? value.toLowerCase() : null;
}
/** The household of a request: the demo until somebody chooses. */
export const householdOfRequest = async (header: string | null | undefined): Promise<string> =>
  (await chosenHousehold(header)) ?? demoHouseholdId;
/** The header that makes a browser look at this household from now on. */
export const choose = (householdId: string): Promise<string> => household.serialize(householdId);

/** `__Host-`: only over an encrypted line, only to this address, for the whole of it. */
const pocket = createCookie('__Host-pocket', {
  httpOnly: true,
  secure: true,
  sameSite: 'lax',
  path: '/',
  maxAge: year,
});
const tokenShape = /^[A-Za-z0-9_-]{43}$/;
export async function pocketToken(header: string | undefined): Promise<string | null> {
  const value: unknown = await pocket.parse(header ?? null).catch(() => null);
  return typeof value === 'string' && tokenShape.test(value) ? value : null;
}
export const keepPocketToken = (token: string): Promise<string> => pocket.serialize(token);
