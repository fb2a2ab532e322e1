/**
 * Fibre composition from typed words: shares before or after the fibre, with or without the sign, "60/40 cotton/poly", part by part. What is no
 * known fibre is asked for, never guessed.
 */
import type { FibreId } from '../fibre/fibres.ts';
import { say, type Message } from '../message/message.ts';
import type { FibreShare, Part, PartRole } from '../model/garment.ts';
import { roundTo } from '../units/numbers.ts';
import { fibreNamed, qualifiers, roleNamed, wholly } from './fibre-words.ts';

type Item = { from: number; to: number } & (
  | { is: 'share'; percent: number; sure: boolean }
  | { is: 'fibre'; fibre: FibreId; weak: boolean }
  | { is: 'role'; role: PartRole }
  | { is: 'whole' }
  | { is: 'qualifier' | 'join' | 'comma' | 'end' }
  | { is: 'word'; word: string }
);

const token = /[\p{L}]+|\d+(?:[.,]\d+)?|[^\s]/gu;
const percentWords: ReadonlySet<string> = new Set(['percent', 'pct', 'prozent']);

/** The line as shares, fibres, parts and what stands between them. */
function itemsOf(text: string): Item[] {
  const tokens = [...text.matchAll(token)].map((m) => ({ word: m[0], from: m.index, to: m.index + m[0].length }));
  const items: Item[] = [];
  for (let i = 0; i < tokens.length;) {
    const t = tokens[i];
    if (!t) break;
    const words = (n: number): string =>
      tokens
        .slice(i, i + n)
        .map((x) => x.word)
        .filter((w) => w !== '-')
        .join(' ');
    const end = (n: number): number => tokens[i + n - 1]?.to ?? t.to;
    if (/^\d/.test(t.word)) {
      const next = tokens[i + 1]?.word;
      const sign =
        next === '%' || percentWords.has(next ?? '') ? 1 : next === 'per' && tokens[i + 2]?.word === 'cent' ? 2 : 0;
      items.push({
        is: 'share',
        percent: Number(t.word.replace(',', '.')),
        sure: sign > 0,
        from: t.from,
        to: end(1 + sign),
      });
      i += 1 + sign;
      continue;
    }
    if (/^\p{L}/u.test(t.word)) {
      let taken = 0;
      for (let n = 4; n > 0 && taken === 0; n--) {
        if (i + n > tokens.length || (n > 1 && !/^[\p{L}-]/u.test(tokens[i + n - 1]?.word ?? ''))) continue;
        const role = roleNamed(words(n));
        const fibre = role ? null : fibreNamed(words(n));
        if (role) items.push({ is: 'role', role, from: t.from, to: end(n) });
        else if (fibre) items.push({ is: 'fibre', ...fibre, from: t.from, to: end(n) });
        if (role || fibre) taken = n;
      }
      if (taken === 0) {
        const w = t.word.toLowerCase();
        const place = { from: t.from, to: t.to };
        if (wholly.has(w)) items.push({ is: 'whole', ...place });
        else if (qualifiers.has(w)) items.push({ is: 'qualifier', ...place });
        else if (['and', 'of', 'und', 'et', 'y', 'e', 'en'].includes(w)) items.push({ is: 'join', ...place });
        else items.push({ is: 'word', word: t.word, ...place });
        taken = 1;
      }
      i += taken;
      continue;
    }
    const place = { from: t.from, to: t.to };
    if ('/+&:-'.includes(t.word)) items.push({ is: 'join', ...place });
    else if (t.word === ',') items.push({ is: 'comma', ...place });
    else if (';|\n()'.includes(t.word)) items.push({ is: 'end', ...place });
    else items.push({ is: 'word', word: t.word, ...place });
    i++;
  }
  return items;
}

