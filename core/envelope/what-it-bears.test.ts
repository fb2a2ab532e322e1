/** What a piece bears, source by source: the words of its label, its fibres, its trims, its make, its marks and the rules of the house. */
import { describe, expect, test } from '@jest/globals';
import type { Phrase } from '../care-label/label.ts';
import type { TraitId } from '../construction/traits.ts';
import type { ColourTest, Garment } from '../model/garment.ts';
import { say } from '../message/message.ts';
import type { HouseRules } from '../model/household.ts';
import { garment, only, plainRules, washLabel } from '../testing/arbitrary.ts';
import { mark } from '../testing/mark.ts';
import type { CareFlag, EnvelopeParameter } from './envelope.ts';
import { clothNeeds, garmentEnvelope } from './garment-envelope.ts';

const dryer: Partial<HouseRules> = { tumble: 'when-allowed' };
const envelope = (change: Partial<Garment>, rules: Partial<HouseRules> = {}) =>
  garmentEnvelope(garment('g', change), { ...plainRules, ...dryer, ...rules });
const values = (change: Partial<Garment>, rules: Partial<HouseRules> = {}) => envelope(change, rules).envelope.values;
const sources = (change: Partial<Garment>, parameter: EnvelopeParameter) =>
  new Set(envelope(change).envelope.bounds.flatMap((b) => (b.parameter === parameter ? [b.source] : [])));
const traits = (...ids: TraitId[]) => new Set<TraitId>(ids);
const ground = (hex: string): Garment['colours'] => [{ hex, role: 'ground' }];
const white: Partial<Garment> = { colours: ground('#f7f7f4'), dye: 'undyed' };
const robust = washLabel(60, 'normal', { bleach: 'any', tumble: 'normal', iron: 'high' });
/** Cloth that nothing but the change under test limits. */
const sheet: Partial<Garment> = { kind: 'sheet_single', traits: traits('woven'), label: robust, ...white };

describe('words on the label', () => {
  const saying = (...phrases: Phrase[]): Partial<Garment> => ({ ...sheet, label: { ...robust, phrases } });
  test.each<[Phrase, EnvelopeParameter, unknown]>([
    ['wash-separately', 'company', 'alone'],
    ['wash-with-like-colours', 'company', 'like-colours'],
    ['no-softener', 'softener', false],
    ['dry-in-shade', 'shade', true],
    ['dry-away-from-heat', 'awayFromHeat', true],
    ['line-dry', 'dryPositions', new Set(['line', 'bars', 'hanger'])],
    ['dry-flat', 'dryPositions', new Set(['flat'])],
    ['iron-inside-out', 'ironInsideOut', true],
    ['do-not-iron-decoration', 'ironInsideOut', true],
    ['iron-with-press-cloth', 'pressCloth', true],
    ['steam-only', 'iron', 'none'],
    ['cool-iron', 'iron', 'low'],
  ])('%s', (phrase, parameter, limit) => {
    expect(values(saying(phrase))[parameter]).toEqual(limit);
    expect(values(sheet)[parameter]).not.toEqual(limit);
  });
  test.each<[Phrase, CareFlag]>([
    ['wash-inside-out', 'inside-out'],
    ['use-net', 'net'],
    ['reshape-while-damp', 'reshape'],
    ['do-not-soak', 'no-soak'],
  ])('%s', (phrase, flag) => {
    expect(values(saying(phrase)).flags.has(flag)).toBe(true);
    expect(values(sheet).flags.has(flag)).toBe(false);
  });
  test('no optical brightener: anything but a universal detergent', () => {
    expect(values(sheet).detergents.has('universal')).toBe(true);
    const without = values(saying('no-optical-brightener')).detergents;
    expect([without.has('universal'), without.has('colour')]).toEqual([false, true]);
  });
  test('washed apart the first time: until it was washed, or has earned its company', () => {
    const coloured = { ...saying('wash-separately-first'), colours: ground('#9bb7a8'), dye: 'reactive' } as const;
    expect(values({ ...coloured, washCount: 0 }).company).toBe('like-colours');
    expect(values({ ...coloured, washCount: 1 }).company).toBe('with-any');
    const catchers = ['2026-01-01', '2026-02-01'].map((at): ColourTest => ({
      kind: 'catcher',
      agent: 'water',
      grade: 5,
      at,
    }));
    expect(values({ ...coloured, washCount: 0, tests: catchers }).company).toBe('with-any');
  });
  test('symbols: heat, movement, bleach, dryer, iron, drying', () => {
    expect(values({ ...sheet, label: washLabel(40, 'mild') })).toMatchObject({
      maxTemperatureC: 40,
      maxAction: 'mild',
    });
    expect(values({ ...sheet, label: { ...robust, tumble: 'low' } }).tumble).toBe('low');
    expect(values(sheet).tumble).toBe('normal');
    const crossed = values({ ...sheet, label: { ...robust, bleach: 'none' } });
    expect([crossed.bleach, crossed.flags.has('no-bleach-detergent')]).toEqual(['none', true]);
    const oxygen = values({ ...sheet, label: { ...robust, bleach: 'oxygen' } });
    expect([oxygen.bleach, oxygen.flags.has('no-bleach-detergent')]).toEqual(['oxygen', false]);
    const flat = values({ ...sheet, label: { ...robust, dry: { position: 'flat', shade: true, drip: false } } });
    expect([[...flat.dryPositions], flat.shade]).toEqual([['flat'], true]);
    const line = values({ ...sheet, label: { ...robust, dry: { position: 'line', shade: false, drip: false } } });
    expect([line.dryPositions.has('flat'), line.dryPositions.has('bars'), line.shade]).toEqual([false, true, false]);
  });
});

