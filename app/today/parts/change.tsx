/** Words about the hours of the day: a load later or first, needed by a time, left out; somebody out; the whole day later. */
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { Button } from '../../ui/button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Quiet, Section } from '../../ui/page.tsx';
import { PostForm } from '../../ui/post-form.tsx';
import type { DayLoadView, TodayView } from '../today-view.server.ts';

const Forms = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(19rem, 100%), 1fr));
  gap: 1rem 2rem;
  ${media.print} {
    display: none;
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: flex-end;
  > div {
    flex: 1 1 7rem;
  }
`;
const Choice = styled.label`
  display: grid;
  gap: 0.25rem;
  font-weight: 600;
  font-size: 0.92rem;
  flex: 1 1 100%;
  min-width: 0;
  select {
    min-height: 2.75rem;
    border: 1.5px solid var(--hairline);
    border-radius: 4px 10px 4px 10px;
    background: var(--paper);
    color: var(--ink);
    padding: 0.2rem 0.5rem;
    width: 100%;
  }
`;

interface Problem {
  problem: string;
  field: string;
  intent: string;
}
const errorOf = (problem: Problem | null, intents: readonly string[], name: string): { error?: string } =>
  problem && intents.includes(problem.intent) && problem.field === name ? { error: problem.problem } : {};

export function Change({
  loads,
  people,
  chosen,
  problem,
}: {
  loads: DayLoadView[];
  people: TodayView['people'];
  chosen: string;
  problem: Problem | null;
}) {
  const waiting = loads.filter((l) => !l.begun);
  const ofLoad = ['not-before', 'first', 'needed', 'skip'];
  return (
    <Section id="change">
      <h2>Say something about the hours</h2>
      <Forms>
        {waiting.length > 0 && (
          <PostForm preventScrollReset>
            <Row>
              <Choice>
                Load
                <select name="load" defaultValue={chosen || waiting[0]?.id} key={chosen}>
                  {waiting.map((l) => (
                    <option key={l.id} value={l.id}>
                      {l.title}
                      {l.start ? ` (${l.start})` : ''}
                    </option>
                  ))}
                </select>
              </Choice>
              <TextField
                name="at"
                label="Time"
                placeholder="18:00"
                inputMode="text"
                {...errorOf(problem, ofLoad, 'at')}
              />
              <Button $quiet type="submit" name="intent" value="not-before">
                Not before
              </Button>
              <Button $quiet type="submit" name="intent" value="needed">
                Needed by
              </Button>
              <Button $quiet type="submit" name="intent" value="skip">
                Not today
              </Button>
            </Row>
          </PostForm>
        )}
        <PostForm preventScrollReset>
          <Row>
            {people.length > 1 ? (
              <Choice>
                Who is out
                <select name="person" defaultValue="1">
                  {people.map((p) => (
                    <option key={p.person} value={p.person}>
                      {p.name}
                    </option>
                  ))}
                </select>
              </Choice>
            ) : (
              <input type="hidden" name="person" value="1" />
            )}
            <TextField
              name="from"
              label={people.length > 1 ? 'Out from' : 'I am out from'}
              placeholder="12:00"
              {...errorOf(problem, ['out'], 'from')}
            />
            <TextField name="to" label="to" placeholder="14:00" {...errorOf(problem, ['out'], 'to')} />
            <Button $quiet type="submit" name="intent" value="out">
              Say so
            </Button>
          </Row>
        </PostForm>
        <PostForm preventScrollReset>
          <Row>
            <TextField
              name="at"
              label="The day begins"
              placeholder="tomorrow 8:00"
              {...errorOf(problem, ['begin'], 'at')}
            />
            <Button $quiet type="submit" name="intent" value="begin">
              Begin then
            </Button>
          </Row>
        </PostForm>
      </Forms>
      <Quiet>A bar on the chart may be dragged, or moved with the arrow keys and Enter, to the same end.</Quiet>
    </Section>
  );
}
