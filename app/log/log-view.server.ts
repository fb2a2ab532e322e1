/** The log in words: by day, by load, by piece, by person, or every entry. */
import { isMostlyWool } from '@core/fibre/blend.ts';
import { loadName } from '@core/plan/load-name.ts';
import { profileOf, type Profile } from '@core/piece/profile.ts';
import { isGood } from '@core/run/inspection.ts';
import { wearsAllowed } from '@core/wear/wear.ts';
import { dayOf } from '@formats/dates.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { findingsOf, type Finding } from '@data/findings.ts';
import { barePieces, garmentDocument, peopleOf, type Piece } from '@data/garments.ts';
import { readHousehold, type HouseholdView } from '@data/household.ts';
import { pastLoads, type PastLoad } from '@data/loads.ts';
import {
  lastEntry,
  logPage,
  logSorts,
  logTable,
  mostCounted,
  sumsByPiece,
  type LogFilter,
  type LogRow,
} from '@data/log.ts';
import type { EventKind } from '@data/schema.ts';
import { titleOf } from '@words/text.ts';
import { lookQuestions } from '@words/en/look.ts';
import { parseDate } from '@internationalized/date';
import { notFound, type Scope } from '../server/request.server.ts';
import { clothOf } from '../shared/cloth.ts';
import { clockText, dayAndYear, dayText, durationText, money, plural, shortDay } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';
import { byDay, gather, type Entry } from './days.ts';
import { eventText } from './history.ts';
import { kindsOf, logHref, type LogQuery } from './log-filter.ts';

const rowsPerPage = { days: 120, table: 50, loads: 30 } as const;

export interface EntryView {
  id: number;
  time: string;
  day: string;
  kind: string;
  piece: string;
  name: string;
  owner: string;
  cloth: ClothView;
  text: string;
  load: string | null;
  struck: boolean;
  /** It stands for one that was taken back. */
  corrected: boolean;
}
export interface DayGroup {
  key: string;
  title: string;
  href: string | null;
  /** null = the one entry is told in the title. */
  entries: EntryView[];
  single: boolean;
}
export interface LogView {
  query: LogQuery;
  owners: string[];
  /** The one piece or load it is about, in words. */
  about: { words: string; href: string } | null;
  last: { newest: number; text: string } | null;
  empty: boolean;
  days: { day: string; groups: DayGroup[] }[];
  next: string | null;
  table: { rows: EntryView[]; total: number; atLeast: boolean; page: number; pages: number } | null;
  loads: { rows: LoadRowView[]; next: string | null } | null;
  pieces: PieceRowView[] | null;
  people: PersonRowView[] | null;
}
export interface LoadRowView {
  id: string;
  day: string;
  time: string;
  title: string;
  text: string;
  ran: string;
  bad: string;
  pieces: { id: string; name: string; cloth: ClothView }[];
}
export interface PieceRowView {
  id: string;
  name: string;
  owner: string;
  cloth: ClothView;
  wears: number;
  washes: number;
  /** Wears for each wash; null = never washed. */
  perWash: number | null;
  usual: number | null;
  marks: number;
  last: string;
  lastMs: number;
}
export interface PersonRowView {
  name: string;
  pieces: number;
  wears: number;
  washes: number;
  marks: number;
  /** Wears of a day. */
  perDay: string;
  href: string;
}

const kindNames: Record<EventKind, string> = {
  worn: 'Worn',
  aired: 'Aired',
  washed: 'Washed',
  tested: 'Tested',
  measured: 'Measured',
  stained: 'Stained',
  treated: 'Treated',
  read: 'Catcher read',
  dried: 'Dry',
  mended: 'Mended',
  cleaned: 'Cleaner',
  noted: 'Noted',
};

/** A local day begins at midnight of the household. */
const midnight = (day: string, timeZone: string): Date | null => (day === '' ? null : parseDate(day).toDate(timeZone));
function filterOf(q: LogQuery, timeZone: string): LogFilter {
  const to = q.to === '' ? '' : safeDay(q.to, 1);
  return {
    q: q.q,
    kinds: kindsOf(q.show),
    owner: q.owner,
    piece: q.piece,
    load: q.load,
    from: midnight(safeDay(q.from, 0), timeZone),
    to: midnight(to, timeZone),
  };
}
/** A day that exists, so many days later; '' for one that does not. */
function safeDay(day: string, later: number): string {
  try {
    return parseDate(day).add({ days: later }).toString();
  } catch {
    return '';
  }
}

/** How the household writes hours and money. */
interface Locale {
  timeZone: string;
  /** Code. */
  currency: string;
}
const localeOf = (home: HouseholdView | null): Locale => ({
  timeZone: home?.timeZone ?? 'UTC',
  currency: home?.document.tariff?.currency ?? 'EUR',
});

