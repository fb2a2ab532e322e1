/** Drying, pressing, putting away, freshening, the cleaner: what is said of each step. */
import type { AwayStep } from '@core/away/away.ts';
import type { ReturnLook, ReturnRemedy } from '@core/cleaner/visit.ts';
import type { DryPosition } from '@core/envelope/envelope.ts';
import type { FreshenEnd, FreshenStep, FreshenWay } from '@core/freshen/task.ts';
import type { NoPressReason, PressStep, ShirtStep } from '@core/pressing/queue.ts';
import type { ThickPlace } from '@core/rack/dry-check.ts';
import type { StayOut } from '@core/rack/dryer.ts';
import type { AirChoice } from '@core/rack/forecast.ts';
import type { PlaceRefusal } from '@core/rack/hang.ts';
import type { DryHelp, HangHelp } from '@core/rack/helps.ts';
import type { RackTask } from '@core/rack/reminders.ts';

export const positionWords: Record<DryPosition, string> = {
  line: 'pegged, not folded',
  hanger: 'on a hanger',
  bars: 'over bars',
  flat: 'flat on a dry towel',
};
export const refusalWords: Record<PlaceRefusal, string> = {
  shade: 'It fades in the sun: a place in the shade.',
  'fuel-indoors': 'What had fuel on it dries outdoors only, away from flames and heaters.',
  position: 'It does not bear hanging like that.',
  'not-there': 'There is nothing of the kind at this place.',
  rain: 'It is wet outside.',
  'no-room': 'There is no room left for it here.',
};
export const airWords: Record<AirChoice, string> = {
  'as-it-is': 'As it is',
  window: 'Window ajar',
  fan: 'A fan on it',
  dehumidifier: 'Dehumidifier',
};
export const helpWords: Record<HangHelp | DryHelp, string> = {
  'shake-hard': 'Shake it hard before and after: it stays soft.',
  'pull-seams': 'Pull seams, collar, cuffs and hems straight: less to iron, or nothing.',
  'shoulder-seams': 'Seams on the shoulders of the hanger, top button closed.',
  'by-the-hem': 'Peg it by the hem, not by the shoulders.',
  'cover-open': 'Open its buttons and shake the corners out.',
  'lace-straight': 'Lay the lace straight, point by point.',
  'layers-straight': 'Lay each layer straight over the one below, with the weight supported.',
  'shape-flat': 'Pat it into shape on a dry towel, sleeves beside it; never hang it wet.',
  'sock-frame': 'On an open frame, or pegged by the toes.',
  'stuff-hat': 'Stuff it with a dry towel to the size of a head.',
  'fluff-cups': 'Push the cups back into shape; hang it by the middle, not by a strap.',
  clumps: 'Pull the filling apart where it clumps.',
  'tease-pile': 'Stroke the pile, or tease the bobbles out, while it is damp.',
  'inside-out': 'Inside out: the right side keeps its colour.',
  'in-shade': 'In the shade: sun fades it.',
  'no-heat': 'Away from heaters and the sun on glass: heat shrinks or yellows it.',
  'fuel-air': 'Outdoors, far from any flame, heater or plug.',
  'turn-flat': 'Turn it over, on a dry towel',
  'turn-fold': 'Turn the folds over: they dry last',
  'frames-out': 'Take frames and stuffing out',
  'fluff-again': 'Fluff cups and filling up again',
};
export const taskWords: Record<RackTask, string> = {
  'hang-up': 'Hang up what waits wet',
  'take-in': 'Take in before it gets wet outside',
  'iron-damp': 'Damp enough for the iron: take it down, or let it dry and spray it',
  feel: 'Feel whether it is dry',
  'look-at-mark': 'Look at the mark on dry cloth, in daylight',
  'turn-flat': helpWords['turn-flat'],
  'turn-fold': helpWords['turn-fold'],
  'frames-out': helpWords['frames-out'],
  'fluff-again': helpWords['fluff-again'],
};
export const thickWords: Record<ThickPlace, string> = {
  waistband: 'waistband',
  pockets: 'pocket bags',
  seams: 'side seams',
  'collar-cuffs': 'collar and cuffs',
  underarms: 'underarms',
  cups: 'cups',
  hems: 'hems',
  middle: 'the middle of the filling',
  fold: 'where it was folded over the bar',
  toes: 'toes',
};
export const stayOutWords: Record<StayOut, string> = {
  fuel: 'had fuel on it: never into a dryer',
  mark: 'a mark is not proven gone: heat would set it',
  'label-or-cloth': 'its label or its cloth forbids the dryer',
  'house-rule': 'a rule of the house keeps it out',
  'too-wet': 'too wet: spin it, or hang it',
  'no-room': 'no room in the drum',
};
export const dryerSteps = {
  lint: 'The lint filter is clean',
  'inside-out': 'Turned inside out, zips and hooks closed, bands tied',
  balls: 'Wool or rubber balls beside it, no sheets',
} as const;
export const noPressWords: Record<NoPressReason, string> = {
  'needs-none': 'needs no iron',
  'iron-forbidden': 'no iron: its label or its cloth forbids it',
  mark: 'once the mark is proven gone',
  fuel: 'had fuel on it: no heat',
};
export const moistWords: Record<PressStep['moistBy'], string> = {
  nothing: 'damp enough',
  steam: 'with steam',
  'damp-cloth': 'through a damp press cloth',
  spray: 'sprayed evenly, left for ten minutes',
};
export const shirtWords: Record<ShirtStep, { name: string; how: string }> = {
  collar: { name: 'Collar', how: 'The underside first, from the points to the middle; then the upper side.' },
  yoke: {
    name: 'Yoke',
    how: 'One shoulder over the end of the board, then the other, towards the middle of the back.',
  },
  cuffs: { name: 'Cuffs', how: 'Opened and flat, the inside first, round the buttons and not over them.' },
  'sleeve-seams': { name: 'Sleeve seams', how: 'Lay the sleeve along its seam and press the seam flat.' },
  sleeves: { name: 'Sleeves', how: 'From the seam to the fold, one after the other; no crease at the shoulder.' },
  back: { name: 'Back', how: 'From the yoke to the hem, with the pleat pulled straight.' },
  fronts: { name: 'Fronts', how: 'The side with the buttonholes last, from the shoulder down.' },
  band: { name: 'Button band', how: 'Between the buttons with the tip of the plate, never over them.' },
  hang: { name: 'Hang it up', how: 'At once, on a shaped hanger, the top button closed.' },
  'touch-up': { name: 'Touch up', how: 'Collar points and cuffs once more, hanging, with a puff of steam.' },
};
export const awayWords: Record<AwayStep, string> = {
  'cool-first': 'Let it cool before it is shut in: warm cloth feels drier than it is.',
  refit: 'Put back what was taken off',
  mend: 'Mend it first',
  'shave-pills': 'Shave pills flat, with the knit lying, never pulled.',
  fold: 'Fold it',
  'fold-over-bar': 'Fold it over the bar of a hanger; a knit grows on its shoulders.',
  hang: 'Hang it up',
  'hang-covered': 'Hang it on a broad hanger, under a cloth cover that breathes.',
  'moths-children':
    'In a closed box or bag, with cedar; no mothballs where children are: they are poison and look like sweets.',
  moths: 'In a closed box or bag, with cedar. Mothballs only where no child or animal is, and air it long after.',
  dark: 'Where it is dark: light fades it.',
  'feed-leather': 'Feed the leather thinly, and let it stand a night.',
  'brush-suede': 'Brush the suede, one way.',
  'shake-soft': 'Stiff from the line? Shake it hard, or ten minutes in a cool dryer.',
};
export const freshenWords: Record<FreshenWay, string> = {
  air: 'Air it for a night',
  steam: 'Steam it inside out',
  brush: 'Brush it',
  spot: 'Treat the spot',
  feed: 'Feed the leather',
  'brush-suede': 'Brush the suede',
};
export const freshenStepWords: Record<FreshenStep, string> = {
  'turn-out': 'Turn it inside out: smell sits where it touches the skin.',
  'empty-pockets': 'Empty the pockets.',
  'hang-in-air': 'Hang it in moving air, out of the sun: by a window, or in a dry night outside.',
  'lay-in-air': 'Lay it over a rack or a chair back with a towel, in moving air; a wool knit grows on a hanger.',
  'let-mud-dry': 'Let mud and wet dry first: wet, it is brushed in.',
  'brush-with-grain': 'Brush from the shoulders down, with the nap, on both sides.',
  'brush-seams': 'Open collar, pockets and turn-ups, and brush along the seams.',
  'steam-inside-out': 'Inside out on a hanger. Hot steam scalds: hands away from the jet.',
  'steam-distance':
    'Steam from a hand’s breadth away, underarms and collar first; on wool and silk never touch the cloth.',
  'steam-hang': 'Let it hang until it is cold and dry.',
  'spot-bench': 'Treat the mark at the bench, and only the mark.',
  'wipe-damp': 'Wipe it with a damp cloth and let it dry.',
  'feed-thin': 'A little leather cream on a cloth, tried inside first, in thin circles.',
  'feed-wait': 'Let it draw in overnight, away from heat.',
  'brush-nap': 'Brush the nap one way, then lift it with the other.',
  rest: 'Let it rest a day before it is worn.',
  smell: 'Smell it: underarms, collar, lap.',
};
export const freshenEndWords: Record<FreshenEnd, string> = {
  fresh: 'Fresh again',
  better: 'Better, once more will do',
  'still-smells': 'Still smells: wash it',
};
export const returnWords: Record<ReturnLook, { question: string; answers: Readonly<Record<string, string>> }> = {
  colour: {
    question: 'Beside the part that stayed here, in daylight: its colour?',
    answers: { 'as-before': 'As before', paler: 'Paler', patchy: 'Patchy' },
  },
  marks: {
    question: 'The marks on the slip?',
    answers: { gone: 'Gone', lighter: 'Lighter', 'still-there': 'Still there' },
  },
  parts: {
    question: 'Buttons, belt, lining, hood: all there?',
    answers: { 'all-there': 'All there', missing: 'Something is missing' },
  },
  size: {
    question: 'Measured where it was measured before?',
    answers: { 'as-before': 'As before', smaller: 'Smaller', larger: 'Larger' },
  },
  smell: { question: 'Does it smell of solvent?', answers: { none: 'No', solvent: 'Yes' } },
};
export const remedyWords: Record<ReturnRemedy, string> = {
  'air-it': 'Out of its bag and into moving air for a day, not in a bedroom; then smell it again.',
  'ask-again': 'Take it back with the slip while the ticket is fresh, and ask what else is tried.',
  claim: 'Take it back with the slip and the part that stayed here, before it is worn.',
  measure: 'Measure it and keep the numbers with the slip.',
  'keep-for-good': 'Keep it as it is.',
};
