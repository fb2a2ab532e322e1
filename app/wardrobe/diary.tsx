import { data, Form, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { photoPlacesOf } from '@core/garment/photo-places.ts';
import { findPiece } from '@data/garments.ts';
import { addPhoto, changePhotoNote, photoQuotaBytes, removePhoto } from '@data/photos.ts';
import { mostPictureBytes, smallPicture, type PictureProblem } from '@data/pictures.ts';
import type { Route } from './+types/diary';
import { errorOf, readForm, replyOf, typedValue } from '../forms/read.ts';
import { conflict, field, fileOf, notFound, onSubmit, withHousehold } from '../server/request.server.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Actions, FieldGrid, SelectField, TextField } from '../ui/fields.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { photoField, photoSchema } from './diary-form.ts';
import { diaryView } from './diary.server.ts';
import { Compare } from './parts/compare.tsx';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `Diary of ${loaderData.name}` : 'Diary'} · Neat Fold` },
];

export const loader = ({ params, request, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) => diaryView(scope, params.pieceId, new URL(request.url).searchParams));

const problems: Record<PictureProblem, string> = {
  'not-a-picture': 'Picture: this file is no picture.',
  'unknown-kind': 'Picture: take a JPEG, PNG or WebP.',
  'too-large': 'Picture: it is too large; 15 MB and 60 megapixels at most.',
  broken: 'Picture: the file is damaged.',
};
export const action = (args: Route.ActionArgs) =>
  onSubmit(
    args,
    async (scope, form) => {
      const { tx, householdId, now } = scope;
      const { pieceId } = args.params;
      const piece = await findPiece(tx, pieceId);
      if (!piece) throw notFound('That piece is not in the wardrobe.');
      const here = `/pieces/${encodeURIComponent(pieceId)}/diary`;
      const intent = field(form, 'intent');
      if (intent === 'remove') {
        await removePhoto(tx, pieceId, field(form, 'picture'));
        return redirect(here);
      }
      if (intent === 'note') {
        const changed = await changePhotoNote(tx, pieceId, field(form, 'picture'), field(form, 'note').slice(0, 300));
        return changed ? redirect(here) : conflict(replyOf(form, { '': ['That picture is gone.'] }));
      }
      const read = readForm(form, photoSchema);
      if (!read.ok) return data(read.reply, { status: 422 });
      const refuse = (text: string) => data(replyOf(form, { [photoField]: [text] }), { status: 422 });
      if (!photoPlacesOf(piece.row.kind).includes(read.value.place))
        return data(replyOf(form, { place: ['Place: this kind of piece has none such.'] }), { status: 422 });
      const file = fileOf(form, photoField);
      if (!file) return refuse('Picture: choose one, or take it.');
      const made = await smallPicture(Buffer.from(await file.arrayBuffer()));
      if (!made.ok) return refuse(problems[made.problem]);
      const kept = await addPhoto(
        tx,
        householdId,
        { ...read.value, garmentId: pieceId, at: now, note: read.value.note ?? '' },
        made.value,
      );
      return kept
        ? redirect(here)
        : refuse(`Picture: there is no room for it, ${photoQuotaBytes / 1e6} MB are full. Take old ones out first.`);
    },
    { file: { name: photoField, mostBytes: mostPictureBytes } },
  );

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 1.5rem 3rem;
  align-items: start;
  @media (max-width: 820px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Strip = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
  gap: 1rem;
  li {
    display: grid;
    gap: 0.3rem;
    align-content: start;
    font-size: 0.92rem;
  }
  img {
    width: 100%;
    aspect-ratio: 4 / 3;
    object-fit: cover;
    border-radius: 3px 12px 3px 12px;
    background: var(--wash);
  }
  small {
    color: var(--ink-soft);
    display: block;
  }
  label {
    display: inline-flex;
    gap: 0.4rem;
    align-items: center;
    min-height: 2rem;
  }
`;

