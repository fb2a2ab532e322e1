/** Reading untrusted JSON text: bounded size, depth and keys, before any schema looks at it. */
import type { Problem } from './problem.ts';

export const documentLimits = { bytes: 20 * 1024 * 1024, depth: 64 } as const;
const refusedKeys = new Set(['__proto__', 'constructor', 'prototype']);

export type ParsedJson = { ok: true; value: unknown } | { ok: false; problems: Problem[] };
const refuse = (message: string, path = 'document'): ParsedJson => ({ ok: false, problems: [{ path, message }] });

/** Deepest nesting of brackets outside strings, found without building anything. */
function nestingDepth(text: string): number {
  let depth = 0;
  let deepest = 0;
  let inString = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (inString) {
      if (c === 92) i++;
      else if (c === 34) inString = false;
    } else if (c === 34) inString = true;
    else if (c === 123 || c === 91) deepest = Math.max(deepest, ++depth);
    else if (c === 125 || c === 93) depth--;
  }
  return deepest;
}

function findRefusedKey(value: unknown, path: string): string | null {
  if (Array.isArray(value)) {
    for (const [i, item] of value.entries()) {
      const found = findRefusedKey(item, `${path}[${i}]`);
      if (found) return found;
    }
  } else if (value !== null && typeof value === 'object') {
    for (const [key, item] of Object.entries(value)) {
      const at = path ? `${path}.${key}` : key;
      if (refusedKeys.has(key)) return at;
      const found = findRefusedKey(item, at);
      if (found) return found;
    }
  }
  return null;
}

/** Parse JSON text or say in one line why not. */
export function parseJson(text: string): ParsedJson {
  if (new TextEncoder().encode(text).length > documentLimits.bytes) return refuse('larger than 20 MB');
  if (text.trim() === '') return refuse('empty');
  if (nestingDepth(text) > documentLimits.depth) return refuse(`nested deeper than ${documentLimits.depth}`);
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return refuse('not valid JSON');
  }
  const key = findRefusedKey(value, '');
  return key ? refuse('this key is not allowed', key) : { ok: true, value };
}
