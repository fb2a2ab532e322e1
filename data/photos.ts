/** Pictures of pieces: kept small, counted against the household's quota, gone with their piece. */
import { asc, eq, sql } from 'drizzle-orm';
import type { PhotoMoment, PhotoPlace } from '../core/garment/photo-places.ts';
import type { Transaction } from './client.ts';
import { isUuid } from './ids.ts';
import type { SmallPicture } from './pictures.ts';
import { photos } from './schema.ts';

/** Room for pictures of one household: about a thousand. */
export const photoQuotaBytes = 200_000_000;

export type PhotoRow = Pick<
  typeof photos.$inferSelect,
  'id' | 'garmentId' | 'at' | 'moment' | 'place' | 'note' | 'width' | 'height' | 'size'
>;
const described = {
  id: photos.id,
  garmentId: photos.garmentId,
  at: photos.at,
  moment: photos.moment,
  place: photos.place,
  note: photos.note,
  width: photos.width,
  height: photos.height,
  size: photos.size,
};
/** Of one piece, oldest first; without their bytes. */
export const photosOf = (tx: Transaction, garmentId: string): Promise<PhotoRow[]> =>
  tx.select(described).from(photos).where(eq(photos.garmentId, garmentId)).orderBy(asc(photos.at), asc(photos.id));
export async function photoUsage(tx: Transaction): Promise<{ count: number; bytes: number }> {
  const [row] = await tx
    .select({ count: sql<string>`count(*)`, bytes: sql<string>`coalesce(sum(${photos.size}), 0)` })
    .from(photos);
  return { count: Number(row?.count ?? 0), bytes: Number(row?.bytes ?? 0) };
}
/** false = there is no room for it. */
export async function addPhoto(
  tx: Transaction,
  householdId: string,
  photo: { garmentId: string; at: Date; moment: PhotoMoment; place: PhotoPlace; note: string },
  made: SmallPicture,
): Promise<boolean> {
  const size = made.picture.length + made.thumb.length;
  if ((await photoUsage(tx)).bytes + size > photoQuotaBytes) return false;
  await tx.insert(photos).values({
    householdId,
    ...photo,
    width: made.width,
    height: made.height,
    size,
    picture: made.picture,
    thumb: made.thumb,
  });
  return true;
}
export async function photoBytes(tx: Transaction, id: string, which: 'picture' | 'thumb'): Promise<Buffer | null> {
  if (!isUuid(id)) return null;
  const [row] = await tx
    .select({ bytes: which === 'thumb' ? photos.thumb : photos.picture })
    .from(photos)
    .where(eq(photos.id, id));
  return row?.bytes ?? null;
}
/** false = it was gone already. */
export async function removePhoto(tx: Transaction, garmentId: string, id: string): Promise<boolean> {
  if (!isUuid(id)) return false;
  const gone = await tx
    .delete(photos)
    .where(sql`${photos.id} = ${id} and ${photos.garmentId} = ${garmentId}`)
    .returning({ id: photos.id });
  return gone.length === 1;
}
export async function changePhotoNote(tx: Transaction, garmentId: string, id: string, note: string): Promise<boolean> {
  if (!isUuid(id)) return false;
  const changed = await tx
    .update(photos)
    .set({ note })
    .where(sql`${photos.id} = ${id} and ${photos.garmentId} = ${garmentId}`)
    .returning({ id: photos.id });
  return changed.length === 1;
}
