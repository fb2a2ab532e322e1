import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { labelInWords } from '@words/en/label.ts';
import { readLabelText } from '../care-label/label-text.ts';
import { summaryOf } from '../testing/piece-line-summary.ts';
import { readPieceLine } from './piece-line.ts';

/** Lines as people type them, and what has to come of them. After "?" stands what nobody understood. */
const lines: readonly (readonly [typed: string, read: string])[] = [
  [
    'navy merino jumper, hand wash, M',
    'Navy merino jumper | jumper_fine | shell wool 100 | ground #232f4e | wash hand 40',
  ],
  [
    '60% cotton 40% poly white shirt, machine wash cold, only non-chlorine bleach, tumble low, warm iron',
    'White shirt | dress_shirt | shell cotton 60 polyester 40 | ground #f7f7f4 | wash machine 30 normal | bleach oxygen | tumble low | iron medium',
  ],
  ['black jeans L', 'Black jeans | jeans | shell cotton 100 | ground #1d1e21 | size L'],
  ['red silk scarf', 'Red silk scarf | silk_scarf | shell silk 100 | ground #b3262e'],
  ['lime cycling jersey', 'Lime cycling jersey | sport_tee | shell polyester 100 | ground #b9cf3a'],
  ['two bath sheets oat', 'Bath sheets oat | bath_sheet | shell cotton 100 | ground #d9c7a4 | × 2'],
  ['raw denim jeans', 'Raw denim jeans | jeans_raw_heavy | shell cotton 100 | ground #232f4e'],
  ['leggings polyamide 80% elastane 20%', 'Leggings | leggings | shell polyamide 80 elastane 20'],
  [
    'black leggings, polyamide 80% elastane 20%, 30 gentle',
    'Black leggings | leggings | shell polyamide 80 elastane 20 | ground #1d1e21 | wash machine 30 mild',
  ],
  [
    '65 polyester 35 cotton white blouse',
    'White blouse | blouse_synthetic | shell polyester 65 cotton 35 | ground #f7f7f4',
  ],
  ['coat, cotton shell, polyester lining', 'Coat | coat | shell cotton 100 | lining polyester 100'],
  ['14 cashmere jumpers', 'Cashmere jumpers | cashmere_jumper | shell cashmere 100 | × 14'],
  ['Bath towels, six', 'Bath towels | bath_towel | shell cotton 100 | × 6'],
  ['five white T-shirts', 'White T-shirts | tshirt | shell cotton 100 | ground #f7f7f4 | × 5'],
  ['jeans 10 wears', 'Jeans | jeans | shell cotton 100 | ground #3f5878 | worn 10'],
  ['worn 300 days grey joggers', 'Grey joggers | joggers | shell cotton 100 | ground #8b8d94 | worn 300'],
  ['emerald dress 100% viscose', 'Emerald dress | dress_light | shell viscose 100 | ground #1f7a55'],
  ["Ida's bra, underwired, black", 'Bra, underwired, black | bra | shell polyamide 100 | ground #1d1e21 | of Ida'],
  [
    'unsanforized jeans, worn 300 times, never washed',
    'Unsanforized jeans | jeans_raw_heavy | shell cotton 100 | ground #232f4e | washed 0 | worn 300',
  ],
  ['duvet comforter', 'Duvet comforter | other | shell unknown 100'],
  ['fleece blanket', 'Fleece blanket | other | shell unknown 100'],
  ['shell', 'Shell | other | shell unknown 100 | ? shell'],
  ['rain shell', 'Rain shell | rain_jacket | shell polyamide 100'],
  ['bath towels 60', 'Bath towels | bath_towel | shell cotton 100 | wash machine 60 normal'],
  ['overalls blue', 'Overalls blue | work_overall | shell cotton 100 | ground #2e5fa3'],
  ['machine 40 green hoodie', 'Green hoodie | hoodie | shell cotton 100 | ground #3c7a4a | wash machine 40 normal'],
  ['no label red skirt', 'Red skirt | skirt_light | shell viscose 100 | ground #b3262e'],
  [
    'navy shirt with white stripes',
    'Navy shirt with white stripes | dress_shirt | shell cotton 100 | ground #232f4e | print #f7f7f4',
  ],
  ['white tee with coffee on the cuff', 'White tee | tshirt | shell cotton 100 | ground #f7f7f4 | coffee at cuff'],
  [
    'white shirt with red wine stain on the front, value 200',
    'White shirt | dress_shirt | shell cotton 100 | ground #f7f7f4 | € 200 | red-wine at front',
  ],
  ['white trim navy polo', 'White trim navy polo | polo | shell cotton 100 | ground #232f4e | trim #f7f7f4'],
  [
    'black dress with white lace trim',
    'Black dress with white lace trim | dress_light | shell viscose 100 | ground #1d1e21 | trim #f7f7f4',
  ],
  ['superwash merino socks', 'Superwash merino socks | sock_crew_pair | shell wool-superwash 100'],
  ['chunky knit cardigan, oat', 'Chunky knit cardigan, oat | jumper_chunky | shell wool 100 | ground #d9c7a4'],
  ['velveteen dress', 'Velveteen dress | dress_light | shell viscose 100'],
  ['blue jacket fleece-lined', 'Blue jacket fleece-lined | fleece_jacket | shell polyester 100 | ground #2e5fa3'],
  ['detachable collar shirt white', 'Detachable collar shirt white | dress_shirt | shell cotton 100 | ground #f7f7f4'],
  ['Hemd, 100% Baumwolle', 'Hemd | other | shell cotton 100 | ? hemd'],
  ['pull 80% laine 20% polyamide bleu', 'Pull bleu | other | shell wool 80 polyamide 20 | ? pull bleu'],
  ['camicia lino 100% bianca', 'Camicia bianca | other | shell linen 100 | ? camicia bianca'],
  ['white sheets x4', 'White sheets | sheet_double | shell cotton 100 | ground #f7f7f4 | × 4'],
  ['six pairs of socks black', 'Socks black | sock_crew_pair | shell cotton 100 | ground #1d1e21 | × 6'],
  [
    '80/20 wool nylon hiking socks grey',
    'Hiking socks grey | sock_crew_pair | shell wool 80 polyamide 20 | ground #8b8d94',
  ],
  ['cotton/linen trousers beige', 'Cotton/linen trousers beige | chinos | shell cotton 50 linen 50 | ground #cdbb98'],
  ['50/50 cotton polyester sweatshirt', 'Sweatshirt | sweatshirt | shell cotton 50 polyester 50'],
  [
    'dark green wool coat dry clean only',
    'Dark green wool coat | coat | shell wool 100 | ground #25452f | wash none | dry-clean-only',
  ],
  ['stone chinos 98 cotton 2 elastane size 32', 'Stone chinos | chinos | shell cotton 98 elastane 2 | ground #b7a88c'],
  [
    'dusty blue linen shirt 40 gentle do not tumble',
    'Dusty blue linen shirt | linen_shirt | shell linen 100 | ground #416eb3 | wash machine 40 mild | tumble none',
  ],
  ["child's red jumper 116 cm", "Child's red jumper | jumper_mid | shell wool 100 | ground #b3262e | 116 cm"],
  ['2XL black hoodie', 'Black hoodie | hoodie | shell cotton 100 | ground #1d1e21 | size XXL'],
  ['muddy football shorts', 'Football shorts | sport_shorts | shell polyester 100 | mud'],
  [
    'navy wool jumper, smells of cigarette smoke',
    'Navy wool jumper | jumper_mid | shell wool 100 | ground #232f4e | smells',
  ],
  ['white baby bodysuit, poo', 'White baby bodysuit | baby_bodysuit | shell cotton 100 | ground #f7f7f4 | faeces'],
  [
    'silk blouse, black, deodorant marks under the arms',
    'Silk blouse, black | silk_blouse | shell silk 100 | ground #1d1e21 | deodorant-mark at underarms',
  ],
  ['sweaty running shirt orange', 'Running shirt orange | sport_tee | shell polyester 100 | ground #d9772b | smells'],
  ['pink tights for Ida', 'Pink tights | tights | shell polyamide 100 | ground #e39ab0 | of Ida'],
  ['wool jumper 30 wool programme', 'Wool jumper | jumper_mid | shell wool 100 | wash machine 30 very-mild'],
  [
    'grey hoodie, shell 80% cotton 20% polyester, lining 100% cotton, trim 95% cotton 5% elastane',
    'Grey hoodie | hoodie | shell cotton 80 polyester 20 | lining cotton 100 | trim cotton 95 elastane 5 | ground #8b8d94',
  ],
  [
    "Mara's folk dress, wool shell, silk lining, heirloom, dry clean only",
    'Folk dress, heirloom | dress_lined | shell wool 100 | lining silk 100 | wash none | dry-clean-only | of Mara',
  ],
  ['a dozen white napkins', 'White napkins | tea_towel | shell cotton 100 | ground #f7f7f4 | × 12'],
  [
    'half a dozen tea towels, red stripes',
    'Tea towels, red stripes | tea_towel | shell cotton 100 | ground #b3262e | × 6',
  ],
  [
    'twenty-four napkins linen white 95',
    'Napkins linen white | tea_towel | shell linen 100 | ground #f7f7f4 | wash machine 95 normal | × 24',
  ],
  ['jeans', 'Jeans | jeans | shell cotton 100 | ground #3f5878'],
  ['denim jacket', 'Denim jacket | other | shell cotton 100'],
  ['3 pack of black briefs', 'Black briefs | briefs | shell cotton 100 | ground #1d1e21 | × 3'],
  ['4 pairs of jeans', 'Jeans | jeans | shell cotton 100 | ground #3f5878 | × 4'],
  [
    'pyjamas blue/white striped',
    'Pyjamas blue/white striped | pyjama_set | shell cotton 100 | ground #2e5fa3 | print #f7f7f4',
  ],
  [
    'two king size duvet covers white cotton percale',
    'King size duvet covers white cotton percale | duvet_cover_double | shell cotton 100 | ground #f7f7f4 | × 2',
  ],
  ['pillowcases x 6 white', 'Pillowcases white | pillowcase | shell cotton 100 | ground #f7f7f4 | × 6'],
  [
    'his grey wool suit trousers, dry clean only',
    'His grey wool suit trousers | wool_trousers | shell wool 100 | ground #8b8d94 | wash none | dry-clean-only',
  ],
  [
    'rain jacket, 100% nylon, PU coated, membrane, orange',
    'Rain jacket, membrane, orange | rain_jacket | shell polyamide 100 | ground #d9772b',
  ],
  [
    'sports bra black 85/15 polyamide elastane',
    'Sports bra black | sports_bra | shell polyamide 85 elastane 15 | ground #1d1e21',
  ],
  ['compression tights', 'Compression tights | tights | shell polyamide 100'],
  ['100 cotton navy polo 40', 'Navy polo | polo | shell cotton 100 | ground #232f4e | wash machine 40 normal'],
  ['white cotton underwear', 'White cotton underwear | briefs | shell cotton 100 | ground #f7f7f4'],
  ['knickers 95 coton 5 élasthanne, black', 'Knickers, black | briefs | shell cotton 95 elastane 5 | ground #1d1e21'],
  ['Pullover 70% Schurwolle 30% Kaschmir grau', 'Pullover grau | cashmere_jumper | shell wool 70 cashmere 30 | ? grau'],
  ['T-Shirt weiß', 'T-Shirt weiß | tshirt | shell cotton 100 | ? weiß'],
  [
    'cream silk blouse with lipstick on the collar',
    'Cream silk blouse | silk_blouse | shell silk 100 | ground #f1e9d2 | lipstick at collar',
  ],
  ['tablecloth with candle wax', 'Tablecloth | tablecloth | shell cotton 100 | wax'],
  ['tablecloth, red wine and gravy stains', 'Tablecloth | tablecloth | shell cotton 100 | red-wine | cooking-grease'],
  [
    "baker's apron white, flour, 95",
    "Baker's apron white, flour | apron | shell cotton 100 | ground #f7f7f4 | wash machine 95 normal | ? flour",
  ],
  [
    "baker's jacket white cotton 60",
    "Baker's jacket white cotton | other | shell cotton 100 | ground #f7f7f4 | wash machine 60 normal",
  ],
  ['tea towels (8)', 'Tea towels | tea_towel | shell cotton 100 | × 8'],
  [
    'cycling shorts, 78% nylon, 22% spandex, black, size L, worn once',
    'Cycling shorts, black | sport_shorts | shell polyamide 78 elastane 22 | ground #1d1e21 | size L | worn 1',
  ],
  ['swimsuit with chlorine smell', 'Swimsuit with chlorine smell | swimsuit | shell polyamide 100 | ? chlorine smell'],
  ['wool sweater shrunk', 'Wool sweater shrunk | jumper_mid | shell wool 100 | ? shrunk'],
  ['my old green jumper', 'My old green jumper | jumper_mid | shell wool 100 | ground #3c7a4a'],
  ['handknitted socks, undyed', 'Handknitted socks, undyed | sock_handknit_pair | shell wool 100 | ground #e6dcc3'],
  [
    'merino base layer black M 30 delicate',
    'Merino base layer black | base_layer_wool | shell wool 100 | ground #1d1e21 | wash machine 30 mild',
  ],
  [
    'down jacket, shell 100% nylon, filling 90% down 10% feathers, navy',
    'Down jacket, navy | down_jacket | shell polyamide 100 | filling down-fill 100 | ground #232f4e',
  ],
  ['puffer', 'Puffer | down_jacket | shell polyamide 100 | filling down-fill 100'],
  ['vegan leather jacket black', 'Vegan leather jacket black | leather_jacket | shell coated 100 | ground #1d1e21'],
  ['suede skirt brown', 'Suede skirt brown | skirt_light | shell suede 100 | ground #5b4030'],
  ['silk tie with soup', 'Silk tie with soup | tie | shell silk 100 | ? soup'],
  ['hat wool cashmere grey', 'Hat wool cashmere grey | hat_knit | shell wool 50 cashmere 50 | ground #8b8d94'],
  ['mittens', 'Mittens | gloves_knit_pair | shell wool 100'],
  ['gloves leather', 'Gloves leather | gloves_knit_pair | shell leather 100'],
  ['bath mat, rubber-backed', 'Bath mat, rubber-backed | bath_mat | shell cotton 100'],
  ['curtains, 2 panels, polyester', 'Curtains, 2 panels, polyester | curtain_panel | shell polyester 100 | ? panels'],
  ['fitted sheet single', 'Fitted sheet single | sheet_single | shell cotton 100'],
  ['sheets', 'Sheets | sheet_double | shell cotton 100'],
  ['socks', 'Socks | sock_crew_pair | shell cotton 100'],
  ['5 socks', 'Socks | sock_crew_pair | shell cotton 100 | × 5'],
  [
    '60 cotton 40 polyester 60 gentle sheet',
    'Sheet | sheet_double | shell cotton 60 polyester 40 | wash machine 60 mild',
  ],
  ['wool 80 % polyamid 20 %, handwash', 'New piece | other | shell wool 80 polyamide 20 | wash hand 40'],
  [
    'cardigan, alpaca 60%, merino 30%, nylon 10%, hand wash cold, dry flat, oatmeal',
    'Cardigan, oatmeal | cardigan | shell alpaca 60 wool 30 polyamide 10 | ground #d9c7a4 | wash hand 30 | dry flat',
  ],
  [
    't-shirt 100% organic cotton black machine wash 30 do not tumble dry iron low',
    'T-shirt black | tshirt | shell cotton 100 | ground #1d1e21 | wash machine 30 normal | tumble none | iron low',
  ],
  ['shirt oxford blue m', 'Shirt oxford blue | dress_shirt | shell cotton 100 | ground #2e5fa3'],
  ['size m shirt', 'Shirt | dress_shirt | shell cotton 100'],
  ['washed 40 times bath towel white', 'Bath towel white | bath_towel | shell cotton 100 | ground #f7f7f4 | washed 40'],
  ['brand new red jeans', 'Red jeans | jeans | shell cotton 100 | ground #b3262e | washed 0'],
  ['value 80 EUR black dress', 'Black dress | dress_light | shell viscose 100 | ground #1d1e21 | € 80'],
  ["I'd rather not say", "I'd rather not say | other | shell unknown 100 | ? i'd rather say"],
  ["'; drop table garment; --", "' drop table garment | other | shell unknown 100 | ? drop table garment"],
  ['100% unicorn hair scarf', 'Hair scarf | scarf_fine | shell wool 100 | ! line.unknown-fibre | ? hair'],
  ['cotton 80% polyester 30%', 'New piece | other | shell unknown 100 | ! line.shares-over'],
  ['shirt 55% linen, black', 'Shirt, black | linen_shirt | shell linen 100 | ground #1d1e21'],
  [
    'ten hand towels, cotton, forest green, 60',
    'Hand towels, cotton, forest green | hand_towel | shell cotton 100 | ground #264a36 | wash machine 60 normal | × 10',
  ],
  [
    "Felix's bib shorts, black, worn today",
    'Bib shorts, black | sport_shorts | shell polyester 100 | ground #1d1e21 | of Felix | worn 1',
  ],
  [
    'cashmere scarf 100% Kaschmir grau-blau',
    'Cashmere scarf grau-blau | scarf_fine | shell cashmere 100 | ? grau-blau',
  ],
  ['wol 70% polyamide 30% trui', 'Trui | other | shell wool 70 polyamide 30 | ? trui'],
  [
    'chaussettes 75 % coton 25 % polyamide noir',
    'Chaussettes noir | other | shell cotton 75 polyamide 25 | ? chaussettes noir',
  ],
  ['camisa 60 algodón 40 poliéster', 'Camisa | other | shell cotton 60 polyester 40 | ? camisa'],
  ['Rock 100% Leinen', 'Rock | other | shell linen 100 | ? rock'],
  ['lila Bluse', 'Lila Bluse | other | shell unknown 100 | ? lila bluse'],
  [
    'a pair of black jeans, worn 60 days, never washed, raw',
    'Black jeans, raw | jeans_raw_heavy | shell cotton 100 | ground #1d1e21 | × 1 | washed 0 | worn 60',
  ],
  ['net curtain white', 'Net curtain white | curtain_panel | shell polyester 100 | ground #f7f7f4 | ? net'],
  ['white bedding', 'White bedding | other | shell unknown 100 | ground #f7f7f4 | ? bedding'],
  [
    'charcoal wool-blend coat, 70% wool 25% polyester 5% cashmere, lining 100% viscose, dry clean',
    'Charcoal wool-blend coat | coat | shell wool 70 polyester 25 cashmere 5 | lining viscose 100 | ground #35373c',
  ],
  ['2 x navy chinos size L', 'Navy chinos | chinos | shell cotton 100 | ground #232f4e | size L | × 2'],
  [
    'Old Navy-blue polo? no, plain blue polo',
    'Old Navy-blue polo? no, plain blue polo | polo | shell cotton 100 | ground #232f4e | print #2e5fa3 | ? polo',
  ],
  [
    "kids' pyjamas with dinosaurs, 100% cotton, 92 cm",
    "Kids' pyjamas with dinosaurs | pyjama_set | shell cotton 100 | 92 cm | ? dinosaurs",
  ],
  [
    'my best white linen shirt, hot iron',
    'My best white linen shirt | linen_shirt | shell linen 100 | ground #f7f7f4 | iron high',
  ],
  [
    'linen bedsheet double, white, boil wash',
    'Linen bedsheet double, white | sheet_double | shell linen 100 | ground #f7f7f4 | wash machine 95 normal',
  ],
  [
    'pair of brown corduroy trousers, worn twice',
    'Brown corduroy trousers | chinos | shell cotton 100 | ground #5b4030 | × 1 | worn 2',
  ],
  [
    'knitted scarf from grandma, red and green stripes',
    'Knitted scarf from grandma, red and green stripes | scarf_fine | shell wool 100 | ground #b3262e | print #3c7a4a | ? grandma',
  ],
  [
    'football socks black, size M, muddy',
    'Football socks black | sock_crew_pair | shell cotton 100 | ground #1d1e21 | mud',
  ],
  [
    'maroon hoodie 80/20 cotton polyester tumble low',
    'Maroon hoodie | hoodie | shell cotton 80 polyester 20 | ground #5d2027 | tumble low',
  ],
  [
    'four tea towels with red check, linen',
    'Tea towels with red check, linen | tea_towel | shell linen 100 | ground #b3262e | × 4',
  ],
  [
    "Ida's silk camisole ivory hand wash cold",
    'Silk camisole ivory | camisole | shell silk 100 | ground #f2ead8 | wash hand 30 | of Ida',
  ],
  ['3 bras, black lace, underwire', 'Bras, black lace, underwire | bra | shell polyamide 100 | ground #1d1e21 | × 3'],
  [
    'sports leggings, purple, 75 nylon 25 spandex, 30',
    'Sports leggings, purple | leggings | shell polyamide 75 elastane 25 | ground #5b3a78 | wash machine 30 normal',
  ],
  [
    'dressing gown, terry, navy, 60',
    'Dressing gown, terry, navy | bathrobe | shell cotton 100 | ground #232f4e | wash machine 60 normal',
  ],
  [
    'waterproof cycling jacket neon yellow no softener',
    'Waterproof cycling jacket neon yellow | rain_jacket | shell polyamide 100 | ground #dff03a | no-softener',
  ],
  ['swim trunks orange', 'Swim trunks orange | swim_shorts | shell polyester 100 | ground #d9772b'],
  [
    'thermal base layer, merino, charcoal, worn 4 days',
    'Thermal base layer, merino, charcoal | base_layer_wool | shell wool 100 | ground #35373c | worn 4',
  ],
  ['fleece, teal', 'Fleece, teal | fleece_jacket | shell polyester 100 | ground #1f7f84'],
  [
    'denim shirt, light blue, 40',
    'Denim shirt, light blue | dress_shirt | shell cotton 100 | ground #b4cde0 | wash machine 40 normal',
  ],
  ['grey marl joggers, M', 'Grey marl joggers | joggers | shell cotton 100 | ground #8b8d94'],
  [
    'striped blue and white T-shirt',
    'Striped blue and white T-shirt | tshirt | shell cotton 100 | ground #2e5fa3 | print #f7f7f4',
  ],
  [
    'yellow cardigan, acrylic, machine wash 30',
    'Yellow cardigan, acrylic | cardigan | shell acrylic 100 | ground #e8c93a | wash machine 30 normal',
  ],
  [
    'pleated skirt navy polyester wash 30 gentle',
    'Pleated skirt navy polyester | skirt_pleated | shell polyester 100 | ground #232f4e | wash machine 30 mild',
  ],
  [
    'cream aran jumper, hand-knitted',
    'Cream aran jumper, hand-knitted | jumper_chunky | shell wool 100 | ground #f1e9d2',
  ],
  ['cotton napkins, 12, white', 'Cotton napkins, white | tea_towel | shell cotton 100 | ground #f7f7f4 | × 12'],
  [
    'black suit trousers wool dry clean only',
    'Black suit trousers wool | wool_trousers | shell wool 100 | ground #1d1e21 | wash none | dry-clean-only',
  ],
  ['bathmat grey', 'Bathmat grey | bath_mat | shell cotton 100 | ground #8b8d94'],
  ['bath robe white', 'Bath robe white | bathrobe | shell cotton 100 | ground #f7f7f4'],
  ['beige trench coat', 'Beige trench coat | coat | shell cotton 100 | ground #cdbb98'],
  [
    'baby grows x5 white cotton 60',
    'Baby grows white cotton | baby_bodysuit | shell cotton 100 | ground #f7f7f4 | wash machine 60 normal | × 5',
  ],
  ['muslin cloths, six', 'Muslin cloths | tea_towel | shell cotton 100 | × 6'],
  ['pillowcase with lipstick', 'Pillowcase | pillowcase | shell cotton 100 | lipstick'],
  [
    'white shirt, yellowed collar',
    'White shirt | dress_shirt | shell cotton 100 | ground #f7f7f4 | age-yellowing at collar',
  ],
  ['shirt with ink on the pocket', 'Shirt | dress_shirt | shell cotton 100 | ink-ballpoint at pocket'],
  ['tablecloth, candle wax and red wine', 'Tablecloth | tablecloth | shell cotton 100 | wax | red-wine'],
  ['apron, oil stains on the front', 'Apron | apron | shell cotton 100 | cooking-grease at front'],
  [
    'dark jeans, 99 cotton 1 elastane, wash 30 inside out',
    'Dark jeans | jeans | shell cotton 99 elastane 1 | ground #042743 | wash machine 30 normal | wash-inside-out',
  ],
  [
    'raw selvedge jeans, indigo, never washed, worn 120 days',
    'Raw selvedge jeans, indigo | jeans_raw_heavy | shell cotton 100 | ground #2b3a5e | washed 0 | worn 120',
  ],
  ['jumper dress, grey, wool', 'Jumper dress, grey, wool | dress_knit | shell wool 100 | ground #8b8d94'],
  ['cashmere beanie camel', 'Cashmere beanie camel | hat_knit | shell cashmere 100 | ground #b88a55'],
  ['velvet blazer, bottle green', 'Velvet blazer, bottle green | suit_jacket | shell wool 100 | ground #173b2c'],
  ['lace-trimmed white nightdress', 'Lace-trimmed white nightdress | nightdress | shell cotton 100 | ground #f7f7f4'],
  [
    'knee socks, mustard, wool 60 nylon 40',
    'Knee socks, mustard | sock_crew_pair | shell wool 60 polyamide 40 | ground #b98a1f',
  ],
  ['PE kit, smelly', 'PE kit | other | shell unknown 100 | smells | ? pe kit'],
  ['tights 40 denier black', 'Tights 40 denier black | tights | shell polyamide 100 | ground #1d1e21'],
  [
    'duvet cover single blue cotton 60',
    'Duvet cover single blue cotton | duvet_cover_single | shell cotton 100 | ground #2e5fa3 | wash machine 60 normal',
  ],
  ['fitted sheet king size white', 'Fitted sheet king size white | sheet_double | shell cotton 100 | ground #f7f7f4'],
  ['shower curtain', 'Shower curtain | curtain_panel | shell polyester 100'],
  ['rainbow scarf viscose', 'Rainbow scarf viscose | scarf_fine | shell viscose 100'],
];

