/** A tub of soaking pieces: one that is planned, and one that is in the water. */
import { styled } from 'styled-components';
import { Button } from '../../ui/button.tsx';
import { Actions } from '../../ui/fields.tsx';
import { Swatch } from '../../ui/fold.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Quiet } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import { Timer } from '../../ui/timer.tsx';
import { durationText, plural } from '../../shared/words.ts';
import type { PlannedTubView, RunningTubView } from '../soak-view.server.ts';

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
export const Tubs = styled.div`
  display: grid;
  gap: 1.2rem;
  grid-template-columns: repeat(auto-fill, minmax(min(28rem, 100%), 1fr));
  align-items: start;
`;

export function RunningTub({ r, serverNow }: { r: RunningTubView; serverNow: number }) {
  return (
    <Tub>
      <h3>
        {r.title}, {plural(r.count, 'piece')}
      </h3>
      <Timer startedAt={r.startedAt} endsAt={r.endsAt} serverNow={serverNow} label={r.title} over="drain it" />
      {r.over === 'warn' && (
        <Notice severity="caution" title="Long enough">
          {r.short
            ? 'This cloth bears half an hour in bleach: drain, rinse and wash.'
            : 'The bleach is used up; drain, rinse and wash. A second fresh bath does more than another hour.'}
        </Notice>
      )}
      {r.over === 'end' && (
        <Notice severity="danger" title="It must end now">
          {r.short
            ? 'This cloth bears half an hour: drain it and rinse it.'
            : 'Twelve hours are over: drain it, rinse, and decide piece by piece.'}
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
      <p>{r.then}</p>
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
  );
}

export function PlannedTub({ t, neverDyed }: { t: PlannedTubView; neverDyed: boolean }) {
  return (
    <Tub>
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
          Dissolve the powder ({t.teaspoons} level teaspoons) in a little water of 40 °C or more, then fill up; then the
          clothes, loosely.
        </li>
        <li>
          Stir for two minutes after {t.stirsAtMin.slice(0, 4).join(', ')} min
          {t.stirsAtMin.length > 4 ? ', then every hour' : ''}. A loose lid, never a tight one.
        </li>
        {t.bathChecksAtMin.length > 0 && (
          <li>
            Look at the colour of the water after {t.bathChecksAtMin.join(', ')} min; tinted means everything out.
          </li>
        )}
        <li>Bail it down before you lift it; soaked cotton holds three times its weight.</li>
      </ol>
      <p>
        <b>
          {t.expectedClear} of {t.count}
        </b>{' '}
        should come out clear; {t.mayStay} may stay marked.{' '}
        <Quiet>
          {t.short
            ? 'Half an hour freshens; what has yellowed in years stays.'
            : 'Long soaking lightens most storage yellowing; deep oil, old dye and weak fibre may stay.'}{' '}
          At the end {t.leftGPerL.toFixed(1)} g of bleach per litre are left.
        </Quiet>
      </p>
      <p className="folds">
        {t.refs.map((p) => (
          <Swatch key={p.id} cloth={p.cloth} size={20} />
        ))}{' '}
        <Quiet>{t.refs.map((p) => `${p.name}: ${p.band.charAt(0).toLowerCase()}${p.band.slice(1)}`).join(' ')}</Quiet>
      </p>
      <PostForm>
        <input type="hidden" name="tub" value={t.key} />
        {neverDyed && <input type="hidden" name="neverDyed" value="yes" />}
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
  );
}
