/** What forms at a machine say. */
import * as v from 'valibot';
import { neededNumber, typedNumber } from '../forms/numbers.ts';

/** A load that was started before it was noted. */
export const startedSchema = v.object({ ago: typedNumber('Started, minutes ago', 0, 360) });
/** What the panel says is left. */
export const leftSchema = v.object({ left: neededNumber('Minutes left', 1, 360) });
export const joinSchema = v.object({ piece: v.string('Choose the piece that was forgotten.') });
