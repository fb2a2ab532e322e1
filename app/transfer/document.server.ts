/** What a text that was brought in is: a hamper document, a wardrobe table, or lines about pieces. */
import { createHash } from 'node:crypto';
import type { GarmentDocument } from '@formats/hamper-schema.ts';
import { readHamper, type HamperDocument } from '@formats/hamper.ts';
import { problemLine } from '@formats/problem.ts';
import { readLog, type LogEntry } from '@formats/log-csv.ts';
import { readWardrobe } from '@formats/wardrobe-csv.ts';
import { oddCharacter } from '../forms/characters.ts';

export type Brought =
  | { is: 'hamper'; document: HamperDocument; garments: readonly GarmentDocument[]; notes: string[] }
  | { is: 'table'; garments: readonly GarmentDocument[]; notes: string[] }
  | { is: 'log'; entries: readonly LogEntry[] }
  | { is: 'lines' }
  | { is: 'refused'; problems: string[] };

/** Texts that no keyboard types, with the path of each. */
function oddTexts(value: unknown, path: string): string[] {
  if (typeof value === 'string') {
    const odd = oddCharacter(value);
    return odd ? [`${path}: holds ${odd}`] : [];
  }
  if (Array.isArray(value)) return value.flatMap((x, i) => oddTexts(x, `${path}[${i}]`));
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([k, x]) => oddTexts(x, path ? `${path}.${k}` : k));
}
const mostTold = 50;
/** Ids stand in addresses: what cannot is written another way, the same way every time. */
const safeId = (id: string): string =>
  /^[\w.:-]{1,80}$/.test(id)
    ? id
    : `${id.replace(/[^\w.:-]+/g, '-').slice(0, 60)}-${createHash('sha256').update(id).digest('hex').slice(0, 8)}`;
const withSafeIds = (garments: readonly GarmentDocument[]): GarmentDocument[] =>
  garments.map((g) => ({ ...g, id: safeId(g.id) }));

const headerOf = (text: string): string[] =>
  (text.replace(/^\uFEFF/, '').split(/\r?\n/)[0] ?? '').split(',').map((c) => c.trim());
const looksLikeLog = (text: string): boolean => {
  const header = headerOf(text);
  return ['at', 'event', 'garment'].every((c) => header.includes(c));
};
const looksLikeTable = (text: string): boolean => {
  const header = headerOf(text);
  return header.length >= 3 && ['id', 'name', 'kind'].filter((c) => header.includes(c)).length >= 2;
};

export function readBrought(text: string): Brought {
  const trimmed = text.replace(/^\uFEFF/, '').trim();
  if (trimmed === '') return { is: 'refused', problems: ['There is nothing in it: choose a file or paste its text.'] };
  if (trimmed.startsWith('{') || trimmed.startsWith('[')) {
    const read = readHamper(trimmed);
    if (!read.ok) return { is: 'refused', problems: read.problems.map(problemLine) };
    const { document, unknownKeys } = read.value;
    const odd = oddTexts({ household: document.household, garments: document.garments }, '');
    if (odd.length > 0) return { is: 'refused', problems: odd.slice(0, mostTold) };
    return {
      is: 'hamper',
      document,
      garments: withSafeIds(document.garments),
      notes: unknownKeys.map((k) => `${k}: not known, left out`),
    };
  }
  if (looksLikeLog(trimmed)) {
    const log = readLog(text);
    return log.ok ? { is: 'log', entries: log.value } : { is: 'refused', problems: log.problems.map(problemLine) };
  }
  if (!looksLikeTable(trimmed)) return { is: 'lines' };
  const read = readWardrobe(text);
  if (!read.ok) return { is: 'refused', problems: read.problems.map(problemLine) };
  const odd = oddTexts(read.value.garments, 'pieces');
  if (odd.length > 0) return { is: 'refused', problems: odd.slice(0, mostTold) };
  return {
    is: 'table',
    garments: withSafeIds(read.value.garments),
    notes: read.value.unknownColumns.map((c) => `Column ${c}: not known, left out`),
  };
}
