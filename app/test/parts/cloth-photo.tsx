/** Measure a tested cloth beside an unused one from a photograph; ticks the grade in the form it stands in. Shown only where a script can run. */
import { useId, useRef, useState, useSyncExternalStore } from 'react';
import { styled } from 'styled-components';
import { askPhoto } from '../../ui/photo.ts';

const Box = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  font-size: 0.92rem;
  color: var(--ink-soft);
  label {
    font-weight: 600;
    color: var(--ink);
  }
  input {
    font-size: 0.9rem;
    max-width: 100%;
    min-height: 2.75rem;
    padding-top: 0.5rem;
  }
`;
const never = () => () => {};

export function ClothPhoto() {
  const alive = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const box = useRef<HTMLDivElement>(null);
  const id = useId();
  const [said, setSaid] = useState('Unused cloth on the left half, the tested one on the right, in the same light.');
  if (!alive) return null;
  const measure = async (file: File): Promise<void> => {
    setSaid('Measuring …');
    const answer = await askPhoto({ ask: 'cloths', file });
    if (!answer.ok || !answer.cloths) {
      setSaid(answer.ok ? '' : answer.reason);
      return;
    }
    const { grade, deltaE } = answer.cloths;
    const radio = box.current
      ?.closest('form')
      ?.querySelector<HTMLInputElement>(`input[name="grade"][value="${grade}"]`);
    if (radio) radio.checked = true;
    setSaid(`Grade ${grade} (colour difference ${deltaE.toFixed(1)}). Look yourself before you store it.`);
  };
  return (
    <Box ref={box}>
      <label htmlFor={id}>Measure from a photograph</label>
      <input
        id={id}
        type="file"
        accept="image/*"
        onChange={(event) => {
          const [file] = event.currentTarget.files ?? [];
          if (file) void measure(file);
        }}
      />
      <span role="status">{said}</span>
    </Box>
  );
}
