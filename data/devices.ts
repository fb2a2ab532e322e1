/** Machines and meters that report by themselves: who they are, and what they said. */
import { and, asc, desc, eq, gte, isNull, lt, sql } from 'drizzle-orm';
import { createHash, randomBytes } from 'node:crypto';
import { database, type Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import { devices, deviceSamples, type DeviceKind } from './schema.ts';

export interface Device {
  id: string;
  name: string;
  kind: DeviceKind;
  washerId: string;
  createdAt: Date;
  lastSeenAt: Date | null;
}
const columns = {
  id: devices.id,
  name: devices.name,
  kind: devices.kind,
  washerId: devices.washerId,
  createdAt: devices.createdAt,
  lastSeenAt: devices.lastSeenAt,
};
export const digestOfToken = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Let a device in: its token is told once and kept as a digest only. */
export async function addDevice(
  tx: Transaction,
  householdId: string,
  device: Pick<Device, 'name' | 'kind' | 'washerId'>,
  token = randomBytes(24).toString('base64url'),
): Promise<{ id: string; token: string }> {
  const [row] = await tx
    .insert(devices)
    .values({ householdId, ...device, tokenDigest: digestOfToken(token) })
    .returning({ id: devices.id });
  if (!row) throw new Error('the device was not stored');
  return { id: row.id, token };
}
export const listDevices = (tx: Transaction): Promise<Device[]> =>
  tx.select(columns).from(devices).where(isNull(devices.revokedAt)).orderBy(asc(devices.createdAt));
/** Its token opens nothing any more. */
export async function revokeDevice(tx: Transaction, id: string, at: Date): Promise<boolean> {
  if (!isUuid(id)) return false;
  const done = await tx
    .update(devices)
    .set({ revokedAt: at })
    .where(and(eq(devices.id, id), isNull(devices.revokedAt)))
    .returning({ id: devices.id });
  return done.length === 1;
}
/** Whose device a token belongs to; null = nobody's. */
export async function deviceHome(token: string): Promise<{ householdId: string; deviceId: string } | null> {
  const { rows } = await database().execute<{ household: string; device: string }>(
    sql`select household, device from device_home(${digestOfToken(token)})`,
  );
  const [row] = rows;
  return row ? { householdId: row.household, deviceId: row.device } : null;
}

export type DeviceSample = Pick<
  typeof deviceSamples.$inferSelect,
  'at' | 'counterS' | 'watts' | 'phase' | 'remainingMin' | 'error' | 'temperatureC' | 'humidity'
>;
const sampleColumns = {
  at: deviceSamples.at,
  counterS: deviceSamples.counterS,
  watts: deviceSamples.watts,
  phase: deviceSamples.phase,
  remainingMin: deviceSamples.remainingMin,
  error: deviceSamples.error,
  temperatureC: deviceSamples.temperatureC,
  humidity: deviceSamples.humidity,
};
/** Samples are of use for a run; after two days they go. */
const keptMs = 2 * 86_400_000;
export async function keepSamples(
  tx: Transaction,
  householdId: string,
  deviceId: string,
  list: readonly DeviceSample[],
  now: Date,
): Promise<void> {
  if (list.length > 0) await tx.insert(deviceSamples).values(list.map((s) => ({ householdId, deviceId, ...s })));
  await tx.update(devices).set({ lastSeenAt: now }).where(eq(devices.id, deviceId));
  await tx.delete(deviceSamples).where(lt(deviceSamples.at, new Date(now.getTime() - keptMs)));
}
export const samplesSince = (tx: Transaction, deviceId: string, since: Date): Promise<DeviceSample[]> =>
  tx
    .select(sampleColumns)
    .from(deviceSamples)
    .where(and(eq(deviceSamples.deviceId, deviceId), gte(deviceSamples.at, since)))
    .orderBy(asc(deviceSamples.id));
/** The newest thing a device said. */
export async function newestSample(tx: Transaction, deviceId: string): Promise<DeviceSample | null> {
  const [row] = await tx
    .select(sampleColumns)
    .from(deviceSamples)
    .where(eq(deviceSamples.deviceId, deviceId))
    .orderBy(desc(deviceSamples.id))
    .limit(1);
  return row ?? null;
}
