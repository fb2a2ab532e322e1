// The household's own certificate: an authority that this machine made for itself, and what the home network is encrypted with, signed by it.
import { createHash, X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const days = 397; // browsers take none that is good for longer
const renewMs = 14 * 86_400_000;

/** The addresses under which the home network finds this machine. */
export const networkAddresses = () =>
  Object.values(os.networkInterfaces())
    .flat()
    .filter((i) => i && !i.internal && i.family === 'IPv4')
    .map((i) => i.address)
    .sort();

const write = (file, text) => writeFileSync(file, text, { mode: 0o600 });
const until = (amount) => new Date(Date.now() + amount * 86_400_000);
const still = (file, names) => {
  if (!existsSync(file)) return false;
  const cert = new X509Certificate(readFileSync(file));
  const known = cert.subjectAltName ?? '';
  return Date.parse(cert.validTo) > Date.now() + renewMs && names.every((n) => known.includes(n));
};

/** The certificate for these names, made anew when one is missing or it ends soon. Answers its files and its fingerprint. */
export async function ownCertificate(folder, names) {
  const { generate } = await import('selfsigned');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = (name) => path.join(folder, name);
  const [authority, authorityKey, cert, key] = ['authority.crt', 'authority.key', 'home.crt', 'home.key'].map(file);
  const usual = { algorithm: 'sha256', keyType: 'ec', curve: 'P-256' };
  if (!existsSync(authority) || !existsSync(authorityKey)) {
    const made = await generate([{ name: 'commonName', value: `Neat Fold at home (${os.hostname()})` }], {
      ...usual,
      notAfterDate: until(3_650),
      extensions: [
        { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
        { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
      ],
    });
    write(authorityKey, made.private);
    write(authority, made.cert);
  }
  if (!still(cert, names) || !existsSync(key)) {
    const made = await generate([{ name: 'commonName', value: 'Neat Fold' }], {
      ...usual,
      notAfterDate: until(days),
      ca: { key: readFileSync(authorityKey, 'utf8'), cert: readFileSync(authority, 'utf8') },
      extensions: [
        { name: 'basicConstraints', cA: false, critical: true },
        { name: 'keyUsage', digitalSignature: true, critical: true },
        { name: 'extKeyUsage', serverAuth: true },
        {
          name: 'subjectAltName',
          altNames: names.map((n) => (/^[\d.]+$/.test(n) ? { type: 7, ip: n } : { type: 2, value: n })),
        },
      ],
    });
    write(key, made.private);
    write(cert, made.cert);
  }
  const { raw } = new X509Certificate(readFileSync(cert));
  const fingerprint = createHash('sha256').update(raw).digest('hex').toUpperCase().match(/../g).join(':');
  return { cert, key, authority, fingerprint };
}
