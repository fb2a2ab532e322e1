/** What a round came to: every piece as it came out, beside the best plan and the usual beginner, difference by difference. */
import { hazardForms, hazardWords } from '@words/en/chemistry.ts';
import { stepClause } from '@words/en/treat.ts';
import { stopText } from '@words/text.ts';
import { safetyWords, withPoisonCentre } from '@words/en/safety.ts';
import {
  measures,
  verdictOf,
  type Account,
  type Assessment,
  type Difference,
  type Side,
} from '@core/practice/assess.ts';
import { effects, skills, type EffectKind, type Skill } from '@core/practice/effects.ts';
import type { Fate } from '@core/practice/happen.ts';
import type { Household } from '@core/model/household.ts';
import { productOf } from '@core/practice/ways.ts';
import type { Way } from '@core/practice/play.ts';
import { practiceBaskets } from '@data/practice/baskets.ts';
import type { PracticeRound } from '@data/practice.ts';
import { asideNames, effectWords, measureNames, skillNames, verdictWords } from '@words/en/practice.ts';
import { oddsText } from '@words/odds.ts';
import { textOf } from '@words/text.ts';
import { agentNames, stainNames } from '@words/en/things.ts';
import { clothOfDocument } from '../shared/cloth.ts';
import { durationText, money } from '../shared/words.ts';
import type { ClothView } from '../ui/fold.tsx';
import { assessRound, knownBasket, type KnownBasket } from './rounds.server.ts';

export interface CameOutView {
  id: string;
  name: string;
  before: ClothView;
  after: ClothView;
  shrink: number;
  /** What happened to it; empty = as it should be. */
  happened: { kind: EffectKind; text: string; lasting: boolean }[];
}
/** Pieces with which the same went, or could go, wrong for the same reason. */
export interface DifferenceView {
  key: string;
  skill: string;
  title: string;
  lasting: boolean;
  why: string;
  rule: string;
  pieces: {
    id: string;
    name: string;
    cloth: ClothView;
    /** What happened, or that luck held; how likely it was. */
    what: string;
    odds: string;
    happened: boolean;
    /** What the best plan does with this piece. */
    instead: string;
  }[];
}
export interface OutcomeView {
  id: string;
  basket: string;
  title: string;
  who: string;
  score: number;
  verdict: string;
  hints: number;
  ended: { title: string; would: string; now: string; call: string } | null;
  cameOut: CameOutView[];
  /** Rows of the comparison: you, the best plan, the usual beginner. */
  rows: { name: string; values: [string, string, string] }[];
  measures: { id: string; name: string; value: number }[];
  differences: DifferenceView[];
  remarks: string[];
  skills: { id: Skill; name: string; value: number | null }[];
  /** The best plan, load by load. */
  best: { title: string; pieces: { id: string; name: string; cloth: ClothView }[] }[];
  bestAside: string[];
  next: { id: string; title: string } | null;
}

const fullCents = (eur: number, h: Household): string => money(eur, h.tariff.currency);

function sizeText({ effect, size, cm }: Fate): string {
  if (size === null) return '';
  switch (effect.kind) {
    case 'shrunk':
      return ` by ${size.toFixed(0)} %${cm === null ? '' : `, ${cm.toFixed(1)} cm in length`}`;
    case 'felted':
      return ` by ${size.toFixed(0)} %`;
    case 'tinted':
      return `, ΔE ${size.toFixed(0)}`;
    default:
      return '';
  }
}
/** What may only follow from the best plan's own prices is not told as a mishap. */
const untold: readonly EffectKind[] = ['mixed', 'needless', 'left-dirty', 'creased'];
const shownShrink = 60;

function cameOut({ hamper }: KnownBasket, side: Side, names: ReadonlyMap<string, string>): CameOutView[] {
  const washed = new Set(side.play.loads.flatMap((l) => l.pieces));
  return hamper.garments.map((g): CameOutView => {
    const mine = side.fates.filter((f) => f.effect.piece === g.id && f.happened);
    const told = mine.filter((f) => !untold.includes(f.effect.kind) || f.effect.kind === 'left-dirty');
    const tint = mine.find((f) => f.hex !== null);
    const before = clothOfDocument(g);
    const shrink = Math.max(
      0,
      ...mine.filter((f) => f.effect.kind === 'shrunk' || f.effect.kind === 'felted').map((f) => f.size ?? 0),
    );
    return {
      id: g.id,
      name: g.name,
      before,
      after: { ...before, hex: tint?.hex ?? before.hex },
      shrink: Math.min(shownShrink, shrink),
      happened: told
        .filter((f) => washed.has(g.id) || f.effect.kind === 'left-dirty' || f.effect.mark !== null)
        .map((f) => ({
          kind: f.effect.kind,
          text: `${effectWords[f.effect.kind].happened}${sizeText(f)}${f.effect.from ? `, from ${names.get(f.effect.from) ?? ''}` : ''}`,
          lasting: effects[f.effect.kind].lasting,
        })),
    };
  });
}

