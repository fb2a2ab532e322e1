/** The stain bench: its clocks, and the wash after a treatment. */
import type { treatMessages } from '@core/message/treat.ts';
import type { ActionId, CheckId, StopCode } from '@core/stain/actions.ts';
import type { HandlingId } from '@core/stain/caps.ts';
import type { BandId } from '@core/stain/score.ts';
import type { StepLine } from '@core/stain/treatment.ts';
import { chemicalName } from './chemistry.ts';

// prettier-ignore
export const treatWords: Record<keyof typeof treatMessages, string> = {
  'treat.wash': 'Wash it {method, select, hand {by hand, } other {}}at {celsius} °C at most.',
  'treat.wash-in-load': 'It is in load {load}, {name}: wash it there, at {celsius} °C.',
  'treat.no-wash': 'It is not washed at home: {because}. What was used is rinsed out as the steps say.',
  'treat.fume-first': 'Not before no smell of solvent is left.',
  'treat.look': 'Dry it in the air, no dryer and no iron; look at it dry, in daylight, from both sides.',
  'treat.clock-runs': 'Its clock has {minutes, plural, one {# minute} other {# minutes}} left: look at it then. If the cloth suffers before, answer No at once.',
  'treat.clock-first': 'It needs {minutes, plural, one {# minute} other {# minutes}}: start its clock when it is on.',
  'treat.solvent-dry-cloth': 'the solvent needs dry cloth',
  'treat.solvent-gone': 'the solvent must be gone first',
  'treat.solvent-gone-wash': 'the solvent must be gone before any wash',
  'treat.cold-first': 'cold first: warmth sets protein',
  'treat.dye-trace': 'its dye runs: cold flush and a cold wash alone only',
  'treat.soft-water': 'the water is soft enough',
  'treat.only-fast': 'only on a fast colour',
  'treat.only-undyed': 'only on undyed cloth that may be bleached',
  'treat.not-borne': 'the cloth does not bear it',
  'treat.work-not-borne': 'the cloth does not bear the work',
  'treat.handling': '{handling}',
  'treat.its-label': 'its label',
  'treat.at-most-celsius': 'at most {celsius} °C: {because}',
  'treat.at-most-minutes': 'at most {minutes} min',
  'treat.instead': '{agent} instead of {otherAgent} ({because})',
  'treat.stand-in': '{agent}, for want of {otherAgent}',
  'treat.not-in-cupboard': '{agent} is not in the cupboard',
  'tool.wet-brush': 'never a brush on it when it is wet',
  'tool.pulls': 'it pulls the fibre',
  'tool.melts': 'it melts or glazes',
  'tool.light': 'light yellows or fades it',
  'tool.not-here': 'not on this material',
  'tool.no-iron': 'no iron on pile, print, metallic yarn or cloth that melts',
  'treat.step': '{step}',
  'treat.kettle': 'The tap gives {celsius} °C; {kettleL} l from the kettle to 5 l make {bearsCelsius} °C.',
  'stop.fuel-much': 'More than a splash of fuel: it is not washed at home.',
  'stop.wide-ink': 'Ink or paint wider than 10 cm spreads at home.',
  'stop.rounds-used': 'This cloth bears {count, plural, one {one round; it is} other {# rounds; they are}} used up.',
  'stop.poor-odds-worth': 'The odds at home are poor and the piece is worth a professional.',
  'stop.poor-odds': 'The odds at home are poor.',
  'stop.little-chance-worth': 'Little chance at home, and the piece is worth a professional.',
  'stop.nothing-wet': 'Nothing wet at home on this piece: it is {trait}.',
  'stop.nothing-wet-tailored': 'Nothing wet at home on this piece: it is tailored or glued.',
  'stop.dye-strong': 'Its dye runs strongly in water.',
  'stop.nothing-helps': 'The cupboard has nothing that helps here.',
  'stop.cloth-bears-none': 'This cloth bears none of what would help.',
  'stop.acetone': 'Acetone dissolves this fibre.',
  'stop.solvents': 'Solvents harm this fibre.',
  'stop.holds-fuel': 'Wool and silk hold fuel.',
  'stop.bleach-harms': 'Bleach would harm this fibre.',
  'stop.mildew-protein': 'Mildew in wool or silk is no work for home.',
  'stop.scorch-protein': 'Scorched wool and silk are no work for home.',
  'stop.glossy': 'Where it is glossy or melted, nothing helps.',
  'stop.silk-bleach': 'Silk bears no bleach here.',
  'stop.skin-blot': 'Blot only; ask a leather specialist.',
  'stop.skin-still': 'It may still be there after that.',
  'stop.runs-now': 'The colour of the piece runs: rinse it cold now.',
  'stop.told': '{told}',
  'treat.stop': '{stop}',
  'treat.band': '{band}',
  'treat.never-beside': 'Never in the same room session as what is open now.',
  'treat.never-beside-because': 'Never in the same room session as what is open now. {hazard}',
  'treat.rinse-first': 'Rinse the other mark of this piece first: {times, plural, one {# full rinse} other {# full rinses}} between.',
  'treat.wait-aired': 'Wait until the other bath is poured away and the room is aired. {hazard}',
  'soak.not-borne': '{because}',
  'soak.metal': 'metal parts corrode in bleach',
  'soak.never-immersed': 'it is never immersed',
  'soak.raw-indigo': 'raw indigo bleeds into the bath',
  'soak.too-short': 'its fibre bears {minutes} minutes at most, which does nothing',
  'soak.colour-runs': 'its colour runs',
  'soak.iron': 'rust or sunscreen must go first: bleach eats holes beside iron',
  'soak.untested': 'its colour has not been tested',
  'soak.no-label': 'its label is unknown: a drop on a hidden place first',
  'soak.wants-test': 'a drop on a hidden place first',
  'soak.then-wash': 'Then {count, plural, one {# load} other {# loads}}: {percent} % of the detergent, {celsius} °C at most, an extra rinse; dry in the air, judge each piece in daylight.',
  'soak.waits': '{names}: wet, for their wash today. {celsius} °C at most, an extra rinse, and {percent} % of the detergent where they wash by themselves. Sort has it so.',
  'soak.undyed': '{names}: look at a seam inside. Until you say so they count as dyed: {percent} % of the bleach, and {hours} hours at most.',
};

