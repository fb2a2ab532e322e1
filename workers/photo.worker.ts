/** The colours of a photograph, found in the browser beside the page; the picture never leaves the device. */
import { dominantColours, type DominantColours } from '@core/colour/dominant.ts';

export type PhotoAnswer = { ok: true; colours: DominantColours } | { ok: false; reason: string };
const widestPx = 400;

async function read(file: Blob): Promise<PhotoAnswer> {
  const bitmap = await createImageBitmap(file);
  const scale = Math.min(1, widestPx / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale)));
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return { ok: false, reason: 'This browser cannot look into pictures.' };
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  const { width, height, data } = context.getImageData(0, 0, canvas.width, canvas.height);
  const colours = dominantColours({ width, height, data });
  return colours ? { ok: true, colours } : { ok: false, reason: 'The picture is empty.' };
}
addEventListener('message', (event: MessageEvent<Blob>) => {
  read(event.data).catch((): PhotoAnswer => ({ ok: false, reason: 'That file is no picture this browser can read.' })).then((answer) => postMessage(answer), () => undefined);
});