describe('fibres', () => {
  test.each<[string, Partial<Garment>, Partial<ReturnType<typeof values>>]>([
    [
      'wool: no softener, away from heat, wool keeps its own spin',
      { parts: only('wool') },
      { softener: false, awayFromHeat: true },
    ],
    ['down: no softener', { parts: only('down-fill') }, { softener: false, bleach: 'none' }],
    ['silk: shade, no bleach', { parts: only('silk') }, { shade: true, bleach: 'none', softener: false }],
    ['an unknown fibre: no bleach', { parts: only('unknown') }, { bleach: 'none' }],
    ['angora: by hand alone', { parts: only('angora') }, { wet: 'hand' }],
    ['polyester: chlorine on white only by its label', { parts: only('polyester') }, { bleach: 'any' }],
    ['elastane: no chlorine', { parts: only('elastane', 10) }, { bleach: 'oxygen' }],
  ])('%s', (_, change, limits) => expect(values({ ...sheet, ...change })).toMatchObject(limits));
  test('cotton: chlorine on white, oxygen on colours', () => {
    expect(values(sheet).bleach).toBe('any');
    expect(values({ ...sheet, colours: ground('#2f6f6b'), dye: 'reactive' }).bleach).toBe('oxygen');
  });
  test('knitted wool lies flat, woven wool may hang; knitted silk lies, woven silk hangs', () => {
    const lies = (change: Partial<Garment>) => [...values({ ...sheet, label: null, ...change }).dryPositions];
    expect(lies({ kind: 'jumper_mid', parts: only('wool'), traits: traits('jersey-knit') })).toEqual(['flat']);
    expect(lies({ kind: 'scarf_fine', parts: only('wool'), traits: traits('woven') })).toContain('line');
    expect(lies({ kind: 'sheet_single', parts: only('silk'), traits: traits('jersey-knit') })).toEqual(['flat']);
    expect(lies({ kind: 'silk_blouse', parts: only('silk'), traits: traits('woven') })).not.toContain('flat');
  });
  test('without a symbol each limit is one step more careful, and told as assumed', () => {
    const bare = { ...sheet, label: null };
    expect(values(bare)).toMatchObject({ maxTemperatureC: 60, maxAction: 'mild', tumble: 'low', iron: 'medium' });
    for (const p of ['maxTemperatureC', 'maxAction', 'tumble', 'iron', 'bleach'] as const)
      expect([p, sources(bare, p).has('assumed')]).toEqual([p, true]);
    for (const p of ['maxTemperatureC', 'maxAction', 'tumble', 'iron', 'bleach'] as const)
      expect([p, sources(sheet, p).has('assumed')]).toEqual([p, false]);
    expect(values({ ...bare, parts: only('wool') }).woolSpinRpm).toBe(400);
    expect(values({ ...sheet, parts: only('wool'), label: washLabel(30, 'very-mild') }).woolSpinRpm).toBe(800);
  });
  test('a reading of four with oxygen bleach opens what a silent label closes; three and a half does not', () => {
    const tried = (grade: number) =>
      values({ ...sheet, label: null, tests: [{ kind: 'spot', agent: 'oxy-percarbonate', grade, at: '2026-01-01' }] });
    expect([tried(4).bleach, tried(3.5).bleach]).toEqual(['any', 'none']);
  });
});

