/** Events in words. */
import type { EventData, EventKind } from '@data/schema.ts';
import { stains, type StainKind } from '@core/stain/stains.ts';
import { testVerdict } from '@core/colour/bleed.ts';
import { plural } from './words.ts';

const verdictWords = { clear: 'clear', trace: 'a trace of colour', strong: 'strong colour' } as const;
const testWords = { spot: 'Spot test', part: 'Part test', catcher: 'Catcher' } as const;

export function eventText(kind: EventKind, data: EventData): string {
  switch (kind) {
    case 'worn': return data.count && data.count > 1 ? `Worn ${data.count} times` : 'Worn';
    case 'aired': return 'Aired';
    case 'washed': return data.count && data.count > 1 ? `Washed ${plural(data.count, 'time')}${data.note ? `, ${data.note}` : ''}` : `Washed${data.temperatureC ? ` at ${data.temperatureC} °C` : ''}${data.programme ? `, ${data.programme.replace(/-/g, ' ')}` : ''}`;
    case 'tested': case 'read': return data.test ? `${testWords[data.test.kind]}: ${verdictWords[testVerdict(data.test.grade)]} (grade ${data.test.grade})` : 'Tested';
    case 'measured': return data.size === 'kept' ? 'Measured: size as before' : data.size ? 'Measured: size changed' : 'Measured';
    case 'stained': return 'Stained';
    case 'treated': return data.stain ? `${data.stain.kind in stains ? stains[data.stain.kind as StainKind].name : data.stain.kind}: ${data.stain.result === 'gone' ? 'gone' : 'still there'}` : 'Treated';
    case 'dried': return 'Dried';
    case 'mended': return 'Mended';
    case 'cleaned': return 'Cleaned by a professional';
    case 'noted': return data.note ?? 'Noted';
  }
}
