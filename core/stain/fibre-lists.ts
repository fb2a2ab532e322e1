/** Where a group of fibres has a list of its own, which the rules of agents do not give. */
import { acetateColumns, hasAny, proteinColumns, type Cloth } from '../chemistry/cloth.ts';
import { say, type Message } from '../message/message.ts';
import type { Stain } from '../model/garment.ts';
import type { StopCode } from './actions.ts';
import { stainSteps, type StainStep } from './steps.ts';

/** The stain's list with what is known to differ on a group of fibres beyond the rules: shorter lists, more repeats. Pairs of number and step. */
export function listFor(
  stain: Stain,
  cloth: Cloth,
): { list: [number, StainStep][]; stopAfter: StopCode | null; stopBecause: Message | null } {
  const all = stainSteps[stain.kind].map((s, i): [number, StainStep] => [i + 1, s]);
  const protein = hasAny(cloth, proteinColumns);
  const acetate = hasAny(cloth, acetateColumns);
  const melts = hasAny(cloth, [...acetateColumns, 'polyester', 'nylon', 'acrylic', 'elastane', 'elastic-trim']);
  const first = (n: number): [number, StainStep][] => all.slice(0, n);
  const then = (list: [number, StainStep][], stopAfter: StopCode | null, stopBecause: Message | null = null) => ({
    list,
    stopAfter,
    stopBecause,
  });
  switch (stain.kind) {
    case 'nail-polish':
      if (acetate) return then([], 'stop-pro', say('stop.acetone'));
      break;
    case 'glue-instant':
      if (acetate) return then(first(2), 'stop-pro', say('stop.acetone'));
      break;
    case 'paint-oil':
      if (acetate) return then(first(1), 'stop-pro', say('stop.solvents'));
      break;
    case 'fuel-diesel':
      if (protein) return then(first(1), 'stop-pro', say('stop.holds-fuel'));
      break;
    case 'age-yellowing':
      if (protein)
        return then(
          [all[0], all[1]]
            .flatMap((x) => (x ? [x] : []))
            .map(([n, s]) => [n, n === 1 ? { ...s, repeats: 1 } : { ...s, temperatureC: [20, 30] as const }]),
          'stop-pro',
          say('stop.bleach-harms'),
        );
      break;
    case 'greyed-whites':
      if (protein) return then(all.slice(2), null);
      break;
    case 'mildew':
      if (protein) return then(first(1), 'stop-pro', say('stop.mildew-protein'));
      break;
    case 'scorch':
      if (acetate || hasAny(cloth, ['elastane']))
        return then(first(1), protein ? 'stop-pro' : acetate ? 'stop-permanent' : 'stop-pro');
      if (protein) return then(first(1), 'stop-pro', say('stop.scorch-protein'));
      if (melts) return then(first(2), 'stop-permanent', say('stop.glossy'));
      break;
    case 'underarm-yellow':
      if (cloth.columns.has('silk')) return then(first(3), 'stop-pro', say('stop.silk-bleach'));
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
