/** Figures: one question each, its answer in a sentence, the drawing and the numbers. */
import { parseDate } from '@internationalized/date';
import { labOf } from '@core/colour/colour.ts';
import { shelfColour } from '@core/colour/shelf.ts';
import { isSize, measurePlaces } from '@core/garment/measures.ts';
import { careMoney, weeksOf, type RunOfHistory, type WeekOfRuns } from '@core/history/runs.ts';
import { oddsBands, stockOf, worthOf } from '@core/history/worth.ts';
import { expectedShrinkPercent } from '@core/learn/shrinkage.ts';
import { shrinkPercent } from '@core/shrinkage/shrinkage.ts';
import { bands } from '@core/stain/score.ts';
import type { StainKind } from '@core/stain/stains.ts';
import { dayOf } from '@formats/dates.ts';
import { estimatedMassG, garmentOf } from '@formats/hamper.ts';
import { asRun, readDrying, readGrades, readMarks } from '@data/figures.ts';
import { garmentDocument, listPieces, type Piece } from '@data/garments.ts';
import { readHousehold, type HouseholdView } from '@data/household.ts';
import { pastWashes, readLessons, washEventsUpTo } from '@data/lessons.ts';
import { pastLoads } from '@data/loads.ts';
import { sumsByPiece } from '@data/log.ts';
import { placeWordsOf } from '@words/en/garment.ts';
import { lessonTitle } from '@words/en/learn.ts';
import { stainNames } from '@words/en/things.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import { dayAndYear, durationText, money, plural, shortDay } from '../shared/words.ts';
import type { ChartSpec, Mark, Series, Tone } from '../ui/chart.tsx';
import { insightView, type InsightView } from './insight-view.server.ts';
import { namesOf } from './learnt-view.server.ts';

export const periods = { '13': 'Three months', '26': 'Half a year', '52': 'A year', '260': 'Five years' } as const;
export type Period = keyof typeof periods;
export interface FiguresView {
  period: Period;
  piece: string;
  measured: (readonly [string, string])[];
  insight: InsightView | null;
  figures: ChartSpec[];
  loads: number;
}
const weekMs = 7 * 86_400_000;
const dayMs = 86_400_000;
const fixed = (x: number, digits = 1): string => x.toFixed(digits);

/** The Monday of a local day, `YYYY-MM-DD`: it names the week. */
const mondayOf = (at: Date, timeZone: string): string => {
  const day = parseDate(dayOf(at, timeZone));
  const weekday = (day.toDate('UTC').getUTCDay() + 6) % 7;
  return day.subtract({ days: weekday }).toString();
};
const weekAfter = (monday: string): string => parseDate(monday).add({ days: 7 }).toString();
const weekLabel = (monday: string): string => shortDay(parseDate(monday).toDate('UTC'), 'UTC');

interface Facts {
  home: HouseholdView;
  pieces: Piece[];
  runs: (RunOfHistory & { temperatureC: number; programme: string | null })[];
  since: Date;
  now: Date;
  currency: string;
  timeZone: string;
}

const typical = (xs: readonly number[]): number => (xs.length === 0 ? 0 : xs.reduce((a, b) => a + b, 0) / xs.length);
/** The weeks that are over; the one under way would look thrifty. */
const whole = (weeks: readonly WeekOfRuns[], f: Facts): readonly WeekOfRuns[] => {
  const current = mondayOf(f.now, f.timeZone);
  const over = weeks.filter((w) => w.week < current);
  return over.length > 0 ? over : weeks;
};