export default function Diary({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const typed = (name: string, usual: string): string => {
    const value = typedValue(reply, name);
    return typeof value === 'string' ? value : usual;
  };
  const several = v.places.some((p) => p.photos.length > 1) || v.places.length > 1;
  return (
    <>
      <PageHead>
        <div>
          <h1>Diary of {v.name}</h1>
          <p>{v.worthIt || 'The same place again and again shows what wear and washing do.'}</p>
        </div>
        <LinkButton href={`/pieces/${encodeURIComponent(v.id)}`} $quiet>
          To the piece
        </LinkButton>
      </PageHead>
      <NotStored reply={reply} />
      <Two>
        <Section>
          <h2>{v.compare ? v.compare.place : 'Pictures'}</h2>
          {v.compare ? (
            <Compare
              key={`${v.compare.before.id}/${v.compare.after.id}`}
              before={v.compare.before}
              after={v.compare.after}
            />
          ) : (
            <Quiet>Two pictures of one place can be laid over one another here.</Quiet>
          )}
        </Section>
        <Section>
          <h2>Add a picture</h2>
          <PostForm encType="multipart/form-data" style={{ display: 'grid', gap: '1rem' }}>
            <label style={{ display: 'grid', gap: '0.3rem', fontWeight: 600 }}>
              Picture, from the camera or a file
              <input
                type="file"
                name={photoField}
                accept="image/jpeg,image/png,image/webp"
                aria-invalid={errorOf(reply, photoField) !== undefined}
                style={{ width: '100%', minWidth: 0, minHeight: '2.75rem' }}
              />
            </label>
            <FieldGrid>
              <SelectField
                name="place"
                label="Place"
                defaultValue={typed('place', 'whole-front')}
                options={v.options.places}
                error={errorOf(reply, 'place')}
              />
              <SelectField
                name="moment"
                label="When"
                defaultValue={typed('moment', 'worn')}
                options={v.options.moments}
              />
            </FieldGrid>
            <TextField
              name="note"
              label="Note"
              defaultValue={typed('note', '')}
              placeholder="first fade at the wallet pocket"
              error={errorOf(reply, 'note')}
            />
            <Actions>
              <Button type="submit" name="intent" value="add">
                Keep it
              </Button>
            </Actions>
            <Quiet>Made small, and without what the camera writes beside it (place, time, device). {v.usage}</Quiet>
          </PostForm>
        </Section>
      </Two>
      {v.places.map((p) => (
        <Section key={p.place}>
          <h2>{p.words}</h2>
          <Strip>
            {p.photos.map((x) => (
              <li key={x.id}>
                <Link to={`?a=${p.photos[0]?.id}&b=${x.id}`} preventScrollReset>
                  <img src={`/pictures/${x.id}?small`} alt={`${x.place}, ${x.day}${x.note ? `: ${x.note}` : ''}`} />
                </Link>
                <span>
                  {x.day}, {x.moment.toLowerCase()}
                  <small>{x.after}</small>
                  {x.note && <span>{x.note}</span>}
                </span>
                {several && (
                  <label>
                    <input form="compare" type="radio" name="a" value={x.id} aria-label={`${x.day}: the one`} /> one
                    <input form="compare" type="radio" name="b" value={x.id} aria-label={`${x.day}: the other`} /> other
                  </label>
                )}
                <PostForm preventScrollReset>
                  <input type="hidden" name="picture" value={x.id} />
                  <TextButton type="submit" name="intent" value="remove" aria-label={`Take out: ${x.place}, ${x.day}`}>
                    Take out
                  </TextButton>
                </PostForm>
              </li>
            ))}
          </Strip>
        </Section>
      ))}
      {several && (
        <Form id="compare" method="get" preventScrollReset style={{ marginTop: '1rem' }}>
          <Button type="submit" $quiet>
            Compare the one with the other
          </Button>
        </Form>
      )}
    </>
  );
}
