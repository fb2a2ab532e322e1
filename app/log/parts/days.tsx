/** The log day by day, like things gathered; a gathered line opens to its pieces. */
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { Swatch } from '../../ui/fold.tsx';
import { Quiet } from '../../ui/page.tsx';
import type { DayGroup, EntryView, LogView } from '../log-view.server.ts';

const Day = styled.section`
  margin-top: 1.1rem;
  break-inside: avoid-page;
  h2 {
    font-size: 1.1rem;
    color: var(--structure);
    padding-bottom: 0.2rem;
    border-bottom: 1px solid var(--hairline);
  }
  > ul > li {
    border-bottom: 1px dotted var(--hairline);
    padding: 0.2rem 0;
  }
  > ul > li:last-child {
    border-bottom: 0;
  }
`;
const Line = styled.div`
  display: grid;
  grid-template-columns: 3.2rem minmax(0, 15rem) minmax(0, 1fr) auto;
  gap: 0.2rem 0.8rem;
  align-items: center;
  min-height: 2.4rem;
  &[data-struck='true'] > span:not(:last-child) {
    text-decoration: line-through;
    color: var(--ink-soft);
  }
  .piece {
    display: inline-flex;
    gap: 0.6rem;
    align-items: center;
  }
  ${media.phone} {
    grid-template-columns: 3.2rem minmax(0, 1fr) auto;
    > span:nth-child(3) {
      grid-column: 2 / -1;
      grid-row: 2;
    }
  }
`;
const Gathered = styled.details`
  summary {
    cursor: pointer;
    min-height: 2.4rem;
    display: flex;
    gap: 0.4rem 0.8rem;
    align-items: center;
    flex-wrap: wrap;
    list-style: none;
  }
  summary::-webkit-details-marker {
    display: none;
  }
  summary::before {
    content: '';
    width: 0;
    height: 0;
    border: 0.32rem solid transparent;
    border-left-color: var(--shelf);
    margin-left: 0.4rem;
  }
  &[open] > summary::before {
    transform: rotate(90deg);
    margin: 0.2rem 0.1rem 0 0.2rem;
  }
  .folds {
    display: inline-flex;
    gap: 3px;
    flex-wrap: wrap;
  }
  ul {
    padding-left: 1.4rem;
  }
`;
const shownFolds = 24;

function EntryLine({ entry: e }: { entry: EntryView }) {
  return (
    <Line data-struck={e.struck}>
      <Quiet as="time">{e.time}</Quiet>
      <span className="piece">
        <Swatch cloth={e.cloth} />
        <Link to={`/pieces/${e.piece}`}>{e.name}</Link>
      </span>
      <span>{e.text}</span>
      <span>
        {e.struck ? (
          <Quiet>taken back</Quiet>
        ) : (
          <Link
            to={`/log/entries/${e.id}`}
            aria-label={`${e.corrected ? 'corrected' : 'correct'}: ${e.name}, ${e.text}`}
          >
            <Quiet>{e.corrected ? 'corrected' : 'correct'}</Quiet>
          </Link>
        )}
      </span>
    </Line>
  );
}
function Group({ group: g }: { group: DayGroup }) {
  const [first] = g.entries;
  if (g.single && first) return <EntryLine entry={first} />;
  return (
    <Gathered>
      <summary>
        <b>{g.title}</b>
        <span className="folds" aria-hidden="true">
          {g.entries.slice(0, shownFolds).map((e) => (
            <Swatch key={e.id} cloth={e.cloth} />
          ))}
        </span>
        {g.entries.length > shownFolds && <Quiet>and {g.entries.length - shownFolds} more</Quiet>}
      </summary>
      {g.href && (
        <p style={{ paddingLeft: '1.4rem' }}>
          <Link to={g.href}>The load as it ran</Link>
        </p>
      )}
      <ul>
        {g.entries.map((e) => (
          <li key={e.id}>
            <EntryLine entry={e} />
          </li>
        ))}
      </ul>
    </Gathered>
  );
}
export const Days = ({ days }: { days: LogView['days'] }) => (
  <>
    {days.map((d) => (
      <Day key={d.day}>
        <h2>{d.day}</h2>
        <ul>
          {d.groups.map((g) => (
            <li key={g.key}>
              <Group group={g} />
            </li>
          ))}
        </ul>
      </Day>
    ))}
  </>
);
