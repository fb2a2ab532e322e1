/**
 * The rules of the timetable document, checked from outside: nothing here knows how a timetable is made. Answers a line for every rule that is broken.
 */
import type { Garment } from '../model/garment.ts';
import type { Timetable, TimetableTask } from '../model/timetable.ts';
import { calendarOf, fixedClock } from '../timetable/calendar.ts';
import { meets, type Stretch } from '../timetable/spans.ts';
import { flatAreaM2 } from '../drying/spaces.ts';
import { sizeFactor } from '../garment/mass.ts';
import type { TimetableRequest } from '../timetable/timetable.ts';

const minuteMs = 60_000;
/** What comes at once after something that ran late. */
const slackMs = 90 * minuteMs;
const overlap = (a: TimetableTask, b: TimetableTask): boolean => a.startMs < b.endMs && b.startMs < a.endMs;

/** `request` as it was given. What has happened may have broken rules; what is still to come keeps them. */
export function brokenRules(t: Timetable, request: TimetableRequest): string[] {
  const out: string[] = [];
  const bad = (text: string): void => void out.push(text);
  const { household, loads, planned, garments } = request;
  const nowMs = Date.parse(request.now);
  const calendar = calendarOf({ household, nowMs, clock: request.clock ?? fixedClock(request.now) });
  const min = (ms: number): number => (ms - nowMs) / minuteMs;
  const outside = new Set(t.warnings.flatMap((w) => (w.code === 'no-hours' ? w.garments : [])));
  const excused = (x: TimetableTask): boolean => x.garments.some((g) => outside.has(g));
  const happened = new Set((request.progress ?? []).map((p) => p.task));
  const byId = new Map(t.tasks.map((x) => [x.id, x]));
  if (byId.size !== t.tasks.length) bad('ids are not unique');
  for (const x of t.tasks) {
    if (x.startMs < nowMs && !happened.has(x.id)) bad(`${x.id} starts before now`);
    if (x.endMs < x.startMs) bad(`${x.id} ends before it starts`);
  }
  machines(t, request, bad);
  for (const x of t.tasks) {
    if (excused(x) || happened.has(x.id)) continue;
    if (x.kind === 'wash' || x.kind === 'spin-only') {
      const washer = loads.find((l) => l.id === x.load)?.washer ?? '';
      if (meets(calendar.washers.get(washer) ?? [], min(x.startMs), min(x.endMs))) bad(`T1 ${x.id} outside its hours`);
    }
    if (x.kind === 'tumble' && meets(calendar.quiet, min(x.startMs), min(x.endMs))) bad(`T1 ${x.id} in quiet hours`);
    if (x.attended && meets(calendar.people[0] ?? [], min(x.startMs), min(x.endMs)))
      bad(`T2 ${x.id} when nobody is called`);
    if (x.attended !== (x.person !== null)) bad(`T2 ${x.id} has the wrong hands`);
    if (x.person !== null && (x.person < 1 || x.person > household.times.people))
      bad(`T2 ${x.id} is done by a stranger`);
  }
  const attended = t.tasks.filter((x) => x.attended);
  attended.forEach((x, i) =>
    attended.slice(i + 1).forEach((y) => {
      if (x.person === y.person && overlap(x, y) && !(happened.has(x.id) && happened.has(y.id)))
        bad(`T2 ${x.id} and ${y.id} at once`);
    }),
  );
  for (const x of t.tasks) {
    const ends = x.after.map((id) => byId.get(id)?.endMs ?? (bad(`T3 ${x.id} after unknown ${id}`), 0));
    const last = Math.max(...ends);
    if (happened.has(x.id)) continue;
    if (ends.length > 0 && x.startMs < last) bad(`T3 ${x.id} before what it follows`);
    const late = x.after.some((id) => happened.has(id)) && x.startMs <= nowMs + slackMs;
    if (ends.length > 0 && x.maxWaitMin !== null && !late && x.startMs > last + x.maxWaitMin * minuteMs + 1000)
      bad(`T3 ${x.id} waits ${(x.startMs - last) / minuteMs} min`);
  }
  places(t, request, calendar.indoorsOnly, bad);
  chains(t, request, bad);
  const dry = new Map(planned.map((g) => [g.id, g.dry]));
  for (const x of t.tasks) {
    if (x.kind === 'wash' && x.garments.length > 0) {
      const load = loads.find((l) => l.id === x.load);
      if (!happened.has(x.id) && Math.abs((x.endMs - x.startMs) / minuteMs - (load?.durationMin ?? 0)) > 0.05)
        bad(`T5 ${x.id} is too short or long`);
    }
    if (
      x.kind === 'dry' &&
      !happened.has(x.id) &&
      (x.endMs - x.startMs) / 3_600_000 < (dry.get(x.garments[0] ?? '')?.hours ?? 0) - 0.001
    )
      bad(`T5 ${x.id} is not dry`);
  }
  const late = t.ready.filter((r) => {
    const by = neededMs(garments, r.garment);
    return by !== null && r.atMs > by;
  });
  if (JSON.stringify(late.map((r) => r.garment)) !== JSON.stringify(t.late.map((l) => l.garment)))
    bad('late is not what is late');
  const { makespanMin, lowerBoundMin, handsMin } = t.figures;
  if (lowerBoundMin > makespanMin + 1e-6) bad('T8 bound above makespan');
  const finish = t.tasks.length ? Math.max(...t.tasks.map((x) => x.endMs)) : null;
  if (finish !== t.finishMs || Math.abs(makespanMin - (finish === null ? 0 : min(finish))) > 0.02)
    bad('finish is not the end');
  if (Math.abs(handsMin - attended.reduce((m, x) => m + (x.endMs - x.startMs) / minuteMs, 0)) > 0.05)
    bad('hands are not the sum');
  if (turnsCounted(attended) !== t.figures.interruptions)
    bad(`interruptions: ${turnsCounted(attended)} are not ${t.figures.interruptions}`);
  return out;
}
const neededMs = (garments: readonly Garment[], id: string): number | null => {
  const by = garments.find((g) => g.id === id)?.neededBy ?? null;
  return by === null ? null : Date.parse(by);
};