/** A step's heading: what to do, with what. */
export const stepTitles: Record<ActionId, (what: string) => string> = {
  scrape: (what) => `Scrape it off with a ${what}`,
  lift: (what) => `Lift it with ${what}`,
  blot: (what) => `Blot it with ${what}`,
  'rub-dry-cloth': (what) => `Stroke it with ${what}`,
  'cover-absorb': (what) => `Cover it with ${what}`,
  'brush-dry': (what) => `Brush it dry with a ${what}`,
  freeze: (what) => `Freeze it with a ${what}`,
  dab: (what) => `Dab ${what} on`,
  'dab-on-pad': (what) => `Dab it out with ${what}, face down on a pad`,
  'flush-back': (what) => `Flush it from the back with ${what}`,
  'work-fingers': (what) => `Work in ${what} with a fingertip`,
  'work-soft-brush': (what) => `Work in ${what} with a soft brush`,
  'spray-rest': (what) => `Wet it through with ${what} and leave it`,
  'paste-rest': (what) => `Spread ${what} on and leave it`,
  soak: (what) => `Soak it in ${what}`,
  'rinse-bath': (what) => `Rinse it in ${what}`,
  'iron-through-paper': (what) => `Draw it out with iron and ${what}`,
  'air-out': () => 'Air it until no smell is left',
  'sun-dry': () => 'Lay it damp in the sun',
  'mist-even': (what) => `Mist the whole panel with ${what}`,
};
export const testTitle = (what: string): string => `Test ${what} on a hidden place`;
export const testHow =
  'One drop on an inner seam, 5 minutes, then a white cloth pressed on it for 10 seconds; it must stay white.';
/** What is asked after a step; Yes is always the good answer. */
export const checkQuestions: Record<CheckId | 'hidden-test', string> = {
  'hidden-test': 'Is the white cloth still white?',
  solid: 'Is all of it off that lifts or flakes?',
  transfer: 'Does a white pad stay clean on it for 10 seconds?',
  'garment-dye': 'Is the pad free of the colour of the piece?',
  'gone-wet': 'Is the mark gone, looked at wet?',
  'gone-dry': 'Dried in the air for 12 to 24 hours: is it gone in daylight, from both sides?',
  residue: 'Does it feel clean, and does the rinse run clear?',
  odour: 'Does it smell fresh, damp and dry?',
  fume: 'Is every smell of solvent or fuel gone, 10 cm from it?',
  'fibre-sound': 'Is the cloth sound: no loss, no gloss, nothing melted?',
};

