/** What a piece needs, in whole sentences. */
import type { needMessages } from '@core/message/need.ts';

const count = '{wears} of about {allowedWears} wears';
const freshen =
  '{freshening, select, air {air it for a night} brush {brush it and hang it in fresh air} other {steam it from the inside and let it rest}}';

// prettier-ignore
export const needWords: Record<keyof typeof needMessages, string> = {
  'need.left-out': 'You set it aside.',
  'need.hygiene': 'Illness or infection risk: washed hot where it may be, with its like.',
  'need.stained': 'Stained: {stains}.',
  'need.fresh-mark': 'A fresh mark ({stains}) only gets harder to move.',
  'need.smells': 'It smells.',
  'need.date': 'Needed by a date you set.',
  'need.wears': '{wears, plural, one {# wear} other {# wears}} since the last wash; about {allowedWears} is usual.',
  'need.soil': '{soil, select, none {Not dirty} light {Lightly soiled} normal {Soiled as usual} heavy {Heavily soiled} other {Soiled with fuel, oil or solvent}}.',
  'need.soaked': 'It comes out of the soak, wet: wash it today.',
  'need.asked': 'Used {wears, plural, one {once} other {# times}} and put into the basket.',
  'need.lies': 'It has lain for {days, plural, one {# day} other {# days}}: {because}.',
  'need.sours': 'sweat turns sour in it',
  'need.yellows': 'it yellows while it lies',
  'need.spot': 'Only one small mark ({stain}): treat the spot, the rest is fresh.',
  'need.nothing': 'Clean.',
  'need.one-more': `${count}: one more wear.`,
  'need.freshen': `${count}: ${freshen}.`,
  'need.freshen-uncounted': `Nothing asks for a wash: ${freshen}.`,
  'need.worn-clean': `${count}: worn but clean.`,
  'need.cared': 'Cared for; nothing is due.',
  'need.care-leather': 'Wipe it with a barely damp cloth and feed it.',
  'need.care-suede': 'Brush it dry, in one direction.',
  'need.care-tailoring': 'Brush it, hang it on a wide hanger, steam it from inside; the cleaner only when it is dirty.',
  'need.care-down': 'Air it dry and shake it; wash it once a season at most.',
  'need.hide-nothing-due': '{because}; nothing is due.',
  'need.hide-marked': '{because}; a mark goes to a professional.',
  'need.closed': '{because}.',
  'need.decided-wash': 'You decided to wash it.',
  'need.decided-by-hand': 'You decided to wash it by hand.',
  'need.decided-wait': 'You let it wait.',
  'need.decided': 'You decided so.',
};
