/** Accounts, by the accounts library on our own database: passwords, sessions, confirmation and reset by mail, passkeys. */
import { passkey } from '@better-auth/passkey';
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { credentials, passkeys, sessions, users, verifications } from '@data/accounts-schema.ts';
import { desk } from '@data/desk.ts';
import { origin, secret } from '../server/mode.server.ts';
import { sendLetter } from './letters.server.ts';
import { passwordLength } from './account-form.ts';

const hour = 3_600;
const day = 24 * hour;

function make() {
  const address = origin();
  return betterAuth({
    appName: 'Neat Fold',
    baseURL: address,
    basePath: '/api/auth',
    secret: secret(),
    trustedOrigins: [address],
    telemetry: { enabled: false },
    // What went wrong with a password is in the trail; the library's own lines would say it twice.
    logger: { level: 'error' },
    // Rates and closed doors are ours (guards.server.ts, data/accounts.ts): counted over all servers, the same for every address.
    rateLimit: { enabled: false },
    database: drizzleAdapter(desk(), {
      provider: 'pg',
      schema: {
        user: users,
        session: sessions,
        account: credentials,
        verification: verifications,
        passkey: passkeys,
      },
    }),
    emailAndPassword: {
      enabled: true,
      requireEmailVerification: true,
      autoSignIn: false,
      minPasswordLength: passwordLength.least,
      maxPasswordLength: passwordLength.most,
      resetPasswordTokenExpiresIn: hour,
      revokeSessionsOnPasswordReset: true,
      sendResetPassword: ({ user, token }) => sendLetter({ kind: 'reset', to: user.email, token }),
      onExistingUserSignUp: ({ user }) => sendLetter({ kind: 'known', to: user.email }),
    },
    emailVerification: {
      sendOnSignUp: true,
      expiresIn: day,
      sendVerificationEmail: ({ user, token }) => sendLetter({ kind: 'confirm', to: user.email, token }),
    },
    session: {
      expiresIn: 14 * day,
      updateAge: day,
      freshAge: hour,
      additionalFields: { householdId: { type: 'string', required: false, input: false } },
    },
    advanced: {
      useSecureCookies: true,
      cookiePrefix: 'neat-fold',
      defaultCookieAttributes: { httpOnly: true, secure: true, sameSite: 'lax', path: '/' },
      ipAddress: { disableIpTracking: true },
    },
    plugins: [
      passkey({
        rpID: new URL(address).hostname,
        rpName: 'Neat Fold',
        origin: address,
        authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
      }),
    ],
  });
}
let made: ReturnType<typeof make> | undefined;
/** Made when it is first asked for: at home there are no accounts. */
export const auth = (): ReturnType<typeof make> => (made ??= make());
