/** What hangs where, how long, what next: numbers worked by hand, and what must hold for any basket. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import loadHighs from 'highs';
import { dryingTimeHours, equilibriumMoisture } from '../drying/drying.ts';
import { rackFit } from '../drying/rack.ts';
import { courseOfDrying, type DryingItem, type DryingRoom } from '../drying/room.ts';
import { barCarriesKg, barShares, barsUsed, flatAreaM2, rackCarriesKg, Space } from '../drying/spaces.ts';
import { kindFacts, type GarmentKind } from '../garment/kinds.ts';
import type { Garment } from '../model/garment.ts';
import type { DryingPlace } from '../model/household.ts';
import { profileOf, type Profile } from '../piece/profile.ts';
import { everydayGarment, garment, household, only, plainRules } from '../testing/arbitrary.ts';
import { mark } from '../testing/mark.ts';
import { feltDampMoisture, scaleVerdict, thickPlacesOf, weighAgainMin } from './dry-check.ts';
import { afterDryer, dryerRun, whyStaysOut } from './dryer.ts';
import { forecastDrying, hoursToMoisture, type AirChoice, type HangingPiece, type Surroundings } from './forecast.ts';
import { hangAt, hangUp, needOf, positionsFor, whyNotAt, type RackHouse } from './hang.ts';
import { dryHelpsOf, hangHelpsOf } from './helps.ts';
import { learntSlowness } from '../learn/drying.ts';
import { afterQuiet, outsideQuiet, remindersOf, whenLight, type RackClock, type RemindedPiece } from './reminders.ts';

const rack: DryingPlace = {
  id: 'r1',
  name: 'Rack',
  bars: 12,
  barLengthM: 1,
  flatM2: 1,
  hangers: 4,
  outdoors: false,
  sun: false,
};
const balcony: DryingPlace = {
  ...rack,
  id: 'r2',
  name: 'Balcony',
  bars: 4,
  flatM2: 0,
  hangers: 0,
  outdoors: true,
  sun: true,
};
const home = { ...household, rules: plainRules, dryingPlaces: [rack, balcony] };
const mild = { temperatureC: 18, humidity: 0.6, airSpeedMPerS: 1, wet: false };
const house: RackHouse = { household: home, outdoors: mild };
const profile = (id: string, change: Partial<Garment> = {}): Profile => profileOf(garment(id, change), plainRules);
const tee = profile('tee');
const wool = profile('wool', { kind: 'jumper_mid', parts: only('wool'), weighedDryMassG: null, traits: new Set() });
const hour = 3_600_000;
const highs = await loadHighs();
const now = Date.UTC(2026, 4, 9, 8);

const surroundings = (over: Partial<Surroundings> = {}): Surroundings => ({
  household: home,
  nowMs: now,
  roomNow: null,
  air: 'as-it-is',
  outdoorAt: () => mild,
  slowness: new Map(),
  ...over,
});
function hung(list: readonly Profile[], moisture = 0.63, over: Partial<HangingPiece> = {}): HangingPiece[] {
  const spaces = home.dryingPlaces.map((d) => new Space(d));
  return list.map((p, i) => ({
    id: `${p.garment.id}-${i}`,
    profile: p,
    moisture,
    atMs: now,
    hungMs: now,
    musty: 0,
    placement: hangUp(p, moisture, spaces, house),
    ...over,
  }));
}
const likely = (pieces: readonly HangingPiece[], over: Partial<Surroundings> = {}): number[] =>
  forecastDrying(pieces, surroundings(over)).pieces.map((p) => p.hours?.likely ?? Infinity);

describe('packing', () => {
  const wardrobe = fc.array(everydayGarment, { minLength: 1, maxLength: 30 });
  test('nothing on a place is beyond its bars, metres, kilograms, area and hangers, whatever hangs there', () =>
    fc.assert(
      fc.property(wardrobe, (list) => {
        const spaces = home.dryingPlaces.map((d) => new Space(d));
        const pieces = list.map((g, i) => profileOf({ ...g, id: `p${i}` }, plainRules));
        const placed = pieces.map((p) => ({ p, at: hangUp(p, 0.7, spaces, house) }));
        for (const place of home.dryingPlaces) {
          const here = placed.filter((x) => x.at.place === place.id);
          const stretches = new Map<number, [number, number][]>();
          const kg = new Map<number, number>();
          for (const { p, at } of here)
            for (const s of at.spots)
              for (let b = s.bar; b < s.bar + s.bars; b++) {
                expect(b).toBeLessThan(place.bars);
                expect(s.atM + s.widthM).toBeLessThanOrEqual(place.barLengthM + 1e-6);
                stretches.set(b, [...(stretches.get(b) ?? []), [s.atM, s.atM + s.widthM]]);
                kg.set(b, (kg.get(b) ?? 0) + (p.massKg * 1.7) / p.garment.count / s.bars);
              }
          for (const list of stretches.values()) {
            list.sort((a, b) => a[0] - b[0]);
            list.forEach(([from], i) => expect(from).toBeGreaterThanOrEqual((list[i - 1]?.[1] ?? 0) - 1e-9));
          }
          if (!place.outdoors) {
            const single = Math.max(
              barCarriesKg,
              ...here.flatMap(({ p, at }) => at.spots.map((s) => (p.massKg * 1.7) / s.bars)),
            );
            for (const [bar, load] of kg) {
              const onIt = here.filter(({ at }) => at.spots.some((s) => bar >= s.bar && bar < s.bar + s.bars)).length;
              expect(load).toBeLessThanOrEqual((onIt > 1 ? single : Infinity) + 1e-6);
            }
            expect([...kg.values()].reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(rackCarriesKg + 1e-6);
          }
          const flat = here.filter((x) => x.at.position === 'flat');
          expect(flat.reduce((m, { p }) => m + flatAreaM2(needOf(p, 0, plainRules)), 0)).toBeLessThanOrEqual(
            place.flatM2 + 1e-6,
          );
          const hangers = here.filter((x) => x.at.position === 'hanger');
          expect(hangers.reduce((n, { p }) => n + p.garment.count, 0)).toBeLessThanOrEqual(place.hangers);
        }
        for (const { p, at } of placed)
          if (at.place !== null) expect(whyNotAt(p, at.place === 'r1' ? rack : balcony, at.position)).toBeNull();
      }),
      { numRuns: 150 },
    ));
  test('the same basket hangs the same way', () => {
    const list = ['a', 'b', 'c', 'd'].map((id) => profile(id));
    expect(hung(list).map((p) => p.placement)).toEqual(hung(list).map((p) => p.placement));
  });
  test('a bar carries 1.5 kg: the third pair of wet jeans goes to other bars though there is length', () => {
    const long = new Space({ ...rack, bars: 3, barLengthM: 5 });
    const jeans = { kind: 'jeans' as GarmentKind, items: 1, barsEach: 3, wetKg: 1.4, sizeFactor: 1 };
    expect([1, 2, 3].map(() => long.take('bars', jeans) !== null)).toEqual([true, true, true]);
    expect(long.take('bars', jeans)).toBeNull();
    expect(
      new Space({ ...rack, bars: 3, barLengthM: 5, outdoors: true }).take('bars', { ...jeans, items: 4 }),
    ).not.toBeNull();
  });
  test('one piece heavier than a bar carries hangs alone', () => {
    const space = new Space({ ...rack, bars: 1, barLengthM: 3 });
    const heavy = { kind: 'bath_sheet' as GarmentKind, items: 1, barsEach: 1, wetKg: 1.8, sizeFactor: 1 };
    expect(space.take('bars', heavy)).toHaveLength(1);
    expect(space.take('bars', { ...heavy, wetKg: 0.2, sizeFactor: 1 })).toBeNull();
  });
  test('first fit places as many as the reference rule, where nothing is too heavy', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 10 }),
        fc.double({ min: 1.7, max: 3, noNaN: true }),
        fc.array(fc.constantFrom<GarmentKind>('tshirt', 'briefs', 'sport_tee', 'face_cloth'), { maxLength: 14 }),
        (bars, length, kinds) => {
          const space = new Space({ ...rack, bars, barLengthM: length, outdoors: true });
          const sorted = [...kinds].sort((a, b) => kindFacts(b).barLengthM - kindFacts(a).barLengthM);
          const placed = sorted.filter((kind) =>
            space.take('bars', { kind, items: 1, barsEach: 1, wetKg: 0.2, sizeFactor: 1 }),
          ).length;
          expect(placed).toBe(
            rackFit(
              bars,
              length,
              65,
              sorted.map((kind) => [kind, 1] as const),
            ),
          );
        },
      ),
    ));
  test('a bar is shared by what hangs on it; alone a piece has its bars to itself', () => {
    const at = (bar: number, bars: number, widthM: number) => ({ bar, bars, atM: 0, widthM });
    const shares = barShares([
      { id: 'tee', spots: [at(0, 2, 0.6)] },
      { id: 'jeans', spots: [at(2, 3, 0.5)] },
      { id: 'socks', spots: [at(4, 1, 0.1), at(5, 1, 0.1)] },
      { id: 'flat', spots: [] },
    ]);
    expect(shares.get('tee')).toBe(2);
    expect(shares.get('jeans')).toBeCloseTo(2 + 0.5 / 0.6, 12);
    expect(shares.get('socks')).toBeCloseTo(1 + 0.1 / 0.6, 12);
    expect(shares.get('flat')).toBe(0);
    expect([...shares.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(6, 12);
  });
  test('what somebody hung holds its place; a wished bar is taken or refused', () => {
    const space = new Space(rack);
    const need = needOf(tee, 0.6, plainRules);
    space.hold('bars', need, [{ bar: 0, bars: 2, atM: 0, widthM: 0.6 }]);
    expect(space.take('bars', need, 0)).toBeNull();
    expect(space.take('bars', need, 4)?.[0]).toMatchObject({ bar: 4, bars: 2, atM: 0 });
    expect(hangAt(tee, 0.6, space, 'bars', house, 11)).toBe('no-room');
    expect(
      barsUsed([
        { bar: 0, bars: 2, atM: 0, widthM: 1 },
        { bar: 1, bars: 1, atM: 0, widthM: 1 },
      ]),
    ).toBe(2);
  });
  test('knits lie flat and are never put over bars to save room', () => {
    expect(positionsFor(wool)[0]).toBe('flat');
    expect(hangAt(wool, 0.6, new Space(rack), 'bars', house)).toBe('position');
    const spaces = [new Space({ ...rack, flatM2: 0 })];
    expect(hangUp(wool, 0.6, spaces, house).place).toBeNull();
  });
  test('shade for silk and deep colours, fuel outdoors only, nothing out into the rain', () => {
    const silk = profile('silk', { kind: 'silk_scarf', parts: only('silk'), traits: new Set(['woven']) });
    expect(whyNotAt(silk, balcony, positionsFor(silk)[0]!)).not.toBeNull();
    const white = profile('white', { kind: 'tea_towel', colours: [{ hex: '#ffffff', role: 'ground' }] });
    const place = (over: Partial<typeof mild>) =>
      hangUp(
        white,
        0.6,
        home.dryingPlaces.map((d) => new Space(d)),
        { ...house, outdoors: { ...mild, ...over } },
      ).place;
    expect(place({})).toBe('r2');
    expect(place({ wet: true })).toBe('r1');
    // Dark cloth wants the shade; with fuel in it the open air comes first.
    const overall = { kind: 'work_overall', colours: [{ hex: '#1b2340', role: 'ground' }] } as const;
    const sunny = { ...balcony, sun: true };
    expect(whyNotAt(profile('overall', overall), sunny, 'line')).toBe('shade');
    const fuelled = profile('fuelled', {
      ...overall,
      stains: [mark('fuel-diesel', { ageHours: 2 })],
    });
    expect(whyNotAt(fuelled, sunny, 'line')).toBeNull();
    expect(whyNotAt(fuelled, { ...sunny, outdoors: false }, 'line')).toBe('fuel-indoors');
  });
});

describe('first fit against the best there is, on small racks', () => {
  type Piece = readonly [kind: GarmentKind, bars: 1 | 2 | 3];
  /**
   * The most pieces any packing can place, by integer programming: each begins at one bar or stays out, and no bar is longer than it is. Pieces over several
   * bars may stand at different offsets on each, which no rack allows: a bound from above.
   */
  function most(list: readonly Piece[], bars: number, length: number): number {
    const names: string[] = [];
    const once: string[] = [];
    const onBar = Array.from({ length: bars }, (): string[] => []);
    list.forEach(([kind, over], p) => {
      const width = Math.min(length, kindFacts(kind).barLengthM + 0.03);
      const mine: string[] = [];
      for (let i = 0; i + over <= bars; i++) {
        const name = `x${p}_${i}`;
        mine.push(name);
        for (let b = i; b < i + over; b++) onBar[b]?.push(`${width} ${name}`);
      }
      if (mine.length > 0) once.push(`p${p}: ${mine.join(' + ')} <= 1`);
      names.push(...mine);
    });
    if (names.length === 0) return 0;
    const rows = onBar.flatMap((terms, b) =>
      terms.length > 0 ? [`b${b}: ${terms.join(' + ')} <= ${length + 1e-6}`] : [],
    );
    const text = `Maximize\n obj: ${names.join(' + ')}\nSubject To\n ${[...once, ...rows].join('\n ')}\nBinary\n ${names.join(' ')}\nEnd`;
    const solved = highs.solve(text);
    expect(solved.Status).toBe('Optimal');
    return Math.round(solved.ObjectiveValue);
  }
  const piece = fc.tuple(
    fc.constantFrom<GarmentKind>('tshirt', 'briefs', 'face_cloth', 'boxers', 'hand_towel', 'joggers', 'sport_tee'),
    fc.constantFrom<1 | 2 | 3>(1, 2, 3),
  );
  test('never more than the bound, and at least three quarters of it', () =>
    fc.assert(
      fc.property(
        fc.array(piece, { minLength: 3, maxLength: 12 }),
        fc.integer({ min: 2, max: 6 }),
        fc.double({ min: 0.8, max: 1.8, noNaN: true }),
        (list, bars, length) => {
          const space = new Space({ ...rack, bars, barLengthM: length });
          // Nothing folded over more bars for its width: the racks are as wide as the widest piece.
          const fitting = list.filter(([kind]) => kindFacts(kind).barLengthM <= length);
          const inOrder = [...fitting].sort(
            (a, b) => a[1] - b[1] || kindFacts(a[0]).barLengthM - kindFacts(b[0]).barLengthM,
          );
          const placed = inOrder.filter(([kind, barsEach]) =>
            space.take('bars', { kind, items: 1, barsEach, wetKg: 0.1, sizeFactor: 1 }),
          );
          const best = most(fitting, bars, length);
          expect(placed.length).toBeLessThanOrEqual(best);
          expect(placed.length).toBeGreaterThanOrEqual(Math.floor(0.75 * best));
        },
      ),
      { numRuns: 120 },
    ));
});

