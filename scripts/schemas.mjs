// Write the JSON Schemas of the open formats to docs/formats.
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { root } from './lib/setup.mjs';

for (const name of ['hamper', 'plan', 'timetable']) {
  const text = execFileSync(process.execPath, [path.join(root, 'bin/neatfold.mjs'), 'schema', name], {
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  writeFileSync(path.join(root, `docs/formats/${name}.schema.json`), text);
}
