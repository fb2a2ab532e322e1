/** Who asks: somebody at this machine, a device of the home network, or an account. */
import type { TLSSocket } from 'node:tls';
import { createHash } from 'node:crypto';
import { fromNodeHeaders } from 'better-auth/node';
import type { Request, Response } from 'express';
import { dropSession, householdsOf, lookAt, roleIn, tooOld } from '@data/accounts.ts';
import { pocketHome } from '@data/pockets.ts';
import { auth } from '../account/auth.server.ts';
import { householdOfRequest, pocketToken } from './cookie.server.ts';
import { atThisMachine, type Visitor } from './context.ts';
import { hosted } from './mode.server.ts';

/** Came over the home network: only that is encrypted by this server itself (server.mjs). */
export const overNetwork = (request: Request): boolean => !hosted && (request.socket as TLSSocket).encrypted === true;

const nobody: Visitor = { householdId: null, key: { by: 'home' }, role: 'helper', account: null, pocket: null };

/** A device of the network by its secret; without one it is a stranger. */
async function fromNetwork(request: Request): Promise<Visitor> {
  const token = await pocketToken(request.headers.cookie);
  if (token === null) return nobody;
  const proof = createHash('sha256').update(token).digest('hex');
  const home = await pocketHome(proof);
  if (!home) return nobody;
  const { householdId, pocketId } = home;
  return { householdId, key: { by: 'pocket', proof }, role: 'member', account: null, pocket: pocketId };
}
/** An account by its session; the household is the one the session looks at. */
async function fromSession(request: Request, response: Response): Promise<Visitor> {
  const { headers, response: found } = await auth().api.getSession({
    headers: fromNodeHeaders(request.headers),
    returnHeaders: true,
  });
  for (const cookie of headers.getSetCookie()) response.append('Set-Cookie', cookie);
  if (!found) return nobody;
  const { session, user } = found;
  if (tooOld(session.createdAt, new Date())) {
    await dropSession(session.token);
    return nobody;
  }
  // A session that looks at none yet looks at the first household of its account.
  const looksAt = session.householdId ?? (await firstHousehold(session.token, user.id));
  const role = looksAt ? await roleIn(looksAt, user.id) : null;
  return {
    householdId: role ? looksAt : null,
    key: { by: 'session', proof: session.token },
    role: role ?? 'helper',
    account: { userId: user.id, name: user.name, email: user.email, sessionToken: session.token },
    pocket: null,
  };
}

async function firstHousehold(sessionToken: string, userId: string): Promise<string | null> {
  const [first] = await householdsOf(userId);
  return first && (await lookAt(sessionToken, userId, first.id)) ? first.id : null;
}

export async function visitorOf(request: Request, response: Response): Promise<Visitor> {
  if (hosted) return fromSession(request, response);
  if (overNetwork(request)) return fromNetwork(request);
  return atThisMachine(await householdOfRequest(request.headers.cookie));
}