interface Run {
  items: Item[];
  from: number;
  to: number;
  /** What stands around it. */
  alone: boolean;
}
const inRun = (item: Item): boolean => ['share', 'fibre', 'whole', 'qualifier', 'join', 'comma'].includes(item.is);
/** Stretches that talk of fibres, and the parts named between them, in order. */
function runsOf(items: readonly Item[]): (Run | { role: PartRole; from: number; to: number })[] {
  const out: (Run | { role: PartRole; from: number; to: number })[] = [];
  let run: Item[] = [];
  let start = 0;
  const close = (next: number): void => {
    let low = 0;
    let high = run.length;
    const edge = (x: Item | undefined): boolean => x !== undefined && ['join', 'comma'].includes(x.is);
    while (low < high && edge(run[low])) low++;
    while (high > low && edge(run[high - 1])) high--;
    // "…, elastane 20 %, 30 gentle": the number left over at the end is a temperature, no share.
    const tail = run[high - 1];
    const count = (is: Item['is']): number => run.slice(low, high).filter((x) => x.is === is).length;
    if (tail?.is === 'share' && !tail.sure && count('share') > count('fibre')) high--;
    while (high > low && edge(run[high - 1])) high--;
    const kept = run.slice(low, high);
    const first = kept[0];
    const last = kept.at(-1);
    if (first && last && kept.some((x) => x.is === 'fibre')) {
      const outside = (k: number): boolean => {
        const neighbour = items[k];
        return neighbour === undefined || neighbour.is !== 'word';
      };
      const before = low > 0 || outside(start - 1);
      const after = high < run.length || outside(next);
      out.push({ items: kept, from: first.from, to: last.to, alone: before && after });
    }
    run = [];
  };
  for (const [k, item] of items.entries()) {
    if (inRun(item)) {
      if (run.length === 0) start = k;
      run.push(item);
      continue;
    }
    close(k);
    if (item.is === 'role') out.push({ role: item.role, from: item.from, to: item.to });
  }
  close(items.length);
  return out;
}

type Share = Extract<Item, { is: 'share' }>;
type Fibre = Extract<Item, { is: 'fibre' }>;
interface Pairs {
  shares: { share: Share; fibre: Fibre }[];
  /** Fibres without a share. */
  left: Fibre[];
}
/** Which share belongs to which fibre: all shares on one side, else on the side the run ends with. */
function pairsOf(run: readonly Item[]): Pairs {
  const told = run.filter((x): x is Share | Fibre => x.is === 'share' || x.is === 'fibre');
  const shares = told.filter((x): x is Share => x.is === 'share');
  const fibres = told.filter((x): x is Fibre => x.is === 'fibre');
  const firstFibre = told.findIndex((x) => x.is === 'fibre');
  const block =
    shares.length > 1 &&
    shares.length === fibres.length &&
    (firstFibre === shares.length || told.slice(0, fibres.length).every((x) => x.is === 'fibre'));
  if (block)
    return { shares: shares.flatMap((share, k) => (fibres[k] ? [{ share, fibre: fibres[k] }] : [])), left: [] };
  const nameFirst = told.at(-1)?.is === 'share' && told[0]?.is === 'fibre';
  const pairs: Pairs = { shares: [], left: [] };
  for (let k = 0; k < told.length; k++) {
    const [a, b, c] = [told[k], told[k + 1], told[k + 2]];
    if (a?.is === 'share' && b?.is === 'fibre') {
      pairs.shares.push({ share: a, fibre: b });
      k++;
    } else if (a?.is === 'fibre' && b?.is === 'share' && (nameFirst || c?.is !== 'fibre')) {
      pairs.shares.push({ share: b, fibre: a });
      k++;
    } else if (a?.is === 'fibre') pairs.left.push(a);
  }
  return pairs;
}

const totalOf = (list: readonly { percent: number }[]): number => list.reduce((s, x) => s + x.percent, 0);
const isWhole = (list: readonly { percent: number }[]): boolean => Math.abs(totalOf(list) - 100) <= 1;

export interface CompositionScan {
  parts: Part[];
  /** Fibres that were named without shares, part by part; more than one: nobody said how much of each. */
  named: { role: PartRole; fibres: FibreId[] }[];
  /** Where it is said; `ofPart` = with the part it is of ("polyester lining"). */
  spans: { from: number; to: number; ofPart: boolean }[];
  /** What does not add up. */
  problems: CompositionProblem[];
}
export type CompositionProblem =
  | { is: 'unknown-fibre'; word: string; percent: number }
  | { is: 'sum'; role: PartRole; total: number; fibres: FibreShare[] };

/**
 * Read the fibres of a text. `bare` says when a fibre without a share counts: `alone` = only where nothing else stands beside it, as on a label;
 * `any` = also in speech ("navy merino jumper"); `none` = shares only.
 *
 * @example scanComposition('polyamide 80% elastane 20%', 'any').parts[0]?.fibres // polyamide 80, elastane 20
 */
