/**
 * The last look: what is looked at when a load comes out, what matters for this load first, and what follows from each answer. Pure: which questions
 * there are is told from the load; what became of them is kept by the household.
 */
import { say, type Message } from '../message/message.ts';
import type { Profile } from '../piece/profile.ts';
import { mayChangeSize } from '../piece/care-steps.ts';
import { overdoseRinses } from '../washing/dose.ts';
import type { HouseRules } from '../model/household.ts';
import type { StainKind } from '../stain/stains.ts';

/**
 * wet = now, as it comes out; dry = once it is dry. alone = answered by itself, never together with the rest: what heat would set or what only a tape
 * can tell. weight = how much it matters as a rule; what speaks for it in this load is added in `looksOf`.
 */
interface LookFacts {
  when: 'wet' | 'dry';
  alone: boolean;
  which: boolean;
  weight: number;
  /** The good answer first. */
  answers: readonly [string, ...string[]];
}
export const lookFacts = {
  catcher: { when: 'wet', alone: true, which: false, weight: 20, answers: ['clear', 'trace', 'strong'] },
  dye: { when: 'wet', alone: false, which: true, weight: 5, answers: ['none', 'tinted'] },
  mark: { when: 'wet', alone: true, which: false, weight: 15, answers: ['gone', 'lighter', 'same'] },
  size: { when: 'wet', alone: true, which: false, weight: 12, answers: ['kept', 'changed'] },
  control: { when: 'wet', alone: false, which: true, weight: 9, answers: ['same', 'faded'] },
  clean: { when: 'wet', alone: false, which: true, weight: 3, answers: ['clean', 'not-clean'] },
  residue: { when: 'wet', alone: false, which: false, weight: 2, answers: ['none', 'left'] },
  smell: { when: 'wet', alone: false, which: true, weight: 2, answers: ['fresh', 'smells'] },
  damage: { when: 'wet', alone: false, which: true, weight: 1, answers: ['none', 'damaged'] },
  'mark-dry': { when: 'dry', alone: true, which: false, weight: 15, answers: ['gone', 'lighter', 'same'] },
} as const satisfies Record<string, LookFacts>;
export type LookKind = keyof typeof lookFacts;
export const lookKinds = Object.keys(lookFacts) as LookKind[];
export type LookAnswer<K extends LookKind = LookKind> = (typeof lookFacts)[K]['answers'][number];
export const isGood = (kind: LookKind, answer: string): boolean => lookFacts[kind].answers[0] === answer;
export const isAnswer = (kind: LookKind, answer: string): boolean =>
  (lookFacts[kind].answers as readonly string[]).includes(answer);

/** Questions are asked for so many days; then nobody knows any more. */
export const askedForDays = 14;
/** Whether a look can be answered now: what is asked of dry cloth waits until somebody has felt each piece dry. */
export const canBeAnswered = (look: Pick<Look, 'kind' | 'pieces'>, stillWet: ReadonlySet<string>): boolean =>
  lookFacts[look.kind].when === 'wet' || !look.pieces.some((p) => stillWet.has(p));

export interface Look {
  /** `mark/garment/stain`, `size/garment`, else the kind: stable, so that an answer finds its question. */
  id: string;
  kind: LookKind;
  /** Whom it is about. */
  pieces: readonly string[];
  stain: { id: string; kind: StainKind } | null;
}
export interface InspectedLoad {
  pieces: readonly Profile[];
  /** A colour catcher was in the drum. */
  catcher: boolean;
  byHand: boolean;
  /** Soap, or a house whose skin asks for care: what stays in the cloth matters more. */
  carefulRinse: boolean;
  /** Pieces of which a part was kept dry. */
  withControl: ReadonlySet<string>;
}

const runs = (p: Profile): boolean => p.history.knownBleeder || (p.history.untested && p.history.strongColour);
const speaks = (kind: LookKind, load: InspectedLoad): number => {
  const { pieces } = load;
  switch (kind) {
    case 'dye':
      return pieces.some(runs) && pieces.length > 1 ? 13 : 0;
    case 'clean':
      return pieces.some((p) => p.garment.soil === 'heavy') ? 5 : 0;
    case 'residue':
      return (load.byHand ? 4 : 0) + (load.carefulRinse ? 4 : 0);
    case 'smell':
      return pieces.some((p) => p.garment.odour) ? 8 : 0;
    case 'damage':
      return pieces.some((p) => p.garment.traits.has('lace') || p.garment.traits.has('beads')) ? 3 : 0;
    default:
      return 0;
  }
};

