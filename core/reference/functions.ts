/** The short formula labels of the reference cases, mapped to the core's functions. Arguments go by the names of the cases. */
import { bleedScore, stainDeltaE } from '../colour/bleed.ts';
import { colourClass, deltaE, hueDegrees, labOf, redFlag } from '../colour/colour.ts';
import { changeGrade, fadeDeltaE, halfGrade, shareVerdict, stainingGrade, stainingRating } from '../colour/grading.ts';
import {
  barsFor,
  convection,
  dryingTimeHours,
  equilibriumMoisture,
  evaporationRate,
  gapFactor,
  layouts,
  saturationPa,
  solarShare,
  tumbleRun,
  type DryingConditions,
  type DryingLayout,
} from '../drying/drying.ts';
import {
  apparentMoisture,
  coolingWaitMin,
  dampHours,
  moistureAfter,
  mustyIndex,
  vapourKgPerM3,
  wetSurfaceC,
} from '../drying/moisture.ts';
import { barMetres, flatNeedM2, gapBetweenMm, hangerCount, rackFit } from '../drying/rack.ts';
import { dryInRoom, type DryingItem, type DryingRoom } from '../drying/room.ts';
import { garmentKinds, kindFacts, type GarmentKind } from '../garment/kinds.ts';
import { garmentMassG, itemsMassKg, itemsVolumeL, sizeFactor, thicknessMm, wetMassG } from '../garment/mass.ts';
import { sizes } from '../model/garment.ts';
import { plateChangeMin, plateLimitC, plateWaitMin, skillFactor, sprayMl, wrinkleFactor } from '../pressing/ironing.ts';
import {
  feltingPercent,
  relaxationPercent,
  shrinkPercent,
  stretchTarget,
  totalShrinkPercent,
} from '../shrinkage/shrinkage.ts';
import { convertHardness, hardnessClass, hardnessUnits } from '../units/hardness.ts';
import {
  basinCoolingC,
  basinTauH,
  bathCare,
  bathCount,
  displacementL,
  heldAirLPerKg,
  hotWaterL,
  hoursToTemperature,
  residueMgPerL,
  reusedConcentration,
  rinsesNeeded,
  safeFillL,
  vesselL,
  type BathCare,
  type Build,
} from '../washing/basin.ts';
import {
  capMl,
  defaultDoseAmount,
  doseFromTable,
  halfMarkPercent,
  handDoseByKind,
  measuresMl,
  overdoseRinses,
  podCount,
  type HandDoseKind,
} from '../washing/dose.ts';
import {
  cleaningFactor,
  drumRows,
  drumVolumeL,
  fillClass,
  fillIndex,
  filledFromHeight,
  freeHeightMm,
  loadingRatioLPerKg,
  programmeMaxKg,
  type DrumRow,
} from '../washing/drum.ts';
import { modelKwh, modelWaterL, runCo2G, runMoney, tariffMoney, waterRows } from '../washing/energy.ts';
import {
  coolingSoak,
  halfLifeH,
  oxygenExposure,
  oxygenLeft,
  soakBaths,
  soakDoseG,
  soakLoads,
  stirCount,
  usefulHours,
} from '../washing/soak.ts';
import { moistureAfterSpin, moistureAfterTowelRolls, rpmForMoisture, spinClass, spinG } from '../washing/spin.ts';
import {
  rotationPieces,
  unitsAfterAiring,
  wearsAllowed,
  wearsBeforeWash,
  wearsBetween,
  wearUnits,
} from '../wear/wear.ts';
import {
  bad,
  dye,
  fibre,
  fibres,
  flagged,
  items,
  kind,
  list,
  num,
  numbers,
  optional,
  ReferenceInputError,
  rgb,
  rows,
  shrinkClass,
  soil,
  washes,
  word,
  type ReferenceInputs,
} from './inputs.ts';

type ReferenceValue = number | string | boolean | null;
type ReferenceFunction = (inputs: ReferenceInputs) => ReferenceValue;

