/** From a picture to ink and ground: a pixel is ink where it is clearly darker than its neighbourhood, so that folds and shadows do no harm. */

export interface Picture {
  width: number;
  height: number;
  /** RGBA, row by row. */
  data: Uint8ClampedArray | Uint8Array;
}
/** One byte a pixel: 1 = ink. */
export interface Mask {
  width: number;
  height: number;
  ink: Uint8Array;
}

/** Luma of every pixel, 0–255 (ITU-R BT.601); transparent counts as white. */
export function greyOf({ width, height, data }: Picture): Float32Array {
  const grey = new Float32Array(width * height);
  for (let i = 0; i < grey.length; i++) {
    const alpha = (data[4 * i + 3] ?? 255) / 255;
    const luma = 0.299 * (data[4 * i] ?? 0) + 0.587 * (data[4 * i + 1] ?? 0) + 0.114 * (data[4 * i + 2] ?? 0);
    grey[i] = luma * alpha + 255 * (1 - alpha);
  }
  return grey;
}

/** Sums of everything above and left of a pixel, one row and column larger than the picture. */
function sums(values: Float32Array, width: number, height: number): Float64Array {
  const out = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += values[y * width + x] ?? 0;
      out[(y + 1) * (width + 1) + x + 1] = (out[y * (width + 1) + x + 1] ?? 0) + row;
    }
  }
  return out;
}

/** Darker than this share of the neighbourhood's mean is ink. */
const inkShare = 0.82;
/** The neighbourhood: this share of the shorter side to each side of a pixel. */
const reachShare = 0.06;

/**
 * Ink by a threshold of its neighbourhood's mean (adaptive mean threshold). A light label on dark cloth is read the other way round when most of
 * the picture is dark.
 */
export function inkOf(picture: Picture): Mask {
  const { width, height } = picture;
  const grey = greyOf(picture);
  const mean = grey.reduce((s, g) => s + g, 0) / Math.max(1, grey.length);
  if (mean < 96) for (let i = 0; i < grey.length; i++) grey[i] = 255 - (grey[i] ?? 0);
  const reach = Math.max(4, Math.round(Math.min(width, height) * reachShare));
  const integral = sums(grey, width, height);
  const ink = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    const top = Math.max(0, y - reach);
    const bottom = Math.min(height, y + reach + 1);
    for (let x = 0; x < width; x++) {
      const left = Math.max(0, x - reach);
      const right = Math.min(width, x + reach + 1);
      const at = (px: number, py: number): number => integral[py * (width + 1) + px] ?? 0;
      const sum = at(right, bottom) - at(left, bottom) - at(right, top) + at(left, top);
      const local = sum / ((right - left) * (bottom - top));
      if ((grey[y * width + x] ?? 255) < local * inkShare - 6) ink[y * width + x] = 1;
    }
  }
  return { width, height, ink };
}
