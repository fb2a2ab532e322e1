/** A label in a photograph: its words by a text reader, its symbols by comparison with our drawings; all of it on this device. */
import type { LabelAnswer, LabelQuestion } from '../../workers/label.worker.ts';

export interface PhotoReading {
  /** The words, line by line as they stand. */
  text: string;
  /** Words the reader was not sure of. */
  doubtfulWords: string[];
  symbols: LabelAnswer['symbols'];
}
const widestPx = 1_600;
/** Larger letters are read better; a small picture is enlarged. */
const leastPx = 1_000;
/** Certainty of the reader, per cent: below the first a word is noise, below the second it is shown as doubtful. */
const wordLostBelow = 35;
const wordSureFrom = 75;

async function canvasOf(file: Blob): Promise<OffscreenCanvas> {
  const bitmap = await createImageBitmap(file);
  const longest = Math.max(bitmap.width, bitmap.height);
  const scale = longest > widestPx ? widestPx / longest : longest < leastPx ? leastPx / longest : 1;
  const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale));
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This browser cannot look into pictures.');
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas;
}
const pixelsOf = (canvas: OffscreenCanvas): ImageData => {
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This browser cannot look into pictures.');
  return context.getImageData(0, 0, canvas.width, canvas.height);
};

/** Our drawings as pictures: the symbols this page shows, painted one by one. */
async function drawingsOf(root: ParentNode): Promise<LabelQuestion['drawings']> {
  const size = 160;
  const drawings: LabelQuestion['drawings'] = [];
  for (const svg of root.querySelectorAll<SVGSVGElement>('svg[data-symbol]')) {
    const id = svg.dataset.symbol ?? '';
    if (drawings.some((d) => d.id === id)) continue;
    const copy = svg.cloneNode(true) as SVGSVGElement;
    copy.setAttribute('width', String(size));
    copy.setAttribute('height', String(size));
    copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
    const style = 'stroke:#000;fill:none;stroke-width:2;stroke-linejoin:round;stroke-linecap:round;color:#000';
    copy.setAttribute('style', style);
    for (const text of copy.querySelectorAll('text'))
      text.setAttribute('style', 'fill:#000;stroke:none;font:700 12px sans-serif;text-anchor:middle');
    for (const dot of copy.querySelectorAll('circle.dot')) dot.setAttribute('style', 'fill:#000;stroke:none');
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(new XMLSerializer().serializeToString(copy))}`;
    await image.decode();
    const canvas = new OffscreenCanvas(size + 24, size + 24);
    const context = canvas.getContext('2d');
    if (!context) continue;
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, size + 24, size + 24);
    context.drawImage(image, 12, 12, size, size);
    const { width, height, data } = pixelsOf(canvas);
    drawings.push({ id, picture: { width, height, data } });
  }
  return drawings;
}

function symbolsIn(question: LabelQuestion): Promise<LabelAnswer> {
  const worker = new Worker(new URL('../../workers/label.worker.ts', import.meta.url), { type: 'module' });
  return new Promise((resolve, reject) => {
    worker.addEventListener('message', (event: MessageEvent<LabelAnswer>) => {
      worker.terminate();
      resolve(event.data);
    });
    worker.addEventListener('error', () => {
      worker.terminate();
      reject(new Error('The symbols could not be compared.'));
    });
    worker.postMessage(question);
  });
}

/** The reader and its language are loaded now and not before; they come from this server. */
async function wordsIn(canvas: OffscreenCanvas): Promise<Pick<PhotoReading, 'text' | 'doubtfulWords'>> {
  const { createWorker } = await import('tesseract.js');
  const reader = await createWorker('eng', 1, {
    workerPath: '/reader/worker.min.js',
    corePath: '/reader/core',
    langPath: '/reader/language',
    workerBlobURL: false,
    cacheMethod: 'none',
  });
  try {
    const { data } = await reader.recognize(
      await canvas.convertToBlob({ type: 'image/png' }),
      {},
      { text: true, blocks: true },
    );
    const lines = (data.blocks ?? [])
      .flatMap((b) => b.paragraphs.flatMap((p) => p.lines))
      .map((l) => l.words.filter((w) => w.confidence >= wordLostBelow && /[\p{L}\p{N}%]/u.test(w.text)))
      .filter((l) => l.some((w) => /[\p{L}\p{N}]{2}/u.test(w.text)));
    return {
      text: lines.map((line) => line.map((w) => w.text).join(' ')).join('\n'),
      doubtfulWords: [
        ...new Set(
          lines
            .flat()
            .filter((w) => w.confidence < wordSureFrom)
            .map((w) => w.text),
        ),
      ],
    };
  } finally {
    await reader.terminate();
  }
}

/** Read a photograph of a label. `root` holds the drawings the symbols are compared with. */
export async function readLabelPhoto(file: Blob, root: ParentNode): Promise<PhotoReading> {
  const canvas = await canvasOf(file);
  const { width, height, data } = pixelsOf(canvas);
  const { symbols, text } = await symbolsIn({ picture: { width, height, data }, drawings: await drawingsOf(root) });
  const level = new OffscreenCanvas(width, height);
  level.getContext('2d')?.putImageData(new ImageData(new Uint8ClampedArray(text.data), width, height), 0, 0);
  return { ...(await wordsIn(level)), symbols };
}
