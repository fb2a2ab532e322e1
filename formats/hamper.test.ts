import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { textOfBytes } from './json.ts';
import { readHamper, readHamperValue, type HamperDocument } from './hamper.ts';
import { documentSchemas, jsonSchemaOf, type DocumentName } from './json-schema.ts';
import { documentText, planHamper, planSchema } from './plan.ts';
import { problemLine } from './problem.ts';
import * as v from 'valibot';

const good = (): HamperDocument => ({
  format: 'neat-fold/hamper',
  version: 1,
  now: '2026-05-09T08:00:00+02:00',
  household: {
    washers: [
      {
        id: 'w1',
        programmes: [
          {
            id: 'c',
            family: 'cotton',
            action: 'normal',
            temperaturesC: [30, 60],
            spinsRpm: [0, 800, 1200],
            maxLoadKg: 8,
            durationMin: 120,
          },
        ],
      },
    ],
    basins: [{ id: 'b1', shape: 'tapered', topDiameterCm: 30, bottomDiameterCm: 22, depthCm: 27 }],
    products: [{ id: 'p1', class: 'colour', form: 'liquid' }],
  },
  garments: [1, 2, 3].map((n) => ({
    id: `g${n}`,
    name: `Tee ${n}`,
    kind: 'tshirt' as const,
    parts: [{ role: 'shell' as const, fibres: [{ fibre: 'cotton' as const, percent: 100 }] }],
    colours: [{ hex: '#d9c7a4', role: 'ground' as const }],
    soil: 'heavy' as const,
    neededBy: '2026-05-10T08:00:00+02:00',
  })),
});
/** Change one place of a good document and return its problems as lines. */
function problems(
  change: (
    d: Record<string, unknown> & { household: Record<string, unknown>; garments: Record<string, unknown>[] },
  ) => void,
): string[] {
  const d = JSON.parse(JSON.stringify(good())) as Parameters<typeof change>[0];
  change(d);
  const read = readHamperValue(d);
  return read.ok ? [] : read.problems.map(problemLine);
}

describe('reading a hamper', () => {
  test('defaults are filled as the format says', () => {
    const read = readHamperValue(good());
    if (!read.ok) throw new Error('must be readable');
    const { household, garments } = read.value.request;
    expect(household).toMatchObject({
      daysToNextWash: 3,
      water: { hardnessMmolPerL: 2, coldC: 12, hotC: 55 },
      tariff: { electricityPerKwh: 0.3, waterPerM3: 4.5 },
      rules: { colourPiles: 'bleed-risk', tumble: 'never', priority: 'balanced' },
    });
    expect(household.washers[0]).toMatchObject({ loading: 'front', drumRadiusM: 0.24, drumVolumeL: 58 });
    expect(garments[0]).toMatchObject({
      dye: 'unknown',
      size: 'M',
      washCount: 0,
      wearsSinceWash: 1,
      activity: 'normal',
      nextToSkin: true,
      valueEur: 20,
      include: true,
      label: null,
    });
  });
  test('the plan of a document is a valid plan document, byte for byte the same each time', () => {
    const read = readHamper(JSON.stringify(good()));
    if (!read.ok) throw new Error('must be readable');
    const plan = planHamper(read.value);
    expect(v.safeParse(planSchema, plan).success).toBe(true);
    expect(plan.loads.flatMap((l) => l.garments)).toEqual(['g1', 'g2', 'g3']);
    expect(documentText(planHamper(read.value))).toBe(documentText(plan));
  });
  test('unknown keys are ignored with a warning that names them', () => {
    const read = readHamperValue({ ...good(), shelf: 1, household: { ...good().household, colour: 'blue' } });
    if (!read.ok) throw new Error('must be readable');
    expect(read.value.unknownKeys).toEqual(expect.arrayContaining(['household.colour', 'shelf']));
    expect(planHamper(read.value).warnings.filter((w) => w.code === 'unknown-key')).toHaveLength(2);
  });
});

