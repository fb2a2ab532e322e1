/** What a hand-made decision meets, in words. */
import type { boardMessages } from '@core/message/board.ts';

// prettier-ignore
export const boardWords: Record<keyof typeof boardMessages, string> = {
  'board.broken': '{violation}.',
  'board.nothing-washes-both': 'Nothing here washes both.',
  'board.against-hand': 'Its label, or the size of the basin, is against washing it by hand.',
  'board.no-basin': 'There is no basin in this household.',
  'board.not-at-this-setting': 'It does not bear this programme, its temperature, its spin or its detergent.',
  'pin.should-not-wait': '{name} should not wait; confirm it to let it wait all the same.',
  'pin.never-in-water': '{name} is never washed in water.',
  'pin.closed': '{name}: {because}; confirm it to wash it at your own risk.',
  'pin.nothing-may-wash': '{name}: nothing here may wash it; confirm it to wash it at your own risk.',
  'pin.no-basin-takes-it': '{name}: no basin here takes it by hand.',
  'pin.stay-apart': '{names} stay apart: {violations}.',
  'pin.needs-confirmation': '{names} in one load needs your confirmation: {violations}.',
  'pin.fits-nothing': '{names} fit no load of this household even so: {violations}.',
  'push.not-in-water': 'not in water',
  'push.celsius': 'bears {bearsCelsius} °C ({because})',
  'push.action': 'bears {action} movement ({because})',
  'push.spin': 'bears {rpm} rpm ({because})',
  'push.tumble': '{tumble, select, none {no dryer} other {dryer low only}} ({because})',
  'push.detergent': 'not this detergent ({because})',
};
