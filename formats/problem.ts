import type * as v from 'valibot';

/** One thing wrong with a document: where, and what it must be. */
export interface Problem {
  path: string;
  message: string;
}
export const maxProblems = 50;
const longestPath = 160;
/** A path as people read it: what a document calls its keys is not repeated without end. */
export const shortPath = (path: string): string =>
  path.length <= longestPath ? path : `${path.slice(0, longestPath / 2)}…${path.slice(-longestPath / 4)}`;

/** `garments[3].parts[0].fibres[0].percent` of a Valibot issue path. */
export function issuePath(issue: v.BaseIssue<unknown>): string {
  let path = '';
  for (const item of issue.path ?? [])
    path += typeof item.key === 'number' ? `[${item.key}]` : path === '' ? String(item.key) : `.${String(item.key)}`;
  return path || 'document';
}

const typeWords: Record<string, string> = {
  string: 'text',
  number: 'a number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
};

/** Plain words for an issue; our own messages pass through. */
export function issueMessage(issue: v.BaseIssue<unknown>): string {
  if (issue.received === 'undefined') return 'is required';
  if (issue.type === 'picklist' || issue.type === 'literal' || issue.type === 'variant')
    return `must be one of ${(issue.expected ?? '').replace(/[()"]/g, '').replace(/ \| /g, ', ')}`;
  const words = typeWords[issue.type];
  if (words) return `must be ${words}`;
  return issue.message;
}

/** Union issues are opened to the branch that got furthest, so that the path points at the value, not at the union. */
export function problemsOf(issues: readonly v.BaseIssue<unknown>[]): Problem[] {
  const out: Problem[] = [];
  const visit = (issue: v.BaseIssue<unknown>, prefix: string): void => {
    const own = issuePath(issue);
    const path = prefix && own !== 'document' ? `${prefix}${own.startsWith('[') ? '' : '.'}${own}` : prefix || own;
    if (issue.issues?.length && (issue.type === 'union' || issue.type === 'variant')) {
      for (const inner of issue.issues) visit(inner, prefix || own === 'document' ? path : own);
      return;
    }
    if (out.length < maxProblems) out.push({ path: shortPath(path), message: issueMessage(issue) });
  };
  for (const issue of issues) visit(issue, '');
  return out;
}

export const problemLine = (p: Problem): string => `${p.path}: ${p.message}`;

interface SchemaShape {
  type: string;
  entries?: Record<string, SchemaShape>;
  item?: SchemaShape;
  wrapped?: SchemaShape;
}

/** Lists that stand where an object belongs; Valibot's object schema would take them for empty objects. */
export function listsForObjects(schema: v.GenericSchema | SchemaShape, value: unknown, path = ''): Problem[] {
  const shape = schema as SchemaShape;
  if (value === null || typeof value !== 'object') return [];
  if (shape.wrapped) return listsForObjects(shape.wrapped, value, path);
  if (shape.type === 'object' || shape.type === 'variant' || shape.type === 'record') {
    if (Array.isArray(value)) return [{ path: path || 'document', message: 'must be an object' }];
    const known = Object.entries(shape.entries ?? {});
    return known.flatMap(([key, entry]) =>
      listsForObjects(entry, (value as Record<string, unknown>)[key], path ? `${path}.${key}` : key),
    );
  }
  const { item } = shape;
  return shape.type === 'array' && item && Array.isArray(value)
    ? value.flatMap((x, i) => listsForObjects(item, x, `${path}[${i}]`))
    : [];
}
