/** Two pieces may not be called alike: the second gets a word that tells them apart. */
export interface Telling {
  name: string;
  owner: string;
  size: string;
}
/**
 * A name nobody has yet: with the owner, with the size, else with a number.
 * @example distinctName({ name: 'Jeans', owner: 'Ida', size: 'M' }, new Set(['jeans'])) // 'Jeans, Ida'
 */
export function distinctName(piece: Telling, taken: ReadonlySet<string>): string {
  const free = (name: string): boolean => !taken.has(name.toLowerCase());
  const longest = 72;
  const name = piece.name.slice(0, longest).trim();
  const tries = [
    piece.name,
    ...(piece.owner ? [`${name}, ${piece.owner}`] : []),
    ...(piece.size === 'M' ? [] : [`${name}, ${piece.size}`]),
  ];
  const found = tries.find((t) => t.length <= 80 && free(t));
  if (found) return found;
  for (let n = 2; ; n++) if (free(`${name} ${n}`)) return `${name} ${n}`;
}
