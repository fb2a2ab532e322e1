/** Which of this machine's households a browser looks at. */
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
