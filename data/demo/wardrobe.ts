/** The demo wardrobe: three flatmates, their own things and what they share. Everything here is made up. */
import type { GarmentInput } from '../garments.ts';
import type { BasketState } from '../schema.ts';

type Kind = GarmentInput['kind'];
type Traits = GarmentInput['traits'];
type Label = NonNullable<GarmentInput['label']>;
export interface DemoPiece {
  id: string;
  garment: GarmentInput;
  /** Washes so far, days between them, wears since the last. */
  history: { washes: number; everyDays: number; wears: number; tests?: readonly { kind: 'spot' | 'part' | 'catcher'; grade: number }[] };
  basket?: Partial<BasketState>;
  /** Needed so many days after the demo is loaded. */
  neededInDays?: number;
}

const machine = (maxC: 30 | 40 | 60 | 95, action: 'normal' | 'mild' | 'very-mild' = 'normal', rest: Partial<Label> = {}): Label =>
  ({ wash: { by: 'machine', maxC, action }, bleach: 'none', tumble: 'none', iron: 'medium', dryClean: 'none', ...rest });
const hand = (rest: Partial<Label> = {}): Label => ({ wash: { by: 'hand', maxC: 40 }, bleach: 'none', tumble: 'none', iron: 'low', dryClean: 'P', ...rest });
const household95: Label = machine(95, 'normal', { bleach: 'any', tumble: 'normal', iron: 'high' });
const household60: Label = machine(60, 'normal', { bleach: 'oxygen', tumble: 'normal', iron: 'high' });

type Fibres = string;
/** 'cotton 60 polyester 40' as a shell part; '| lining polyester 100' adds a part. */
function parts(text: Fibres): GarmentInput['parts'] {
  return text.split('|').map((part, i) => {
    const words = part.trim().split(' ');
    const role = i === 0 ? 'shell' : (words.shift() as 'lining' | 'filling' | 'trim');
    const fibres = [];
    for (let k = 0; k < words.length; k += 2) fibres.push({ fibre: words[k] as 'cotton', percent: Number(words[k + 1]) });
    return { role, fibres };
  });
}
/** '#hex' is the ground; 'print #hex' or 'trim #hex' follow. */
function colours(text: string): GarmentInput['colours'] {
  return text.split(',').map((c, i) => {
    const words = c.trim().split(' ');
    return { hex: words[words.length - 1] ?? '#ffffff', role: i === 0 ? 'ground' : (words[0] as 'print' | 'trim') };
  });
}

interface More { dye?: GarmentInput['dye']; size?: GarmentInput['size']; massG?: number; value?: number; history?: Partial<DemoPiece['history']>; basket?: Partial<BasketState>; neededInDays?: number }
/** Synthetics are labelled for a cool iron. */
const coolIron = (label: Label | null, fibres: Fibres): Label | null => (label?.iron === 'medium' && /polyester|polyamide|acrylic/.test(fibres) ? { ...label, iron: 'low' } : label);
function piece(id: string, owner: string, name: string, kind: Kind, fibres: Fibres, colour: string, traits: Traits, label: Label | null, more: More = {}): DemoPiece {
  return {
    id,
    garment: { name, owner, kind, size: more.size ?? 'M', parts: parts(fibres), traits, colours: colours(colour), dye: more.dye ?? 'reactive', label: coolIron(label, fibres), dryMassG: more.massG ?? null, valueEur: more.value ?? 20 },
    history: { washes: 12, everyDays: 9, wears: 0, ...more.history }, ...(more.basket ? { basket: more.basket } : {}), ...(more.neededInDays ? { neededInDays: more.neededInDays } : {}),
  };
}

