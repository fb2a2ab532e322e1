/** The door to practice: baskets by difficulty, today's, what each person has learnt so far. */
import { skills, type Skill } from '@core/practice/effects.ts';
import { practiceBaskets } from '@data/practice/baskets.ts';
import { garmentOfPiece, type PracticeBasket } from '@data/practice/basket.ts';
import { basketOfDay } from '@data/practice/endless.ts';
import { endedRounds, openRounds, type PracticeRound } from '@data/practice.ts';
import { readHousehold } from '@data/household.ts';
import { levelNames, skillNames } from '@words/en/practice.ts';
import { clothOfDocument } from '../shared/cloth.ts';
import { dayOf } from '@formats/dates.ts';
import type { ClothView } from '../ui/fold.tsx';
import type { Scope } from '../server/request.server.ts';

export interface BasketCard {
  id: string;
  title: string;
  about: string;
  cloths: { id: string; cloth: ClothView }[];
  /** Best score so far; null = not played. */
  best: number | null;
  times: number;
  /** A round that waits. */
  open: string | null;
}
export interface SkillView {
  id: Skill;
  name: string;
  /** Mean of the last rounds that asked for it, 0–100. */
  now: number | null;
  /** Oldest first. */
  course: number[];
}
export interface PracticeView {
  people: string[];
  who: string;
  today: BasketCard;
  levels: { level: number; title: string; cards: BasketCard[] }[];
  skills: SkillView[];
  /** The first basket not played yet, the easiest; null = all played. */
  next: string | null;
  played: number;
}

/** A skill is what its last rounds say. */
const lastRounds = 5;
const shownRounds = 20;

export const whoPlays = (people: readonly string[], asked: string | null): string =>
  people.find((p) => p === asked) ?? people[0] ?? '';

function card(b: PracticeBasket, ended: readonly PracticeRound[], open: readonly PracticeRound[]): BasketCard {
  const rounds = ended.filter((r) => r.basket === b.id);
  return {
    id: b.id,
    title: b.title,
    about: b.about,
    cloths: b.pieces.map((p, i) => ({ id: `p${i + 1}`, cloth: clothOfDocument(garmentOfPiece(p, i, b.place)) })),
    best: rounds.length > 0 ? Math.max(...rounds.map((r) => r.scores?.score ?? 0)) : null,
    times: rounds.length,
    open: open.find((r) => r.basket === b.id)?.id ?? null,
  };
}
const mean = (xs: readonly number[]): number => xs.reduce((t, x) => t + x, 0) / xs.length;

export function skillViews(ended: readonly PracticeRound[]): SkillView[] {
  return skills.map((id): SkillView => {
    const course = ended.flatMap((r) => r.scores?.skills[id] ?? []).slice(0, shownRounds);
    const last = course.slice(0, lastRounds);
    return { id, name: skillNames[id], now: last.length > 0 ? mean(last) : null, course: [...course].reverse() };
  });
}

export async function practiceView({ tx, now }: Scope, asked: string | null): Promise<PracticeView> {
  const home = await readHousehold(tx);
  const people = home?.people ?? [];
  const who = whoPlays(people, asked);
  const ended = await endedRounds(tx, who);
  const open = await openRounds(tx, who);
  const levels = [1, 2, 3, 4, 5] as const;
  return {
    people,
    who,
    today: card(basketOfDay(dayOf(now, home?.timeZone ?? 'UTC')), ended, open),
    levels: levels.map((level) => ({
      level,
      title: levelNames[level],
      cards: practiceBaskets.filter((b) => b.level === level).map((b) => card(b, ended, open)),
    })),
    skills: skillViews(ended),
    next: practiceBaskets.find((b) => !ended.some((r) => r.basket === b.id))?.id ?? null,
    played: ended.length,
  };
}
