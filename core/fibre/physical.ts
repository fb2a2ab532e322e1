import type { FibreId } from './fibres.ts';

/** Sorption, spin and water-holding constants of one physical cloth group. Moisture ratios are kg water per kg dry cloth. */
interface PhysicalFibre {
  densityKgPerL: number;
  regain65: number;
  sorptionExponent: number;
  criticalMoisture: number;
  boundWater: number;
  spinA: number;
  spinB: number;
  spinFloor: number;
  lifted: number;
  dripped: number;
  pressed: number;
}

/** Densities are textbook values, regain the conventional ones; the rest fits spin label classes or is an engineering estimate. */
export const physicalFibres = {
  cotton: { densityKgPerL: 1.54, regain65: 0.075, sorptionExponent: 0.4, criticalMoisture: 0.25, boundWater: 0.45, spinA: 2.05, spinB: 0.254, spinFloor: 0.38, lifted: 3, dripped: 2, pressed: 1.5 },
  terry: { densityKgPerL: 1.54, regain65: 0.075, sorptionExponent: 0.4, criticalMoisture: 0.3, boundWater: 0.5, spinA: 2.23, spinB: 0.275, spinFloor: 0.42, lifted: 4.5, dripped: 3, pressed: 2 },
  denim: { densityKgPerL: 1.54, regain65: 0.075, sorptionExponent: 0.4, criticalMoisture: 0.28, boundWater: 0.45, spinA: 2.15, spinB: 0.267, spinFloor: 0.4, lifted: 2.6, dripped: 1.9, pressed: 1.5 },
  linen: { densityKgPerL: 1.5, regain65: 0.1, sorptionExponent: 0.4, criticalMoisture: 0.25, boundWater: 0.42, spinA: 1.93, spinB: 0.239, spinFloor: 0.36, lifted: 2.6, dripped: 1.8, pressed: 1.35 },
  viscose: { densityKgPerL: 1.52, regain65: 0.125, sorptionExponent: 0.37, criticalMoisture: 0.4, boundWater: 0.85, spinA: 2.44, spinB: 0.257, spinFloor: 0.7, lifted: 3.2, dripped: 2.3, pressed: 1.8 },
  lyocell: { densityKgPerL: 1.52, regain65: 0.115, sorptionExponent: 0.37, criticalMoisture: 0.35, boundWater: 0.65, spinA: 2.05, spinB: 0.23, spinFloor: 0.5, lifted: 2.8, dripped: 2, pressed: 1.5 },
  wool: { densityKgPerL: 1.31, regain65: 0.15, sorptionExponent: 0.33, criticalMoisture: 0.35, boundWater: 0.35, spinA: 1.39, spinB: 0.158, spinFloor: 0.33, lifted: 4, dripped: 2.5, pressed: 1.5 },
  silk: { densityKgPerL: 1.33, regain65: 0.105, sorptionExponent: 0.37, criticalMoisture: 0.25, boundWater: 0.38, spinA: 1.49, spinB: 0.171, spinFloor: 0.33, lifted: 2.2, dripped: 1.5, pressed: 1 },
  polyester: { densityKgPerL: 1.38, regain65: 0.004, sorptionExponent: 0.5, criticalMoisture: 0.1, boundWater: 0.1, spinA: 1.02, spinB: 0.143, spinFloor: 0.08, lifted: 1.6, dripped: 0.9, pressed: 0.6 },
  fleece: { densityKgPerL: 1.38, regain65: 0.004, sorptionExponent: 0.5, criticalMoisture: 0.12, boundWater: 0.12, spinA: 1.54, spinB: 0.217, spinFloor: 0.1, lifted: 5, dripped: 3, pressed: 1.4 },
  nylon: { densityKgPerL: 1.14, regain65: 0.041, sorptionExponent: 0.5, criticalMoisture: 0.12, boundWater: 0.15, spinA: 0.93, spinB: 0.123, spinFloor: 0.12, lifted: 1.5, dripped: 0.85, pressed: 0.6 },
  acrylic: { densityKgPerL: 1.17, regain65: 0.015, sorptionExponent: 0.5, criticalMoisture: 0.15, boundWater: 0.15, spinA: 1.46, spinB: 0.192, spinFloor: 0.12, lifted: 3.5, dripped: 2, pressed: 1.2 },
  elastane: { densityKgPerL: 1.2, regain65: 0.01, sorptionExponent: 0.5, criticalMoisture: 0.1, boundWater: 0.12, spinA: 1.02, spinB: 0.143, spinFloor: 0.1, lifted: 1.6, dripped: 0.9, pressed: 0.6 },
  down: { densityKgPerL: 1.3, regain65: 0.12, sorptionExponent: 0.4, criticalMoisture: 0.5, boundWater: 0.5, spinA: 2.23, spinB: 0.254, spinFloor: 0.55, lifted: 5, dripped: 3.5, pressed: 2 },} as const satisfies Record<string, PhysicalFibre>;

export type PhysicalFibreId = keyof typeof physicalFibres;

/** Which physical group stands for each care fibre. */
export const physicalGroup: Record<FibreId, PhysicalFibreId> = {
  cotton: 'cotton', linen: 'linen', hemp: 'linen', viscose: 'viscose', modal: 'viscose', lyocell: 'lyocell', cupro: 'viscose',
  acetate: 'polyester', triacetate: 'polyester', wool: 'wool', 'wool-superwash': 'wool', cashmere: 'wool', mohair: 'wool',
  alpaca: 'wool', angora: 'wool', silk: 'silk', polyester: 'polyester', polyamide: 'nylon', acrylic: 'acrylic', elastane: 'elastane',
  polypropylene: 'polyester', metallic: 'polyester', coated: 'polyester', 'down-fill': 'down', leather: 'cotton', suede: 'cotton',
  unknown: 'cotton',
};
