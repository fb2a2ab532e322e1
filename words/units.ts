/**
 * Quantities in finished sentences, said in the household's units: "at most 40 °C" as "at most 104 °F". Everything is kept and reckoned in SI;
 * this is the last step before a page is shown, so that no sentence has to know about units.
 */
import { fromKept, usualUnits, type UnitChoices } from '@core/units/choices.ts';

type Say = (kept: number) => string;
interface Conversion {
  /** The unit as our sentences write it, and what it is then called. */
  unit: string;
  called: string;
  say: Say;
}
const rounded =
  (digits: number): Say =>
  (x) =>
    String(Number(x.toFixed(digits)));

function conversionsFor(u: UnitChoices): Conversion[] {
  const out: Conversion[] = [];
  if (u.temperature === 'F')
    out.push({ unit: '°C', called: '°F', say: (c) => rounded(0)(fromKept('temperature', 'F', c)) });
  if (u.mass === 'lb') {
    out.push({ unit: 'kg', called: 'lb', say: (kg) => rounded(1)(fromKept('mass', 'lb', kg)) });
    out.push({ unit: 'g', called: 'oz', say: (g) => rounded(g < 100 ? 1 : 0)(fromKept('mass', 'lb', g / 1000) * 16) });
  }
  if (u.volume !== 'ml')
    out.push({
      unit: 'ml',
      called: u.volume === 'floz' ? 'fl oz' : 'tbsp',
      say: (ml) => rounded(1)(fromKept('volume', u.volume, ml)),
    });
  if (u.length === 'in') out.push({ unit: 'cm', called: 'in', say: (cm) => rounded(1)(fromKept('length', 'in', cm)) });
  return out;
}
const number = String.raw`-?\d+(?:\.\d+)?`;
/** A number, a range or "3.1 of 5.3" before a unit that no letter, and no "per litre", follows. */
const quantity = (unit: string): RegExp =>
  new RegExp(`(?<![\\w.])(${number})((?:–| of | or |/)(?:${number}))?( ?)${unit}(?![\\w²³/])(?! per | a litre)`, 'g');

/**
 * @example inUnits('wash at 30–40 °C, 3.1 of 5.3 kg', { ...usualUnits, temperature: 'F', mass: 'lb' }) // 'wash at 86–104 °F, 6.8 of 11.7 lb'
 */
export function inUnits(text: string, units: UnitChoices): string {
  let said = text;
  for (const c of conversionsFor(units)) {
    if (!said.includes(c.unit)) continue;
    said = said.replace(quantity(c.unit), (_, first: string, second: string | undefined, gap: string) => {
      const more = second ? second.replace(new RegExp(number), (x) => c.say(Number(x))) : '';
      return `${c.say(Number(first))}${more}${gap || ' '}${c.called}`;
    });
  }
  return said;
}

/** What people typed, and what is sent back: never said anew. */
const asTyped: ReadonlySet<string> = new Set([
  'start',
  'typed',
  'reply',
  'seen',
  'id',
  'href',
  'name',
  'line',
  'raw',
  'filter',
  'state',
  'key',
]);
const hasOwnUnits = (u: UnitChoices): boolean =>
  u.temperature !== usualUnits.temperature ||
  u.mass !== usualUnits.mass ||
  u.volume !== usualUnits.volume ||
  u.length !== usualUnits.length;

/** A figure that carries its number and its unit apart. */
function figure(value: Record<string, unknown>, units: UnitChoices): Record<string, unknown> | null {
  if (typeof value.value !== 'string' || typeof value.unit !== 'string' || !/^-?\d+(\.\d+)?$/.test(value.value))
    return null;
  const c = conversionsFor(units).find((x) => x.unit === value.unit);
  return c ? { ...value, value: c.say(Number(value.value)), unit: c.called } : null;
}
/** Everything a page shows, with its quantities said in the household's units. */
export function pageInUnits<T>(page: T, units: UnitChoices): T {
  if (!hasOwnUnits(units)) return page;
  const walk = (value: unknown): unknown => {
    if (typeof value === 'string') return inUnits(value, units);
    if (Array.isArray(value)) return value.map(walk);
    if (value === null || typeof value !== 'object' || Object.getPrototypeOf(value) !== Object.prototype) return value;
    const own = figure(value as Record<string, unknown>, units) ?? (value as Record<string, unknown>);
    return Object.fromEntries(Object.entries(own).map(([k, x]) => [k, asTyped.has(k) ? x : walk(x)]));
  };
  return walk(page) as T;
}
