/**
 * A wash by hand as one step after the other: written once from the planned load, its pieces and the household's tub, then walked through by
 * `walk-state.ts`. Litres, minutes and counts are those of the plan; what may be left out or asked again is marked.
 */
import { isKnit, type Profile } from '../piece/profile.ts';
import { kindFacts } from '../garment/kinds.ts';
import { say, type Message } from '../message/message.ts';
import type { Basin, Household, Programme, Washer } from '../model/household.ts';
import { physicalFibres } from '../fibre/physical.ts';
import { spinWithin } from '../washing/spin.ts';
import {
  bathCare,
  bathCareOrder,
  bathWater,
  displacementL,
  fillHeightCm,
  leastBathL,
  usableVolumeL,
  type BathCare,
} from '../washing/basin.ts';
import { helperOfClass } from '../washing/products.ts';
import { mixture, roundTo, sum } from '../units/numbers.ts';

export type HandStepKind =
  | 'brush'
  | 'presoak'
  | 'same-bath'
  | 'fill'
  | 'dissolve'
  | 'put-in'
  | 'soak'
  | 'look'
  | 'move'
  | 'drain'
  | 'lift-out'
  | 'rinse'
  | 'vinegar'
  | 'press'
  | 'roll'
  | 'spin';
/** What is looked at: whether the rinse water is clear, whether the bath that is used again has taken colour. */
export type HandCheck = 'rinse-clear' | 'bath-clear';
export interface HandStep {
  kind: HandStepKind;
  message: Message;
  /** How, and what to mind. */
  hints: readonly Message[];
  /** Minutes it works, and after how many it has to end. */
  clock: { minutes: number; mostMinutes: number } | null;
  check: HandCheck | null;
  mayBeSkipped: boolean;
  /** Only when the bath that was to be used again has taken colour. */
  onlyFreshBath: boolean;
  temperatureC: number | null;
}
/** The tub as it is drawn: how high the water stands, and how high with the cloth in it. */
export interface TubDrawing {
  usableL: number;
  waterL: number;
  displacedL: number;
  /** null where only the volume of the tub is known. */
  fillCm: number | null;
  depthCm: number | null;
}
export interface HandWalk {
  care: BathCare;
  steps: readonly HandStep[];
  tub: TubDrawing;
  /** Rinses beyond the computed ones, at most. */
  mostExtraRinses: number;
  /** What still holds when the soak was forgotten, and what to do. */
  forgotten: Message;
}

/** What a walk is written from. */
export interface HandLoad {
  pieces: readonly Profile[];
  household: Household;
  basin: Basin;
  temperatureC: number;
  massKg: number;
  soakMin: number;
  rinses: number;
  detergent: { name: string; productClass: string; amount: number; unit: string } | null;
  /** Number of the load whose bath it uses, and of the one that uses its bath next; null = none. */
  usesBathOf: number | null;
  bathGoesTo: number | null;
  /** A coloured catcher is due or the dye is not trusted: nothing soaks long. */
  suspectDye: boolean;
}

/** How each care class is moved: presses, and how many of them. */
export const handMoves = {
  normal: { times: 20, message: say('hand.move-plunge', { times: 20 }) },
  delicate: { times: 12, message: say('hand.move-squeeze', { times: 12 }) },
  wool: { times: 10, message: say('hand.move-press', { times: 10 }) },
  silk: { times: 8, message: say('hand.move-swish', { times: 8 }) },
} as const satisfies Record<BathCare, { times: number; message: Message }>;

/** Extra rinses asked for by the eye, at most: what three more do not clear is not suds. */
const mostExtraRinses = 3;
const suspectDyeMostMin = 5;
const presoakMin = 30;
const brushMin = 10;
/** Wet mass of one piece above which it is lifted on both arms, and of a load above which the water goes first, kg. */
const supportedFromKg = 2;
const drainFirstFromKg = 10;
/** Wet mass of a piece above which a spin alone is worth the way to the machine, kg. */
const spinAloneFromKg = 2;
/** Boiling water as it arrives at the tub, °C. */
const kettleC = 95;
const vinegarMlPerL = 10;

const step = (kind: HandStepKind, message: Message, more: Partial<HandStep> = {}): HandStep => ({
  kind,
  message,
  hints: [],
  clock: null,
  check: null,
  mayBeSkipped: false,
  onlyFreshBath: false,
  temperatureC: null,
  ...more,
});
const names = (ps: readonly Profile[]): string[] => ps.map((p) => p.garment.name);
const wetKg = (p: Profile): number =>
  (p.massKg / p.garment.count) * (1 + mixture(p.fibre, (f) => physicalFibres[f].dripped));

