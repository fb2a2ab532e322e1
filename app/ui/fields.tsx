/** Form fields: a label, the control, a hint, an error that names what is wrong. Real form controls, so that forms work without JavaScript. */
import { useId, type ChangeEvent, type InputHTMLAttributes, type ReactNode, type SelectHTMLAttributes } from 'react';
import { FieldError, Input, Label, Text, TextField as AriaTextField } from 'react-aria-components';
import { css, styled } from 'styled-components';
import { PostForm } from './post-form.tsx';

const control = css`
  min-height: 2.75rem;
  padding: 0.35rem 0.7rem;
  width: 100%;
  border: 1.5px solid var(--hairline);
  border-radius: 4px 10px 4px 10px;
  background: var(--paper);
  color: var(--ink);
  &:hover {
    border-color: var(--shelf);
  }
  &[aria-invalid='true'],
  &[data-invalid] {
    border-color: var(--madder);
    border-style: dashed;
  }
`;
const labelText = css`
  font-weight: 600;
  font-size: 0.92rem;
`;
const hintText = css`
  font-size: 0.85rem;
  color: var(--ink-soft);
`;
const errorText = css`
  font-size: 0.88rem;
  color: var(--madder);
  font-weight: 600;
`;
export const Stack = styled.div`
  display: grid;
  gap: 0.25rem;
  align-content: start;
  min-width: 0;
`;
const StyledTextField = styled(AriaTextField)`
  display: grid;
  gap: 0.25rem;
  align-content: start;
  min-width: 0;
  label {
    ${labelText}
  }
  input {
    ${control}
  }
  [slot='description'] {
    ${hintText}
  }
  [slot='errorMessage'] {
    ${errorText}
  }
`;

export interface FieldProps {
  name: string;
  label: string;
  defaultValue?: string | number | null | undefined;
  hint?: string | undefined;
  error?: string | undefined;
  required?: boolean;
}

export function TextField({
  name,
  label,
  defaultValue,
  hint,
  error,
  required,
  inputMode,
  type = 'text',
  suffix,
  placeholder,
  list,
  autoComplete,
}: FieldProps &
  Pick<InputHTMLAttributes<HTMLInputElement>, 'inputMode' | 'placeholder' | 'list'> & {
    type?: 'text' | 'date' | 'datetime-local' | 'search' | 'email' | 'password';
    /** What a browser or a password manager may fill in. */
    autoComplete?: string;
    suffix?: string;
  }) {
  return (
    <StyledTextField
      name={name}
      defaultValue={String(defaultValue ?? '')}
      isInvalid={error !== undefined}
      isRequired={required ?? false}
      validationBehavior="aria"
      type={type}
    >
      <Label>
        {label}
        {suffix ? ` (${suffix})` : ''}
      </Label>
      <Input
        {...(inputMode ? { inputMode } : {})}
        {...(placeholder ? { placeholder } : {})}
        {...(list ? { list } : {})}
        {...(autoComplete ? { autoComplete } : {})}
      />
      {hint && <Text slot="description">{hint}</Text>}
      <FieldError>{error}</FieldError>
    </StyledTextField>
  );
}
/** A number typed as text, so that "2,5" is not swallowed by the browser; the server says what is wrong. */
export const NumberField = (props: FieldProps & { suffix?: string }) => <TextField {...props} inputMode="decimal" />;

export const Select = styled.select`
  ${control}
`;
const Area = styled.textarea`
  ${control} padding-top: 0.5rem;
`;
export const LabelText = styled.label`
  ${labelText}
`;
const Hint = styled.p`
  ${hintText}
`;
const ErrorLine = styled.p`
  ${errorText}
`;

interface Described {
  id: string;
  described: { 'aria-describedby'?: string };
  after: ReactNode;
}
function useDescribed(hint: string | undefined, error: string | undefined): Described {
  const id = useId();
  const ids = [hint ? `${id}-hint` : '', error ? `${id}-error` : ''].filter(Boolean).join(' ');
  return {
    id,
    described: ids ? { 'aria-describedby': ids } : {},
    after: (
      <>
        {hint && <Hint id={`${id}-hint`}>{hint}</Hint>}
        {error && <ErrorLine id={`${id}-error`}>{error}</ErrorLine>}
      </>
    ),
  };
}

