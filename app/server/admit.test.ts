import { describe, expect, test } from '@jest/globals';
import type { RouteConfigEntry } from '@react-router/dev/routes';
import routes from '../routes.ts';
import { admission, type Asker } from './admit.ts';

const atHome: Asker = { hosted: false, signedIn: false, stranger: false, pocket: false, role: 'owner' };
const phone: Asker = { ...atHome, pocket: true, role: 'member' };
const stranger: Asker = { ...atHome, stranger: true, role: null };
const nobody: Asker = { hosted: true, signedIn: false, stranger: false, pocket: false, role: null };
const signedIn: Asker = { ...nobody, signedIn: true };
const owner: Asker = { ...signedIn, role: 'owner' };
const member: Asker = { ...signedIn, role: 'member' };
const helper: Asker = { ...signedIn, role: 'helper' };

const flat = (list: readonly RouteConfigEntry[]): string[] =>
  list.flatMap((r) => (r.children ? flat(r.children) : [`/${r.path ?? ''}`]));
const paths = flat(routes).map((p) => p.replace(/:\w+|\*/g, 'x'));
const open = (who: Asker, method: 'GET' | 'POST'): string[] =>
  paths.filter((p) => admission(who, method, p) === 'admitted');

const doorstep = [
  '/account/sign-in',
  '/account/sign-up',
  '/account/forgot',
  '/account/reset',
  '/account/confirm',
  '/join/x',
];
const clocks = ['/today', '/today/ways', '/today/next', '/wash', '/upkeep', '/loads/x', '/loads/x/hand'];

describe('every page of the application', () => {
  test('is shut to whoever is not signed in, but for the doorstep', () => {
    for (const method of ['GET', 'POST'] as const) {
      expect(open(nobody, method).sort()).toEqual([...doorstep].sort());
      expect(paths.filter((p) => admission(nobody, method, p) === 'sign-in').length).toBeGreaterThan(50);
    }
  });
  test('is shut to a strange device of the network, but for the page that asks for a code', () => {
    for (const method of ['GET', 'POST'] as const) expect(open(stranger, method)).toEqual(['/pair']);
  });
  test('is shut to a helper, but for tickets and clocks, which are looked at only, and the own account', () => {
    const own = ['/', '/welcome', '/begin', '/households', '/account', '/transfer/archive'];
    expect(open(helper, 'GET').sort()).toEqual([...doorstep, ...own, ...clocks].sort());
    expect(open(helper, 'POST').sort()).toEqual([...doorstep, ...own].sort());
  });
  test('is open to a member, but what is only at home', () => {
    const home = ['/pair', '/household/phones', '/household/certificate.crt'];
    expect(paths.filter((p) => !open(member, 'GET').includes(p)).sort()).toEqual([...home].sort());
    expect(open(owner, 'POST')).toEqual(open(member, 'POST'));
  });
  test('is open at home, but what is only hosted; a phone begins and deletes no household and lets nobody in', () => {
    const accounts = [...doorstep, '/account', '/household/people'];
    expect(paths.filter((p) => !open(atHome, 'GET').includes(p)).sort()).toEqual([...accounts].sort());
    const shut = ['/welcome', '/begin', '/households', '/transfer/archive', '/household/phones'];
    expect(paths.filter((p) => !open(phone, 'POST').includes(p)).sort()).toEqual([...accounts, ...shut].sort());
  });
});

test('the same page asked for as data is the same page', () => {
  expect(admission(helper, 'GET', '/wash.data')).toBe('admitted');
  expect(admission(helper, 'GET', '/wardrobe.data')).toBe('refused');
  expect(admission(nobody, 'GET', '/wardrobe.data')).toBe('sign-in');
  expect(admission(signedIn, 'GET', '/wardrobe')).toBe('begin');
  expect(admission(nobody, 'GET', '/_root.data')).toBe('sign-in');
  expect(admission(helper, 'GET', '/_.data')).toBe('admitted');
  expect(admission(helper, 'GET', '/wash/_.data')).toBe('admitted');
  expect(admission(helper, 'GET', '/wardrobe/_.data')).toBe('refused');
  expect(admission(helper, 'GET', '/wardrobe/')).toBe('refused');
  expect(admission(stranger, 'GET', '/household/phones.data')).toBe('pair');
  expect(admission(member, 'GET', '/household/phones')).toBe('no-such-page');
});