function weekFigures(f: Facts): ChartSpec[] {
  const weeks = weeksOf(f.runs, (ms) => mondayOf(new Date(ms), f.timeZone), weekAfter);
  const over = whole(weeks, f);
  const labels = weeks.map((w) => weekLabel(w.week));
  const metered = weeks.reduce((n, w) => n + w.measured, 0);
  const bars = (name: string, values: number[], expected = false): Series => ({
    name,
    tone: expected ? 'structure' : 'woad',
    expected,
    values,
  });
  const spec = (
    id: string,
    question: string,
    sentence: string,
    unit: string,
    real: (w: WeekOfRuns) => number,
    planned: ((w: WeekOfRuns) => number) | null,
    digits: number,
  ): ChartSpec => ({
    id,
    kind: 'bars',
    question,
    sentence: weeks.length === 0 ? 'No load was finished in this time.' : sentence,
    labels,
    series: planned
      ? [bars('as it was', weeks.map(real)), bars('as planned', weeks.map(planned), true)]
      : [bars(unit, weeks.map(real))],
    yTitle: unit,
    table: {
      head: ['Week from', 'Loads', ...(planned ? ['As it was', 'As planned'] : [unit])],
      rows: weeks.map((w) => [
        weekLabel(w.week),
        String(w.loads),
        fixed(real(w), digits),
        ...(planned ? [fixed(planned(w), digits)] : []),
      ]),
    },
  });
  const mean = (of: (w: WeekOfRuns) => number): number => typical(over.map(of));
  const loads = mean((w) => w.loads);
  const extraMin = mean((w) => w.runMin) - mean((w) => w.plannedMin);
  return [
    spec(
      'water',
      'How much water does a week take?',
      `${Math.round(mean((w) => w.waterL))} l in a usual week of ${fixed(loads)} loads, ${Math.round(mean((w) => w.waterL) / Math.max(1, loads))} l a load.`,
      'l',
      (w) => w.waterL,
      null,
      0,
    ),
    spec(
      'energy',
      'How much electricity does a week take?',
      `${fixed(mean((w) => w.kwh))} kWh in a usual week${metered > 0 ? `; ${plural(metered, 'load')} of ${f.runs.length} were measured, the rest are as planned` : '; none of it was measured'}.`,
      'kWh',
      (w) => w.kwh,
      (w) => w.plannedKwh,
      2,
    ),
    spec(
      'money',
      'What does a week of washing cost?',
      `${money(
        mean((w) => w.money),
        f.currency,
      )} in a usual week: energy, water, products and coins, at the prices of the day.`,
      f.currency,
      (w) => w.money,
      (w) => w.plannedMoney,
      2,
    ),
    spec(
      'hands',
      'How long are hands busy in a week?',
      `${durationText(mean((w) => w.handsMin))} of hands in a usual week, as planned; nobody stops that time.`,
      'min',
      (w) => w.handsMin,
      null,
      0,
    ),
    spec(
      'machine',
      'How long do the machines run?',
      `${durationText(mean((w) => w.runMin))} in a usual week${Math.abs(extraMin) >= 1 ? `, ${durationText(Math.abs(extraMin))} ${extraMin > 0 ? 'more' : 'less'} than planned` : ', as planned'}.`,
      'min',
      (w) => w.runMin,
      (w) => w.plannedMin,
      0,
    ),
  ];
}

function fillFigure(f: Facts): ChartSpec {
  const machine = f.runs.filter((r) => !r.byHand);
  const steps = [0.2, 0.4, 0.6, 0.8, 1];
  const counts = steps.map(
    (high, k) =>
      machine.filter((r) => r.fill <= high + (k === 4 ? 9 : 1e-9) && r.fill > (steps[k - 1] ?? -1) + 1e-9).length,
  );
  const half = machine.filter((r) => r.fill < 0.5).length;
  return {
    id: 'fill',
    kind: 'bars',
    question: 'How full are the drums?',
    sentence:
      machine.length === 0
        ? 'No machine ran in this time.'
        : `${Math.round(100 * typical(machine.map((r) => r.fill)))} % full in the middle; ${half} of ${plural(machine.length, 'load')} less than half.`,
    labels: ['to 20 %', '20–40 %', '40–60 %', '60–80 %', '80–100 %'],
    series: [{ name: 'loads', tone: 'woad', values: counts }],
    yTitle: 'loads',
    table: {
      head: ['Share of the drum', 'Loads'],
      rows: ['to 20 %', '20–40 %', '40–60 %', '60–80 %', '80–100 %'].map((l, k) => [l, String(counts[k] ?? 0)]),
    },
  };
}