/** Attended tasks of anybody less than ten minutes apart are one. */
export function turnsCounted(attended: readonly TimetableTask[]): number {
  let end = -Infinity;
  let turns = 0;
  for (const x of [...attended].sort((a, b) => a.startMs - b.startMs)) {
    if (x.startMs - end >= 10 * minuteMs) turns++;
    end = Math.max(end, x.endMs);
  }
  return turns;
}

/** T1: drums are taken from the load to the hands that empty them; tubs and the iron while they are used. */
function machines(t: Timetable, { loads, progress }: TimetableRequest, bad: (text: string) => void): void {
  const happened = new Set((progress ?? []).map((p) => p.task));
  const taken: { key: string; fromMs: number; toMs: number; id: string }[] = [];
  for (const l of loads) {
    if (l.method !== 'machine') continue;
    const of = t.tasks.filter((x) => x.load === l.id);
    const into = of.find((x) => x.kind === 'load' && x.uses.some((u) => u.kind === 'washer'));
    const run = of.find((x) => x.kind === 'wash' && x.garments.length > 0);
    const out = of.find((x) => x.kind === 'take-out');
    if (!into || !run || !out) {
      bad(`T1 ${l.id} has no load, wash or take-out`);
      continue;
    }
    for (const x of [into, run, out])
      if (!x.uses.some((u) => u.kind === 'washer' && u.id === l.washer)) bad(`T1 ${x.id} is not on ${l.washer}`);
    const begun = (x: TimetableTask): boolean => happened.has(x.id);
    if (out.startMs - run.endMs > 15 * minuteMs && !begun(run)) bad(`T3 ${l.id} waits in the drum`);
    taken.push({ key: `washer ${l.washer}`, fromMs: into.startMs, toMs: out.endMs, id: l.id });
    for (const x of of) {
      if ((x.kind === 'hang' || x.kind === 'lay-flat') && x.startMs - out.endMs > 30 * minuteMs && !begun(out))
        bad(`T3 ${x.id} waits in a heap`);
      if (x.kind === 'wash' && x.garments.length === 0)
        taken.push({ key: `washer ${l.washer}`, fromMs: x.startMs, toMs: x.endMs, id: x.id });
    }
    const tumble = of.find((x) => x.kind === 'tumble');
    if (!tumble) continue;
    const dryer = tumble.uses[0]?.id ?? '';
    const dryerIn = of.find((x) => x.kind === 'load' && x.uses.some((u) => u.kind === 'dryer'));
    const dryerOut = of.find((x) => x.kind === 'tumble-out');
    if (!dryerIn || !dryerOut) bad(`T1 ${tumble.id} has no load or no hands to empty it`);
    else {
      if (dryerOut.startMs - tumble.endMs > 15 * minuteMs && !begun(tumble)) bad(`T3 ${l.id} waits in the dryer`);
      taken.push({ key: `dryer ${dryer}`, fromMs: dryerIn.startMs, toMs: dryerOut.endMs, id: tumble.id });
    }
  }
  for (const x of t.tasks)
    for (const u of x.uses)
      if (u.kind === 'basin' || u.kind === 'iron')
        taken.push({ key: `${u.kind} ${u.id}`, fromMs: x.startMs, toMs: x.endMs, id: x.id });
  taken.forEach((a, i) =>
    taken.slice(i + 1).forEach((b) => {
      if (a.key === b.key && a.fromMs < b.toMs && b.fromMs < a.toMs) bad(`T1 ${a.id} and ${b.id} both take ${a.key}`);
    }),
  );
}

