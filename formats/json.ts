/** Reading untrusted JSON text: bounded size, depth and keys, before any schema looks at it. */
import { shortPath, type Problem } from './problem.ts';

export const documentLimits = { bytes: 20 * 1024 * 1024, depth: 64 } as const;
const refusedKeys = new Set(['__proto__', 'constructor', 'prototype']);

export type ParsedJson = { ok: true; value: unknown } | { ok: false; problems: Problem[] };
const refuse = (message: string, path = 'document'): ParsedJson => ({ ok: false, problems: [{ path, message }] });

interface Level {
  /** Keys so far; null in a list. */
  keys: Set<string> | null;
  /** Where it stands in the level above: a key, or a place in a list. */
  at: string | number;
  place: number;
}
const pathOf = (levels: readonly Level[]): string =>
  levels.slice(1).reduce((t, { at }) => (typeof at === 'number' ? `${t}[${at}]` : t === '' ? at : `${t}.${at}`), '');

/**
 * One look over the text before anything is built of it: how deep it nests, and the first key that is refused or stands twice in its object.
 * Text that is no JSON is left to the parser.
 */
function lookOver(text: string): Problem | null {
  const levels: Level[] = [];
  let key = '';
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    const level = levels.at(-1);
    if (c === '{' || c === '[') {
      if (levels.length === documentLimits.depth)
        return { path: 'document', message: `nested deeper than ${documentLimits.depth}` };
      levels.push({ keys: c === '{' ? new Set() : null, at: level?.keys ? key : (level?.place ?? 0), place: 0 });
    } else if (c === '}' || c === ']') levels.pop();
    else if (c === ',' && level) level.place++;
    else if (c === '"') {
      const start = i;
      for (i++; i < text.length && text[i] !== '"'; i++) if (text[i] === '\\') i++;
      if (!level?.keys || !/^\s*:/.test(text.slice(i + 1, i + 200))) continue;
      key = text.slice(start + 1, i);
      if (key.includes('\\')) key = unescaped(text.slice(start, i + 1));
      const message = refusedKeys.has(key)
        ? 'this key is not allowed'
        : level.keys.has(key)
          ? 'stands here twice'
          : null;
      if (message) {
        const above = pathOf(levels);
        return { path: shortPath(above === '' ? key : `${above}.${key}`), message };
      }
      level.keys.add(key);
    }
  }
  return null;
}
function unescaped(token: string): string {
  try {
    return JSON.parse(token) as string;
  } catch {
    return token; // the parser will say what is wrong with it
  }
}

/** The text of a document's bytes; null when they are not UTF-8. */
export function textOfBytes(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/** Parse JSON text or say in one line why not. */
export function parseJson(text: string): ParsedJson {
  if (new TextEncoder().encode(text).length > documentLimits.bytes) return refuse('larger than 20 MB');
  if (text.trim() === '') return refuse('empty');
  const odd = lookOver(text);
  if (odd) return refuse(odd.message, odd.path);
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return refuse('not valid JSON');
  }
  return { ok: true, value };
}