const shownPieces = 12;
async function worthFigures(tx: Scope['tx'], f: Facts): Promise<ChartSpec[]> {
  const mass = new Map(
    f.pieces.map((p) => {
      const d = garmentDocument(p, f.now);
      return [p.row.id, (d.dryMassG ?? estimatedMassG(d)) / 1000] as const;
    }),
  );
  const care = careMoney(f.runs, (id) => mass.get(id) ?? 0);
  const ever = new Map((await sumsByPiece(tx, null)).map((s) => [s.garmentId, s]));
  const first = Math.min(...f.runs.map((r) => r.atMs), f.now.getTime());
  const careDays = Math.max(1, (f.now.getTime() - first) / dayMs);
  const owned = f.pieces.map((p) => {
    const o = {
      id: p.row.id,
      value: p.row.valueEur,
      wears: ever.get(p.row.id)?.wears ?? 0,
      care: care.get(p.row.id) ?? 0,
      careDays,
    };
    return { p, o, w: worthOf(o) };
  });
  const dear = owned
    .flatMap((x) => (x.w.perWear === null ? [] : [{ ...x, perWear: x.w.perWear }]))
    .sort((a, b) => b.perWear - a.perWear);
  const perWear = dear.slice(0, shownPieces);
  const perYear = [...owned].filter((x) => x.w.carePerYear > 0).sort((a, b) => b.w.carePerYear - a.w.carePerYear);
  const cloth = (list: readonly { p: Piece }[]): string[] =>
    list.map(({ p }) => p.row.colours.find((c) => c.role === 'ground')?.hex ?? '#888888');
  const never = owned.filter((x) => x.o.wears === 0).length;
  const middle = dear[dear.length >> 1];
  return [
    {
      id: 'per-wear',
      kind: 'rows',
      question: 'What does a wear cost?',
      sentence:
        middle === undefined
          ? 'Nothing was worn yet.'
          : `${money(middle.perWear, f.currency)} in the middle: what a piece is worth and its care so far, by its wears so far. ${never > 0 ? `${plural(never, 'piece')} were never worn.` : ''}`,
      labels: perWear.map((x) => x.p.row.name),
      series: [{ name: 'a wear', tone: 'structure', tones: cloth(perWear), values: perWear.map((x) => x.perWear) }],
      yTitle: `${f.currency} a wear, the dearest ${perWear.length}`,
      table: {
        head: ['Piece', 'Worth', 'Wears', 'Care so far', 'A wear'],
        rows: dear.map((x) => [
          x.p.row.name,
          fixed(x.o.value, 0),
          String(x.o.wears),
          fixed(x.o.care, 2),
          fixed(x.perWear, 2),
        ]),
      },
    },
    {
      id: 'per-year',
      kind: 'rows',
      question: 'What does the care of a piece cost a year?',
      sentence:
        perYear.length === 0
          ? 'No load was finished in this time.'
          : `${perYear[0]?.p.row.name} costs most: ${money(perYear[0]?.w.carePerYear ?? 0, f.currency)} a year, its share of its loads by weight.`,
      labels: perYear.slice(0, shownPieces).map((x) => x.p.row.name),
      series: [
        {
          name: 'a year',
          tone: 'structure',
          tones: cloth(perYear.slice(0, shownPieces)),
          values: perYear.slice(0, shownPieces).map((x) => x.w.carePerYear),
        },
      ],
      yTitle: `${f.currency} a year`,
      table: {
        head: ['Piece', 'Care a year'],
        rows: perYear.map((x) => [x.p.row.name, fixed(x.w.carePerYear, 2)]),
      },
    },
  ];
}

