/** What a machine or its meter says of the load that runs in it. */
import { onOneCounter, readMeter, type MachinePhase, type MeterReading } from '@core/run/phases.ts';
import { listDevices, samplesSince, type Device, type DeviceSample } from '@data/devices.ts';
import type { LoadView } from '@data/loads.ts';
import type { Scope } from '../server/request.server.ts';

export interface DeviceNow {
  name: string;
  phase: string;
  /** kWh so far; null = it does not measure. */
  kwh: number | null;
  remainingMin: number | null;
  /** Nothing was heard from it for a while. */
  lost: boolean;
  error: string | null;
}
const phaseWords: Record<MachinePhase, string> = {
  idle: 'waiting',
  fill: 'filling',
  heating: 'heating',
  tumbling: 'washing',
  rinse: 'rinsing',
  spin: 'spinning',
  pause: 'a pause',
  ended: 'ended',
  error: 'stopped with an error',
};
/** A device that is silent for so long has lost contact. */
const silentMs = 3 * 60_000;
/** The machine may have been switched on a little before the load was started here. */
const beforeStartMs = 2 * 60_000;

/** What the meter's watts say of a run, and when it had ended by the clock on the wall. */
export function meterRun(
  samples: readonly DeviceSample[],
  expectedMin: number,
  spins: boolean,
): { reading: MeterReading; endedAt: Date | null } {
  const watts = onOneCounter(
    samples.flatMap((x) => (x.watts === null ? [] : [{ at: x.at.getTime(), s: x.counterS, watts: x.watts }])),
  );
  const reading = readMeter(watts, expectedMin * 60, spins);
  const end = reading.endedS;
  const at = end === null ? undefined : watts.find((x) => x.s >= end)?.at;
  return { reading, endedAt: at === undefined ? null : new Date(at) };
}
export const samplesOfRun = ({ tx }: Pick<Scope, 'tx'>, device: Device, startedAt: Date): Promise<DeviceSample[]> =>
  samplesSince(tx, device.id, new Date(startedAt.getTime() - beforeStartMs));

/** Every device of the load's machine that has spoken since the start. */
export async function devicesNow(scope: Scope, load: LoadView): Promise<DeviceNow[]> {
  const { startedAt } = load;
  if (!startedAt) return [];
  const devices = (await listDevices(scope.tx)).filter((d) => d.washerId === load.load.washer);
  const told: { device: Device; samples: DeviceSample[] }[] = [];
  for (const device of devices) told.push({ device, samples: await samplesOfRun(scope, device, startedAt) });
  return told.flatMap(({ device, samples }): DeviceNow[] => {
    const last = samples.at(-1);
    if (!last) return [];
    const lost = scope.now.getTime() - last.at.getTime() > silentMs;
    const { name } = device;
    if (device.kind === 'washer')
      return [
        {
          name,
          phase: phaseWords[last.phase ?? 'idle'],
          kwh: null,
          remainingMin: last.remainingMin,
          lost,
          error: last.error,
        },
      ];
    const { reading } = meterRun(samples, load.load.durationMin, load.load.spinRpm > 0);
    return [
      {
        name,
        phase: phaseWords[reading.phase],
        kwh: Math.round(reading.kwh * 100) / 100,
        remainingMin: null,
        lost,
        error: null,
      },
    ];
  });
}
