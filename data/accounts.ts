/** Who belongs to which household: roles, invitations, sessions; the door that closes after wrong passwords; the trail of what happened. */
import { createHash, randomBytes } from 'node:crypto';
import { and, asc, desc, eq, gt, isNull, ne, sql } from 'drizzle-orm';
import {
  credentials,
  failedSignIns,
  invitations,
  memberships,
  passkeys,
  sessions,
  trail,
  users,
} from './accounts-schema.ts';
import type { Role } from './roles.ts';
import { desk, type AtDesk } from './desk.ts';
import { isUuid } from './ids.ts';

const digestOf = (text: string): string => createHash('sha256').update(text).digest('hex');
const dayMs = 86_400_000;

export interface Membership {
  id: string;
  name: string;
  role: Role;
}
/** The households of an account, the first joined first. */
export async function householdsOf(userId: string): Promise<Membership[]> {
  const { rows } = await desk().execute<{ id: string; name: string; role: Role }>(
    sql`select id, name, role from households_of(${userId})`,
  );
  return rows;
}
export async function roleIn(householdId: string, userId: string, db: AtDesk = desk()): Promise<Role | null> {
  const [row] = await db
    .select({ role: memberships.role })
    .from(memberships)
    .where(and(eq(memberships.householdId, householdId), eq(memberships.userId, userId)));
  return row?.role ?? null;
}
/** The session looks at another household of its account from now on. Answers false when it is none of its own. */
export async function lookAt(sessionToken: string, userId: string, householdId: string): Promise<boolean> {
  if (!isUuid(householdId) || !(await roleIn(householdId, userId))) return false;
  await desk().update(sessions).set({ householdId }).where(eq(sessions.token, sessionToken));
  return true;
}

export interface Member {
  userId: string;
  name: string;
  email: string;
  role: Role;
  mailed: boolean;
}
export const membersOf = (householdId: string, db: AtDesk = desk()): Promise<Member[]> =>
  db
    .select({
      userId: users.id,
      name: users.name,
      email: users.email,
      role: memberships.role,
      mailed: memberships.mailed,
    })
    .from(memberships)
    .innerJoin(users, eq(users.id, memberships.userId))
    .where(eq(memberships.householdId, householdId))
    .orderBy(asc(memberships.joinedAt), asc(users.id));
/** Mail when a machine of this household is done, or not. */
export const setMailed = async (householdId: string, userId: string, mailed: boolean): Promise<void> => {
  await desk()
    .update(memberships)
    .set({ mailed })
    .where(and(eq(memberships.householdId, householdId), eq(memberships.userId, userId)));
};

export type Refusal = 'not-owner' | 'last-owner' | 'gone';
/** The members of a household, held still until the change is over. */
async function locked(db: AtDesk, householdId: string): Promise<{ userId: string; role: Role }[]> {
  return db
    .select({ userId: memberships.userId, role: memberships.role })
    .from(memberships)
    .where(eq(memberships.householdId, householdId))
    .orderBy(asc(memberships.userId))
    .for('update');
}
const ownersWithout = (all: readonly { userId: string; role: Role }[], userId: string): number =>
  all.filter((m) => m.role === 'owner' && m.userId !== userId).length;

/** An owner gives a member another role; the last owner stays one. null = done. */
export function giveRole(by: string, householdId: string, userId: string, role: Role): Promise<Refusal | null> {
  return desk().transaction(async (tx) => {
    const all = await locked(tx, householdId);
    if (all.find((m) => m.userId === by)?.role !== 'owner') return 'not-owner';
    if (!all.some((m) => m.userId === userId)) return 'gone';
    if (role !== 'owner' && ownersWithout(all, userId) === 0) return 'last-owner';
    await tx
      .update(memberships)
      .set({ role })
      .where(and(eq(memberships.householdId, householdId), eq(memberships.userId, userId)));
    await note(tx, { what: 'role-given', userId: by, householdId, about: `${userId}: ${role}` });
    return null;
  });
}
/** Hand the household over: the other becomes an owner, and whoever hands it over a member, in one step. */
export function transferTo(by: string, householdId: string, userId: string): Promise<Refusal | null> {
  return desk().transaction(async (tx) => {
    const all = await locked(tx, householdId);
    if (all.find((m) => m.userId === by)?.role !== 'owner') return 'not-owner';
    if (by === userId || !all.some((m) => m.userId === userId)) return 'gone';
    const give = (to: string, role: Role) =>
      tx
        .update(memberships)
        .set({ role })
        .where(and(eq(memberships.householdId, householdId), eq(memberships.userId, to)));
    await give(userId, 'owner');
    await give(by, 'member');
    await note(tx, { what: 'household-transferred', userId: by, householdId, about: userId });
    return null;
  });
}
/** Leave, or be put out by an owner. The last owner does neither: the household would belong to nobody. */
export function endMembership(by: string, householdId: string, userId: string): Promise<Refusal | null> {
  return desk().transaction(async (tx) => {
    const all = await locked(tx, householdId);
    const mine = all.find((m) => m.userId === by)?.role;
    if (by !== userId && mine !== 'owner') return 'not-owner';
    if (!all.some((m) => m.userId === userId)) return 'gone';
    if (ownersWithout(all, userId) === 0) return 'last-owner';
    await tx.delete(memberships).where(and(eq(memberships.householdId, householdId), eq(memberships.userId, userId)));
    // Pages that are still open look at nothing from now on.
    await tx
      .update(sessions)
      .set({ householdId: null })
      .where(and(eq(sessions.userId, userId), eq(sessions.householdId, householdId)));
    await note(tx, { what: by === userId ? 'left' : 'put-out', userId: by, householdId, about: userId });
    return null;
  });
}
/** Households of which this account is the last owner: they are handed over or deleted before the account is. */
export async function ownedAlone(userId: string): Promise<Membership[]> {
  const all = await householdsOf(userId);
  const alone = await Promise.all(
    all.map(async (h) => h.role === 'owner' && ownersWithout(await membersOf(h.id), userId) === 0),
  );
  return all.filter((_, i) => alone[i]);
}

