/** At a machine that runs, or has stopped, and its care. */
import type { runMessages } from '@core/message/run.ts';
import type { DrumCheck } from '@core/run/drum-check.ts';
import type { RunOption } from '@core/run/options.ts';
import type { UpkeepTask } from '@core/run/upkeep.ts';

// prettier-ignore
export const runWords: Record<keyof typeof runMessages, string> = {
  'run.stay': 'Others use {place}, too: be there when it ends, and take everything along.',
  'run.stay-coins': 'Others use {place}, too: have {cost} with you, be there when it ends, and take everything along.',
  'run.learnt': 'This machine took {minutes} min in its last {count, plural, one {run} other {# runs}}; the panel says {total}.',
  'run.dose-less': 'Something was left in the cloth before: {product} is dosed at {percent} % of the pack.',
  'trouble.error-panel': 'Write down what the panel shows; the manual says what it stands for.',
  'trouble.error-supply': 'Is the tap open, the hose free, the door latched, the drawer closed?',
  'trouble.error-drain': 'Water that does not go: switch it off, let hot water cool, then empty it through the drain filter into a flat bowl.',
  'trouble.error-again': 'The same error twice, smoke, a smell of burning, or water on the floor: switch it off at the wall and call a qualified technician.',
  'trouble.opened-hot': 'At {celsius} °C the water scalds: let the machine drain or cool before the door is opened.',
  'trouble.opened-water': 'While water stands in the window the door stays shut: drain first.',
  'trouble.opened-goes-on': 'Close it until it latches and start it again: most programmes go on where they were.',
  'trouble.wet-hours': 'Wet cloth in a shut drum begins to smell after about {hours, plural, one {# hour} other {# hours}}: do not leave it longer.',
};

/** The room a hand finds above the loose pile. */
export const roomWords: Record<DrumCheck['room'], (freeCm: number) => string> = {
  plenty: (cm) => `Plenty of room: ${cm} cm above the loose pile.`,
  upright: (cm) => `A hand stands upright above the pile (${cm} cm).`,
  flat: (cm) => `A hand lies flat above the pile, no more (${cm} cm).`,
};
/** Options as most panels have them, one way or another. */
export const optionWords: Record<RunOption, string> = {
  'extra-rinse': 'Extra rinse',
  'high-water': 'High water, where it has it',
  'soil-light': 'Soil level: light',
  'soil-heavy': 'Soil level: heavy',
};

/** Care of the machines: what to do, and how. */
export const upkeepWords: Record<UpkeepTask, { title: string; how: string }> = {
  'hot-run': {
    title: 'Hot run, empty',
    how: 'Grease and germs settle where it never gets hot. Run it empty at 60 °C or more, with a bleaching powder where you have one; never with an acid.',
  },
  seal: {
    title: 'Door seal',
    how: 'Pull the folds apart and wipe them dry; take out coins and hair. Leave the door open.',
  },
  drawer: { title: 'Drawer', how: 'Take it out, rinse it warm, brush its shaft, and put it back dry.' },
  filter: {
    title: 'Drain filter',
    how: 'Cold machine, flat bowl underneath: open it slowly, take out what lies there, and screw it tight again.',
  },
  descale: {
    title: 'Descale',
    how: 'Run it empty with citric acid or what the maker names, at the temperature the pack allows. Never together with bleach: the gas is poisonous.',
  },
  'lint-filter': {
    title: 'Lint filter',
    how: 'Before every load: wipe it off; once in a while rinse it and let it dry.',
  },
  duct: {
    title: 'Exhaust duct, heat exchanger',
    how: 'Free it of lint. Lint burns: a smell of burning means stop, and a qualified technician.',
  },
};
