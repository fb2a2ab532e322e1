/** One piece: what it bears and why, its history, its form. */
import { sentenceOf, textOf } from '@words/text.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { labelOf } from '@formats/hamper.ts';
import { phraseWords } from '@words/en/label.ts';
import { colourNames } from '@words/en/names.ts';
import { trustOf, type Trust } from '@core/colour/trust.ts';
import { bindingBounds, type EnvelopeParameter } from '@core/envelope/envelope.ts';
import { dryMassG } from '@core/garment/mass.ts';
import { profileOf, type Profile } from '@core/piece/profile.ts';
import { garmentHistory } from '@data/events.ts';
import { findPiece, garmentDocument, listPieces } from '@data/garments.ts';
import { taught, teach } from '@data/learnt.ts';
import { readHousehold } from '@data/household.ts';
import { photosOf } from '@data/photos.ts';
import { pieceStart, type PieceStart } from './piece-schema.ts';
import { versionOf } from '../forms/seen.server.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import type { ClothView } from '../ui/fold.tsx';
import { clothOf } from '../shared/cloth.ts';
import { eventText } from '../log/history.ts';
import { pieceOptions, type PieceOptions } from './piece-options.server.ts';
import { symbolsOf, type SymbolView } from '../shared/symbols.ts';
import { partings, type PieceState } from '@core/piece/state.ts';
import { partingNames, stateNames } from '@words/en/piece-line.ts';
import { stateOf, whereabouts } from '@data/whereabouts.ts';
import { kindNames } from '@words/en/things.ts';
import { clockText, dayAndYear, shortDay } from '../shared/words.ts';
import { wearsText } from '../gather/basket-view.server.ts';

export interface TrustView {
  tried: boolean;
  standing: string;
  now: string;
  steps: { day: string; text: string; odds: number }[];
  prior: number;
  tints: { words: string; before: string; after: string; odds: string }[];
}
export interface PieceView {
  trust: TrustView | null;
  /** What asks to be mended before the next wash. */
  mend: string | null;
  id: string;
  name: string;
  cloth: ClothView;
  summary: string;
  symbols: SymbolView[];
  phrases: string[];
  limits: { what: string; value: string; why: string }[];
  colour: string;
  conflicts: string[];
  inBasket: boolean;
  /** Left the wardrobe. */
  gone: boolean;
  inWater: boolean;
  /** Its next stop after the wash; null = it is in none. */
  after: { href: string; words: string } | null;
  partings: (readonly [string, string])[];
  /** Where it is, in words. */
  state: string;
  /** Pictures in its diary. */
  photos: number;
  history: { id: number; day: string; text: string; struck: boolean }[];
  start: PieceStart;
  /** The version of what the form starts from. */
  seen: string;
  options: PieceOptions;
}

/** What a piece bears, row by row, with the bound that decides. */
export function limitRows(p: Profile): PieceView['limits'] {
  const v = p.values;
  const why = (parameter: EnvelopeParameter): string =>
    bindingBounds(p.envelope, parameter)
      .map((b) => textOf(b.reason))
      .slice(0, 2)
      .join('; ') || 'nothing limits it';
  const row = (what: string, value: string, parameter: EnvelopeParameter) => ({ what, value, why: why(parameter) });
  const rows = [row('Water', { machine: 'Machine or hand', hand: 'By hand only', none: 'Not at home' }[v.wet], 'wet')];
  if (v.wet !== 'none') {
    rows.push(
      row('Temperature', `at most ${v.maxTemperatureC} °C`, 'maxTemperatureC'),
      row(
        'Movement',
        { normal: 'normal', mild: 'mild', 'very-mild': 'very mild', hand: 'as by hand', none: 'none' }[v.maxAction],
        'maxAction',
      ),
    );
    rows.push(
      row(
        'Spin',
        v.maxSpinRpm >= 2000
          ? 'any'
          : `at most ${v.maxSpinRpm} rpm${v.woolSpinRpm > v.maxSpinRpm ? ` (${v.woolSpinRpm} in a wool programme)` : ''}`,
        'maxSpinRpm',
      ),
      row('Detergent', [...v.detergents].map((d) => d.replace(/-/g, ' ')).join(', ') || 'none', 'detergents'),
    );
    rows.push(
      row(
        'Company',
        { 'with-any': 'with others', 'like-colours': 'only its own colour', alone: 'alone' }[v.company],
        'company',
      ),
    );
  }
  rows.push(
    row('Bleach', { any: 'any', oxygen: 'oxygen only', none: 'none' }[v.bleach], 'bleach'),
    row('Dryer', { normal: 'normal', low: 'low', none: 'no' }[v.tumble], 'tumble'),
    row('Iron', { high: 'hot', medium: 'medium', low: 'cool', none: 'no' }[v.iron], 'iron'),
  );
  return rows;
}

