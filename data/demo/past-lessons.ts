/** What the demo's half year has taught: marks treated to an end, looks at the rack, runs at a meter, habits of the three. Made up, the same every time. */
import type { StainKind } from '../../core/stain/stains.ts';
import type { TreatmentOutcome } from '../schema.ts';

export interface PastMark {
  piece: string;
  stain: StainKind;
  place: string;
  /** Age when it was treated. */
  ageHours: number;
  sizeCm: number;
  daysAgo: number;
  outcome: Extract<TreatmentOutcome, 'gone' | 'lighter' | 'same'>;
}
// prettier-ignore
export const pastMarks: readonly PastMark[] = [
  { piece: 'baker-apron', stain: 'cooking-grease', place: 'front', ageHours: 6, sizeCm: 3, daysAgo: 168, outcome: 'gone' },
  { piece: 'baker-jacket-2', stain: 'coffee', place: 'left cuff', ageHours: 3, sizeCm: 2, daysAgo: 151, outcome: 'gone' },
  { piece: 'tablecloth', stain: 'red-wine', place: 'middle', ageHours: 14, sizeCm: 8, daysAgo: 139, outcome: 'lighter' },
  { piece: 'juna-tee-white-2', stain: 'coffee', place: 'front', ageHours: 5, sizeCm: 3, daysAgo: 126, outcome: 'gone' },
  { piece: 'baker-apron', stain: 'cooking-grease', place: 'pocket', ageHours: 26, sizeCm: 4, daysAgo: 112, outcome: 'gone' },
  { piece: 'ren-oxford', stain: 'coffee', place: 'placket', ageHours: 1, sizeCm: 1, daysAgo: 97, outcome: 'gone' },
  { piece: 'tablecloth', stain: 'red-wine', place: 'edge', ageHours: 10, sizeCm: 4, daysAgo: 84, outcome: 'same' },
  { piece: 'baker-jacket-2', stain: 'coffee', place: 'front', ageHours: 30, sizeCm: 3, daysAgo: 71, outcome: 'gone' },
  { piece: 'ren-jeans', stain: 'cooking-grease', place: 'right thigh', ageHours: 50, sizeCm: 2, daysAgo: 63, outcome: 'lighter' },
  { piece: 'ren-swim-towel', stain: 'tea', place: 'corner', ageHours: 9, sizeCm: 3, daysAgo: 40, outcome: 'gone' },
  { piece: 'tablecloth', stain: 'red-wine', place: 'corner', ageHours: 18, sizeCm: 3, daysAgo: 33, outcome: 'lighter' },
  { piece: 'pillowcases', stain: 'coffee', place: 'hem', ageHours: 12, sizeCm: 2, daysAgo: 19, outcome: 'gone' },
];

/** Looks at a place: hours until a piece was dry, or weighed so, against those of the model. */
// prettier-ignore
export const pastLooks: readonly { place: string; piece: string; found: 'dry' | 'damp' | 'weighed'; modelHours: number; hours: number; daysAgo: number }[] = [
  { place: 'rack', piece: 'juna-tee-white-2', found: 'weighed', modelHours: 9.1, hours: 10.6, daysAgo: 58 },
  { place: 'rack', piece: 'ren-jeans', found: 'damp', modelHours: 17.4, hours: 21, daysAgo: 51 },
  { place: 'rack', piece: 'ren-hoodie', found: 'weighed', modelHours: 19.8, hours: 22.5, daysAgo: 44 },
  { place: 'rack', piece: 'pillowcases', found: 'dry', modelHours: 6.2, hours: 6.6, daysAgo: 37 },
  { place: 'rack', piece: 'ren-oxford', found: 'weighed', modelHours: 7.9, hours: 9.2, daysAgo: 30 },
  { place: 'rack', piece: 'juna-pyjama', found: 'damp', modelHours: 8.8, hours: 11, daysAgo: 23 },
  { place: 'rack', piece: 'ren-flannel', found: 'weighed', modelHours: 10.4, hours: 11.8, daysAgo: 16 },
  { place: 'rack', piece: 'tovi-dress', found: 'dry', modelHours: 8.3, hours: 8.1, daysAgo: 9 },
];

/** How often the three really wear a kind, against the usual number. */
export const habits: Readonly<Record<string, number>> = {
  'Juna/tshirt': 0.7,
  'Ren/sweatshirt': 1.4,
  'Tovi/skirt': 1.4,
};

/** Programmes that run otherwise than their panel says: minutes noted by hand, energy read at a plug meter. */
export const realProgrammes: Readonly<Record<string, { minutes: number; kwh: number | null }>> = {
  cottons: { minutes: 1.12, kwh: null },
  'easy-care': { minutes: 1, kwh: 1.09 },
};
