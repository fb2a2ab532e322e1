/** The diary of a piece: its pictures place by place, with the wears and washes they were taken after. */
import { photoMoments, photoPlacesOf, type PhotoPlace } from '@core/garment/photo-places.ts';
import { photoMomentWords, photoPlaceWords } from '@words/en/photos.ts';
import { findPiece } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { everything, logPage } from '@data/log.ts';
import { photoQuotaBytes, photosOf, photoUsage, type PhotoRow } from '@data/photos.ts';
import { notFound, type Scope } from '../server/request.server.ts';
import { dayAndYear, plural } from '../shared/words.ts';

export interface PhotoView {
  id: string;
  day: string;
  moment: string;
  place: string;
  note: string;
  /** "after 38 wears and 4 washes" */
  after: string;
  width: number;
  height: number;
}
export interface DiaryView {
  id: string;
  name: string;
  /** Denim and hand-knits are worth a diary. */
  worthIt: string;
  places: { place: PhotoPlace; words: string; photos: PhotoView[] }[];
  /** Two of one place, the older first. */
  compare: { place: string; before: PhotoView; after: PhotoView } | null;
  usage: string;
  options: { moments: (readonly [string, string])[]; places: (readonly [string, string])[] };
}
const manyEntries = 2_000;

export async function diaryView({ tx }: Scope, id: string, query: URLSearchParams): Promise<DiaryView> {
  const piece = await findPiece(tx, id);
  if (!piece) throw notFound('That piece is not in the wardrobe.');
  const timeZone = (await readHousehold(tx))?.timeZone ?? 'UTC';
  const rows = await photosOf(tx, id);
  const entries = (
    await logPage(tx, { ...everything, piece: id, kinds: ['worn', 'washed'] }, null, manyEntries)
  ).filter((e) => !e.struck);
  const until = (at: Date, kind: 'worn' | 'washed'): number =>
    entries.filter((e) => e.kind === kind && e.at <= at).reduce((n, e) => n + (e.data.count ?? 1), 0);
  const view = (p: PhotoRow): PhotoView => ({
    id: p.id,
    day: dayAndYear(p.at, timeZone),
    moment: photoMomentWords[p.moment],
    place: photoPlaceWords[p.place],
    note: p.note,
    after: `after ${plural(until(p.at, 'worn'), 'wear')} and ${plural(until(p.at, 'washed'), 'wash', 'washes')}`,
    width: p.width,
    height: p.height,
  });
  const order = photoPlacesOf(piece.row.kind);
  const taken = [...new Set([...order, ...rows.map((r) => r.place)])];
  const places = taken.flatMap((place) => {
    const list = rows.filter((r) => r.place === place);
    return list.length > 0 ? [{ place, words: photoPlaceWords[place], photos: list.map(view) }] : [];
  });
  const find = (wanted: string | null): PhotoRow | undefined => rows.find((r) => r.id === wanted);
  const [a, b] = [find(query.get('a')), find(query.get('b'))];
  const most = [...places].sort((x, y) => y.photos.length - x.photos.length)[0];
  const [older, newer] = [most?.photos[0], most?.photos.at(-1)];
  const usual =
    most && most.photos.length > 1 && older && newer ? { place: most.words, before: older, after: newer } : null;
  const chosen =
    a && b && a.id !== b.id
      ? {
          place:
            a.place === b.place
              ? photoPlaceWords[a.place]
              : `${photoPlaceWords[a.place]} and ${photoPlaceWords[b.place].toLowerCase()}`,
          before: view(a.at <= b.at ? a : b),
          after: view(a.at <= b.at ? b : a),
        }
      : null;
  const { count, bytes } = await photoUsage(tx);
  const traits = new Set(piece.row.traits);
  return {
    id,
    name: piece.row.name,
    worthIt:
      traits.has('denim-raw') || traits.has('denim')
        ? 'Denim tells its story: whiskers, thigh, knee and seat from the same distance, in the same light, before each wash.'
        : traits.has('hand-knit') || traits.has('chunky-knit')
          ? 'A hand-knit is worth looking after: elbows, cuffs and underarms show pills and thin places first.'
          : '',
    places,
    compare: chosen ?? usual,
    usage: `${plural(count, 'picture')} in the household, ${(bytes / 1e6).toFixed(1)} of ${photoQuotaBytes / 1e6} MB.`,
    options: {
      moments: photoMoments.map((m) => [m, photoMomentWords[m]] as const),
      places: order.map((p) => [p, photoPlaceWords[p]] as const),
    },
  };
}
