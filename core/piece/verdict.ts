/**
 * Does it need washing at all? One verdict, asked by the shelf (what to pick today) and by the plan (what lies in the basket): wash, treat a spot,
 * freshen, care of its own, or nothing. Thresholds are typical intervals between washes and practice; see `wear/wear.ts`.
 */
import { colourFacts } from '../colour/colour.ts';
import { isDenim } from '../envelope/garment-envelope.ts';
import { hasSignificant, isHide, isMostlyWool, isProtein, physicalShares } from '../fibre/blend.ts';
import { kindFacts, type Use } from '../garment/kinds.ts';
import { say, type Message } from '../message/message.ts';
import type { Garment } from '../model/garment.ts';
import { soilOrder } from '../model/orders.ts';
import type { Outcome } from '../model/plan.ts';
import { mixture } from '../units/numbers.ts';
import { airedShare, dueness, wearsAllowed, wearUnitsSinceWash } from '../wear/wear.ts';

export type WashCause = 'hygiene' | 'stain' | 'odour' | 'lies' | 'date' | 'soil' | 'wears' | 'asked' | 'soaked';
export type Verdict =
  | { need: 'wash'; cause: WashCause; because: Message }
  | { need: 'spot'; because: Message }
  | { need: 'care'; care: OwnCareId; because: Message }
  | { need: 'freshen'; how: 'air' | 'brush' | 'steam'; nearlyDue: boolean; helps: boolean; because: Message }
  | { need: 'nothing'; because: Message };

/** What the piece itself does not tell. */
export interface History {
  /** It was put into the basket: linen and underwear that were used are washed, never only aired. */
  asked: boolean;
  /** Days since it was last worn; null = unknown or never. */
  daysLying: number | null;
  /** Days since its last care of its own (fed, brushed, cleaned); null = never. */
  daysSinceCare: number | null;
}
export const noHistory: History = { asked: false, daysLying: null, daysSinceCare: null };

interface OwnCare {
  wears: number;
  days: number;
  because: Message;
  /** What the plan calls it. */
  outcome: Extract<Outcome, 'no-wash' | 'brush' | 'air'>;
}
/** What is never washed, or hardly, is cared for: after so many wears or days, whichever comes first (estimates of practice). */
export const ownCare = {
  leather: { wears: 20, days: 180, because: say('need.care-leather'), outcome: 'no-wash' },
  suede: { wears: 5, days: 120, because: say('need.care-suede'), outcome: 'no-wash' },
  tailoring: { wears: 3, days: 60, because: say('need.care-tailoring'), outcome: 'brush' },
  down: { wears: 10, days: 200, because: say('need.care-down'), outcome: 'air' },
} as const satisfies Record<string, OwnCare>;
export type OwnCareId = keyof typeof ownCare;

/** Marks up to this size are treated as a spot where the rest is fresh. */
export const spotCm = 5;

export function wearsAllowedOf(g: Pick<Garment, 'kind' | 'parts' | 'learntWears'>): number | null {
  const usual = wearsAllowed(g.kind, isMostlyWool(g.parts));
  // What is worn once is worn once, whatever the habit.
  return usual === null || usual <= 1 ? usual : (g.learntWears ?? usual);
}
/** Wear units since the last wash: 1 = a wash is due. 0 when the kind is judged by soil and stain only. */
export const wearUnitsOf = (g: Garment): number => wearUnitsSinceWash(wearsAllowedOf(g), g.wearsSinceWash, g.activity);

/** Days a worn piece may lie before it harms: sour sportswear, set-in yellowing of pale cloth next to the skin. */
export function lieLimit(g: Garment): { days: number; because: Message } | null {
  if (kindFacts(g.kind).wearGroup === 'sportswear' || g.traits.has('wicking'))
    return { days: 1, because: say('need.sours') };
  const { class: colour } = colourFacts(g.colours);
  if (g.nextToSkin && (colour === 'white' || colour === 'light')) return { days: 4, because: say('need.yellows') };
  return null;
}

function careOf(g: Garment): OwnCareId | null {
  if (hasSignificant(g.parts, (f) => f === 'suede')) return 'suede';
  if (hasSignificant(g.parts, isHide)) return 'leather';
  if (g.traits.has('structured')) return 'tailoring';
  return g.traits.has('down') ? 'down' : null;
}

