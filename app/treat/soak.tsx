import { data, Form, redirect } from 'react-router';
import { styled } from 'styled-components';
import { planSoak, soakRefusal } from '@core/stain/bulk-soak.ts';
import { garmentOf, householdOf } from '@formats/hamper.ts';
import { appendEvents } from '@data/events.ts';
import { garmentDocument, listPieces } from '@data/garments.ts';
import { readHousehold } from '@data/household.ts';
import { addSoak, endSoak, findSoak, markStirred, openSoaks } from '@data/treatments.ts';
import type { Route } from './+types/soak';
import { field, withHousehold, type Scope, onSubmit, fieldsOf } from '../server/request.server.ts';
import { Awake } from '../ui/awake.tsx';
import { Button, TextButton } from '../ui/button.tsx';
import { Actions } from '../ui/fields.tsx';
import { Swatch } from '../ui/fold.tsx';
import { BeforeYouBegin, Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { Timer } from '../ui/timer.tsx';
import { useRefresh } from '../ui/use-refresh.ts';
import { clothOf } from '../shared/cloth.ts';
import type { PieceRef } from '../wash/load-view.server.ts';
import { precautionsIn } from './treat-view.server.ts';
import { durationText, plural } from '../shared/words.ts';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Soak · Neat Fold' }];

const groupWords = { white: 'White tub', light: 'Light tub', dark: 'Dark tub' } as const;

async function soakView({ tx, now }: Scope, chosen: readonly string[]) {
  const home = await readHousehold(tx);
  const pieces = await listPieces(tx);
  const drumKg = Math.max(
    1,
    ...(home ? householdOf(home.document).washers.flatMap((w) => w.programmes.map((p) => p.maxLoadKg)) : [7]),
  );
  const ref = (id: string): PieceRef => {
    const p = pieces.find((x) => x.row.id === id);
    return { id, name: p?.row.name ?? id, cloth: clothOf(p?.row ?? { colours: [], traits: [], kind: 'other' }) };
  };
  const basket = pieces.filter((p) => p.basket !== null).map((p) => garmentOf(garmentDocument(p, now)));
  const running = (await openSoaks(tx)).map((s) => {
    const startedAt = s.startedAt?.getTime() ?? now.getTime();
    const minutesIn = (now.getTime() - startedAt) / 60_000;
    const next = s.plan.stirsAtMin[s.stirs] ?? null;
    return {
      id: s.id,
      title: groupWords[s.plan.group],
      pieces: s.plan.pieces.map((p) => ref(p.id)),
      startedAt,
      endsAt: startedAt + s.plan.minutes * 60_000,
      stirs: s.stirs,
      stirsInAll: s.plan.stirsAtMin.length,
      nextStirAt: next === null ? null : startedAt + next * 60_000,
      due: next !== null && minutesIn >= next,
      bathChecks: s.plan.bathChecksAtMin.filter((m) => m >= minutesIn),
      over: minutesIn >= s.plan.endMin ? ('end' as const) : minutesIn >= s.plan.warnMin ? ('warn' as const) : null,
      loads: s.plan.loads.map((l) => l.map(ref)),
      least: Math.max(0, Math.ceil(s.plan.leastMinutes - minutesIn)),
      dry: s.plan.dryKg,
    };
  });
  const busy = new Set(running.flatMap((r) => r.pieces.map((p) => p.id)));
  const choices = basket
    .filter((g) => !busy.has(g.id))
    .map((g) => ({ piece: ref(g.id), refusal: soakRefusal(g), marked: g.stains.length > 0 }));
  const plan =
    chosen.length > 0
      ? planSoak(
          basket.filter((g) => chosen.includes(g.id) && !busy.has(g.id)),
          { maxLoadKg: drumKg },
        )
      : null;
  return {
    serverNow: now.getTime(),
    running,
    choices: choices.sort((a, b) => Number(a.refusal !== null) - Number(b.refusal !== null)),
    chosen,
    tubs:
      plan?.tubs.map((t) => ({
        ...t,
        title: groupWords[t.group],
        refs: t.pieces.map((p) => ({ ...ref(p.id), band: p.band })),
      })) ?? [],
    refused: plan?.refused ?? [],
    precautions: precautionsIn(home, {
      agents: ['oxy-percarbonate', 'det-delicate'],
      stains: [],
      hottestC: 50,
      // What would have to be lifted: the cloth and its water, a kilogram the litre.
      bulkSoakKg: Math.max(0, ...(plan?.tubs ?? []).map((t) => t.dryKg + t.bathL)),
    }),
  };
}

export const loader = ({ request, context }: Route.LoaderArgs) =>
  withHousehold(context, (scope) =>
    soakView(
      scope,
      new URL(request.url).searchParams
        .getAll('piece')
        .map((p) => p.slice(0, 80))
        .slice(0, 200),
    ),
  );

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const id = field(form, 'id');
    switch (field(form, 'intent')) {
      case 'begin': {
        const pieces = fieldsOf(form, 'piece');
        const view = await soakView(scope, pieces);
        const tub = view.tubs.find((t) => t.group === field(form, 'group'));
        if (!tub)
          return data(
            { text: 'Those pieces cannot soak together any more; look at the list again.', early: null },
            { status: 409 },
          );
        await addSoak(tx, householdId, tub, now);
        await appendEvents(
          scope,
          tub.pieces.map((p) => ({
            garmentId: p.id,
            kind: 'treated' as const,
            at: now,
            data: {
              note: `Soaking in oxygen bleach, ${Math.round(tub.percarbonateG)} g in ${Math.round(tub.bathL)} l`,
            },
          })),
        );
        break;
      }
      case 'stir':
        await markStirred(tx, id);
        break;
      case 'end': {
        const soak = await findSoak(tx, id);
        if (!soak || soak.endedAt !== null)
          return data({ text: 'That tub was emptied on another screen already.', early: null }, { status: 409 });
        const minutes = Math.round((now.getTime() - (soak.startedAt?.getTime() ?? now.getTime())) / 60_000);
        if (minutes < soak.plan.leastMinutes && field(form, 'early') !== 'yes')
          return data(
            {
              text: `It has soaked ${durationText(minutes)}; before ${durationText(soak.plan.leastMinutes)} the bleach has done little. Take the pieces out now only if the water is tinted or the cloth suffers.`,
              early: id,
            },
            { status: 409 },
          );
        await endSoak(tx, id, now);
        await appendEvents(
          scope,
          soak.pieces.map((garmentId) => ({
            garmentId,
            kind: 'treated' as const,
            at: now,
            data: { note: `Out of the oxygen soak after ${durationText(minutes)}` },
          })),
        );
        return redirect(`/soak?out=${soak.id}`);
      }
      default:
        return data({ text: 'That button is not known here.', early: null }, { status: 400 });
    }
    return redirect('/soak');
  });

