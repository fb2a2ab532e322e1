import { data, redirect } from 'react-router';
import { readArchive, archiveLimits } from '@formats/archive.ts';
import { problemLine } from '@formats/problem.ts';
import { archiveContents, checkArchive, storeArchive } from '@data/archive.ts';
import { readHousehold } from '@data/household.ts';
import type { Route } from './+types/archive';
import { keyField, keyShape } from '../forms/names.ts';
import { nowIn } from '../server/door.server.ts';
import { field, fileOf, formOf, founding } from '../server/request.server.ts';
import { plural } from '../shared/words.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Bring in an archive · Neat Fold' }];
const archiveField = 'archive';
const mostBytes = archiveLimits.zippedBytes;

interface Looked {
  problems: string[];
  contents: ReturnType<typeof archiveContents> | null;
}
const answer = (looked: Partial<Looked>, status: number) =>
  data<Looked>({ problems: [], contents: null, ...looked }, { status });

/** An archive becomes a household of its own, under the form's key: sent twice it is one. Nothing is stored from a bad one. */
export const action = async ({ request, context }: Route.ActionArgs) => {
  const form = await formOf(request, undefined, { name: archiveField, mostBytes });
  const id = field(form, keyField);
  if (!keyShape.test(id))
    throw new Response('This form is not complete. Open its page again and send it from there.', { status: 400 });
  const file = fileOf(form, archiveField);
  if (!file) return answer({ problems: ['Archive: choose the file.'] }, 422);
  const read = await readArchive(new Uint8Array(await file.arrayBuffer()));
  if (!read.ok) return answer({ problems: read.problems.map(problemLine) }, 422);
  const checked = await checkArchive(read.value);
  if (checked.problems.length > 0) return answer({ problems: checked.problems.map(problemLine) }, 422);
  if (field(form, 'intent') !== 'store') return answer({ contents: archiveContents(read.value) }, 200);
  try {
    await founding(context, id, async (tx) => {
      if (!(await readHousehold(tx))) await storeArchive(tx, id, read.value, checked.rows);
    });
  } catch (error) {
    if (!refusedByDatabase(error)) throw error;
    return answer(
      { problems: ['document: its tables do not fit together (a row names one that is not there, or stands twice)'] },
      422,
    );
  }
  return redirect('/wardrobe', { headers: await nowIn(context, id) });
};
/** SQLSTATE of what a row may not be: twice, without what it names, of the wrong shape. */
const integrity = /^(22|23)/;
function refusedByDatabase(error: unknown): boolean {
  for (let e: unknown = error; e instanceof Error; e = e.cause)
    if ('code' in e && typeof e.code === 'string' && integrity.test(e.code)) return true;
  return false;
}

export default function BringArchive({ actionData: looked }: Route.ComponentProps) {
  const c = looked?.contents ?? null;
  return (
    <>
      <PageHead>
        <div>
          <h1>Bring in an archive</h1>
          <p>
            A household that was taken out as a zip becomes a household of its own here, beside yours. Nothing of yours
            changes.
          </p>
        </div>
        <LinkButton href="/transfer" $quiet>
          Other files
        </LinkButton>
      </PageHead>
      {looked && looked.problems.length > 0 && (
        <Notice severity="caution" title="Nothing was stored" live>
          {plural(looked.problems.length, 'place')} to mend:
          <ul>
            {looked.problems.map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ul>
        </Notice>
      )}
      <Section>
        <PostForm encType="multipart/form-data" style={{ display: 'grid', gap: '1rem', maxWidth: '40rem' }}>
          <label style={{ display: 'grid', gap: '0.3rem', fontWeight: 600 }}>
            The archive (.zip)
            <input
              type="file"
              name={archiveField}
              accept=".zip,application/zip"
              style={{ width: '100%', minWidth: 0, minHeight: '2.75rem' }}
            />
          </label>
          {c && (
            <Notice title="This would be made" live>
              “{c.name}”: {plural(c.pieces, 'piece')}, {plural(c.events, 'entry', 'entries')} in the log,{' '}
              {plural(c.loads, 'load')}, {plural(c.pictures, 'picture')}, {plural(c.wishes, 'wish', 'wishes')}. If the
              file is not chosen any more, choose it once more.
            </Notice>
          )}
          <Actions>
            <Button type="submit" name="intent" value="look" $quiet={c !== null}>
              {c ? 'Look again' : 'Look what is in it'}
            </Button>
            {c && (
              <Button type="submit" name="intent" value="store">
                Make it a household
              </Button>
            )}
          </Actions>
          <Quiet>
            Devices and calendar addresses are not in an archive: their secrets stay on the machine they were made on.
          </Quiet>
        </PostForm>
      </Section>
    </>
  );
}
