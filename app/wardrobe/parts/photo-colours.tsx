/** Take the colours of a piece from a photograph; fills the colour fields of the form it stands in. Shown only where a script can run. */
import { useRef, useState, useSyncExternalStore } from 'react';
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
  input[type='file'] {
    font-size: 0.9rem;
    max-width: 100%;
    min-height: 2.75rem;
    padding-top: 0.5rem;
  }
`;
const never = () => () => {};

function setField(form: HTMLFormElement, name: string, value: string | boolean): void {
  const field = form.elements.namedItem(name);
  if (field instanceof HTMLSelectElement && typeof value === 'string') field.value = value;
  if (!(field instanceof HTMLInputElement)) return;
  if (typeof value === 'boolean') field.checked = value;
  else field.value = value;
}

export function PhotoColours() {
  const alive = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const box = useRef<HTMLDivElement>(null);
  const [said, setSaid] = useState('The picture stays on this device.');
  if (!alive) return null;
  const look = async (file: File): Promise<void> => {
    setSaid('Looking …');
    const answer = await askPhoto({ ask: 'colours', file });
    const form = box.current?.closest('form');
    if (!answer.ok || !answer.colours || !form) {
      setSaid(answer.ok ? '' : answer.reason);
      return;
    }
    const { ground, second, secondShare } = answer.colours;
    setField(form, 'ground', ground);
    setField(form, 'colourNamed', 'exact');
    if (second) setField(form, 'trimColour', second);
    setField(form, 'hasTrim', second !== null);
    setSaid(
      second
        ? `Ground ${ground}, and ${second} on about ${Math.round(secondShare * 100)} % of it. Change what is not right.`
        : `Ground ${ground}. Change it if it is not right.`,
    );
  };
  return (
    <Box ref={box}>
      <label htmlFor="photo">From a photograph</label>
      <input
        id="photo"
        type="file"
        accept="image/*"
        onChange={(event) => {
          const [file] = event.currentTarget.files ?? [];
          if (file) void look(file);
        }}
      />
      <span role="status">{said}</span>
    </Box>
  );
}