const Pick = styled(Rows)`
  label {
    display: grid;
    grid-template-columns: auto auto minmax(0, 14rem) minmax(0, 1fr);
    gap: 0.8rem;
    align-items: center;
    min-height: 3rem;
    cursor: pointer;
  }
  input {
    width: 1.5rem;
    height: 1.5rem;
    accent-color: var(--ink);
  }
  small {
    color: var(--ink-soft);
  }
  @media (max-width: 700px) {
    label {
      grid-template-columns: auto auto minmax(0, 1fr);
    }
    label small {
      grid-column: 2 / -1;
    }
  }
`;
const Tub = styled.div`
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 18px 18px;
  padding: 1rem 1.2rem;
  display: grid;
  gap: 0.8rem;
  h3 {
    font-size: 1.25rem;
  }
  dl {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
    gap: 0.6rem 1.2rem;
  }
  dt {
    color: var(--ink-soft);
    font-size: 0.88rem;
  }
  dd {
    font-size: 1.5rem;
    font-weight: 700;
    font-variant-numeric: tabular-nums;
  }
  ol {
    display: grid;
    gap: 0.3rem;
    padding-left: 1.2rem;
    list-style: decimal;
  }
  .folds {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
  }
`;
const Tubs = styled.div`
  display: grid;
  gap: 1.2rem;
  grid-template-columns: repeat(auto-fill, minmax(min(28rem, 100%), 1fr));
  align-items: start;
`;

