/** A computation that may have no value says why instead of returning NaN. */
export type Result<T, R = string> = { ok: true; value: T } | { ok: false; reason: R };

export const ok = <T>(value: T): { ok: true; value: T } => ({ ok: true, value });
export const fail = <R>(reason: R): { ok: false; reason: R } => ({ ok: false, reason });