/** T4: what hangs at one time has room; outdoors only by day, and not for long. */
function places(
  t: Timetable,
  { household, planned, garments }: TimetableRequest,
  indoorsOnly: readonly Stretch[],
  bad: (text: string) => void,
): void {
  const named = (code: string): Set<string> => new Set(t.warnings.flatMap((w) => (w.code === code ? w.garments : [])));
  const full = named('rack-full');
  const outside = named('no-hours');
  const dries = t.tasks.filter((x) => x.kind === 'dry');
  for (const x of dries) {
    const [id = ''] = x.garments;
    const dry = planned.find((g) => g.id === id)?.dry;
    const g = garments.find((y) => y.id === id);
    const use = x.uses.find((u) => u.kind === 'place');
    if (!dry || !g) continue;
    if (!use) {
      if (!full.has(id)) bad(`T4 ${x.id} has no place`);
      continue;
    }
    const need = { kind: g.kind, items: g.count, sizeFactor: sizeFactor(g.size, 'unisex', g.heightCm) };
    if (dry.method === 'bars' && Math.abs((use.bars ?? 0) - dry.bars) > 1e-6)
      bad(`T4 ${x.id} takes other bars than planned`);
    if (dry.method === 'hanger' && use.hangers !== g.count) bad(`T4 ${x.id} takes other hangers`);
    if (dry.method === 'flat' && Math.abs((use.flatM2 ?? 0) - flatAreaM2(need)) > 1e-9)
      bad(`T4 ${x.id} takes another area`);
    const place = household.dryingPlaces.find((d) => d.id === use.id);
    if (place?.outdoors && !outside.has(id)) {
      if (meets(indoorsOnly, (x.startMs - t.fromMs) / minuteMs, (x.endMs - t.fromMs) / minuteMs))
        bad(`T4 ${x.id} is outdoors at night`);
      if ((x.endMs - x.startMs) / 3_600_000 > 12) bad(`T4 ${x.id} is outdoors too long`);
    }
  }
  for (const d of household.dryingPlaces)
    for (const moment of dries.map((x) => x.startMs)) {
      const there = dries
        .filter((x) => x.startMs <= moment && x.endMs > moment)
        .flatMap((x) => x.uses.filter((u) => u.id === d.id));
      for (const what of ['bars', 'flatM2', 'hangers'] as const)
        if (there.reduce((m, u) => m + (u[what] ?? 0), 0) > d[what] + 1e-6) bad(`T4 ${d.id} has no ${what} left`);
    }
}

/** T6: wash, drying, press, put-away, each in its turn; marks and tests before the wash. */
function chains(t: Timetable, { planned }: TimetableRequest, bad: (text: string) => void): void {
  for (const g of planned) {
    if (g.load === null) continue;
    const of = t.tasks.filter((x) => x.garments.includes(g.id));
    const wash = of.filter((x) => x.kind === 'wash' || x.kind === 'hand-wash');
    const dry = of.find((x) => x.kind === 'dry' || x.kind === 'tumble');
    const away = of.find((x) => x.kind === 'put-away');
    const press = of.find((x) => x.kind === 'press');
    const washed = wash.at(-1);
    const [first] = wash;
    if (!washed || !first || !dry || !away) {
      bad(`T6 ${g.id} misses a step`);
      continue;
    }
    if (dry.startMs < washed.endMs) bad(`T6 ${g.id} dries before it is washed`);
    if (g.press && !press) bad(`T6 ${g.id} is not pressed`);
    if (press && press.startMs < dry.endMs) bad(`T6 ${g.id} is pressed wet`);
    if (away.startMs < (press ?? dry).endMs) bad(`T6 ${g.id} is put away too soon`);
    for (const x of of)
      if ((x.kind === 'pretreat' || x.kind === 'test') && x.endMs > first.startMs)
        bad(`T6 ${g.id} is treated after its wash`);
    if (t.ready.find((r) => r.garment === g.id)?.atMs !== away.endMs) bad(`${g.id} is ready at another time`);
  }
  const washed = planned.filter((g) => g.load !== null).map((g) => g.id);
  if (JSON.stringify([...washed].sort()) !== JSON.stringify(t.ready.map((r) => r.garment).sort()))
    bad('ready is not all that is washed');
}
