/** The sentence of the week, with its arithmetic. */
import { kindFacts } from '@core/garment/kinds.ts';
import {
  asksForHeat,
  hardlyFilled,
  insightOfWeek,
  insightsOf,
  unwornDays,
  type Insight,
  type InsightInput,
} from '@core/history/insight.ts';
import type { RunOfHistory } from '@core/history/runs.ts';
import { rotationIsShort, rotationOf, wornByTurns } from '@core/piece/gather.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { productMoney } from '@core/price/product-choice.ts';
import { readRulePrices } from '@data/figures.ts';
import { garmentDocument, type Piece } from '@data/garments.ts';
import type { HouseholdView } from '@data/household.ts';
import { inForce } from '@data/learnt.ts';
import { readRunLessons } from '@data/lessons.ts';
import { pastLoads } from '@data/loads.ts';
import { sumsByPiece } from '@data/log.ts';
import { wearGroupNames } from '@words/en/learn.ts';
import type { WearGroup } from '@core/wear/wear.ts';
import type { Scope } from '../server/request.server.ts';
import { money, plural } from '../shared/words.ts';

export interface InsightView {
  sentence: string;
  arithmetic: string;
  href: string;
  hrefWords: string;
  others: string[];
}
const dayMs = 86_400_000;
const lookBackDays = 91;

type Run = RunOfHistory & { temperatureC: number; programme: string | null };

export async function insightView(
  { tx, now }: Scope,
  all: readonly Run[],
  pieces: readonly Piece[],
  home: HouseholdView,
): Promise<InsightView | null> {
  const since = new Date(now.getTime() - lookBackDays * dayMs);
  const runs = all.filter((r) => r.atMs >= since.getTime());
  const household = householdOf(home.document);
  const first = Math.min(...runs.map((r) => r.atMs), now.getTime());
  const days = Math.max(1, (now.getTime() - first) / dayMs);
  const hot = new Set(
    pieces
      .filter((p) => asksForHeat(profileOf(garmentOf(garmentDocument(p, now)), household.rules)))
      .map((p) => p.row.id),
  );
  const sums = new Map((await sumsByPiece(tx, null)).map((s) => [s.garmentId, s]));
  const lessons = await readRunLessons(tx, home.document, now);
  const used = new Map<string, number>();
  for (const l of await pastLoads(tx, { from: since }))
    for (const d of l.run.doses) used.set(d.product, (used.get(d.product) ?? 0) + d.amount);
  const input: InsightInput = {
    days,
    runs: runs.map((r) => ({ ...r, demanded60: r.pieces.some((id) => hot.has(id)) })),
    rules: (await readRulePrices(tx, since)).map((r) => ({ rule: r.rule, option: r.words, saves: r.saves })),
    neverWorn: pieces
      .filter(
        (p) =>
          (sums.get(p.row.id)?.wears ?? 0) === 0 &&
          kindFacts(p.row.kind).wearGroup !== null &&
          p.row.createdAt.getTime() < now.getTime() - unwornDays * dayMs,
      )
      .map((p) => ({ id: p.row.id, value: p.row.valueEur })),
    rotations: rotationsOf(pieces, runs, home),
    doses: inForce(lessons, 'dose').map((l) => {
      const product = household.products.find((p) => p.id === l.subject.product);
      return {
        product: l.subject.product,
        share: l.learnt,
        used: used.get(l.subject.product) ?? 0,
        price: product ? productMoney(product, 1, product.dose?.unit ?? 'ml') : 0,
      };
    }),
  };
  const insights = insightsOf(input);
  const week = Math.floor(now.getTime() / (7 * dayMs));
  const told = insightOfWeek(insights, week);
  if (!told) return null;
  const currency = home.document.tariff?.currency ?? 'EUR';
  const names = {
    product: (id: string): string => home.document.products?.find((p) => p.id === id)?.name ?? id,
    piece: (id: string): string => pieces.find((p) => p.row.id === id)?.row.name ?? id,
  };
  return {
    ...wordsOf(told, currency, Math.round(days), names),
    others: insights.filter((i) => i !== told).map((i) => wordsOf(i, currency, Math.round(days), names).sentence),
  };
}