/**
 * The questions of one load, what matters for it first. `mark-dry` questions are not among them: they come from marks that nobody saw wet.
 * @example looksOf(load).map((l) => l.id) // ['catcher', 'mark/g3/s1', 'size/g4', 'residue', …]
 */
export function looksOf(load: InspectedLoad): Look[] {
  const { pieces } = load;
  const all = pieces.map((p) => p.garment.id);
  const out: Look[] = [];
  const ask = (kind: LookKind, of: readonly string[] = all): number =>
    out.push({ id: kind, kind, pieces: of, stain: null });
  if (load.catcher) ask('catcher');
  const colours = pieces.some((p) => p.history.dye !== null);
  if (colours && pieces.length > 1) ask('dye');
  for (const p of pieces)
    for (const s of p.garment.stains)
      out.push({
        id: `mark/${p.garment.id}/${s.id}`,
        kind: 'mark',
        pieces: [p.garment.id],
        stain: { id: s.id, kind: s.kind },
      });
  for (const p of pieces)
    if (mayChangeSize(p)) out.push({ id: `size/${p.garment.id}`, kind: 'size', pieces: [p.garment.id], stain: null });
  const controlled = all.filter((id) => load.withControl.has(id));
  if (controlled.length > 0) ask('control', controlled);
  for (const kind of ['clean', 'residue', 'smell', 'damage'] as const) ask(kind);
  const weight = (l: Look): number => lookFacts[l.kind].weight + speaks(l.kind, load);
  return out
    .map((look, i) => ({ look, i }))
    .sort((a, b) => weight(b.look) - weight(a.look) || a.i - b.i)
    .map(({ look }) => look);
}
/** A mark that nobody saw wet is looked at again when the cloth is dry: wet cloth hides what is left. */
export const dryLookOf = (mark: Look): Look => ({
  ...mark,
  id: `mark-dry${mark.id.slice('mark'.length)}`,
  kind: 'mark-dry',
});

const leavesResidue: readonly string[] = ['soap', 'own-soap'];
/** Where what stays in the cloth matters more: after soap, and in a house whose skin asks for care. */
export const rinseMatters = (skin: HouseRules['skin'], detergentClass: string | null): boolean =>
  skin === 'careful' || leavesResidue.includes(detergentClass ?? '');
/** Baths of a machine run: the wash and two rinses. */
const machineBaths = 3;
/** Water of one rinse, l: the baths of a run share its water. */
export const rinseLitres = (waterL: number, byHand: boolean, rinses: number): number =>
  Math.max(1, waterL / (byHand ? 1 + rinses : machineBaths));

export const remedies = [
  'rescue',
  'watch',
  'treat',
  'wash-again',
  'rinse-again',
  'freshen',
  'mend',
  'shape',
  'colder',
] as const;
export interface Remedy {
  is: (typeof remedies)[number];
  message: Message;
}
/** Overdose that residue on the cloth speaks of, where nobody measured it. */
const overdoseSeen = 1.5;
const carryBetweenRinses = 1;

/** What follows from a bad answer; null = nothing to do. `rinseL`: water of one rinse of this load. */
export function remedyOf(
  kind: LookKind,
  answer: string,
  load: { massKg: number; rinseL: number; temperatureC: number },
): Remedy | null {
  if (isGood(kind, answer)) return null;
  switch (kind) {
    case 'catcher':
      return answer === 'strong'
        ? { is: 'rescue', message: say('look.catcher-strong') }
        : { is: 'watch', message: say('look.catcher-trace') };
    case 'dye':
      return { is: 'rescue', message: say('look.tinted') };
    case 'mark':
    case 'mark-dry':
      return { is: 'treat', message: answer === 'lighter' ? say('look.mark-lighter') : say('look.mark-same') };
    case 'clean':
      return { is: 'wash-again', message: say('look.not-clean') };
    case 'residue':
      return {
        is: 'rinse-again',
        message: say('look.residue', {
          count: Math.max(1, overdoseRinses(overdoseSeen, load.massKg, carryBetweenRinses, load.rinseL)),
        }),
      };
    case 'smell':
      return { is: 'freshen', message: say('look.smells') };
    case 'damage':
      return { is: 'mend', message: say('look.damaged') };
    case 'size':
      return { is: 'shape', message: say('look.size') };
    case 'control':
      return { is: 'colder', message: say('look.faded', { celsius: load.temperatureC }) };
  }
}
