/** Ask the photo worker about one picture. */
import type { PhotoAnswer, PhotoQuestion } from '../../workers/photo.worker.ts';

export function askPhoto(question: PhotoQuestion): Promise<PhotoAnswer> {
  const worker = new Worker(new URL('../../workers/photo.worker.ts', import.meta.url), { type: 'module' });
  return new Promise((resolve) => {
    worker.addEventListener('message', (event: MessageEvent<PhotoAnswer>) => {
      worker.terminate();
      resolve(event.data);
    });
    worker.postMessage(question);
  });
}
