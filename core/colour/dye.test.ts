/** How willingly clean cloth takes up loose dye: what dyes a fibre well in the dyehouse stains it in the drum. */
import { expect, test } from '@jest/globals';
import { bleedingDye, dyeUptake, type BleedingDye } from './dye.ts';

test.each<[BleedingDye, cotton: number, viscose: number, wool: number, silk: number, nylon: number, polyester: number]>(
  [
    ['indigo', 0.6, 0.65, 0.5, 0.5, 0.7, 0.15],
    ['direct', 1, 1, 0.6, 0.7, 0.7, 0.05],
    ['reactive', 0.8, 0.9, 0.6, 0.6, 0.5, 0.05],
    ['sulphur', 0.7, 0.7, 0.3, 0.3, 0.3, 0.05],
    ['acid', 0.15, 0.2, 0.9, 1, 1, 0.05],
    ['disperse', 0.2, 0.2, 0.3, 0.3, 0.8, 1],
    ['natural', 0.6, 0.7, 0.9, 1, 0.7, 0.1],
  ],
)('%s is taken up by cotton %d, viscose %d, wool %d, silk %d, nylon %d, polyester %d', (dye, ...shares) =>
  expect((['cotton', 'viscose', 'wool', 'silk', 'nylon', 'polyester'] as const).map((f) => dyeUptake(dye, f))).toEqual(
    shares,
  ),
);
test('cloth takes up dye by its fibre, however it is made', () => {
  for (const [like, fibre] of [
    ['terry', 'cotton'],
    ['denim', 'cotton'],
    ['lyocell', 'viscose'],
    ['fleece', 'polyester'],
    ['elastane', 'nylon'],
  ] as const)
    expect(dyeUptake('direct', like)).toBe(dyeUptake('direct', fibre));
});
test('an unknown dye is judged by its colour, and stains every fibre alike', () => {
  const red = { red: true, strongestClass: 'bright' } as const;
  expect(bleedingDye('unknown', red)).toBe('unknown-red');
  expect(bleedingDye('unknown', { red: false, strongestClass: 'black' })).toBe('unknown-dark');
  expect(bleedingDye('unknown', { red: false, strongestClass: 'mid' })).toBe('unknown-other');
  expect(bleedingDye('undyed', red)).toBeNull();
  expect([dyeUptake('unknown-red', 'polyester'), dyeUptake('unknown-red', 'cotton')]).toEqual([0.8, 0.8]);
});
