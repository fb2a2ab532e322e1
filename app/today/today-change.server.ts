/** What people say of a day: each word is stored with what the day was before it, and the new day is what is promised from then on. */
import { dayAims, type DayAim } from '@core/timetable/timetable.ts';
import { promiseOf } from '@core/timetable/moved.ts';
import { addWish, dropWish, keepPromise, type DayWish } from '@data/day.ts';
import type { Scope } from '../server/request.server.ts';
import { field } from '../server/request.server.ts';
import { hoursOf, readDay, type Day } from './day.server.ts';
import { nextMoment } from './moment.ts';
import { figuresOf } from './day-facts.server.ts';

export type ChangeAnswer = { ok: true } | { ok: false; status: 409 | 422; problem: string; field: string };
const refuse = (problem: string, name: string, status: 409 | 422 = 422): ChangeAnswer => ({
  ok: false,
  status,
  problem,
  field: name,
});
/** Further ahead nobody plans a wash day, ms. */
const furthestMs = 14 * 24 * 3_600_000;

const aimOf = (text: string): DayAim | undefined => dayAims.find((a) => a === text);

/** The hours as they are now become what is promised. */
async function promiseNow(scope: Scope, aim?: DayAim): Promise<void> {
  const day = await readDay(scope);
  if (!day) return;
  const wanted = aim ?? day.promise?.aim ?? 'usual';
  const t = await hoursOf(day, wanted);
  await keepPromise(scope.tx, scope.householdId, { aim: wanted, at: scope.now, tasks: promiseOf(t) });
}

type Wish = Omit<DayWish, 'id' | 'saidAt' | 'before'>;
const nothing = { loadId: null, task: null, person: null, at: null, until: null } as const;

/** The wish a form makes, or what is wrong with it. */
function wishOf(scope: Scope, day: Day, form: FormData, kind: string): { wishes: Wish[] } | ChangeAnswer {
  const { now } = scope;
  const zone = day.view.timeZone;
  const moment = (name: string, label: string): Date | ChangeAnswer => {
    const text = field(form, name);
    const at = /^\d{12,14}$/.test(text) ? new Date(Number(text)) : nextMoment(text, now, zone);
    if (!at) return refuse(`${label}: “${text.slice(0, 40)}” is no time of day, like 18:00 or tomorrow 7:30.`, name);
    if (Math.abs(at.getTime() - now.getTime()) > furthestMs)
      return refuse(`${label}: a time of the next two weeks.`, name);
    return at;
  };
  const load = day.loads.find((l) => l.row.id === field(form, 'load'));
  const gone = refuse('That load is not on the day any more.', 'load', 409);
  const waiting = load && load.row.status === 'planned' ? load : null;
  const begun = refuse('That load has begun: its clock runs.', 'load', 409);
  const person = (): number | ChangeAnswer => {
    const n = Number(field(form, 'person'));
    return Number.isInteger(n) && n >= 1 && n <= day.people.length
      ? n
      : refuse('Who: somebody who lives here.', 'person');
  };
  switch (kind) {
    case 'not-before':
    case 'first': {
      if (!load) return gone;
      if (!waiting) return begun;
      const at = moment('at', kind === 'first' ? 'From' : 'Not before');
      return at instanceof Date ? { wishes: [{ ...nothing, kind, loadId: load.row.id, at }] } : at;
    }
    case 'needed': {
      if (!load) return gone;
      const at = moment('at', 'Needed by');
      return at instanceof Date ? { wishes: [{ ...nothing, kind, loadId: load.row.id, at }] } : at;
    }
    case 'skip':
      if (!load) return gone;
      return waiting ? { wishes: [{ ...nothing, kind, loadId: load.row.id }] } : begun;
    case 'begin': {
      const at = moment('at', 'The day begins');
      return at instanceof Date ? { wishes: [{ ...nothing, kind: 'not-before', at }] } : at;
    }
    case 'out': {
      const who = person();
      if (typeof who !== 'number') return who;
      const from = moment('from', 'Out from');
      if (!(from instanceof Date)) return from;
      const text = field(form, 'to');
      // "From 12 to 14": the end is the next such time after the beginning.
      const to = nextMoment(text, from, zone);
      if (!to) return refuse(`Out to: “${text.slice(0, 40)}” is no time of day, like 14:00.`, 'to');
      return { wishes: [{ ...nothing, kind, person: who, at: from, until: to }] };
    }
    case 'hands': {
      const who = person();
      if (typeof who !== 'number') return who;
      const tasks = field(form, 'tasks').split(' ').filter(Boolean).slice(0, 40);
      if (tasks.length === 0 || tasks.some((t) => t.length > 120)) return refuse('Which task: choose one.', 'tasks');
      return { wishes: tasks.map((task) => ({ ...nothing, kind, task, person: who, at: scope.now })) };
    }
    default:
      return refuse('That is no change of a day.', 'intent');
  }
}

export async function changeDay(scope: Scope, form: FormData): Promise<ChangeAnswer> {
  const intent = field(form, 'intent');
  if (intent === 'keep') {
    const aim = aimOf(field(form, 'aim'));
    if (!aim) return refuse('The order of the day: choose one of those shown.', 'aim');
    await promiseNow(scope, aim);
    return { ok: true };
  }
  if (intent === 'drop') {
    if (!(await dropWish(scope.tx, field(form, 'wish')))) return refuse('That was taken back already.', 'wish', 409);
    await promiseNow(scope);
    return { ok: true };
  }
  const day = await readDay(scope);
  if (!day) return refuse('There is no household yet.', 'intent', 409);
  const made = wishOf(scope, day, form, intent);
  if ('ok' in made) return made;
  const before = figuresOf(await hoursOf(day, day.promise?.aim ?? 'usual'));
  for (const wish of made.wishes)
    if (!(await addWish(scope.tx, scope.householdId, { ...wish, saidAt: scope.now, before })))
      return refuse('That is as much as can be said of one day: take something back first.', 'intent');
  await promiseNow(scope);
  return { ok: true };
}
