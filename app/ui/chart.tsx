/**
 * A chart with its question, its answer in one sentence, and its numbers as a table. The drawing is made in the browser (Chart.js, loaded when there
 * is something to draw); without it, sentence and table say the same. Colours follow the theme, and the print.
 */
import { useEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { media } from '../theme/tokens.ts';
import type { ChartConfiguration, ChartDataset, ScatterDataPoint } from 'chart.js';

/** Tokens of the theme a series may have, or the colour of a cloth. */
export type Tone = 'ink' | 'woad' | 'weld' | 'madder' | 'structure' | 'shelf' | `#${string}`;
/** Series are told apart by shape and line, not by colour alone. */
export type Mark = 'circle' | 'rect' | 'rectRot' | 'triangle' | 'cross';
export interface Series {
  name: string;
  tone: Tone;
  /** One tone a bar, for cloth. */
  tones?: readonly string[];
  mark?: Mark;
  /** Planned, foretold, usual: dashed lines, open bars. */
  expected?: boolean;
  /** By label, or as pairs in a field of points. */
  values: readonly (number | null)[] | readonly (readonly [x: number, y: number])[];
}
export interface ChartSpec {
  id: string;
  kind: 'bars' | 'rows' | 'line' | 'points';
  question: string;
  /** The answer. */
  sentence: string;
  labels: readonly string[];
  series: readonly Series[];
  xTitle?: string;
  yTitle?: string;
  /** Points: draw the line on which both axes agree. */
  diagonal?: boolean;
  /** Points: x counts days from this day on, ISO 8601; the axis then shows days. */
  xDay?: string;
  yMin?: number;
  yMax?: number;
  table: { head: readonly string[]; rows: readonly (readonly string[])[] };
}

const Figure = styled.figure`
  display: grid;
  /* A drawing takes the width there is: by itself the column would never be narrower than the drawing was before. */
  grid-template-columns: minmax(0, 1fr);
  gap: 0.35rem;
  align-content: start;
  min-width: 0;
  break-inside: avoid;
  h2 {
    font-size: 1.15rem;
  }
  .drawing {
    position: relative;
    height: 15rem;
  }
  .drawing[data-rows='true'] {
    height: 21rem;
  }
  details {
    font-size: 0.92rem;
  }
  summary {
    cursor: pointer;
    min-height: 2.2rem;
    display: inline-flex;
    align-items: center;
    color: var(--ink-soft);
  }
  .table {
    max-height: 18rem;
    overflow: auto;
  }
  table {
    border-collapse: collapse;
    width: 100%;
  }
  th,
  td {
    text-align: left;
    padding: 0.25rem 0.8rem 0.25rem 0;
    border-bottom: 1px dotted var(--hairline);
  }
  td:not(:first-child),
  th:not(:first-child) {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  ${media.print} {
    details {
      display: none;
    }
  }
`;

const dash = [5, 4];
const markSize = 5;
/** Up to so many names below bars all of them are shown, turned if need be. */
const mostTurned = 16;
function configOf(spec: ChartSpec, look: CSSStyleDeclaration, still: boolean): ChartConfiguration {
  const token = (name: string): string => look.getPropertyValue(`--${name}`).trim();
  const colour = (tone: string): string => (tone.startsWith('#') ? tone : token(tone));
  const points = spec.kind === 'points';
  const bars = spec.kind === 'bars' || spec.kind === 'rows';
  const datasets = spec.series.map((s): ChartDataset => {
    const main = colour(s.tone);
    return {
      label: s.name,
      data: points
        ? (s.values as readonly (readonly [number, number])[]).map(([x, y]): ScatterDataPoint => ({ x, y }))
        : [...(s.values as readonly (number | null)[])],
      backgroundColor: s.tones ? s.tones.map(colour) : bars && s.expected ? 'transparent' : main,
      borderColor: s.tones ? token('ink-soft') : main,
      borderWidth: bars ? (s.expected ? 1.5 : s.tones ? 1 : 0) : 2,
      ...(bars ? { maxBarThickness: 26, borderRadius: 3 } : {}),
      ...(!bars
        ? { borderDash: s.expected ? dash : [], pointStyle: s.mark ?? 'circle', pointRadius: markSize, spanGaps: true }
        : {}),
      ...(points ? { showLine: false } : {}),
    };
  });
  if (spec.diagonal) {
    const all = spec.series.flatMap((s) => (s.values as readonly (readonly [number, number])[]).flat());
    const most = Math.max(1, ...all);
    datasets.push({
      label: 'as foretold',
      data: [
        { x: 0, y: 0 },
        { x: most, y: most },
      ],
      borderColor: token('ink-soft'),
      borderDash: dash,
      borderWidth: 1.5,
      pointRadius: 0,
      showLine: true,
    });
  }
  const ink = token('ink-soft');
  const fewLabels = spec.kind === 'bars' && spec.labels.length <= mostTurned;
  const axis = (title: string | undefined, grid: boolean) => ({
    ticks: {
      color: ink,
      maxRotation: fewLabels ? 50 : 0,
      autoSkip: !fewLabels,
      autoSkipPadding: 14,
    },
    grid: { color: grid ? token('hairline') : 'transparent', lineWidth: 0.6 },
    border: { color: token('hairline') },
    title: { display: title !== undefined, text: title ?? '', color: ink },
  });
  const from = spec.xDay === undefined ? null : Date.parse(spec.xDay);
  const days =
    from === null
      ? {}
      : {
          ticks: {
            color: ink,
            maxRotation: 0,
            callback: (x: number | string) =>
              new Date(from + Number(x) * 86_400_000).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' }),
          },
        };
  const value = {
    ...axis(spec.yTitle, true),
    beginAtZero: spec.yMin === undefined,
    ...(spec.yMin === undefined ? {} : { min: spec.yMin }),
    ...(spec.yMax === undefined ? {} : { max: spec.yMax }),
  };
  return {
    type: points ? 'scatter' : bars ? 'bar' : 'line',
    data: { labels: [...spec.labels], datasets },
    options: {
      responsive: true,
      maintainAspectRatio: false,
      animation: still ? false : { duration: 250 },
      indexAxis: spec.kind === 'rows' ? 'y' : 'x',
      scales:
        spec.kind === 'rows'
          ? { x: value, y: { ...axis(spec.xTitle, false), ticks: { color: ink, autoSkip: false } } }
          : {
              x: points ? { ...axis(spec.xTitle, true), beginAtZero: true, ...days } : axis(spec.xTitle, false),
              y: value,
            },
      plugins: {
        legend: {
          display: datasets.length > 1,
          position: 'bottom',
          labels: { color: token('ink'), usePointStyle: !bars, boxWidth: 14 },
        },
      },
      font: { family: look.fontFamily },
    },
  };
}

/** The drawing itself; redrawn when the theme changes, and for the print. */
function Drawing({ spec }: { spec: ChartSpec }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [drawn, setDrawn] = useState(false);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    let gone = false;
    let destroy = (): void => undefined;
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    const draw = async (): Promise<void> => {
      const { Chart } = await import('chart.js/auto');
      if (gone) return;
      destroy();
      const chart = new Chart(element, configOf(spec, getComputedStyle(element), still));
      destroy = () => chart.destroy();
      setDrawn(true);
    };
    const again = (): void => void draw();
    void draw();
    const dark = matchMedia('(prefers-color-scheme: dark)');
    const paper = matchMedia('print');
    dark.addEventListener('change', again);
    paper.addEventListener('change', again);
    return () => {
      gone = true;
      dark.removeEventListener('change', again);
      paper.removeEventListener('change', again);
      destroy();
    };
  }, [spec]);
  return (
    <div className="drawing" data-rows={spec.kind === 'rows'} data-drawn={drawn}>
      <canvas ref={canvas} role="img" aria-label={`${spec.question} ${spec.sentence}`} />
    </div>
  );
}

export function ChartFigure({ spec }: { spec: ChartSpec }) {
  const empty = spec.table.rows.length === 0;
  return (
    <Figure id={spec.id}>
      <h2>{spec.question}</h2>
      <figcaption>{spec.sentence}</figcaption>
      {!empty && (
        <>
          <Drawing spec={spec} />
          <details>
            <summary>The numbers</summary>
            {/* A long table scrolls by itself, also by keyboard. */}
            {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
            <div className="table" tabIndex={0} role="region" aria-label={`Numbers: ${spec.question}`}>
              <table>
                <thead>
                  <tr>
                    {spec.table.head.map((h) => (
                      <th key={h} scope="col">
                        {h}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {spec.table.rows.map((row, k) => (
                    <tr key={k}>
                      {row.map((cell, i) => (
                        <td key={i}>{cell}</td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </details>
        </>
      )}
    </Figure>
  );
}
