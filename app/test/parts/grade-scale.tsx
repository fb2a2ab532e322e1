/** The nine steps of staining, each beside an unused cloth: the reader ticks the one that looks most alike. */
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import type { GradeView } from '../grades.server.ts';

const Scale = styled.fieldset`
  legend {
    font-weight: 600;
    margin-bottom: 0.4rem;
  }
  > div {
    display: grid;
    grid-template-columns: repeat(9, minmax(0, 1fr));
    gap: 0.4rem;
  }
  ${media.phone} {
    > div {
      grid-template-columns: repeat(3, minmax(0, 1fr));
    }
  }
  label {
    position: relative;
    display: grid;
    border: 1.5px solid var(--hairline);
    border-radius: 4px 12px 4px 12px;
    overflow: hidden;
    cursor: pointer;
    text-align: center;
    font-size: 0.85rem;
    padding-bottom: 0.3rem;
    min-height: 5.6rem;
  }
  label span {
    display: grid;
    grid-template-columns: 1fr 1fr;
    height: 2.6rem;
    margin-bottom: 0.2rem;
  }
  i {
    display: block;
  }
  input {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    margin: 0;
    opacity: 0;
    cursor: pointer;
  }
  label:has(input:checked) {
    border-color: var(--ink);
    background: var(--wash);
    font-weight: 650;
  }
  label:has(input:focus-visible) {
    outline: 3px solid var(--woad);
    outline-offset: 2px;
  }
`;

export function GradeScale({ grades, id }: { grades: readonly GradeView[]; id: string }) {
  return (
    <Scale>
      <legend>The cloth now looks most like</legend>
      <div>
        {grades.map((g) => (
          <label key={g.grade}>
            <span aria-hidden="true">
              <i style={{ background: '#f7f7f4' }} />
              <i style={{ background: g.hex }} />
            </span>
            <input
              type="radio"
              name="grade"
              value={g.grade}
              aria-label={`Grade ${g.grade}, ${g.words}: ${g.verdict}`}
              id={`${id}-${g.grade}`}
            />
            <b>{g.grade}</b>
            {g.verdict}
          </label>
        ))}
      </div>
    </Scale>
  );
}
