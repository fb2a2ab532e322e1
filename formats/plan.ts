/** The plan document (version 1): the core's plan with its numbers rounded for exchange, and its Valibot schema. */
import * as v from 'valibot';
import { planBasket } from '@core/plan/plan.ts';
import { noTools, type SolveTools } from '@core/solve/solve.ts';
import { say, type Message } from '@core/message/message.ts';
import {
  compartments,
  outcomes,
  severities,
  type Binding,
  type Plan,
  type PlanWarning,
  type ProcedureStep,
} from '@core/model/plan.ts';
import { ironOrder } from '@core/model/orders.ts';
import { loadCheckWords } from '@words/en/names.ts';
import { textOf } from '@words/text.ts';
import type { ReadHamper } from './hamper.ts';

export const warningSchema = v.object({
  code: v.string(),
  severity: v.picklist(severities),
  garments: v.array(v.string()),
  text: v.string(),
});
const dose = v.object({
  product: v.string(),
  class: v.string(),
  amount: v.number(),
  unit: v.string(),
  compartment: v.picklist(compartments),
});
const reasonSource = v.picklist([
  'label',
  'assumed',
  'fibre',
  'construction',
  'trim',
  'colour',
  'test',
  'stain',
  'hygiene',
  'rule',
  'washer',
  'product',
]);
const textOrNull = v.nullable(v.string());

const loadSchema = v.object({
  id: v.string(),
  method: v.picklist(['machine', 'hand']),
  washer: textOrNull,
  programme: textOrNull,
  basin: textOrNull,
  garments: v.array(v.string()),
  massKg: v.number(),
  fill: v.number(),
  temperatureC: v.number(),
  spinRpm: v.number(),
  action: v.string(),
  extraRinse: v.boolean(),
  detergent: v.nullable(dose),
  additives: v.array(dose),
  softener: v.boolean(),
  durationMin: v.number(),
  waterL: v.number(),
  energyKwh: v.number(),
  cost: v.number(),
  bindings: v.array(
    v.object({
      parameter: v.string(),
      limit: v.union([v.number(), v.string(), v.boolean()]),
      garment: textOrNull,
      source: reasonSource,
      reason: v.string(),
      without: v.nullable(v.union([v.number(), v.string()])),
    }),
  ),
  warnings: v.array(warningSchema),
  procedure: v.array(
    v.object({
      step: v.string(),
      text: v.string(),
      minutes: v.number(),
      attended: v.boolean(),
      temperatureC: v.nullable(v.number()),
      check: v.nullable(v.object({ code: v.string(), text: v.string(), ifFails: v.string() })),
    }),
  ),
  reuses: v.optional(v.string()),
});
const plannedGarment = v.object({
  id: v.string(),
  outcome: v.picklist(outcomes),
  load: textOrNull,
  prepare: v.array(v.string()),
  pretreat: v.array(
    v.object({
      stain: v.string(),
      steps: v.array(
        v.object({
          agent: v.string(),
          how: v.string(),
          minutes: v.number(),
          temperatureC: v.number(),
          gate: v.optional(v.picklist(['test-passed', 'check-passed'])),
        }),
      ),
      odds: v.number(),
      stop: textOrNull,
    }),
  ),
  dry: v.nullable(
    v.object({
      method: v.string(),
      place: textOrNull,
      bars: v.number(),
      hours: v.number(),
      shade: v.boolean(),
      awayFromHeat: v.boolean(),
      flips: v.number(),
    }),
  ),
  press: v.nullable(
    v.object({ iron: v.picklist(ironOrder), steam: v.boolean(), insideOut: v.boolean(), pressCloth: v.boolean() }),
  ),
  store: v.picklist(['fold', 'hang']),
  reasons: v.array(v.object({ code: v.string(), source: reasonSource, text: v.string() })),
  waitsWith: v.optional(v.array(v.string()), []),
  unlock: v.optional(
    v.nullable(
      v.object({ test: v.picklist(['spot', 'part']), times: v.number(), joins: textOrNull, saves: v.number() }),
    ),
    null,
  ),
  deferralCost: v.number(),
});
export const planSchema = v.object({
  format: v.literal('neat-fold/plan'),
  version: v.literal(1),
  loads: v.array(loadSchema),
  garments: v.array(plannedGarment),
  warnings: v.array(warningSchema),
  separations: v.array(v.object({ garments: v.array(v.string()), constraint: v.string(), text: v.string() })),
  totals: v.object({
    loads: v.number(),
    minutesAttended: v.number(),
    energyKwh: v.number(),
    waterL: v.number(),
    money: v.number(),
  }),
  proof: v.object({ cost: v.number(), lowerBound: v.number(), gap: v.number(), optimal: v.boolean() }),
});
export type PlanDocument = v.InferOutput<typeof planSchema>;
export type PlannedLoadDocument = PlanDocument['loads'][number];
export type PlannedGarmentDocument = PlanDocument['garments'][number];