describe('how long', () => {
  test('one piece in moving air without a load is the formula, within 3 %', () => {
    const [piece] = hung([tee]);
    const alone = likely([piece!], { household: { ...home, room: { ...home.room, volumeM3: 1e6 } } })[0]!;
    const formula = dryingTimeHours('tshirt', tee.fibre, 0.63, 'bar2', {
      temperatureC: home.room.temperatureC,
      humidity: home.room.relativeHumidity,
      airSpeedMPerS: home.room.airSpeedMPerS,
      gapMm: 150,
    });
    expect(formula.ok && Math.abs(alone / formula.value - 1)).toBeLessThan(0.03);
  });
  test('more beside it never dries it faster, nor does damper air', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }), fc.double({ min: 0.3, max: 0.7, noNaN: true }), (n, humidity) => {
        const room = { ...home.room, relativeHumidity: humidity };
        const at = (h: number, pieces: number) =>
          likely(hung(Array.from({ length: pieces }, (_, i) => profile(`t${i}`))), {
            household: { ...home, room: { ...room, relativeHumidity: h } },
          })[0]!;
        expect(at(humidity, n + 1)).toBeGreaterThanOrEqual(at(humidity, n) - 1e-9);
        expect(at(Math.min(0.8, humidity + 0.1), n)).toBeGreaterThanOrEqual(at(humidity, n) - 0.1);
      }),
      { numRuns: 15 },
    ));
  test('a window, a fan, a dehumidifier: each helps a full rack, and the range is −25 % to +35 %', () => {
    const full = hung(Array.from({ length: 10 }, (_, i) => profile(`t${i}`)));
    const longest = (air: AirChoice) => Math.max(...likely(full, { air }));
    const asItIs = longest('as-it-is');
    for (const air of ['window', 'fan', 'dehumidifier'] as const) expect(longest(air)).toBeLessThan(asItIs);
    const { hours } = forecastDrying(full, surroundings()).pieces[0]!;
    expect(hours!.low / hours!.likely).toBeCloseTo(0.75, 9);
    expect(hours!.high / hours!.likely).toBeCloseTo(1.35, 9);
  });
  test('half-way through, the rest is what was left; a place that dries slower takes its factor', () => {
    const big = { ...home, room: { ...home.room, volumeM3: 1e6 } };
    const [piece] = hung([tee]);
    const whole = likely([piece!], { household: big })[0]!;
    const later = likely([piece!], { household: big, nowMs: now + (whole / 2) * hour })[0]!;
    expect(later).toBeCloseTo(whole / 2, 0);
    const slow = likely([piece!], {
      household: big,
      slowness: new Map([
        ['r1', 1.5],
        ['r2', 1.5],
      ]),
    })[0]!;
    expect(slow / whole).toBeCloseTo(1.5, 1);
  });
  test('the hours to a moisture are those after which the course has it', () => {
    const pieces = hung([tee, profile('t2')]);
    const later = forecastDrying(pieces, surroundings({ nowMs: now + 3 * hour })).pieces[0]!.moisture;
    expect(later).toBeLessThan(0.6);
    expect(hoursToMoisture(pieces, pieces[0]!.id, later, surroundings())).toBeCloseTo(3, 1);
    expect(hoursToMoisture(pieces, pieces[0]!.id, 0.0001, surroundings())).toBeNull();
    expect(hoursToMoisture(pieces, 'nobody', 0.3, surroundings())).toBeNull();
  });
  test('in frost, rain or saturated air nothing gets dry, and the answer is not a number', () => {
    const out = hung([tee], 0.63, { placement: { place: 'r2', position: 'line', spots: [] } });
    for (const weather of [
      { ...mild, wet: true },
      { ...mild, temperatureC: -2 },
      { ...mild, humidity: 0.96 },
    ])
      expect(likely(out, { outdoorAt: () => weather })[0]).toBe(Infinity);
    expect(likely(out)[0]).toBeLessThan(8);
  });
  test('in a heap it turns musty, on a rack it does not', () => {
    const heap = hung([tee], 0.63, { hungMs: null });
    const at = (pieces: HangingPiece[], h: number) =>
      forecastDrying(pieces, surroundings({ nowMs: now + h * hour })).pieces[0]!.mustyNow;
    expect(at(heap, 6)).toBeCloseTo(0.5, 1);
    expect(at(heap, 13)).toBeGreaterThan(1);
    expect(at(hung([tee]), 6)).toBeLessThan(0.25);
  });
  const item = (over: Partial<DryingItem> = {}): DryingItem => ({
    kind: 'tshirt',
    fibre: tee.fibre,
    x0: 0.6,
    layout: 'bar1',
    count: 1,
    towelG: 0,
    swapH: 0,
    turned: true,
    sunWPerM2: 0,
    absorptivity: 0.55,
    ...over,
  });
  const shut: DryingRoom = {
    temperatureC: 20,
    humidity: 0.5,
    airSpeedMPerS: 0.1,
    gapMm: 80,
    volumeM3: 30,
    airChangesPerH: 0.5,
    dehumidifierLPerDay: 0,
    dehumidifierSet: 0.45,
  };
  test('what is hung later dries later by as much, and keeps its water until then', () => {
    const lone = { ...shut, volumeM3: null };
    const [first] = courseOfDrying([item()], lone).hours;
    const later = courseOfDrying([item({ fromH: 5 })], lone, 4);
    expect(later.hours[0]! - first!).toBeCloseTo(5, 1);
    expect(later.moisture[0]).toBe(0.6);
  });
  test('lying wet before it hangs counts as damp, and an air in which nothing dries counts nothing', () => {
    const lone = { ...shut, volumeM3: null };
    const [at0] = courseOfDrying([item()], lone).dampHours;
    expect(at0!).toBeGreaterThan(3);
    expect(at0!).toBeLessThan(courseOfDrying([item()], lone).hours[0]!);
    expect(courseOfDrying([item({ fromH: 5 })], lone).dampHours[0]! - at0!).toBeCloseTo(5, 9);
    expect(courseOfDrying([item({ x0: 0.05, fromH: 5 })], lone).dampHours[0]).toBe(0);
    expect(courseOfDrying([item({ fromH: 5 })], { ...lone, humidity: 0.95 }).dampHours[0]).toBe(0);
  });
  test('nothing dries from 95 % humidity on, nor in frost', () => {
    const dries = (air: Partial<DryingRoom>): boolean =>
      courseOfDrying([item({ x0: 0.5, sunWPerM2: 300 })], { ...shut, volumeM3: null, ...air }, 2).moisture[0]! < 0.5;
    expect([dries({ humidity: 0.94 }), dries({ humidity: 0.95 })]).toEqual([true, false]);
    expect([dries({ temperatureC: 0 }), dries({ temperatureC: -0.1 })]).toEqual([true, false]);
  });
  test('each keeps its own course among others: shade beside sun, out of doors beside the room, cotton beside polyester', () => {
    const lone = { ...shut, volumeM3: null };
    const windy = () => ({ temperatureC: 18, humidity: 0.6, airSpeedMPerS: 2, wet: false });
    const room = { ...lone, outdoors: windy };
    const polyester = new Map([['polyester', 1]] as const);
    const all = [
      item(),
      item({ sunWPerM2: 500 }),
      item({ outdoors: true }),
      item({ fibre: polyester, x0: 0.3 }),
      item({ gapMm: 20 }),
      item({ fromH: 2 }),
    ];
    const alone = all.map((i) => courseOfDrying([i], room).hours[0]);
    expect(courseOfDrying(all, room).hours).toEqual(alone);
    expect(new Set(alone).size).toBe(all.length);
  });
  test('iron-damp comes before dry, and never for what was drier at the start', () => {
    const lone = { ...shut, volumeM3: null };
    const { hours, ironHours } = courseOfDrying([item({ dampForIron: 0.15 })], lone);
    expect(ironHours[0]!).toBeLessThan(hours[0]!);
    expect(courseOfDrying([item({ x0: 0.1, dampForIron: 0.15 })], lone).ironHours[0]).toBeNull();
    expect(courseOfDrying([item()], lone).ironHours[0]).toBeNull();
  });
  test('the told hours are the hours at which the cloth is as dry: between two steps for dry, at a step for the iron', () => {
    const lone = { ...shut, volumeM3: null };
    const at = (h: number): number => courseOfDrying([item({ dampForIron: 0.15 })], lone, h).moisture[0]!;
    const { hours, ironHours } = courseOfDrying([item({ dampForIron: 0.15 })], lone);
    const stepH = 300 / 3600;
    const iron = ironHours[0]!;
    expect(at(iron)).toBeLessThanOrEqual(0.15);
    expect(at(iron - stepH)).toBeGreaterThan(0.15);
    // At 20 °C and 50 % cotton is dry at 0.02 above what it keeps.
    const target = equilibriumMoisture(tee.fibre, 0.5) + 0.02;
    const before = Math.floor(hours[0]! / stepH) * stepH;
    const [wet, dry] = [at(before + 1e-9), at(before + stepH + 1e-9)];
    expect(wet).toBeGreaterThan(target);
    expect(dry).toBeLessThanOrEqual(target);
    expect(hours[0]!).toBeCloseTo(before + (stepH * (wet - target)) / (wet - dry), 6);
  });
  test('what hangs out of doors gives its water to no room', () => {
    const room = { ...shut, outdoors: () => ({ temperatureC: 20, humidity: 0.5, airSpeedMPerS: 1, wet: false }) };
    const inside = [item(), item()];
    const peak = (list: DryingItem[]): number => courseOfDrying(list, room).peakHumidity;
    expect(peak([...inside, item({ outdoors: true })])).toBeCloseTo(peak(inside), 9);
    expect(peak([...inside, item()])).toBeGreaterThan(peak(inside) + 0.01);
  });
  test('a full shut room stands over 70 % for hours, an open flat does not', () => {
    const load = Array.from({ length: 12 }, () => item({ count: 3 }));
    const { mouldHours } = courseOfDrying(load, shut);
    expect(mouldHours).toBeGreaterThan(4);
    expect(mouldHours).toBeLessThan(96);
    expect(courseOfDrying(load.slice(0, 2), { ...shut, volumeM3: 100 }).mouldHours).toBe(0);
  });
});

