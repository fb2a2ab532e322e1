/** The lessons of wash days, and the terms of the trade in one sentence each. */
import type { LessonId } from '@core/practice/lessons.ts';

export const lessonWords: Record<LessonId, { title: string; text: string }> = {
  'wool-felts': {
    title: 'Why wool felts',
    text: 'Wool fibres have scales. Warm water opens them, movement pushes them into each other, and they never come apart: the jumper is smaller and thicker for good. Cool and still is safe, whatever the detergent.',
  },
  'silk-enzymes': {
    title: 'Why silk has its own detergent',
    text: 'Strong detergents hold enzymes that eat protein marks. Silk and wool are protein. Their own detergent has none.',
  },
  'new-colours': {
    title: 'Why new colours bathe alone',
    text: 'A new deep colour holds more dye than the cloth can keep. Each wash takes some; after three or four, tests on a white cloth stay clear, and the piece may join the others.',
  },
  'dark-inside-out': {
    title: 'Why dark clothes turn inside out',
    text: 'In the drum, cloth rubs on cloth. What is inside keeps its colour; the rubbed side turns grey first at seams and edges.',
  },
  'indigo-runs': {
    title: 'Why jeans are never quite fast',
    text: 'Indigo lies on the yarn and not in it. It rubs and washes off for years: jeans go with darks, cold, inside out, seldom.',
  },
  'protein-cold': {
    title: 'Why blood, egg and milk want cold water',
    text: 'Protein cooks. Above about 40 °C it sets in the cloth as an egg sets in the pan. Cold water first, always from the back.',
  },
  'heat-sets-marks': {
    title: 'Why a mark is looked at before the dryer',
    text: 'Fat and sugar do not show on wet cloth. The dryer bakes them in. Look in good light while it is damp; if in doubt, dry it in the air.',
  },
  'nets-and-hooks': {
    title: 'Why hooks are closed',
    text: 'An open hook or zip catches everything that turns beside it a thousand times an hour. Closed and in a net it catches nothing.',
  },
  'towels-no-softener': {
    title: 'Why towels get no softener',
    text: 'Softener is a film of fat. It makes loops soft and waterproof. Shake towels out and move them while they dry instead.',
  },
  'kitchen-apart': {
    title: 'Why tea towels and underwear keep apart',
    text: 'One touches plates, the other skin. Below 60 °C a wash thins germs out and does not kill them; together they share what is left.',
  },
  'sport-quick': {
    title: 'Why sportswear is washed soon and dried fast',
    text: 'Sweat in polyester is food in a warm bag. Washed within a day and hung with air on both sides it does not smell; perfume and softener only cover it.',
  },
  'no-label': {
    title: 'What to do without a label',
    text: 'Your fingers know more than you think: springy and warm is wool, cool and creasing is cotton or linen, smooth and slipping is synthetic. In doubt: 30 °C, gentle, and a test of the colour.',
  },
  'flat-to-dry': {
    title: 'Why jumpers lie flat',
    text: 'Wet wool weighs half as much again and stretches like dough. On a hanger the shoulders carry it all. Flat on a towel it keeps the shape you give it.',
  },
  'full-drum': {
    title: 'How full a drum should be',
    text: 'A hand’s breadth of air at the top for cotton, half full for synthetics, a third for wool. Emptier wastes a run; fuller does not move, and does not get clean.',
  },
  'fuel-outdoors': {
    title: 'Why fuel never meets a machine’s heat',
    text: 'Petrol and diesel in cloth give off vapour that burns. It hangs outdoors until nothing smells, is washed alone, and never goes near a dryer or an iron. Soaked cloth is not washed at home.',
  },
};

export interface Term {
  /** Words that stand for it in a sentence, lower case. */
  words: readonly string[];
  text: string;
}
export const terms: readonly Term[] = [
  {
    words: ['spin', 'rpm'],
    text: 'How fast the drum turns to throw the water out, in turns a minute. Faster is drier and more creased.',
  },
  { words: ['felt', 'felts', 'felting'], text: 'Wool whose scales have hooked together: smaller, thicker, for good.' },
  {
    words: ['colour catcher', 'catcher'],
    text: 'A sheet that takes up loose dye in the wash and shows by its own colour how much there was.',
  },
  {
    words: ['bleed', 'bleeds', 'bled', 'loose dye'],
    text: 'Dye that leaves the cloth in water and colours what is beside it.',
  },
  { words: ['net', 'nets'], text: 'A bag of mesh for small and fine things in the drum.' },
  {
    words: ['enzyme', 'enzymes'],
    text: 'The part of a detergent that digests protein, starch or fat; it would digest wool and silk, too.',
  },
  {
    words: ['oxygen bleach', 'percarbonate'],
    text: 'A powder that gives off oxygen in warm water. Milder than chlorine; safe for most fast colours from the label on.',
  },
  { words: ['chlorine', 'chlorine bleach'], text: 'The strong bleach. Never with anything sour: it gives off gas.' },
  { words: ['pre-treat', 'pretreat', 'pre-treated'], text: 'To work on a mark by itself before the wash.' },
  { words: ['liquor', 'bath'], text: 'The water with what is in it, and the cloth.' },
  {
    words: ['tumble', 'tumbled', 'dryer'],
    text: 'The drum with hot air. What may go in says the square with a circle on the label.',
  },
  { words: ['superwash'], text: 'Wool whose scales were removed or covered: it hardly felts.' },
  { words: ['terry'], text: 'Cloth with loops, as towels have.' },
  { words: ['viscose', 'modal', 'lyocell'], text: 'Fibres made from wood: soft, and weak while they are wet.' },
  { words: ['hard water', 'hardness'], text: 'Lime in the water; the more there is, the more detergent it takes.' },
  { words: ['dose', 'dosed'], text: 'How much detergent: by load, soil and hardness of the water.' },
  {
    words: ['greying', 'grey cast'],
    text: 'Soil and dye that settle on white cloth from the bath, a little each time.',
  },
  { words: ['shade', 'in the shade'], text: 'Out of the sun, which bleaches dark colours, wool and silk.' },
  { words: ['flat'], text: 'Laid out on a towel or a mesh, not hung.' },
  {
    words: ['care label', 'label'],
    text: 'The sewn-in ribbon with symbols: the strongest treatment the maker has tried.',
  },
  { words: ['programme'], text: 'How warm, how long and how hard the machine moves the cloth.' },
  { words: ['movement'], text: 'How hard the drum works the cloth: normal, mild, very mild or by hand.' },
];