function settingText(h: Household, way: Way): string {
  if (way.by === 'hand') return `by hand, ${way.temperatureC} °C`;
  const programme = h.washers.find((w) => w.id === way.washer)?.programmes.find((p) => p.id === way.programme);
  return `${programme?.name ?? ''} ${way.temperatureC} °C, ${way.spinRpm} rpm`;
}
function wayText(h: Household, way: Way): string {
  const helpers = way.helpers.map((id) => productOf(h, id)?.name ?? '').filter(Boolean);
  const products = [productOf(h, way.detergent)?.name ?? '', ...helpers].filter(Boolean).join(', ');
  if (way.by === 'hand')
    return `by hand in ${h.basins.find((b) => b.id === way.basin)?.name ?? 'a basin'}, ${way.temperatureC} °C, ${products}`;
  const programme = h.washers.find((w) => w.id === way.washer)?.programmes.find((p) => p.id === way.programme);
  return `${programme?.name ?? ''}, ${way.temperatureC} °C, ${way.spinRpm} rpm, ${products}`;
}
function dryText(h: Household, best: Side, piece: string): string {
  const dry = best.play.drying[piece];
  if (!dry) return '';
  return dry.to === 'dryer'
    ? `; dried in ${h.dryers.find((d) => d.id === dry.dryer)?.name ?? 'the dryer'}`
    : `; dried on ${h.dryingPlaces.find((d) => d.id === dry.place)?.name ?? 'the rack'}`;
}
function markText(best: Side, effect: Difference['fate']['effect']): string {
  const care = best.play.marks[`${effect.piece}/${effect.mark ?? ''}`];
  const procedure = best.outlook.marks.get(`${effect.piece}/${effect.mark ?? ''}`)?.procedure;
  if (!procedure) return '';
  const steps = procedure.steps.filter((s) => s.kind === 'treat' && s.when === 'always').map(stepClause);
  return steps.length > 0 ? ` First: ${steps.join('. ').replace(/\.\./g, '.')}` : care ? '' : ` ${stopText(procedure)}`;
}
function insteadText(known: KnownBasket, best: Side, d: Difference): string {
  const { effect } = d.fate;
  const h = known.request.household;
  const load = best.play.loads.find((l) => l.pieces.includes(effect.piece));
  if (!load) {
    const aside = best.play.aside[effect.piece];
    return aside
      ? `The best plan: ${asideNames[aside].toLowerCase()}.`
      : 'The best plan tests its colour before any water.';
  }
  const number = best.play.loads.indexOf(load) + 1;
  const alone = load.pieces.length === 1 ? ', alone' : '';
  return `The best plan: load ${number}${alone}, ${settingText(h, load.way)}${dryText(h, best, effect.piece)}.${effect.mark === null ? '' : markText(best, effect)}`;
}

function rowsOf(h: Household, a: Assessment): OutcomeView['rows'] {
  const row = (name: string, of: (x: Account) => string): OutcomeView['rows'][number] => ({
    name,
    values: [of(a.you.account), of(a.best.account), of(a.beginner.account)],
  });
  const score = (s: Side): string => String(Math.round(s.score));
  return [
    { name: 'Score', values: [score(a.you), score(a.best), score(a.beginner)] },
    row('Likely harm', (x) => fullCents(x.damageEur, h)),
    row('Pieces and marks not clean', (x) => x.unclean.toFixed(1)),
    row('Runs', (x) => String(x.loads)),
    row('Energy and water', (x) => fullCents(x.moneyEur, h)),
    row('That is', (x) => `${x.kwh.toFixed(1)} kWh, ${Math.round(x.litres)} l`),
    row('Your hands', (x) => durationText(x.handsMin)),
    row('Until all is dry', (x) => durationText(x.hours * 60)),
  ];
}

function endedView(
  a: Assessment,
  names: ReadonlyMap<string, string>,
  poisonCentre: string | null,
): OutcomeView['ended'] {
  const fault = a.ended;
  if (!fault) return null;
  const [forms, text] = [hazardForms[fault.hazard], hazardWords[fault.hazard]];
  const met = fault.agents.map((x) => agentNames[x].toLowerCase());
  const where = fault.pieces.map((p) => names.get(p) ?? '').join(', ');
  return {
    title: met.length > 0 ? `${met.join(' and ')} met` : `Fire: ${where}`,
    would: met.length > 0 ? `It forms ${forms}. In a small room that is enough to hurt you.` : `This makes ${forms}.`,
    now: withPoisonCentre(`${text} ${safetyWords[fault.line]}`, poisonCentre),
    call: withPoisonCentre(
      fault.hazard === 'haz-fire'
        ? 'If anything burns or smokes: out of the room, door shut, the emergency number. The fire service takes what is soaked.'
        : 'Breathing is hard, eyes burn: the emergency number. To ask: the poison centre.',
      poisonCentre,
    ),
  };
}