describe('hostile documents', () => {
  const problems = (text: string): string[] => {
    const read = readHamper(text);
    return read.ok ? [] : read.problems.map((p) => `${p.path}: ${p.message}`);
  };
  test('a key that stands twice is refused where it stands, not taken silently', () => {
    const text = JSON.stringify(good()).replace('"garments":[{', '"garments":[{"soil":"heavy","soil":"light",');
    expect(problems(text)).toEqual(['garments[0].soil: stands here twice']);
    expect(problems('{"format":1,"format":2}')).toEqual(['format: stands here twice']);
    // The same key in two objects is no doubling.
    expect(problems(JSON.stringify(good()))).toEqual([]);
  });
  test('thousands of unknown keys are named once and counted', () => {
    const many = Object.fromEntries(Array.from({ length: 5_000 }, (_, i) => [`${'k'.repeat(3_000)}${i}`, 1]));
    const read = readHamperValue({ ...good(), ...many });
    if (!read.ok) throw new Error('must be readable');
    expect(read.value.unknownKeys.length).toBe(51);
    expect(read.value.unknownKeys.at(-1)).toBe('and 4950 more');
    expect(JSON.stringify(read.value.unknownKeys).length).toBeLessThan(12_000);
  });
  test('as many pieces as a plan takes half a minute for, and not one more', () => {
    const piece = good().garments[0]!;
    const of = (n: number) => ({
      ...good(),
      garments: Array.from({ length: n }, (_, i) => ({ ...piece, id: `p${i}` })),
    });
    expect(readHamperValue(of(1_500)).ok).toBe(true);
    const read = readHamperValue(of(1_501));
    expect(read.ok ? [] : read.problems).toEqual([{ path: 'garments', message: 'must hold at most 1500 pieces' }]);
  });
  test('bytes that are no UTF-8 are no text', () => {
    expect(textOfBytes(new TextEncoder().encode('é 布'))).toBe('é 布');
    expect(textOfBytes(Uint8Array.from([0x7b, 0xff, 0x7d]))).toBeNull();
    expect(textOfBytes(Uint8Array.from([0xed, 0xa0, 0x80]))).toBeNull();
  });
});