export default function Soak({ loaderData: v, actionData }: Route.ComponentProps) {
  useRefresh(v.running.length > 0);
  return (
    <>
      <PageHead>
        <div>
          <h1>One tub for many pieces</h1>
          <p>
            Oxygen bleach in warm water, for cotton, linen and polyester that bear it. Treat each visible mark first;
            chlorine never goes into this bath.
          </p>
        </div>
      </PageHead>
      {actionData && 'text' in actionData && (
        <div style={{ marginBottom: '1rem' }}>
          <Notice severity="caution" live>
            {actionData.text}
            {actionData.early !== null && (
              <PostForm preventScrollReset>
                <input type="hidden" name="id" value={actionData.early} />
                <input type="hidden" name="early" value="yes" />
                <TextButton type="submit" name="intent" value="end">
                  Take them out all the same
                </TextButton>
              </PostForm>
            )}
          </Notice>
        </div>
      )}
      {v.running.length > 0 && (
        <Section>
          <h2>In the water</h2>
          <Awake />
          <Tubs>
            {v.running.map((r) => (
              <Tub key={r.id}>
                <h3>
                  {r.title}, {plural(r.pieces.length, 'piece')}
                </h3>
                <Timer
                  startedAt={r.startedAt}
                  endsAt={r.endsAt}
                  serverNow={v.serverNow}
                  label={r.title}
                  over="drain it"
                />
                {r.over === 'warn' && (
                  <Notice severity="caution" title="Long enough">
                    The bleach is used up; drain, rinse and wash. A second fresh bath does more than another hour.
                  </Notice>
                )}
                {r.over === 'end' && (
                  <Notice severity="danger" title="It must end now">
                    Twelve hours are over: drain it, rinse, and decide piece by piece.
                  </Notice>
                )}
                <p>
                  Stirred {r.stirs} of {r.stirsInAll} times
                  {r.due ? '. It is time: two minutes, with gloves and a smooth paddle.' : '.'}
                  {r.bathChecks.length > 0 &&
                    ` Look at the colour of the water after ${r.bathChecks.join(', ')} min: tinted means out.`}
                </p>
                <PostForm preventScrollReset>
                  <input type="hidden" name="id" value={r.id} />
                  <Actions>
                    <Button type="submit" name="intent" value="stir" $quiet={!r.due} $large>
                      Stirred
                    </Button>
                    <Button type="submit" name="intent" value="end" $quiet={r.due} $large>
                      It is drained and rinsed
                    </Button>
                  </Actions>
                </PostForm>
                {r.least > 0 && <Quiet>At least {durationText(r.least)} more.</Quiet>}
                <p>
                  <b>Then {plural(r.loads.length, 'load')}:</b> half the detergent, 40 °C, an extra rinse, dry in the
                  air, judge each piece in daylight.
                </p>
                {r.loads.map((l, i) => (
                  <p key={l.map((p) => p.id).join()} className="folds">
                    <Quiet>Load {i + 1}</Quiet>
                    {l.map((p) => (
                      <Swatch key={p.id} cloth={p.cloth} size={20} />
                    ))}{' '}
                    <Quiet>{l.map((p) => p.name).join(', ')}</Quiet>
                  </p>
                ))}
              </Tub>
            ))}
          </Tubs>
        </Section>
      )}
      <Section>
        <h2>Who may go in</h2>
        {v.choices.length === 0 ? (
          <Notice title="The basket is empty">Put in what is to soak.</Notice>
        ) : (
          <Form method="get">
            <Pick>
              {v.choices.map((c) => (
                <li key={c.piece.id}>
                  <label>
                    <input
                      type="checkbox"
                      name="piece"
                      value={c.piece.id}
                      disabled={c.refusal !== null}
                      defaultChecked={
                        v.chosen.includes(c.piece.id) || (v.chosen.length === 0 && c.refusal === null && c.marked)
                      }
                    />
                    <Swatch cloth={c.piece.cloth} />
                    <span>{c.piece.name}</span>
                    <small>{c.refusal ? `Not in: ${c.refusal}.` : c.marked ? 'Marked.' : ''}</small>
                  </label>
                </li>
              ))}
            </Pick>
            <Actions style={{ marginTop: '1rem' }}>
              <Button type="submit">Work out the tub</Button>
            </Actions>
          </Form>
        )}
      </Section>
      {v.tubs.length > 0 && (
        <Section>
          <h2>{v.tubs.length === 1 ? 'The tub' : 'White, light and dark each by themselves'}</h2>
          <BeforeYouBegin {...v.precautions} />
          <Tubs>
            {v.tubs.map((t) => (
              <Tub key={t.group}>
                <h3>
                  {t.title}, {t.dryKg.toFixed(2)} kg dry
                </h3>
                <dl>
                  <div>
                    <dt>Water</dt>
                    <dd>{Math.round(t.bathL)} l</dd>
                  </div>
                  <div>
                    <dt>Tub of at least</dt>
                    <dd>{Math.ceil(t.tubL)} l</dd>
                  </div>
                  <div>
                    <dt>Oxygen bleach</dt>
                    <dd>{Math.round(t.percarbonateG)} g</dd>
                  </div>
                  <div>
                    <dt>Delicates liquid</dt>
                    <dd>{Math.round(t.detergentMl)} ml</dd>
                  </div>
                  <div>
                    <dt>Begin at</dt>
                    <dd>
                      {t.startC[0]}–{t.startC[1]} °C
                    </dd>
                  </div>
                  <div>
                    <dt>Time</dt>
                    <dd>{durationText(t.minutes)}</dd>
                  </div>
                </dl>
                <ol>
                  <li>Treat every visible mark first, up to the bleach step.</li>
                  <li>
                    Dissolve the powder ({t.teaspoons} level teaspoons) in a little water of 40 °C or more, then fill
                    up; then the clothes, loosely.
                  </li>
                  <li>
                    Stir for two minutes after {t.stirsAtMin.slice(0, 4).join(', ')} min
                    {t.stirsAtMin.length > 4 ? ', then every hour' : ''}. A loose lid, never a tight one.
                  </li>
                  {t.bathChecksAtMin.length > 0 && (
                    <li>
                      Look at the colour of the water after {t.bathChecksAtMin.join(', ')} min; tinted means everything
                      out.
                    </li>
                  )}
                  <li>Bail it down before you lift it; soaked cotton holds three times its weight.</li>
                </ol>
                <p>
                  <b>
                    {t.expectedClear} of {t.pieces.length}
                  </b>{' '}
                  should come out clear; {t.mayStay} may stay marked.{' '}
                  <Quiet>
                    Long soaking lightens most storage yellowing; deep oil, old dye and weak fibre may stay. At the end{' '}
                    {t.leftGPerL.toFixed(1)} g of bleach per litre are left.
                  </Quiet>
                </p>
                <p className="folds">
                  {t.refs.map((p) => (
                    <Swatch key={p.id} cloth={p.cloth} size={20} />
                  ))}{' '}
                  <Quiet>
                    {t.refs.map((p) => `${p.name}: ${p.band.charAt(0).toLowerCase()}${p.band.slice(1)}`).join(' ')}
                  </Quiet>
                </p>
                <PostForm>
                  <input type="hidden" name="group" value={t.group} />
                  {t.pieces.map((p) => (
                    <input key={p.id} type="hidden" name="piece" value={p.id} />
                  ))}
                  <Actions>
                    <Button type="submit" name="intent" value="begin" $large>
                      They are in: start the clock
                    </Button>
                  </Actions>
                </PostForm>
              </Tub>
            ))}
          </Tubs>
        </Section>
      )}
      {v.refused.length > 0 && (
        <Section>
          <h2>Left out</h2>
          <Rows>
            {v.refused.map((r) => (
              <li key={r.id} style={{ padding: '0.4rem 0' }}>
                {r.name} <Quiet>{r.because}</Quiet>
              </li>
            ))}
          </Rows>
        </Section>
      )}
    </>
  );
}
