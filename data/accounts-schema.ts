/**
 * Accounts of a hosted service: people, their sessions and keys, and who belongs to which household. They lie in a schema of their own, which
 * the role that reads households cannot look into; the role that reads them sees no household (decision 18).
 * The columns of the first five tables are those the accounts library asks for.
 */
import { sql } from 'drizzle-orm';
import { boolean, index, integer, pgSchema, primaryKey, text, timestamp, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import type { Role } from './roles.ts';

export const accountsSchema = pgSchema('accounts');
const at = (name: string) => timestamp(name, { withTimezone: true });

export const users = accountsSchema.table('user', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  createdAt: at('created_at').notNull().defaultNow(),
  updatedAt: at('updated_at').notNull().defaultNow(),
});
const user = () =>
  text('user_id')
    .notNull()
    .references(() => users.id, { onDelete: 'cascade' });

export const sessions = accountsSchema.table(
  'session',
  {
    id: text('id').primaryKey(),
    userId: user(),
    token: text('token').notNull().unique(),
    expiresAt: at('expires_at').notNull(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    /** The household this session looks at; null = none yet. */
    householdId: uuid('household_id'),
    createdAt: at('created_at').notNull().defaultNow(),
    updatedAt: at('updated_at').notNull().defaultNow(),
  },
  (t) => [index('session_user').on(t.userId)],
);
export const credentials = accountsSchema.table(
  'account',
  {
    id: text('id').primaryKey(),
    userId: user(),
    accountId: text('account_id').notNull(),
    providerId: text('provider_id').notNull(),
    issuer: text('issuer'),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: at('access_token_expires_at'),
    refreshTokenExpiresAt: at('refresh_token_expires_at'),
    scope: text('scope'),
    password: text('password'),
    createdAt: at('created_at').notNull().defaultNow(),
    updatedAt: at('updated_at').notNull().defaultNow(),
  },
  (t) => [index('account_user').on(t.userId)],
);
export const verifications = accountsSchema.table(
  'verification',
  {
    id: text('id').primaryKey(),
    identifier: text('identifier').notNull(),
    value: text('value').notNull(),
    expiresAt: at('expires_at').notNull(),
    createdAt: at('created_at').notNull().defaultNow(),
    updatedAt: at('updated_at').notNull().defaultNow(),
  },
  (t) => [index('verification_identifier').on(t.identifier)],
);
export const passkeys = accountsSchema.table(
  'passkey',
  {
    id: text('id').primaryKey(),
    name: text('name'),
    publicKey: text('public_key').notNull(),
    userId: user(),
    credentialID: text('credential_id').notNull().unique(),
    counter: integer('counter').notNull(),
    deviceType: text('device_type').notNull(),
    backedUp: boolean('backed_up').notNull(),
    transports: text('transports'),
    aaguid: text('aaguid'),
    createdAt: at('created_at').defaultNow(),
  },
  (t) => [index('passkey_user').on(t.userId)],
);

export const memberships = accountsSchema.table(
  'membership',
  {
    householdId: uuid('household_id').notNull(),
    userId: user(),
    role: text('role').$type<Role>().notNull(),
    /** Mail when a machine is done. */
    mailed: boolean('mailed').notNull().default(false),
    joinedAt: at('joined_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.userId] }), index('membership_user').on(t.userId)],
);
export const invitations = accountsSchema.table(
  'invitation',
  {
    householdId: uuid('household_id').notNull(),
    id: uuid('id').notNull().defaultRandom(),
    role: text('role').$type<Role>().notNull(),
    /** For whom, as the one who invites calls them. */
    name: text('name').notNull(),
    tokenDigest: text('token_digest').notNull(),
    createdAt: at('created_at').notNull(),
    expiresAt: at('expires_at').notNull(),
    acceptedAt: at('accepted_at'),
    revokedAt: at('revoked_at'),
  },
  (t) => [primaryKey({ columns: [t.householdId, t.id] }), uniqueIndex('invitation_token').on(t.tokenDigest)],
);
/** Wrong passwords of late, by a digest of the address: so many close the door for a while, whether anybody lives there or not. */
export const failedSignIns = accountsSchema.table('failed_sign_in', {
  emailDigest: text('email_digest').primaryKey(),
  failures: integer('failures').notNull(),
  since: at('since').notNull(),
  closedUntil: at('closed_until'),
});
/** What happened to accounts and memberships, for whoever has to look into it: no passwords, no tokens. */
export const trail = accountsSchema.table(
  'trail',
  {
    id: uuid('id')
      .primaryKey()
      .default(sql`gen_random_uuid()`),
    at: at('at').notNull(),
    what: text('what').notNull(),
    userId: text('user_id'),
    householdId: uuid('household_id'),
    about: text('about').notNull().default(''),
  },
  (t) => [index('trail_user').on(t.userId, t.at), index('trail_household').on(t.householdId, t.at)],
);
