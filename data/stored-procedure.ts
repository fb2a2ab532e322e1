/**
 * Procedures as they were stored before their reasons were codes: sentences stood in them, in databases and in archives.
 * They are read into today's form, their words shown as they were written.
 */
import { say, type Message } from '../core/message/message.ts';
import type { StopCode } from '../core/stain/actions.ts';
import type { BenchState } from '../core/stain/bench.ts';
import { bands, type BandId } from '../core/stain/score.ts';
import type { Procedure, TreatmentStep } from '../core/stain/treatment.ts';

type Said = Message | string;
const told = (said: Said): Message => (typeof said === 'string' ? say('stop.told', { told: said }) : said);

interface EarlierStep extends Omit<TreatmentStep, 'because'> {
  because: readonly Said[];
  /** Made from the step's own facts today. */
  how?: string;
}
interface EarlierProcedure extends Omit<Procedure, 'steps' | 'dropped' | 'band' | 'stopBecause' | 'handling'> {
  steps: readonly EarlierStep[];
  dropped: readonly (Omit<Procedure['dropped'][number], 'because'> & { because: Said })[];
  band: BandId | { id: BandId };
  handling?: Procedure['handling'] | string;
  stopBecause?: Message | null;
  stopText?: string;
}
interface EarlierStop {
  kind: 'stop';
  stop: StopCode;
  because?: Message | null;
  text?: string;
}

/** What a stop was said with, without what its code says today besides. */
const reasonOf = (text: string | undefined): Message | null => (text ? told(text) : null);

export function readProcedure(stored: Procedure): Procedure {
  const { band, handling, stopText, ...rest } = stored as unknown as EarlierProcedure;
  return {
    ...rest,
    steps: rest.steps.map(({ how: _how, ...s }) => ({ ...s, because: s.because.map(told) })),
    dropped: rest.dropped.map((d) => ({ ...d, because: told(d.because) })),
    band: typeof band === 'string' ? band : (bands.find((b) => b.id === band.id) ?? bands[4]).id,
    handling: typeof handling === 'string' || handling === undefined ? [] : handling,
    stopBecause: rest.stopBecause ?? reasonOf(stopText),
  };
}
export function readBenchState(stored: BenchState): BenchState {
  if (stored.end?.kind !== 'stop') return stored;
  const { stop, because, text }: EarlierStop = stored.end;
  return { ...stored, end: { kind: 'stop', stop, because: because ?? reasonOf(text) } };
}