const oat = '#d9c7a4';
const moss = '#7d8a5c';
const baker: DemoPiece[] = [
  piece('baker-jacket', 'Juna', 'Baker’s jacket', 'work_overall', 'cotton 100', '#f6f4ee', ['woven', 'buttons'], household95, { massG: 520, value: 45, dye: 'undyed', history: { washes: 46, everyDays: 4, wears: 2 }, basket: { soil: 'heavy', stains: [{ id: 's1', kind: 'cooking-grease', ageHours: 30, heatSet: false, place: 'right sleeve', sizeCm: 3 }] } }),
  piece('baker-jacket-2', 'Juna', 'Baker’s jacket, spare', 'work_overall', 'cotton 100', '#f5f3ec', ['woven', 'buttons'], household95, { massG: 520, value: 45, dye: 'undyed', history: { washes: 41, everyDays: 4 } }),
  piece('baker-apron', 'Juna', 'Baker’s apron', 'apron', 'cotton 100', '#f4f1ea', ['woven'], household95, { dye: 'undyed', history: { washes: 60, everyDays: 3, wears: 2 }, basket: { soil: 'heavy', stains: [{ id: 's1', kind: 'berry-juice', ageHours: 20, heatSet: false, place: 'front', sizeCm: 4 }] } }),
  piece('baker-apron-2', 'Juna', 'Striped apron', 'apron', 'cotton 100', '#efece2, print #3d5a80', ['woven', 'print'], household60, { history: { washes: 33, everyDays: 5, wears: 1 } }),
  piece('flour-trousers', 'Juna', 'Checked kitchen trousers', 'chinos', 'cotton 65 polyester 35', '#6d7280, print #d8d8d8', ['woven', 'zip'], machine(60, 'normal', { tumble: 'low' }), { history: { washes: 38, everyDays: 5, wears: 3 }, basket: { soil: 'heavy' } }),
  piece('juna-tee-white', 'Juna', 'White T-shirt', 'tshirt', 'cotton 100', '#f7f7f4', ['jersey-knit'], machine(60, 'normal', { bleach: 'oxygen', tumble: 'low', iron: 'high' }), { dye: 'undyed', history: { washes: 24, everyDays: 7, wears: 1 }, basket: { activity: 'sweaty' } }),
  piece('juna-tee-white-2', 'Juna', 'White T-shirt, pocket', 'tshirt', 'cotton 100', '#f5f5f0', ['jersey-knit'], machine(60, 'normal', { bleach: 'oxygen', tumble: 'low', iron: 'high' }), { dye: 'undyed', history: { washes: 21, everyDays: 7 } }),
  piece('juna-tee-berry', 'Juna', 'Berry T-shirt', 'tshirt', 'cotton 95 elastane 5', '#7c2946', ['jersey-knit'], machine(30), { history: { washes: 14, everyDays: 8, wears: 2 }, basket: {} }),
  piece('juna-camp-shirt', 'Juna', 'Sea-green camp shirt', 'dress_shirt', 'cotton 60 polyester 40', '#2f6f6b', ['woven', 'buttons'], machine(40, 'mild', { tumble: 'low' }), { value: 40, history: { washes: 12, everyDays: 9, wears: 2 }, basket: {} }),
  piece('juna-jeans', 'Juna', 'Washed jeans', 'jeans', 'cotton 98 elastane 2', '#4a6285', ['denim', 'zip', 'woven'], machine(40), { dye: 'indigo', value: 70, history: { washes: 18, everyDays: 20, wears: 5, tests: [{ kind: 'catcher', grade: 5 }, { kind: 'catcher', grade: 4.5 }] } }),
  piece('juna-lambswool', 'Juna', 'Grey lambswool jumper', 'jumper_mid', 'wool 100', '#8d9299', ['jersey-knit'], machine(30, 'very-mild', { phrases: ['dry-flat'], dryClean: 'P' }), { dye: 'acid', value: 85, history: { washes: 6, everyDays: 40, wears: 4 }, basket: { soil: 'none' } }),
  piece('juna-cardigan', 'Juna', 'Mohair cardigan, dusk', 'cardigan', 'mohair 60 wool 20 polyamide 20', '#c6a3a8', ['chunky-knit', 'buttons'], hand({ phrases: ['dry-flat', 'reshape-while-damp'] }), { dye: 'acid', value: 120, history: { washes: 4, everyDays: 60, wears: 9 } }),
  piece('juna-pyjama', 'Juna', 'Striped pyjamas', 'pyjama_set', 'cotton 100', '#e8e4dc, print #7a8fa6', ['woven', 'buttons', 'drawstring'], household60, { history: { washes: 20, everyDays: 10, wears: 5 } }),
  piece('juna-socks', 'Juna', 'Work socks, three pairs', 'sock_crew_pair', 'cotton 80 polyamide 18 elastane 2', '#33373f', ['jersey-knit'], machine(40), { massG: 190, history: { washes: 30, everyDays: 6, wears: 1 } }),
  piece('juna-bra', 'Juna', 'Soft bra, rose', 'bra', 'polyamide 80 elastane 20', '#d9a5a0', ['moulded-cups', 'hooks', 'elastic'], hand(), { value: 35, history: { washes: 16, everyDays: 7, wears: 3 } }),
  piece('juna-briefs', 'Juna', 'Cotton briefs, week', 'briefs', 'cotton 95 elastane 5', '#e9dfd2', ['jersey-knit'], machine(60), { massG: 300, dye: 'reactive', history: { washes: 36, everyDays: 7 }, basket: {} }),
  piece('juna-down', 'Juna', 'Down jacket, slate', 'down_jacket', 'polyamide 100 | filling down-fill 100', '#41505f', ['down', 'quilted', 'zip'], machine(30, 'mild', { tumble: 'low', iron: 'none' }), { value: 180, history: { washes: 2, everyDays: 200, wears: 14 } }),
  piece('juna-scarf', 'Juna', 'Silk scarf, weld', 'silk_scarf', 'silk 100', '#e3c35b', ['woven'], hand({ phrases: ['dry-in-shade'] }), { dye: 'acid', value: 45, history: { washes: 3, everyDays: 80, wears: 6 } }),
  piece('juna-suede', 'Juna', 'Suede belt', 'other', 'suede 100', '#5a4334', ['hard-buckle'], { wash: { by: 'none' }, phrases: ['professional-leather'] }, { massG: 160, value: 40, dye: 'unknown', history: { washes: 0, everyDays: 0, wears: 30 } }),
];

