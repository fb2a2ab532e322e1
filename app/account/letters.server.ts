/** Letters of the accounts: what they say, and how they leave. They go through the queue, so that a mail server that sleeps delays them only. */
import { origin } from '../server/mode.server.ts';
import { order } from '../server/queue.server.ts';

export type Letter =
  | { kind: 'confirm' | 'reset'; to: string; token: string }
  | { kind: 'known'; to: string }
  | { kind: 'machine-done'; to: string; load: string };

const link = (path: string): string => `${origin()}${path}`;
const say: { [K in Letter['kind']]: (letter: Extract<Letter, { kind: K }>) => { subject: string; lines: string[] } } = {
  confirm: ({ token }) => ({
    subject: 'Confirm your address',
    lines: [
      'Somebody, hopefully you, made an account with this address. Open this page within a day to confirm it:',
      link(`/account/confirm?token=${encodeURIComponent(token)}`),
      'If it was not you, nothing happens without that.',
    ],
  }),
  reset: ({ token }) => ({
    subject: 'A new password',
    lines: [
      'Choose a new password on this page, within an hour:',
      link(`/account/reset?token=${encodeURIComponent(token)}`),
      'If you did not ask for it, leave it: your password stays as it is.',
    ],
  }),
  known: () => ({
    subject: 'You have an account already',
    lines: [
      'Somebody, hopefully you, wanted to make an account with this address. There is one already: sign in, or choose a new password, here:',
      link('/account/sign-in'),
    ],
  }),
  'machine-done': ({ load }) => ({
    subject: `${load} is done`,
    lines: [`${load} has ended. It is taken out best before it creases:`, link('/wash')],
  }),
};

/** Put a letter on its way. */
export async function sendLetter(letter: Letter): Promise<void> {
  const write = say[letter.kind] as (l: Letter) => { subject: string; lines: string[] };
  const { subject, lines } = write(letter);
  await order('mail', { to: letter.to, subject, text: `${lines.join('\n\n')}\n` });
}
