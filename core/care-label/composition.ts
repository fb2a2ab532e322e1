/** Fibre composition from typed words: shares in many spellings, part by part. What is no known fibre is asked for, never guessed. */
import { fibreFacts, fibreWords, type FibreId } from '../fibre/fibres.ts';
import type { FibreShare, Part, PartRole } from '../model/garment.ts';

/** Names in other languages and the textile codes of labels (ISO 2076 and trade use). */
const moreWords: Readonly<Record<string, FibreId>> = {
  baumwolle: 'cotton',
  coton: 'cotton',
  cotone: 'cotton',
  algodon: 'cotton',
  algodón: 'cotton',
  katoen: 'cotton',
  bomull: 'cotton',
  leinen: 'linen',
  lin: 'linen',
  lino: 'linen',
  linnen: 'linen',
  flax: 'linen',
  wolle: 'wool',
  laine: 'wool',
  lana: 'wool',
  wol: 'wool',
  schurwolle: 'wool',
  seide: 'silk',
  soie: 'silk',
  seta: 'silk',
  seda: 'silk',
  zijde: 'silk',
  viskose: 'viscose',
  viscosa: 'viscose',
  polyester: 'polyester',
  poliestere: 'polyester',
  poliéster: 'polyester',
  polyamid: 'polyamide',
  poliammide: 'polyamide',
  poliamida: 'polyamide',
  polyacryl: 'acrylic',
  acrylique: 'acrylic',
  elasthan: 'elastane',
  élasthanne: 'elastane',
  elasthanne: 'elastane',
  elastan: 'elastane',
  kaschmir: 'cashmere',
  cachemire: 'cashmere',
  daunen: 'down-fill',
  duvet: 'down-fill',
  leder: 'leather',
  cuir: 'leather',
  kunststoff: 'unknown',
  co: 'cotton',
  li: 'linen',
  wo: 'wool',
  wv: 'wool',
  ws: 'cashmere',
  wp: 'alpaca',
  wm: 'mohair',
  wa: 'angora',
  se: 'silk',
  cv: 'viscose',
  cmd: 'modal',
  cly: 'lyocell',
  cup: 'cupro',
  ca: 'acetate',
  cta: 'triacetate',
  pes: 'polyester',
  pl: 'polyester',
  pa: 'polyamide',
  pc: 'acrylic',
  pan: 'acrylic',
  ea: 'elastane',
  el: 'elastane',
  pp: 'polypropylene',
  me: 'metallic',
  ha: 'hemp',
};
const codeLike = /^[a-z]{2,3}$/;
const allWords: Readonly<Record<string, FibreId>> = { ...fibreWords, ...moreWords };
/** Longest first, so that "virgin wool" is not read as "wool" with a stray word. */
const names = Object.keys(allWords).sort((a, b) => b.length - a.length);
const qualifiers =
  /^(pure|new|virgin|organic|recycled|combed|mercerised|mercerized|superfine|extra fine|fine|pima|brushed|real|genuine|100\s*%)\s+/;

const roleWords: readonly [RegExp, PartRole][] = [
  [/^(shell|outer(?: fabric| shell)?|face|body|main|fabric|oberstoff|extérieur)\b/, 'shell'],
  [/^(lining|inner|futter|doublure|pocket lining)\b/, 'lining'],
  [/^(filling|fill|padding|wadding|füllung|garnissage)\b/, 'filling'],
  [/^(trim|trimming|decoration|rib|collar|cuffs|embroidery|lace)\b/, 'trim'],
];

export interface CompositionReading {
  parts: Part[];
  /** Pieces of text read as fibres. */
  understood: string[];
  /** What is wrong with it, in words that say what to do. */
  problems: string[];
  rest: string;
}

function fibreOf(text: string): FibreId | null {
  let word = text.trim().toLowerCase();
  for (let stripped = word.replace(qualifiers, ''); stripped !== word; stripped = word.replace(qualifiers, ''))
    word = stripped;
  if (word.includes('superwash') && word.includes('wool')) return 'wool-superwash';
  const name = names.find((n) => word === n || word === `${n}s`);
  return name ? (allWords[name] ?? null) : null;
}

