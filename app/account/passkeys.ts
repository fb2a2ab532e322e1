/** Passkeys in the browser: asked for by a button, loaded then. */
import { passkeyClient } from '@better-auth/passkey/client';
import { createAuthClient } from 'better-auth/client';

const client = createAuthClient({ plugins: [passkeyClient()] });

/** null = it is done, else why not, in words. */
export const passkeys = {
  signIn: async (): Promise<string | null> => {
    const { error } = await client.signIn.passkey();
    return error ? 'No passkey was taken. Your password works as before.' : null;
  },
  add: async (name: string): Promise<string | null> => {
    const done = await client.passkey.addPasskey({ name });
    return done?.error ? 'No passkey was made. Your password works as before.' : null;
  },
};
