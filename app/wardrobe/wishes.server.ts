/** Wishes beside what is owned: what they cost to keep, whether they find company in the drum, what there is like them. */
import { companyOf } from '@core/board/company.ts';
import { careOfYear, yearOfOwning } from '@core/board/ownership.ts';
import { looksAlike } from '@core/colour/shelf.ts';
import { loadName } from '@core/plan/load-name.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { lookInHousehold, type Door } from '@data/client.ts';
import { garmentDocument, listPieces, type Piece } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { teach } from '@data/learnt.ts';
import { openWishes, type WishRow } from '@data/wishes.ts';
import { titleOf } from '@words/text.ts';
import { kindNames } from '@words/en/things.ts';
import { everythingDirty, pilesPlan, type Everything } from '../sheet/piles.server.ts';
import { clothOfDocument } from '../shared/cloth.ts';
import { money, plural, shortDay } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';

export interface WishView {
  id: string;
  name: string;
  cloth: ClothView;
  day: string;
  what: string;
  /** Needs the cleaner, a bath by hand, a load of its own. */
  flags: string[];
  /** A year of it, and of what is owned of its kind. */
  perYear: string;
  perYearText: string;
  owned: string;
  company: string;
  alike: { id: string; name: string }[];
}
export interface WishesView {
  wishes: WishView[];
}

const comparedWith = 6;

const groundOf = (colours: readonly { hex: string; role: string }[]): string =>
  colours.find((c) => c.role === 'ground')?.hex ?? '#888888';

export async function wishesView({ door, now }: { door: Door; now: Date }): Promise<WishesView> {
  const read = await lookInHousehold(door, async (tx) => {
    const home = await readHousehold(tx);
    const wishes = await openWishes(tx);
    const known = await teach(tx, home?.document ?? null, await listPieces(tx), now);
    return { home, wishes, known, hamper: wishes.length > 0 ? await everythingDirty({ tx, now }, null) : null };
  });
  const { home, wishes, known, hamper } = read;
  const everything =
    hamper && hamper.garments.length > 0 ? await pilesPlan(door, '', hamper, now).catch(() => null) : null;
  const timeZone = home?.timeZone ?? 'UTC';
  return {
    wishes: wishes.map((w) => wishView(w, known.pieces, householdOf(known.document), everything, timeZone, now)),
  };
}

function wishView(
  w: WishRow,
  pieces: readonly Piece[],
  household: ReturnType<typeof householdOf>,
  everything: Everything | null,
  timeZone: string,
  now: Date,
): WishView {
  const garment = garmentOf({ ...w.garment, id: w.id });
  const { currency } = household.tariff;
  const care = careOfYear(garment, household, w.wearsPerYear / 52);
  const year = yearOfOwning(care, w.price ?? 0, w.wearsPerYear);
  const same = pieces.filter((p) => p.row.kind === w.garment.kind);
  const owned = same.slice(0, comparedWith).map((p) => {
    const c = careOfYear(garmentOf(garmentDocument(p, now)), household, w.wearsPerYear / 52);
    return c.perYear ?? 0;
  });
  const mean = owned.length > 0 ? owned.reduce((a, b) => a + b, 0) / owned.length : null;
  const alike = same.filter((p) => looksAlike(groundOf(p.row.colours), groundOf(w.garment.colours)));
  const company = companyText(garment, everything, household, currency);
  const flags = [
    ...(care.by === 'professional' ? ['needs a professional cleaner'] : []),
    ...(care.by === 'none' ? ['is never washed: it is fed or brushed'] : []),
    ...(care.setting?.method === 'hand' ? ['needs a bath by hand'] : []),
    ...(company.own ? ['its colour or cloth needs a load of its own'] : []),
    ...(profileOf(garment, household.rules).conflicts.length > 0 ? ['its label contradicts itself'] : []),
  ];
  return {
    id: w.id,
    name: w.garment.name,
    cloth: clothOfDocument(w.garment),
    day: shortDay(w.at, timeZone),
    what: `${kindNames[w.garment.kind]}${w.owner ? `, for ${w.owner}` : ''}${w.price === null ? '' : `, ${money(w.price, currency)}`}`,
    flags,
    perYear: money(w.price === null ? (care.perYear ?? care.perClean) : year.perYear, currency),
    perYearText:
      w.price === null
        ? `Its care alone; with a price it is reckoned over its life. ${care.cleansPerYear === null ? '' : `About ${plural(Math.round(care.cleansPerYear), 'wash', 'washes')} a year.`}`
        : `${money(w.price, currency)} over about ${plural(Math.round(year.years), 'year')} and ${money(care.perYear ?? 0, currency)} of care a year: ${money(year.perWear, currency)} a wear at ${plural(Math.round(w.wearsPerYear), 'wear')} a year.`,
    owned:
      mean === null
        ? 'Nothing of its kind is owned yet.'
        : `${plural(same.length, 'piece')} of its kind are owned; their care would be ${money(mean, currency)} a year at that pace, this one's ${money(care.perYear ?? care.perClean, currency)}.`,
    company: company.text,
    alike: alike.slice(0, 5).map((p) => ({ id: p.row.id, name: p.row.name })),
  };
}

function companyText(
  garment: ReturnType<typeof garmentOf>,
  everything: Everything | null,
  household: ReturnType<typeof householdOf>,
  currency: string,
): { text: string; own: boolean } {
  if (!everything) return { text: '', own: false };
  const byId = new Map(everything.hamper.garments.map((g) => [g.id, g]));
  const loads = everything.plan.loads.map((l) =>
    l.garments.flatMap((id) => {
      const g = byId.get(id);
      return g ? [garmentOf(g)] : [];
    }),
  );
  const c = companyOf(garment, loads, household);
  if (c.joins === null)
    return c.alone === null
      ? { text: 'No way of washing it here was found.', own: false }
      : { text: `It would be washed by itself: none of your ${plural(loads.length, 'load')} takes it.`, own: true };
  const load = everything.plan.loads[c.joins];
  const profiles = (loads[c.joins] ?? []).map((g) => profileOf(g, household.rules));
  const name = load ? titleOf(loadName(profiles, { celsius: load.temperatureC, method: load.method })) : 'a load';
  return { text: `It goes with “${name}”, for ${money(c.extra ?? 0, currency)} more.`, own: false };
}