export function outcomeView(round: PracticeRound, poisonCentre: string | null): OutcomeView {
  const known = knownBasket(round.basket);
  const a = assessRound(known.request, round);
  const h = known.request.household;
  const names = new Map(known.hamper.garments.map((g) => [g.id, g.name] as const));
  const refs = new Map(
    known.hamper.garments.map((g) => [g.id, { id: g.id, name: g.name, cloth: clothOfDocument(g) }] as const),
  );
  const at = practiceBaskets.findIndex((b) => b.id === round.basket);
  const next = at >= 0 ? practiceBaskets[at + 1] : practiceBaskets[0];
  return {
    id: round.id,
    basket: round.basket,
    title: known.basket.title,
    who: round.person,
    score: a.you.score,
    verdict: verdictWords[verdictOf(a)],
    hints: round.hints,
    ended: endedView(a, names, poisonCentre),
    cameOut: a.ended ? [] : cameOut(known, a.you, names),
    rows: rowsOf(h, a),
    measures: measures.map((id) => ({ id, name: measureNames[id], value: a.measures[id] })),
    differences: differenceViews(known, a, names),
    remarks: a.remarks.map(textOf),
    skills: skills.map((id) => ({ id, name: skillNames[id], value: a.skills[id] })),
    best: a.best.play.loads.map((l, i) => ({
      title: `${i + 1}. ${wayText(h, l.way)}`,
      pieces: l.pieces.flatMap((p) => refs.get(p) ?? []),
    })),
    bestAside: Object.entries(a.best.play.aside).map(
      ([p, x]) => `${names.get(p) ?? ''}: ${asideNames[x].toLowerCase()}`,
    ),
    next: next ? { id: next.id, title: next.title } : null,
  };
}

const sentence = (text: string): string =>
  `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`;
/** Differences of one kind with one reason are one remark; what the best plan does is said once for pieces that it treats alike. */
function differenceViews(known: KnownBasket, a: Assessment, names: ReadonlyMap<string, string>): DifferenceView[] {
  const groups = new Map<string, DifferenceView>();
  for (const d of a.differences) {
    const { effect, happened } = d.fate;
    const words = effectWords[effect.kind];
    const why = d.reason ? sentence(textOf(d.reason)) : '';
    const key = `${effect.kind}/${why}`;
    const garment = known.hamper.garments.find((g) => g.id === effect.piece);
    if (!garment) continue;
    const mark = known.request.garments.find((g) => g.id === effect.piece)?.stains.find((s) => s.id === effect.mark);
    const from = effect.from === null ? '' : ` from ${names.get(effect.from) ?? ''}`;
    const group = groups.get(key) ?? {
      key,
      skill: skillNames[effect.skill],
      title: words.title,
      lasting: effects[effect.kind].lasting,
      why,
      rule: words.rule,
      pieces: [],
    };
    const instead = insteadText(known, a.best, d);
    group.pieces.push({
      id: effect.piece,
      name: garment.name,
      cloth: clothOfDocument(garment),
      what: `${happened ? `${words.happened}${sizeText(d.fate)}` : 'luck held'}${mark ? `, ${stainNames[mark.kind].toLowerCase()}` : ''}${from}`,
      odds: `${oddsText(effect.odds)}${d.bestOdds > 0.01 ? `; ${oddsText(d.bestOdds)} in the best plan` : ''}`,
      happened,
      instead,
    });
    groups.set(key, group);
  }
  return [...groups.values()];
}

/** One thing to think of, without its answer: the worst that the play risks so far. */
export function hintOf(round: PracticeRound): string {
  const known = knownBasket(round.basket);
  const a = assessRound(known.request, round);
  if (a.ended)
    return 'Stop and think: something here is dangerous. Two things must never meet, or something must never get warm.';
  const [worst] = a.differences;
  if (!worst) {
    const [remark] = a.remarks;
    return remark ? textOf(remark) : 'Nothing to say: this is as good as it gets.';
  }
  const name = known.hamper.garments.find((g) => g.id === worst.fate.effect.piece)?.name ?? '';
  return `${name}: ${effectWords[worst.fate.effect.kind].rule}`;
}
