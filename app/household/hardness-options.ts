/** Units of water hardness as a form offers them. */
import type { Option } from '../ui/fields.tsx';

export const hardnessOptions: readonly Option[] = [
  ['mmol', 'mmol/l'],
  ['dH', '°dH'],
  ['fH', '°fH'],
  ['eH', '°eH (Clark)'],
  ['ppm', 'ppm (mg/l CaCO₃)'],
  ['gpg', 'gpg'],
];
