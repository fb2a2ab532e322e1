/** Letters leave by SMTP; where there is no server yet, a stand-in keeps them (stand-ins/mail.ts). */
import { createTransport } from 'nodemailer';
import type { Letter } from '../server/queue.server.ts';

const usualSmtp = 'smtp://127.0.0.1:4175';
const waitMs = 10_000;

export async function sendByMail({ to, subject, text }: Letter): Promise<void> {
  const transport = createTransport(process.env.NEAT_FOLD_SMTP ?? usualSmtp, {
    from: process.env.NEAT_FOLD_MAIL_FROM ?? 'Neat Fold <no-reply@localhost>',
  });
  try {
    await Promise.race([
      transport.sendMail({ to, subject, text }),
      new Promise((_, reject) => {
        setTimeout(() => reject(new Error('the mail server gave no answer')), waitMs).unref();
      }),
    ]);
  } finally {
    transport.close();
  }
}