const neverOnlyAired: readonly Use[] = ['towel', 'body', 'kitchen', 'baby'];
export const isOuter = (g: Garment): boolean =>
  kindFacts(g.kind).wearGroup === 'coat' || kindFacts(g.kind).wearGroup === 'jacket';
export const isSlightlySoiled = (g: Garment): boolean => soilOrder.indexOf(g.soil) <= soilOrder.indexOf('light');
/** From this share of a wear given back, a night of airing is worth while: wool, down, silk, linen, denim. */
const worthwhileAiring = 0.15;

/**
 * The verdict on one piece as it stands.
 * @example needVerdict(jumper) // { need: 'freshen', how: 'air', … }
 */
export function needVerdict(g: Garment, history: History = noHistory): Verdict {
  if (g.soaked) return { need: 'wash', cause: 'soaked', because: say('need.soaked') };
  const units = wearUnitsOf(g);
  const allowed = wearsAllowedOf(g);
  const slight = isSlightlySoiled(g);
  const [mark] = g.stains;
  const care = careOf(g);
  if (care && slight && !mark && !g.hygiene && !g.odour && g.neededBy === null && !(care === 'down' && units >= 1)) {
    const { wears, days, because } = ownCare[care];
    const due =
      g.wearsSinceWash >= wears ||
      (history.daysSinceCare === null ? g.wearsSinceWash > 0 : history.daysSinceCare >= days);
    return due ? { need: 'care', care, because } : { need: 'nothing', because: say('need.cared') };
  }
  const spotCloth = hasSignificant(g.parts, isProtein) || isDenim(g) || isOuter(g);
  const onlyTheMark = slight && !g.odour && !g.hygiene && g.neededBy === null && units < 1;
  if (mark && g.stains.length === 1 && (mark.sizeCm ?? Infinity) <= spotCm && spotCloth && onlyTheMark)
    return { need: 'spot', because: say('need.spot', { stain: mark.kind }) };
  const wash = (cause: WashCause, because: Message): Verdict => ({ need: 'wash', cause, because });
  if (g.hygiene) return wash('hygiene', say('need.hygiene'));
  if (mark) return wash('stain', say('need.stained', { stains: g.stains.map((s) => s.kind) }));
  const lies = lieLimit(g);
  if (g.wearsSinceWash > 0 && lies && history.daysLying !== null && history.daysLying >= lies.days)
    return wash('lies', say('need.lies', { days: Math.floor(history.daysLying), because: lies.because }));
  if (g.odour) return wash('odour', say('need.smells'));
  if (g.neededBy !== null) return wash('date', say('need.date'));
  if (!slight || (allowed === null && g.soil !== 'none')) return wash('soil', say('need.soil', { soil: g.soil }));
  if (allowed !== null && dueness(units) === 'due')
    return wash('wears', say('need.wears', { wears: g.wearsSinceWash, allowedWears: allowed }));
  if (history.asked && neverOnlyAired.includes(g.use) && g.wearsSinceWash > 0)
    return wash('asked', say('need.asked', { wears: g.wearsSinceWash }));
  return freshening(g, units, allowed);
}

function freshening(g: Garment, units: number, allowed: number | null): Verdict {
  const wool = isMostlyWool(g.parts);
  const brush = g.soil === 'light' && (wool || isOuter(g));
  if (units === 0 && !brush) return { need: 'nothing', because: say('need.nothing') };
  const how = brush
    ? 'brush'
    : g.traits.has('pleated') || kindFacts(g.kind).wearGroup === 'trousers_wool'
      ? 'steam'
      : 'air';
  const because =
    allowed === null
      ? say('need.freshen-uncounted', { freshening: how })
      : say('need.freshen', { wears: g.wearsSinceWash, allowedWears: allowed, freshening: how });
  return {
    need: 'freshen',
    how,
    nearlyDue: dueness(units) === 'soon',
    helps: how !== 'air' || mixture(physicalShares(g.parts), (f) => airedShare[f]) >= worthwhileAiring,
    because,
  };
}
