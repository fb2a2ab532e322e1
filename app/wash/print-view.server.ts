/** The ticket on paper: what fits one page, with the care symbols of what sets its limits. */
import { garmentOf } from '@formats/hamper.ts';
import type { LoadView } from '@data/loads.ts';
import { symbolsOf, type SymbolView } from '../shared/symbols.ts';
import type { LoadFacts } from './load-view.server.ts';

export interface PrintView {
  pieces: { name: string; hex: string; symbols: SymbolView[]; dry: string }[];
  /** Pieces beyond what a page holds. */
  more: number;
}
/** As many pieces as a small page holds beside the steps. */
const mostPieces = 14;

export function printView({ hamper, load }: Pick<LoadView, 'hamper' | 'load'>, facts: LoadFacts): PrintView {
  const drying = new Map(facts.drying.map((d) => [d.piece.id, d.text] as const));
  const docs = hamper.garments.filter((g) => load.garments.includes(g.id));
  return {
    pieces: docs.slice(0, mostPieces).map((doc) => {
      const { label } = garmentOf(doc);
      return {
        name: doc.name,
        hex: doc.colours[0]?.hex ?? '#cccccc',
        symbols: label ? symbolsOf(label) : [],
        dry: drying.get(doc.id)?.split(',')[0] ?? '',
      };
    }),
    more: Math.max(0, docs.length - mostPieces),
  };
}
