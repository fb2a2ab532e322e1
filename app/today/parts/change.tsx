/** Words about the hours of the day: a load later or first, needed by a time, left out; somebody out; the whole day later. */
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { Button } from '../../ui/button.tsx';
import { SelectField, TextField } from '../../ui/fields.tsx';
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
const Whole = styled.div`
  && {
    flex: 1 1 100%;
  }
`;
/** The chart is for wide screens. */
const Hint = styled(Quiet)`
  ${media.phone} {
    display: none;
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
              <Whole>
                <SelectField
                  key={chosen}
                  name="load"
                  label="Load"
                  defaultValue={chosen || waiting[0]?.id}
                  options={waiting.map((l) => [l.id, l.start ? `${l.title} (${l.start})` : l.title])}
                />
              </Whole>
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
              <Whole>
                <SelectField
                  name="person"
                  label="Who is out"
                  defaultValue="1"
                  options={people.map((p) => [String(p.person), p.name])}
                />
              </Whole>
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
      <Hint>A bar on the chart may be dragged, or moved with the arrow keys and Enter, to the same end.</Hint>
    </Section>
  );
}
