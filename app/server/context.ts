/** Values the server puts beside each request. */
import type { Logger } from 'pino';
import { createContext } from 'react-router';
import { demoHouseholdId } from '@data/demo/id.ts';
import { atHome } from '@data/events.ts';

/** Nonce of the page's content security policy. */
export const nonceContext = createContext<string>('');
/** The household every query of this request is scoped to. */
export const householdContext = createContext<string>(demoHouseholdId);
/** Who does what this request does, for the log of the household. */
export const actorContext = createContext<string>(atHome);
/** Whether the database answered just now; when not, nobody waits for it. */
export const readyContext = createContext<boolean>(true);
/** The log of this request. */
export const logContext = createContext<Logger | null>(null);
