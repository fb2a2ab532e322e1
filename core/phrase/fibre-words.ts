/** What fibres and parts of a garment are called on labels and in speech, in six languages (names by ISO 2076, EU 1007/2011 and trade use). */
import type { FibreId } from '../fibre/fibres.ts';
import type { PartRole } from '../model/garment.ts';

/** English, then German, French, Spanish, Italian, Dutch; without accents, words of one name joined by a space. */
// prettier-ignore
const names: Readonly<Record<Exclude<FibreId, 'unknown'>, string>> = {
  cotton: 'cotton, baumwolle, coton, algodon, cotone, katoen, bomull',
  linen: 'linen, flax, ramie, jute, leinen, flachs, lin, lino, linnen, vlas',
  hemp: 'hemp, hanf, chanvre, canamo, canapa, hennep',
  viscose: 'viscose, rayon, bamboo, bamboo viscose, viskose, bambus, bambou, viscosa, bambu',
  modal: 'modal',
  lyocell: 'lyocell, liocel',
  cupro: 'cupro, cupra, cuprammonium',
  acetate: 'acetate, acetat, acetato, acetaat',
  triacetate: 'triacetate, triacetat, triacetato, triacetaat',
  wool: 'wool, merino, merino wool, lambswool, lamb wool, virgin wool, new wool, shetland, wolle, schurwolle, merinowolle, lammwolle, laine, laine vierge, laine merinos, merinos, lana, lana virgen, lana vergine, lana merino, wol, scheerwol, merinowol, lamswol',
  'wool-superwash': 'superwash wool, superwash merino, superwash, washable wool, machine washable wool',
  cashmere: 'cashmere, pashmina, yak, camel, camel hair, kaschmir, cachemire, cachemir, cashmire, kasjmier, kameelhaar, kamelhaar',
  mohair: 'mohair, moher, kid mohair',
  alpaca: 'alpaca, baby alpaca, alpaka, alpaga',
  angora: 'angora, angora rabbit',
  silk: 'silk, mulberry silk, seide, maulbeerseide, soie, seda, seta, zijde',
  polyester: 'polyester, poly, microfibre, microfiber, recycled polyester, poliester, poliestere, mikrofaser, microfaser, microfibra',
  polyamide: 'polyamide, nylon, polyamid, poliamida, poliammide, nailon',
  acrylic: 'acrylic, modacrylic, acryl, polyacryl, acrylique, polyacrylique, acrilico, acrilica, polyacrylnitril',
  elastane: 'elastane, spandex, elasthan, elasthanne, elastan, elastano, elastaan',
  polypropylene: 'polypropylene, polypropylen, polipropileno, polipropilene, polypropyleen',
  metallic: 'metallic, metallised, metallised fibre, metallfaser, metallic fibre, fibre metallique, metallique, metallizzata, metaalvezel',
  coated: 'coated, polyurethane, pu, pvc, faux leather, vegan leather, polyurethan, poliuretano, polyurethaan, kunstleder, kunstleer, ecopelle, similicuir',
  'down-fill': 'down, feather, goose down, duck down, down feather, daune, daunen, gansedaunen, feder, federn, duvet, plume, plumes, plumon, pluma, piumino, piuma, piume, dons, veren, veer',
  leather: 'leather, leder, cuir, cuero, pelle, leer',
  suede: 'suede, lambskin, sheepskin, wildleder, daim, ante, scamosciato, nubuck',
};
/** Short names that labels print beside a share (trade use); as words they would be read into ordinary text. */
// prettier-ignore
const codes: Readonly<Record<string, FibreId>> = {
  co: 'cotton', li: 'linen', ha: 'hemp', wo: 'wool', wv: 'wool', ws: 'cashmere', wp: 'alpaca', wm: 'mohair', wa: 'angora', se: 'silk',
  cv: 'viscose', vi: 'viscose', cmd: 'modal', md: 'modal', cly: 'lyocell', cup: 'cupro', ca: 'acetate', ac: 'acetate', cta: 'triacetate', pes: 'polyester', pl: 'polyester',
  pa: 'polyamide', pc: 'acrylic', pan: 'acrylic', ea: 'elastane', el: 'elastane', pp: 'polypropylene', me: 'metallic', unbekannt: 'unknown',
};
/** Words of a name that are words of their own beside it: they name a fibre only with a share, or after a part ("filling: duvet"). */
const onlyWithShare: ReadonlySet<string> = new Set([
  'duvet',
  'camel',
  'lin',
  'ante',
  'plume',
  'leer',
  'pelle',
  'metallic',
  'coated',
  'poly',
  'shetland',
  'daim',
  'dons',
  'veer',
  'pu',
  'pvc',
]);

export interface FibreWord {
  fibre: FibreId;
  /** Only beside a share. */
  weak: boolean;
}
const byName: ReadonlyMap<string, FibreWord> = new Map([
  ...Object.entries(codes).map(([word, fibre]) => [word, { fibre, weak: true }] as const),
  ...Object.entries(names).flatMap(([fibre, list]) =>
    list.split(', ').map((word) => [word, { fibre: fibre as FibreId, weak: onlyWithShare.has(word) }] as const),
  ),
]);

/** Letters without accents, for looking up. */
export const bare = (word: string): string => word.normalize('NFD').replace(/\p{M}/gu, '').replace(/ß/g, 'ss');

/**
 * The fibre of a name in any of the six languages, plural or not.
 * @example fibreNamed('élasthanne')?.fibre // 'elastane'
 */
export const fibreNamed = (words: string): FibreWord | null => {
  const key = bare(words.toLowerCase());
  return byName.get(key) ?? (key.endsWith('s') ? byName.get(key.slice(0, -1)) : undefined) ?? null;
};
/** Words before a fibre that do not change it. */
export const qualifiers: ReadonlySet<string> = new Set(
  (
    'pure new virgin organic recycled combed carded mercerised mercerized superfine extra fine pima brushed real genuine soft heavy light ' +
    'reine reiner kba bio pur pure vierge biologique puro pura vergine virgen organico biologico zuiver biologisch gerecycled recycelt recycle riciclato reciclado'
  ).split(' '),
);
/** Words that say a lone fibre is all there is. */
export const wholly: ReadonlySet<string> = new Set(['pure', 'all', 'only', 'pur', 'reine', 'pura', 'puro', 'zuiver']);

// prettier-ignore
const roleNames: Readonly<Record<PartRole, string>> = {
  shell: 'shell, outer, outer fabric, outer shell, face, body, main, main fabric, fabric, oberstoff, obermaterial, aussenmaterial, exterieur, tissu exterieur, exterior, tejido exterior, esterno, tessuto esterno, buitenstof, bovenstof',
  lining: 'lining, inner, inner lining, lined with, pocket lining, futter, innenfutter, doublure, forro, fodera, voering',
  filling: 'filling, fill, padding, wadding, filled with, padded with, fullung, garnissage, rembourrage, relleno, imbottitura, vulling',
  trim: 'trim, trimming, decoration, rib, ribbing, besatz, garniture, guarnizione, garnering',
};
const roles: ReadonlyMap<string, PartRole> = new Map(
  Object.entries(roleNames).flatMap(([role, list]) =>
    list.split(', ').map((word) => [word, role as PartRole] as const),
  ),
);
/** @example roleNamed('Futter') // 'lining' */
export const roleNamed = (words: string): PartRole | null => roles.get(bare(words.toLowerCase())) ?? null;
