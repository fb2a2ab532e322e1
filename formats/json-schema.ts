/** JSON Schemas generated from the Valibot schemas. */
import { toJsonSchema } from '@valibot/to-json-schema';
import { hamperSchema } from './hamper-schema.ts';
import { planSchema } from './plan.ts';
import { timetableSchema } from './timetable.ts';

export const documentSchemas = { hamper: hamperSchema, plan: planSchema, timetable: timetableSchema } as const;
export type DocumentName = keyof typeof documentSchemas;

/** Checks that JSON Schema cannot say (sums, real dates) are left to the reader and not printed. */
export const jsonSchemaOf = (name: DocumentName): object =>
  toJsonSchema(documentSchemas[name], { errorMode: 'ignore', typeMode: 'input' });