/** Shirts and blouses carry their soil at collar and cuffs; protein cloth is never brushed. */
const brushed = (p: Profile): boolean =>
  ['shirt', 'blouse'].includes(kindFacts(p.garment.kind).wearGroup ?? '') &&
  !p.isWool &&
  !p.isSilk &&
  ['normal', 'heavy'].includes(p.garment.soil);
/** Wool that has hardly been washed yet gives up its tension in cold water, before anything moves it. */
const shrinkShy = (p: Profile): boolean => p.isWool && isKnit(p.garment) && p.garment.washCount < 2;

/** The slowest useful spin that every piece bears, in a programme that only rinses or spins. */
function spinAlone(load: HandLoad): { washer: Washer; programme: Programme; rpm: number } | null {
  const heavy = load.pieces.some((p) => wetKg(p) >= spinAloneFromKg);
  if (!heavy) return null;
  for (const washer of load.household.washers)
    for (const programme of washer.programmes) {
      if (programme.family !== 'rinse-spin' || washer.loading === 'top-agitator') continue;
      const rpm = [...programme.spinsRpm]
        .sort((a, b) => a - b)
        .find((r) => r > 0 && load.pieces.every((p) => spinWithin(r, washer.drumRadiusM, p.values.maxSpinRpm)));
      if (rpm !== undefined) return { washer, programme, rpm };
    }
  return null;
}

function fillSteps(load: HandLoad, litres: number, tub: TubDrawing, fresh: boolean): HandStep[] {
  const { basin, temperatureC: celsius, household } = load;
  const { hotC, coldC } = household.water;
  const place = basin.name;
  const hints: Message[] = [];
  if (tub.fillCm !== null)
    hints.push(
      say('hand.fill-line', { cm: roundTo(tub.fillCm, 0), litres: roundTo(tub.waterL, 0), displacedL: tub.displacedL }),
    );
  const kettleL =
    celsius > hotC + 0.5
      ? roundTo((litres * (celsius - Math.max(hotC, coldC))) / (kettleC - Math.max(hotC, coldC)), 1)
      : 0;
  const { hotL, coldL } = bathWater(litres - kettleL, Math.min(celsius, hotC), hotC, coldC);
  const message =
    kettleL > 0
      ? say('hand.fill-kettle', { kettleL, hotL, coldL, place, celsius })
      : hotL > 0
        ? say('hand.fill', { hotL, coldL, place, celsius })
        : say('hand.fill-cold', { litres: coldL, place });
  const out = [step('fill', message, { hints, temperatureC: celsius, onlyFreshBath: fresh })];
  if (load.detergent)
    out.push(
      step(
        'dissolve',
        say('hand.dissolve', {
          amount: load.detergent.amount,
          unit: load.detergent.unit,
          product: load.detergent.name,
        }),
        { onlyFreshBath: fresh },
      ),
    );
  return out;
}

/** How long the bath may hold the pieces at most, min. */
export function mostSoakMin(load: Pick<HandLoad, 'pieces' | 'suspectDye'>, care: BathCare): number {
  if (load.suspectDye) return suspectDyeMostMin;
  const { mostSoakMin: most, mostSoakDyedMin } = bathCare[care];
  return load.pieces.some((p) => p.history.dye !== null && !p.pale) ? mostSoakDyedMin : most;
}

/**
 * The steps of a wash by hand.
 * @example writeHandWalk(load).steps.map((s) => s.kind) // ['fill', 'dissolve', 'put-in', 'soak', 'move', 'drain', 'rinse', 'press', 'roll', 'roll']
 */