export interface Invitation {
  id: string;
  name: string;
  role: Role;
  expiresAt: Date;
}
const invitationDays = 7;
const openInvitation = (now: Date) =>
  and(isNull(invitations.acceptedAt), isNull(invitations.revokedAt), gt(invitations.expiresAt, now));
export const invitationsOf = (householdId: string, now: Date): Promise<Invitation[]> =>
  desk()
    .select({
      id: invitations.id,
      name: invitations.name,
      role: invitations.role,
      expiresAt: invitations.expiresAt,
    })
    .from(invitations)
    .where(and(eq(invitations.householdId, householdId), openInvitation(now)))
    .orderBy(desc(invitations.createdAt));
/** A link for one person, good for a week and once; only its digest is kept. null = only an owner invites. */
export function invite(
  by: string,
  householdId: string,
  { name, role }: { name: string; role: Role },
  now: Date,
): Promise<string | null> {
  const token = randomBytes(32).toString('base64url');
  return desk().transaction(async (tx) => {
    if ((await roleIn(householdId, by, tx)) !== 'owner') return null;
    await tx.insert(invitations).values({
      householdId,
      name,
      role,
      tokenDigest: digestOf(token),
      createdAt: now,
      expiresAt: new Date(now.getTime() + invitationDays * dayMs),
    });
    await note(tx, { what: 'invited', userId: by, householdId, about: role });
    return token;
  });
}
export async function revokeInvitation(by: string, householdId: string, id: string, now: Date): Promise<boolean> {
  if (!isUuid(id) || (await roleIn(householdId, by)) !== 'owner') return false;
  const done = await desk()
    .update(invitations)
    .set({ revokedAt: now })
    .where(and(eq(invitations.householdId, householdId), eq(invitations.id, id), openInvitation(now)))
    .returning({ id: invitations.id });
  return done.length === 1;
}
/** What a link offers, before anybody takes it. */
export async function invitationBehind(token: string, now: Date): Promise<{ householdId: string; role: Role } | null> {
  const [row] = await desk()
    .select({ householdId: invitations.householdId, role: invitations.role })
    .from(invitations)
    .where(and(eq(invitations.tokenDigest, digestOf(token)), openInvitation(now)));
  return row ?? null;
}
/** Join by a link: it is used up in the same step. Who belongs there already keeps their role. */
export function acceptInvitation(
  token: string,
  userId: string,
  sessionToken: string,
  now: Date,
): Promise<{ householdId: string } | null> {
  return desk().transaction(async (tx) => {
    const [row] = await tx
      .update(invitations)
      .set({ acceptedAt: now })
      .where(and(eq(invitations.tokenDigest, digestOf(token)), openInvitation(now)))
      .returning({ householdId: invitations.householdId, role: invitations.role });
    if (!row) return null;
    await tx.insert(memberships).values({ householdId: row.householdId, userId, role: row.role }).onConflictDoNothing();
    await tx.update(sessions).set({ householdId: row.householdId }).where(eq(sessions.token, sessionToken));
    await note(tx, { what: 'joined', userId, householdId: row.householdId, about: row.role });
    return { householdId: row.householdId };
  });
}