function entryOf(r: LogRow, { timeZone, currency }: Locale): Entry & { row: LogRow; view: EntryView } {
  const text = eventText(r.kind, r.data, currency);
  return {
    id: r.id,
    at: r.at,
    kind: r.kind,
    loadId: r.loadId,
    piece: r.garmentId,
    text,
    count: r.data.count ?? 1,
    struck: r.struck,
    row: r,
    view: {
      id: r.id,
      time: clockText(r.at, timeZone),
      day: dayAndYear(r.at, timeZone),
      kind: kindNames[r.kind],
      piece: r.garmentId,
      name: r.name,
      owner: r.owner,
      cloth: clothOf({ kind: r.garmentKind, colours: r.colours, traits: r.traits }),
      text,
      load: r.loadId,
      struck: r.struck,
      corrected: r.data.corrects !== undefined,
    },
  };
}

const gatheredWords: Partial<Record<EventKind, (pieces: number) => string>> = {
  worn: (n) => `${plural(n, 'piece')} worn`,
  washed: (n) => `${plural(n, 'piece')} washed`,
  dried: (n) => `${plural(n, 'piece')} dry`,
  aired: (n) => `${plural(n, 'piece')} aired or cared for`,
};

function groupsOf(entries: readonly ReturnType<typeof entryOf>[], titles: ReadonlyMap<string, string>): DayGroup[] {
  return gather(entries).map((g) => {
    const [first] = g.entries;
    const one = g.entries.length === 1;
    const load = g.loadId === null ? undefined : titles.get(g.loadId);
    const words = gatheredWords[g.kind];
    const named = words
      ? `${words(g.pieces)}${g.kind === 'worn' && g.times > g.pieces ? `, ${g.times} times` : ''}`
      : `${first?.view.name}: ${plural(g.entries.length, 'entry', 'entries')}`;
    return {
      key: `${g.kind}-${first?.id}`,
      title: load && g.kind === 'washed' ? `${load}: ${named}` : one ? '' : named,
      href: g.loadId && g.kind === 'washed' && load ? `/loads/${g.loadId}` : null,
      entries: g.entries.map((e) => e.view),
      single: one && !(load && g.kind === 'washed'),
    };
  });
}

/** What loads are called, from the pieces that were in them. */
function titlesOf(
  loads: readonly PastLoad[],
  pieces: ReadonlyMap<string, Piece>,
  home: HouseholdView | null,
): Map<string, string> {
  const { rules } = householdOf(home?.document ?? {});
  const known = new Map<string, Profile | null>();
  const profile = (id: string): Profile[] => {
    if (!known.has(id)) {
      const piece = pieces.get(id);
      known.set(id, piece ? profileOf(garmentOf(garmentDocument(piece)), rules) : null);
    }
    const p = known.get(id);
    return p ? [p] : [];
  };
  return new Map(
    loads.map((l) => {
      const profiles = l.run.pieces.flatMap(profile);
      const method = l.run.washer === null ? 'hand' : 'machine';
      return [
        l.id,
        profiles.length > 0 ? titleOf(loadName(profiles, { celsius: l.run.temperatureC, method })) : 'A load',
      ];
    }),
  );
}

function loadRow(
  l: PastLoad,
  title: string,
  answers: readonly Finding[],
  home: HouseholdView | null,
  pieces: ReadonlyMap<string, Piece>,
): LoadRowView {
  const timeZone = home?.timeZone ?? 'UTC';
  const { run, measured } = l;
  const washer = home?.document.washers?.find((w) => w.id === run.washer);
  const programme = washer?.programmes.find((p) => p.id === run.programme)?.name;
  const { currency } = localeOf(home);
  return {
    id: l.id,
    day: dayAndYear(l.finishedAt, timeZone),
    time: clockText(l.finishedAt, timeZone),
    title,
    text: [
      programme ?? (run.washer ? 'a programme that is gone' : 'by hand'),
      `${run.temperatureC} °C`,
      `${run.massKg.toFixed(1)} kg`,
      `${Math.round(run.waterL)} l`,
      `${run.energyKwh.toFixed(2)} kWh`,
      money(run.money, currency),
    ].join(' · '),
    ran: measured
      ? `Ran ${durationText(measured.minutes)}, planned ${durationText(run.durationMin)}${measured.kwh === null ? '' : `; ${measured.kwh.toFixed(2)} kWh measured`}`
      : '',
    bad: answers
      .filter((f) => !isGood(f.kind, f.answer))
      .map(
        (f) => `${lookQuestions[f.kind].title}: ${(lookQuestions[f.kind].answers[f.answer] ?? f.answer).toLowerCase()}`,
      )
      .join(', '),
    pieces: run.pieces.flatMap((id) => {
      const p = pieces.get(id);
      return p ? [{ id, name: p.row.name, cloth: clothOf(p.row) }] : [];
    }),
  };
}

