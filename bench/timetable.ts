/** How good and how fast timetables are, on ten published days: makespan against the bound, and the time one takes. */
import { planBasket } from '@core/plan/plan.ts';
import { timetableOf, type TimetableRequest } from '@core/timetable/timetable.ts';
import { readHamperValue } from '@formats/hamper.ts';
import { testDays } from './days.ts';
import { quantile, table } from './table.ts';

const rounds = 7;
const rows = testDays().map(({ name, hamper }) => {
  const read = readHamperValue(hamper);
  if (!read.ok) throw new Error(`${name}: ${JSON.stringify(read.problems)}`);
  const { household, garments, now } = read.value.request;
  const plan = planBasket(read.value.request);
  const request: TimetableRequest = {
    household,
    garments,
    now,
    loads: plan.loads,
    planned: plan.garments,
    planWarnings: plan.warnings,
  };
  let t = timetableOf(request);
  const ms = Array.from({ length: rounds }, () => {
    const begun = performance.now();
    t = timetableOf(request);
    return performance.now() - begun;
  });
  const { makespanMin, lowerBoundMin, interruptions, handsMin } = t.figures;
  return [
    name,
    plan.loads.length,
    t.tasks.length,
    (makespanMin / 60).toFixed(1),
    (lowerBoundMin / 60).toFixed(1),
    `${(100 * (makespanMin / lowerBoundMin - 1)).toFixed(1)} %`,
    interruptions,
    handsMin,
    t.late.length,
    Math.round(quantile(ms, 0.5)),
    Math.round(quantile(ms, 0.95)),
  ];
});
console.log(
  `### The wash day\n\n${table(
    ['day', 'loads', 'tasks', 'ends after, h', 'bound, h', 'above it', 'turns', 'hands, min', 'late', 'ms', '95 %, ms'],
    rows,
  )}`,
);
