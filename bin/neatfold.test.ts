import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@jest/globals';

const bin = path.resolve('bin/neatfold.mjs');
const neatfold = (args: string[], input?: string) =>
  spawnSync(process.execPath, [bin, ...args], { encoding: 'utf8', input: input ?? '', maxBuffer: 1e8 });
const basket = JSON.stringify({
  format: 'neat-fold/hamper',
  version: 1,
  now: '2026-05-09T08:00:00+02:00',
  household: {
    washers: [
      {
        id: 'w',
        programmes: [
          {
            id: 'c',
            family: 'cotton',
            action: 'normal',
            temperaturesC: [40],
            spinsRpm: [800],
            maxLoadKg: 7,
            durationMin: 100,
          },
        ],
      },
    ],
    products: [{ id: 'p', class: 'colour', form: 'liquid' }],
  },
  garments: [
    {
      id: 'g',
      name: 'Tee',
      kind: 'tshirt',
      parts: [{ role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] }],
      colours: [{ hex: '#2f6f6b', role: 'ground' }],
      label: { wash: { by: 'machine', maxC: 40, action: 'normal' } },
      washCount: 9,
      neededBy: '2026-05-10T00:00:00+02:00',
    },
  ],
});

test('plan reads a file or standard input, from any folder, and prints the same bytes', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'neatfold-'));
  const file = path.join(folder, 'hamper.json');
  writeFileSync(file, basket);
  const fromFile = spawnSync(process.execPath, [bin, 'plan', file], { encoding: 'utf8', cwd: folder });
  const fromInput = neatfold(['plan', '-'], basket);
  expect(fromFile.status).toBe(0);
  expect(fromFile.stdout).toBe(fromInput.stdout);
  const plan = JSON.parse(fromFile.stdout) as { format: string; loads: { garments: string[]; temperatureC: number }[] };
  expect(plan.format).toBe('neat-fold/plan');
  expect(plan.loads).toMatchObject([{ garments: ['g'], temperatureC: 40 }]);
});
test('bad input: exit 2, one line per problem, no stack trace, nothing on standard output', () => {
  const bad = neatfold(
    ['plan', '-'],
    basket.replace('"percent":100', '"percent":101.5').replace('"kind":"tshirt"', '"kind":"cape"'),
  );
  expect(bad.status).toBe(2);
  expect(bad.stdout).toBe('');
  expect(bad.stderr).not.toMatch(/ at /);
  expect(
    bad.stderr
      .trim()
      .split('\n')
      .map((l) => l.split(':')[0]),
  ).toEqual(['garments[0].kind', 'garments[0].parts[0].fibres[0].percent']);
});
test('missing file, unknown command and unknown schema say so with exit 2', () => {
  expect(neatfold(['plan', '/nowhere/x.json'])).toMatchObject({
    status: 2,
    stdout: '',
    stderr: 'document: cannot read /nowhere/x.json\n',
  });
  expect(neatfold(['fold']).status).toBe(2);
  expect(neatfold(['schema', 'toString'])).toMatchObject({
    status: 2,
    stderr: 'schema: must be one of hamper, plan, timetable\n',
  });
});
test('schema prints a JSON Schema', () => {
  const schema = JSON.parse(neatfold(['schema', 'plan']).stdout) as { type: string; required: string[] };
  expect(schema.type).toBe('object');
  expect(schema.required).toEqual(expect.arrayContaining(['loads', 'garments', 'proof']));
});

