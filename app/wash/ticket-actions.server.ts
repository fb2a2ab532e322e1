/** What can be done on a ticket: prepare, start, tell what the machine does, take it out. */
import { data, redirect } from 'react-router';
import { mayJoinWithinMin } from '@core/board/join.ts';
import { troubles } from '@core/run/trouble.ts';
import { appendEvents } from '@data/events.ts';
import { changeRunning, dropAside, markNotStarted, setTicked, type LoadView } from '@data/loads.ts';
import { readForm } from '../forms/read.ts';
import { conflict, field, type Scope } from '../server/request.server.ts';
import { joinSchema, leftSchema, startedSchema } from './run-form.ts';
import { joinRunning, noteEnd, startLoad, takeOut, type StartResult } from './run.server.ts';

/** Why a load does not start, and what to do. */
const notStarted: Record<Exclude<StartResult, 'started'>, string> = {
  'already-started': 'It was already started on another screen. This one now shows the running load.',
  'machine-busy': 'Something is in that machine already. Take it out first, on Wash; then start this one.',
  'piece-busy': 'One of its pieces is in a running load or soaks in a tub. Finish that first, or sort again.',
  'older-plan': 'The basket was sorted again since this ticket. Open Sort and take the newest ticket.',
  'piece-gone':
    'One of its pieces has left the basket meanwhile. Sort again, so that the dose and the company are right.',
  'piece-changed':
    'What is known of one of its pieces has changed since it was sorted: its label, its cloth or its colour. Sort again first.',
};
const elsewhere = 'It does not run any more: it was finished or put back on another screen.';
const refused = (message: string) => conflict({ message, reply: null });
const unclear = (message: string, reply: unknown = null) => data({ message, reply }, { status: 422 });

const aboutPiece = ['detached', 'refitted', 'note', 'mended'] as const;
/** What is noted of one piece while it goes through the hands. */
async function notePiece(scope: Scope, load: LoadView, form: FormData, intent: (typeof aboutPiece)[number]) {
  const garmentId = field(form, 'piece');
  if (!load.load.garments.includes(garmentId)) return refused('That piece is not in this load.');
  const lies = field(form, 'lies').slice(0, 120);
  const note = field(form, 'note').slice(0, 200);
  const base = { garmentId, at: scope.now };
  switch (intent) {
    case 'detached':
      if (lies === '') return refused('Say what came off and where it lies, so that it is found again.');
      await appendEvents(scope, [{ ...base, kind: 'noted', data: { detached: lies, note: `Taken off: ${lies}` } }]);
      break;
    case 'refitted':
      await appendEvents(scope, [{ ...base, kind: 'noted', data: { refitted: true, note: 'Everything is back on' } }]);
      break;
    case 'mended':
      await appendEvents(scope, [{ ...base, kind: 'mended', data: note === '' ? {} : { note } }]);
      break;
    case 'note':
      if (note === '') return refused('Say what you see: a thin place, a loose button, pills.');
      await appendEvents(scope, [{ ...base, kind: 'noted', data: form.has('mend') ? { mend: note } : { note } }]);
  }
  return redirect(`/loads/${load.id}`);
}
const isAboutPiece = (intent: string): intent is (typeof aboutPiece)[number] =>
  (aboutPiece as readonly string[]).includes(intent);

export async function ticketAction(scope: Scope, load: LoadView, form: FormData) {
  const here = () => redirect(`/loads/${load.id}`);
  const tick = field(form, 'tick');
  const untick = field(form, 'untick');
  if (tick || untick) {
    const step = tick || untick;
    if (load.plan.garments.some((g) => load.load.garments.includes(g.id) && g.prepare.includes(step)))
      await setTicked(scope.tx, load.id, step, Boolean(tick));
    return here();
  }
  const intent = field(form, 'intent');
  if (isAboutPiece(intent)) return notePiece(scope, load, form, intent);
  const minutesFromNow = (minutes: number): Date => new Date(scope.now.getTime() + minutes * 60_000);
  switch (intent) {
    case 'start': {
      const read = readForm(form, startedSchema);
      if (!read.ok) return unclear('Started earlier: give the minutes, from 0 to 360.', read.reply);
      const result = await startLoad(scope, load, minutesFromNow(-(read.value.ago ?? 0)));
      if (result !== 'started') return refused(notStarted[result]);
      return redirect(load.load.method === 'hand' ? `/loads/${load.id}/hand` : `/loads/${load.id}`);
    }
    case 'undo-start':
    case 'again':
      return (await markNotStarted(scope.tx, load.id, intent === 'again')) ? here() : refused(elsewhere);
    case 'ended':
      return (await noteEnd(scope, load, scope.now, { kwh: null, by: 'hand' }))
        ? here()
        : refused('Its end is noted already.');
    case 'left': {
      const read = readForm(form, leftSchema);
      if (!read.ok) return unclear('Minutes left: a number from 1 to 360, as the panel shows it.', read.reply);
      const endsAt = minutesFromNow(read.value.left);
      return (await changeRunning(scope.tx, load.id, { endsAt, trouble: null, measured: null }))
        ? here()
        : refused(elsewhere);
    }
    case 'trouble': {
      const trouble = troubles.find((t) => t === field(form, 'what'));
      if (!trouble) return unclear('Say what happened.');
      return (await changeRunning(scope.tx, load.id, { trouble })) ? here() : refused(elsewhere);
    }
    case 'goes-on':
      return (await changeRunning(scope.tx, load.id, { trouble: null })) ? here() : refused(elsewhere);
    case 'join': {
      const read = readForm(form, joinSchema);
      if (!read.ok) return unclear('Choose the piece that was forgotten.', read.reply);
      const answer = await joinRunning(scope, load, read.value.piece);
      if (answer === 'joined') return here();
      if (answer === 'too-late')
        return refused(
          `It runs for more than ${mayJoinWithinMin} minutes: the water is warm and dirty. The piece waits for another load.`,
        );
      if (answer === 'not-here')
        return refused(
          'That piece is not free to join: it was not in the basket when this was sorted, or is elsewhere.',
        );
      return refused(`Better not: ${answer.refused.join(' ')}`);
    }
    case 'out':
      return (await takeOut(scope, load.id))
        ? redirect(`/loads/${load.id}/inspect`)
        : refused(
            'It was already taken out on another screen. What was seen there is kept; nothing was counted twice.',
          );
    case 'not-wanted':
      return load.aside && (await dropAside(scope.tx, load))
        ? redirect('/wash')
        : refused('It runs already, or belongs to the plan of the day.');
    default:
      return data({ message: 'That button is not known here.', reply: null }, { status: 400 });
  }
}
/** A tick says what it leaves behind, however often it is sent. */
export const isTick = (form: FormData): boolean => form.has('tick') || form.has('untick');