describe('a piece in one line', () => {
  test.each(lines)('%s', (typed, read) => expect(summaryOf(readPieceLine(typed, ['Ida']))).toBe(read));

  test('what is missing is assumed aloud, never silently', () => {
    const p = readPieceLine('thingamajig');
    expect(p.kind).toBe('other');
    expect(p.parts[0]?.fibres).toEqual([{ fibre: 'unknown', percent: 100 }]);
    expect(p.colours).toEqual([]);
    expect(p.assumed.map((m) => m.code)).toEqual([
      'line.kind',
      'line.fibre-unknown',
      'line.size',
      'line.colour',
      'line.no-label',
    ]);
    expect(p.unknown.map((u) => u.word)).toEqual(['thingamajig']);
    expect(readPieceLine('navy merino jumper, hand wash, M').assumed).toEqual([]);
  });
  test.each([
    ['14 cashmere jumpers', 'Cashmere jumper'],
    ['six pairs of grey socks', 'Grey socks'],
    ['Bath towels, six', 'Bath towel'],
    ['3 dresses', 'Dress'],
    ['two scarves', 'Scarf'],
    ['4 pairs of jeans', 'Jeans'],
  ])('one of %s is a %s', (typed, one) => expect(readPieceLine(typed).nameOfOne).toBe(one));
  test('unknown words keep their place in the line', () => {
    const p = readPieceLine('  Frobnicated   navy jumper ');
    expect(p.unknown).toEqual([{ from: 0, to: 11, word: 'frobnicated' }]);
    expect(p.text.slice(0, 11)).toBe('Frobnicated');
  });
  test.each([
    ['jumper, 10 wears', null],
    ['jumper, worn 60 times', null],
    ['jumper, 60 cm', null],
    ['40 napkins', null],
    ['jumper, 40', 40],
    ['jumper 60 °C', 60],
    ['jumper 104F', null],
    ['jumper wash 104F', 40],
  ] as const)('%s is washed at %s', (typed, celsius) => {
    const wash = readPieceLine(typed).label?.wash;
    expect(wash && wash.by !== 'none' ? wash.maxC : null).toBe(celsius);
  });
  test('a stain has to be one: a colour, a trim or a companion is none', () => {
    for (const typed of [
      'black coat with white trim',
      'rust jumper',
      'dress with pockets',
      'chocolate brown trousers',
      'grass green towel',
    ])
      expect(readPieceLine(typed).marks).toEqual([]);
    expect(readPieceLine('rust on the white collar of a shirt').marks).toEqual([
      { kind: 'rust', place: 'collar', ageHours: null },
    ]);
  });
  test('counts from 1 to 60 are counts, others are not understood', () => {
    expect(readPieceLine('60 napkins').count).toBe(60);
    expect(readPieceLine('sixty napkins').count).toBe(60);
    expect(readPieceLine('61 napkins').count).toBeNull();
  });
  test('any text gives a usable piece whose shares sum to 100, and no letter is both understood and not', () =>
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 200, unit: 'grapheme' }),
          fc
            .array(
              fc.constantFrom(
                '60',
                '%',
                'cotton',
                'wool',
                'jumper',
                ',',
                'lining',
                'red',
                'six',
                'and',
                'with',
                'wash',
                'x',
                '40',
                'L',
                'coffee',
                'on',
                'cuff',
                '/',
              ),
              { maxLength: 14 },
            )
            .map((w) => w.join(' ')),
        ),
        (line) => {
          const p = readPieceLine(line);
          const clear = p.unknown.every((u) => p.claims.every((c) => c.to <= u.from || u.to <= c.from));
          const apart = p.claims.every((c, k) => k === 0 || (p.claims[k - 1]?.to ?? 0) <= c.from);
          return (
            clear &&
            apart &&
            p.name.length > 0 &&
            [...p.name].length <= 80 &&
            p.parts.some((x) => x.role === 'shell') &&
            p.parts.every((x) => Math.abs(x.fibres.reduce((s, f) => s + f.percent, 0) - 100) <= 1) &&
            p.colours.every((c, k) => (c.role === 'ground') === (k === 0))
          );
        },
      ),
      { numRuns: 400 },
    ));
});