function colourText(p: Profile): string {
  const h = p.history;
  const trust =
    h.dye === null
      ? 'undyed: it gives no colour'
      : h.knownBleeder
        ? 'a known bleeder'
        : h.earnedForWhite
          ? 'trusted even with whites'
          : h.earned
            ? 'trusted with other colours'
            : h.untested && h.strongColour
              ? 'not yet tested: cold, with its own colour'
              : 'judged by its predicted bleed';
  return `${colourNames[h.colour.class]}${h.colour.red ? ', a red' : ''}; ${trust}`;
}

const standings = {
  undyed: 'Undyed',
  trusted: 'Trusted with other colours',
  'trusted-with-whites': 'Trusted even with whites',
  bleeder: 'A known bleeder',
  unknown: 'Not yet known',
} as const;
const percent = (p: number): string => `${p < 0.01 ? 'under 1' : Math.round(p * 100)} %`;

function trustView(t: Trust, timeZone: string): TrustView | null {
  if (t.standing === 'undyed') return null;
  return {
    standing: standings[t.standing],
    tried: t.tried,
    prior: t.prior,
    now: percent(t.now),
    steps: t.steps.map((s) => ({
      day: dayAndYear(new Date(s.at), timeZone),
      text: `${{ spot: 'Spot test', part: 'Part test', catcher: 'Catcher' }[s.kind]}: grade ${s.grade}, ${s.verdict}`,
      odds: s.odds,
    })),
    tints: t.tints.map((x) => ({
      words: `${x.receiver} at ${x.temperatureC} °C: ΔE ${x.deltaE.toFixed(1)}`,
      before: x.receiverHex,
      after: x.hex,
      odds: percent(x.odds),
    })),
  };
}

/** Where the rest of its way back to the cupboard is done. */
const afterPages: Partial<Record<PieceState, { href: string; words: string }>> = {
  wet: { href: '/dry', words: 'To the drying places' },
  drying: { href: '/dry', words: 'To the drying places' },
  'to-feel': { href: '/dry', words: 'To the drying places' },
  'to-press': { href: '/press', words: 'To the iron' },
  'to-put-away': { href: '/away', words: 'To put it away' },
  'at-cleaner': { href: '/cleaner', words: 'At the cleaner' },
};

export async function pieceView({ tx, now }: Scope, id: string): Promise<PieceView> {
  const found = await findPiece(tx, id);
  if (!found) throw notFound('That piece is not in the wardrobe.');
  const household = await readHousehold(tx);
  const known = await teach(tx, household?.document ?? null, await listPieces(tx), now);
  const piece = taught(found, known.lessons);
  const timeZone = household?.timeZone ?? 'UTC';
  const garment = garmentOf(garmentDocument(piece));
  const profile = profileOf(garment, householdOf(household?.document ?? {}).rules);
  const { row, state } = piece;
  const where = await whereabouts(tx);
  const shownState = stateOf(piece, where, now);
  const dryAt = where.afterWash.get(id)?.expectedAt ?? null;
  const label = labelOf(row.label);
  return {
    mend: state.mend,
    id,
    name: row.name,
    cloth: clothOf(row),
    inBasket: piece.basket !== null,
    gone: row.retiredAt !== null,
    inWater: shownState === 'in-drum' || shownState === 'in-tub',
    after: afterPages[shownState] ?? null,
    conflicts: profile.conflicts.map(sentenceOf),
    colour: colourText(profile),
    trust: trustView(trustOf(garment, householdOf(known.document).learnt.dyes), timeZone),
    symbols: label ? symbolsOf(label) : [],
    phrases: label ? label.phrases.map((x) => phraseWords[x]) : [],
    limits: limitRows(profile),
    state:
      (row.retiredBecause ? partingNames[row.retiredBecause] : stateNames[shownState]) +
      (shownState === 'drying' && dryAt
        ? `, dry at about ${clockText(dryAt, timeZone)} on ${shortDay(dryAt, timeZone)}`
        : ''),
    summary: `${kindNames[row.kind]}${row.owner ? `, ${row.owner}` : ''} · ${Math.round(dryMassG(garment))} g${row.dryMassG === null ? ' estimated' : ''} · washed ${state.washCount === 1 ? 'once' : `${state.washCount} times`}${state.lastWashedAt ? `, last on ${dayAndYear(state.lastWashedAt, timeZone)}` : ''} · ${wearsText(piece)}`,
    photos: (await photosOf(tx, id)).length,
    history: (await garmentHistory(tx, id)).map((e) => ({
      id: e.id,
      day: dayAndYear(e.at, timeZone),
      text: eventText(e.kind, e.data, householdOf(known.document).tariff.currency),
      struck: e.struck,
    })),
    start: pieceStart(row),
    seen: versionOf(pieceStart(row)),
    options: pieceOptions(),
    partings: partings.map(
      (p) => [p, `${partingNames[p].charAt(0).toUpperCase()}${partingNames[p].slice(1)}`] as const,
    ),
  };
}
