/** The day as lanes: machines, tubs, places, iron and people, with the folds in the bars and now as a line. What waits may be moved. */
import { useRef, useState } from 'react';
import { useMove } from 'react-aria';
import { useSubmit } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { VisuallyHidden } from '../../ui/page.tsx';
import { useFormKey } from '../../ui/post-form.tsx';
import type { BarView, ChartView, LaneView, Segment } from '../chart-view.server.ts';

/** Wide enough that the shortest run can be taken hold of. */
const unitPx = 30;
const Scroll = styled.div`
  overflow-x: auto;
  scrollbar-width: thin;
  scrollbar-color: var(--shelf) transparent;
  margin-top: 1rem;
  padding-bottom: 0.3rem;
  position: relative;
  ${media.phone} {
    display: none;
  }
`;
const Table = styled.div<{ $units: number }>`
  position: relative;
  min-width: calc(9.5rem + ${(p) => Math.round(p.$units * unitPx)}px);
  display: grid;
  grid-template-columns: 9.5rem minmax(0, 1fr);
`;
const Name = styled.div`
  padding: 0.35rem 0.6rem 0.35rem 0;
  font-weight: 640;
  line-height: 1.2;
  position: sticky;
  left: 0;
  z-index: 3;
  background: var(--linen);
  border-bottom: 1px dotted var(--hairline);
  small {
    display: block;
    font-weight: 400;
    color: var(--ink-soft);
    font-size: 0.8rem;
  }
`;
const Track = styled.div<{ $tall: boolean }>`
  position: relative;
  height: ${(p) => (p.$tall ? '3.1rem' : '2.6rem')};
  border-bottom: 1px dotted var(--hairline);
`;
const Head = styled.div`
  position: relative;
  height: 2.6rem;
  span {
    position: absolute;
    bottom: 0.2rem;
    transform: translateX(-50%);
    font-size: 0.82rem;
    color: var(--ink-soft);
    white-space: nowrap;
  }
  span.strong {
    font-weight: 700;
    color: var(--ink);
  }
`;
const Grid = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--hairline);
  opacity: 0.45;
`;
const Now = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--madder);
  z-index: 2;
  pointer-events: none;
`;
const Flag = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px dotted var(--weld);
  z-index: 1;
  pointer-events: none;
`;
const FlagText = styled.span`
  && {
    bottom: auto;
    top: 0;
    transform: none;
    background: var(--weld-ground);
    color: var(--weld);
    font-weight: 640;
    padding: 0 0.35rem;
    border-radius: 0 8px 8px 0;
    font-size: 0.78rem;
  }
`;
const Shut = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  background: repeating-linear-gradient(135deg, var(--hairline) 0 1px, transparent 1px 7px);
  opacity: 0.75;
`;
const Fill = styled.i`
  position: absolute;
  bottom: 0;
  background: var(--wash);
  border-top: 1.5px solid var(--shelf);
`;
const BarBox = styled.span<{ $movable: boolean; $done: boolean }>`
  position: absolute;
  inset: 0.5rem 0;
  width: 100%;
  border-radius: 14px 2px 2px 14px;
  overflow: visible;
  display: flex;
  align-items: center;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: ${(p) => (p.$movable ? 'grab' : 'default')};
  opacity: ${(p) => (p.$done ? 0.72 : 1)};
  touch-action: pan-y;
  user-select: none;
  b {
    position: relative;
    font-size: 0.82rem;
    font-weight: 660;
    white-space: nowrap;
    padding: 0.05rem 0.35rem;
    margin-left: 0.4rem;
    background: var(--paper);
    border-radius: 6px;
    max-width: calc(100% - 0.8rem);
    overflow: hidden;
    text-overflow: ellipsis;
  }
  /* A title that does not fit says nothing: it comes up when it is pointed at. */
  @container (max-width: 4.6rem) {
    b {
      display: none;
    }
  }
  &:hover b,
  &:focus-visible b {
    display: block;
    max-width: none;
    box-shadow: 0 0 0 1.5px var(--ink);
  }
`;
const Slot = styled.span`
  position: absolute;
  top: 0;
  bottom: 0;
  container-type: inline-size;
  min-width: 24px;
  z-index: 1;
  &:hover,
  &:focus-within {
    z-index: 4;
  }
`;
const Cloths = styled.i`
  position: absolute;
  inset: 0;
  border-radius: inherit;
  box-shadow: inset 0 0 0 1px var(--cloth-edge);
  print-color-adjust: exact;
  -webkit-print-color-adjust: exact;
`;
const Hands = styled.span`
  position: absolute;
  top: 0.6rem;
  bottom: 0.6rem;
  min-width: 7px;
  background: var(--shelf);
  border-radius: 4px;
`;
const Tip = styled.span`
  position: absolute;
  top: -1.5rem;
  left: 0;
  background: var(--ink);
  color: var(--on-ink);
  border-radius: 6px;
  padding: 0.1rem 0.45rem;
  font-size: 0.82rem;
  white-space: nowrap;
  z-index: 5;
`;