describe('trims', () => {
  const trimmed = (fibre: Garment['parts'][number]['fibres'][number]['fibre']): Partial<Garment> => ({
    ...sheet,
    parts: [
      { role: 'shell', fibres: [{ fibre: 'cotton', percent: 100 }] },
      { role: 'trim', fibres: [{ fibre, percent: 100 }] },
    ],
  });
  test('leather: cool, mild, neither soak nor dryer', () => {
    const v = values(trimmed('leather'));
    expect(v).toMatchObject({ maxTemperatureC: 30, maxAction: 'mild', tumble: 'none', wet: 'machine' });
    expect(v.flags.has('no-soak')).toBe(true);
  });
  test('silk braid: no enzymes; metal yarn: into a net; acrylic: its own heat', () => {
    expect(values(trimmed('silk')).detergents.has('universal')).toBe(false);
    expect(values(trimmed('cotton')).detergents.has('universal')).toBe(true);
    expect(values(trimmed('metallic')).flags.has('net')).toBe(true);
    expect(values(trimmed('cotton')).flags.has('net')).toBe(false);
    expect(values(trimmed('acrylic')).maxTemperatureC).toBe(40);
    expect(sources(trimmed('acrylic'), 'maxTemperatureC').has('trim')).toBe(true);
  });
});

