/** The forms of a round: one decision each, as they come from the page, into a move of core. */
import * as v from 'valibot';
import type { AgentId } from '@core/chemistry/agents.ts';
import type { Move, Target } from '@core/practice/moves.ts';
import { asides, waters, type DryWay, type Way } from '@core/practice/play.ts';
import type { DryPosition } from '@core/envelope/envelope.ts';

const id = v.pipe(v.string(), v.maxLength(80));
const ids = v.optional(v.array(id), []);
const number = v.pipe(v.string(), v.transform(Number), v.number(), v.finite());
const yes = v.optional(v.literal('yes'));

/** `load:L1`, `new`, `basket`, `aside:wait`. */
function targetOf(text: string): Target | null {
  if (text === 'new') return { to: 'new' };
  if (text === 'basket') return { to: 'basket' };
  const [kind, rest = ''] = text.split(':');
  if (kind === 'load') return { to: 'load', load: rest };
  const aside = asides.find((a) => a === rest);
  return kind === 'aside' && aside ? { to: 'aside', aside } : null;
}
/** `machine:washer/programme`, `hand:basin`. */
function wayOf(s: {
  how: string;
  temperatureC: number;
  spinRpm: number;
  detergent: string;
  helpers: string[];
}): Way | null {
  const { temperatureC, detergent, helpers } = s;
  const at = s.how.indexOf(':');
  const rest = s.how.slice(at + 1);
  if (s.how.startsWith('hand:')) return { by: 'hand', basin: rest, temperatureC, detergent, helpers };
  const [washer = '', programme = ''] = rest.split('/');
  return s.how.startsWith('machine:')
    ? { by: 'machine', washer, programme, temperatureC, spinRpm: s.spinRpm, detergent, helpers }
    : null;
}
/** `dryer:id:low`, `place:id:bars`, `heap`; undefined = not one of these. */
function dryOf(text: string): DryWay | null | undefined {
  if (text === 'heap') return null;
  const [kind, place = '', how = ''] = text.split(':');
  if (kind === 'dryer' && (how === 'low' || how === 'normal')) return { to: 'dryer', dryer: place, heat: how };
  return kind === 'place' ? { to: 'place', place, position: how as DryPosition } : undefined;
}

const forms = {
  put: v.object({ piece: v.array(id), target: id }),
  way: v.object({
    load: id,
    how: id,
    temperatureC: number,
    spinRpm: v.optional(number, '0'),
    detergent: id,
    helpers: ids,
  }),
  ready: v.object({ load: id, pockets: yes, closed: yes, nets: ids, insideOut: ids }),
  earlier: v.object({ load: id }),
  mark: v.object({ piece: id, stain: id, water: v.picklist(waters), agents: ids }),
  test: v.object({ piece: id }),
  dry: v.object({ piece: v.array(id), where: id }),
};
export type MoveIntent = keyof typeof forms;
export const isMoveIntent = (text: string): text is MoveIntent => text in forms;

const several: Partial<Record<MoveIntent, readonly string[]>> = {
  put: ['piece'],
  way: ['helpers'],
  ready: ['nets', 'insideOut'],
  mark: ['agents'],
  dry: ['piece'],
};
/** The move a posted form asks for; null where it is none. */
export function moveOf(intent: MoveIntent, form: FormData): Move | null {
  const said: Record<string, unknown> = {};
  for (const name of new Set(form.keys())) {
    const all = form.getAll(name).filter((x): x is string => typeof x === 'string');
    said[name] = several[intent]?.includes(name) ? all : all[0];
  }
  const read = <K extends MoveIntent>(kind: K): v.InferOutput<(typeof forms)[K]> | null => {
    const result = v.safeParse(forms[kind], said);
    return result.success ? result.output : null;
  };
  switch (intent) {
    case 'put': {
      const f = read('put');
      const target = f && targetOf(f.target);
      return f && target && { do: 'put', pieces: f.piece, target };
    }
    case 'way': {
      const f = read('way');
      const way = f && wayOf(f);
      return f && way && { do: 'way', load: f.load, way };
    }
    case 'ready': {
      const f = read('ready');
      return (
        f && {
          do: 'ready',
          load: f.load,
          pockets: f.pockets === 'yes',
          closed: f.closed === 'yes',
          nets: f.nets,
          insideOut: f.insideOut,
        }
      );
    }
    case 'earlier': {
      const f = read('earlier');
      return f && { do: 'earlier', load: f.load };
    }
    case 'mark': {
      const f = read('mark');
      return (
        f && { do: 'mark', piece: f.piece, stain: f.stain, care: { water: f.water, agents: f.agents as AgentId[] } }
      );
    }
    case 'test': {
      const f = read('test');
      return f && { do: 'test', piece: f.piece };
    }
    case 'dry': {
      const f = read('dry');
      const way = f ? dryOf(f.where) : undefined;
      return f && way !== undefined ? { do: 'dry', pieces: f.piece, way } : null;
    }
  }
}
