/** Sentences whose terms explain themselves where they stand, while somebody learns; plain text for everybody else. */
import { createContext, Fragment, useContext } from 'react';
import { Button, Dialog, DialogTrigger, Popover } from 'react-aria-components';
import { styled } from 'styled-components';
import { terms, type Term } from '@words/en/lessons.ts';

const Learning = createContext(false);
export const LearningProvider = Learning.Provider;
/** Whether whoever looks wants things explained. */
export const useLearning = (): boolean => useContext(Learning);

const Word = styled(Button)`
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 0;
  cursor: help;
  text-decoration: underline dotted 2px;
  text-decoration-color: var(--woad);
  text-underline-offset: 0.22em;
  border-radius: 2px;
`;
const Bubble = styled(Popover)`
  max-width: min(22rem, 92vw);
  background: var(--paper);
  color: var(--ink);
  border: 1.5px solid var(--ink);
  border-radius: 12px 4px 12px 4px;
  padding: 0.7rem 0.9rem;
  font-size: 0.98rem;
  line-height: 1.4;
`;

const byWord: ReadonlyMap<string, Term> = new Map(terms.flatMap((t) => t.words.map((w) => [w, t] as const)));
/** The longest words first, so that “colour catcher” is not “catcher”. */
const anyTerm = new RegExp(
  `(?<![\\p{L}-])(${[...byWord.keys()].sort((a, b) => b.length - a.length).join('|')})(?![\\p{L}-])`,
  'giu',
);

export interface Span {
  text: string;
  /** What the term means; null = plain words. */
  means: string | null;
}
/**
 * A sentence cut at its terms, each explained where it first stands.
 * @example spansOf('Spin at 600 rpm.')[0] // { text: 'Spin', means: 'How fast …' }
 */
export function spansOf(sentence: string): Span[] {
  const out: Span[] = [];
  const told = new Set<Term>();
  let at = 0;
  for (const found of sentence.matchAll(anyTerm)) {
    const term = byWord.get(found[0].toLowerCase());
    if (!term || told.has(term)) continue;
    told.add(term);
    if (found.index > at) out.push({ text: sentence.slice(at, found.index), means: null });
    out.push({ text: found[0], means: term.text });
    at = found.index + found[0].length;
  }
  if (at < sentence.length) out.push({ text: sentence.slice(at), means: null });
  return out;
}

export function Explained({ children }: { children: string }) {
  const learning = useLearning();
  if (!learning) return children;
  return spansOf(children).map((s, i) =>
    s.means === null ? (
      <Fragment key={i}>{s.text}</Fragment>
    ) : (
      <DialogTrigger key={i}>
        <Word>{s.text}</Word>
        <Bubble placement="top">
          <Dialog aria-label={`What “${s.text}” means`} style={{ outline: 'none' }}>
            {s.means}
          </Dialog>
        </Bubble>
      </DialogTrigger>
    ),
  );
}
