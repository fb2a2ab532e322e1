/** The walk of a wash by hand as data: what a screen without a page sends, and how it stands. */
import * as v from 'valibot';
import { walkActions } from '@core/run/walk-state.ts';
import { textOf } from '@words/text.ts';
import { findLoad } from '@data/loads.ts';
import type { Route } from './+types/walk';
import { readForm } from '../forms/read.ts';
import { notFound, onSubmit, withHousehold, type Scope } from '../server/request.server.ts';
import { stepWalk } from './run.server.ts';

const stepSchema = v.object({
  seen: v.pipe(v.string(), v.regex(/^\d{1,6}$/), v.transform(Number)),
  did: v.picklist(walkActions),
  at: v.pipe(v.string(), v.regex(/^\d{1,15}$/), v.transform(Number)),
});
export interface WalkReply {
  ok: boolean;
  /** Why it was not done, in words. */
  message: string | null;
  progress: { seen: number } | null;
  status: string;
}
const elsewhere = 'It went on on another screen; this one now shows what is due.';

async function standing({ tx }: Pick<Scope, 'tx'>, loadId: string, message: string | null): Promise<WalkReply> {
  const load = await findLoad(tx, loadId);
  if (!load) throw notFound('That load is not known here.');
  return { ok: message === null, message, progress: load.walkState, status: load.status };
}
export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => Response.json(await standing(scope, params.loadId, null)));

/** A refusal is an answer, not a failure: nothing was changed, and the screen is told how things are. */
export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const read = readForm(form, stepSchema);
    const load = await findLoad(scope.tx, args.params.loadId);
    if (!load || !read.ok)
      return Response.json(
        { ok: false, message: 'That step is not known here.', progress: null, status: '' },
        { status: 422 },
      );
    const { seen, did, at } = read.value;
    const answer = await stepWalk(scope, load, { seen, action: did, at });
    const message =
      typeof answer === 'object'
        ? textOf(answer.refused)
        : answer === 'elsewhere'
          ? elsewhere
          : answer === 'not-running'
            ? 'It does not run any more: it was taken out or put back on another screen.'
            : null;
    return Response.json(await standing(scope, load.id, message), { status: message === null ? 200 : 409 });
  });