const pieceSorts = ['name', 'owner', 'wears', 'washes', 'perWash', 'marks', 'last'] as const;
function pieceRows(
  pieces: readonly Piece[],
  sums: Awaited<ReturnType<typeof sumsByPiece>>,
  q: LogQuery,
  timeZone: string,
): PieceRowView[] {
  const byId = new Map(sums.map((s) => [s.garmentId, s]));
  const wanted = q.q.toLowerCase();
  const rows = pieces
    .filter((p) => (q.owner === '' || p.row.owner === q.owner) && p.row.name.toLowerCase().includes(wanted))
    .map((p): PieceRowView => {
      const s = byId.get(p.row.id);
      return {
        id: p.row.id,
        name: p.row.name,
        owner: p.row.owner,
        cloth: clothOf(p.row),
        wears: s?.wears ?? 0,
        washes: s?.washes ?? 0,
        perWash: s && s.washes > 0 ? s.wears / s.washes : null,
        usual: wearsAllowed(p.row.kind, isMostlyWool(p.row.parts)),
        marks: s?.marks ?? 0,
        last: s?.lastAt ? shortDay(s.lastAt, timeZone) : 'never',
        lastMs: s?.lastAt?.getTime() ?? 0,
      };
    });
  const by = pieceSorts.find((k) => k === q.sort) ?? 'wears';
  const value = (r: PieceRowView): string | number =>
    by === 'last' ? r.lastMs : by === 'perWash' ? (r.perWash ?? -1) : r[by];
  const way = q.dir === 'up' ? 1 : -1;
  return rows.sort((a, b) => {
    const [x, y] = [value(a), value(b)];
    const order = typeof x === 'number' && typeof y === 'number' ? x - y : String(x).localeCompare(String(y), 'en');
    return way * order || a.name.localeCompare(b.name, 'en');
  });
}
const yearDays = 365;
const dayMs = 86_400_000;
function personRows(
  pieces: readonly Piece[],
  sums: Awaited<ReturnType<typeof sumsByPiece>>,
  q: LogQuery,
  days: number,
): PersonRowView[] {
  const byId = new Map(sums.map((s) => [s.garmentId, s]));
  const owners = [...new Set(pieces.map((p) => p.row.owner))];
  return owners
    .map((owner): PersonRowView => {
      const own = pieces.filter((p) => p.row.owner === owner);
      const total = (of: 'wears' | 'washes' | 'marks'): number =>
        own.reduce((t, p) => t + (byId.get(p.row.id)?.[of] ?? 0), 0);
      return {
        name: owner === '' ? 'The household' : owner,
        pieces: own.length,
        wears: total('wears'),
        washes: total('washes'),
        marks: total('marks'),
        perDay: (total('wears') / Math.max(1, days)).toFixed(1),
        href: logHref(q, { view: 'pieces', owner }),
      };
    })
    .sort((a, b) => b.wears - a.wears);
}

