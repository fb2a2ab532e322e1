/** The private address calendar programs read: its secret names the household; whoever has not got it gets nothing. */
import type { Request, Response } from 'express';
import { digestOfFeed, feedHome, noteFeedRead } from '@data/day.ts';
import { inHousehold, isUnavailable, lookInHousehold, NotOpened, type Door } from '@data/client.ts';
import { calendarHeaders, dayCalendar } from './day-calendar.server.ts';

const shape = /^[A-Za-z0-9_-]{43}$/;

export async function readFeed(request: Request, response: Response): Promise<void> {
  const token = String(request.params.token ?? '');
  const nothing = (): void =>
    void response.status(404).type('text/plain').send('There is no calendar at this address.');
  if (!shape.test(token)) return nothing();
  try {
    const home = await feedHome(token);
    if (!home) return nothing();
    const now = new Date();
    const scope = { householdId: home.householdId, now, actor: 'calendar' };
    const door: Door = { householdId: home.householdId, key: { by: 'calendar', proof: digestOfFeed(token) } };
    const text = await lookInHousehold(door, (tx) => dayCalendar({ ...scope, tx }));
    if (text === null) return nothing();
    await inHousehold(door, (tx) => noteFeedRead(tx, home.feedId, now));
    response.set(calendarHeaders).send(text);
  } catch (error) {
    if (error instanceof NotOpened) return nothing(); // withdrawn in this moment
    if (!isUnavailable(error) && !(error instanceof globalThis.Response)) throw error;
    response.status(503).set('Retry-After', '60').type('text/plain').send('The calendar cannot be read just now.');
  }
}
