/** Signing in, up and off, as the forms ask for it: the library does the work, the closed door and the trail are ours. */
import { APIError } from 'better-auth/api';
import { closedUntil, dropSession, forgetFailures, noteFailure, noteTrail } from '@data/accounts.ts';
import { auth } from './auth.server.ts';

/** What came of it; `headers` carry the cookies. */
export type SignedIn = { ok: true; headers: Headers } | { ok: false; status: number; problem: string };

const wrong = 'Mail address or password: they do not belong together.';
const unconfirmed = 'Mail address: it is not confirmed yet. Open the link in the letter; a new one is on its way.';
const closed =
  'Too many tries with this address. Wait a quarter of an hour, or choose a new password by the link below.';

export async function signIn(
  { email, password }: { email: string; password: string },
  request: Request,
  before: string | null,
): Promise<SignedIn> {
  const now = new Date();
  if (await closedUntil(email, now)) {
    await noteTrail({ what: 'sign-in-closed' });
    return { ok: false, status: 429, problem: closed };
  }
  try {
    const { headers, response } = await auth().api.signInEmail({
      body: { email, password },
      headers: request.headers,
      returnHeaders: true,
    });
    await forgetFailures(email);
    // Another session begins; the one this browser had ends.
    if (before) await dropSession(before);
    await noteTrail({ what: 'signed-in', userId: response.user.id });
    return { ok: true, headers };
  } catch (error) {
    if (!(error instanceof APIError)) throw error;
    if (error.body?.code === 'EMAIL_NOT_VERIFIED') {
      await auth().api.sendVerificationEmail({ body: { email } });
      return { ok: false, status: 403, problem: unconfirmed };
    }
    await noteFailure(email, now);
    await noteTrail({ what: 'sign-in-refused' });
    return { ok: false, status: 422, problem: wrong };
  }
}
/** The cookies of an answer of the library, as headers of ours. */
export function cookiesOf(headers: Headers): [string, string][] {
  return headers.getSetCookie().map((c) => ['Set-Cookie', c]);
}
