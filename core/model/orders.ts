/**
 * The ordered scales of care: each list runs from permissive to strict, so that "stricter" is "further right".
 * Terms follow ISO 3758.
 */
export const wetOrder = ['machine', 'hand', 'none'] as const;
export type Wet = (typeof wetOrder)[number];

export const actionOrder = ['normal', 'mild', 'very-mild', 'hand', 'none'] as const;
export type Action = (typeof actionOrder)[number];

export const bleachOrder = ['any', 'oxygen', 'none'] as const;
export type Bleach = (typeof bleachOrder)[number];

export const tumbleOrder = ['normal', 'low', 'none'] as const;
export type Tumble = (typeof tumbleOrder)[number];

export const ironOrder = ['high', 'medium', 'low', 'none'] as const;
export type Iron = (typeof ironOrder)[number];

export const companyOrder = ['with-any', 'like-colours', 'alone'] as const;
export type Company = (typeof companyOrder)[number];

export const soilOrder = ['none', 'light', 'normal', 'heavy', 'hazardous'] as const;
export type Soil = (typeof soilOrder)[number];

/** The stricter of two values of one ordered scale. */
export function stricter<T extends string>(order: readonly T[], a: T, b: T): T {
  return order.indexOf(a) >= order.indexOf(b) ? a : b;
}

/** True when `value` is at least as strict as `limit`, so it respects the limit. */
export function respects<T extends string>(order: readonly T[], value: T, limit: T): boolean {
  return order.indexOf(value) >= order.indexOf(limit);
}

/** One step stricter, not past `last`. */
export function oneStricter<T extends string>(order: readonly T[], value: T, last: T): T {
  const i = order.indexOf(value);
  const end = order.indexOf(last);
  return order[Math.max(i, Math.min(i + 1, end))] ?? value;
}
