/** What pages of practice share: a round with its basket as core knows it, and the comparison at its end. */
import { assess, fairLuck, type Assessment } from '@core/practice/assess.ts';
import type { PlanRequest } from '@core/plan/plan.ts';
import { readHamperValue, type HamperDocument } from '@formats/hamper.ts';
import { hamperOfBasket, type PracticeBasket } from '@data/practice/basket.ts';
import { findBasket } from '@data/practice/endless.ts';
import type { PracticeRound } from '@data/practice.ts';
import type { PracticeScores } from '@data/schema.ts';
import { notFound } from '../server/request.server.ts';

export interface KnownBasket {
  basket: PracticeBasket;
  hamper: HamperDocument;
  request: PlanRequest;
}
/** @throws 404 where there is no such basket */
export function knownBasket(id: string): KnownBasket {
  const basket = findBasket(id);
  if (!basket) throw notFound('There is no such basket to practise on.');
  const read = readHamperValue(hamperOfBasket(basket));
  // The baskets are our own, and tested.
  if (!read.ok) throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join('\n'));
  return { basket, hamper: read.value.document, request: read.value.request };
}
const mostSeed = 1_000_000;
/** Luck for a new round: other than that of the rounds before. */
export const luckFor = (request: PlanRequest, now: Date): number => fairLuck(request, now.getTime() % mostSeed);

export const assessRound = (request: PlanRequest, round: Pick<PracticeRound, 'play' | 'luck'>): Assessment =>
  assess(request, round.play, round.luck);

export const scoresOf = (a: Assessment, hints: number): PracticeScores => ({
  score: a.you.score,
  measures: a.measures,
  skills: a.skills,
  ended: a.ended !== null,
  hints,
});