/** How a step is done. */
export const actionHow: Record<ActionId, string> = {
  scrape: 'Lift with a blunt edge from rim to middle; never cut.',
  lift: 'Press tape or gauze-covered nozzle down and peel straight up.',
  blot: 'Press a clean white pad; fresh side each time; stop when nothing transfers.',
  'rub-dry-cloth': 'Stroke lightly with a dry white cloth, along the grain.',
  'cover-absorb': 'Cover 2–3 mm deep; leave; tip off.',
  'brush-dry': 'Stroke dry cloth one way with a soft clean brush.',
  freeze: 'Bag the item or lay ice in a bag on it until brittle.',
  dab: 'Touch with a moist pad from edge to centre, then a dry pad.',
  'dab-on-pad': 'Face down on white pad; moisten the back; move pad each 30 s.',
  'flush-back': 'Tap water through the back, gentle flow, stain hanging free.',
  'work-fingers': 'Spread with a fingertip, edge to centre, no scrubbing.',
  'work-soft-brush': 'Tap and stroke with a soft brush, 20 strokes at most.',
  'spray-rest': 'Wet the mark through; keep damp; leave.',
  'paste-rest': 'Spread thin layer; leave; wipe off.',
  soak: 'Fully under the liquid, loose, lid or plate on top; move gently at start and end.',
  'rinse-bath': 'Move gently in a clean bath, drain, repeat.',
  'iron-through-paper': 'Iron on paper, 5–10 s each (0.1–0.2 min), fresh paper every press.',
  'air-out': 'Hang outdoors or at an open window; no heat, spark or flame.',
  'sun-dry': 'Damp, flat, in sun; re-wet each 60 min.',
  'mist-even': 'Mist or steam the whole panel seam to seam so no edge dries first.',
};
const lower = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;
/** What to do in a step, in one clause: the agent and its dose, and how. */
export function stepClause({ kind, what, dose, action }: StepLine): string {
  if (kind === 'test')
    return `Test ${chemicalName(what)} first: one drop on an inner seam, 5 min, press a white cloth on it for 10 s; it must stay white`;
  if (kind === 'air') return actionHow[action];
  return `${chemicalName(what, true)}${dose && dose !== 'dry' ? `, ${dose}` : ''}: ${lower(actionHow[action])}`;
}
/** A step as the ticket has it: when it is due, what to do, how long at most, how often, the rinses and the check. */
export function stepText(s: StepLine): string {
  const due =
    s.when === 'if-left' ? 'If it is still there: ' : s.when === 'if-orange' ? 'If an orange tone is left: ' : '';
  const clause = stepClause(s);
  const how = due ? `${due}${lower(clause)}` : clause;
  const longer = s.mostMinutes > s.minutes ? ` ${s.minutes}–${s.mostMinutes} min.` : '';
  const again = s.repeats > 1 ? ` Up to ${s.repeats} times.` : '';
  const rinse = s.rinses > 0 ? ` Then rinse ${s.rinses === 1 ? 'once' : `${s.rinses} times`}.` : '';
  const check = s.kind === 'test' ? '' : ` Check: ${checkPasses[s.check]}.`;
  return `${how}${how.endsWith('.') ? '' : '.'}${longer}${again}${rinse}${check}`;
}
/** When a check is passed, as it stands on the ticket. */
export const checkPasses: Record<CheckId, string> = {
  solid: 'nothing lifts or flakes off',
  transfer: 'white pad stays clean 10 s',
  'garment-dye': 'pad shows no garment colour',
  'gone-wet': 'mark not visible wet',
  'gone-dry': 'no mark after air-drying 12–24 h, daylight, both sides',
  residue: 'no slick, sticky or stiff feel; rinse water clear',
  odour: 'no smell when damp and after drying',
  fume: 'no solvent or fuel smell at 10 cm',
  'fibre-sound': 'no fibre loss, gloss or melt',
};
export const stopWords: Record<StopCode, string> = {
  'stop-pro': 'Stop here. Let it air dry and show it, with the list of what you used, to a professional cleaner.',
  'stop-permanent': 'This is fibre damage, not a stain. Washing will not reverse it.',
  'stop-safety': 'Do not wash or heat this. Air it outdoors and follow the safety card.',
  'stop-leave': 'More treatment is likelier to harm the cloth than help. Wear, dye or mend it.',
};
export const bandWords: Record<BandId, string> = {
  'very-likely': 'Should come out.',
  likely: 'Good chance; may need a second round.',
  partial: 'Expect it lighter, maybe not gone.',
  unlikely: 'Little chance at home; decide if the risk is worth it.',
  stop: 'Leave it or ask a professional.',
};
export const handlingWords: Record<HandlingId, string> = {
  'weak-cloth': 'vintage or weak cloth: one round, no brush, in a net',
  'inside-out': 'inside out',
  'weak-when-wet': 'weak when wet: lift it in a net, no wringing',
  'no-wringing': 'no acetone, no iron, no wringing',
  'same-temperature': 'the same temperature in every bath; no rubbing',
  'barely-damp': 'a barely damp cloth at most',
  'oil-needs-dish-liquid': 'oil needs dish liquid at 30–40 °C',
  'takes-loose-dye': 'picks up loose dye',
  'stretches-warm': 'stretches warm: do not hang it wet',
  'no-solvent': 'no dry-side solvent',
  'whole-panel': 'wet the whole panel; never dry a spot with heat',
  'shell-only': 'only the shell; dry it through the same day and break the clumps',
  'dry-only': 'dry ways only',
  'test-first': 'test first',
  'may-lighten': 'alone; every wet spot may lighten',
  'from-the-back': 'from the back only',
  'pile-crushes': 'pile crushes: blot and steam only',
};
