/** Care symbols in a photograph, compared with our own drawings beside the page; the picture never leaves the device. */
import { findSymbols, type Drawing, type SymbolFound } from '@core/label-picture/match.ts';
import { textOnly } from '@core/label-picture/straighten.ts';
import type { Picture } from '@core/label-picture/ink.ts';

export interface LabelQuestion {
  picture: Picture;
  drawings: Drawing[];
}
export interface LabelAnswer {
  symbols: SymbolFound[];
  /** What is left for a text reader: level, black on white. */
  text: Picture;
}

addEventListener('message', (event: MessageEvent<LabelQuestion>) => {
  const { picture, drawings } = event.data;
  const symbols = findSymbols(picture, drawings);
  postMessage({
    symbols,
    text: textOnly(
      picture,
      symbols.map((s) => s.box),
    ),
  } satisfies LabelAnswer);
});
