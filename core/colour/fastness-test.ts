/** The colourfastness test that a piece needs before its first bath: where, with what, how often, and what is still missing. */
import { hasSignificant, isProtein } from '../fibre/blend.ts';
import type { AgentId } from '../chemistry/agents.ts';
import type { Garment } from '../model/garment.ts';
import { colourHistory, testVerdict } from './bleed.ts';

export interface FastnessTest {
  id: string;
  kind: 'spot' | 'part';
  agent: AgentId;
  title: string;
  how: string;
  done: number;
  needed: number;
}
export interface FastnessPlan {
  /** Why a test is due; null = nothing asks for one. */
  reason: string | null;
  where: string;
  tests: FastnessTest[];
  /** Every needed test is in, and clear. */
  complete: boolean;
}
const press = 'Wet a white cloth, press it on the place for 10 s and rub gently a few times. Let the place dry.';

const labelRefusesWater = ({ label }: Garment): boolean =>
  label?.wash?.by === 'none' || (label?.phrases.includes('dry-clean-only') ?? false);

export function fastnessPlan(g: Garment): FastnessPlan {
  const h = colourHistory(g);
  const detachable = g.traits.has('detachable');
  // Undyed cloth gives no colour, but an heirloom, or a piece whose label says no to water, shows on a hidden place first how it bears it.
  const untriedInWater = g.tests.length === 0 && (g.traits.has('heirloom') || labelRefusesWater(g));
  const reason =
    h.dye === null
      ? untriedInWater
        ? g.traits.has('heirloom')
          ? 'An heirloom is never a first experiment.'
          : 'Its label says no to water.'
        : null
      : h.noWater
        ? 'Its last test bled strongly: only a part test can open a bath again.'
        : h.untested && h.colour.red
          ? 'A red that was never tested.'
          : h.colour.red && g.washCount < 3 && h.newest === 'clear' && h.clearReadings < 2
            ? 'One clear reading of two: reds are tested twice.'
            : h.untested && h.strongColour
              ? 'A strong colour in its first washes.'
              : h.untested && h.colour.contrast
                ? 'Dark trim or print on a light ground.'
                : h.untested && g.label === null
                  ? 'No label, and no test.'
                  : h.knownBleeder
                    ? 'It bled before: two clear tests make it trusted again.'
                    : null;
  const detergent: AgentId = hasSignificant(g.parts, isProtein) ? 'det-wool-silk' : 'det-colour-liquid';
  const clear = (kind: 'spot' | 'part', agent: string): number =>
    g.tests.filter((t) => t.kind === kind && t.agent === agent && testVerdict(t.grade) === 'clear').length;
  const deep =
    h.colour.red ||
    g.dye === 'indigo' ||
    g.dye === 'natural' ||
    ['dark', 'black'].includes(h.colour.class) ||
    g.washCount === 0;
  const undyed = h.dye === null;
  const tests: FastnessTest[] =
    undyed && !g.traits.has('heirloom') && !labelRefusesWater(g)
      ? []
      : [
          {
            id: 'water',
            kind: 'spot',
            agent: 'water',
            title: 'With water',
            how: undyed
              ? `${press} Look for a ring, a stiff or a dull place as well: any of them is not clear.`
              : press,
            done: clear('spot', 'water'),
            needed: h.colour.red || h.knownBleeder ? 2 : 1,
          },
          ...(deep && !undyed
            ? [
                {
                  id: 'detergent',
                  kind: 'spot' as const,
                  agent: detergent,
                  title: 'With a drop of detergent',
                  how: `One drop in a spoon of water, on a place beside the first. ${press}`,
                  done: clear('spot', detergent),
                  needed: 1,
                },
              ]
            : []),
          ...(detachable
            ? [
                {
                  id: 'part',
                  kind: 'part' as const,
                  agent: 'water' as const,
                  title: 'Wash one part by itself',
                  how: 'Take off one part that comes off, put it into a net with a colour catcher, wash it cold; keep its twin back dry to compare.',
                  done: clear('part', 'water'),
                  needed: 1,
                },
              ]
            : []),
        ];
  return {
    reason,
    where: detachable
      ? 'On a tie or belt that comes off, else on an inner seam or the hem.'
      : 'On an inner seam or the hem, where nobody looks; two fabrics or colours are two tests.',
    tests,
    complete: tests.every((t) => t.done >= t.needed),
  };
}
