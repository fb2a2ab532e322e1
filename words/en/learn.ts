/** What a household has taught, in words. */
import { bleedingDyes, type BleedingDye } from '@core/colour/dye.ts';
import type { Lesson, LessonGroup, LessonSubject } from '@core/learn/lesson.ts';
import type { WearGroup } from '@core/wear/wear.ts';
import { fibreWords, stainNames } from './things.ts';

export const lessonGroupWords: Record<LessonGroup, { title: string; what: string }> = {
  programme: {
    title: 'How long programmes really take',
    what: 'Minutes until the machine had ended, noted or metered.',
  },
  energy: { title: 'What programmes really draw', what: 'kWh at the plug, brought to a full drum.' },
  dose: {
    title: 'How much product is enough',
    what: 'Residue in the cloth asks for less, cloth that was not clean for the dose of the pack.',
  },
  place: { title: 'How places really dry', what: 'Hours until dry, against those of the model for that very piece.' },
  wears: { title: 'How often things are really worn', what: 'Wears between two washes, by person and kind.' },
  stain: { title: 'How marks really come out', what: 'What became of marks, against what was foretold of each.' },
  dye: {
    title: 'How much dyes really run',
    what: 'First tests and catchers of each piece, against the odds its dye had. More than the book keeps colours apart sooner; less moves only the odds shown.',
  },
  shrinkage: {
    title: 'How much pieces really shrink',
    what: 'Per cent lost between two measures, against what the washes between should have taken.',
  },
};

export const wearGroupNames: Record<WearGroup, string> = {
  underwear: 'underwear',
  socks: 'socks',
  sportswear: 'sportswear',
  tshirt: 'T-shirts',
  shirt: 'shirts',
  blouse: 'blouses',
  bra: 'bras',
  polo: 'polos',
  pyjama: 'pyjamas',
  thermal_wool: 'wool underlayers',
  jumper: 'jumpers',
  sweatshirt: 'sweatshirts',
  chinos: 'chinos',
  trousers_wool: 'wool trousers',
  jeans: 'jeans',
  skirt: 'skirts',
  dress: 'dresses',
  dress_outer: 'overdresses',
  leggings: 'leggings',
  jacket: 'jackets',
  coat: 'coats',
  scarf: 'scarves',
  hat: 'hats',
  bath_towel: 'bath towels',
  hand_towel: 'hand towels',
  tea_towel: 'tea towels',
  sheet: 'sheets',
};
const dyeNames: Record<BleedingDye, string> = {
  ...(Object.fromEntries(bleedingDyes.map((d) => [d, `${d.replace(/-/g, ' ')} dye`])) as Record<BleedingDye, string>),
  indigo: 'indigo',
  'pigment-print': 'pigment prints',
  'solution-dyed': 'spun-dyed fibre',
  'unknown-red': 'reds of an unknown dye',
  'unknown-dark': 'darks of an unknown dye',
  'unknown-other': 'other colours of an unknown dye',
};

/** Names that people gave, by what they stand for. */
export interface LessonNames {
  programme: (washer: string, programme: string) => string;
  product: (id: string) => string;
  place: (id: string) => string;
  garment: (id: string) => string;
}
/** @example lessonTitle(subject, names) // 'Cottons, Kitchen machine' */
export function lessonTitle(s: LessonSubject, names: LessonNames): string {
  switch (s.is) {
    case 'programme':
      return names.programme(s.washer, s.programme);
    case 'energy':
      return `${names.programme(s.washer, s.programme)}, ${s.temperatureC} °C`;
    case 'dose':
      return names.product(s.product);
    case 'place':
      return names.place(s.place);
    case 'wears':
      return `${s.owner}: ${s.wool ? 'wool ' : ''}${wearGroupNames[s.group]}`;
    case 'stain':
      return `${stainNames[s.stain]} on ${fibreWords[s.fibre].name.toLowerCase()}`;
    case 'dye':
      return dyeNames[s.dye].charAt(0).toUpperCase() + dyeNames[s.dye].slice(1);
    case 'shrinkage':
      return names.garment(s.garment);
  }
}

const round = (x: number, digits = 0): string => String(Math.round(x * 10 ** digits) / 10 ** digits);
const wearsOf = (n: number): string => `${round(n, 1)} ${round(n, 1) === '1' ? 'wear' : 'wears'}`;
/** One value of a lesson, in the unit of its group. */
export function lessonValue(is: LessonGroup, value: number): string {
  switch (is) {
    case 'programme':
      return `${round(value)} min`;
    case 'energy':
      return `${value.toFixed(2)} kWh`;
    case 'dose':
      return `${round(100 * value)} % of the pack`;
    case 'place':
      return `${round(100 * value)} % of the hours`;
    case 'wears':
      return wearsOf(value);
    case 'stain':
      return `${value > 0 ? '+' : ''}${round(value)} points`;
    case 'dye':
      return `${round(value, 2)} times`;
    case 'shrinkage':
      return `${round(100 * value)} % of what was foretold`;
  }
}
/** What one piece of evidence says. */
export function evidenceText(is: LessonGroup, value: number, expected: number | null): string {
  switch (is) {
    case 'programme':
    case 'energy':
    case 'dose':
    case 'wears':
      return lessonValue(is, value);
    case 'place':
      return `${round(100 * value)} % of the model's hours`;
    case 'stain':
      return `${value >= 100 ? 'gone' : value > 0 ? 'lighter' : 'as before'}, foretold ${round(expected ?? 0)} %`;
    case 'dye':
      return `${value > 0 ? 'ran' : 'did not run'}, odds ${round(100 * (expected ?? 0))} %`;
    case 'shrinkage':
      return `${round(value, 1)} % lost, ${round(expected ?? 0, 1)} % foretold`;
  }
}
/** "90 min here, the panel says 65": what the next plan reckons with. */
export function lessonSentence(l: Lesson & { learnt: number }): string {
  const { is } = l.subject;
  switch (is) {
    case 'programme':
      return `${round(l.learnt)} min here, the panel says ${round(l.book)}`;
    case 'energy':
      return `${l.learnt.toFixed(2)} kWh here for a full drum, the panel says ${l.book.toFixed(2)}`;
    case 'dose':
      return `${round(100 * l.learnt)} % of the pack's dose here`;
    case 'place':
      return `${round(Math.abs(100 * (l.learnt - 1)))} % ${l.learnt > 1 ? 'slower' : 'faster'} here than the model says`;
    case 'wears':
      return `${wearsOf(l.learnt)} here, ${round(l.book, 1)} is usual`;
    case 'stain':
      return `${round(Math.abs(l.learnt))} points ${l.learnt > 0 ? 'better' : 'worse'} here than foretold`;
    case 'dye':
      return `runs ${round(l.learnt, 2)} times as much here as in the book`;
    case 'shrinkage':
      return `shows ${round(100 * l.learnt)} % of the shrinkage foretold`;
  }
}
/** What stands there while too little was seen. */
export const tooLittle = (seen: number, needed: number): string =>
  seen >= needed ? 'Nothing that differs from the book.' : `${seen} of ${needed} needed before it counts.`;
