/** How far plans agree with a careful launderer on the seven baskets beside this file; the floors are those of `docs/model.md`. */
import { beforeAll, describe, expect, test } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import path from 'node:path';

const root = process.cwd();
const floors = { company: 85, gathered: 95, temperature: 95, all: 95 } as const;
/** With any one basket left out the rest must still hold this much, and no basket may fall below its own floor. */
const leftOut = { companyOfTheRest: 82, companyOfOne: 65 } as const;

interface Row {
  basket: string;
  company: number;
  gathered: number;
  temperature: number;
  all: number;
}
let rows: Row[] = [];
let total: Row;

beforeAll(() => {
  const text = execFileSync(process.execPath, [path.join(root, 'calibration/agreement.mjs'), '--project', root], {
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  const cells = text
    .split('\n')
    .filter((line) => line.startsWith('| ') && !line.startsWith('| basket'))
    .map((line) => line.split('|').map((cell) => cell.trim()));
  const parsed = cells.map((c): Row => {
    const [, basket = '', , company, gathered, temperature] = c;
    return {
      basket,
      company: Number(company),
      gathered: Number(gathered),
      temperature: Number(temperature),
      all: Number(c.at(-2)),
    };
  });
  total = parsed.find((r) => r.basket === 'all') as Row;
  rows = parsed.filter((r) => r.basket !== 'all');
}, 120_000);

const mean = (list: readonly Row[]): number => list.reduce((s, r) => s + r.company, 0) / list.length;

describe('agreement', () => {
  test('seven baskets were sorted', () => expect(rows).toHaveLength(7));
  test('company, as the mean of the baskets', () => expect(mean(rows)).toBeGreaterThanOrEqual(floors.company));
  test('gathered, temperature and all decisions', () => {
    expect(total.gathered).toBeGreaterThanOrEqual(floors.gathered);
    expect(total.temperature).toBeGreaterThanOrEqual(floors.temperature);
    expect(total.all).toBeGreaterThanOrEqual(floors.all);
  });
  test('with each basket left out in turn', () => {
    for (const left of rows) {
      expect([left.basket, mean(rows.filter((r) => r !== left)) >= leftOut.companyOfTheRest]).toEqual([
        left.basket,
        true,
      ]);
      expect([left.basket, left.company >= leftOut.companyOfOne]).toEqual([left.basket, true]);
    }
  });
});
