/**
 * Agent × agent, by group: what may share a bath, what needs rinses between, what never meets. Symmetric. Counts for the same bath, drawer, spot,
 * bottle and the sequence of steps on one garment.
 */
import { agentGroups, type AgentGroup } from './agents.ts';

export const mixCodes = ['ok', 'r1', 'r2', 'nv', 'np', 'pl', 'fl', 'ev', 'ai', 'no'] as const;
export type MixCode = (typeof mixCodes)[number];

const groupMatrix: Record<AgentGroup, string> = {
  'neutral-surf': 'ok ok ok ok ok ok r2 ok r1 no r1 fl pl ok ok ai',
  'enzyme-det': 'ok ok ok ok ok r1 r2 r1 r1 no r1 fl pl ok ok ai',
  'oxi-det': 'ok ok ok ok ok ok nv nv nv no nv fl pl ok ok ai',
  soap: 'ok ok ok ok ok ok r2 r2 r2 no r1 fl pl ok ok ai',
  alkali: 'ok ok ok ok ok ok r1 pl pl no r1 fl r1 ok ok ai',
  peroxy: 'ok r1 ok ok ok ok nv nv nv no nv nv r1 r1 ok ai',
  chlorine: 'r2 r2 nv r2 r1 nv ok nv np np nv nv r2 r2 ok ai',
  acid: 'ok r1 nv r2 pl nv nv ok r1 no nv fl r1 ok ok ai',
  'rust-acid': 'r1 r1 nv r2 pl nv np r1 ok no nv fl r1 r1 ok ai',
  ammonia: 'no no no no no no np no no no no no no no no no',
  reducer: 'r1 r1 nv r1 r1 nv nv nv nv no ok nv r1 r1 ok ai',
  'flam-solvent': 'fl fl fl fl fl nv nv fl fl no nv ev fl fl fl np',
  cationic: 'pl pl pl pl r1 r1 r2 r1 r1 no r1 fl ok ok ok ai',
  'oil-finish': 'ok ok ok ok ok r1 r2 ok r1 no r1 fl ok ok ok ai',
  inert: 'ok ok ok ok ok ok ok ok ok no ok fl ok ok ok ai',
  'storage-vapour': 'ai ai ai ai ai ai ai ai ai no ai np ai ai ai np',
};
export const groupCode = (a: AgentGroup, b: AgentGroup): MixCode =>
  groupMatrix[a].split(' ')[agentGroups.indexOf(b)] as MixCode;

/** What forms when two meet; in words, and what to do then, in `words/`. */
export const hazardIds = [
  'haz-chlorine',
  'haz-chloramine',
  'haz-bleach-oxygen',
  'haz-bleach-solvent',
  'haz-peracid',
  'haz-peroxide-acetone',
  'haz-so2',
  'haz-redox',
  'haz-pressure',
  'haz-fire',
  'haz-cyano',
] as const;
export type HazardId = (typeof hazardIds)[number];