const dancer: DemoPiece[] = [
  piece('dance-sash', 'Tovi', 'Red woven sash', 'sash', 'wool 100', '#a3222f', ['woven'], null, { dye: 'natural', value: 60, massG: 140, history: { washes: 1, everyDays: 30, wears: 16 }, basket: { soil: 'normal', activity: 'sweaty' }, neededInDays: 2 }),
  piece('dance-shirt', 'Tovi', 'Linen dance shirt', 'linen_shirt', 'linen 100', '#f3efe4', ['woven', 'buttons', 'embroidery'], machine(60, 'mild', { bleach: 'oxygen', iron: 'high' }), { dye: 'undyed', value: 90, history: { washes: 14, everyDays: 14, wears: 2 }, basket: { activity: 'sweaty', stains: [{ id: 's1', kind: 'collar-cuff', ageHours: 40, heatSet: false, place: 'collar', sizeCm: 8 }] } }),
  piece('dance-waistcoat', 'Tovi', 'Embroidered wool waistcoat', 'waistcoat', 'wool 100 | lining cotton 100', '#2d3142, trim #b5342c, trim #d8a92f', ['embroidery', 'lined', 'buttons', 'structured'], { wash: { by: 'none' }, bleach: 'none', tumble: 'none', iron: 'low', dryClean: 'P', phrases: ['dry-clean-only'] }, { dye: 'acid', value: 190, history: { washes: 0, everyDays: 0, wears: 11 } }),
  piece('dance-apron', 'Tovi', 'Lace apron', 'apron', 'cotton 100', '#faf8f2', ['lace', 'heirloom'], null, { dye: 'undyed', value: 110, massG: 90, history: { washes: 0, everyDays: 0, wears: 5 }, basket: { soil: 'normal' } }),
  piece('dance-stockings', 'Tovi', 'White knitted stockings', 'sock_handknit_pair', 'wool-superwash 75 polyamide 25', '#efe9dc', ['hand-knit'], machine(40, 'mild', { phrases: ['dry-flat'] }), { dye: 'undyed', value: 30, history: { washes: 9, everyDays: 14, wears: 1 } }),
  piece('dance-skirt', 'Tovi', 'Pleated dance skirt', 'skirt_pleated', 'polyester 100', '#24405c', ['pleated', 'zip', 'woven'], machine(30, 'very-mild', { iron: 'low' }), { dye: 'disperse', value: 75, history: { washes: 7, everyDays: 21, wears: 3 } }),
  piece('tovi-tee-black', 'Tovi', 'Black T-shirt', 'tshirt', 'cotton 100', '#1d1e21', ['jersey-knit'], machine(40), { history: { washes: 40, everyDays: 6, wears: 2, tests: [{ kind: 'catcher', grade: 5 }, { kind: 'catcher', grade: 5 }] }, basket: {} }),
  piece('tovi-tee-plum', 'Tovi', 'Plum rib top', 'tee_long_sleeve', 'cotton 92 elastane 8', '#6b3550', ['jersey-knit'], machine(40, 'mild'), { history: { washes: 11, everyDays: 8, wears: 2 }, basket: {} }),
  piece('tovi-skirt-grey', 'Tovi', 'Grey skirt', 'skirt_light', 'viscose 60 polyester 40', '#8b8d94', ['woven', 'zip'], machine(30, 'mild'), { value: 50, history: { washes: 8, everyDays: 12, wears: 5 }, basket: {} }),
  piece('tovi-cord', 'Tovi', 'Walnut cord trousers', 'chinos', 'cotton 98 elastane 2', '#4b3a2e', ['corduroy', 'zip'], machine(40, 'mild'), { value: 60, history: { washes: 9, everyDays: 15, wears: 4 } }),
  piece('tovi-raw-jeans', 'Tovi', 'Raw indigo jeans', 'jeans_raw_heavy', 'cotton 100', '#232b47', ['denim-raw', 'buttons', 'studs'], machine(30, 'normal', { phrases: ['wash-separately', 'wash-inside-out'] }), { dye: 'indigo', value: 130, size: 'L', history: { washes: 0, everyDays: 0, wears: 48 } }),
  piece('tovi-silk-blouse', 'Tovi', 'Ivory silk blouse', 'silk_blouse', 'silk 100', '#f2ead8', ['woven', 'buttons'], hand({ phrases: ['dry-in-shade', 'iron-inside-out'] }), { dye: 'undyed', value: 95, history: { washes: 5, everyDays: 30, wears: 2 } }),
  piece('tovi-merino', 'Tovi', 'Navy merino jumper', 'jumper_fine', 'wool 100', '#2b3350', ['jersey-knit'], machine(30, 'very-mild', { phrases: ['dry-flat'] }), { dye: 'acid', value: 90, history: { washes: 8, everyDays: 30, wears: 11, tests: [{ kind: 'catcher', grade: 5 }, { kind: 'catcher', grade: 4.5 }] }, basket: { soil: 'light' } }),
  piece('tovi-base', 'Tovi', 'Merino base layer', 'base_layer_wool', 'wool 87 polyamide 13', '#4d5a52', ['jersey-knit'], machine(30, 'very-mild', { phrases: ['dry-flat'] }), { dye: 'acid', value: 70, history: { washes: 13, everyDays: 12, wears: 5, tests: [{ kind: 'catcher', grade: 5 }, { kind: 'catcher', grade: 5 }] }, basket: { soil: 'normal', activity: 'sweaty' }, neededInDays: 2 }),
  piece('tovi-cashmere', 'Tovi', 'Cashmere jumper, oatmeal', 'cashmere_jumper', 'cashmere 100', '#d4c4ab', ['jersey-knit'], hand({ phrases: ['dry-flat', 'reshape-while-damp'] }), { dye: 'acid', value: 160, history: { washes: 3, everyDays: 70, wears: 6 } }),
  piece('tovi-dress', 'Tovi', 'Summer dress, poppies', 'dress_light', 'viscose 100', '#efe6d5, print #b63a2e', ['woven', 'print'], machine(30, 'mild'), { value: 55, history: { washes: 10, everyDays: 12, wears: 1 } }),
  piece('tovi-tights', 'Tovi', 'Black tights', 'tights', 'polyamide 88 elastane 12', '#222226', ['jersey-knit', 'elastic'], hand(), { history: { washes: 15, everyDays: 6, wears: 1 } }),
  piece('tovi-pyjama', 'Tovi', 'Flannel nightdress', 'nightdress', 'cotton 100', '#9aa7b8', ['woven'], machine(60, 'normal', { tumble: 'low' }), { history: { washes: 18, everyDays: 10, wears: 3 } }),
  piece('tovi-briefs', 'Tovi', 'Modal briefs, week', 'briefs', 'modal 92 elastane 8', '#5f6f86', ['jersey-knit'], machine(40), { massG: 260, history: { washes: 28, everyDays: 7 } }),
  piece('tovi-silk', 'Tovi', 'Plum silk scarf', 'silk_scarf', 'silk 100', '#5b2a4f', ['woven'], { wash: { by: 'none' }, bleach: 'none', tumble: 'none', iron: 'low', dryClean: 'P', phrases: ['dry-clean-only'] }, { massG: 70, dye: 'acid', value: 38, history: { washes: 0, everyDays: 0, wears: 9 } }),
  piece('tovi-coat', 'Tovi', 'Wool coat, charcoal', 'coat', 'wool 80 polyamide 20 | lining viscose 100', '#35373c', ['woven', 'lined', 'structured', 'buttons'], { wash: { by: 'none' }, bleach: 'none', tumble: 'none', iron: 'medium', dryClean: 'P', phrases: [] }, { dye: 'acid', value: 240, history: { washes: 0, everyDays: 0, wears: 22 } }),
];

