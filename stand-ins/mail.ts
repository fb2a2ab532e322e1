/** A mail server that delivers nothing: it takes letters by SMTP and shows them in an outbox, as a page and as JSON. On loopback only. */
import http from 'node:http';
import { simpleParser } from 'mailparser';
import { SMTPServer } from 'smtp-server';

interface Kept {
  at: string;
  to: string[];
  subject: string;
  text: string;
}
const mostKept = 500;
const letters: Kept[] = [];

const smtp = new SMTPServer({
  disabledCommands: ['AUTH', 'STARTTLS'],
  onData(stream, session, done) {
    simpleParser(stream)
      .then((mail) => {
        letters.unshift({
          at: new Date().toISOString(),
          to: session.envelope.rcptTo.map((r) => r.address),
          subject: mail.subject ?? '',
          text: mail.text ?? '',
        });
        letters.length = Math.min(letters.length, mostKept);
        done();
      })
      .catch((error: unknown) => done(error instanceof Error ? error : new Error(String(error))));
  },
});

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c);
const linked = (text: string): string =>
  escaped(text).replace(/https?:\/\/[^\s<]+/g, (url) => `<a href="${url}">${url}</a>`);
const page = (): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><title>Outbox (stand-in)</title><body style="font:16px/1.5 Georgia,serif;max-width:44rem;margin:2rem auto;padding:0 1rem"><h1>Outbox</h1><p>Letters that would have been mailed, the newest first.</p>${letters
    .map(
      (l) =>
        `<article style="border-top:2px solid;padding:1rem 0"><b>${escaped(l.subject)}</b> to ${escaped(l.to.join(', '))}, ${l.at}<pre style="white-space:pre-wrap">${linked(l.text)}</pre></article>`,
    )
    .join('')}</body></html>`;

const web = http.createServer((request, response) => {
  if (request.url === '/letters.json') {
    response.setHeader('Content-Type', 'application/json');
    response.end(JSON.stringify(letters));
  } else {
    response.setHeader('Content-Type', 'text/html; charset=utf-8');
    response.end(page());
  }
});

const wanted = Number(process.argv[process.argv.indexOf('--port') + 1]) || 0;
const portOf = (address: ReturnType<http.Server['address']>): number =>
  typeof address === 'object' && address ? address.port : 0;
web.listen(wanted, '127.0.0.1', () => {
  smtp.listen(0, '127.0.0.1', () => {
    console.log(`smtp://127.0.0.1:${portOf(smtp.server.address())} http://127.0.0.1:${portOf(web.address())}`);
  });
});
process.on('SIGTERM', () => process.exit(0));