describe('make', () => {
  test.each<[string, Partial<Garment>, Partial<ReturnType<typeof values>>]>([
    ['a lining shifts above 400', { kind: 'coat', traits: traits('lined') }, { maxSpinRpm: 400, woolSpinRpm: 400 }],
    ['shirts crease above 800', { kind: 'dress_shirt' }, { maxSpinRpm: 800 }],
    ['skirts, too', { kind: 'skirt_light' }, { maxSpinRpm: 800 }],
    ['T-shirts keep their shape at 800', { kind: 'tshirt' }, { maxSpinRpm: 800 }],
    ['chinos get hard creases', { kind: 'chinos', use: 'clothes' }, { maxSpinRpm: 800 }],
    ['work trousers may crease', { kind: 'chinos', use: 'workshop' }, { maxSpinRpm: 1400 }],
    ['denim is cold by the rule', { kind: 'jeans', traits: traits('denim') }, { maxTemperatureC: 30, maxSpinRpm: 800 }],
    ['embroidery on cotton: mild', { traits: traits('embroidery') }, { maxAction: 'mild', maxSpinRpm: 1400 }],
    [
      'embroidery on silk: very mild, slow, no dryer',
      { parts: only('silk'), traits: traits('embroidery') },
      { maxAction: 'very-mild', maxSpinRpm: 400, tumble: 'none' },
    ],
  ])('%s', (_, change, limits) => expect(values({ ...sheet, ...change })).toMatchObject(limits));
  test('denim by its label, 60 at most; without a wash symbol 30', () => {
    const jeans = (label: Garment['label']) =>
      values({ ...sheet, kind: 'jeans', traits: traits('denim'), label }, { denim: 'label' }).maxTemperatureC;
    expect([jeans(washLabel(95)), jeans(washLabel(40)), jeans(null)]).toEqual([60, 40, 30]);
  });
  test('buttons open in the drum, those of raw denim closed', () => {
    const flags = (...ids: TraitId[]) => values({ ...sheet, kind: 'jeans', traits: traits(...ids) }).flags;
    expect([flags('buttons').has('buttons-open'), flags('buttons').has('buttons-closed')]).toEqual([true, false]);
    const raw = flags('buttons', 'denim-raw');
    expect([raw.has('buttons-open'), raw.has('buttons-closed')]).toEqual([false, true]);
    expect(flags().has('buttons-open')).toBe(false);
  });
  test('a print yields to a stated symbol, a net does not', () => {
    const printed = (label: Garment['label']) => values({ ...sheet, traits: traits('print'), label });
    expect([printed(robust).maxTemperatureC, printed(robust).tumble]).toEqual([60, 'normal']);
    expect([printed(null).maxTemperatureC, printed(null).tumble]).toEqual([40, 'none']);
    expect(values({ ...sheet, traits: traits('mesh') })).toMatchObject({ maxAction: 'very-mild', tumble: 'none' });
  });
  test('softener coats what drinks, wicks or works', () => {
    const soft = (change: Partial<Garment>) => values({ ...sheet, ...change }).softener;
    expect(soft({})).toBe(true);
    expect([soft({ use: 'towel' }), soft({ use: 'workshop' }), soft({ kind: 'sport_tee' })]).toEqual([
      false,
      false,
      false,
    ]);
    const synthetic = { parts: only('polyester') };
    expect([soft({ ...synthetic, use: 'kitchen' }), soft({ ...synthetic, use: 'floor' })]).toEqual([false, false]);
    expect([soft({ use: 'kitchen' }), soft({ ...synthetic, use: 'bed' })]).toEqual([true, true]);
    expect(soft({ stains: [mark('fuel-diesel')] })).toBe(false);
  });
});

describe('marks, soak and dye', () => {
  test('an open mark keeps it from dryer and iron; rust keeps it from bleach, loose dye from other colours', () => {
    expect(values({ ...sheet, stains: [mark('tea')] })).toMatchObject({ tumble: 'none', iron: 'none', bleach: 'any' });
    const rust = values({ ...sheet, stains: [mark('rust')] });
    expect([rust.bleach, rust.flags.has('no-bleach-detergent')]).toEqual(['none', true]);
    expect(values({ ...sheet, stains: [mark('dye-bleed')] }).company).toBe('like-colours');
    expect(values({ ...sheet, stains: [mark('tea')] }).company).toBe('with-any');
  });
  test('out of the soak: 40 °C, one rinse more, looked at before any heat', () => {
    const v = values({ ...sheet, soaked: true });
    expect(v).toMatchObject({ maxTemperatureC: 40, tumble: 'none', iron: 'none' });
    expect([v.flags.has('extra-rinse'), values(sheet).flags.has('extra-rinse')]).toEqual([true, false]);
  });
  test('fuel: no heat, one rinse more', () => {
    const v = values({ ...sheet, soil: 'hazardous' });
    expect([v.tumble, v.iron, v.flags.has('extra-rinse')]).toEqual(['none', 'none', true]);
  });
  test('a known bleeder and an untested strong colour: cold, with its own, with a catcher', () => {
    const dyed = { ...sheet, colours: ground('#1d2433'), dye: 'direct' } as const;
    for (const g of [
      {
        ...dyed,
        washCount: 9,
        tests: [{ kind: 'catcher' as const, agent: 'water' as const, grade: 3, at: '2026-01-01' }],
      },
      { ...dyed, washCount: 0, tests: [] },
    ]) {
      const v = values(g);
      expect([v.maxTemperatureC, v.company, v.flags.has('catcher')]).toEqual([30, 'like-colours', true]);
    }
    const proven = values({ ...dyed, washCount: 9, tests: [] });
    expect([proven.maxTemperatureC, proven.company, proven.flags.has('catcher')]).toEqual([60, 'with-any', false]);
  });
});

