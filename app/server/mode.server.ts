/** The two ways to run one build: at home on this machine, or hosted for many households with accounts (docs/security.md). */

export const hosted = process.env.NEAT_FOLD_MODE === 'hosted';

/** The address people reach a hosted service at: mail points there, and passkeys are bound to it. */
export const origin = (): string => {
  const wanted = process.env.NEAT_FOLD_ORIGIN ?? `http://localhost:${process.env.PORT ?? '4173'}`;
  if (!URL.canParse(wanted)) throw new Error('NEAT_FOLD_ORIGIN must be an address like https://washing.example');
  return new URL(wanted).origin;
};
/** What signs sessions; the same on every server of a service. */
export const secret = (): string => {
  const words = process.env.NEAT_FOLD_SECRET ?? '';
  if (words.length < 32) throw new Error('NEAT_FOLD_SECRET must be set, 32 characters or more');
  return words;
};
