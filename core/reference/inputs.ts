/** Reading the arguments of a reference case by the short names of the cases; what is missing or of the wrong type is said by name. */
import type { BleedingDye } from '../colour/dye.ts';
import { physicalFibres, type PhysicalFibreId } from '../fibre/physical.ts';
import { garmentKinds, type GarmentKind } from '../garment/kinds.ts';
import {
  agitationShare,
  shrinkClasses,
  type Agitation,
  type DryingHeat,
  type ShrinkClass,
  type WashEvent,
} from '../shrinkage/shrinkage.ts';

/** An argument that is missing or impossible; `message` starts with its name. */
export class ReferenceInputError extends Error {}
export const bad = (message: string): never => {
  throw new ReferenceInputError(message);
};

export type ReferenceInputs = Readonly<Record<string, unknown>>;

export const num = (i: ReferenceInputs, key: string, fallback?: number): number => {
  const value = i[key] ?? fallback;
  return typeof value === 'number' && Number.isFinite(value) ? value : bad(`${key}: must be a number`);
};
export const optional = (i: ReferenceInputs, key: string): number | undefined =>
  i[key] === undefined || i[key] === null ? undefined : num(i, key);
/** One of the given words. */
export const word = <T extends string>(i: ReferenceInputs, key: string, words: readonly T[], fallback?: T): T => {
  const value = i[key] ?? fallback;
  return words.find((w) => w === value) ?? bad(`${key}: must be one of ${words.join(', ')}`);
};
export const list = (i: ReferenceInputs, key: string): readonly unknown[] => {
  const value = i[key];
  return Array.isArray(value) ? value : bad(`${key}: must be a list`);
};
export const numbers = (i: ReferenceInputs, key: string): number[] =>
  list(i, key).map((x) => (typeof x === 'number' && Number.isFinite(x) ? x : bad(`${key}: must be a list of numbers`)));
export const rows = (i: ReferenceInputs, key: string): number[][] =>
  list(i, key).map((r) =>
    Array.isArray(r) && r.every((x) => typeof x === 'number') ? r : bad(`${key}: must be a table of numbers`),
  );

export const kind = (i: ReferenceInputs): GarmentKind => word(i, 'kind', garmentKinds);
export const items = (i: ReferenceInputs): [GarmentKind, number][] =>
  list(i, 'items').map((row) => {
    const [k, n] = Array.isArray(row) ? (row as unknown[]) : [];
    const found = garmentKinds.find((g) => g === k);
    return found && typeof n === 'number' ? [found, n] : bad('items: must be a list of [kind, count]');
  });
const fibreNames = Object.keys(physicalFibres) as PhysicalFibreId[];
export const fibre = (i: ReferenceInputs, key = 'fibre', fallback?: PhysicalFibreId): PhysicalFibreId =>
  word(i, key, fibreNames, fallback);
/** One fibre id or a map of mass fractions. */
export function fibres(
  i: ReferenceInputs,
  key = 'fibre',
  fallback?: PhysicalFibreId,
): ReadonlyMap<PhysicalFibreId, number> {
  const value = i[key];
  if (value === undefined && fallback) return new Map([[fallback, 1]]);
  if (typeof value === 'string') return new Map([[fibre(i, key), 1]]);
  if (value && typeof value === 'object' && !Array.isArray(value))
    return new Map(
      Object.entries(value).map(([k, share]) => [
        fibreNames.find((f) => f === k) ?? bad(`${key}: unknown fibre ${k}`),
        typeof share === 'number' ? share : bad(`${key}: shares must be numbers`),
      ]),
    );
  return bad(`${key}: must be a fibre or a map of shares`);
}
/** 0 light, 1 normal, 2 heavy; a number between where the formula takes one. */
export const soil = (i: ReferenceInputs): number =>
  typeof i.soil === 'number'
    ? i.soil
    : { light: 0, normal: 1, heavy: 2 }[word(i, 'soil', ['light', 'normal', 'heavy'] as const, 'normal')];
export const rgb = (i: ReferenceInputs, key = 'rgb'): string => {
  const channels = numbers(i, key);
  return channels.length === 3
    ? `#${channels
        .map((c) =>
          Math.round(Math.max(0, Math.min(255, c)))
            .toString(16)
            .padStart(2, '0'),
        )
        .join('')}`
    : bad(`${key}: must be three channels`);
};
const dyeWords = {
  indigo: 'indigo',
  direct: 'direct',
  reactive: 'reactive',
  vat: 'vat',
  sulphur: 'sulphur',
  acid: 'acid',
  disperse: 'disperse',
  pigment: 'pigment-print',
  natural: 'natural',
  unknown_red: 'unknown-red',
  unknown_dark: 'unknown-dark',
  unknown_other: 'unknown-other',
  solution_dyed: 'solution-dyed',
} as const satisfies Record<string, BleedingDye>;
export const dye = (i: ReferenceInputs): BleedingDye =>
  dyeWords[word(i, 'dye', Object.keys(dyeWords) as (keyof typeof dyeWords)[])];

const dashed = (s: unknown): unknown => (typeof s === 'string' ? s.replace(/_/g, '-') : s);
export const shrinkClass = (i: ReferenceInputs): ShrinkClass =>
  word({ con: dashed(i.con) }, 'con', Object.keys(shrinkClasses) as ShrinkClass[]);
export const washes = (i: ReferenceInputs): WashEvent[] =>
  list(i, 'washes').map((w): WashEvent => {
    const x = w && typeof w === 'object' ? (w as ReferenceInputs) : bad('washes: must be a list of washes');
    return {
      temperatureC: num(x, 'T'),
      agitation: word(
        { agi: dashed(x.agi === 'wool_prog' ? 'wool-programme' : x.agi) },
        'agi',
        Object.keys(agitationShare) as Agitation[],
        'cotton',
      ),
      drying: word(
        { dry: dashed(x.dry) },
        'dry',
        ['flat', 'line', 'tumble-low', 'tumble-hot'] as const satisfies readonly DryingHeat[],
        'line',
      ),
      minutes: num(x, 'min', 30),
      times: num(x, 'rep', 1),
      insideOut: x.inside_out === true,
    };
  });
export const flagged = (i: ReferenceInputs, key: string, fallback: boolean): boolean =>
  typeof i[key] === 'boolean' ? i[key] : fallback;
