/** A label as symbols with words. */
import type { CareLabel } from '@core/care-label/label.ts';
import type { SymbolPart } from '../ui/care-symbols.tsx';

export interface SymbolView {
  part: SymbolPart;
  value: string;
  words: string;
}
const actions = { normal: '', mild: ', mild', 'very-mild': ', very mild' } as const;

export function symbolsOf(label: CareLabel): SymbolView[] {
  const { wash, bleach, tumble, iron, dry, dryClean } = label;
  const out: SymbolView[] = [];
  if (wash)
    out.push({
      part: 'wash',
      value: wash.by === 'machine' ? `machine ${wash.maxC} ${wash.action}` : wash.by,
      words:
        wash.by === 'machine'
          ? `Up to ${wash.maxC} °C${actions[wash.action]}`
          : wash.by === 'hand'
            ? `By hand, up to ${wash.maxC} °C`
            : 'Not in water',
    });
  if (bleach)
    out.push({
      part: 'bleach',
      value: bleach,
      words: { any: 'Any bleach', oxygen: 'Oxygen bleach only', none: 'No bleach' }[bleach],
    });
  if (tumble)
    out.push({
      part: 'tumble',
      value: tumble,
      words: { normal: 'Dryer, normal', low: 'Dryer, low', none: 'No dryer' }[tumble],
    });
  if (dry)
    out.push({ part: 'dry', value: dry.position, words: dry.position === 'flat' ? 'Dry flat' : 'Dry on a line' });
  if (iron)
    out.push({
      part: 'iron',
      value: iron,
      words: { high: 'Hot iron', medium: 'Medium iron', low: 'Cool iron', none: 'No iron' }[iron],
    });
  if (dryClean)
    out.push({
      part: 'dryClean',
      value: dryClean,
      words:
        dryClean === 'none'
          ? 'No dry cleaning'
          : `Dry clean ${dryClean.replace('any', 'in any solvent').replace('-mild', ', mild')}`,
    });
  return out;
}
