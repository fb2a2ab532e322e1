/** Values the server puts beside each request. */
import type { Logger } from 'pino';
import { createContext } from 'react-router';
import { demoHouseholdId } from '@data/demo/id.ts';
import { atHome } from '@data/events.ts';
import type { Role } from '@data/roles.ts';
import type { Key } from '@data/client.ts';

/** Who asks, and what opens their household. */
export interface Visitor {
  /** null = none yet: not signed in, or without a household of their own. */
  householdId: string | null;
  key: Key;
  /** What they may do there; at home everybody at this machine is an owner, a phone that was let in a member. */
  role: Role;
  /** Whose account it is; null at home. */
  account: Account | null;
  /** By which device of the home network they come; null = at this machine, or by an account. */
  pocket: string | null;
}
export interface Account {
  userId: string;
  name: string;
  email: string;
  sessionToken: string;
}
/** Somebody at this machine. */
export const atThisMachine = (householdId: string): Visitor => ({
  householdId,
  key: { by: 'home' },
  role: 'owner',
  account: null,
  pocket: null,
});

/** Nonce of the page's content security policy. */
export const nonceContext = createContext<string>('');
/** Who asks: every query of this request is scoped to their household. */
export const visitorContext = createContext<Visitor>(atThisMachine(demoHouseholdId));
/** Who does what this request does, for the log of the household. */
export const actorContext = createContext<string>(atHome);
/** Whether the database answered just now; when not, nobody waits for it. */
export const readyContext = createContext<boolean>(true);
/** The log of this request. */
export const logContext = createContext<Logger | null>(null);