describe('each limit says why', () => {
  const reasons = (change: Partial<Garment>, parameter: EnvelopeParameter) =>
    envelope(change).envelope.bounds.flatMap((b) => (b.parameter === parameter ? [b.reason] : []));
  test('a mark is named by everything it forbids', () => {
    const rust = { ...sheet, stains: [mark('rust')] };
    expect(reasons(rust, 'bleach')).toContainEqual(say('stain.iron-bleach', { stain: 'rust' }));
    expect(reasons(rust, 'flags')).toContainEqual(say('stain.no-bleaching-detergent', { stain: 'rust' }));
    expect(reasons(rust, 'tumble')).toContainEqual(say('stain.no-dryer', { stain: 'rust' }));
    expect(reasons(rust, 'iron')).toContainEqual(say('stain.no-iron', { stain: 'rust' }));
    const blood = { ...sheet, label: washLabel(95), stains: [mark('blood-fresh', { failedRounds: 1 })] };
    const celsius = values(blood).maxTemperatureC;
    expect(celsius).toBe(30);
    expect(reasons(blood, 'maxTemperatureC')).toContainEqual(
      say('stain.sets-above', { stain: 'blood-fresh', celsius }),
    );
  });
  test('so is the soak', () => {
    const soaked = { ...sheet, soaked: true };
    expect(reasons(soaked, 'maxTemperatureC')).toContainEqual(say('stain.soaked', { celsius: 40 }));
    expect(reasons(soaked, 'flags')).toContainEqual(say('stain.soaked', { celsius: 40 }));
  });
  test('a fibre tells its share and its degrees', () =>
    expect(reasons({ ...sheet, parts: only('wool', 40) }, 'maxTemperatureC')).toContainEqual(
      say('fibre.temperature', { percent: 40, fibre: 'wool', celsius: 30 }),
    ));
  test('movement, spin and warmth by fibre and label', () => {
    const by = (parts: Garment['parts'], label: Garment['label']) => values({ ...sheet, parts, label });
    expect([by(only('wool'), robust).maxAction, by(only('cotton'), robust).maxAction]).toEqual(['very-mild', 'normal']);
    // A normal symbol lets linen spin faster than its fibre by itself.
    const linen = (label: Garment['label']) => by(only('linen'), label).maxSpinRpm;
    expect([linen(robust), linen(washLabel(60, 'mild')), linen(null)]).toEqual([1000, 800, 800]);
    expect(sources({ ...sheet, parts: only('cotton') }, 'maxAction').has('fibre')).toBe(false);
    expect(sources({ ...sheet, parts: only('cotton') }, 'tumble').size).toBe(0);
    // White cloth of a fibre that knows no white degrees is as careful as any of it.
    expect([by(only('viscose'), null).maxTemperatureC, by(only('wool'), null).maxTemperatureC]).toEqual([30, 30]);
    const sick = (fibre: 'viscose' | 'acrylic' | 'cotton') =>
      values({ ...sheet, label: null, hygiene: true, parts: only(fibre) }).maxTemperatureC;
    expect([sick('viscose'), sick('acrylic'), sick('cotton')]).toEqual([60, 40, 95]);
  });
});

