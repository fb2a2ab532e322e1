/** One thing worth learning on a wash day, chosen from what this household really has, and first from what somebody is unsure about. */
import { kindFacts } from '../garment/kinds.ts';
import { isDenim, isTowel, type Profile } from '../piece/profile.ts';
import type { Skill } from './effects.ts';

export const lessonIds = [
  'wool-felts',
  'silk-enzymes',
  'new-colours',
  'dark-inside-out',
  'indigo-runs',
  'protein-cold',
  'heat-sets-marks',
  'nets-and-hooks',
  'towels-no-softener',
  'kitchen-apart',
  'sport-quick',
  'no-label',
  'flat-to-dry',
  'full-drum',
  'fuel-outdoors',
] as const;
export type LessonId = (typeof lessonIds)[number];

interface LessonFacts {
  skill: Skill;
  /** The pieces it is about; none of them = not today. */
  about: (p: Profile) => boolean;
  /** The basket to practise it on. */
  basket: string;
}
const dark: readonly string[] = ['dark', 'black'];
// prettier-ignore
export const lessons: Readonly<Record<LessonId, LessonFacts>> = {
  'wool-felts':         { skill: 'fibres',  basket: 'wool-in-the-pile',        about: (p) => p.isWool },
  'silk-enzymes':       { skill: 'fibres',  basket: 'silk-that-nobody-dared',  about: (p) => p.isSilk },
  'new-colours':        { skill: 'dye',     basket: 'one-new-red',             about: (p) => p.history.untested && p.history.strongColour },
  'dark-inside-out':    { skill: 'dye',     basket: 'heap-of-darks',           about: (p) => dark.includes(p.history.colour.class) && p.garment.use === 'clothes' },
  'indigo-runs':        { skill: 'dye',     basket: 'raw-denim',               about: (p) => isDenim(p.garment) },
  'protein-cold':       { skill: 'marks',   basket: 'blood-on-the-sheet',      about: (p) => p.garment.stains.length > 0 },
  'heat-sets-marks':    { skill: 'marks',   basket: 'mark-before-the-dryer',   about: (p) => p.garment.stains.length > 0 },
  'nets-and-hooks':     { skill: 'labels',  basket: 'bras-and-zips',           about: (p) => p.garment.traits.has('hooks') || p.garment.traits.has('underwire') },
  'towels-no-softener': { skill: 'loads',   basket: 'towels-and-shirts',       about: (p) => isTowel(p.garment) },
  'kitchen-apart':      { skill: 'loads',   basket: 'three-runs-or-two',       about: (p) => p.garment.use === 'kitchen' },
  'sport-quick':        { skill: 'drying',  basket: 'gym-bag',                 about: (p) => p.isSport },
  'no-label':           { skill: 'labels',  basket: 'label-cut-off',           about: (p) => p.garment.label === null },
  'flat-to-dry':        { skill: 'drying',  basket: 'the-dryer-is-free',       about: (p) => p.isWool && kindFacts(p.garment.kind).layout.startsWith('flat') },
  'full-drum':          { skill: 'loads',   basket: 'too-small-a-load',        about: () => true },
  'fuel-outdoors':      { skill: 'safety',  basket: 'fuel',                    about: (p) => p.contamination === 'fuel' },
};

export interface Lesson {
  id: LessonId;
  skill: Skill;
  basket: string;
  /** Ids of the pieces it is about, the most telling few. */
  pieces: string[];
}
const named = 3;
/** Below this a skill is unsure. */
export const unsureBelow = 60;

/**
 * The lesson of a day: another every day, among those the pieces speak of; those of unsure skills first; a danger before all.
 * @param day - any number that counts days
 * @returns null where there is no piece at all
 */
export function lessonOfDay(
  pieces: readonly Profile[],
  day: number,
  sure: Readonly<Partial<Record<Skill, number | null>>> = {},
): Lesson | null {
  const fit = lessonIds.flatMap((id): Lesson[] => {
    const { about, skill, basket } = lessons[id];
    const found = pieces.filter(about).map((p) => p.garment.id);
    return found.length > 0 ? [{ id, skill, basket, pieces: found.slice(0, named) }] : [];
  });
  const danger = fit.filter((l) => l.skill === 'safety');
  const unsure = fit.filter((l) => (sure[l.skill] ?? 100) < unsureBelow);
  const among = danger.length > 0 ? danger : unsure.length > 0 ? unsure : fit;
  return among[((day % among.length) + among.length) % Math.max(1, among.length)] ?? null;
}
