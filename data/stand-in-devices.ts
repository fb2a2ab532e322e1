/** Lets the stand-ins of a machine, a meter, a sensor of the room and a weather service into the demo household; their tokens lie beside the database, readable by its owner alone. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { addDevice, deviceHome } from './devices.ts';
import { inHousehold } from './client.ts';
import { readHousehold } from './household.ts';
import { demoHouseholdId } from './demo/id.ts';

const wanted = [
  { kind: 'washer', name: 'Kitchen machine (stand-in)' },
  { kind: 'meter', name: 'Plug in the kitchen (stand-in)' },
  { kind: 'room', name: 'Sensor over the rack (stand-in)' },
  { kind: 'weather', name: 'Weather on the quay (stand-in)' },
] as const;

/** Does nothing when the tokens of the file are still good. */
export async function letStandInsIn(file: string): Promise<void> {
  const known = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>) : {};
  const good = await Promise.all(wanted.map(async (w) => (await deviceHome(known[w.kind] ?? '')) !== null));
  if (good.every(Boolean)) return;
  const tokens = await inHousehold(demoHouseholdId, async (tx) => {
    const washer = (await readHousehold(tx))?.document.washers?.[0];
    if (!washer) return null;
    const out: Record<string, string> = {};
    for (const { kind, name } of wanted)
      out[kind] = (
        await addDevice(tx, demoHouseholdId, {
          kind,
          name,
          washerId: kind === 'washer' || kind === 'meter' ? washer.id : '',
        })
      ).token;
    return out;
  });
  if (tokens) writeFileSync(file, JSON.stringify(tokens), { mode: 0o600 });
}
