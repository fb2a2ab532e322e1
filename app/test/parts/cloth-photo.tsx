/** Measure a tested cloth beside an unused one from a photograph; ticks the grade in the form it stands in. */
import { askPhoto } from '../../ui/photo.ts';
import { PhotoField } from '../../ui/photo-field.tsx';

async function measure(file: File, form: HTMLFormElement): Promise<string> {
  const answer = await askPhoto({ ask: 'cloths', file });
  if (!answer.ok || !answer.cloths) return answer.ok ? '' : answer.reason;
  const { grade, deltaE } = answer.cloths;
  const radio = form.querySelector<HTMLInputElement>(`input[name="grade"][value="${grade}"]`);
  if (radio) radio.checked = true;
  return `Grade ${grade} (colour difference ${deltaE.toFixed(1)}). Look yourself before you store it.`;
}

export const ClothPhoto = () => (
  <PhotoField
    label="Measure from a photograph"
    before="Unused cloth on the left half, the tested one on the right, in the same light."
    busy="Measuring …"
    look={measure}
  />
);