export async function logView({ tx, now }: Scope, q: LogQuery): Promise<LogView> {
  const home = await readHousehold(tx);
  const locale = localeOf(home);
  const { timeZone } = locale;
  const filter = filterOf(q, timeZone);
  const last = await lastEntry(tx);
  const names = last ? [...new Set(last.rows.map((r) => r.name))] : [];
  const view: LogView = {
    query: q,
    owners: await peopleOf(tx),
    about: await aboutOf(tx, q),
    last: last && {
      newest: last.newest,
      text: lastText(last.rows, names, locale),
    },
    empty: false,
    days: [],
    next: null,
    table: null,
    loads: null,
    pieces: null,
    people: null,
  };
  switch (q.view) {
    case 'days': {
      const [ms = '', id = ''] = q.before.split('-');
      const before =
        /^\d{1,15}$/.test(ms) && /^\d{1,15}$/.test(id) ? { at: new Date(Number(ms)), id: Number(id) } : null;
      const rows = await logPage(tx, filter, before, rowsPerPage.days);
      const { days, next } = byDay(
        rows.map((r) => entryOf(r, locale)),
        (at) => dayOf(at, timeZone),
        rows.length === rowsPerPage.days,
      );
      const titles = await titlesFor(
        tx,
        home,
        days.flatMap((d) => d.entries.flatMap((e) => (e.kind === 'washed' && e.loadId ? [e.loadId] : []))),
      );
      const thisYear = dayOf(now, timeZone).slice(0, 4);
      return {
        ...view,
        empty: rows.length === 0,
        days: days.map((d) => {
          const at = d.entries[0]?.at ?? now;
          return {
            day: `${dayText(at, timeZone)}${d.day.startsWith(thisYear) ? '' : ` ${d.day.slice(0, 4)}`}`,
            groups: groupsOf(d.entries, titles),
          };
        }),
        next: next && logHref(q, { before: `${next.at.getTime()}-${next.id}` }),
      };
    }
    case 'table': {
      const sort = logSorts.find((s) => s === q.sort) ?? 'at';
      const size = rowsPerPage.table;
      const { rows, total } = await logTable(tx, filter, { sort, up: q.dir === 'up', page: q.page, size });
      return {
        ...view,
        empty: total === 0,
        table: {
          rows: rows.map((r) => entryOf(r, locale).view),
          total,
          atLeast: total === mostCounted,
          page: q.page,
          pages: Math.max(1, Math.ceil(total / size)),
        },
      };
    }
    case 'loads': {
      const rows = await pastLoads(tx, {
        before: /^\d{1,15}$/.test(q.before) ? new Date(Number(q.before)) : filter.to,
        from: filter.from,
        limit: rowsPerPage.loads + 1,
      });
      const shown = rows.slice(0, rowsPerPage.loads);
      const pieces = await piecesById(tx);
      const titles = titlesOf(shown, pieces, home);
      const answers = await findingsOf(
        tx,
        shown.map((l) => l.id),
      );
      const end = shown.at(-1);
      const wanted = q.q.toLowerCase();
      return {
        ...view,
        empty: shown.length === 0,
        loads: {
          rows: shown
            .map((l) => loadRow(l, titles.get(l.id) ?? '', answers.get(l.id) ?? [], home, pieces))
            .filter((r) => [r.title, ...r.pieces.map((p) => p.name)].join(' ').toLowerCase().includes(wanted)),
          next: rows.length > shown.length && end ? logHref(q, { before: String(end.finishedAt.getTime()) }) : null,
        },
      };
    }
    case 'pieces': {
      const pieces = (await barePieces(tx)).filter((p) => p.row.retiredAt === null);
      const since = filter.from ?? new Date(now.getTime() - yearDays * dayMs);
      const rows = pieceRows(pieces, await sumsByPiece(tx, since), q, timeZone);
      return { ...view, empty: rows.length === 0, pieces: rows };
    }
    case 'people': {
      const since = filter.from ?? new Date(now.getTime() - yearDays * dayMs);
      const pieces = (await barePieces(tx)).filter((p) => p.row.retiredAt === null);
      const sums = await sumsByPiece(tx, since);
      const first = await firstDay(tx, since);
      const days = (now.getTime() - (first ?? now).getTime()) / dayMs;
      return { ...view, empty: pieces.length === 0, people: personRows(pieces, sums, q, days) };
    }
  }
}
async function firstDay(tx: Scope['tx'], since: Date): Promise<Date | null> {
  const { rows } = await logTable(
    tx,
    { q: '', kinds: ['worn'], owner: '', piece: '', load: '', from: since, to: null },
    { sort: 'at', up: true, page: 0, size: 1 },
  );
  return rows[0]?.at ?? null;
}
const piecesById = async (tx: Scope['tx']): Promise<Map<string, Piece>> =>
  new Map((await barePieces(tx)).map((p) => [p.row.id, p] as const));
async function titlesFor(
  tx: Scope['tx'],
  home: HouseholdView | null,
  ids: readonly string[],
): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  return titlesOf(await pastLoads(tx, { ids: [...new Set(ids)] }), await piecesById(tx), home);
}
async function aboutOf(tx: Scope['tx'], q: LogQuery): Promise<LogView['about']> {
  if (q.piece === '') return null;
  const piece = (await piecesById(tx)).get(q.piece);
  if (!piece) throw notFound('That piece is not in the wardrobe.');
  return { words: piece.row.name, href: `/pieces/${piece.row.id}` };
}
function lastText(
  rows: NonNullable<Awaited<ReturnType<typeof lastEntry>>>['rows'],
  names: readonly string[],
  { currency }: Locale,
): string {
  const plain = rows.filter((r) => r.strikes === null);
  const [first] = plain;
  if (!first) return `Taken back: an entry of ${names.join(', ')}`;
  const corrects = first.data.corrects !== undefined;
  const what =
    plain.length > 1 ? `${plural(plain.length, 'entry', 'entries')}` : eventText(first.kind, first.data, currency);
  return `${corrects ? 'Corrected' : 'Last written'}: ${names.slice(0, 3).join(', ')}${names.length > 3 ? ' and others' : ''}: ${what.charAt(0).toLowerCase()}${what.slice(1)}`;
}

export { entryOf };