const clothGradient = (bar: BarView): string => {
  const list = bar.cloths.slice(0, 8);
  if (list.length === 0) return 'var(--shelf)';
  const stops = list.flatMap((c, i) => [
    `${c.hex} ${(100 * i) / list.length}%`,
    `${c.hex} ${(100 * (i + 1)) / list.length}%`,
  ]);
  return `linear-gradient(90deg, ${stops.join(', ')})`;
};

/** The moment at a share of the width. */
function momentAt(segments: readonly Segment[], share: number): number {
  const s = segments.find((x) => share < x.to) ?? segments.at(-1);
  if (!s) return 0;
  return s.fromMs + ((share - s.from) / Math.max(1e-9, s.to - s.from)) * (s.toMs - s.fromMs);
}
const stepMs = 15 * 60_000;
const roundMs = 5 * 60_000;

function Movable({ bar, segments, clockOf }: { bar: BarView; segments: Segment[]; clockOf: (ms: number) => string }) {
  const box = useRef<HTMLButtonElement>(null);
  const submit = useSubmit();
  const keys = useFormKey();
  const [moved, setMoved] = useState<{ ms: number; by: 'pointer' | 'keyboard' } | null>(null);
  const px = useRef(0);
  const commit = (ms: number): void => {
    setMoved(null);
    const at = Math.round(ms / roundMs) * roundMs;
    if (!bar.load || Math.abs(at - bar.startMs) < roundMs) return;
    const later = at > bar.startMs;
    void submit(
      { ...keys, intent: later ? 'not-before' : 'first', load: bar.load, at: String(at) },
      { method: 'post', preventScrollReset: true },
    );
  };
  const { moveProps } = useMove({
    onMoveStart: ({ pointerType }) => {
      if (pointerType !== 'keyboard') px.current = 0;
    },
    onMove: ({ pointerType, deltaX }) => {
      if (pointerType === 'keyboard') {
        setMoved((m) => ({ ms: (m?.ms ?? bar.startMs) + Math.sign(deltaX) * stepMs, by: 'keyboard' }));
        return;
      }
      px.current += deltaX;
      const width = box.current?.parentElement?.parentElement?.clientWidth ?? 1;
      setMoved({ ms: momentAt(segments, Math.max(0, bar.from + px.current / width)), by: 'pointer' });
    },
    onMoveEnd: ({ pointerType }) => {
      if (pointerType !== 'keyboard' && moved) commit(moved.ms);
    },
  });
  const from = moved ? shareOf(segments, moved.ms) : bar.from;
  const words = moved ? `${moved.ms > bar.startMs ? 'not before' : 'first, from'} ${clockOf(moved.ms)}` : '';
  return (
    <Slot style={{ left: `${100 * from}%`, width: `${100 * (bar.to - bar.from)}%` }}>
      <BarBox
        as="button"
        type="button"
        ref={box}
        $movable
        $done={false}
        aria-label={`${bar.title}, ${bar.text}. Move with the arrow keys, then Enter.${words ? ` Now ${words}.` : ''}`}
        {...moveProps}
        onKeyDown={(e: React.KeyboardEvent) => {
          if (e.key === 'Enter' && moved) {
            e.preventDefault();
            commit(moved.ms);
          } else if (e.key === 'Escape') setMoved(null);
          else moveProps.onKeyDown?.(e as never);
        }}
        onBlur={() => setMoved((m) => (m?.by === 'keyboard' ? null : m))}
      >
        <Cloths style={{ background: clothGradient(bar) }} />
        <b>{bar.title}</b>
        {moved && <Tip>{words}</Tip>}
      </BarBox>
    </Slot>
  );
}
function shareOf(segments: readonly Segment[], ms: number): number {
  const s = segments.find((x) => ms < x.toMs) ?? segments.at(-1);
  return s ? Math.max(0, Math.min(1, s.from + ((s.to - s.from) * (ms - s.fromMs)) / (s.toMs - s.fromMs))) : 0;
}

