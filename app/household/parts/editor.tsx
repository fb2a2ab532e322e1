/** The frame of every editor of the household: title, what is wrong, fields, store, back, remove. */
import type { SubmissionResult } from '@conform-to/react';
import type { FormEvent, ReactNode } from 'react';
import { styled } from 'styled-components';
import { Button, LinkButton } from '../../ui/button.tsx';
import { Actions, FormStack } from '../../ui/fields.tsx';
import { NotStored } from '../../ui/not-stored.tsx';
import { PageHead } from '../../ui/page.tsx';

type Reply = SubmissionResult<string[]> | null;
type Start = Readonly<Record<string, string | readonly string[]>>;

/** What a field of an editor shows: what was typed, else what is stored. */
export const editorFields = (reply: Reply, start: Start) => {
  const raw = (name: string): unknown => (reply ? reply.initialValue?.[name] : start[name]);
  const value = (name: string): string => {
    const x = raw(name);
    return typeof x === 'string' ? x : '';
  };
  const values = (name: string): string[] => {
    const x = raw(name);
    return Array.isArray(x) ? x.map(String) : typeof x === 'string' && x ? [x] : [];
  };
  return {
    value,
    values,
    bind: (name: string, label: string) => ({
      name,
      label,
      defaultValue: value(name),
      error: reply?.error?.[name]?.[0],
    }),
  };
};

/** The form, and its drawing beside it where there is room. */
const Beside = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 1.5rem 2.5rem;
  align-items: flex-start;
  > form {
    flex: 1 1 26rem;
  }
  > .drawing {
    flex: 0 1 19rem;
  }
`;
export function Editor({
  title,
  intro,
  reply,
  seen,
  remove,
  drawing,
  onChange,
  children,
}: {
  title: string;
  intro: ReactNode;
  reply: Reply;
  seen?: string | undefined;
  /** What the button says that takes it away; null = it stays. */
  remove?: string | null;
  drawing?: ReactNode;
  onChange?: (form: FormData) => void;
  children: ReactNode;
}) {
  return (
    <>
      <PageHead>
        <div>
          <h1>{title}</h1>
          <p>{intro}</p>
        </div>
      </PageHead>
      <Beside>
        <FormStack
          seen={seen}
          onChange={(event: FormEvent<HTMLFormElement>) => onChange?.(new FormData(event.currentTarget))}
        >
          <NotStored reply={reply} />
          {children}
          <Actions>
            <Button type="submit" name="intent" value="store">
              Store
            </Button>
            <LinkButton $quiet href="/household">
              Back
            </LinkButton>
            {remove && (
              <Button type="submit" name="intent" value="remove" $danger>
                {remove}
              </Button>
            )}
          </Actions>
        </FormStack>
        {drawing && <div className="drawing">{drawing}</div>}
      </Beside>
    </>
  );
}