describe('rules of the house', () => {
  test('wool by hand, dryer for towels alone or for nothing, careful skin, easy ironing, T-shirts flat', () => {
    const wool = { ...sheet, parts: only('wool'), label: washLabel(30, 'very-mild') };
    expect([values(wool).wet, values(wool, { wool: 'hand' }).wet]).toEqual(['machine', 'hand']);
    expect(values(sheet, { wool: 'hand' }).wet).toBe('machine');
    const towel = { ...sheet, kind: 'bath_towel' } as const;
    const tumbles = (tumble: HouseRules['tumble']) => [
      values(towel, { tumble }).tumble,
      values(sheet, { tumble }).tumble,
    ];
    expect(tumbles('when-allowed')).toEqual(['normal', 'normal']);
    expect(tumbles('towels')).toEqual(['normal', 'none']);
    expect(tumbles('never')).toEqual(['none', 'none']);
    const careful = values(sheet, { skin: 'careful' });
    expect([careful.softener, careful.flags.has('extra-rinse')]).toEqual([false, true]);
    const shirt = (shirtAim: HouseRules['shirtAim'], kind: Garment['kind']) =>
      values({ ...sheet, kind }, { shirtAim }).flags.has('lowest-spin');
    expect([shirt('easy-iron', 'dress_shirt'), shirt('normal', 'dress_shirt'), shirt('easy-iron', 'tshirt')]).toEqual([
      true,
      false,
      false,
    ]);
    const flat = (tshirtDrying: HouseRules['tshirtDrying'], kind: Garment['kind']) => [
      ...values({ ...sheet, kind }, { tshirtDrying }).dryPositions,
    ];
    expect(flat('flat', 'tshirt')).toEqual(['flat']);
    expect(flat('flat', 'dress_shirt')).not.toEqual(['flat']);
    expect(flat('bars', 'tshirt')).not.toEqual(['flat']);
  });
});

describe('what the cloth asks of its detergent', () => {
  const needs = (change: Partial<Garment>) => {
    const g = garment('g', { ...sheet, ...change });
    return clothNeeds(g, garmentEnvelope(g, plainRules).history);
  };
  test.each<[string, Partial<Garment>, string[]]>([
    ['white', {}, ['white']],
    ['wool', { parts: only('wool') }, ['wool-silk']],
    [
      'a shell that keeps water out',
      { parts: only('polyamide'), traits: traits('membrane'), colours: ground('#4fae8b'), dye: 'disperse' },
      ['waterproof', 'coloured'],
    ],
    ['nobody knows what', { parts: only('unknown') }, ['unknown']],
    ['down', { parts: only('down-fill') }, ['down']],
    ['lace', { traits: traits('lace') }, ['delicate']],
    ['raw indigo', { kind: 'jeans', traits: traits('denim-raw') }, ['raw-indigo']],
    ['viscose', { parts: only('viscose') }, ['soft']],
    ['a bra', { kind: 'bra', traits: traits() }, ['soft']],
    ['black', { colours: ground('#15151a'), dye: 'direct' }, ['dark']],
    ['a deep red is a colour', { colours: ground('#6d1020'), dye: 'direct' }, ['coloured']],
    ['green', { colours: ground('#4fae8b'), dye: 'reactive' }, ['coloured']],
  ])('%s', (_, change, list) => expect(needs(change)).toEqual(list));
  test('pale household linen is washed white from its third wash on, where its label bears bleach', () => {
    const pale = { colours: ground('#c5d6dc'), dye: 'vat', use: 'bed' } as const;
    const asks = (change: Partial<Garment>) => needs({ ...pale, ...change })[0];
    expect([asks({ washCount: 2 }), asks({ washCount: 3 })]).toEqual(['coloured', 'white']);
    expect(asks({ washCount: 3, label: { ...robust, bleach: 'none' } })).toBe('coloured');
    expect(asks({ washCount: 3, use: 'clothes', kind: 'tshirt' })).toBe('coloured');
  });
  test('stripes on white go with colours until their fifteenth wash', () => {
    const striped = (washCount: number) =>
      needs({ colours: [...ground('#f7f7f4'), { hex: '#1d2433', role: 'trim' }], dye: 'reactive', washCount })[0];
    expect([striped(14), striped(15)]).toEqual(['coloured', 'white']);
  });
});