const cyclist: DemoPiece[] = [
  piece('ren-jersey-lime', 'Ren', 'Lime cycling jersey', 'sport_tee', 'polyester 90 elastane 10', '#b9cf3a', ['wicking', 'zip', 'jersey-knit'], machine(30, 'mild', { iron: 'none', phrases: ['no-softener'] }), { dye: 'disperse', value: 60, history: { washes: 26, everyDays: 4, wears: 1 }, basket: { activity: 'sweaty', soil: 'normal' } }),
  piece('ren-jersey-blue', 'Ren', 'Blue cycling jersey', 'sport_tee', 'polyester 92 elastane 8', '#2e5fa3', ['wicking', 'zip', 'jersey-knit'], machine(30, 'mild', { iron: 'none', phrases: ['no-softener'] }), { dye: 'disperse', value: 60, history: { washes: 22, everyDays: 4 } }),
  piece('ren-bib', 'Ren', 'Cycling shorts, black', 'sport_shorts', 'polyamide 78 elastane 22', '#1f2023', ['wicking', 'elastic', 'padded'], machine(30, 'mild', { iron: 'none', phrases: ['no-softener', 'wash-inside-out'] }), { dye: 'acid', value: 80, history: { washes: 30, everyDays: 4, wears: 1 }, basket: { activity: 'sweaty', soil: 'normal' } }),
  piece('ren-shell', 'Ren', 'Rain shell, rust', 'rain_jacket', 'polyamide 100', '#a8552f', ['waterproof', 'membrane', 'zip'], machine(30, 'mild', { tumble: 'low', iron: 'none', phrases: ['no-softener'] }), { dye: 'acid', value: 170, history: { washes: 4, everyDays: 60, wears: 12 } }),
  piece('ren-swimsuit', 'Ren', 'Swim shorts, teal', 'swim_shorts', 'polyester 100', '#1f7f84', ['drawstring', 'woven'], machine(30, 'mild', { iron: 'none' }), { dye: 'disperse', value: 30, history: { washes: 19, everyDays: 5, wears: 1 } }),
  piece('ren-swim-towel', 'Ren', 'Swim towel, blue', 'bath_towel', 'cotton 100', '#49719c', ['terry'], household60, { history: { washes: 25, everyDays: 5, wears: 3 } }),
  piece('ren-overall', 'Ren', 'Workshop overall', 'work_overall', 'cotton 65 polyester 35', '#3c4a5a', ['woven', 'zip', 'studs'], machine(60, 'normal', { tumble: 'low' }), { value: 50, history: { washes: 8, everyDays: 30, wears: 3 } }),
  piece('ren-tee-slate', 'Ren', 'Slate work T-shirt', 'tshirt_heavy', 'cotton 100', '#4a5568', ['jersey-knit'], machine(40), { history: { washes: 28, everyDays: 6, wears: 2 }, basket: { stains: [{ id: 's1', kind: 'engine-oil', ageHours: 48, heatSet: false, place: 'hem', sizeCm: 2 }] } }),
  piece('ren-hoodie', 'Ren', 'Ink hoodie', 'hoodie', 'cotton 80 polyester 20', '#2a3047', ['jersey-knit', 'drawstring'], machine(40, 'normal', { tumble: 'low' }), { value: 50, size: 'L', history: { washes: 16, everyDays: 14, wears: 5, tests: [{ kind: 'catcher', grade: 4.5 }, { kind: 'catcher', grade: 5 }] } }),
  piece('ren-chinos', 'Ren', 'Stone chinos', 'chinos', 'cotton 97 elastane 3', '#b7a88c', ['woven', 'zip'], machine(40), { value: 55, size: 'L', history: { washes: 15, everyDays: 12, wears: 4 } }),
  piece('ren-jeans', 'Ren', 'Black jeans', 'jeans', 'cotton 99 elastane 1', '#26272b', ['denim', 'zip', 'woven'], machine(40), { dye: 'sulphur', value: 65, size: 'L', history: { washes: 2, everyDays: 25, wears: 8 } }),
  piece('ren-oxford', 'Ren', 'White oxford shirt', 'dress_shirt', 'cotton 100', '#f4f5f5', ['woven', 'buttons'], machine(60, 'normal', { bleach: 'oxygen', iron: 'high' }), { dye: 'undyed', value: 45, size: 'L', history: { washes: 22, everyDays: 12, wears: 1 } }),
  piece('ren-flannel', 'Ren', 'Red check flannel', 'flannel_shirt', 'cotton 100', '#8e2f2c, print #22252c', ['woven', 'buttons'], machine(40), { value: 40, size: 'L', history: { washes: 1, everyDays: 14, wears: 2 } }),
  piece('ren-fleece', 'Ren', 'Moss fleece', 'fleece_jacket', 'polyester 100', '#5d6b48', ['fleece', 'zip'], machine(30, 'mild', { iron: 'none', phrases: ['no-softener'] }), { dye: 'disperse', value: 60, size: 'L', history: { washes: 10, everyDays: 25, wears: 6 } }),
  piece('ren-boxers', 'Ren', 'Boxers, week', 'boxers', 'cotton 95 elastane 5', '#55606e', ['jersey-knit'], machine(60), { massG: 420, history: { washes: 31, everyDays: 7, wears: 1 }, basket: {} }),
  piece('ren-socks', 'Ren', 'Cycling socks, four pairs', 'sock_ankle_pair', 'polyamide 60 cotton 36 elastane 4', '#e2e2df', ['jersey-knit', 'wicking'], machine(40, 'mild'), { massG: 150, history: { washes: 27, everyDays: 5, wears: 1 }, basket: { activity: 'sweaty' } }),
  piece('ren-beanie', 'Ren', 'Acrylic beanie', 'hat_knit', 'acrylic 100', '#7a3f2b', ['chunky-knit'], machine(30, 'mild'), { history: { washes: 3, everyDays: 60, wears: 9 } }),
  piece('ren-gloves', 'Ren', 'Wool gloves', 'gloves_knit_pair', 'wool 70 acrylic 30', '#3b3f45', ['jersey-knit'], hand(), { dye: 'acid', history: { washes: 2, everyDays: 90, wears: 10 } }),
];

