/** Water and energy of a machine load: the programme's own figures first, else the model (fit, ±20 %). */
import type { ProgrammeFamily } from '../model/household.ts';
import { waterHeat } from './basin.ts';

// prettier-ignore
const rows = {
  cotton: { washA: 4, washB: 2.3, rinseA: 5, rinseB: 1.6, rinses: 2 },
  mixed: { washA: 6, washB: 3, rinseA: 7, rinseB: 2.2, rinses: 2 },
  synthetics: { washA: 7, washB: 4, rinseA: 9, rinseB: 3, rinses: 2 },
  delicate: { washA: 12, washB: 6, rinseA: 14, rinseB: 6, rinses: 2 },
  wool: { washA: 12, washB: 6, rinseA: 14, rinseB: 6, rinses: 2 },
  hand_wash: { washA: 12, washB: 6, rinseA: 14, rinseB: 6, rinses: 2 },
  quick: { washA: 5, washB: 2.5, rinseA: 7, rinseB: 2, rinses: 1 },
} as const;
export type WaterRow = keyof typeof rows;
export const waterRows = Object.keys(rows) as WaterRow[];
const familyRow: Record<ProgrammeFamily, WaterRow> = {
  cotton: 'cotton',
  synthetics: 'synthetics',
  delicate: 'delicate',
  wool: 'wool',
  'hand-wash': 'hand_wash',
  silk: 'hand_wash',
  shirts: 'synthetics',
  denim: 'synthetics',
  sports: 'synthetics',
  quick: 'quick',
  hygiene: 'cotton',
  'rinse-spin': 'quick',
};

export const waterRowOf = (family: ProgrammeFamily): WaterRow => familyRow[family];

/** Litres of one load, by programme row and kg dry. */
export function modelWaterL(row: WaterRow, massKg: number, extraRinses = 0): number {
  const r = rows[row];
  return r.washA + r.washB * massKg + (r.rinses + extraRinses) * (r.rinseA + r.rinseB * massKg);
}
/** kWh: heat of bath, cloth and tub plus motor. Inlet in °C, spin in rpm. */
export function modelKwh(row: WaterRow, massKg: number, temperatureC: number, inletC: number, rpm: number): number {
  const r = rows[row];
  const heat =
    (1.06 * (waterHeat * (r.washA + r.washB * massKg) + 1.4 * massKg + 6) * Math.max(0, temperatureC - inletC)) / 3600;
  return heat + 0.1 + 0.012 * massKg + 0.05 * (rpm / 1400) ** 2;
}

/** kWh of a full load at a temperature, from stated values: linear between neighbours, beyond them by the heat share. */
export function statedFullLoadKwh(
  stated: ReadonlyMap<number, number>,
  temperatureC: number,
  coldC: number,
): number | null {
  const points = [...stated].sort((a, b) => a[0] - b[0]);
  const first = points[0];
  const last = points[points.length - 1];
  if (!first || !last) return null;
  const beyond = ([t, kwh]: readonly [number, number]): number =>
    t > coldC ? (kwh * Math.max(0, temperatureC - coldC)) / (t - coldC) : kwh;
  if (temperatureC <= first[0]) return temperatureC === first[0] ? first[1] : beyond(first);
  if (temperatureC >= last[0]) return temperatureC === last[0] ? last[1] : beyond(last);
  const i = points.findIndex(([t]) => t >= temperatureC);
  const [t0, e0] = points[i - 1] ?? first;
  const [t1, e1] = points[i] ?? last;
  return e0 + ((e1 - e0) * (temperatureC - t0)) / (t1 - t0);
}

/** Share of energy and of water that a run takes however little is in the drum. */
const energyAtEmpty = 0.55;
const waterAtEmpty = 0.6;

export interface MachineRun {
  row: WaterRow;
  fullKwh: number | null;
  fullWaterL: number | null;
  temperatureC: number;
  spinRpm: number;
  massKg: number;
  fill: number;
  coldC: number;
  extraRinse: boolean;
}

/** Share of a full load's energy that a drum filled so far takes. */
export const energyShareAt = (fill: number): number => energyAtEmpty + (1 - energyAtEmpty) * fill;

/** kWh of this run. A stated figure holds for a full load and shrinks with the fill; without one the model speaks. */
export const runKwh = (r: MachineRun): number =>
  r.fullKwh === null
    ? modelKwh(r.row, r.massKg, r.temperatureC, r.coldC, r.spinRpm)
    : r.fullKwh * energyShareAt(r.fill);
/** Litres of this run, an extra rinse included. */
export function runWaterL(r: MachineRun): number {
  const extra = r.extraRinse ? rows[r.row].rinseA + rows[r.row].rinseB * r.massKg : 0;
  return (
    extra +
    (r.fullWaterL === null ? modelWaterL(r.row, r.massKg) : r.fullWaterL * (waterAtEmpty + (1 - waterAtEmpty) * r.fill))
  );
}

export const runMoney = (kwh: number, perKwh: number, waterL: number, perM3: number, detergent = 0): number =>
  kwh * perKwh + (waterL / 1000) * perM3 + detergent;
/** g CO2e of a run; grid factor in g per kWh. */
export const runCo2G = (kwh: number, gridGPerKwh: number, waterL: number, detergentG = 0): number =>
  kwh * gridGPerKwh + 0.7 * waterL + 1.8 * detergentG;
/** Money of a run that starts so many minutes after midnight, minute by minute; the heat falls into the first 35 %. */
export function tariffMoney(
  heatKwh: number,
  motorKwh: number,
  startMin: number,
  durationMin: number,
  windows: readonly (readonly [number, number, number])[],
  otherwise: number,
): number {
  const n = Math.max(1, Math.floor(durationMin + 0.5));
  const heating = Math.max(1, Math.floor(0.35 * n + 0.5));
  let money = 0;
  for (let i = 0; i < n; i++) {
    const minute = (startMin + i + 0.5) % 1440;
    const price =
      windows.find(([from, to]) =>
        from === to ? false : from < to ? minute >= from && minute < to : minute >= from || minute < to,
      )?.[2] ?? otherwise;
    money += price * (motorKwh / n + (i < heating ? heatKwh / heating : 0));
  }
  return money;
}