async function wearsFigure(tx: Scope['tx'], f: Facts): Promise<ChartSpec> {
  const lessons = await readLessons(tx, f.home.document, f.pieces, f.now);
  const names = namesOf(f.home, f.pieces);
  const rows = lessons.all
    .flatMap((l) =>
      l.subject.is === 'wears' && l.evidence.length > 0
        ? [
            {
              title: lessonTitle(l.subject, names),
              usual: l.book,
              real: typical(l.evidence.map((e) => e.value)),
              n: l.evidence.length,
            },
          ]
        : [],
    )
    .sort((a, b) => b.n - a.n)
    .slice(0, 14);
  const often = rows.filter((r) => r.real < r.usual * 0.8).length;
  return {
    id: 'wears',
    kind: 'rows',
    question: 'How often are things worn before they are washed?',
    sentence:
      rows.length === 0
        ? 'Not known before things were worn between two washes.'
        : often === 0
          ? 'As often as is usual, or more.'
          : `${plural(often, 'kind')} of ${rows.length} are washed sooner than is usual.`,
    labels: rows.map((r) => r.title),
    series: [
      { name: 'as it was', tone: 'woad', values: rows.map((r) => r.real) },
      { name: 'usual', tone: 'structure', expected: true, values: rows.map((r) => r.usual) },
    ],
    yTitle: 'wears between two washes',
    table: {
      head: ['Who and what', 'Wears', 'Usual', 'Times seen'],
      rows: rows.map((r) => [r.title, fixed(r.real), String(r.usual), String(r.n)]),
    },
  };
}

const stockDays = 56;
async function stockFigure(tx: Scope['tx'], f: Facts): Promise<ChartSpec> {
  const recent = await pastLoads(tx, { from: new Date(f.now.getTime() - stockDays * dayMs) });
  const used = new Map<string, number>();
  for (const l of recent) for (const d of l.run.doses) used.set(d.product, (used.get(d.product) ?? 0) + d.amount);
  const first = Math.min(...recent.map((l) => l.finishedAt.getTime()), f.now.getTime());
  const days = Math.max(7, (f.now.getTime() - first) / dayMs);
  const rows = (f.home.document.products ?? [])
    .map((p) => {
      const s = stockOf({ used: used.get(p.id) ?? 0, days, left: p.remaining ?? null });
      return {
        name: p.name ?? p.id,
        unit: p.dose?.unit ?? '',
        left: p.remaining ?? null,
        used: used.get(p.id) ?? 0,
        ...s,
      };
    })
    .filter((p) => p.used > 0 || p.left !== null)
    .sort((a, b) => (a.days ?? Infinity) - (b.days ?? Infinity));
  const ending = rows.filter((r) => r.days !== null);
  const [soonest] = ending;
  return {
    id: 'stock',
    kind: 'rows',
    question: 'How long does the cupboard last?',
    sentence: soonest
      ? `${soonest.name} is used up first, in about ${plural(Math.round(soonest.days ?? 0), 'day')}.`
      : 'Nobody noted what is left of what is used.',
    labels: ending.map((r) => r.name),
    series: [{ name: 'days left', tone: 'woad', values: ending.map((r) => Math.min(365, r.days ?? 0)) }],
    yTitle: 'days until it is empty, a year at most',
    table: {
      head: ['Product', 'Used in a week', 'Left', 'Days left'],
      rows: rows.map((r) => [
        r.name,
        `${fixed(7 * r.usedPerDay, 0)} ${r.unit}`,
        r.left === null ? 'not noted' : `${fixed(r.left, 0)} ${r.unit}`,
        r.days === null ? '' : String(Math.round(r.days)),
      ]),
    },
  };
}