test('evaluate prices each candidate in order; its optimum is the planner’s', () => {
  const document = JSON.parse(basket) as Record<string, unknown>;
  const row = JSON.parse(
    neatfold(
      ['evaluate', '-'],
      JSON.stringify({ ...document, candidates: [['g'], { garments: ['g'], outcome: 'wait' }] }),
    ).stdout,
  ) as {
    outcome: string;
    feasible: boolean;
    cost: number;
    violations: string[];
    setting: { temperatureC: number; detergent: { product: string } } | null;
  }[];
  expect(row.map((r) => r.outcome)).toEqual(['wash', 'wait']);
  expect(row[0]).toMatchObject({
    feasible: true,
    violations: [],
    setting: { method: 'machine', temperatureC: 40, detergent: { product: 'p' }, softener: false },
  });
  expect(row[1]!.setting).toBeNull();
  const plan = JSON.parse(neatfold(['plan', '-'], basket).stdout) as { proof: { cost: number; optimal: boolean } };
  expect(plan.proof).toMatchObject({ cost: row[0]!.cost, optimal: true });
});
test('evaluate names unknown ids and empty sets; plan ignores candidates with a warning', () => {
  const document = JSON.parse(basket) as Record<string, unknown>;
  const bad = neatfold(
    ['evaluate', '-'],
    JSON.stringify({ ...document, candidates: [['g', 'x'], [], { garments: ['y'], outcome: 'fold' }] }),
  );
  expect(bad.status).toBe(2);
  expect(bad.stderr).toMatch(/^candidates\[1\]/m);
  expect(neatfold(['evaluate', '-'], JSON.stringify({ ...document, candidates: [['g', 'x']] })).stderr).toBe(
    'candidates[0][1]: "x" is no garment of this document\n',
  );
  expect(neatfold(['evaluate', '-'], basket)).toMatchObject({ status: 2, stderr: 'candidates: is required\n' });
  expect(neatfold(['plan', '-'], JSON.stringify({ ...document, candidates: [['g']] })).stdout).toContain('unknown-key');
});
test('pins that name strangers are refused with their path', () => {
  const document = JSON.parse(basket) as Record<string, unknown>;
  expect(
    neatfold(
      ['plan', '-'],
      JSON.stringify({ ...document, pins: [{ together: ['g', 'q'] }, { outcome: { z: 'wait' } }] }),
    ).stderr,
  ).toBe(
    'pins[0].together[1]: "q" is no garment of this document\npins[1].outcome.z: "z" is no garment of this document\n',
  );
});
test('reference answers cases in order and names a bad argument', () => {
  const cases = [
    { id: 'a', section: 3, inputs: { fn: 'spin_g', rpm: 800 } },
    { id: 'b', section: 7, inputs: { fn: 'mix_hot', V: 10, Tt: 30, Th: 12, Tc: 12 } },
  ];
  const out = JSON.parse(neatfold(['reference', '-'], JSON.stringify(cases)).stdout) as {
    id: string;
    value: number | null;
  }[];
  expect(out[0]!.value).toBeCloseTo(171.76, 1);
  expect(out[1]).toEqual({ id: 'b', value: null });
  expect(neatfold(['reference', '-'], '[{"id":"a","inputs":{"fn":"spin_g"}}]')).toMatchObject({
    status: 2,
    stderr: '[0].inputs.rpm: must be a number\n',
  });
});

test('wardrobe and garments go there and back; bad rows are named on standard error', () => {
  const table = neatfold(['wardrobe', '-'], basket);
  expect(table.status).toBe(0);
  expect(table.stdout.split('\r\n')[1]).toBe('g,Tee,tshirt,,cotton 100,,,,#2f6f6b,,machine 40 normal,,,,,,,9,,,,');
  const garments = neatfold(['garments', '-'], table.stdout);
  expect(garments.status).toBe(0);
  const back = JSON.stringify({ ...(JSON.parse(basket) as object), ...(JSON.parse(garments.stdout) as object) });
  expect(neatfold(['wardrobe', '-'], back).stdout).toBe(table.stdout);
  const odd = neatfold(['garments', '-'], 'id,name,kind,fibres,colours,shop\ng1,Tee,tshirt,cotton 100,#ffffff,x\n');
  expect([odd.status, odd.stderr]).toEqual([0, 'row 1, shop: the column is not known and was left out\n']);
  const bad = neatfold(
    ['garments', '-'],
    'id,name,kind,fibres,colours\ng1,Tee,tshirt,cotton 90,#ffffff\n,Cap,hat_knit,wool 100,\n',
  );
  expect(bad.status).toBe(2);
  expect(bad.stdout).toBe('');
  expect(bad.stderr.split('\n')).toEqual([
    'row 2, fibres: percentages must sum to 100',
    'row 3, id: must not be empty',
    'row 3, colours: must not be empty',
    '',
  ]);
});

test('timetable prints the day, or its calendar; other options are refused', () => {
  const day = JSON.parse(neatfold(['timetable', '-'], basket).stdout) as { format: string; tasks: unknown[] };
  expect(day.format).toBe('neat-fold/timetable');
  expect(neatfold(['timetable', '-'], basket).stdout).toBe(neatfold(['timetable', '-'], basket).stdout);
  const calendar = neatfold(['timetable', '-', '--ics'], basket).stdout;
  expect(calendar.startsWith('BEGIN:VCALENDAR\r\n')).toBe(true);
  expect(neatfold(['plan', '-', '--ics'], basket).status).toBe(2);
  expect(neatfold(['timetable', '-', '--pdf'], basket).status).toBe(2);
  const document = JSON.parse(basket) as Record<string, unknown>;
  const odd = neatfold(['timetable', '-'], JSON.stringify({ ...document, progress: [{ task: 'x', started: 'now' }] }));
  expect(odd).toMatchObject({ status: 2, stdout: '' });
  expect(odd.stderr).toMatch(/^progress\[0\]\.started: /);
});