export function writeHandWalk(load: HandLoad): HandWalk {
  const { pieces, temperatureC, household } = load;
  const care = bathCareOrder[Math.max(0, ...pieces.map((p) => bathCareOrder.indexOf(p.bathCare)))] ?? 'normal';
  const usableL = usableVolumeL(load.basin);
  const displacedL = sum(pieces.map((p) => displacementL(p.massKg, p.fibre, p.build)));
  const wished = Math.max(leastBathL, bathCare[care].liquorLPerKg * load.massKg);
  // Water and cloth together stay below the free edge; the cloth gives its air up within minutes.
  const waterL = Math.min(wished, Math.max(usableL - displacedL, usableL / 2));
  const tub: TubDrawing = {
    usableL,
    waterL,
    displacedL: roundTo(displacedL, 1),
    fillCm: fillHeightCm(load.basin, waterL),
    depthCm: load.basin.form.shape === 'volume' ? null : load.basin.form.depthCm,
  };
  const noRinse = load.detergent?.productClass === 'no-rinse-wool';
  const steps: HandStep[] = [];

  const collars = pieces.filter(brushed);
  if (collars.length > 0 && load.detergent)
    steps.push(
      step('brush', say('hand.brush', { names: names(collars), product: load.detergent.name }), {
        clock: { minutes: brushMin, mostMinutes: 3 * brushMin },
        mayBeSkipped: true,
      }),
    );
  const shy = pieces.filter(shrinkShy);
  if (shy.length > 0 && !load.suspectDye && load.usesBathOf === null)
    steps.push(
      step('presoak', say('hand.presoak', { names: names(shy) }), {
        clock: { minutes: presoakMin, mostMinutes: presoakMin + 15 },
        mayBeSkipped: true,
        temperatureC: household.water.coldC,
      }),
    );
  if (load.usesBathOf !== null)
    steps.push(step('same-bath', say('hand.same-bath', { load: load.usesBathOf }), { check: 'bath-clear' }));
  steps.push(...fillSteps(load, waterL, tub, load.usesBathOf !== null));
  steps.push(step('put-in', say('hand.put-in', { count: pieces.length })));

  const most = mostSoakMin(load, care);
  if (load.soakMin > 0) {
    const minutes = Math.min(load.soakMin, most);
    const marked = pieces.filter((p) => p.garment.stains.length > 0);
    const halves = marked.length > 0 && minutes >= 10;
    const first = halves ? Math.round(minutes / 2) : minutes;
    // Both halves together end at the longest time.
    const soak = (m: number, before = 0): HandStep =>
      step('soak', say('hand.soak', { minutes: m }), {
        clock: { minutes: m, mostMinutes: most - before },
        temperatureC,
      });
    steps.push(soak(first));
    if (halves) steps.push(step('look', say('hand.look', { names: names(marked) })), soak(minutes - first, first));
  }
  steps.push(step('move', handMoves[care].message, { hints: [say('hand.no-rubbing')] }));

  const loadWetKg = sum(pieces.map((p) => wetKg(p) * p.garment.count));
  const heavy = pieces.filter((p) => wetKg(p) >= supportedFromKg);
  const lifting = heavy.length > 0 ? [say('hand.lift-supported', { names: names(heavy) })] : [];
  if (load.bathGoesTo !== null)
    steps.push(step('lift-out', say('hand.lift-out', { load: load.bathGoesTo }), { hints: lifting }));
  else
    steps.push(
      step('drain', say('hand.drain'), {
        hints: loadWetKg >= drainFirstFromKg ? [say('hand.drain-first'), ...lifting] : lifting,
      }),
    );
  for (let i = 1; i <= load.rinses; i++)
    steps.push(
      step('rinse', say('hand.rinse', { count: i, total: load.rinses, celsius: temperatureC }), {
        check: i === load.rinses ? 'rinse-clear' : null,
        temperatureC,
      }),
    );
  const vinegar = helperOfClass(household.products, 'vinegar');
  const smelling = pieces.filter((p) => p.garment.odour);
  if (vinegar && smelling.length > 0 && !noRinse)
    steps.push(
      step(
        'vinegar',
        say('hand.vinegar', {
          amount: roundTo(vinegarMlPerL * waterL, -1),
          unit: 'ml',
          product: vinegar.name,
          names: names(smelling),
        }),
        { mayBeSkipped: true },
      ),
    );
  steps.push(step('press', say('hand.press')));
  const spin = spinAlone(load);
  if (spin)
    steps.push(
      step(
        'spin',
        say('hand.spin', {
          names: names(heavy),
          programme: spin.programme.name,
          place: spin.washer.name,
          rpm: spin.rpm,
        }),
        { mayBeSkipped: true },
      ),
    );
  const standing = pieces.some((p) => wetKg(p) >= 1);
  steps.push(
    step('roll', standing ? say('hand.roll-standing') : say('hand.roll'), { mayBeSkipped: true }),
    step('roll', say('hand.roll-again'), { mayBeSkipped: true }),
  );
  return {
    care,
    steps,
    tub,
    mostExtraRinses: load.rinses > 0 ? mostExtraRinses : 0,
    forgotten: load.suspectDye
      ? say('hand.forgot-dye')
      : noRinse
        ? say('hand.forgot-no-rinse')
        : care === 'silk'
          ? say('hand.forgot-silk')
          : care === 'wool'
            ? say('hand.forgot-wool')
            : say('hand.forgot'),
  };
}
