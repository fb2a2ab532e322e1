/**
 * A typed line under reading. Readers look at the words nobody has claimed yet, claim what they understand and say what it is; what is left over
 * in the end was not understood. Nothing is cut out: every claim keeps its place in the line, so that a screen can show what became of each word.
 */

/** What a stretch of the line says. `filler` says nothing a wash depends on; `pattern` says there is a second colour. */
export type Said =
  | 'kind'
  | 'fibres'
  | 'label'
  | 'colour'
  | 'pattern'
  | 'trait'
  | 'dye'
  | 'size'
  | 'count'
  | 'owner'
  | 'value'
  | 'wears'
  | 'washes'
  | 'stain'
  | 'odour'
  | 'filler';

export interface Claim {
  from: number;
  to: number;
  said: Said;
  /** Whether these words stay in the name of the piece. */
  named: boolean;
}

/** Stands for a letter that is claimed. */
export const taken = '\u0001';
/** Lower case of the same length, whatever the letter. */
const lowered = (text: string): string =>
  [...text].map((c) => (c.toLowerCase().length === c.length ? c.toLowerCase() : c)).join('');

/**
 * A pattern of whole words: letters and digits do not go on at its ends, in any alphabet.
 * @example wholeWords('value (\\d+)').test('value 200') // true
 */
export const wholeWords = (source: string): RegExp =>
  new RegExp(`(?<![\\p{L}\\p{N}])(?:${source})(?![\\p{L}\\p{N}])`, 'u');

export class Line {
  /** As it was typed, with single spaces. */
  readonly text: string;
  /** Lower case, what is claimed blotted out, same length as `text`. */
  open: string;
  readonly claims: Claim[] = [];

  constructor(typed: string) {
    this.text = typed.normalize('NFC').trim().replace(/\s+/gu, ' ');
    this.open = lowered(this.text);
  }

  claim(from: number, to: number, said: Said, named = false): void {
    this.claims.push({ from, to, said, named });
    this.open = this.open.slice(0, from) + taken.repeat(to - from) + this.open.slice(to);
  }

  /** Claim the first place where a pattern fits; null when it fits nowhere. */
  take(pattern: RegExp, said: Said, named = false): RegExpExecArray | null {
    const match = pattern.exec(this.open);
    if (match && match[0] !== '') this.claim(match.index, match.index + match[0].length, said, named);
    return match && match[0] !== '' ? match : null;
  }

  /** Words nobody claimed, with their places. */
  *rest(): Generator<{ from: number; to: number; word: string }> {
    for (const m of this.open.matchAll(/[\p{L}\p{N}][\p{L}\p{N}'’-]*/gu))
      yield { from: m.index, to: m.index + m[0].length, word: m[0] };
  }

  /** Claims in the order of the line. */
  inOrder(): Claim[] {
    return [...this.claims].sort((a, b) => a.from - b.from);
  }
}

const irregular: Readonly<Record<string, string>> = { scarves: 'scarf', cloths: 'cloth', clothes: 'clothes' };
/**
 * A word without its plural.
 * @example singular('dresses') // 'dress'
 */
export function singular(word: string): string {
  const known = irregular[word];
  if (known) return known;
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (/(ss|sh|ch|x|z)es$/.test(word)) return word.slice(0, -2);
  if (word.length > 3 && word.endsWith('s') && !word.endsWith('ss')) return word.slice(0, -1);
  return word;
}
