/** Take the colours of a piece from a photograph; fills the colour fields of the form it stands in. */
import { askPhoto } from '../../ui/photo.ts';
import { PhotoField } from '../../ui/photo-field.tsx';

function setField(form: HTMLFormElement, name: string, value: string | boolean): void {
  const field = form.elements.namedItem(name);
  if (field instanceof HTMLSelectElement && typeof value === 'string') field.value = value;
  if (!(field instanceof HTMLInputElement)) return;
  if (typeof value === 'boolean') field.checked = value;
  else field.value = value;
}

async function look(file: File, form: HTMLFormElement): Promise<string> {
  const answer = await askPhoto({ ask: 'colours', file });
  if (!answer.ok || !answer.colours) return answer.ok ? '' : answer.reason;
  const { ground, second, secondShare } = answer.colours;
  setField(form, 'ground', ground);
  setField(form, 'colourNamed', 'exact');
  if (second) setField(form, 'trimColour', second);
  setField(form, 'hasTrim', second !== null);
  return second
    ? `Ground ${ground}, and ${second} on about ${Math.round(secondShare * 100)} % of it. Change what is not right.`
    : `Ground ${ground}. Change it if it is not right.`;
}

export const PhotoColours = () => (
  <PhotoField label="From a photograph" before="The picture stays on this device." busy="Looking …" look={look} />
);
