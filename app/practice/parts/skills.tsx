/** Skills as a ladder: how sure somebody is with each, and how that came about round by round. */
import { styled } from 'styled-components';
import type { SkillView } from '../practice-view.server.ts';

const Ladder = styled.dl`
  display: grid;
  grid-template-columns: 5.2rem minmax(0, 1fr) 2.6rem;
  gap: 0.35rem 0.8rem;
  align-items: center;
  dt {
    font-weight: 600;
  }
  dd:last-of-type,
  dd.figure {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  svg {
    width: 100%;
    height: 26px;
    overflow: visible;
  }
`;
const width = 200;
const height = 24;

/** A line through the rounds; the last is marked. */
function Course({ course }: { course: readonly number[] }) {
  const x = (i: number): number => (course.length === 1 ? width : (i * width) / (course.length - 1));
  const y = (s: number): number => height - (s / 100) * (height - 4) - 2;
  const points = course.map((s, i) => `${x(i).toFixed(1)},${y(s).toFixed(1)}`).join(' ');
  const last = course[course.length - 1] ?? 0;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} preserveAspectRatio="none" aria-hidden="true">
      <path d={`M0 ${height - 2}H${width}`} stroke="var(--hairline)" vectorEffect="non-scaling-stroke" />
      <polyline points={points} fill="none" stroke="var(--woad)" strokeWidth="2" vectorEffect="non-scaling-stroke" />
      <path d={`M${width - 3} ${y(last)}h3`} stroke="var(--ink)" strokeWidth="6" vectorEffect="non-scaling-stroke" />
    </svg>
  );
}

export function SkillLadder({ skills }: { skills: readonly SkillView[] }) {
  return (
    <Ladder>
      {skills.map((s) => [
        <dt key={s.id}>{s.name}</dt>,
        <dd key={`${s.id}-course`}>{s.course.length > 0 && <Course course={s.course} />}</dd>,
        <dd key={`${s.id}-now`} className="figure">
          {s.now === null ? '–' : Math.round(s.now)}
        </dd>,
      ])}
    </Ladder>
  );
}
