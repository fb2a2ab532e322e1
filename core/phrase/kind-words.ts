/** What garments are called. The longest name that fits is taken, and where two are as long the one whose beside-words are in the line. */
import type { TraitId } from '../construction/traits.ts';
import type { FibreId } from '../fibre/fibres.ts';
import type { GarmentKind } from '../garment/kinds.ts';
import { singular } from './line.ts';

export interface KindWord {
  /** Words of the name, without plurals. */
  words: readonly string[];
  kind: GarmentKind;
  /** What it usually is made of, and how. */
  fibre: FibreId;
  traits: readonly TraitId[];
  /** Words of which one has to stand somewhere in the line. */
  beside: ReadonlySet<string>;
}

type Row = readonly [names: string, kind: GarmentKind, fibre: FibreId, traits: string, beside?: string];
/** Names, kind, usual fibre, usual traits, and words beside it that make it this kind. More special rows stand first. */
// prettier-ignore
const rows: readonly Row[] = [
  // Outer wear
  ['rain jacket, rain coat, raincoat, rain shell, shell jacket, hard shell, softshell, soft shell, anorak, cagoule, cycling jacket, cycling shell, waterproof jacket, windbreaker, parka', 'rain_jacket', 'polyamide', 'waterproof zip'],
  ['jacket', 'rain_jacket', 'polyamide', 'waterproof zip', 'rain waterproof shell membrane windproof'],
  ['down jacket, down coat, down vest, down gilet, puffer, puffer jacket, puffer coat, quilted jacket', 'down_jacket', 'polyamide', 'down quilted zip'],
  ['jacket, coat', 'leather_jacket', 'leather', 'zip', 'leather'],
  ['suit jacket, blazer, dinner jacket, tuxedo', 'suit_jacket', 'wool', 'structured lined'],
  ['waistcoat', 'waistcoat', 'wool', 'buttons lined'],
  ['fleece, fleece jacket, fleece jumper, fleece pullover, fleece gilet', 'fleece_jacket', 'polyester', 'fleece zip'],
  ['jacket', 'fleece_jacket', 'polyester', 'fleece zip', 'fleece'],
  ['trench coat, trench, mac, mackintosh', 'coat', 'cotton', 'lined structured'],
  ['coat, overcoat, duffle coat, pea coat', 'coat', 'wool', 'lined structured'],
  ['denim jacket, jean jacket', 'other', 'cotton', 'denim buttons'],
  // Sports
  ['sport tee, sport t shirt, sport shirt, sport top, running tee, running shirt, running top, cycling jersey, cycling top, cycling shirt, football shirt, football jersey, training top, training shirt, training tee, gym top, gym shirt, gym tee, rash vest', 'sport_tee', 'polyester', 'wicking jersey-knit'],
  ['tee, t shirt, tshirt, top, jersey', 'sport_tee', 'polyester', 'wicking jersey-knit', 'wicking sport running cycling training gym football'],
  ['sport short, running short, cycling short, bib short, bib tight, training short, gym short, football short', 'sport_shorts', 'polyester', 'wicking'],
  ['sport bra, sports bra, running bra', 'sports_bra', 'polyester', 'wicking elastic'],
  ['swim short, swim trunk, swimming trunk, swimming short, trunk, board short', 'swim_shorts', 'polyester', 'drawstring'],
  ['swim suit, swimsuit, swimming costume, bathing suit, bikini, bikini top, bikini bottom', 'swimsuit', 'polyamide', 'elastic'],
  // Trousers
  ['jean, jeans', 'jeans_raw_heavy', 'cotton', 'denim-raw buttons', 'raw unsanforized unsanforised selvedge selvage loomstate shrink-to-fit'],
  ['raw denim, raw denim jean, raw jean', 'jeans_raw_heavy', 'cotton', 'denim-raw buttons'],
  ['jean, jeans, denim, denim trouser, denim pant', 'jeans', 'cotton', 'denim zip'],
  ['trouser, pant', 'wool_trousers', 'wool', 'woven zip', 'wool flannel suit tweed worsted'],
  ['trouser, pant, cord', 'chinos', 'cotton', 'corduroy zip', 'corduroy cord'],
  ['jogger, jogging bottom, jogging pant, tracksuit bottom, tracksuit trouser, sweatpant, sweat pant, track pant, lounge pant', 'joggers', 'cotton', 'jersey-knit drawstring'],
  ['legging, running tight, yoga pant', 'leggings', 'polyester', 'jersey-knit elastic'],
  ['chino, trouser, pant, slack, culotte, cargo pant', 'chinos', 'cotton', 'woven zip'],
  ['short, bermuda', 'shorts', 'cotton', 'woven zip'],
  ['overall, boiler suit, coverall, dungaree, work overall, work trouser', 'work_overall', 'cotton', 'woven zip'],
  // Knitted tops
  ['base layer, thermal top, thermal shirt, undershirt, thermal', 'base_layer_wool', 'wool', 'jersey-knit', 'merino wool base thermal'],
  ['base layer', 'base_layer_wool', 'wool', 'jersey-knit'],
  ['jumper, sweater, pullover, cardigan, jersey, knit', 'jumper_chunky', 'wool', 'chunky-knit', 'chunky aran cable cabled'],
  ['jumper, sweater, pullover, cardigan, polo neck, roll neck, turtleneck, knit', 'cashmere_jumper', 'cashmere', 'jersey-knit', 'cashmere kaschmir cachemire pashmina'],
  ['cardigan', 'cardigan', 'wool', 'jersey-knit buttons'],
  ['jumper, sweater, pullover, polo neck, roll neck, turtleneck, crew neck', 'jumper_fine', 'wool', 'jersey-knit', 'merino fine thin lightweight'],
  ['jumper, pullover, sweater, polo neck, roll neck, turtleneck, crew neck, tank top jumper, slipover, knit top', 'jumper_mid', 'wool', 'jersey-knit'],
  ['hoodie, hoody, hooded top, hooded sweatshirt, zip hoodie', 'hoodie', 'cotton', 'jersey-knit drawstring'],
  ['sweatshirt, sweat shirt, sweat', 'sweatshirt', 'cotton', 'jersey-knit'],
  // Shirts and tops
  ['polo, polo shirt', 'polo', 'cotton', 'jersey-knit buttons'],
  ['long sleeve tee, long sleeved tee, long sleeve t shirt, long sleeved t shirt, long sleeve top, long sleeved top, longsleeve', 'tee_long_sleeve', 'cotton', 'jersey-knit'],
  ['tee, t shirt, tshirt', 'tee_long_sleeve', 'cotton', 'jersey-knit', 'long-sleeved long-sleeve'],
  ['tee, t shirt, tshirt', 'tshirt_heavy', 'cotton', 'jersey-knit', 'heavy thick heavyweight'],
  ['tee, t shirt, tshirt, tea shirt, top', 'tshirt', 'cotton', 'jersey-knit'],
  ['vest, vest top, tank top, tank, singlet, undershirt', 'vest_top', 'cotton', 'jersey-knit'],
  ['shirt', 'flannel_shirt', 'cotton', 'woven buttons', 'flannel brushed'],
  ['shirt', 'linen_shirt', 'linen', 'woven buttons', 'linen leinen lino linnen'],
  ['blouse, shirt', 'silk_blouse', 'silk', 'woven buttons', 'silk seide soie seta seda zijde'],
  ['blouse', 'blouse_synthetic', 'polyester', 'woven buttons'],
  ['camisole, cami, slip top', 'camisole', 'silk', 'woven'],
  ['shirt, dress shirt, oxford shirt, work shirt, camp shirt, business shirt, chambray shirt, denim shirt, overshirt', 'dress_shirt', 'cotton', 'woven buttons'],
  // Dresses and skirts
  ['skirt', 'skirt_pleated', 'polyester', 'pleated zip', 'pleated pleat'],
  ['skirt', 'skirt_light', 'viscose', 'woven zip'],
  ['dress, frock', 'dress_knit', 'cotton', 'jersey-knit', 'knit knitted jersey jumper sweater'],
  ['dress, gown, frock', 'dress_lined', 'cotton', 'lined zip', 'lined lining ball evening wedding folk'],
  ['dress, sundress, summer dress, shirt dress, frock, tunic', 'dress_light', 'viscose', 'woven'],
  ['petticoat, underskirt', 'petticoat', 'polyamide', 'tulle'],
  // Body
  ['brief, knicker, panty, underpant, underwear, pant set, slip, thong', 'briefs', 'cotton', 'jersey-knit'],
  ['boxer, boxer short, boxer brief', 'boxers', 'cotton', 'jersey-knit'],
  ['bra, bralette, brassiere', 'bra', 'polyamide', 'hooks elastic'],
  ['sock', 'sock_handknit_pair', 'wool', 'hand-knit', 'hand-knit hand-knitted handknit handknitted'],
  ['ankle sock, trainer sock, sneaker sock, short sock', 'sock_ankle_pair', 'cotton', 'jersey-knit'],
  ['sock, crew sock, knee sock, hiking sock, walking sock', 'sock_crew_pair', 'cotton', 'jersey-knit'],
  ['tight, stocking, pantyhose, hold up', 'tights', 'polyamide', 'elastic'],
  ['pyjama, pajama, pyjama set, pyjama bottom, pyjama top, pj', 'pyjama_set', 'cotton', 'woven buttons'],
  ['nightdress, nightgown, nightshirt, nightie', 'nightdress', 'cotton', 'woven'],
  ['bath robe, bathrobe, dressing gown, robe', 'bathrobe', 'cotton', 'terry'],
  ['bodysuit, baby bodysuit, baby vest, babygrow, baby grow, romper, sleepsuit, onesie', 'baby_bodysuit', 'cotton', 'jersey-knit'],
  // Small things
  ['apron, pinafore', 'apron', 'cotton', 'woven'],
  ['scarf, shawl, stole', 'silk_scarf', 'silk', 'woven', 'silk seide soie seta seda zijde'],
  ['scarf, snood, shawl', 'scarf_chunky', 'wool', 'chunky-knit', 'chunky thick cable'],
  ['scarf, shawl, stole, pashmina, bandana, neckerchief', 'scarf_fine', 'wool', 'woven'],
  ['beanie, hat, cap, woolly hat, bobble hat', 'hat_knit', 'wool', 'chunky-knit'],
  ['glove, mitten', 'gloves_knit_pair', 'wool', 'jersey-knit'],
  ['tie, necktie, bow tie', 'tie', 'silk', 'woven structured'],
  ['sash, belt, cummerbund', 'sash', 'cotton', 'woven'],
  // Linen
  ['face cloth, wash cloth, washcloth, flannel, face flannel', 'face_cloth', 'cotton', 'terry'],
  ['hand towel, guest towel, gym towel', 'hand_towel', 'cotton', 'terry'],
  ['bath sheet, beach towel', 'bath_sheet', 'cotton', 'terry'],
  ['bath mat, bathmat, shower mat', 'bath_mat', 'cotton', 'terry'],
  ['muslin, muslin cloth, muslin square', 'tea_towel', 'cotton', 'woven'],
  ['tea towel, dish towel, kitchen towel, dish cloth, glass cloth', 'tea_towel', 'cotton', 'woven'],
  ['napkin, serviette', 'tea_towel', 'cotton', 'woven'],
  ['bath towel, towel, shower towel', 'bath_towel', 'cotton', 'terry'],
  ['tablecloth, table cloth', 'tablecloth', 'cotton', 'woven'],
  ['pillow case, pillowcase, pillow slip, pillow cover, cushion cover', 'pillowcase', 'cotton', 'woven'],
  ['single duvet cover, single duvet, single quilt cover, cot duvet cover', 'duvet_cover_single', 'cotton', 'woven'],
  ['duvet cover, duvet set, quilt cover', 'duvet_cover_single', 'cotton', 'woven', 'single cot child'],
  ['duvet cover, duvet, double duvet cover, quilt cover, duvet set', 'duvet_cover_double', 'cotton', 'woven'],
  ['single sheet, single fitted sheet, cot sheet', 'sheet_single', 'cotton', 'woven'],
  ['sheet, fitted sheet, bed sheet, bedsheet', 'sheet_single', 'cotton', 'woven', 'single cot child'],
  ['sheet, fitted sheet, bed sheet, bedsheet, double sheet, flat sheet', 'sheet_double', 'cotton', 'woven'],
  ['curtain, curtain panel, drape', 'curtain_panel', 'polyester', 'woven'],
  // Known things of no kind of their own: weighed, not guessed
  ['jacket, blanket, throw, fleece blanket, comforter, duvet comforter, eiderdown, quilt, bedspread, cushion, pillow, mattress cover, mattress protector, sleeping bag, rug, shoe, slipper, bag, backpack, rucksack, harness, collar, mop, mop head, floor cloth, cleaning cloth, poncho, kilt, costume, uniform, jumpsuit, playsuit', 'other', 'unknown', ''],
];

export const kindWords: readonly KindWord[] = rows.flatMap(([names, kind, fibre, traits, beside]) =>
  names.split(', ').map((name) => ({
    words: name.split(' ').map(singular),
    kind,
    fibre,
    traits: traits.split(' ').filter(Boolean) as TraitId[],
    beside: new Set((beside ?? '').split(' ').filter(Boolean)),
  })),
);
