/** What photographs tell, found in the browser beside the page; the picture never leaves the device. */
import { readCloths, type ClothReading } from '@core/colour/cloth-reading.ts';
import { dominantColours, type DominantColours, type Pixels } from '@core/colour/dominant.ts';

/** The colours of a piece, or the grade of a tested cloth beside an unused one. */
export interface PhotoQuestion {
  ask: 'colours' | 'cloths';
  file: Blob;
}
export type PhotoAnswer =
  | { ok: true; colours: DominantColours; cloths?: undefined }
  | { ok: true; cloths: ClothReading; colours?: undefined }
  | { ok: false; reason: string };
const widestPx = 400;
const problems = {
  empty: 'The picture is empty.',
  'too-dark': 'Too dark: the unused cloth on the left must look light.',
  'not-white': 'The left half must show the unused white cloth; it looks coloured.',
} as const;

async function pixelsOf(file: Blob): Promise<Pixels | null> {
  const bitmap = await createImageBitmap(file);
  const scale = Math.min(1, widestPx / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  );
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return context.getImageData(0, 0, canvas.width, canvas.height);
}
async function answer({ ask, file }: PhotoQuestion): Promise<PhotoAnswer> {
  const pixels = await pixelsOf(file);
  if (!pixels) return { ok: false, reason: 'This browser cannot look into pictures.' };
  if (ask === 'cloths') {
    const read = readCloths(pixels);
    return read.ok ? { ok: true, cloths: read.reading } : { ok: false, reason: problems[read.problem] };
  }
  const colours = dominantColours(pixels);
  return colours ? { ok: true, colours } : { ok: false, reason: problems.empty };
}
addEventListener('message', (event: MessageEvent<PhotoQuestion>) => {
  answer(event.data)
    .catch((): PhotoAnswer => ({ ok: false, reason: 'That file is no picture this browser can read.' }))
    .then(
      (a) => postMessage(a),
      () => undefined,
    );
});