const marksBy: Record<'spot' | 'part' | 'catcher', Mark> = { spot: 'triangle', part: 'rectRot', catcher: 'circle' };
const tonesBy: Record<'spot' | 'part' | 'catcher', Tone> = { spot: 'weld', part: 'structure', catcher: 'woad' };
async function gradesFigure(tx: Scope['tx'], f: Facts): Promise<ChartSpec> {
  const rows = await readGrades(tx, f.since);
  const days = (at: Date): number => (at.getTime() - f.since.getTime()) / dayMs;
  const clear = rows.filter((r) => r.grade >= 4).length;
  const kinds = (['catcher', 'spot', 'part'] as const).filter((k) => rows.some((r) => r.kind === k));
  return {
    id: 'grades',
    kind: 'points',
    question: 'What do catchers and tests show?',
    sentence:
      rows.length === 0
        ? 'No catcher was read and nothing tested in this time.'
        : `${clear} of ${plural(rows.length, 'reading')} were clear (grade 4 or better); the lowest was ${Math.min(...rows.map((r) => r.grade))}.`,
    labels: [],
    series: kinds.map((k) => ({
      name: { spot: 'spot test', part: 'part test', catcher: 'catcher' }[k],
      tone: tonesBy[k],
      mark: marksBy[k],
      values: rows.filter((r) => r.kind === k).map((r) => [Math.round(days(r.at)), r.grade] as const),
    })),
    xDay: f.since.toISOString(),
    yTitle: 'grade, 5 = no colour',
    yMin: 0.5,
    yMax: 5.5,
    table: {
      head: ['Piece', 'When', 'How', 'Grade'],
      rows: [...rows].reverse().map((r) => [r.name, dayAndYear(r.at, f.timeZone), r.kind, String(r.grade)]),
    },
  };
}

const placeMarks: readonly Mark[] = [
  'circle',
  'rect',
  'triangle',
  'rectRot',
  'cross',
  'circle',
  'rect',
  'triangle',
  'rectRot',
];
const placeTones: readonly Tone[] = ['woad', 'madder', 'structure', 'weld', 'ink'];
/** A measured piece, place by place, in per cent of its first measure, with what was foretold. */
async function sizeFigure(tx: Scope['tx'], f: Facts, piece: Piece | undefined): Promise<ChartSpec> {
  const question = piece ? `How has the size of ${piece.row.name} changed?` : 'How do sizes change?';
  const none = {
    id: 'sizes',
    kind: 'line' as const,
    question,
    sentence: 'No piece was measured twice yet.',
    labels: [],
    series: [],
    table: { head: [], rows: [] },
  };
  if (!piece) return none;
  const g = garmentOf(garmentDocument(piece, f.now));
  const washes = (await pastWashes(tx, [piece.row.id])).get(piece.row.id) ?? [];
  const words = placeWordsOf(piece.row.kind);
  const moments = [...new Set(piece.state.measures.filter(isSize).map((m) => m.at))].sort(
    (a, b) => Date.parse(a) - Date.parse(b),
  );
  const inches = f.home.units.length === 'in';
  const length = (cm: number): string => (inches ? `${fixed(cm / 2.54)} in` : `${fixed(cm)} cm`);
  const washesBy = (at: string): number =>
    washes.filter((w) => w.at.getTime() < Date.parse(at)).reduce((n, w) => n + w.times, 0);
  const sizes = piece.state.measures.filter(isSize);
  const places = measurePlaces.filter((p) => sizes.filter((m) => m.place === p).length >= 2);
  const series = places.flatMap((place, k): Series[] => {
    const list = moments.map((at) => sizes.find((m) => m.place === place && m.at === at) ?? null);
    const first = list.find((m) => m !== null);
    if (!first) return [];
    const lost = (at: string): number =>
      expectedShrinkPercent(g, place, washEventsUpTo(washes, at, f.home.document, g));
    const before = lost(first.at);
    const tone = placeTones[k % placeTones.length] ?? 'ink';
    return [
      {
        name: words[place].name,
        tone,
        mark: placeMarks[k] ?? 'circle',
        values: list.map((m) => (m ? -shrinkPercent(first.cm, m.cm) : null)),
      },
      {
        name: `${words[place].name}, foretold`,
        tone,
        mark: 'cross',
        expected: true,
        values: moments.map((at) => (Date.parse(at) < Date.parse(first.at) ? null : -(lost(at) - before))),
      },
    ];
  });
  const worst = places
    .map((place) => {
      const list = piece.state.measures
        .filter((m) => m.place === place)
        .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
      return { place, percent: shrinkPercent(list[0]?.cm ?? 1, list.at(-1)?.cm ?? 1) };
    })
    .sort((a, b) => Math.abs(b.percent) - Math.abs(a.percent))[0];
  return {
    ...none,
    sentence: worst
      ? `${words[worst.place].name} changed most: ${fixed(Math.abs(worst.percent))} % ${worst.percent >= 0 ? 'lost' : 'gained'} over ${plural(washesBy(moments.at(-1) ?? ''), 'wash', 'washes')}.`
      : none.sentence,
    labels: moments.map((at) => dayAndYear(new Date(at), f.timeZone)),
    series,
    yTitle: '% of the first measure',
    yMin: Math.floor(Math.min(-1, ...series.flatMap((s) => (s.values as (number | null)[]).map((x) => x ?? 0)))),
    table: {
      head: ['When', 'Washes', ...places.map((p) => words[p].name)],
      rows: moments.map((at) => [
        dayAndYear(new Date(at), f.timeZone),
        String(washesBy(at)),
        ...places.map((place) => {
          const m = piece.state.measures.find((x) => x.place === place && x.at === at);
          const first = piece.state.measures
            .filter((x) => x.place === place)
            .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))[0];
          return m && first ? `${length(m.cm)} (${fixed(-shrinkPercent(first.cm, m.cm))} %)` : '';
        }),
      ]),
    },
  };
}