/** Five wrong passwords in a quarter of an hour close an address for a quarter of an hour, whether anybody has it or not. */
export const lockout = { failures: 5, withinMs: 900_000, closedMs: 900_000 } as const;
const addressDigest = (email: string): string => digestOf(email.trim().toLowerCase());
export async function closedUntil(email: string, now: Date): Promise<Date | null> {
  const [row] = await desk()
    .select({ until: failedSignIns.closedUntil })
    .from(failedSignIns)
    .where(and(eq(failedSignIns.emailDigest, addressDigest(email)), gt(failedSignIns.closedUntil, now)));
  return row?.until ?? null;
}
export async function noteFailure(email: string, now: Date): Promise<void> {
  const emailDigest = addressDigest(email);
  const long = sql`${failedSignIns.since} < ${new Date(now.getTime() - lockout.withinMs).toISOString()}::timestamptz`;
  const closing = new Date(now.getTime() + lockout.closedMs).toISOString();
  await desk()
    .insert(failedSignIns)
    .values({ emailDigest, failures: 1, since: now })
    .onConflictDoUpdate({
      target: failedSignIns.emailDigest,
      set: {
        failures: sql`case when ${long} then 1 else ${failedSignIns.failures} + 1 end`,
        since: sql`case when ${long} then ${now.toISOString()}::timestamptz else ${failedSignIns.since} end`,
        closedUntil: sql`case when not ${long} and ${failedSignIns.failures} + 1 >= ${lockout.failures} then ${closing}::timestamptz end`,
      },
    });
}
export const forgetFailures = async (email: string): Promise<void> => {
  await desk()
    .delete(failedSignIns)
    .where(eq(failedSignIns.emailDigest, addressDigest(email)));
};

export interface OpenSession {
  id: string;
  since: Date;
  agent: string;
  here: boolean;
}
export async function sessionsOf(userId: string, here: string, now: Date): Promise<OpenSession[]> {
  const rows = await desk()
    .select({ id: sessions.id, since: sessions.createdAt, agent: sessions.userAgent, token: sessions.token })
    .from(sessions)
    .where(and(eq(sessions.userId, userId), gt(sessions.expiresAt, now)))
    .orderBy(desc(sessions.createdAt));
  return rows.map(({ token, agent, ...s }) => ({ ...s, agent: agent ?? '', here: token === here }));
}
/** Sign one of the account's sessions off; '' = all but this one. */
export async function endSessions(userId: string, here: string, id: string): Promise<void> {
  await desk()
    .delete(sessions)
    .where(and(eq(sessions.userId, userId), ne(sessions.token, here), id === '' ? undefined : eq(sessions.id, id)));
}
/** However often it is used, a session ends after ninety days. */
const oldestSessionMs = 90 * dayMs;
export const tooOld = (since: Date, now: Date): boolean => now.getTime() - since.getTime() >= oldestSessionMs;
export const dropSession = async (token: string): Promise<void> => {
  await desk().delete(sessions).where(eq(sessions.token, token));
};
export const passkeysOf = (userId: string): Promise<{ id: string; name: string | null; createdAt: Date | null }[]> =>
  desk()
    .select({ id: passkeys.id, name: passkeys.name, createdAt: passkeys.createdAt })
    .from(passkeys)
    .where(eq(passkeys.userId, userId))
    .orderBy(asc(passkeys.createdAt));
export async function dropPasskey(userId: string, id: string): Promise<boolean> {
  const done = await desk()
    .delete(passkeys)
    .where(and(eq(passkeys.userId, userId), eq(passkeys.id, id)))
    .returning({ id: passkeys.id });
  return done.length === 1;
}
/** Forget an account with its sessions, keys and memberships. Households it owns alone must be gone by then. */
export const forgetAccount = (userId: string): Promise<void> =>
  desk().transaction(async (tx) => {
    await tx.delete(credentials).where(eq(credentials.userId, userId));
    await tx.delete(users).where(eq(users.id, userId));
    await note(tx, { what: 'account-deleted', userId });
  });
/** Where mail about a household goes: those who asked for it. */
export async function mailedMembers(householdId: string): Promise<string[]> {
  const rows = await desk()
    .select({ email: users.email })
    .from(memberships)
    .innerJoin(users, eq(users.id, memberships.userId))
    .where(and(eq(memberships.householdId, householdId), eq(memberships.mailed, true), eq(users.emailVerified, true)));
  return rows.map((r) => r.email);
}

export interface TrailEntry {
  what:
    | 'signed-up'
    | 'signed-in'
    | 'signed-out'
    | 'sign-in-refused'
    | 'sign-in-closed'
    | 'address-confirmed'
    | 'password-asked'
    | 'password-set'
    | 'passkey-added'
    | 'passkey-removed'
    | 'sessions-ended'
    | 'invited'
    | 'joined'
    | 'left'
    | 'put-out'
    | 'role-given'
    | 'household-transferred'
    | 'household-deleted'
    | 'account-deleted';
  userId?: string | null;
  householdId?: string | null;
  about?: string;
}
/** Write down what happened; never a password, a token or a whole address. */
export async function note(db: AtDesk, entry: TrailEntry): Promise<void> {
  await db.insert(trail).values({
    at: new Date(),
    what: entry.what,
    userId: entry.userId ?? null,
    householdId: entry.householdId ?? null,
    about: entry.about ?? '',
  });
}
export const noteTrail = (entry: TrailEntry): Promise<void> => note(desk(), entry);