function Still({ bar, person }: { bar: BarView; person: boolean }) {
  const style = { left: `${100 * bar.from}%`, width: `${100 * (bar.to - bar.from)}%` };
  if (person) return <Hands style={style} title={`${bar.title}, ${bar.text}`} />;
  return (
    <Slot style={style}>
      <BarBox $movable={false} $done={bar.done} title={`${bar.title}, ${bar.text}`}>
        <Cloths style={{ background: clothGradient(bar) }} />
        <b>{bar.title}</b>
      </BarBox>
    </Slot>
  );
}

function Lane({
  lane,
  axis,
  flags,
  clockOf,
}: {
  lane: LaneView;
  axis: ChartView['axis'];
  flags: ChartView['flags'];
  clockOf: (ms: number) => string;
}) {
  return (
    <>
      <Name>
        <span>{lane.name}</span>
        <small>{lane.note}</small>
      </Name>
      <Track $tall={lane.kind !== 'person'}>
        {axis.ticks.map((t) => (
          <Grid key={t.at} style={{ left: `${100 * t.at}%` }} />
        ))}
        {lane.shut.map((s) => (
          <Shut key={s.from} style={{ left: `${100 * s.from}%`, width: `${100 * (s.to - s.from)}%` }} title={s.words} />
        ))}
        {lane.fill.map((f) => (
          <Fill
            key={f.from}
            style={{ left: `${100 * f.from}%`, width: `${100 * (f.to - f.from)}%`, height: `${85 * f.share}%` }}
          />
        ))}
        {lane.bars.map((b) =>
          b.load ? (
            <Movable key={b.id} bar={b} segments={axis.segments} clockOf={clockOf} />
          ) : (
            <Still key={b.id} bar={b} person={lane.kind === 'person'} />
          ),
        )}
        {flags.map((f) => (
          <Flag key={f.at} style={{ left: `${100 * f.at}%` }} />
        ))}
        <Now style={{ left: `${100 * axis.now}%` }} />
      </Track>
    </>
  );
}

export function Chart({
  lanes,
  axis,
  flags,
  zone,
}: {
  lanes: LaneView[];
  axis: ChartView['axis'];
  flags: ChartView['flags'];
  zone: string;
}) {
  const clockOf = (ms: number): string =>
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(
      Math.round(ms / roundMs) * roundMs,
    );
  return (
    <Scroll tabIndex={0} role="region" aria-label="The day in lanes">
      <VisuallyHidden>
        The same hours stand in the list of turns. Loads that wait can be moved with the arrow keys.
      </VisuallyHidden>
      <Table $units={axis.units}>
        <div />
        <Head aria-hidden="true">
          {axis.ticks.map((t) => (
            <span key={t.at} className={t.strong ? 'strong' : ''} style={{ left: `${100 * t.at}%` }}>
              {t.text}
            </span>
          ))}
          {flags.map((f) => (
            <FlagText key={f.at} style={{ left: `${100 * f.at}%` }}>
              {f.text}
            </FlagText>
          ))}
        </Head>
        {lanes.map((l) => (
          <Lane key={l.id} lane={l} axis={axis} flags={flags} clockOf={clockOf} />
        ))}
      </Table>
    </Scroll>
  );
}