async function marksFigure(tx: Scope['tx'], f: Facts): Promise<ChartSpec> {
  const marks = await readMarks(tx, f.since);
  const from = [...bands].map((b) => b.from / 100).sort((a, b) => a - b);
  const rows = oddsBands(marks, from);
  const label = (b: { from: number; to: number }): string => `${Math.round(100 * b.from)}–${Math.round(100 * b.to)} %`;
  const gone = marks.filter((m) => m.outcome === 1).length;
  const name = new Map(f.pieces.map((p) => [p.row.id, p.row.name]));
  return {
    id: 'marks',
    kind: 'bars',
    question: 'Do marks come out as foretold?',
    sentence:
      marks.length === 0
        ? 'No mark was treated to an end in this time.'
        : `${gone} of ${plural(marks.length, 'mark')} came out, ${fixed(100 * typical(marks.map((m) => m.odds)), 0)} % were foretold in the middle.`,
    labels: rows.map(label),
    series: [
      {
        name: 'came out (lighter counts half)',
        tone: 'woad',
        values: rows.map((r) => (r.came === null ? null : 100 * r.came)),
      },
      {
        name: 'foretold',
        tone: 'structure',
        expected: true,
        values: rows.map((r) => (r.foretold === null ? null : 100 * r.foretold)),
      },
    ],
    xTitle: 'odds foretold',
    yTitle: '%',
    yMin: 0,
    yMax: 100,
    table: {
      head: ['Mark', 'Piece', 'When', 'Foretold', 'Became'],
      rows: [...marks]
        .reverse()
        .map((m) => [
          stainNames[m.stain as StainKind],
          name.get(m.garmentId) ?? '',
          dayAndYear(m.at, f.timeZone),
          `${Math.round(100 * m.odds)} %`,
          m.outcome === 1 ? 'gone' : m.outcome > 0 ? 'lighter' : 'as before',
        ]),
    },
  };
}

