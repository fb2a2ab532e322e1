/** Where a group of fibres has a list of its own, which the rules of agents do not give. */
import { acetateColumns, hasAny, proteinColumns, type Cloth } from '../chemistry/cloth.ts';
import type { Stain } from '../model/garment.ts';
import type { StopCode } from './actions.ts';
import { stainSteps, type StainStep } from './steps.ts';

/** The stain's list with what is known to differ on a group of fibres beyond the rules: shorter lists, more repeats. Pairs of number and step. */
export function listFor(
  stain: Stain,
  cloth: Cloth,
): { list: [number, StainStep][]; stopAfter: StopCode | null; stopText: string } {
  const all = stainSteps[stain.kind].map((s, i): [number, StainStep] => [i + 1, s]);
  const protein = hasAny(cloth, proteinColumns);
  const acetate = hasAny(cloth, acetateColumns);
  const melts = hasAny(cloth, [...acetateColumns, 'polyester', 'nylon', 'acrylic', 'elastane', 'elastic-trim']);
  const first = (n: number): [number, StainStep][] => all.slice(0, n);
  const then = (list: [number, StainStep][], stopAfter: StopCode | null, stopText = '') => ({
    list,
    stopAfter,
    stopText,
  });
  switch (stain.kind) {
    case 'nail-polish':
      if (acetate) return then([], 'stop-pro', 'Acetone dissolves this fibre.');
      break;
    case 'glue-instant':
      if (acetate) return then(first(2), 'stop-pro', 'Acetone dissolves this fibre.');
      break;
    case 'paint-oil':
      if (acetate) return then(first(1), 'stop-pro', 'Solvents harm this fibre.');
      break;
    case 'fuel-diesel':
      if (protein) return then(first(1), 'stop-pro', 'Wool and silk hold fuel.');
      break;
    case 'age-yellowing':
      if (protein)
        return then(
          [all[0], all[1]]
            .flatMap((x) => (x ? [x] : []))
            .map(([n, s]) => [n, n === 1 ? { ...s, repeats: 1 } : { ...s, temperatureC: [20, 30] as const }]),
          'stop-pro',
          'Bleach would harm this fibre.',
        );
      break;
    case 'greyed-whites':
      if (protein) return then(all.slice(2), null);
      break;
    case 'mildew':
      if (protein) return then(first(1), 'stop-pro', 'Mildew in wool or silk is no work for home.');
      break;
    case 'scorch':
      if (acetate || hasAny(cloth, ['elastane']))
        return then(first(1), protein ? 'stop-pro' : acetate ? 'stop-permanent' : 'stop-pro');
      if (protein) return then(first(1), 'stop-pro', 'Scorched wool and silk are no work for home.');
      if (melts) return then(first(2), 'stop-permanent', 'Where it is glossy or melted, nothing helps.');
      break;
    case 'underarm-yellow':
      if (cloth.columns.has('silk')) return then(first(3), 'stop-pro', 'Silk bears no bleach here.');
      break;
    case 'blood-dried':
      if (protein)
        return then(
          all.map(([n, s]) => [n, n === 1 ? { ...s, repeats: 3, minutes: [10, 20] as const } : s]),
          null,
        );
      break;
    default:
      break;
  }
  return then(all, null);
}
