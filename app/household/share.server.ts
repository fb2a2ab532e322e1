/** How this machine is reached from the home network, as the start command arranged it. */
import { readFileSync } from 'node:fs';
import qrcode from 'qrcode';
import * as v from 'valibot';

const schema = v.object({
  addresses: v.array(v.string()),
  fingerprint: v.string(),
  authority: v.string(),
});
export type Share = v.InferOutput<typeof schema>;

/** null = this machine listens to itself alone. */
export function shareOf(): Share | null {
  const told = process.env.NEAT_FOLD_SHARE;
  if (!told) return null;
  const read = v.safeParse(schema, JSON.parse(told));
  return read.success ? read.output : null;
}
export const authorityCertificate = (share: Share): string => readFileSync(share.authority, 'utf8');
/** A picture of an address for the camera of a phone. */
export const qrOf = (address: string): Promise<string> =>
  qrcode.toString(address, { type: 'svg', errorCorrectionLevel: 'M', margin: 2 });
