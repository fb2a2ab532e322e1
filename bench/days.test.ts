/** The published days: every timetable keeps the rules of its document and is within five per cent of the bound. */
import { expect, test } from '@jest/globals';
import { planBasket } from '@core/plan/plan.ts';
import { brokenRules } from '@core/testing/timetable-rules.ts';
import { timetableOf } from '@core/timetable/timetable.ts';
import { readHamperValue } from '@formats/hamper.ts';
import { testDays } from './days.ts';

test.each(testDays())('$name', ({ hamper }) => {
  const read = readHamperValue(hamper);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { household, garments, now } = read.value.request;
  const { loads, garments: planned, warnings } = planBasket(read.value.request);
  const request = { household, garments, now, loads, planned, planWarnings: warnings };
  const t = timetableOf(request);
  expect(brokenRules(t, request)).toEqual([]);
  const { makespanMin, lowerBoundMin } = t.figures;
  expect(makespanMin).toBeLessThanOrEqual(1.05 * lowerBoundMin);
  // A date is missed only where the piece could not be in time by itself.
  const short = t.warnings.flatMap((w) => (w.message.code === 'warn.date-short' ? w.garments : []));
  expect(t.late.map((l) => l.garment)).toEqual(short);
});