describe('learning a place', () => {
  const check = (found: 'dry' | 'damp' | 'weighed', hours: number, modelHours = 8) => ({ found, hours, modelHours });
  test('damp after its time is slower, dry before it faster, by three tenths of the ratio', () => {
    expect(learntSlowness([check('damp', 12)])).toBeCloseTo(1.15, 9);
    expect(learntSlowness([check('dry', 6)])).toBeCloseTo(0.925, 9);
    expect(learntSlowness([check('weighed', 8)])).toBe(1);
  });
  test('dry found late and damp found early say nothing; one odd hour says at most twice or half', () => {
    expect(learntSlowness([check('dry', 20), check('damp', 3)])).toBe(1);
    expect(learntSlowness([check('damp', 100)])).toBeCloseTo(1.3, 9);
    expect(learntSlowness([check('dry', 1)])).toBeCloseTo(0.85, 9);
    expect(learntSlowness([check('damp', 0.4, 0.1)])).toBe(1);
  });
});

describe('is it dry', () => {
  test('a known dry mass decides at once, on both sides of the limit', () => {
    const limit = 0.0585 + 0.04;
    expect(scaleVerdict(tee, 160 * (1 + limit - 0.005), 0.5, null).verdict).toBe('dry');
    expect(scaleVerdict(tee, 160 * (1 + limit + 0.005), 0.5, null).verdict).toBe('damp');
  });
  test('an estimated one asks for a second weighing; what loses no more is dry', () => {
    const guess = profile('guess', { weighedDryMassG: null });
    const g = guess.massKg * 1000 * 1.1;
    expect(scaleVerdict(guess, g, 0.5, null).verdict).toBe('weigh-again');
    expect(scaleVerdict(guess, g, 0.5, { massG: g + 0.3, minutesAgo: weighAgainMin }).verdict).toBe('dry');
    expect(scaleVerdict(guess, g, 0.5, { massG: g + 0.3, minutesAgo: weighAgainMin - 1 }).verdict).toBe('weigh-again');
    expect(scaleVerdict(guess, g, 0.5, { massG: g * 1.05, minutesAgo: 60 }).verdict).toBe('weigh-again');
    expect(scaleVerdict(guess, g * 1.5, 0.5, null).verdict).toBe('damp');
  });
  test('felt damp, it holds more than dry cloth, or what was estimated', () => {
    expect(feltDampMoisture(tee, 0.5, 0.05)).toBeCloseTo(0.0585 + 0.08, 3);
    expect(feltDampMoisture(tee, 0.5, 0.4)).toBe(0.4);
  });
  test('thick places by kind', () => {
    expect(thickPlacesOf(profile('j', { kind: 'jeans' }))).toEqual(['waistband', 'pockets']);
    expect(thickPlacesOf(profile('b', { kind: 'bath_towel' }))).toEqual(['hems', 'fold']);
  });
});

