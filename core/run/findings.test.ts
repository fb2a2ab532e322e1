import { expect, test } from '@jest/globals';
import { colourHistory } from '../colour/bleed.ts';
import { garment } from '../testing/arbitrary.ts';
import { catcherGrades, piecesRead } from './findings.ts';

const hex = (h: string) => [{ hex: h, role: 'ground' as const }];
const white = garment('white', { colours: hex('#f7f7f4'), dye: 'undyed' });
const green = garment('green', { colours: hex('#2f6f6b') });
const newRed = garment('red', { colours: hex('#be1e2d'), dye: 'unknown', washCount: 0 });

test('a clear catcher clears every dyed piece', () =>
  expect(piecesRead([white, green, newRed], 'clear').map((g) => g.id)).toEqual(['green', 'red']));
test('a coloured one points at the suspects', () =>
  expect(piecesRead([white, green, newRed], 'trace').map((g) => g.id)).toEqual(['red']));
test('without a suspect it points at the strong colours, else at all dyed ones', () => {
  const dark = garment('dark', { colours: hex('#1e2a50'), washCount: 20 });
  expect(piecesRead([white, garment('mid2', { colours: hex('#808890') }), dark], 'strong').map((g) => g.id)).toEqual([
    'dark',
  ]);
  expect(piecesRead([white, garment('mid', { colours: hex('#808890') })], 'strong').map((g) => g.id)).toEqual(['mid']);
  expect(piecesRead([newRed], 'none')).toEqual([]);
});
test('two clear readings earn trust with colours; a trace takes it back; five earn it with whites', () => {
  const read = (...readings: (keyof typeof catcherGrades)[]) =>
    colourHistory({
      ...newRed,
      washCount: readings.length,
      tests: readings.map((r, i) => ({
        kind: 'catcher',
        agent: 'water',
        grade: catcherGrades[r],
        at: `2026-01-0${i + 1}T00:00:00Z`,
      })),
    });
  expect(read('clear').earned).toBe(false);
  expect(read('clear', 'clear').earned).toBe(true);
  expect(read('clear', 'clear', 'trace')).toMatchObject({ earned: false, knownBleeder: true });
  expect(read('clear', 'clear', 'trace', 'clear', 'clear')).toMatchObject({ earned: true, knownBleeder: false });
  expect(read('clear', 'clear', 'clear', 'clear', 'clear').earnedForWhite).toBe(true);
  expect(read('strong')).toMatchObject({ noWater: true });
});