describe('bad documents name the path', () => {
  test.each([
    [
      'a share over 100',
      (d) => {
        (d.garments[0]!.parts as { fibres: { percent: number }[] }[])[0]!.fibres[0]!.percent = 300;
      },
      'garments[0].parts[0].fibres[0].percent: must be between 0 and 100',
    ],
    [
      'shares that miss 100',
      (d) => {
        (d.garments[0]!.parts as { fibres: { percent: number }[] }[])[0]!.fibres[0]!.percent = 90;
      },
      'garments[0].parts[0].fibres: percentages must sum to 100',
    ],
    [
      'an unknown fibre',
      (d) => {
        (d.garments[1]!.parts as { fibres: { fibre: string }[] }[])[0]!.fibres[0]!.fibre = 'unobtainium';
      },
      /^garments\[1\]\.parts\[0\]\.fibres\[0\]\.fibre: must be one of cotton, linen/,
    ],
    [
      'an unknown trait',
      (d) => {
        d.garments[0]!.features = ['wings'];
      },
      /^garments\[0\]\.features\[0\]: must be one of woven/,
    ],
    [
      'no ground',
      (d) => {
        d.garments[0]!.colours = [{ hex: '#ffffff', role: 'print' }];
      },
      'garments[0].colours: must have at least one ground',
    ],
    [
      'a bad colour',
      (d) => {
        d.garments[0]!.colours = [{ hex: 'blue', role: 'ground' }];
      },
      'garments[0].colours[0].hex: must be a colour like #2f6f6b',
    ],
    [
      'an unusual label temperature',
      (d) => {
        d.garments[0]!.label = { wash: { by: 'machine', maxC: 45 } };
      },
      'garments[0].label.wash.maxC: must be one of 30, 40, 50, 60, 70, 95',
    ],
    [
      'a wrong wash kind',
      (d) => {
        d.garments[0]!.label = { wash: { by: 'magic' } };
      },
      /^garments\[0\]\.label\.wash\.by: must be/,
    ],
    [
      'a list for an object',
      (d) => {
        (d as Record<string, unknown>).household = [];
      },
      'household: must be an object',
    ],
    [
      'a list for a label',
      (d) => {
        d.garments[1]!.label = [];
      },
      'garments[1].label: must be an object',
    ],
    [
      'text for a number',
      (d) => {
        d.garments[0]!.washCount = 'many';
      },
      'garments[0].washCount: must be a number',
    ],
    [
      'a missing name',
      (d) => {
        delete d.garments[0]!.name;
      },
      'garments[0].name: is required',
    ],
    [
      'a double id',
      (d) => {
        d.garments[1]!.id = 'g1';
      },
      'garments[1].id: "g1" is already used',
    ],
    [
      'kind other without weight',
      (d) => {
        d.garments[0]!.kind = 'other';
      },
      'garments[0].dryMassG: is required for kind "other"',
    ],
    [
      'a round basin without diameter',
      (d) => {
        d.household.basins = [{ id: 'b', shape: 'round', depthCm: 20 }];
      },
      'household.basins[0].diameterCm: is required for a round basin',
    ],
    [
      'a time without offset',
      (d) => {
        d.now = '2026-05-09 08:00';
      },
      /^now: must be a time with offset/,
    ],
    [
      'another format',
      (d) => {
        d.format = 'something';
      },
      'format: must be neat-fold/hamper',
    ],
    [
      'too hard water',
      (d) => {
        d.household.water = { hardnessMmolPerL: 11 };
      },
      'household.water.hardnessMmolPerL: must be between 0 and 10',
    ],
    [
      'a quarter grade',
      (d) => {
        d.garments[0]!.tests = [{ kind: 'spot', grade: 4.2, at: '2026-05-01T00:00:00Z' }];
      },
      'garments[0].tests[0].grade: must be a grade from 1 to 5 in halves',
    ],
  ] as [string, Parameters<typeof problems>[0], string | RegExp][])('%s', (_, change, expected) => {
    const lines = problems(change);
    if (typeof expected === 'string') expect(lines).toContain(expected);
    else expect(lines.some((l) => expected.test(l))).toBe(true);
  });
  test('all problems are listed, at most fifty', () => {
    expect(
      problems((d) => {
        d.garments.forEach((g) => {
          g.soil = 'purple';
        });
      }),
    ).toHaveLength(3);
    expect(
      problems((d) => {
        d.garments = Array.from({ length: 80 }, (_, i) => ({ id: `x${i}` }));
      }),
    ).toHaveLength(50);
  });
  test.each([
    ['', 'document: empty'],
    ['{', 'document: not valid JSON'],
    ['{"a": NaN}', 'document: not valid JSON'],
    ['['.repeat(100000), 'document: nested deeper than 64'],
    ['{"a":{"__proto__":1}}', 'a.__proto__: this key is not allowed'],
    ['{"constructor":{}}', 'constructor: this key is not allowed'],
    ['null', 'document: must be an object'],
    ['[]', 'document: must be an object'],
  ])('%#', (text, line) => {
    const read = readHamper(text);
    expect(read.ok ? [] : read.problems.map(problemLine)).toContain(line);
  });
  test('over 20 MB is refused unread', () => {
    const read = readHamper(`"${'x'.repeat(20 * 1024 * 1024)}"`);
    expect(read.ok ? '' : problemLine(read.problems[0]!)).toBe('document: larger than 20 MB');
  });
  test('any JSON value is answered without a crash', () =>
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
        const read = readHamperValue(value);
        return read.ok || (read.problems.length > 0 && read.problems.every((p) => p.path !== '' && p.message !== ''));
      }),
    ));
});

test.each(Object.keys(documentSchemas) as DocumentName[])(
  'the committed JSON Schema of %s is the generated one',
  (name) => {
    expect(readFileSync(new URL(`../docs/formats/${name}.schema.json`, import.meta.url), 'utf8')).toBe(
      documentText(jsonSchemaOf(name)),
    );
  },
);