export function scanComposition(text: string, bareFibres: 'alone' | 'any' | 'none'): CompositionScan {
  const items = itemsOf(text);
  const runs = runsOf(items);
  const parts = new Map<PartRole, FibreShare[]>();
  const named = new Map<PartRole, FibreId[]>();
  const spans: CompositionScan['spans'] = [];
  const problems: CompositionProblem[] = [];
  // "shell cotton, lining polyester" names a part before its fibres, "cotton shell, polyester lining" after them.
  const after = runs.length > 0 && !('role' in (runs[0] ?? {})) && 'role' in (runs.at(-1) ?? {});
  let role: PartRole = 'shell';
  for (const [k, run] of runs.entries()) {
    if ('role' in run) {
      if (!after) role = run.role;
      continue;
    }
    const next = runs[k + 1];
    if (after) role = next && 'role' in next ? next.role : 'shell';
    const roleSpan = after ? next : runs[k - 1];
    const take = (): void => {
      const ofPart = roleSpan !== undefined && 'role' in roleSpan;
      spans.push({ from: run.from, to: run.to, ofPart });
      if (ofPart) spans.push({ from: roleSpan.from, to: roleSpan.to, ofPart });
    };
    const { shares, left } = pairsOf(run.items);
    const stated = shares.map(({ share, fibre }) => ({ fibre: fibre.fibre, percent: share.percent }));
    const sure = shares.length > 0 && (shares.some(({ share }) => share.sure) || isWhole(stated));
    if (sure) {
      const list = parts.get(role) ?? [];
      for (const x of stated) {
        const same = list.find((f) => f.fibre === x.fibre);
        if (same) same.percent += x.percent;
        else list.push(x);
      }
      parts.set(role, list);
      take();
      continue;
    }
    const strong = (shares.length > 0 ? shares.map((s) => s.fibre) : left).filter(
      (f) => !f.weak || 'role' in (roleSpan ?? {}),
    );
    const counts =
      bareFibres === 'any' ||
      (bareFibres === 'alone' && (run.alone || run.items.some((x) => x.is === 'whole')) && shares.length === 0);
    if (strong.length > 0 && counts) {
      named.set(role, [...new Set([...(named.get(role) ?? []), ...strong.map((f) => f.fibre)])]);
      if (shares.length === 0) take();
      else for (const f of strong) spans.push({ from: f.from, to: f.to, ofPart: false });
    }
  }
  for (const [k, item] of items.entries()) {
    if (item.is !== 'share' || !item.sure) continue;
    const next = items[k + 1];
    if (
      next?.is === 'word' &&
      /^\p{L}/u.test(next.word) &&
      !spans.some((s) => s.from <= item.from && item.to <= s.to)
    ) {
      problems.push({ is: 'unknown-fibre', word: next.word, percent: item.percent });
      spans.push({ from: item.from, to: next.to, ofPart: true });
    }
  }
  for (const [r, fibres] of parts) {
    const zero = fibres.filter((f) => f.percent > 0);
    if (!isWhole(fibres)) problems.push({ is: 'sum', role: r, total: totalOf(fibres), fibres });
    parts.set(r, zero.length > 0 ? zero : fibres);
  }
  for (const r of parts.keys()) named.delete(r);
  return {
    parts: [...parts].map(([r, fibres]) => ({ role: r, fibres })),
    named: [...named].map(([r, fibres]) => ({ role: r, fibres })),
    spans,
    problems,
  };
}

export interface CompositionReading {
  parts: Part[];
  /** Pieces of text read as fibres. */
  understood: string[];
  /** What is wrong with it, and what to do. */
  problems: Message[];
  rest: string;
}

const said = (p: CompositionProblem): Message =>
  p.is === 'unknown-fibre'
    ? say('line.unknown-fibre', { name: p.word, percent: p.percent })
    : say('line.sum', { role: p.role, percent: roundTo(p.total, 1), shares: p.fibres });

/** The composition on a label: fibres without a share count where they stand alone. */
export function readComposition(text: string): CompositionReading {
  const scan = scanComposition(text.toLowerCase().length === text.length ? text.toLowerCase() : text, 'alone');
  const spans = scan.spans.sort((a, b) => a.from - b.from);
  let rest = text;
  for (const { from, to } of [...spans].reverse()) rest = `${rest.slice(0, from)} ${rest.slice(to)}`;
  return {
    parts: [
      ...scan.parts,
      ...scan.named
        .filter((n) => n.fibres.length === 1)
        .map((n) => ({ role: n.role, fibres: n.fibres.map((fibre) => ({ fibre, percent: 100 })) })),
    ],
    understood: spans.map(({ from, to }) => text.slice(from, to).trim()),
    problems: scan.problems.map(said),
    rest: rest
      .split(/[;\n|]+|,/)
      .map((x) =>
        x
          .trim()
          .replace(/\s+/g, ' ')
          .replace(/^[:/+]\s*|\s*[:/+]$/g, ''),
      )
      .filter(Boolean)
      .join(', '),
  };
}