const builds = Object.keys(heldAirLPerKg) as Build[];
const layoutNames = Object.keys(layouts) as DryingLayout[];
const drumRowNames = Object.keys(drumRows) as DrumRow[];
const radius = (i: ReferenceInputs): number => num(i, 'drum_d_m', 0.48) / 2;
const layout = (i: ReferenceInputs): DryingLayout => word(i, 'layout', layoutNames, kindFacts(kind(i)).layout);
const air = (i: ReferenceInputs, gapMm: number): DryingConditions => ({
  temperatureC: num(i, 'T', 20),
  humidity: num(i, 'RH', 0.5),
  airSpeedMPerS: num(i, 'u', 0.1),
  gapMm: num(i, 'gap_mm', gapMm),
  absorbedSunWPerM2: num(i, 'alpha', 0.55) * num(i, 'sun', 0) * (i.kind === undefined ? 0 : solarShare[layout(i)]),
  turned: flagged(i, 'flipped', true),
});
const dryerTypes = {
  vented: 'vented',
  condenser: 'condenser',
  heat_pump: 'heat-pump',
  washer_dryer: 'washer-dryer',
} as const;
const tumble = (i: ReferenceInputs) =>
  tumbleRun(
    dryerTypes[word(i, 'dtype', Object.keys(dryerTypes) as (keyof typeof dryerTypes)[])],
    num(i, 'dry_kg'),
    num(i, 'x0'),
    num(i, 'capacity_kg', 8),
    flagged(i, 'low_temp', false),
    num(i, 'x_end', 0.08),
  );
const room = (i: ReferenceInputs): DryingRoom => ({
  temperatureC: num(i, 'T', 20),
  humidity: num(i, 'RH', 0.5),
  airSpeedMPerS: num(i, 'u', 0.1),
  gapMm: num(i, 'gap_mm', 80),
  volumeM3: optional(i, 'volume_m3') ?? null,
  airChangesPerH: num(i, 'ach', 0.5),
  dehumidifierLPerDay: num(i, 'dehum_l_day', 0),
  dehumidifierSet: num(i, 'dehum_set', 0.45),
});
const dryingItem = (i: ReferenceInputs): DryingItem => ({
  kind: kind(i),
  fibre: fibres(i, 'fibre', kindFacts(kind(i)).physicalFibre),
  x0: num(i, 'x0'),
  layout: layout(i),
  count: num(i, 'count', 1),
  towelG: num(i, 'towel_g', 0),
  swapH: num(i, 'swap_h', 0),
  turned: flagged(i, 'flip', true),
  sunWPerM2: num(i, 'sun', 0),
  absorptivity: num(i, 'alpha', 0.55),
});
const dryingItems = (i: ReferenceInputs): DryingItem[] =>
  list(i, 'items').map((x) => dryingItem((x ?? {}) as ReferenceInputs));
const value = (r: { ok: true; value: number } | { ok: false }): number | null => (r.ok ? r.value : null);
const dimension = (i: ReferenceInputs) => word(i, 'dim', ['length', 'width'] as const);

function basinVolume(i: ReferenceInputs): number {
  const h = num(i, 'h_cm');
  switch (word(i, 'shape', ['rect', 'taper', 'round', 'bucket', 'bath', 'sink'] as const)) {
    case 'rect':
      return vesselL.rect(h, num(i, 'l_cm'), num(i, 'w_cm'));
    case 'taper':
      return vesselL.taper(h, num(i, 'l1_cm') * num(i, 'w1_cm'), num(i, 'l2_cm') * num(i, 'w2_cm'));
    case 'round':
      return vesselL.round(h, num(i, 'd_cm'));
    case 'bucket':
      return vesselL.bucket(h, num(i, 'd1_cm'), num(i, 'd2_cm'));
    case 'bath':
      return vesselL.bath(h, num(i, 'l_cm'), num(i, 'w_cm'));
    case 'sink':
      return vesselL.sink(h, num(i, 'l_cm'), num(i, 'w_cm'));
  }
}
const wearKinds = Object.keys(wearsBeforeWash) as (keyof typeof wearsBeforeWash)[];
/** Wears by group, or by a garment kind that belongs to one. */
function wearsOf(i: ReferenceInputs): number {
  const group = wearKinds.find((k) => k === i.kind);
  if (group) return wearsBeforeWash[group];
  const k = kind(i);
  return wearsAllowed(k, kindFacts(k).physicalFibre === 'wool') ?? bad('kind: judged by soil, not by wears');
}
const perWear = (i: ReferenceInputs): number => {
  const activity = word(i, 'activity', ['rest', 'light', 'normal', 'active', 'sport'] as const, 'normal');
  return wearUnits(
    wearsOf(i),
    num(i, 'hours', 8),
    activity === 'active' ? 'sweaty' : activity,
    num(i, 'T', 20),
    word(i, 'layer', ['usual', 'over_base', 'bare_skin'] as const, 'usual'),
  );
};
/** The short kind names of the pressing table, each with the kind whose minutes stand for it. */
const pressedAs = {
  blouse: 'blouse_synthetic',
  trousers: 'chinos',
  skirt: 'skirt_light',
  dress: 'dress_light',
  sheet: 'sheet_single',
  duvet_cover: 'duvet_cover_single',
} as const satisfies Record<string, GarmentKind>;
const handkerchiefMin = 0.5;
function pressMinutesOf(k: unknown): number {
  if (k === 'handkerchief') return handkerchiefMin;
  const short = typeof k === 'string' && Object.hasOwn(pressedAs, k) ? pressedAs[k as keyof typeof pressedAs] : k;
  const kind = word({ items: short }, 'items', garmentKinds);
  return kindFacts(kind).ironMin ?? bad('items: is not pressed');
}