function rotationsOf(pieces: readonly Piece[], runs: readonly Run[], home: HouseholdView): InsightInput['rotations'] {
  const groups = new Map<string, Piece[]>();
  for (const p of pieces) {
    const { wearGroup } = kindFacts(p.row.kind);
    if (p.row.owner === '' || !wornByTurns(p.row.kind) || wearGroup === null) continue;
    const key = `${p.row.owner}/${wearGroup}`;
    groups.set(key, [...(groups.get(key) ?? []), p]);
  }
  return [...groups.values()].flatMap((list) => {
    const [one] = list;
    if (!one) return [];
    const wearsIn28Days = list.reduce((n, p) => n + p.state.recentWears, 0);
    const r = rotationOf({ garment: one.row, owned: list.length, wearsIn28Days }, home.document.daysToNextWash ?? 3);
    if (!r || !rotationIsShort(r)) return [];
    const ids = new Set(list.map((p) => p.row.id));
    const hurried = runs.filter(
      (x) => !x.byHand && x.fill < hardlyFilled && x.pieces.filter((id) => ids.has(id)).length * 2 >= x.pieces.length,
    ).length;
    return [
      {
        group: wearGroupNames[kindFacts(one.row.kind).wearGroup as WearGroup],
        owner: one.row.owner,
        owned: r.owned,
        needed: r.needed,
        hurried,
      },
    ];
  });
}

interface Names {
  product: (id: string) => string;
  piece: (id: string) => string;
}
function wordsOf(i: Insight, currency: string, days: number, names: Names): Omit<InsightView, 'others'> {
  const year = money(i.perYear, currency);
  const over = `over ${plural(days, 'day')}`;
  switch (i.is) {
    case 'rule':
      return {
        sentence: `“${i.option}” would save about ${year} a year.`,
        arithmetic: `${plural(i.plans, 'plan')} ${over} were sorted again with it and came out ${money(i.saved, currency)} cheaper together; a year has 365 days. The price counts wear and cleanliness besides energy, water and products.`,
        href: '/household#rules',
        hrefWords: 'The house rules',
      };
    case 'fill':
      return {
        sentence: `Waiting until the drum is fuller would save about ${year} a year.`,
        arithmetic: `${i.below} of ${plural(i.loads, 'load')} ${over} were under ${Math.round(100 * hardlyFilled)} % full. Those of the same programme and temperature would have fitted into ${i.fewer} fewer at four fifths; one cost ${money(i.perLoad, currency)}.`,
        href: '/log?view=loads',
        hrefWords: 'The loads',
      };
    case 'warmer':
      return {
        sentence: `Washing at 40 instead of 60 °C where nothing asks for it would save about ${year} a year.`,
        arithmetic: `${plural(i.loads, 'load')} ${over} ran at 60 °C or more without towels, bed linen, kitchen cloths or illness in them; from a tap of 12 °C that is 20 of 48 K too much, ${i.kwh.toFixed(1)} kWh.`,
        href: '/log?view=loads',
        hrefWords: 'The loads',
      };
    case 'never-worn':
      return {
        sentence: `${plural(i.pieces.length, 'piece')} were never worn; together they are worth ${money(i.value, currency)}.`,
        arithmetic: `Here for at least ${unwornDays} days without a wear in the log: ${i.pieces.slice(0, 8).map(names.piece).join(', ')}${i.pieces.length > 8 ? ' and others' : ''}.`,
        href: '/log?view=pieces&sort=wears&dir=up',
        hrefWords: 'The pieces',
      };
    case 'rotation':
      return {
        sentence: `${i.owner} runs short of ${i.group}: ${i.needed - i.owned} more would save about ${year} a year.`,
        arithmetic: `${i.owned} are owned, ${i.needed} would last from one wash day to the next. ${plural(i.hurried, 'load')} ${over} ran under ${Math.round(100 * hardlyFilled)} % full mostly for them, at ${money(i.perLoad, currency)} each.`,
        href: '/basket',
        hrefWords: 'The shelf',
      };
    case 'dose':
      return {
        sentence: `${names.product(i.product)}: the smaller dose saves about ${year} a year. Keep to it.`,
        arithmetic: `It left residue and is dosed at ${Math.round(100 * i.share)} % of the pack; ${Math.round(i.used)} were used ${over} instead of ${Math.round(i.used / i.share)}.`,
        href: '/log/learnt',
        hrefWords: 'What was learnt',
      };
  }
}
