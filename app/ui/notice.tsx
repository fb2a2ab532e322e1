/** Notices, empty and error states. Meaning is carried by shape, word and colour together. */
import type { ReactNode } from 'react';
import { styled } from 'styled-components';

export type Severity = 'info' | 'caution' | 'danger';
const words: Record<Severity, string> = { info: 'Note', caution: 'Take care', danger: 'Danger' };
const colours: Record<Severity, [string, string]> = {
  info: ['var(--woad)', 'var(--woad-ground)'],
  caution: ['var(--weld)', 'var(--weld-ground)'],
  danger: ['var(--madder)', 'var(--madder-ground)'],
};

/** A sewn-in tab: round for a note, a pennant for care, an octagon for danger. */
const shapes: Record<Severity, ReactNode> = {
  info: <path d="M11 2a9 9 0 1 0 0 18 9 9 0 0 0 0-18Zm0 8v6M11 6.4v.2" />,
  caution: <path d="M3 2v18M3 3h16l-4.5 5 4.5 5H3" />,
  danger: <path d="M7.3 2h7.4L20 7.3v7.4L14.7 20H7.3L2 14.7V7.3ZM11 6.5v6M11 15.6v.2" />,
};
const Box = styled.div<{ $severity: Severity }>`
  display: grid;
  grid-template-columns: 22px 1fr;
  gap: 0.75rem;
  align-items: start;
  padding: 0.7rem 0.9rem;
  background: ${(p) => colours[p.$severity][1]};
  border-radius: 3px 14px 3px 14px;
  border: 1px dashed ${(p) => colours[p.$severity][0]};
  svg {
    margin-top: 0.1rem;
    stroke: ${(p) => colours[p.$severity][0]};
    fill: none;
    stroke-width: 2;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  strong {
    color: ${(p) => colours[p.$severity][0]};
    font-weight: 680;
  }
  break-inside: avoid;
`;
/** A title ends in a full stop unless it asks or calls. */
const asTitle = (title: string): string => (/[.!?]$/.test(title) ? title : `${title}.`);

export function Notice({
  severity = 'info',
  title,
  children,
  live = false,
}: {
  severity?: Severity;
  title?: string | undefined;
  children?: ReactNode;
  live?: boolean;
}) {
  return (
    <Box $severity={severity} {...(live ? { role: severity === 'info' ? 'status' : 'alert' } : {})}>
      <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
        {shapes[severity]}
      </svg>
      <div>
        <strong>{asTitle(title ?? words[severity])}</strong> {children}
      </div>
    </Box>
  );
}

const Lines = styled.ul`
  list-style: none;
  margin: 0.35rem 0 0;
  padding: 0;
  display: grid;
  gap: 0.35rem 2rem;
  grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
  li {
    padding-left: 0.9rem;
    position: relative;
  }
  li::before {
    content: '';
    position: absolute;
    left: 0;
    top: 0.72em;
    width: 0.5rem;
    border-top: 2px solid var(--weld);
  }
`;
/** Protection first, then what to watch, a line each. */
export const BeforeYouBegin = ({ ppe, lines }: { ppe: string; lines: readonly { id: string; text: string }[] }) => (
  <Notice severity="caution" title="Before you begin">
    {ppe}
    <Lines>
      {lines.map((l) => (
        <li key={l.id}>{l.text}</li>
      ))}
    </Lines>
  </Notice>
);

const EmptyBox = styled.div`
  display: grid;
  justify-items: center;
  gap: 0.9rem;
  text-align: center;
  padding: clamp(2rem, 9vh, 6rem) 1rem;
  max-width: 34rem;
  margin: 0 auto;
  p {
    color: var(--ink-soft);
  }
  svg {
    stroke: var(--shelf);
    fill: none;
    stroke-width: 2.5;
    stroke-linecap: round;
  }
`;
/** An empty shelf with one way on. */
export function Empty({ title, children, action }: { title: string; children: ReactNode; action?: ReactNode }) {
  return (
    <EmptyBox>
      <svg width="132" height="40" viewBox="0 0 132 40" aria-hidden="true">
        <path d="M4 34h124M12 34V22M120 34V22M12 6q54 22 108 0" />
      </svg>
      <h1>{title}</h1>
      <p>{children}</p>
      {action}
    </EmptyBox>
  );
}
