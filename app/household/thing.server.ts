/** What the editors of dryers, drying places and tubs share: find it, store it, take it away, and remember what was before. */
import { randomUUID } from 'node:crypto';
import { data, redirect } from 'react-router';
import type * as v from 'valibot';
import { readHousehold, rememberHousehold, removeThing, saveThing, type HouseholdView } from '@data/household.ts';
import type { EquipmentKind } from '@data/schema.ts';
import { overtaken, versionOf, type Shown } from '../forms/seen.server.ts';
import { readForm } from '../forms/read.ts';
import { conflict, field, notFound, type Scope } from '../server/request.server.ts';

interface Editing<T extends { id: string }, S extends v.GenericSchema> {
  kind: EquipmentKind;
  /** "the dryer", for the note of the change. */
  noun: string;
  listOf: (view: HouseholdView) => readonly T[];
  schema: S;
  shown: (thing: T | null) => Shown;
  toDocument: (id: string, form: v.InferOutput<S>) => T;
}

const noHousehold = () => notFound('There is no household yet.');
async function find<T extends { id: string }>(
  { tx }: Scope,
  id: string,
  listOf: (view: HouseholdView) => readonly T[],
): Promise<T | null> {
  const view = await readHousehold(tx);
  if (!view) throw noHousehold();
  const thing = listOf(view).find((t) => t.id === id) ?? null;
  if (!thing && id !== 'new') throw notFound('That is not in this household.');
  return thing;
}

export async function lookAtThing<
  T extends { id: string; name?: string | null | undefined },
  S extends v.GenericSchema,
>(scope: Scope, id: string, e: Editing<T, S>) {
  const thing = await find(scope, id, e.listOf);
  const start = e.shown(thing);
  return { title: thing ? (thing.name ?? thing.id) : null, start, seen: versionOf(start) };
}

export async function changeThing<
  T extends { id: string; name?: string | null | undefined },
  S extends v.GenericSchema,
>(scope: Scope, id: string, form: FormData, e: Editing<T, S>) {
  const { tx, householdId, now } = scope;
  const thing = await find(scope, id, e.listOf);
  const name = thing?.name ?? thing?.id ?? '';
  if (field(form, 'intent') === 'remove' && thing) {
    await rememberHousehold(tx, householdId, { note: `${name}: taken away`, subject: thing.id, at: now });
    await removeThing(tx, e.kind, thing.id);
    return redirect('/household');
  }
  const read = readForm(form, e.schema);
  if (!read.ok) return data(read.reply, { status: 422 });
  const late = thing ? overtaken(form, e.shown(thing)) : null;
  if (late) return conflict(late);
  const document = e.toDocument(thing?.id ?? `${e.kind}-${randomUUID().slice(0, 8)}`, read.value);
  await rememberHousehold(tx, householdId, {
    note: thing ? `${name}: changed` : `${document.name ?? e.noun}: added`,
    subject: document.id,
    at: now,
  });
  await saveThing(tx, householdId, e.kind, document);
  return redirect('/household');
}
