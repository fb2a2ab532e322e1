/** What the forms of an account may hold. */
import * as v from 'valibot';
import type { FormReply } from '../forms/read.ts';

/** Long is what counts (NIST SP 800-63B, ASVS 5.0 6.2): no rules about kinds of characters, nothing that ends. */
export const passwordLength = { least: 12, most: 128 } as const;

const email = v.pipe(
  v.string('Mail address: is missing.'),
  v.trim(),
  v.toLowerCase(),
  v.maxLength(254, 'Mail address: at most 254 characters.'),
  v.email('Mail address: is not complete; it is like name@place.example.'),
);
const newPassword = v.pipe(
  v.string('Password: is missing.'),
  v.minLength(
    passwordLength.least,
    `Password: at least ${passwordLength.least} characters; a few words make a good one.`,
  ),
  v.maxLength(passwordLength.most, `Password: at most ${passwordLength.most} characters.`),
);
const name = v.pipe(
  v.string('Name: is missing.'),
  v.trim(),
  v.minLength(1, 'Name: is missing.'),
  v.maxLength(60, 'Name: at most 60 characters.'),
);
/** Where to go afterwards: a page of ours, else nowhere. */
const to = v.optional(v.string());

export const signUpSchema = v.object({ name, email, password: newPassword, to });
export const signInSchema = v.object({
  email: v.pipe(
    v.string('Mail address: is missing.'),
    v.trim(),
    v.toLowerCase(),
    v.maxLength(254, 'Mail address: at most 254 characters.'),
  ),
  password: v.pipe(v.string('Password: is missing.'), v.maxLength(passwordLength.most, 'Password: is too long.')),
  to,
});
export const forgotSchema = v.object({ email });
export const resetSchema = v.object({ password: newPassword });
export const changePasswordSchema = v.object({
  current: v.pipe(
    v.string('Password now: is missing.'),
    v.maxLength(passwordLength.most, 'Password now: is too long.'),
  ),
  password: newPassword,
});

const secretFields = ['password', 'current'];
/** A reply without what nobody shows again. */
export const hushed = (reply: FormReply): FormReply => ({
  ...reply,
  initialValue: Object.fromEntries(
    Object.entries(reply.initialValue ?? {}).filter(([name]) => !secretFields.includes(name)),
  ),
});
/** An address of ours to go on to; anything else leads home. */
export const onwards = (to: string | undefined): string =>
  to && /^\/(?![/\\])[^\s\\]*$/.test(to) && !to.startsWith('/account/') ? to : '/';
