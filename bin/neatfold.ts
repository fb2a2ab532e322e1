/** The command line: plan a hamper document, price candidate sets, wardrobes to and from tables, answer reference cases, print a JSON Schema. No database. */
import { readFileSync } from 'node:fs';
import loadHighs from 'highs';
import type { PartitionSolver } from '@core/solve/partition.ts';
import { noTools } from '@core/solve/solve.ts';
import { partitionBy } from '../workers/partition.ts';
import { evaluateText } from '@formats/evaluate.ts';
import { readHamper } from '@formats/hamper.ts';
import { documentSchemas, jsonSchemaOf, type DocumentName } from '@formats/json-schema.ts';
import { documentText, openPlan, planHamper } from '@formats/plan.ts';
import { textOfBytes } from '@formats/json.ts';
import { problemLine, type Problem } from '@formats/problem.ts';
import { referenceText } from '@formats/reference.ts';
import { calendarText } from '@formats/calendar.ts';
import { timetableText } from '@formats/timetable.ts';
import { readWardrobe, wardrobeCsv } from '@formats/wardrobe-csv.ts';

const usage =
  'Usage: neatfold plan FILE | neatfold timetable FILE [--ics] | neatfold evaluate FILE | neatfold garments FILE.csv | neatfold wardrobe FILE | neatfold reference FILE | neatfold schema hamper|plan|timetable   (FILE may be - for standard input)';
const exit = { done: 0, failure: 1, badInput: 2 } as const;

const complain = (lines: readonly string[]): number => {
  process.stderr.write(`${lines.join('\n')}\n`);
  return exit.badInput;
};

function readBytes(file: string): Uint8Array | null {
  try {
    return readFileSync(file === '-' ? 0 : file);
  } catch {
    return null;
  }
}

type Reading =
  | { ok: true; /** A document, or text that is printed as it stands. */ value: unknown; notes?: readonly string[] }
  | { ok: false; problems: readonly Problem[] };
/** What each command makes of a file's text. */
const readers: Readonly<Record<string, (text: string, partition: PartitionSolver | null) => Reading>> = {
  plan: (text, partition) => {
    const read = readHamper(text);
    return read.ok ? { ok: true, value: openPlan(planHamper(read.value, { ...noTools, partition })) } : read;
  },
  timetable: (text, partition) => {
    const read = timetableText(text, partition);
    return read.ok ? { ok: true, value: read.value.document } : read;
  },
  'timetable --ics': (text, partition) => {
    const read = timetableText(text, partition);
    return read.ok ? { ok: true, value: calendarText(read.value.document, read.value.now, 'Wash day') } : read;
  },
  evaluate: evaluateText,
  reference: referenceText,
  garments: (text) => {
    const read = readWardrobe(text);
    if (!read.ok) return read;
    const { garments, unknownColumns } = read.value;
    return {
      ok: true,
      value: { garments },
      notes: unknownColumns.map((c) => `row 1, ${c}: the column is not known and was left out`),
    };
  },
  wardrobe: (text) => {
    const read = readHamper(text);
    return read.ok ? { ok: true, value: wardrobeCsv(read.value.document.garments) } : read;
  },
};

/** Those that sort a basket. */
const sorting = ['plan', 'timetable', 'timetable --ics'];

async function answer(command: string, read: (typeof readers)[string], file: string): Promise<number> {
  const bytes = readBytes(file);
  if (bytes === null) return complain([`document: cannot read ${file}`]);
  const text = textOfBytes(bytes);
  if (text === null) return complain(['document: not valid UTF-8']);
  const partition = sorting.includes(command) ? partitionBy(await loadHighs()) : null;
  const result = read(text, partition);
  if (!result.ok) return complain(result.problems.map(problemLine));
  if (result.notes && result.notes.length > 0) process.stderr.write(`${result.notes.join('\n')}\n`);
  process.stdout.write(typeof result.value === 'string' ? result.value : documentText(result.value));
  return exit.done;
}

function schema(name: string): number {
  if (!Object.hasOwn(documentSchemas, name))
    return complain([`schema: must be one of ${Object.keys(documentSchemas).join(', ')}`]);
  process.stdout.write(documentText(jsonSchemaOf(name as DocumentName)));
  return exit.done;
}

export async function main(args: readonly string[]): Promise<number> {
  const option = args[2] === '--ics' && args[0] === 'timetable' ? ' --ics' : '';
  const [named, operand] = args;
  const command = `${named ?? ''}${option}`;
  try {
    if (operand === undefined || args.length !== (option ? 3 : 2)) return complain([usage]);
    if (command === 'schema') return schema(operand);
    const read = Object.hasOwn(readers, command) ? readers[command] : undefined;
    if (read) return await answer(command, read, operand);
    return complain([usage]);
  } catch (error) {
    process.stderr.write(`neatfold: ${error instanceof Error ? error.message : String(error)}\n`);
    return exit.failure;
  }
}
