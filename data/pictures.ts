/**
 * Pictures made fit to be kept: what a file really is decides, not its name; turned upright, made small, and without anything the camera wrote beside
 * the picture (place, time, device).
 */
import sharp from 'sharp';

/** A picture a phone takes, and as many points as one has. */
export const mostPictureBytes = 15_000_000;
const mostPixels = 60_000_000;
const longSide = { picture: 1_280, thumb: 320 } as const;
const quality = { picture: 78, thumb: 70 } as const;
const known: ReadonlySet<string> = new Set(['jpeg', 'png', 'webp', 'heif', 'avif']);

export interface SmallPicture {
  picture: Buffer;
  thumb: Buffer;
  width: number;
  height: number;
}
export type PictureProblem = 'not-a-picture' | 'unknown-kind' | 'too-large' | 'broken';

/** @example await smallPicture(bytes) // { ok: true, value: { width: 960, height: 1280, … } } */
export async function smallPicture(
  bytes: Buffer,
): Promise<{ ok: true; value: SmallPicture } | { ok: false; problem: PictureProblem }> {
  const refuse = (problem: PictureProblem) => ({ ok: false as const, problem });
  if (bytes.length > mostPictureBytes) return refuse('too-large');
  let format: string | undefined;
  try {
    const { format: found, width, height } = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (width * height > mostPixels) return refuse('too-large');
    format = found;
  } catch {
    return refuse('not-a-picture');
  }
  if (!known.has(format)) return refuse('unknown-kind');
  try {
    const upright = sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error' }).rotate();
    const made = await upright
      .clone()
      .resize(longSide.picture, longSide.picture, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: quality.picture })
      .toBuffer({ resolveWithObject: true });
    const thumb = await upright
      .resize(longSide.thumb, longSide.thumb, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: quality.thumb })
      .toBuffer();
    return { ok: true, value: { picture: made.data, thumb, width: made.info.width, height: made.info.height } };
  } catch {
    return refuse('broken');
  }
}