describe('label words', () => {
  test.each([
    ['wash 104F gentle', { wash: { by: 'machine', maxC: 40, action: 'mild' } }],
    ['dry clean only', { wash: { by: 'none' } }],
    ['do not tumble dry', { tumble: 'none' }],
    ['machine wash hot', { wash: { by: 'machine', maxC: 60, action: 'normal' } }],
    ['40° very mild', { wash: { by: 'machine', maxC: 40, action: 'very-mild' } }],
    [
      'do not bleach, cool iron, dry flat',
      { bleach: 'none', iron: 'low', dry: { position: 'flat', drip: false, shade: false } },
    ],
    ['wash separately the first time', { phrases: ['wash-separately-first'] }],
  ])('%s', (words, expected) => expect(readLabelText(words).label).toMatchObject(expected));
  test('what no rule understands stays over', () =>
    expect(readLabelText('machine wash 40 and sing to it').rest).toBe('and sing to it'));
  test('no label words, no label', () => expect(readLabelText('blue jumper').label).toBeNull());
  test('the model says it back in words', () =>
    expect(labelInWords(readLabelText('machine wash 40 mild, no bleach, tumble low').label!)).toEqual([
      'Machine wash up to 40 °C, mild',
      'Do not bleach',
      'Tumble dry low',
    ]));
});
