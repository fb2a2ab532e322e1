/** The beginner’s mode of this browser, and the one thing to learn today. */
import { createCookie } from 'react-router';
import { lessonOfDay } from '@core/practice/lessons.ts';
import { profileOf } from '@core/piece/profile.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { dayOf } from '@formats/dates.ts';
import { currentHamper } from '@data/hamper.ts';
import { readHousehold } from '@data/household.ts';
import { endedRounds } from '@data/practice.ts';
import { lessonWords } from '@words/en/lessons.ts';
import type { Scope } from '../server/request.server.ts';
import { skillViews, whoPlays } from './practice-view.server.ts';

const year = 365 * 86_400;
const cookie = createCookie('learning', { httpOnly: true, sameSite: 'lax', path: '/', maxAge: year });
export async function isLearning(header: string | null | undefined): Promise<boolean> {
  const value: unknown = await cookie.parse(header ?? null).catch(() => null);
  return value === 'on';
}
export const setLearning = (on: boolean): Promise<string> => cookie.serialize(on ? 'on' : 'off');

export interface LessonView {
  title: string;
  text: string;
  /** The pieces of this basket it is about. */
  about: string[];
  basket: string;
}
/** Pages on which the day's lesson stands. */
const wherePages: ReadonlySet<string> = new Set(['/today', '/sort', '/basket']);
export const hasLesson = (pathname: string): boolean => wherePages.has(pathname.replace(/\.data$/, ''));

const dayMs = 86_400_000;
/** Chosen from what is in the basket; null where nothing is. */
export async function lessonView({ tx, now }: Pick<Scope, 'tx' | 'now'>): Promise<LessonView | null> {
  const hamper = await currentHamper(tx, now);
  if (!hamper) return null;
  const home = await readHousehold(tx);
  const { rules } = householdOf(hamper.household);
  const who = whoPlays(home?.people ?? [], null);
  const sure = Object.fromEntries(skillViews(await endedRounds(tx, who, 40)).map((s) => [s.id, s.now]));
  const day = Math.floor(Date.parse(dayOf(now, home?.timeZone ?? 'UTC')) / dayMs);
  const lesson = lessonOfDay(
    hamper.garments.map((g) => profileOf(garmentOf(g), rules)),
    day,
    sure,
  );
  if (!lesson) return null;
  const names = new Map(hamper.garments.map((g) => [g.id, g.name] as const));
  return { ...lessonWords[lesson.id], about: lesson.pieces.map((p) => names.get(p) ?? ''), basket: lesson.basket };
}
