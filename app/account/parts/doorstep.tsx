/** The frame of the pages before the door: a narrow column, one question at a time. */
import type { ReactNode } from 'react';
import { styled } from 'styled-components';
import { FormStack } from '../../ui/fields.tsx';
import { Notice } from '../../ui/notice.tsx';

const Column = styled.div`
  max-width: 27rem;
  margin: clamp(0.5rem, 6vh, 4rem) auto 0;
  display: grid;
  gap: 1.2rem;
  form {
    padding-top: 1.1rem;
    border-top: 6px solid var(--shelf);
  }
  h1 + p {
    color: var(--ink-soft);
    margin-top: 0.25rem;
  }
  footer {
    display: flex;
    gap: 0.4rem 1.4rem;
    flex-wrap: wrap;
  }
  footer a {
    display: inline-flex;
    align-items: center;
    min-height: 2.75rem;
  }
`;

export function Doorstep({
  title,
  intro,
  problem = null,
  said = null,
  children,
  below,
}: {
  title: string;
  intro?: ReactNode;
  /** Why it was not done. */
  problem?: string | null;
  /** What was done. */
  said?: string | null;
  children?: ReactNode;
  below?: ReactNode;
}) {
  return (
    <Column>
      <div>
        <h1>{title}</h1>
        {intro && <p>{intro}</p>}
      </div>
      {said && (
        <Notice title="Done" live>
          {said}
        </Notice>
      )}
      {children && (
        <FormStack>
          {problem && (
            <Notice severity="caution" title="Not done yet" live>
              {problem}
            </Notice>
          )}
          {children}
        </FormStack>
      )}
      {below && <footer>{below}</footer>}
    </Column>
  );
}
