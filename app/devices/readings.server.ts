/**
 * Readings of devices over HTTP (docs/devices.md): a token names the device, and with it the household; what it says is kept, and moves the load
 * that runs in its machine.
 */
import type { Request, Response } from 'express';
import * as v from 'valibot';
import { machinePhases } from '@core/run/phases.ts';
import { inHousehold, isUnavailable, NotOpened, type Door } from '@data/client.ts';
import { deviceHome, digestOfToken, keepSamples, listDevices, type Device, type DeviceSample } from '@data/devices.ts';
import { keepWeather } from '@data/wet.ts';
import { changeRunning, runningLoads } from '@data/loads.ts';
import type { Scope } from '../server/request.server.ts';
import { meterRun, samplesOfRun } from '../wash/device-now.server.ts';
import { noteEnd } from '../wash/run.server.ts';

const most = { samples: 500, hours: 240, watts: 20_000, counterS: 1e9 } as const;
const finite = (low: number, high: number) => v.pipe(v.number(), v.finite(), v.minValue(low), v.maxValue(high));
const sample = v.object({
  at: v.pipe(v.string(), v.isoTimestamp()),
  counterS: finite(0, most.counterS),
  watts: v.optional(finite(0, most.watts)),
  phase: v.optional(v.picklist(machinePhases)),
  remainingMin: v.optional(finite(0, 1_440)),
  error: v.optional(v.pipe(v.string(), v.maxLength(40), v.regex(/^[\w .:-]*$/))),
  temperatureC: v.optional(finite(-40, 60)),
  humidity: v.optional(finite(0, 1)),
});
const weatherHour = v.object({
  at: v.pipe(v.string(), v.isoTimestamp()),
  temperatureC: finite(-60, 60),
  humidity: finite(0, 1),
  windMPerS: finite(0, 60),
  rainMm: finite(0, 300),
});
const body = v.object({
  format: v.literal('neat-fold/readings'),
  version: v.literal(1),
  readings: v.optional(v.pipe(v.array(sample), v.maxLength(most.samples)), []),
  forecast: v.optional(v.pipe(v.array(weatherHour), v.maxLength(most.hours)), []),
});
const filledBody = v.pipe(
  body,
  v.check((b) => b.readings.length + b.forecast.length > 0, 'readings: at least one, or a forecast'),
);
/** Clocks of devices are not ours: a little ahead is believed, the rest is now. */
const aheadMs = 60_000;
const oldestMs = 12 * 3_600_000;

const tokenOf = (request: Request): string | null =>
  /^Bearer ([\w-]{16,128})$/.exec(request.headers.authorization ?? '')?.[1] ?? null;
const refuse = (response: Response, status: number, problem: string) =>
  response.status(status).json({ ok: false, problem });

/** What the newest readings mean for the load in the device's machine. */
async function moveLoad(scope: Scope, device: Device): Promise<void> {
  const load = (await runningLoads(scope.tx)).find((l) => l.load.washer === device.washerId);
  if (!load?.startedAt || load.measured) return;
  const samples = await samplesOfRun(scope, device, load.startedAt);
  const last = samples.at(-1);
  if (!last) return;
  if (device.kind === 'meter') {
    const { reading, endedAt } = meterRun(samples, load.load.durationMin, load.load.spinRpm > 0);
    if (reading.stoppedS !== null && load.trouble === null)
      await changeRunning(scope.tx, load.id, { trouble: 'error' });
    if (reading.endedS === null || reading.beganS === null || !endedAt) return;
    await noteEnd(scope, load, endedAt, {
      kwh: Math.round(reading.kwh * 1000) / 1000,
      by: 'meter',
      minutes: (reading.endedS - reading.beganS) / 60,
    });
    return;
  }
  if (last.phase === 'error') await changeRunning(scope.tx, load.id, { trouble: 'error' });
  else if (last.phase === 'ended') {
    const began = samples.find((s) => s.phase !== 'idle' && s.phase !== 'ended');
    const end = samples.find((s) => s.phase === 'ended') ?? last;
    await noteEnd(scope, load, end.at, {
      kwh: null,
      by: 'machine',
      minutes: began ? (end.counterS - began.counterS) / 60 : undefined,
    });
  } else {
    const endsAt = last.remainingMin === null ? load.endsAt : new Date(last.at.getTime() + last.remainingMin * 60_000);
    await changeRunning(scope.tx, load.id, { trouble: null, ...(endsAt ? { endsAt } : {}) });
  }
}

/** POST /devices/v1/readings */
export async function takeReadings(request: Request, response: Response): Promise<void> {
  response.set('Cache-Control', 'no-store');
  const token = tokenOf(request);
  try {
    const home = token && (await deviceHome(token));
    if (!home) return void refuse(response, 401, 'no device is known by this token');
    const read = v.safeParse(filledBody, request.body);
    if (!read.success) {
      const [issue] = read.issues;
      return void refuse(response, 422, `${v.getDotPath(issue) ?? 'body'}: ${issue.message}`);
    }
    const now = new Date();
    const samples = read.output.readings.flatMap((r): DeviceSample[] => {
      const at = new Date(Math.min(Date.parse(r.at), now.getTime() + aheadMs));
      return now.getTime() - at.getTime() > oldestMs
        ? []
        : [
            {
              at,
              counterS: r.counterS,
              watts: r.watts ?? null,
              phase: r.phase ?? null,
              remainingMin: r.remainingMin ?? null,
              error: r.error ?? null,
              temperatureC: r.temperatureC ?? null,
              humidity: r.humidity ?? null,
            },
          ];
    });
    const door: Door = { householdId: home.householdId, key: { by: 'device', proof: digestOfToken(token) } };
    await inHousehold(door, async (tx) => {
      await keepSamples(tx, home.householdId, home.deviceId, samples, now);
      const device = (await listDevices(tx)).find((d) => d.id === home.deviceId);
      if (!device) return;
      if (device.kind === 'weather')
        await keepWeather(
          tx,
          home.householdId,
          read.output.forecast.map((w) => ({ ...w, at: new Date(w.at) })),
          now,
        );
      else if (device.kind !== 'room')
        await moveLoad({ tx, householdId: home.householdId, now, actor: device.name }, device);
    });
    response.json({ ok: true, kept: samples.length + read.output.forecast.length });
  } catch (error) {
    if (error instanceof NotOpened) return void refuse(response, 401, 'no device is known by this token');
    if (!isUnavailable(error)) throw error;
    response.set('Retry-After', '5');
    refuse(response, 503, 'the database gives no answer');
  }
}