export type Option = readonly [value: string, words: string];
export function SelectField({
  name,
  label,
  defaultValue,
  hint,
  error,
  options,
  ...rest
}: FieldProps & { options: readonly Option[] } & Pick<SelectHTMLAttributes<HTMLSelectElement>, 'onChange'>) {
  const { id, described, after } = useDescribed(hint, error);
  return (
    <Stack>
      <LabelText htmlFor={id}>{label}</LabelText>
      <Select
        id={id}
        name={name}
        defaultValue={String(defaultValue ?? '')}
        aria-invalid={error !== undefined}
        {...described}
        {...rest}
      >
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Select>
      {after}
    </Stack>
  );
}
export function AreaField({
  name,
  label,
  defaultValue,
  hint,
  error,
  rows = 3,
  value,
  onChange,
}: FieldProps & {
  rows?: number;
  /** Held by the page instead of by the field. */ value?: string;
  onChange?: (text: string) => void;
}) {
  const { id, described, after } = useDescribed(hint, error);
  return (
    <Stack>
      <LabelText htmlFor={id}>{label}</LabelText>
      <Area
        id={id}
        name={name}
        rows={rows}
        {...(value === undefined
          ? { defaultValue: String(defaultValue ?? '') }
          : { value, onChange: (event: ChangeEvent<HTMLTextAreaElement>) => onChange?.(event.target.value) })}
        aria-invalid={error !== undefined}
        {...described}
      />
      {after}
    </Stack>
  );
}

const Chips = styled.fieldset<{ $columns?: number }>`
  display: grid;
  gap: 0.35rem;
  legend {
    ${labelText} margin-bottom: 0.3rem;
  }
  > div {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
  }
`;
const Chip = styled.label<{ $large?: boolean }>`
  position: relative;
  display: inline-flex;
  align-items: center;
  min-height: ${(p) => (p.$large ? '3.25rem' : '2.75rem')};
  padding: 0.3rem ${(p) => (p.$large ? '1.2rem' : '0.9rem')};
  border: 1.5px solid var(--hairline);
  border-radius: 22px 4px 4px 22px;
  cursor: pointer;
  background: var(--paper);
  input {
    position: absolute;
    inset: 0;
    opacity: 0;
    margin: 0;
    cursor: pointer;
    width: 100%;
    height: 100%;
  }
  &:hover {
    border-color: var(--shelf);
  }
  &:has(input:checked) {
    background: var(--wash);
    border-color: var(--ink);
    font-weight: 650;
  }
  &:has(input:focus-visible) {
    outline: 3px solid var(--woad);
    outline-offset: 2px;
  }
`;
export function ChoiceField({
  name,
  label,
  options,
  defaultValue,
  error,
  large,
  type = 'radio',
}: {
  name: string;
  label: string;
  options: readonly Option[];
  defaultValue?: string | readonly string[] | undefined;
  error?: string | undefined;
  large?: boolean;
  type?: 'radio' | 'checkbox';
}) {
  const id = useId();
  const on = (value: string): boolean =>
    Array.isArray(defaultValue) ? defaultValue.includes(value) : defaultValue === value;
  return (
    <Chips {...(error ? { 'aria-describedby': `${id}-error` } : {})}>
      <legend>{label}</legend>
      <div>
        {options.map(([value, words]) => (
          <Chip key={value} $large={large ?? false}>
            <input type={type} name={name} value={value} defaultChecked={on(value)} />
            {words}
          </Chip>
        ))}
      </div>
      {error && <ErrorLine id={`${id}-error`}>{error}</ErrorLine>}
    </Chips>
  );
}

/** Fields side by side where there is room. */
export const FieldGrid = styled.div<{ $min?: string }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(${(p) => p.$min ?? '13rem'}, 100%), 1fr));
  gap: 1rem 1.25rem;
`;
export const FormStack = styled(PostForm)`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.4rem;
  max-width: 62rem;
`;
export const Actions = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: center;
  ${'@media print'} {
    display: none;
  }
`;