describe('helps and reminders', () => {
  test('what a kind asks for when it is hung', () => {
    expect(hangHelpsOf(profile('b', { kind: 'bath_towel' }), 'bars')).toContain('shake-hard');
    expect(hangHelpsOf(profile('s', { kind: 'dress_shirt', traits: new Set(['woven']) }), 'hanger')).toEqual(
      expect.arrayContaining(['pull-seams', 'shoulder-seams']),
    );
    expect(hangHelpsOf(wool, 'flat')).toContain('shape-flat');
    expect(hangHelpsOf(profile('k', { kind: 'sock_handknit_pair' }), 'bars')).toContain('sock-frame');
    expect(hangHelpsOf(profile('h', { kind: 'hat_knit' }), 'flat')).toContain('stuff-hat');
    expect(hangHelpsOf(profile('l', { traits: new Set(['lace']) }), 'flat')).toContain('lace-straight');
  });
  test('flat is turned every twelve hours while it is wet; folds from twenty hours on', () => {
    expect(dryHelpsOf(wool, 'flat', 30, 12).map((d) => d.atH)).toEqual([12, 24]);
    expect(dryHelpsOf(wool, 'flat', 12, 12)).toEqual([]);
    expect(dryHelpsOf(tee, 'bars', 20, 12)).toEqual([{ help: 'turn-fold', atH: 10 }]);
    expect(dryHelpsOf(tee, 'bars', 19.9, 12)).toEqual([]);
  });
  const localHour = (ms: number): number => (ms / hour) % 24;
  const clock: RackClock = {
    nowMs: now,
    quiet: [[22, 7]],
    localHour,
    monthOf: () => 5,
    takeInMs: null,
  };
  const reminded = (p: HangingPiece, over: Partial<RemindedPiece> = {}): RemindedPiece => ({
    ...p,
    forecast: forecastDrying([p], surroundings()).pieces[0]!,
    outdoors: false,
    marked: false,
    turnedMs: null,
    ...over,
  });
  test('a call in quiet hours comes before them; never before now', () => {
    const day = Date.UTC(2026, 4, 9);
    expect(outsideQuiet(day + 23 * hour, day + 8 * hour, [[22, 7]], localHour)).toBe(day + 22 * hour);
    expect(outsideQuiet(day + 27 * hour, day + 8 * hour, [[22, 7]], localHour)).toBe(day + 22 * hour);
    expect(outsideQuiet(day + 21 * hour, day + 8 * hour, [[22, 7]], localHour)).toBe(day + 21 * hour);
    expect(outsideQuiet(day + 27 * hour, day + 26 * hour, [[22, 7]], localHour)).toBe(day + 31 * hour);
    expect(afterQuiet(day + 27 * hour, [[22, 7]], localHour)).toBe(day + 31 * hour);
    expect(afterQuiet(day + 31 * hour, [[22, 7]], localHour)).toBe(day + 31 * hour);
  });
  test('a mark is looked at in daylight: at once by day, next morning by night', () => {
    const day = Date.UTC(2026, 4, 9);
    expect(whenLight(day + 12 * hour, localHour, () => 5)).toBe(day + 12 * hour);
    expect(whenLight(day + 23 * hour, localHour, () => 5)).toBe(day + 30 * hour);
    expect(whenLight(day + 2 * hour, localHour, () => 12)).toBe(day + 8.5 * hour);
  });
  test('what waits is hung up first; alike errands are one; a marked piece is not ironed damp', () => {
    const [a, b] = hung([profile('a'), profile('b')]);
    const list = remindersOf(
      [reminded(a!), reminded(b!, { marked: true }), reminded({ ...a!, id: 'w', hungMs: null })],
      clock,
    );
    expect(list[0]).toMatchObject({ task: 'hang-up', pieces: ['w'] });
    expect(list.filter((r) => r.task === 'feel')).toHaveLength(1);
    expect(list.find((r) => r.task === 'look-at-mark')?.pieces).toEqual([b!.id]);
  });
  test('turned in time, a flat piece is not called again for that turn; missed, it is due now', () => {
    const [flat] = hung([wool], 0.9);
    const later = { ...flat!, hungMs: now - 13 * hour };
    const forecast = {
      id: later.id,
      moisture: 0.5,
      hours: { low: 9, likely: 12, high: 16 },
      ironHours: null,
      mustyNow: 0,
      musty: 0,
    };
    const turns = (turnedMs: number | null) =>
      remindersOf([reminded(later, { forecast, turnedMs })], clock).filter((r) => r.task === 'turn-flat');
    expect(turns(null).map((r) => r.atMs)[0]).toBe(now);
    expect(turns(now - hour).map((r) => r.atMs)).toEqual([now + 11 * hour]);
  });
  test('outdoors it is taken in before the rain, unless it is dry by then', () => {
    const [a] = hung([tee]);
    const out = reminded({ ...a!, placement: { place: 'r2', position: 'line', spots: [] } }, { outdoors: true });
    const tasks = (takeInMs: number) => remindersOf([out], { ...clock, takeInMs }).map((r) => r.task);
    expect(tasks(now + 0.5 * hour)).toContain('take-in');
    expect(tasks(now + 90 * hour)).not.toContain('take-in');
  });
});

