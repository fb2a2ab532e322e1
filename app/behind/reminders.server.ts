/** Twice a minute, by one of the servers: machines that have ended are called out, by mail to whoever asked for it. */
import { mailedMembers } from '@data/accounts.ts';
import { takeReminders } from '@data/works.ts';
import { sendLetter } from '../account/letters.server.ts';
import { hosted } from '../server/mode.server.ts';

export async function callOut(): Promise<void> {
  for (const { householdId, load } of await takeReminders())
    if (hosted) for (const to of await mailedMembers(householdId)) await sendLetter({ kind: 'machine-done', to, load });
}
