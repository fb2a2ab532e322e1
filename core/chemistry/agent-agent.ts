/**
 * Agent × agent, by group: what may share a bath, what needs rinses between, what never meets. Symmetric. Counts for the same bath, drawer, spot,
 * bottle and the sequence of steps on one garment.
 */
import { agentGroups, type AgentGroup } from './agents.ts';

export const mixCodes = {
  ok: 'may share a bath or follow without rinse',
  r1: 'not together; 1 full rinse between',
  r2: 'not together; 2 full rinses between',
  nv: 'never together; in sequence only after 2 full rinses and a fresh bath',
  np: 'never in the same plan or room session, any order',
  pl: 'pointless together: one cancels the other; not offered; 1 rinse if in sequence',
  fl: 'solvent first: evaporate to no smell, then surfactant flush and 1 rinse before anything else; solvent after wet step needs dry cloth',
  ev: 'one after the other after 5 min evaporation; never mixed in one container',
  ai: 'air garment 24–48 h outdoors before any bath or heat',
  no: 'refused agent',
} as const satisfies Record<string, string>;
export type MixCode = keyof typeof mixCodes;

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

export const hazards = {
  'haz-chlorine': {
    mix: 'chlorine-bleach + any acid (vinegar, citric, lemon, rust-remover)',
    forms: 'chlorine gas',
    text: 'Stop and leave the room now. Open a window only on your way out. Call the poison centre or the emergency number.',
  },
  'haz-chloramine': {
    mix: 'chlorine-bleach + ammonia, urine, sweat-heavy cloth',
    forms: 'chloramines',
    text: 'Stop and leave the room now. Do not add anything to neutralise. Call the poison centre or the emergency number.',
  },
  'haz-bleach-oxygen': {
    mix: 'chlorine-bleach + oxygen bleach or peroxide',
    forms: 'oxygen, heat, splashing; both lost',
    text: 'Do not combine. Rinse out one fully, then choose.',
  },
  'haz-bleach-solvent': {
    mix: 'chlorine-bleach + alcohol or acetone',
    forms: 'chlorinated vapour, heat',
    text: 'Do not combine. Air the room.',
  },
  'haz-peracid': {
    mix: 'peroxide or percarbonate + vinegar or acid, stored or hot',
    forms: 'peracetic acid',
    text: 'Do not premix. It burns eyes and skin.',
  },
  'haz-peroxide-acetone': {
    mix: 'peroxide or percarbonate + acetone (worse with acid)',
    forms: 'unstable peroxide',
    text: 'Never bring these together. Rinse and air first.',
  },
  'haz-so2': {
    mix: 'reducer + acid',
    forms: 'sulphur dioxide',
    text: 'Stop and leave the room. Air it from outside. Call the poison centre if breathing is hard.',
  },
  'haz-redox': { mix: 'reducer + any bleach', forms: 'heat, gas', text: 'Use one only, two rinses apart.' },
  'haz-pressure': {
    mix: 'mixed oxygen-bleach bath, or vinegar + soda, in a closed bottle',
    forms: 'burst',
    text: 'Never close a bottle of mixed bath.',
  },
  'haz-fire': {
    mix: 'solvent vapour, oily cloth, drying oil, fuel',
    forms: 'flame, self-heating',
    text: 'No heat, spark or smoking. Lay oily rags flat outside; no heaps.',
  },
  'haz-cyano': {
    mix: 'instant glue + cotton or wool',
    forms: 'heat, smoke, burn',
    text: 'Do not touch. Let it cure and cool.',
  },
} as const satisfies Record<string, { mix: string; forms: string; text: string }>;
export type HazardId = keyof typeof hazards;
