/** Pictures of the demo's diary, drawn: cloth from near, as it was then. Made up, the same every time. */
import sharp from 'sharp';
import type { PhotoMoment, PhotoPlace } from '../../core/garment/photo-places.ts';

interface PastPicture {
  piece: string;
  place: PhotoPlace;
  moment: PhotoMoment;
  daysAgo: number;
  note: string;
  ground: string;
  /** What shows under the colour where it has gone, 0–1, and where. */
  fade: number;
  at: 'band' | 'fan' | 'patch' | 'pills';
}
// prettier-ignore
export const pastPictures: readonly PastPicture[] = [
  { piece: 'tovi-raw-jeans', place: 'thigh', moment: 'as-new', daysAgo: 140, note: 'Stiff and even.', ground: '#1f2a49', fade: 0.05, at: 'band' },
  { piece: 'tovi-raw-jeans', place: 'thigh', moment: 'worn', daysAgo: 90, note: 'The first lighter band.', ground: '#22304f', fade: 0.3, at: 'band' },
  { piece: 'tovi-raw-jeans', place: 'thigh', moment: 'worn', daysAgo: 12, note: 'Clear along the middle.', ground: '#263756', fade: 0.55, at: 'band' },
  { piece: 'tovi-raw-jeans', place: 'whiskers', moment: 'as-new', daysAgo: 140, note: '', ground: '#1f2a49', fade: 0.04, at: 'fan' },
  { piece: 'tovi-raw-jeans', place: 'whiskers', moment: 'worn', daysAgo: 12, note: 'Five lines a side.', ground: '#263756', fade: 0.6, at: 'fan' },
  { piece: 'tovi-raw-jeans', place: 'knee', moment: 'worn', daysAgo: 60, note: 'Measured that day as well.', ground: '#24334f', fade: 0.4, at: 'patch' },
  { piece: 'juna-cardigan', place: 'elbow', moment: 'before-wash', daysAgo: 64, note: 'Pills on the right one.', ground: '#c58f9b', fade: 0.5, at: 'pills' },
  { piece: 'juna-cardigan', place: 'elbow', moment: 'after-wash', daysAgo: 61, note: 'Combed off.', ground: '#c9949f', fade: 0.08, at: 'pills' },
];

const size = { width: 800, height: 600 };
function shapes({ at, fade }: PastPicture): string {
  const light = `fill="#cfd9e6" opacity="${fade}"`;
  switch (at) {
    case 'band':
      return `<ellipse cx="400" cy="300" rx="${90 + 80 * fade}" ry="420" ${light} filter="url(#soft)"/>`;
    case 'patch':
      return `<ellipse cx="400" cy="310" rx="230" ry="170" ${light} filter="url(#soft)"/>`;
    case 'fan':
      return [60, 150, 250, 360, 470]
        .map(
          (y) =>
            `<path d="M40 ${y} Q 330 ${y + 30} 620 ${y * 0.7 + 170}" stroke="#d6dfea" stroke-width="${14 + 12 * fade}" fill="none" opacity="${fade}" filter="url(#soft)"/>`,
        )
        .join('');
    case 'pills':
      return Array.from({ length: Math.round(90 * fade) }, (_, k) => {
        const x = 120 + ((k * 97) % 560);
        const y = 90 + ((k * 61) % 420);
        return `<circle cx="${x}" cy="${y}" r="${4 + (k % 4)}" fill="#e9cfd5" opacity=".85"/>`;
      }).join('');
  }
}
/** One of them as a picture file. */
export function drawPicture(p: PastPicture): Promise<Buffer> {
  const knit = p.at === 'pills';
  const weave = knit
    ? '<pattern id="w" width="26" height="22" patternUnits="userSpaceOnUse"><path d="M0 2l13 16l13-16" stroke="#fff" stroke-width="4" fill="none" opacity=".25"/></pattern>'
    : '<pattern id="w" width="9" height="9" patternUnits="userSpaceOnUse"><path d="M-2 11L11-2" stroke="#fff" stroke-width="1.6" opacity=".22"/></pattern>';
  const seam = knit ? '' : '<path d="M735 0V600" stroke="#c07a2c" stroke-width="5" stroke-dasharray="16 9"/>';
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${size.width}" height="${size.height}"><defs>${weave}<filter id="soft"><feGaussianBlur stdDeviation="26"/></filter></defs><rect width="100%" height="100%" fill="${p.ground}"/>${shapes(p)}<rect width="100%" height="100%" fill="url(#w)"/>${seam}</svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 88 }).toBuffer();
}
