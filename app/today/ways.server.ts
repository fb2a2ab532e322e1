import { dayAims, type DayAim } from '@core/timetable/timetable.ts';
import { zoneClock } from '@formats/dates.ts';
import { wayWords } from '@words/en/today.ts';
import { clockText, money, plural, weekday } from '../shared/words.ts';
import { hoursOf, type Day } from './day.server.ts';

export interface WayView {
  aim: DayAim;
  name: string;
  ends: string;
  figures: string;
}

/** The same work in every order that is offered. */
export async function waysOf(day: Day): Promise<WayView[]> {
  const { timeZone } = day.view;
  const midnight = zoneClock(new Date(day.request.now), timeZone)(1, 0);
  const ways = await Promise.all(dayAims.map(async (aim) => ({ aim, t: await hoursOf(day, aim) })));
  return ways.map(({ aim, t }) => {
    const end = t.finishMs === null ? null : new Date(t.finishMs);
    const tomorrow = end !== null && end.getTime() >= midnight;
    return {
      aim,
      name: wayWords.aim[aim].name,
      ends:
        end === null
          ? ''
          : `away by ${tomorrow ? `${weekday(end, timeZone).slice(0, 3)} ` : ''}${clockText(end, timeZone)}`,
      figures: [
        plural(t.figures.interruptions, 'turn'),
        money(t.figures.energyMoney, day.household.tariff.currency),
        t.late.length > 0 ? `${plural(t.late.length, 'piece')} late` : '',
      ]
        .filter(Boolean)
        .join(', '),
    };
  });
}
