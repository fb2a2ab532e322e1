/** A photograph to be looked at on this device, and what was found in it. Shown only where a script can run. */
import { useId, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { useHydrated } from './use-hydrated.ts';

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

/** `look` reads the picture for the form the field stands in, and answers what is said of it. */
export function PhotoField({
  label,
  before,
  busy,
  look,
}: {
  label: string;
  before: string;
  busy: string;
  look: (file: File, form: HTMLFormElement) => Promise<string>;
}) {
  const alive = useHydrated();
  const box = useRef<HTMLDivElement>(null);
  const id = useId();
  const [said, setSaid] = useState(before);
  if (!alive) return null;
  const read = async (file: File): Promise<void> => {
    const form = box.current?.closest('form');
    if (!form) return;
    setSaid(busy);
    setSaid(await look(file, form));
  };
  return (
    <Box ref={box}>
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        type="file"
        accept="image/*"
        onChange={(event) => {
          const [file] = event.currentTarget.files ?? [];
          if (file) void read(file);
        }}
      />
      <span role="status">{said}</span>
    </Box>
  );
}