const shared: DemoPiece[] = [
  piece('towel-oat-1', 'Flat', 'Bath towel, oat', 'bath_towel', 'cotton 100', oat, ['terry'], household60, { dye: 'vat', history: { washes: 34, everyDays: 8, wears: 4 }, basket: { soil: 'light' } }),
  piece('towel-oat-2', 'Flat', 'Bath sheet, oat', 'bath_sheet', 'cotton 100', oat, ['terry'], household60, { dye: 'vat', history: { washes: 30, everyDays: 8, wears: 4 }, basket: { soil: 'light' } }),
  piece('towel-moss', 'Flat', 'Bath towel, moss', 'bath_towel', 'cotton 100', moss, ['terry'], household60, { dye: 'vat', history: { washes: 29, everyDays: 8, wears: 3 } }),
  piece('towel-hand-1', 'Flat', 'Hand towels, two', 'hand_towel', 'cotton 100', '#cfd6d2', ['terry'], household60, { massG: 500, dye: 'vat', history: { washes: 32, everyDays: 5, wears: 3 }, basket: {} }),
  piece('face-cloths', 'Flat', 'Face cloths, four', 'face_cloth', 'cotton 100', '#f0ede4', ['terry'], household95, { massG: 180, dye: 'undyed', history: { washes: 40, everyDays: 5, wears: 2 }, basket: {} }),
  piece('bath-mat', 'Flat', 'Bath mat', 'bath_mat', 'cotton 100', '#8c7f70', ['terry', 'rubber-backed'], machine(40), { dye: 'vat', history: { washes: 12, everyDays: 14, wears: 10 } }),
  piece('sheet-double', 'Flat', 'Linen double sheet', 'sheet_double', 'linen 100', '#e6dfd0', ['woven'], machine(60, 'normal', { bleach: 'oxygen', tumble: 'low', iron: 'high' }), { dye: 'undyed', value: 80, history: { washes: 26, everyDays: 12, wears: 6 } }),
  piece('duvet-cover', 'Flat', 'Duvet cover, tide', 'duvet_cover_double', 'cotton 100', '#b4c5cf', ['woven', 'buttons'], household60, { value: 60, history: { washes: 22, everyDays: 14, wears: 7 } }),
  piece('pillowcases', 'Flat', 'Pillowcases, four', 'pillowcase', 'cotton 100', '#f1efe8', ['woven'], household95, { massG: 510, dye: 'undyed', history: { washes: 30, everyDays: 10, wears: 5 } }),
  piece('sheet-single', 'Flat', 'Single sheet, white', 'sheet_single', 'cotton 100', '#f5f4ef', ['woven'], household95, { dye: 'undyed', history: { washes: 28, everyDays: 12, wears: 4 } }),
  piece('tea-towels', 'Flat', 'Tea towels, four', 'tea_towel', 'cotton 55 linen 45', '#e9e3d3, print #8a3b32', ['woven'], household60, { massG: 280, dye: 'vat', history: { washes: 50, everyDays: 5, wears: 3 }, basket: { soil: 'heavy' } }),
  piece('tablecloth', 'Flat', 'Tablecloth, natural', 'tablecloth', 'linen 100', '#ddd3bf', ['woven'], machine(60, 'normal', { iron: 'high', bleach: 'oxygen' }), { dye: 'undyed', value: 60, history: { washes: 10, everyDays: 30, wears: 2 } }),
  piece('curtain', 'Flat', 'Kitchen curtain', 'curtain_panel', 'polyester 70 cotton 30', '#c9b98f', ['woven'], machine(30, 'mild'), { history: { washes: 3, everyDays: 150, wears: 0 } }),
];

export const demoWardrobe: readonly DemoPiece[] = [...baker, ...dancer, ...cyclist, ...shared];