describe('a dryer load', () => {
  const dryer = { id: 'd1', name: 'Dryer', type: 'heat-pump' as const, maxLoadKg: 7, lowTemperature: true };
  const may = { ...plainRules, tumble: 'when-allowed' as const };
  const piece = (p: Profile, over: Partial<{ moisture: number; markOpen: boolean }> = {}) => ({
    id: p.garment.id,
    profile: profileOf(p.garment, may),
    moisture: 0.6,
    markOpen: false,
    ...over,
  });
  test('a mark that is not proven gone, fuel, wool, dripping cloth and the rule keep a piece out', () => {
    const open = profileOf(tee.garment, may);
    expect(whyStaysOut(open, 0.6, false, may)).toBeNull();
    expect(whyStaysOut(open, 0.6, true, may)).toBe('mark');
    expect(whyStaysOut(wool, 0.6, false, may)).toBe('label-or-cloth');
    expect(whyStaysOut(open, 0.9, false, may)).toBeNull();
    expect(whyStaysOut(open, 0.91, false, may)).toBe('too-wet');
    expect(whyStaysOut(tee, 0.6, false, plainRules)).toBe('house-rule');
  });
  test('stopped early, cloth is as damp as the time that was left', () => {
    expect(afterDryer(0.6, 0)).toBe(0.6);
    expect(afterDryer(0.6, 0.5)).toBeCloseTo(0.34, 9);
    expect(afterDryer(0.6, 1)).toBeCloseTo(0.08, 9);
    expect(afterDryer(0.6, 1.4)).toBeCloseTo(0.08, 9);
  });
  test('lowest heat, hours and kWh of the load; what finds no room is named', () => {
    const home7 = { ...home, rules: may };
    const run = dryerRun([piece(tee), piece(profile('t2')), piece(wool)], dryer, home7)!;
    expect(run.pieces).toEqual(['tee', 't2']);
    expect(run.out).toEqual([{ id: 'wool', why: 'label-or-cloth' }]);
    expect(run.low).toBe(true);
    // 0.32 kg · 0.52 = 0.166 kg of water: 0.12 + 0.36 · 1.1 · 0.166 kWh
    expect(run.energyKwh).toBeCloseTo(0.186, 3);
    expect(run.cost).toBeCloseTo(run.energyKwh * home.tariff.electricityPerKwh, 9);
    const small = dryerRun([piece(tee), piece(profile('t2'))], { ...dryer, maxLoadKg: 0.2 }, home7)!;
    expect(small.out).toEqual([{ id: 't2', why: 'no-room' }]);
    expect(dryerRun([piece(wool)], dryer, home7)).toBeNull();
  });
});
