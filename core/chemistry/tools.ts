/** Tools of the stain bench and what each fibre group bears of them. */
export const toolFibreGroups = [
  'cellulose',
  'regenerated',
  'acetates',
  'synthetics',
  'elastane',
  'wool',
  'silk',
  'hide',
  'down',
] as const;
export type ToolFibreGroup = (typeof toolFibreGroups)[number];

/** c-light = a light touch (steam from 15 cm); x-wet = never on wet cloth; x-fibre = pulls fibre; x-melt = melts or glazes; x-light = light yellows or weakens. */
export const toolCodes = [
  'ok',
  'c-test',
  'c-light',
  'c-dry',
  'c-white',
  'x-wet',
  'x-fibre',
  'x-melt',
  'x-light',
  'x-na',
  'x-skin',
] as const;
export type ToolCode = (typeof toolCodes)[number];

/** `codes` stand in the order of the fibre groups. */
// prettier-ignore
export const tools = {
  'absorbent-paper': { name: 'White paper towel or white cotton cloth', codes: 'ok ok ok ok ok ok ok ok ok' },
  'lift-tape': { name: 'Low-tack tape', codes: 'ok ok c-test ok ok c-test x-fibre c-test ok' },
  'cold-pack': { name: 'Freezer bag or ice in a plastic bag, -18–0 °C', codes: 'ok ok ok ok ok ok ok ok ok' },
  'blunt-edge': { name: 'Spoon or card edge', codes: 'ok ok ok ok ok c-light c-light ok ok' },
  'soft-brush': { name: 'Soft clean brush, bristles ≤ 0.2 mm', codes: 'ok x-wet x-wet ok ok c-dry x-fibre c-dry x-fibre' },
  'warm-iron-paper': { name: 'Iron at ≤ 110 °C, no steam, between two white papers', codes: 'ok ok x-melt x-melt x-melt ok x-na x-skin x-melt' },
  'open-air': { name: 'Outdoor line or open window, no heat, no flame', codes: 'ok ok ok ok ok ok ok ok ok' },
  sunlight: { name: 'Direct sun, damp cloth', codes: 'c-white c-white x-light c-white x-light x-light x-light x-skin ok' },
  vacuum: { name: 'Vacuum through a gauze, low suction', codes: 'ok ok ok ok ok ok ok ok c-light' },
  'steam-mist': { name: 'Steamer held 15–20 cm away, or fine water mist', codes: 'ok ok c-test c-light c-light ok c-light x-skin c-light' },
} as const satisfies Record<string, { name: string; codes: string }>;

export type ToolId = keyof typeof tools;
export const toolIds = Object.keys(tools) as ToolId[];
export const isTool = (id: string): id is ToolId => id in tools;
export const toolCode = (id: ToolId, group: ToolFibreGroup): ToolCode =>
  tools[id].codes.split(' ')[toolFibreGroups.indexOf(group)] as ToolCode;
