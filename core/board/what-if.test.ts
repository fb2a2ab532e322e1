import { describe, expect, test } from '@jest/globals';
import { deltaE, labOf, tintedHex } from '../colour/colour.ts';
import { oddsAbove } from '../units/odds.ts';
import { garment, household, only } from '../testing/arbitrary.ts';
import { basketOf } from '../price/basket.ts';
import { byHand } from './by-hand.ts';
import { whatIf, type Pushed } from './what-if.ts';

const washer = household.washers[0]!;
const programme = (id: string) => washer.programmes.find((p) => p.id === id)!;
const push = (change: Partial<Pushed> = {}): Pushed => ({
  washer,
  programme: programme('wool'),
  temperatureC: 30,
  spinRpm: 600,
  tumble: 'none',
  detergent: 'wool-silk',
  catcher: false,
  dryer: null,
  ...change,
});
const wool = garment('wool', {
  kind: 'jumper_mid',
  parts: only('wool'),
  traits: new Set(['jersey-knit'] as const),
  washCount: 0,
});
const effect = (gs: Parameters<typeof basketOf>[0], s: Pushed) =>
  whatIf(
    basketOf(gs, household),
    gs.map((_, i) => i),
    s,
    household,
  );

describe('what if', () => {
  test('wool in its programme keeps its size; at 60 °C in cottons it felts by a quarter', () => {
    const kind = effect([wool], push()).pieces[0]!;
    expect(kind.passes).toEqual([]);
    expect(kind.shrinkPercent).toBeLessThan(3);
    expect(kind.shrinkOdds).toBeLessThan(0.5);
    const cruel = effect(
      [wool],
      push({ programme: programme('cottons'), temperatureC: 60, spinRpm: 1400, detergent: 'universal' }),
    ).pieces[0]!;
    expect(cruel.feltingPercent).toBeGreaterThan(25);
    expect(cruel.shrinkCm).toBeGreaterThan(15);
    expect(cruel.shrinkOdds).toBeGreaterThan(0.99);
    expect(cruel.passes.map((m) => m.code)).toEqual(['push.celsius', 'push.action', 'push.spin', 'push.detergent']);
  });
  test('a new red beside a white: the tint, its odds and its look; hotter is worse', () => {
    const red = garment('red', {
      dye: 'unknown',
      washCount: 0,
      colours: [{ hex: '#be1e2d', role: 'ground' }],
      weighedDryMassG: 500,
    });
    const white = garment('white', { dye: 'undyed', colours: [{ hex: '#f7f7f4', role: 'ground' }] });
    const at = (temperatureC: number) =>
      effect([red, white], push({ programme: programme('cottons'), temperatureC, detergent: 'colour' })).pieces[1]!
        .tint!;
    expect(at(30).from).toBe(0);
    expect(at(60).deltaE).toBeGreaterThan(at(30).deltaE);
    expect(at(60).odds).toBeGreaterThan(0.95);
    expect(deltaE(labOf('#f7f7f4'), labOf(at(60).hex))).toBeCloseTo(at(60).deltaE, 0);
  });
  test('an open stain and the dryer: likely set for good', () => {
    const stained = garment('s', {
      stains: [
        {
          id: 's',
          kind: 'egg',
          ageHours: 30,
          heatSet: false,
          place: '',
          sizeCm: 3,
          failedRounds: 0,
          heat: null,
          tried: [],
        },
      ],
    });
    expect(
      effect([stained], push({ programme: programme('cottons'), detergent: 'colour' })).pieces[0]!.stainSetOdds,
    ).toBe(0);
    expect(
      effect(
        [stained],
        push({ programme: programme('cottons'), temperatureC: 60, tumble: 'normal', detergent: 'colour' }),
      ).pieces[0]!.stainSetOdds,
    ).toBeCloseTo(0.92, 9);
  });
  test("soil above what the wash gives most likely stays; what is asked of it is the core's own need", () => {
    const soiled = garment('soiled', {
      soil: 'heavy',
      wearsSinceWash: 5,
      activity: 'sweaty',
      stains: [
        {
          id: 's',
          kind: 'egg',
          ageHours: 30,
          heatSet: false,
          place: '',
          sizeCm: 3,
          failedRounds: 0,
          heat: null,
          tried: [],
        },
      ],
    });
    const weak = effect([soiled], push({ detergent: 'wool-silk', temperatureC: 20 })).pieces[0]!;
    const strong = effect([soiled], push({ programme: programme('cottons'), temperatureC: 60, detergent: 'universal' }))
      .pieces[0]!;
    expect(weak.cleaningDeficit).toBeGreaterThan(0);
    expect(weak.uncleanOdds).toBeGreaterThan(0.5);
    expect(strong.uncleanOdds).toBeLessThan(weak.uncleanOdds);
    expect(strong.uncleanOdds > 0.5).toBe(strong.cleaningDeficit > 0);
  });
  test('what fades is seen sooner when washed hot; white does not fade', () => {
    const blue = garment('blue', { dye: 'indigo', washCount: 0, colours: [{ hex: '#232f4e', role: 'ground' }] });
    const at = (temperatureC: number) =>
      effect([blue], push({ programme: programme('cottons'), temperatureC, detergent: 'colour' })).pieces[0]!;
    expect(at(60).fadeOdds).toBeGreaterThanOrEqual(at(30).fadeOdds);
    expect(at(60).washesToGrade4!).toBeLessThan(at(30).washesToGrade4!);
    const white = effect(
      [garment('w', { dye: 'undyed', colours: [{ hex: '#f7f7f4', role: 'ground' }] })],
      push({ programme: programme('cottons'), detergent: 'colour' }),
    ).pieces[0]!;
    expect([white.fadeDeltaE, white.fadeOdds]).toEqual([0, 0]);
  });
  test('more spin dries sooner and creases more; hotter costs more energy', () => {
    const tee = garment('tee');
    const slow = effect([tee], push({ programme: programme('cottons'), spinRpm: 600, detergent: 'colour' }));
    const fast = effect(
      [tee],
      push({ programme: programme('cottons'), spinRpm: 1400, temperatureC: 60, detergent: 'colour' }),
    );
    expect(fast.pieces[0]!.dryingHours!).toBeLessThan(slow.pieces[0]!.dryingHours!);
    expect(fast.pieces[0]!.creaseOdds).toBeGreaterThan(slow.pieces[0]!.creaseOdds);
    expect(fast.energyKwh).toBeGreaterThan(slow.energyKwh);
  });
});
test('odds: even at the limit, rising with the prediction', () => {
  expect(oddsAbove(4.3, 4.3)).toBeCloseTo(0.5, 6);
  expect(oddsAbove(8.6, 4.3)).toBeGreaterThan(0.98);
  expect(oddsAbove(0, 4.3)).toBe(0);
});
test('a tint stops at the other colour', () => {
  expect(tintedHex('#ffffff', '#ff0000', 1000)).toBe('#ff0000');
  expect(tintedHex('#ffffff', '#ff0000', 0)).toBe('#ffffff');
});
test('by hand: the bath of the planner, pressed and rolled, no spin and no felting', () => {
  const basin = household.basins[0]!;
  const jumper = { ...wool, weighedDryMassG: 400 };
  const hand = (change: Partial<Pushed> = {}) =>
    whatIf(basketOf([jumper], household), [0], push({ ...byHand(basin, 30), basin, ...change }), household);
  const bath = hand();
  const piece = bath.pieces[0]!;
  expect(piece.passes).toEqual([]);
  expect(piece.creaseOdds).toBe(0);
  expect(piece.feltingPercent).toBeLessThan(0.5);
  expect(bath.overfilled).toBe(false);
  // Fill, move, drain, press and roll take 17 minutes; the soak and the rinses come to that.
  expect(bath.minutes).toBeGreaterThan(17);
  expect(bath.litres).toBeGreaterThan(10);
  expect(bath.energyKwh).toBeGreaterThan(0);
  expect(hand({ temperatureC: household.water.coldC }).energyKwh).toBe(0);
  // What the drum spins out stays in, for the air to take.
  const spun = whatIf(basketOf([jumper], household), [0], push({ spinRpm: 800 }), household).pieces[0]!;
  expect(piece.dryingHours).toBeGreaterThan(spun.dryingHours ?? 0);
  const much = { ...jumper, weighedDryMassG: 9000 };
  expect(whatIf(basketOf([much], household), [0], push({ ...byHand(basin, 30), basin }), household).overfilled).toBe(
    true,
  );
  const sixty = hand({ temperatureC: 60 });
  expect(sixty.pieces[0]!.passes.map((m) => m.code)).toContain('push.celsius');
});