/** Keys that carry money keep six decimals and more; every other number three. */
const costKeys = new Set(['cost', 'lowerBound', 'deferralCost', 'money', 'gap', 'saves']);
export function rounded(value: unknown, key: string): unknown {
  if (typeof value === 'number') return Number(value.toFixed(costKeys.has(key) ? 9 : 3));
  if (Array.isArray(value)) return value.map((item) => rounded(item, key));
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([k, x]) => [k, rounded(x, k)]));
  return value;
}

/** What the database keeps beside every text: the message it was made from, so that an old plan can be said anew. */
export type Stored<T> = T & { say?: Message };
const text = (say: Message): { text: string; say: Message } => ({ text: textOf(say), say });

const warningOf = ({ message, ...rest }: PlanWarning): Stored<PlanDocument['warnings'][number]> => ({
  ...rest,
  garments: [...rest.garments],
  ...text(message),
});
function stepOf({ step, message, check, ...rest }: ProcedureStep): Stored<PlannedLoadDocument['procedure'][number]> {
  return { step, ...text(message), ...rest, check: check && { ...check, ...loadCheckWords[check.code] } };
}
function bindingOf({ reason, without, ...rest }: Binding): Stored<PlannedLoadDocument['bindings'][number]> {
  return { ...rest, reason: textOf(reason), without, say: reason };
}

/** The document of a plan: its numbers rounded for exchange, a text for every message. */
export function toPlanDocument(plan: Plan): PlanDocument {
  const document = {
    format: 'neat-fold/plan',
    version: 1,
    ...plan,
    loads: plan.loads.map((l) => ({
      ...l,
      bindings: l.bindings.map(bindingOf),
      warnings: l.warnings.map(warningOf),
      procedure: l.procedure.map(stepOf),
    })),
    garments: plan.garments.map((g) => ({
      ...g,
      pretreat: g.pretreat.map((t) => ({
        ...t,
        steps: t.steps.map(({ how, warming, ...rest }) => ({
          ...rest,
          how: [how, ...(warming ? [warming] : [])].map(textOf).join(' '),
        })),
      })),
      reasons: g.reasons.map(({ message, ...rest }) => ({ ...rest, ...text(message) })),
    })),
    warnings: plan.warnings.map(warningOf),
    separations: plan.separations.map(({ message, ...rest }) => ({ ...rest, ...text(message) })),
  };
  return rounded(document, '') as PlanDocument;
}

/** The open document: what other programs read, without the messages the texts were made from. */
export const openPlan = (document: PlanDocument): PlanDocument => withoutSay(document) as PlanDocument;
function withoutSay(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutSay);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, inner]) => (key === 'say' ? [] : [[key, withoutSay(inner)]])),
  );
}

/** Plan a read hamper: the same for the command line and the screens. */
export function planHamper(read: ReadHamper, { watch, partition }: SolveTools<PlanDocument> = noTools): PlanDocument {
  const unknown = read.unknownKeys.map((key) => ({
    code: 'unknown-key' as const,
    severity: 'info' as const,
    garments: [],
    message: say('warn.unknown-key', { key }),
  }));
  const written = (plan: Plan): PlanDocument => toPlanDocument({ ...plan, warnings: [...plan.warnings, ...unknown] });
  const plan = planBasket(read.request, {
    watch: watch && ((progress, soFar) => watch(progress, () => written(soFar()))),
    partition,
  });
  return written(plan);
}

/** The bytes of a document: two-space JSON with a final newline. */
export const documentText = (document: unknown): string => `${JSON.stringify(document, null, 2)}\n`;
