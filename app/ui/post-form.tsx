/**
 * A form that is sent to the server. It carries the page's key, so that a form sent twice is done once, and asks whether the server answers
 * before it is sent: when it does not, what was typed stays where it is. Without JavaScript it is a plain form.
 */
import { createContext, useContext, useRef, useState, type FormEvent, type ReactNode } from 'react';
import { Form, useLocation, useSubmit, type FetcherWithComponents, type FormProps } from 'react-router';
import { homeField, keyField, seenField } from '../forms/names.ts';
import { Notice } from './notice.tsx';

/** `looksOnly`: whoever looks at the page may not send its forms; only those of their own account. */
const FormKey = createContext({ key: '', home: '', looksOnly: false });
const ownForms = /^\/(account|households|welcome|begin|join)\b/;
export const FormKeyProvider = FormKey.Provider;
/** The key of this page's forms and the household it is of, for what is sent without a form. */
export const useFormKey = (): Record<typeof keyField | typeof homeField, string> => {
  const { key, home } = useContext(FormKey);
  return { [keyField]: key, [homeField]: home };
};

const answerMs = 4_000;
const serverAnswers = (): Promise<boolean> =>
  fetch('/readyz', { signal: AbortSignal.timeout(answerMs) }).then(
    (r) => r.ok,
    () => false,
  );

export interface PostFormProps extends Omit<FormProps, 'method' | 'onSubmit'> {
  children: ReactNode;
  /** What the form was filled in from (`versionOf`); a newer state is then shown instead of overwritten. */
  seen?: string | undefined;
  /** Send through this fetcher, without leaving the page. */
  fetcher?: Pick<FetcherWithComponents<unknown>, 'submit'>;
}
export function PostForm({ children, seen, fetcher, ...props }: PostFormProps) {
  const key = useFormKey();
  const { looksOnly } = useContext(FormKey);
  const { pathname } = useLocation();
  const shut = looksOnly && !ownForms.test(typeof props.action === 'string' ? props.action : pathname);
  const submit = useSubmit();
  const asking = useRef(false);
  const [away, setAway] = useState(false);
  const send = async (event: FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    if (asking.current) return;
    const form = event.currentTarget;
    const from = ((event.nativeEvent as SubmitEvent).submitter as HTMLButtonElement | null) ?? form;
    asking.current = true;
    const there = await serverAnswers();
    asking.current = false;
    setAway(!there);
    if (!there) return;
    if (fetcher) await fetcher.submit(from);
    else
      await submit(from, {
        preventScrollReset: props.preventScrollReset ?? false,
        replace: props.replace ?? false,
      });
  };
  return (
    <Form {...props} method="post" onSubmit={(event) => void send(event)}>
      <input type="hidden" name={keyField} value={key[keyField]} />
      <input type="hidden" name={homeField} value={key[homeField]} />
      {seen !== undefined && <input type="hidden" name={seenField} value={seen} />}
      {away && (
        <div style={{ gridColumn: '1 / -1' }}>
          <Notice severity="caution" title="Not sent" live>
            The server gives no answer. What you typed is still here: try again in a moment.
          </Notice>
        </div>
      )}
      {shut ? (
        <fieldset disabled style={{ display: 'contents' }}>
          {children}
        </fieldset>
      ) : (
        children
      )}
    </Form>
  );
}
