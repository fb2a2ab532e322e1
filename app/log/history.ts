/** Events in words. */
import { freshenEndWords, freshenWords } from '@words/en/rack.ts';
import type { EventData, EventKind } from '@data/schema.ts';
import { stains, type StainKind } from '@core/stain/stains.ts';
import { testVerdict } from '@core/colour/bleed.ts';
import { agents, type AgentId } from '@core/chemistry/agents.ts';
import { tools, type ToolId } from '@core/chemistry/tools.ts';
import { placeWords } from '@words/en/garment.ts';
import { briefName } from '@words/en/names.ts';
import { agentNames, stainNames, toolNames } from '@words/en/things.ts';
import { money, plural } from '../shared/words.ts';

const verdictWords = { clear: 'clear', trace: 'a trace of colour', strong: 'strong colour' } as const;
const testWords = { spot: 'Spot test', part: 'Part test', catcher: 'Catcher' } as const;

const stepName = (id: string): string =>
  briefName(id in agents ? agentNames[id as AgentId] : id in tools ? toolNames[id as ToolId] : id.replace(/-/g, ' '));

/** `currency` = the code in which the household pays. */
export function eventText(kind: EventKind, data: EventData, currency: string): string {
  switch (kind) {
    case 'worn':
      return data.count && data.count > 1 ? `Worn ${data.count} times` : 'Worn';
    case 'aired':
      return data.freshened
        ? `${freshenWords[data.freshened.way]}: ${freshenEndWords[data.freshened.end].toLowerCase()}`
        : 'Aired or cared for';
    case 'washed':
      return data.count && data.count > 1
        ? `Washed ${plural(data.count, 'time')}${data.note ? `, ${data.note}` : ''}`
        : `Washed${data.temperatureC ? ` at ${data.temperatureC} °C` : ''}${data.programme ? `, ${data.programme.replace(/-/g, ' ')}` : ''}`;
    case 'tested':
    case 'read':
      return data.test
        ? `${testWords[data.test.kind]}${data.test.agent ? ` with ${stepName(data.test.agent)}` : ''}: ${verdictWords[testVerdict(data.test.grade)]} (grade ${data.test.grade})`
        : 'Tested';
    case 'measured':
      return data.measure
        ? `${placeWords[data.measure.place].name}: ${Math.round(data.measure.cm * 10) / 10} cm`
        : data.size === 'kept'
          ? 'Measured: size as before'
          : data.size
            ? 'Measured: size changed'
            : 'Measured';
    case 'stained':
      return data.note ? `Stained: ${data.note}` : 'Stained';
    case 'treated':
      return data.stain
        ? `${data.stain.kind in stains ? stainNames[data.stain.kind as StainKind] : data.stain.kind}: ${data.stain.result === 'gone' ? 'gone' : data.stain.result === 'lighter' ? 'lighter' : data.stain.result === 'stopped' ? 'treatment stopped' : 'still there'}`
        : data.step
          ? `${data.step.stain in stains ? stainNames[data.step.stain as StainKind] : data.step.stain}: ${stepName(data.step.agent)}, ${data.step.minutes} min, ${data.step.result === 'passed' ? 'check passed' : 'check not passed'}`
          : (data.note ?? 'Treated');
    case 'dried':
      return data.drying ? `Dry after ${plural(Math.round(data.drying.hours), 'hour')}` : 'Dry';
    case 'mended':
      return data.note ? `Mended: ${data.note}` : 'Mended';
    case 'cleaned':
      return `Cleaned by a professional${data.cleaned ? `, ${money(data.cleaned.cost, currency)}${data.cleaned.worthIt === null ? '' : data.cleaned.worthIt ? ', worth it' : ', not worth it'}` : ''}${data.note ? `: ${data.note}` : ''}`;
    case 'noted':
      return data.mend ? `To mend: ${data.mend}` : (data.note ?? 'Noted');
  }
}
