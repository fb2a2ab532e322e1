/** What a load is called: what is in it, its shade, how hot, by hand or not. */
import type { Use } from '../garment/kinds.ts';
import { say, type Message } from '../message/message.ts';
import { isDenim, type Profile } from '../piece/profile.ts';
import { sum } from '../units/numbers.ts';

export type Contents =
  | Exclude<Use, 'clothes'>
  | 'linen'
  | 'wool'
  | 'silk'
  | 'denim'
  | 'sports'
  | 'shirts'
  | 'delicates'
  | 'clothes'
  | 'mixed';
export type Shade = 'white' | 'light' | 'dark' | 'red' | 'coloured' | 'any';

/** What makes less of the load than this is not named. */
const namedShare = 0.15;
const linen: readonly Contents[] = ['towel', 'bed', 'body', 'baby', 'kitchen'];
const fineCloth: readonly Contents[] = ['wool', 'silk', 'delicates'];
const clothing: readonly Contents[] = [...fineCloth, 'denim', 'sports', 'shirts', 'clothes'];

function contentsOf(p: Profile): Contents {
  const { use } = p.garment;
  if (use !== 'clothes') return use;
  if (p.isWool) return 'wool';
  if (p.isSilk) return 'silk';
  if (isDenim(p.garment)) return 'denim';
  if (p.isSport) return 'sports';
  if (p.isShirt) return 'shirts';
  return p.family === 'delicate' ? 'delicates' : 'clothes';
}

/** Several kinds of clothing are clothes, several of fine cloth delicates, three kinds of linen linen. */
function gathered(found: readonly Contents[]): Contents[] {
  const clothes = found.filter((c) => clothing.includes(c));
  const rest = found.filter((c) => !clothing.includes(c));
  const [only] = clothes;
  const one: Contents[] =
    clothes.length > 1 ? [clothes.every((c) => fineCloth.includes(c)) ? 'delicates' : 'clothes'] : only ? [only] : [];
  const linens: Contents[] = rest.length > 2 && rest.every((c) => linen.includes(c)) ? ['linen'] : [...rest];
  const all = [...linens, ...one];
  return all.length > 2 ? ['mixed'] : all;
}

function shadeOf(pieces: readonly Profile[]): Shade {
  const every = (test: (p: Profile) => boolean): boolean => pieces.every(test);
  if (every((p) => p.whiteLike)) return 'white';
  if (every((p) => p.pale)) return 'light';
  if (every((p) => ['dark', 'black'].includes(p.history.colour.class))) return 'dark';
  if (every((p) => p.history.colour.red)) return 'red';
  return every((p) => !p.pale) ? 'coloured' : 'any';
}

/**
 * The name of a load; a load of one piece is named after it.
 * @example titleOf(loadName(towels, { celsius: 60, method: 'machine' })) // 'White towels, 60'
 */
export function loadName(
  pieces: readonly Profile[],
  { celsius, method }: { celsius: number; method: 'machine' | 'hand' },
): Message {
  const [first] = pieces;
  if (first && pieces.length === 1)
    return say('load.one', { name: first.garment.name, count: first.garment.count, celsius, method });
  const kg = new Map<Contents, number>();
  for (const p of pieces) kg.set(contentsOf(p), (kg.get(contentsOf(p)) ?? 0) + p.massKg);
  const total = sum([...kg.values()]);
  const found = [...kg].sort((a, b) => b[1] - a[1]).flatMap(([c, x]) => (x >= namedShare * total ? [c] : []));
  return say('load.name', { contents: gathered(found), shade: shadeOf(pieces), celsius, method });
}
