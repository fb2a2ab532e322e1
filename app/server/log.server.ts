/**
 * The server's log: one JSON line an event, with the request's id and without anything personal: no addresses, no queries, no form fields.
 * `NEAT_FOLD_LOG` = a file; without it, warnings and errors go to standard error.
 */
import { randomUUID } from 'node:crypto';
import pino from 'pino';
import { pinoHttp } from 'pino-http';

const file = process.env.NEAT_FOLD_LOG;
const destination = pino.destination(file ? { dest: file, mkdir: true, sync: false } : { dest: 2, sync: true });
destination.on('error', () => {}); // a full disk loses lines of the log, not the server
export const log = pino(
  { name: 'neat-fold', level: process.env.NEAT_FOLD_LOG_LEVEL ?? (file ? 'info' : 'warn'), base: null },
  destination,
);

/** Addresses that are secrets themselves are not written down. */
const shown = (url: string): string =>
  (url.split('?')[0] ?? '').replace(/^\/(join|calendar)\/[^/]+/, '/$1/…').slice(0, 200);

/** One line a request: method, path, status, milliseconds. */
export const requestLog = pinoHttp({
  logger: log,
  genReqId: () => randomUUID(),
  quietReqLogger: true,
  customLogLevel: (_request, response, error) =>
    response.statusCode === 503 ? 'info' : error || response.statusCode >= 500 ? 'error' : 'debug',
  serializers: {
    req: ({ method, url }: { method: string; url: string }) => ({ method, path: shown(url) }),
    res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
  },
});
