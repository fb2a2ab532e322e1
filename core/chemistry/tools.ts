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

/** The codes of each tool, in the order of the fibre groups. */
// prettier-ignore
export const tools = {
  'absorbent-paper': 'ok ok ok ok ok ok ok ok ok',
  'lift-tape': 'ok ok c-test ok ok c-test x-fibre c-test ok',
  'cold-pack': 'ok ok ok ok ok ok ok ok ok',
  'blunt-edge': 'ok ok ok ok ok c-light c-light ok ok',
  'soft-brush': 'ok x-wet x-wet ok ok c-dry x-fibre c-dry x-fibre',
  'warm-iron-paper': 'ok ok x-melt x-melt x-melt ok x-na x-skin x-melt',
  'open-air': 'ok ok ok ok ok ok ok ok ok',
  sunlight: 'c-white c-white x-light c-white x-light x-light x-light x-skin ok',
  vacuum: 'ok ok ok ok ok ok ok ok c-light',
  'steam-mist': 'ok ok c-test c-light c-light ok c-light x-skin c-light',
} as const satisfies Record<string, string>;

export type ToolId = keyof typeof tools;
export const toolIds = Object.keys(tools) as ToolId[];
export const isTool = (id: string): id is ToolId => id in tools;
export const toolCode = (id: ToolId, group: ToolFibreGroup): ToolCode =>
  tools[id].split(' ')[toolFibreGroups.indexOf(group)] as ToolCode;
