/** Which safety lines and protection a session shows: chosen by trigger, at most five, the most severe first; where children are about, what concerns them besides. */
import { stainFacts, type StainKind } from '../stain/stains.ts';
import { agentFacts, stockOf } from './agents.ts';
import type { PpeId, SafetyLineId } from './safety.ts';
import type { Chemical } from './sequence.ts';

/** Gas, fire, poison, scald, other: the order of showing. */
const severity: readonly SafetyLineId[] = [
  'bleach-gas',
  'bleach-alone',
  'fuel-cloth',
  'fuel-body',
  'flame',
  'oily-rags',
  'solvent-air',
  'instant-glue',
  'rust-remover',
  'swallowed',
  'pods',
  'eyes',
  'skin-splash',
  'biological',
  'mould',
  'sharps',
  'gloves',
  'ventilate',
  'scald',
  'tub-child',
  'lift',
  'peroxide-skin',
  'borax-note',
  'waste',
  'no-mix',
  'label-first',
];
const most = 5;
/** Added where children are about, to whatever else is shown: none of it gives way. */
const childLineIds: readonly SafetyLineId[] = ['children', 'pods', 'tub-child'];
const ppeOrder: readonly PpeId[] = [
  'ppe-none',
  'ppe-mask',
  'ppe-gloves',
  'ppe-gloves-eye',
  'ppe-gloves-vent',
  'ppe-gloves-eye-vent',
];
const biological: readonly StainKind[] = ['urine', 'vomit', 'faeces', 'blood-fresh', 'blood-dried'];

export interface Session {
  agents: readonly Chemical[];
  stains: readonly StainKind[];
  hottestC: number;
  bulkSoakKg?: number;
  /** Children live here or visit. */ children?: boolean;
}
export interface Precautions {
  ppe: PpeId;
  lines: SafetyLineId[];
}

/** What a load asks for where children are about: products out of reach, pods if it takes one, the tub if it is washed in one. */
export const childLines = (load: { pod: boolean; tub: boolean }): SafetyLineId[] =>
  childLineIds.filter((id) => id === 'children' || (id === 'pods' ? load.pod : load.tub));

export function precautionsFor(s: Session): Precautions {
  const stock = [...new Set(s.agents.map(stockOf))];
  const facts = stock.map(agentFacts);
  const protections = facts.map((f) => f.ppe);
  const group = (g: string): boolean => facts.some((f) => f.group === g);
  const on = new Set<SafetyLineId>(['label-first']);
  const when = (yes: boolean, ...ids: SafetyLineId[]): void => {
    if (yes) for (const id of ids) on.add(id);
  };
  when(stock.length > 1, 'no-mix');
  when(group('chlorine'), 'bleach-alone', 'bleach-gas');
  when(protections.some((p) => p.startsWith('ppe-gloves')) || s.stains.some((k) => biological.includes(k)), 'gloves');
  when(
    protections.some((p) => p.startsWith('ppe-gloves-eye')),
    'eyes',
  );
  when(
    protections.some((p) => p.endsWith('vent')),
    'ventilate',
  );
  when(group('flam-solvent'), 'flame', 'solvent-air', 'waste');
  when(stock.includes('rust-remover'), 'rust-remover', 'waste');
  when(stock.includes('peroxide-3') || stock.includes('oxy-percarbonate'), 'peroxide-skin');
  when(stock.includes('borax'), 'borax-note');
  when(s.stains.includes('fuel-diesel'), 'fuel-cloth', 'fuel-body');
  when(s.stains.includes('paint-oil') || s.stains.includes('engine-oil') || stock.includes('soft-fat'), 'oily-rags');
  when(s.stains.includes('glue-instant'), 'instant-glue');
  when(s.stains.includes('mildew'), 'mould');
  when(
    s.stains.some((k) => biological.includes(k) || stainFacts(k).families.includes('biological')),
    'biological',
  );
  when(s.hottestC > 45, 'scald');
  when(s.bulkSoakKg !== undefined, 'tub-child');
  when((s.bulkSoakKg ?? 0) > 10, 'lift');
  // One highest set for a session, with fresh air if any agent asks for it.
  const highest = protections.reduce<PpeId>((a, b) => (ppeOrder.indexOf(b) > ppeOrder.indexOf(a) ? b : a), 'ppe-none');
  const vent = protections.some((p) => p.endsWith('vent'));
  const set = vent && protections.includes('ppe-gloves-eye') ? 'ppe-gloves-eye-vent' : highest;
  const shown = severity.filter((id) => on.has(id)).slice(0, most);
  const added = s.children ? childLineIds.filter((id) => !shown.includes(id)) : [];
  return { ppe: set, lines: [...shown, ...added] };
}
