/** What is refused before anything looks at a request: foreign hosts and sites, odd methods, bodies and addresses, too many at once. */
import type { Request, RequestHandler, Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import { oddCharacter } from '../forms/characters.ts';
import { hosted, origin } from './mode.server.ts';

const refuse = (request: Request, response: Response, status: number, why: string, text: string): void => {
  request.log.warn({ refused: why }, text);
  response.status(status).type('text/plain').set('Connection', 'close').send(text);
};

/** Host names this server answers to: loopback, and what `NEAT_FOLD_HOSTS` adds (separated by commas). */
const ownHosts = new Set([
  'localhost',
  '127.0.0.1',
  '[::1]',
  ...(hosted ? [new URL(origin()).hostname] : []),
  ...(process.env.NEAT_FOLD_HOSTS ?? '')
    .split(',')
    .map((h) => h.trim().toLowerCase())
    .filter(Boolean),
]);
const hostName = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');
/** A page of another name that points at this machine reads nothing here. */
export const ownHostOnly: RequestHandler = (request, response, next) => {
  if (ownHosts.has(hostName(request.headers.host ?? ''))) return next();
  refuse(request, response, 421, 'host', 'Neat Fold does not answer to this name.');
};

/** An address that cannot be read, or holds characters nobody types. */
export const readableAddress: RequestHandler = (request, response, next) => {
  if (request.url.length > 8_000) return refuse(request, response, 414, 'address', 'That address is too long.');
  try {
    if (oddCharacter(decodeURIComponent(request.url.replace(/\+/g, ' '))) === null) return next();
  } catch {
    // not readable
  }
  refuse(request, response, 400, 'address', 'That address cannot be read.');
};

const looking: ReadonlySet<string> = new Set(['GET', 'HEAD']);
/** Pages whose forms carry a file: a picture, an archive. */
const takesFiles = /^\/(pieces\/[^/]+\/diary|transfer\/archive)(\.data)?$/;
/** Pages are looked at or sent a form, nothing else. */
export const knownMethods: RequestHandler = (request, response, next) => {
  if (looking.has(request.method)) return next();
  if (request.method !== 'POST') {
    response.set('Allow', 'GET, HEAD, POST');
    return refuse(request, response, 405, 'method', 'That method is not known here.');
  }
  const type = (request.headers['content-type'] ?? '').split(';')[0]?.trim().toLowerCase();
  const encoding = request.headers['content-encoding'] ?? 'identity';
  const known =
    type === 'application/x-www-form-urlencoded' || (type === 'multipart/form-data' && takesFiles.test(request.path));
  if (known && encoding === 'identity') return next();
  refuse(request, response, 415, 'type', 'A form is sent as application/x-www-form-urlencoded.');
};

/** A form may only be posted from our own pages. */
export const ownPagesOnly: RequestHandler = (request, response, next) => {
  if (looking.has(request.method)) return next();
  const { origin } = request.headers;
  const site = request.headers['sec-fetch-site'];
  const own =
    origin === undefined
      ? site === undefined || site === 'same-origin' || site === 'none'
      : URL.canParse(origin) && new URL(origin).host === request.headers.host?.toLowerCase();
  if (own && site !== 'cross-site') return next();
  refuse(request, response, 403, 'origin', 'This form was sent from another site and was refused.');
};

const perMinute = (name: string, usual: number): number => {
  const wanted = Number(process.env[name]);
  return Number.isInteger(wanted) && wanted > 0 ? wanted : usual;
};
const limited = (limit: number, skip: (request: Request) => boolean): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit,
    skip,
    // At home a proxy is only there in trials; what it says of addresses is then not believed (app.ts).
    validate: { xForwardedForHeader: false },
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (request, response) =>
      refuse(request, response, 429, 'rate', 'Too much at once. Wait a minute, then try again.'),
  });
/** So many pages and so many forms a minute from one address; more than any household needs. */
export const notTooMany: RequestHandler[] = [
  limited(perMinute('NEAT_FOLD_PAGES_PER_MINUTE', 6_000), () => false),
  limited(perMinute('NEAT_FOLD_FORMS_PER_MINUTE', 1_200), (request) => looking.has(request.method)),
];
/** Passwords and codes are typed by hand: so many tries a minute from one address, whatever they are for. */
export const notTooManyTries: RequestHandler = limited(perMinute('NEAT_FOLD_TRIES_PER_MINUTE', 20), (request) =>
  looking.has(request.method),
);
/** A meter speaks every few seconds; so many at once are more than a house has. */
export const notTooManyReadings: RequestHandler = limited(perMinute('NEAT_FOLD_READINGS_PER_MINUTE', 600), () => false);
