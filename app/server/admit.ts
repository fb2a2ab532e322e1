/** Which page is whose: decided in one place, by address and role, before any page is made. */
import type { Role } from '@data/roles.ts';

/** What a page asks of whoever comes; each includes those after it. */
export type Need =
  | 'owner'
  | 'member'
  | 'helper'
  /** May begin a household: at this machine, or with an account. */
  | 'founder'
  /** Signed in, with or without a household. */
  | 'account'
  | 'anyone';

interface Rule {
  path: RegExp;
  need: Need;
  /** Looking only; anything sent there asks for a member. */
  look?: true;
  /** Only there; elsewhere there is no such page. */
  in?: 'home' | 'hosted';
}
/** The first rule that fits holds; a page without one asks for a member. */
const rules: readonly Rule[] = [
  { path: /^\/account\/(sign-in|sign-up|forgot|reset|confirm)$/, need: 'anyone', in: 'hosted' },
  { path: /^\/join\/[^/]+$/, need: 'anyone', in: 'hosted' },
  { path: /^\/account(\/.*)?$/, need: 'account', in: 'hosted' },
  { path: /^\/pair$/, need: 'anyone', in: 'home' },
  { path: /^\/household\/phones$/, need: 'owner', in: 'home' },
  { path: /^\/household\/certificate\.crt$/, need: 'helper', in: 'home' },
  { path: /^\/household\/people$/, need: 'member', in: 'hosted' },
  { path: /^\/(begin|welcome|transfer\/archive)$/, need: 'founder' },
  { path: /^\/households$/, need: 'founder' },
  { path: /^\/$/, need: 'account' },
  // What a helper at the machine needs: what is in it, how it runs, when it ends.
  { path: /^\/(today|today\/(next|ways)|wash|upkeep|loads\/[^/]+|loads\/[^/]+\/hand)$/, need: 'helper', look: true },
];

/** Who asks, as far as it matters here. */
export interface Asker {
  hosted: boolean;
  signedIn: boolean;
  /** By a device of the home network that was not let in. */
  stranger: boolean;
  pocket: boolean;
  /** null = of no household. */
  role: Role | null;
}
export type Admission = 'admitted' | 'sign-in' | 'pair' | 'begin' | 'refused' | 'no-such-page';

const ranks: readonly Role[] = ['helper', 'member', 'owner'];
const atLeast = (role: Role | null, least: Role): boolean =>
  role !== null && ranks.indexOf(role) >= ranks.indexOf(least);

/**
 * Whether somebody may have a page or send it something.
 *
 * @example
 * admission({ hosted: true, signedIn: true, stranger: false, pocket: false, role: 'helper' }, 'POST', '/loads/1') // 'refused'
 */
export function admission(who: Asker, method: string, pathname: string): Admission {
  // A page asked for as data is the same page: `/wash.data`, `/wash/_.data`, `/_root.data`.
  const path = pathname
    .replace(/\/_(root)?\.data$/, '/')
    .replace(/\.data$/, '')
    .replace(/(?<=.)\/$/, '');
  const rule = rules.find((r) => r.path.test(path));
  if (rule?.in && rule.in !== (who.hosted ? 'hosted' : 'home')) return 'no-such-page';
  const looking = method === 'GET' || method === 'HEAD';
  const need: Need = !rule || (rule.look && !looking) ? 'member' : rule.need;
  if (need === 'anyone') return 'admitted';
  if (who.stranger) return 'pair';
  if (who.hosted && !who.signedIn) return 'sign-in';
  if (need === 'account') return 'admitted';
  if (need === 'founder') return who.hosted || !who.pocket ? 'admitted' : 'refused';
  if (who.role === null) return 'begin';
  return atLeast(who.role, need) ? 'admitted' : 'refused';
}
