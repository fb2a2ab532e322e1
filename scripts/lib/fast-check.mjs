// The same generated cases in every run, so that a red run can be repeated; FC_SEED=random (or a number) looks at others.
import fc from 'fast-check';

const wanted = process.env.FC_SEED ?? '20260509';
fc.configureGlobal({
  ...(wanted === 'random' ? {} : { seed: Number(wanted) }),
  // Mutation testing asks every property thousands of times: as many cases as fit into so many ms.
  ...(process.env.MUTANTS_TESTS === undefined ? {} : { interruptAfterTimeLimit: 150 }),
});
