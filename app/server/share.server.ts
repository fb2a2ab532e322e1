/** The home network: a device that was let in is a visitor like any other; everything else gets the page that asks for a code, and nothing more. */
import type { RequestHandler } from 'express';
import type { Visitor } from './context.ts';
import { overNetwork } from './visitor.server.ts';

/** The page that asks for the code, and the program files it is drawn with: nothing of any household. */
const beforeTheDoor = /^\/(pair(\.data)?$|assets\/|icon\.svg$)/;
/** A meter, a machine or a calendar program shows a secret of its own, and gets nothing without. */
const withOwnSecret = /^\/(devices\/v1\/readings|calendar\/[^/]+\.ics)$/;

export const letInOnly: RequestHandler = (request, response, next) => {
  if (!overNetwork(request) || beforeTheDoor.test(request.path) || withOwnSecret.test(request.path)) return next();
  if ((response.locals.visitor as Visitor | undefined)?.householdId) return next();
  response.set('Cache-Control', 'no-store');
  if (request.method === 'GET' && request.accepts(['html', 'json']) === 'html') return response.redirect(302, '/pair');
  response.status(403).type('text/plain').send('This device was not let in.');
};
