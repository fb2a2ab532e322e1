/** What stands at the machine: the drum before the door closes, the drawer and what goes where, the bottle's rest, what its runs have taught. */
import { optionsFor } from '@core/run/options.ts';
import { optionWords, roomWords } from '@words/en/run.ts';
import { drumCheck } from '@core/run/drum-check.ts';
import { displayDose } from '@core/plan/plan.ts';
import { profileOf } from '@core/piece/profile.ts';
import { say } from '@core/message/message.ts';
import { moneyOf } from '@core/message/params.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { textOf } from '@words/text.ts';
import { inForce } from '@data/learnt.ts';
import { readRunLessons } from '@data/lessons.ts';
import type { HouseholdView } from '@data/schema.ts';
import type { LoadView } from '@data/loads.ts';
import type { Scope } from '../server/request.server.ts';

export type Compartment = 'prewash' | 'main' | 'softener' | 'drum' | 'basin';
export interface PlaceView {
  compartment: Compartment;
  /** What goes there, with how much, in the words of the ticket. */
  products: { name: string; amount: string }[];
}
export interface MachineView {
  check: { massText: string; freeText: string; tooFull: boolean; looseShare: number } | null;
  places: PlaceView[];
  hasDrawer: boolean;
  stock: string[];
  options: string[];
  /** Reminders at a machine that others use. */
  stay: string | null;
  learnt: string[];
}

export async function machineView(
  { tx, now }: Scope,
  { hamper, load }: LoadView,
  home: HouseholdView | null,
  amounts: ReadonlyMap<string, string>,
): Promise<MachineView> {
  const household = householdOf(hamper.household);
  const washer = household.washers.find((w) => w.id === load.washer);
  const programme = washer?.programmes.find((p) => p.id === load.programme);
  const pieces = hamper.garments
    .filter((g) => load.garments.includes(g.id))
    .map((g) => profileOf(garmentOf(g), household.rules));
  const doses = [...(load.detergent ? [load.detergent] : []), ...load.additives];
  const products = new Map((home?.document.products ?? []).map((p) => [p.id, p] as const));
  const order: readonly Compartment[] = ['drum', 'prewash', 'main', 'softener', 'basin'];
  const places = order.flatMap((compartment) => {
    const here = doses.filter((d) => d.compartment === compartment && d.amount > 0);
    return here.length === 0
      ? []
      : [
          {
            compartment,
            products: here.map((d) => ({
              name: products.get(d.product)?.name ?? 'product',
              amount: amounts.get(d.product) ?? '',
            })),
          },
        ];
  });
  const maxKg = load.fill > 0 ? load.massKg / load.fill : load.massKg;
  const check = washer && programme ? drumCheck(pieces, washer, programme.maxLoadKg, load.fill) : null;
  const lessons = home ? await readRunLessons(tx, home.document, now) : null;
  const taught = lessons
    ? inForce(lessons, 'programme').find(
        ({ subject }) => subject.washer === load.washer && subject.programme === load.programme,
      )
    : null;
  const learnt: string[] = [];
  if (taught) {
    const count = taught.evidence.filter((e) => e.counts).length;
    learnt.push(textOf(say('run.learnt', { minutes: taught.learnt, count, total: taught.book })));
  }
  const share =
    (lessons && inForce(lessons, 'dose').find((l) => l.subject.product === load.detergent?.product)?.learnt) ?? 1;
  if (share < 1 && load.detergent)
    learnt.push(
      textOf(
        say('run.dose-less', {
          product: products.get(load.detergent.product)?.name ?? 'It',
          percent: Math.round(share * 100),
        }),
      ),
    );
  const shared =
    washer !== undefined &&
    (washer.pricePerRun > 0 || (home?.document.times?.slots ?? []).some((s) => s.washer === washer.id));
  return {
    check: check && {
      massText: `${check.massKg.toFixed(1)} of ${Math.min(maxKg, check.maxKg).toFixed(1)} kg`,
      freeText: roomWords[check.room](check.freeCm),
      tooFull: check.verdict === 'over' || check.verdict === 'refuse',
      looseShare: check.looseShare,
    },
    places,
    hasDrawer: washer?.loading === 'front',
    stock: doses.flatMap((d) => {
      const p = products.get(d.product);
      if (!p || p.remaining === null || p.remaining === undefined || d.amount <= 0) return [];
      const unit = p.dose?.unit ?? d.unit;
      const washes = Math.floor(p.remaining / d.amount);
      return [
        `${p.name}: ${displayDose(p.remaining, unit, false)} ${unit} there, enough for ${washes} ${washes === 1 ? 'wash' : 'washes'} like this.`,
      ];
    }),
    options: optionsFor(pieces, load.extraRinse).map(
      (o) => home?.optionNames?.[load.washer ?? '']?.[o] ?? optionWords[o],
    ),
    stay:
      washer && shared
        ? textOf(
            washer.pricePerRun > 0
              ? say('run.stay-coins', { place: washer.name, cost: moneyOf(household.tariff, washer.pricePerRun) })
              : say('run.stay', { place: washer.name }),
          )
        : null,
    learnt,
  };
}
