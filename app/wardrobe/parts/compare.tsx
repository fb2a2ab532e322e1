/** Two pictures of one place: one over the other with an edge that is drawn across, or side by side. */
import { useState } from 'react';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { TextButton } from '../../ui/button.tsx';
import type { PhotoView } from '../diary.server.ts';

const Stage = styled.div`
  position: relative;
  overflow: hidden;
  border-radius: 3px 14px 3px 14px;
  background: var(--wash);
  max-height: 34rem;
  img {
    display: block;
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  .over {
    position: absolute;
    inset: 0;
  }
  .edge {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2px;
    background: var(--paper);
    box-shadow: 0 0 0 1px var(--ink);
  }
`;
const Side = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.8rem;
  img {
    width: 100%;
    border-radius: 3px 14px 3px 14px;
  }
  ${media.phone} {
    grid-template-columns: 1fr;
  }
`;
const Captions = styled.div`
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  font-size: 0.92rem;
  color: var(--ink-soft);
`;
const src = (p: PhotoView): string => `/pictures/${p.id}`;
const alt = (p: PhotoView): string => `${p.place}, ${p.day}, ${p.after}${p.note ? `: ${p.note}` : ''}`;

export function Compare({ before, after }: { before: PhotoView; after: PhotoView }) {
  const [at, setAt] = useState(50);
  const [side, setSide] = useState(false);
  return (
    <div style={{ display: 'grid', gap: '0.5rem' }}>
      {side ? (
        <Side>
          <img src={src(before)} alt={alt(before)} />
          <img src={src(after)} alt={alt(after)} />
        </Side>
      ) : (
        <>
          <Stage style={{ aspectRatio: `${before.width} / ${before.height}` }}>
            <img src={src(after)} alt={alt(after)} />
            <div className="over" style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}>
              <img src={src(before)} alt={alt(before)} />
            </div>
            <span className="edge" style={{ left: `${at}%` }} />
          </Stage>
          <input
            type="range"
            min="0"
            max="100"
            value={at}
            onChange={(e) => setAt(Number(e.target.value))}
            aria-label="How much of the older picture is seen"
            style={{ width: '100%', minHeight: '2.2rem', accentColor: 'var(--ink)' }}
          />
        </>
      )}
      <Captions>
        <span>
          {before.day}, {before.after}
        </span>
        <TextButton type="button" onClick={() => setSide(!side)}>
          {side ? 'One over the other' : 'Side by side'}
        </TextButton>
        <span>
          {after.day}, {after.after}
        </span>
      </Captions>
    </div>
  );
}
