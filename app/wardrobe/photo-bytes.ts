import { photoBytes } from '@data/photos.ts';
import type { Route } from './+types/photo-bytes';
import { notFound, withHousehold } from '../server/request.server.ts';

/** The bytes of a picture; `?small` for the list. */
export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const which = new URL(request.url).searchParams.has('small') ? 'thumb' : 'picture';
    const bytes = await photoBytes(tx, params.photoId, which);
    if (!bytes) throw notFound('That picture is not there.');
    return new Response(new Uint8Array(bytes), {
      headers: { 'Content-Type': 'image/webp', 'Cache-Control': 'private, max-age=600' },
    });
  });
