/**
 * `npm run mutants [folder …]`: mutation testing of the folders of `core/`, each by the tests that speak of it, and the
 * table of scores at the end. Without names it takes the folders of the judgement. Minutes to an hour per folder;
 * `MUTANTS_EVERY=8` changes a sample of every eighth block of lines only, `MUTANTS_AT_ONCE` says how many at once.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';

/** Folders of the judgement, and the folders whose tests are run against each change in them. */
const judgement = {
  wear: ['wear', 'piece', 'garment', 'reference'],
  shrinkage: ['shrinkage', 'envelope', 'board'],
  colour: ['colour', 'envelope', 'reference'],
  chemistry: ['chemistry'],
  washing: ['washing', 'drying', 'reference'],
  drying: ['drying', 'rack', 'reference'],
  stain: ['stain', 'chemistry'],
  piece: ['piece', 'envelope', 'garment'],
  envelope: ['envelope', 'piece'],
  price: ['price', 'plan'],
  plan: ['plan'],
};
const folders = process.argv.length > 2 ? process.argv.slice(2) : Object.keys(judgement);

/** Killed, survived and never run by the folder's tests. */
function scoreOf(folder) {
  const file = `.data/mutants/${folder}-report.json`;
  if (!existsSync(file)) return null;
  const { files } = JSON.parse(readFileSync(file, 'utf8'));
  const count = { killed: 0, survived: 0, uncovered: 0 };
  for (const mutant of Object.values(files).flatMap((f) => f.mutants)) {
    if (mutant.status === 'Killed' || mutant.status === 'Timeout') count.killed++;
    if (mutant.status === 'Survived') count.survived++;
    if (mutant.status === 'NoCoverage') count.uncovered++;
  }
  return count;
}

let failed = false;
for (const folder of folders) {
  const run = spawnSync(process.execPath, ['node_modules/.bin/stryker', 'run'], {
    stdio: 'inherit',
    env: {
      ...process.env,
      MUTANTS_FOLDER: folder,
      MUTANTS_TESTS: (judgement[folder] ?? [folder]).join(','),
    },
  });
  failed ||= run.status !== 0;
}
console.log('| folder | changed | killed | survived | not reached | score |\n|---|---|---|---|---|---|');
for (const folder of folders) {
  const c = scoreOf(folder);
  if (!c) continue;
  const all = c.killed + c.survived + c.uncovered;
  const percent = ((100 * c.killed) / all).toFixed(0);
  console.log(`| ${folder} | ${all} | ${c.killed} | ${c.survived} | ${c.uncovered} | ${percent} % |`);
}
process.exit(failed ? 1 : 0);