const percent = String.raw`(\d{1,3}(?:[.,]\d+)?)\s*(?:%|percent|per cent|pct)`;
const afterShare = new RegExp(String.raw`${percent}\s*(?:of\s+)?([a-zà-ÿ]+(?:[ -][a-zà-ÿ]+){0,2})`, 'i');
const beforeShare = new RegExp(String.raw`([a-zà-ÿ]+(?:[ -][a-zà-ÿ]+){0,1})\s*:?\s*${percent}`, 'i');
const pure = /\b(?:all|pure|100)\s+([a-zà-ÿ]+(?: [a-zà-ÿ]+)?)/i;

/** The longest run of words, from the first on, that names a fibre. */
function leadingFibre(words: string): { fibre: FibreId; length: number } | null {
  const list = words.split(/(?<=[ -])/);
  for (let n = list.length; n > 0; n--) {
    const run = list.slice(0, n).join('');
    const fibre = fibreOf(run.replace(/[ -]+$/, ''));
    if (fibre) return { fibre, length: run.length };
  }
  return null;
}

export function readComposition(text: string): CompositionReading {
  const parts = new Map<PartRole, FibreShare[]>();
  const understood: string[] = [];
  const problems: string[] = [];
  let rest = '';
  let role: PartRole = 'shell';
  for (const raw of text.split(/[;\n|]+|,(?!\d)|\/|\+|(?<=[a-z%])\s+and\s+/i)) {
    let clause = raw.trim();
    const at = roleWords.find(
      ([words]) => words.test(clause.toLowerCase()) && (/%|:/.test(clause) || clause.split(/\s+/).length === 1),
    );
    if (at) {
      role = at[1];
      clause = clause.replace(new RegExp(at[0].source, 'i'), '').replace(/^\s*:?\s*/, '');
    }
    const add = (fibre: FibreId, share: number, words: string): void => {
      const list = parts.get(role) ?? [];
      const same = list.find((f) => f.fibre === fibre);
      if (same) same.percent += share;
      else list.push({ fibre, percent: share });
      parts.set(role, list);
      understood.push(words.trim());
    };
    // "CO 97 % EL 3 %": the first word tells on which side of its share a fibre stands.
    const nameFirst = !/^\s*\d/.test(clause);
    const number = (s: string | undefined): number => Number((s ?? '').replace(',', '.'));
    for (let guard = 0; guard < 12; guard++) {
      const before = beforeShare.exec(clause);
      const named = before ? fibreOf(before[1] ?? '') : null;
      if (nameFirst && before && named) {
        add(named, number(before[2]), before[0]);
        clause = clause.replace(before[0], ' ');
        continue;
      }
      const after = afterShare.exec(clause);
      const lead = after ? leadingFibre(after[2] ?? '') : null;
      if (after && lead) {
        const end = after.index + after[0].length - (after[2] ?? '').length + lead.length;
        add(lead.fibre, number(after[1]), clause.slice(after.index, end));
        clause = `${clause.slice(0, after.index)} ${clause.slice(end)}`;
        continue;
      }
      if (before && named) {
        add(named, number(before[2]), before[0]);
        clause = clause.replace(before[0], ' ');
        continue;
      }
      if (after) {
        problems.push(`"${(after[2] ?? '').trim()}" is no fibre we know: which one is it?`);
        clause = clause.replace(after[0], ' ');
        continue;
      }
      const only = pure.exec(clause);
      const lone = only ? leadingFibre(only[1] ?? '') : null;
      if (only && lone && !parts.has(role)) {
        add(lone.fibre, 100, only[0]);
        clause = clause.replace(only[0], ' ');
        continue;
      }
      break;
    }
    const alone =
      clause.trim() && !parts.has(role) && !codeLike.test(clause.trim().toLowerCase()) ? fibreOf(clause) : null;
    if (alone) add(alone, 100, clause);
    else if (clause.trim()) rest += `${rest ? ', ' : ''}${clause.trim().replace(/\s+/g, ' ')}`;
  }
  const list = [...parts].map(([r, fibres]): Part => ({ role: r, fibres }));
  for (const p of list) {
    const total = p.fibres.reduce((s, f) => s + f.percent, 0);
    if (Math.abs(total - 100) > 1)
      problems.push(
        `The ${p.role} sums to ${Math.round(total * 10) / 10} %, not 100: ${p.fibres.map((f) => `${f.percent} % ${fibreFacts(f.fibre).name}`).join(', ')}.`,
      );
  }
  return { parts: list, understood, problems, rest };
}
