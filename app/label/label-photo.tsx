/** Fill the form from a photograph of the label. What was read is shown with its doubt; it counts once somebody has looked and pressed "Read it". */
import { useRef, useState } from 'react';
import { styled } from 'styled-components';
import { Notice } from '../ui/notice.tsx';
import { useHydrated } from '../ui/use-hydrated.ts';
import type { PhotoReading } from './read-photo.ts';

const Box = styled.div`
  display: grid;
  gap: 0.5rem;
  label {
    display: grid;
    gap: 0.3rem;
    font-weight: 600;
    font-size: 0.92rem;
  }
`;
/** Below this the second-best drawing is about as near. */
const sureFrom = 0.12;

/** Tick the radio of a symbol; false when the form has no such choice. */
function pick(form: HTMLFormElement, id: string): boolean {
  const [part = '', value = ''] = id.split('/');
  const radio = form.querySelector<HTMLInputElement>(`input[name="${part}"][value="${CSS.escape(value)}"]`);
  if (!radio) return false;
  radio.checked = true;
  return true;
}

export function LabelPhoto({ wordsOf }: { wordsOf: (symbol: string) => string }) {
  const alive = useHydrated();
  const box = useRef<HTMLDivElement>(null);
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState('');
  const [reading, setReading] = useState<PhotoReading | null>(null);
  if (!alive) return null;
  const look = async (file: File): Promise<void> => {
    const form = box.current?.closest('form');
    if (!form) return;
    setBusy(true);
    setFailed('');
    setReading(null);
    try {
      const { readLabelPhoto } = await import('./read-photo.ts');
      const read = await readLabelPhoto(file, form);
      const area = form.querySelector<HTMLTextAreaElement>('textarea[name="text"]');
      if (area && read.text) area.value = read.text.replace(/\n/g, ', ').slice(0, 600);
      // Of two signs of one part the surer one counts.
      const best = new Map<string, PhotoReading['symbols'][number]>();
      for (const s of read.symbols) {
        const part = s.id.split('/')[0] ?? '';
        if (s.sureness > (best.get(part)?.sureness ?? -1)) best.set(part, s);
      }
      const symbols = [...best.values()].filter((s) => pick(form, s.id));
      setReading({ ...read, symbols });
    } catch {
      setFailed('That file is no picture this browser can read.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box ref={box}>
      <label>
        From a photograph of the label
        <input
          type="file"
          accept="image/*"
          style={{ width: '100%', minWidth: 0, minHeight: '2.75rem' }}
          disabled={busy}
          onChange={(event) => {
            const [file] = event.currentTarget.files ?? [];
            if (file) void look(file);
          }}
        />
      </label>
      <span role="status">
        {busy
          ? 'Reading the words and comparing the symbols … this takes a few seconds.'
          : 'The picture stays on this device.'}
      </span>
      {failed && (
        <Notice severity="caution" title="Not read" live>
          {failed}
        </Notice>
      )}
      {reading && (
        <Notice
          severity={reading.text || reading.symbols.length > 0 ? 'info' : 'caution'}
          title="From the picture"
          live
        >
          {reading.symbols.length > 0
            ? `Symbols: ${reading.symbols
                .map(
                  (s) =>
                    `${wordsOf(s.id)}${s.sureness < sureFrom ? ` (doubtful${s.others[0] ? `: or ${wordsOf(s.others[0])}` : ''})` : ''}`,
                )
                .join(', ')}. `
            : 'No symbol was recognised. '}
          {reading.text ? '' : 'No words were read. '}
          {reading.doubtfulWords.length > 0 &&
            `Words to look at twice: ${reading.doubtfulWords.slice(0, 12).join(', ')}. `}
          Compare it with the label, mend what is wrong, then read it.
        </Notice>
      )}
    </Box>
  );
}
