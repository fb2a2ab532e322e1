/** Values the server puts beside each request. */
import { createContext } from 'react-router';
import { demoHouseholdId } from '@data/demo/id.ts';

/** Nonce of the page's content security policy. */
export const nonceContext = createContext<string>('');
/** The household every query of this request is scoped to. */
export const householdContext = createContext<string>(demoHouseholdId);