export const referenceFunctions: Readonly<Record<string, ReferenceFunction>> = {
  // 1 garment mass
  size_factor: (i) =>
    sizeFactor(
      word(i, 'size', sizes, 'M'),
      word(i, 'cut', ['unisex', 'men', 'women'] as const, 'unisex'),
      optional(i, 'height_cm') ?? null,
    ),
  garment_mass: (i) => {
    const gPerM2 = optional(i, 'gsm');
    const areaM2 = optional(i, 'area_m2');
    return garmentMassG(kind(i), {
      size: word(i, 'size', sizes, 'M'),
      cut: word(i, 'cut', ['unisex', 'men', 'women'] as const, 'unisex'),
      heightCm: optional(i, 'height_cm') ?? null,
      ...(gPerM2 === undefined ? {} : { gPerM2 }),
      ...(areaM2 === undefined ? {} : { areaM2 }),
    });
  },
  load_mass: (i) => itemsMassKg(items(i)),
  load_volume: (i) => itemsVolumeL(items(i)),
  thickness: (i) => thicknessMm(kind(i), num(i, 'gsm')),
  wet_mass: (i) => wetMassG(num(i, 'dry_g'), num(i, 'x')),
  // 2 drum
  drum_volume: (i) => drumVolumeL(num(i, 'rated_kg')),
  programme_max: (i) => programmeMaxKg(word(i, 'programme', drumRowNames), num(i, 'rated_kg')),
  fill_index: (i) => {
    const row = word(i, 'programme', drumRowNames);
    return fillIndex(
      num(i, 'mass_kg'),
      programmeMaxKg(row, num(i, 'rated_kg')),
      num(i, 'volume_l'),
      num(i, 'drum_l', drumVolumeL(num(i, 'rated_kg'))),
      drumRows[row].fillFraction,
    );
  },
  fill_class: (i) => fillClass(num(i, 'L')),
  loading_ratio: (i) => loadingRatioLPerKg(num(i, 'drum_l'), num(i, 'mass_kg')),
  free_height: (i) => freeHeightMm(num(i, 'phi'), num(i, 'D_mm')),
  fill_from_height: (i) => filledFromHeight(num(i, 'h_mm'), num(i, 'D_mm')),
  cleaning_factor: (i) => cleaningFactor(num(i, 'L')),
  // 3 spin
  spin_g: (i) => spinG(num(i, 'rpm'), radius(i)),
  rmc: (i) => moistureAfterSpin(fibres(i), num(i, 'rpm'), radius(i), optional(i, 't_s')),
  rpm_for_rmc: (i) => rpmForMoisture(fibres(i), num(i, 'target'), radius(i)),
  spin_class: (i) => spinClass(num(i, 'x')),
  towel_roll: (i) =>
    moistureAfterTowelRolls(
      fibres(i),
      num(i, 'x'),
      num(i, 'garment_g'),
      num(i, 'towel_g'),
      num(i, 'rolls', 1),
      word(i, 'press', ['hands', 'standing'] as const, 'hands'),
    ),
  // 4 drying
  psat: (i) => saturationPa(num(i, 'T')),
  rho_v: (i) => vapourKgPerM3(num(i, 'T'), num(i, 'RH')),
  h_conv: (i) => convection(num(i, 'u')),
  s_gap: (i) => gapFactor(num(i, 'gap_mm')),
  evap_g: (i) =>
    evaporationRate(num(i, 'T'), num(i, 'RH'), num(i, 'u', 0.1), num(i, 'gap_mm', 150), num(i, 'q', 0)) * 3.6e6,
  evap_ts: (i) => wetSurfaceC(num(i, 'T'), num(i, 'RH'), num(i, 'u', 0.1), num(i, 'gap_mm', 150), num(i, 'q', 0)),
  x_eq: (i) => equilibriumMoisture(fibres(i), num(i, 'RH')),
  dry_time: (i) =>
    value(
      dryingTimeHours(
        kind(i),
        fibres(i, 'fibre', kindFacts(kind(i)).physicalFibre),
        num(i, 'x0'),
        layout(i),
        air(i, 150),
        optional(i, 'gsm'),
      ),
    ),
  x_after: (i) =>
    moistureAfter(
      kind(i),
      fibres(i, 'fibre', kindFacts(kind(i)).physicalFibre),
      num(i, 'x0'),
      num(i, 'hours'),
      layout(i),
      air(i, 150),
    ),
  damp_hours: (i) =>
    dampHours(kind(i), fibres(i, 'fibre', kindFacts(kind(i)).physicalFibre), num(i, 'x0'), layout(i), air(i, 150)),
  dry_sim: (i) => dryInRoom([dryingItem(i)], { ...room(i), volumeM3: null }).hours[0] ?? null,
  dry_load_peak_rh: (i) => dryInRoom(dryingItems(i), room(i)).peakHumidity,
  dry_load: (i) => {
    const hours = dryInRoom(dryingItems(i), room(i)).hours;
    const index = num(i, 'index');
    if (!(index in hours)) throw new ReferenceInputError('index: no such item');
    return hours[index] ?? null;
  },
  musty_index: (i) =>
    mustyIndex(
      num(i, 'hours_damp'),
      num(i, 'T'),
      word(i, 'place', ['rack', 'heap', 'drum', 'bag'] as const, 'rack'),
      fibres(i, 'fibre', 'cotton'),
    ),
  apparent_x: (i) => apparentMoisture(num(i, 'x'), num(i, 'Tf'), num(i, 'Tr', 20)),
  cool_wait: (i) =>
    coolingWaitMin(
      num(i, 'Tf'),
      num(i, 'Tr', 20),
      word(i, 'spread', ['single', 'pile'] as const, 'pile'),
      num(i, 'dT', 5),
    ),
  tumble_water: (i) => tumble(i).waterKg,
  tumble_kwh: (i) => tumble(i).energyKwh,
  tumble_min: (i) => tumble(i).minutes,
  // 5 rack
  bars_for: (i) => barsFor(num(i, 'mass_g')),
  bar_metres: (i) => barMetres(items(i)),
  rack_fit: (i) => rackFit(num(i, 'n_bars'), num(i, 'length_m'), num(i, 'pitch_mm'), items(i)),
  gap_between: (i) => gapBetweenMm(num(i, 'pitch_mm'), num(i, 'thick_a'), num(i, 'thick_b'), num(i, 'layers', 4)),
  flat_need: (i) => flatNeedM2(items(i)),
  hanger_count: (i) => hangerCount(num(i, 'rail_m'), flagged(i, 'thick', false)),
  // 6 dose and hardness
  hardness: (i) =>
    value(convertHardness(num(i, 'value'), word(i, 'from', hardnessUnits), word(i, 'to', hardnessUnits))),
  hardness_class: (i) => hardnessClass(num(i, 'c')),
  dose_table: (i) =>
    doseFromTable(
      rows(i, 'table'),
      num(i, 'hard_mmol'),
      soil(i),
      num(i, 'load_kg'),
      num(i, 'ref_kg'),
      num(i, 'fixed', 0.35),
      num(i, 'conc', 1),
    ),
  dose_default: (i) =>
    defaultDoseAmount(
      word(i, 'form', ['liquid', 'liquid_2x', 'powder', 'powder_compact', 'wool_liquid'] as const),
      num(i, 'hard_mmol'),
      soil(i),
      num(i, 'load_kg'),
    ),
  hand_dose: (i) =>
    handDoseByKind(
      word(i, 'product', [
        'normal_liquid',
        'delicate_liquid',
        'no_rinse',
        'powder_g',
        'baby_shampoo',
      ] as const satisfies readonly HandDoseKind[]),
      num(i, 'litres'),
      soil(i),
    ),
  to_ml: (i) => num(i, 'value') * measuresMl[word(i, 'unit', Object.keys(measuresMl) as (keyof typeof measuresMl)[])],
  powder_g: (i) => num(i, 'ml') * num(i, 'density'),
  frustum_ml: (i) => capMl(num(i, 'r1_mm'), num(i, 'r2_mm'), num(i, 'H_mm'), num(i, 'h_mm')),
  half_mark: (i) => halfMarkPercent(num(i, 'vmin'), num(i, 'vmax'), num(i, 'rec')),
  overdose_rinses: (i) => overdoseRinses(num(i, 'oi'), num(i, 'mass_kg'), num(i, 'carry_x'), num(i, 'rinse_l')),
  pods: (i) => podCount(num(i, 'load_kg'), num(i, 'hard_mmol'), soil(i) === 2),
  // 7 basin
  basin_volume: basinVolume,
  displacement: (i) => displacementL(num(i, 'dry_kg'), fibres(i), word(i, 'build', builds, 'woven')),
  safe_fill: (i) => safeFillL(num(i, 'V_free_l'), num(i, 'dry_kg'), fibres(i), word(i, 'build', builds, 'woven')),
  bath_batches: (i) =>
    bathCount(
      num(i, 'dry_kg'),
      num(i, 'litres'),
      word(i, 'care', [...(Object.keys(bathCare) as BathCare[]), 'soak'] as const),
    ),
  residue: (i) => residueMgPerL(num(i, 'c0'), num(i, 'carry_l'), num(i, 'rinse_l'), num(i, 'n')),
  rinses_needed: (i) => rinsesNeeded(num(i, 'c0'), num(i, 'target'), num(i, 'carry_l'), num(i, 'rinse_l')),
  mix_hot: (i) => value(hotWaterL(num(i, 'V'), num(i, 'Tt'), num(i, 'Th'), num(i, 'Tc'))),
  basin_tau_h: (i) => basinTauH(num(i, 'V_l'), num(i, 'A_top'), num(i, 'A_side')),
  basin_temp: (i) => basinCoolingC(num(i, 'T0'), num(i, 'Ta'), num(i, 'tau_h'), num(i, 't_h')),
  time_to_temp: (i) => value(hoursToTemperature(num(i, 'T0'), num(i, 'Ta'), num(i, 'tau_h'), num(i, 'T1'))),
  reuse_conc: (i) => reusedConcentration(num(i, 'c0'), num(i, 'V'), rows(i, 'batches') as [number, number][]),
  // 8 energy
  wash_water: (i) => modelWaterL(word(i, 'prog', waterRows), num(i, 'm'), num(i, 'extra', 0)),
  wash_kwh: (i) =>
    modelKwh(word(i, 'prog', waterRows), num(i, 'm'), num(i, 'T'), num(i, 'Tin', 15), num(i, 'rpm', 1200)),
  load_cost: (i) => runMoney(num(i, 'kwh'), num(i, 'tariff'), num(i, 'water_l'), num(i, 'water_m3'), num(i, 'det', 0)),
  load_co2: (i) => runCo2G(num(i, 'kwh'), num(i, 'ef_g'), num(i, 'water_l'), num(i, 'det_g', 0)),
  tariff_cost: (i) =>
    tariffMoney(
      num(i, 'e_heat'),
      num(i, 'e_motor'),
      num(i, 'start_min'),
      num(i, 'dur_min'),
      rows(i, 'windows') as [number, number, number][],
      num(i, 'default'),
    ),
  // 9 shrinkage
  shrink_pct: (i) => shrinkPercent(num(i, 'before'), num(i, 'after')),
  relax_seq: (i) => relaxationPercent(shrinkClass(i), dimension(i), washes(i)),
  felt_seq: (i) => feltingPercent(shrinkClass(i), washes(i)),
  shrink_seq: (i) => totalShrinkPercent(shrinkClass(i), dimension(i), washes(i)),
  stretch_target: (i) => stretchTarget(num(i, 'before'), num(i, 'after'), num(i, 'emax')),
  // 10 colour
  lab_L: (i) => labOf(rgb(i)).lightness,
  lab_a: (i) => labOf(rgb(i)).a,
  lab_b: (i) => labOf(rgb(i)).b,
  delta_e: (i) => deltaE(labOf(rgb(i, 'a')), labOf(rgb(i, 'b'))),
  hue: (i) => hueDegrees(labOf(rgb(i))),
  stain_ssr: (i) => stainingRating(labOf(rgb(i, 'a')), labOf(rgb(i, 'b'))),
  ssr_grade: (i) => halfGrade(labOf(rgb(i, 'a')), labOf(rgb(i, 'b'))),
  stain_grade: (i) => stainingGrade(num(i, 'dE')),
  change_grade: (i) => changeGrade(num(i, 'dE')),
  colour_class: (i) => colourClass(labOf(rgb(i))),
  red_flag: (i) => redFlag(labOf(rgb(i))),
  share_verdict: (i) => shareVerdict(num(i, 'dE')),
  fade_de: (i) => fadeDeltaE(dye(i), washes(i)),
  bleed_score: (i) =>
    bleedScore(dye(i), num(i, 'L'), num(i, 'washes'), num(i, 'T'), num(i, 'minutes'), num(i, 'pH', 8)),
  stain_pred: (i) =>
    stainDeltaE(
      num(i, 'score'),
      dye(i),
      fibres(i, 'receiver'),
      num(i, 'L_recv'),
      num(i, 'donor_kg'),
      num(i, 'load_kg'),
    ),
  // 11 wear
  wear_units: perWear,
  air: (i) => unitsAfterAiring(num(i, 'u_total'), num(i, 'u_last'), fibre(i), num(i, 'hours')),
  wears_between: (i) =>
    wearsBetween(perWear({ ...i, hours: 8 }), fibre(i, 'fibre', 'cotton'), flagged(i, 'aired', false)),
  rotation: (i) =>
    rotationPieces(num(i, 'interval_d'), num(i, 'lead_d'), num(i, 'wears_per_day'), num(i, 'wears_between')),
  // 12 pressing
  iron_temp: (i) => plateLimitC(fibres(i)),
  iron_change: (i) => plateChangeMin(num(i, 'T1'), num(i, 'T2'), num(i, 'Ta', 20)),
  iron_wait: (i) => plateWaitMin(numbers(i, 'seq'), num(i, 'Ta', 20)),
  iron_minutes: (i) =>
    list(i, 'items').reduce<number>((sum, row) => {
      const [k, n] = Array.isArray(row) ? (row as unknown[]) : [];
      return sum + pressMinutesOf(k) * num({ count: n }, 'count');
    }, 0) *
    wrinkleFactor[word(i, 'wr', ['damp_shaken', 'normal', 'dry_creased'] as const, 'normal')] *
    skillFactor[word(i, 'sk', ['quick', 'normal', 'beginner'] as const, 'normal')],
  spray_ml: (i) => sprayMl(num(i, 'dry_g'), fibres(i), num(i, 'x')),
  // 13 soak
  soak_dose: (i) => soakDoseG(num(i, 'litres'), soil(i)),
  half_life: (i) => halfLifeH(num(i, 'T'), soil(i)),
  ox_remaining: (i) => oxygenLeft(num(i, 'T'), num(i, 't'), soil(i)),
  ox_exposure: (i) => oxygenExposure(num(i, 'c0'), num(i, 'T'), num(i, 't'), soil(i)),
  ox_cooling_c: (i) =>
    coolingSoak(num(i, 'c0'), num(i, 'T0'), num(i, 'Ta'), num(i, 'tau_h'), num(i, 't_h'), soil(i)).leftGPerL,
  ox_cooling_b: (i) =>
    coolingSoak(num(i, 'c0'), num(i, 'T0'), num(i, 'Ta'), num(i, 'tau_h'), num(i, 't_h'), soil(i)).exposure,
  soak_useful_h: (i) => usefulHours(num(i, 'T'), soil(i)),
  soak_split_baths: (i) =>
    soakBaths(num(i, 'dry_kg'), num(i, 'container_l'), fibre(i, 'fibre', 'cotton'), word(i, 'build', builds, 'knit')),
  soak_split_loads: (i) => soakLoads(num(i, 'dry_kg'), num(i, 'wash_max_kg', 4)),
  stirs: (i) => stirCount(num(i, 'hours'), num(i, 'every_min')),
};

/** The value of a case; what has no finite value is null. Throws ReferenceInputError for an unknown function or a bad argument. */
export function referenceValue(inputs: ReferenceInputs): ReferenceValue {
  const { fn } = inputs;
  const f = typeof fn === 'string' && Object.hasOwn(referenceFunctions, fn) ? referenceFunctions[fn] : undefined;
  if (!f)
    throw new ReferenceInputError(`fn: must be one of the ${Object.keys(referenceFunctions).length} known functions`);
  const result = f(inputs);
  return typeof result === 'number' ? (Number.isFinite(result) ? result + 0 : null) : result;
}
