/** Movement of a programme as felting and relaxation feel it. */
import type { Programme } from '../model/household.ts';
import type { Agitation } from './shrinkage.ts';

export function agitationOf(p: Programme): Agitation {
  if (p.family === 'wool') return 'wool-programme';
  switch (p.action) {
    case 'normal':
      return 'cotton';
    case 'mild':
      return 'synthetics';
    case 'very-mild':
      return 'delicate';
    case 'hand':
    case 'none':
      return 'hand-wash';
  }
}