async function dryingFigure(tx: Scope['tx'], f: Facts): Promise<ChartSpec> {
  const rows = (await readDrying(tx, f.since)).filter((r) => r.modelHours > 0.5);
  const places = [...new Set(rows.map((r) => r.place))];
  const name = (id: string): string => f.home.document.dryingPlaces?.find((d) => d.id === id)?.name ?? id;
  const ratio = typical(rows.map((r) => r.hours / r.modelHours));
  return {
    id: 'drying',
    kind: 'points',
    question: 'Does it dry when it should?',
    sentence:
      rows.length === 0
        ? 'Nobody said when a piece was dry in this time.'
        : `${Math.round(100 * ratio)} % of the hours foretold, over ${plural(rows.length, 'look')}.`,
    labels: [],
    series: places.map((id, k) => ({
      name: name(id),
      tone: placeTones[k % placeTones.length] ?? 'ink',
      mark: placeMarks[k] ?? 'circle',
      values: rows
        .filter((r) => r.place === id)
        .map((r) => [Number(fixed(r.modelHours)), Number(fixed(r.hours))] as const),
    })),
    xTitle: 'hours foretold',
    yTitle: 'hours until somebody felt it',
    diagonal: rows.length > 0,
    table: {
      head: ['Piece', 'When', 'Place', 'Foretold', 'Real'],
      rows: [...rows]
        .reverse()
        .map((r) => [
          r.name,
          dayAndYear(r.at, f.timeZone),
          name(r.place),
          `${fixed(r.modelHours)} h`,
          `${fixed(r.hours)} h`,
        ]),
    },
  };
}

function coloursFigure(f: Facts): ChartSpec {
  const groups = new Map<string, string[]>();
  for (const p of f.pieces) {
    const hex = p.row.colours.find((c) => c.role === 'ground')?.hex ?? '#888888';
    const key = shelfColour(hex);
    groups.set(key, [...(groups.get(key) ?? []), hex]);
  }
  const rows = [...groups].sort((a, b) => b[1].length - a[1].length);
  const [most] = rows;
  return {
    id: 'colours',
    kind: 'bars',
    question: 'Which colours fill the wardrobe?',
    sentence: most
      ? `${most[0].charAt(0).toUpperCase()}${most[0].slice(1)} leads: ${most[1].length} of ${plural(f.pieces.length, 'piece')}.`
      : 'Nothing in the wardrobe yet.',
    labels: rows.map(([k]) => k),
    series: [
      {
        name: 'pieces',
        tone: 'structure',
        // The cloth in the middle of each group stands for it.
        tones: rows.map(
          ([, list]) =>
            [...list].sort((a, b) => labOf(a).lightness - labOf(b).lightness)[list.length >> 1] ?? '#888888',
        ),
        values: rows.map(([, list]) => list.length),
      },
    ],
    yTitle: 'pieces',
    table: { head: ['Colour', 'Pieces'], rows: rows.map(([k, list]) => [k, String(list.length)]) },
  };
}

export async function figuresView(scope: Scope, query: URLSearchParams): Promise<FiguresView> {
  const { tx, now } = scope;
  const home = await readHousehold(tx);
  if (!home) throw notFound('There is no household yet.');
  const asked = query.get('weeks') ?? '';
  const period: Period = Object.hasOwn(periods, asked) ? (asked as Period) : '26';
  const since = new Date(now.getTime() - Number(period) * weekMs);
  const pieces = await listPieces(tx);
  const f: Facts = {
    home,
    pieces,
    runs: (await pastLoads(tx, { from: since })).map(asRun),
    since,
    now,
    currency: home.document.tariff?.currency ?? 'EUR',
    timeZone: home.timeZone,
  };
  const twice = pieces.filter((p) => {
    const counts = new Map<string, number>();
    for (const m of p.state.measures) counts.set(m.place, (counts.get(m.place) ?? 0) + 1);
    return [...counts.values()].some((n) => n >= 2);
  });
  const wanted = query.get('piece') ?? '';
  const piece =
    twice.find((p) => p.row.id === wanted) ??
    [...twice].sort((a, b) => b.state.measures.length - a.state.measures.length)[0];
  return {
    period,
    piece: piece?.row.id ?? '',
    measured: twice.map((p) => [p.row.id, p.row.name] as const),
    insight: await insightView(scope, f.runs, pieces, home),
    figures: [
      ...weekFigures(f),
      fillFigure(f),
      ...(await worthFigures(tx, f)),
      await wearsFigure(tx, f),
      await stockFigure(tx, f),
      await marksFigure(tx, f),
      await gradesFigure(tx, f),
      await dryingFigure(tx, f),
      await sizeFigure(tx, f, piece),
      coloursFigure(f),
    ],
    loads: f.runs.length,
  };
}
