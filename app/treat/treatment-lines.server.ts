/** What was done to the marks of a piece, a line each, oldest first: for the slip and for the plain list. */
import type { StainKind } from '@core/stain/stains.ts';
import { garmentHistory } from '@data/events.ts';
import type { Scope } from '../server/request.server.ts';
import { clockText, dayAndYear } from '../shared/words.ts';
import { loggedName } from '@words/en/chemistry.ts';
import { stainNames } from '@words/en/things.ts';

export async function treatmentLines(
  tx: Scope['tx'],
  pieceId: string,
  timeZone: string,
): Promise<{ when: string; text: string }[]> {
  const name = (kind: string): string => stainNames[kind as StainKind] ?? kind;
  return (await garmentHistory(tx, pieceId, 200)).reverse().flatMap(({ at, kind, data }) => {
    const line = (text: string) => [{ when: `${dayAndYear(at, timeZone)} ${clockText(at, timeZone)}`, text }];
    if (kind === 'stained' && data.note) return line(`marked: ${data.note}`);
    if (data.step) {
      const { stain, agent, dose, temperatureC, minutes, result } = data.step;
      return line(
        `${name(stain)}: ${loggedName(agent)}${dose ? `, ${dose}` : ''}, ${temperatureC} °C, ${minutes} min: ${result === 'passed' ? 'check passed' : 'check not passed'}`,
      );
    }
    if (kind === 'treated' && data.stain) return line(`${name(data.stain.kind)}: ${data.stain.result}`);
    if (kind === 'tested' && data.test)
      return line(`test with ${loggedName(data.test.agent ?? 'water')}: grade ${data.test.grade}`);
    return [];
  });
}
