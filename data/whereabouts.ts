/** Where the pieces are now: in a drum, in a tub, on the line. */
import { and, eq, gt, inArray, sql } from 'drizzle-orm';
import { pieceState, type PieceState } from '../core/piece/state.ts';
import type { Transaction } from './client.ts';
import type { Piece } from './garments.ts';
import { piecesInLoads } from './loads.ts';
import { events, loads, plans } from './schema.ts';
import { piecesInSoaks } from './treatments.ts';

export interface Whereabouts {
  inDrum: ReadonlyMap<string, string>;
  inTub: ReadonlyMap<string, string>;
  /** When what was washed should be dry, by its plan. */
  dryAt: ReadonlyMap<string, Date>;
}
/** What no plan has hung up: put in after the start. */
const usualDryingH = 12;
/** Nothing dries longer. */
const longestDryingMs = 5 * 86_400_000;

export async function whereabouts(tx: Transaction, now: Date): Promise<Whereabouts> {
  const inDrum = new Map((await piecesInLoads(tx)).map((p) => [p.garmentId, p.loadId]));
  const inTub = new Map((await piecesInSoaks(tx)).map((p) => [p.garmentId, p.soakId]));
  const wet = await tx
    .select({
      finishedAt: loads.finishedAt,
      pieces: sql<{ garment: string; dry: { hours: number } | null }[] | null>`(
        select json_agg(json_build_object('garment', g->>'id', 'dry', g->'dry'))
        from json_array_elements(${plans.result}->'garments') g
        where (${plans.result}->'loads'->${loads.number}->'garments')::jsonb ? (g->>'id')
          or g->>'id' = any(${loads.added}))`,
    })
    .from(loads)
    .innerJoin(plans, eq(plans.id, loads.planId))
    .where(and(eq(loads.status, 'finished'), gt(loads.finishedAt, new Date(now.getTime() - longestDryingMs))));
  const dried = await tx
    .select({ garmentId: events.garmentId, at: sql<string>`max(${events.at})` })
    .from(events)
    .where(and(inArray(events.kind, ['dried', 'worn']), gt(events.at, new Date(now.getTime() - longestDryingMs))))
    .groupBy(events.garmentId);
  const driedAt = new Map(dried.map((d) => [d.garmentId, new Date(d.at)]));
  const dryAt = new Map<string, Date>();
  for (const { finishedAt, pieces } of wet)
    for (const { garment, dry } of pieces ?? []) {
      if (!finishedAt) continue;
      const at = new Date(finishedAt.getTime() + (dry?.hours ?? usualDryingH) * 3_600_000);
      const said = driedAt.get(garment);
      if (said && said >= finishedAt) continue;
      if (at > (dryAt.get(garment) ?? new Date(0))) dryAt.set(garment, at);
    }
  return { inDrum, inTub, dryAt };
}

/** The state of a piece, from where it is and what was worn since its last wash. */
export const stateOf = (piece: Piece, where: Whereabouts, now: Date): PieceState =>
  pieceState(
    {
      retired: piece.row.retiredAt !== null,
      inDrum: where.inDrum.has(piece.row.id),
      inTub: where.inTub.has(piece.row.id),
      dryAt: where.dryAt.get(piece.row.id) ?? null,
      inBasket: piece.basket !== null,
      wearsSinceWash: piece.state.wearsSinceWash,
    },
    now,
  );
