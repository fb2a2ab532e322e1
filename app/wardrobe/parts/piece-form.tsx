/** The full form of a piece. Works without JavaScript; errors stand at their field and in the notice. */
import type { SubmissionResult } from '@conform-to/react';
import { styled } from 'styled-components';
import type { PieceOptions } from '../piece-options.server.ts';
import { Button } from '../../ui/button.tsx';
import {
  Actions,
  ChoiceField,
  FieldGrid,
  FormStack,
  NumberField,
  SelectField,
  TextField,
  type Option,
} from '../../ui/fields.tsx';
import { NotStored } from '../../ui/not-stored.tsx';
import { Section } from '../../ui/page.tsx';
import { PhotoColours } from './photo-colours.tsx';

const ColourRow = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 1.2rem;
  label {
    display: grid;
    gap: 0.25rem;
    font-weight: 600;
    font-size: 0.92rem;
  }
  input[type='color'] {
    width: 5.5rem;
    height: 2.75rem;
    padding: 3px;
    border: 1.5px solid var(--hairline);
    border-radius: 22px 4px 4px 22px;
    background: var(--paper);
    cursor: pointer;
  }
  .with {
    display: flex;
    gap: 0.8rem;
    align-items: end;
  }
  .tick {
    display: flex;
    align-items: center;
    min-height: 2.75rem;
    font-weight: 400;
    gap: 0.5rem;
  }
  .tick input {
    width: 1.4rem;
    height: 1.4rem;
    accent-color: var(--ink);
  }
`;
const More = styled.details`
  summary {
    cursor: pointer;
    font-weight: 600;
    min-height: 2.75rem;
    display: flex;
    align-items: center;
  }
  summary::before {
    content: '▸';
    margin-right: 0.5rem;
  }
  &[open] summary::before {
    content: '▾';
  }
  summary::-webkit-details-marker {
    display: none;
  }
`;

type Reply = SubmissionResult<string[]> | null;
export function PieceForm({
  start,
  options,
  reply,
  isNew,
  seen,
  children,
}: {
  start: Record<string, string | string[]>;
  options: PieceOptions;
  reply: Reply;
  isNew: boolean;
  /** The version of what the form starts from; a new piece has none. */
  seen?: string;
  children?: React.ReactNode;
}) {
  const raw = (name: string): unknown => (reply ? reply.initialValue?.[name] : start[name]);
  const value = (name: string): string => {
    const x = raw(name);
    return typeof x === 'string' ? x : '';
  };
  const values = (name: string): string[] => {
    const x = raw(name);
    return Array.isArray(x) ? x.map(String) : typeof x === 'string' && x ? [x] : [];
  };
  const error = (name: string): string | undefined => reply?.error?.[name]?.[0];
  const bind = (name: string, label: string) => ({ name, label, defaultValue: value(name), error: error(name) });
  const stated = (rest: Option[]): Option[] => [['', 'Not stated'], ...rest];
  // A new piece whose colour nobody said is asked for it.
  const asksColour = reply ? value('asksColour') === 'yes' : value('ground') === '';
  return (
    <FormStack seen={seen}>
      {isNew && <input type="hidden" name="marks" value={value('marks')} />}
      {isNew && <input type="hidden" name="odour" value={value('odour')} />}
      <NotStored reply={reply} />
      <FieldGrid>
        <TextField {...bind('name', 'Name')} required />
        <SelectField {...bind('kind', 'What it is')} options={options.kinds} />
        <SelectField {...bind('size', 'Size')} options={options.sizes} />
        <NumberField
          {...bind('heightCm', 'Height of the child')}
          suffix="cm"
          hint="Only for children: it replaces the size."
        />
        <TextField {...bind('owner', 'Whose')} />
        <SelectField {...bind('use', 'Used for')} options={options.uses} hint="What it touches decides its company." />
        <NumberField {...bind('count', 'How many')} suffix="alike" hint="Like pieces that wash together." />
        <TextField {...bind('set', 'Set')} hint="Pieces of one set like to stay together." />
      </FieldGrid>
      <Section>
        <h2>Cloth</h2>
        <FieldGrid $min="15rem">
          <TextField {...bind('shell', 'Shell')} hint="Like: cotton 60; polyester 40" required />
          <TextField {...bind('lining', 'Lining')} />
          <TextField {...bind('filling', 'Filling')} />
          <TextField {...bind('trim', 'Trim')} />
        </FieldGrid>
        <More>
          <summary>Fibre names</summary>
          <p>{options.fibres}</p>
        </More>
        <ColourRow>
          {asksColour && (
            <>
              <input type="hidden" name="asksColour" value="yes" />
              <SelectField
                {...bind('colourNamed', 'Ground colour')}
                options={[['', 'Which colour?'], ...options.colours, ['exact', 'As set beside']]}
              />
            </>
          )}
          <label>
            {asksColour ? 'Exact shade' : 'Ground colour'}
            <input type="color" name="ground" defaultValue={value('ground') || '#8b8d94'} />
          </label>
          {(
            [
              ['print', 'hasPrint', 'Print', 'It has a print'],
              ['trimColour', 'hasTrim', 'Trim', 'It has a coloured trim'],
            ] as const
          ).map(([colour, has, words, question]) => (
            <div className="with" key={colour}>
              <label>
                {words} colour
                <input type="color" name={colour} defaultValue={value(colour) || '#8b8d94'} />
              </label>
              <label className="tick">
                <input type="checkbox" name={has} defaultChecked={value(has) === 'on'} />
                {question}
              </label>
            </div>
          ))}
        </ColourRow>
        <PhotoColours />
        <FieldGrid>
          <SelectField {...bind('dye', 'Dye')} options={options.dyes} hint="Leave it unknown unless you are sure." />
        </FieldGrid>
        <More open={values('traits').length > 0}>
          <summary>Construction and parts</summary>
          <ChoiceField
            type="checkbox"
            name="traits"
            label="It is, or has"
            defaultValue={values('traits')}
            error={error('traits')}
            options={options.traits}
          />
        </More>
      </Section>
      <Section>
        <h2>Care label</h2>
        <ChoiceField
          type="checkbox"
          name="noLabel"
          label="The label"
          defaultValue={value('noLabel')}
          options={[['on', 'Missing or not legible']]}
        />
        <FieldGrid>
          <SelectField {...bind('wash', 'Wash symbol')} options={options.wash} />
          <SelectField
            {...bind('bleach', 'Bleach')}
            options={stated([
              ['any', 'Any bleach'],
              ['oxygen', 'Oxygen only'],
              ['none', 'No bleach'],
            ])}
          />
          <SelectField
            {...bind('tumble', 'Dryer')}
            options={stated([
              ['normal', 'Two dots, normal'],
              ['low', 'One dot, low'],
              ['none', 'Crossed, none'],
            ])}
          />
          <SelectField
            {...bind('iron', 'Iron')}
            options={stated([
              ['high', 'Three dots'],
              ['medium', 'Two dots'],
              ['low', 'One dot'],
              ['none', 'Crossed, none'],
            ])}
          />
          <SelectField
            {...bind('dry', 'Drying')}
            options={stated([
              ['line', 'On a line'],
              ['flat', 'Flat'],
            ])}
          />
          <SelectField
            {...bind('dryClean', 'Dry cleaning')}
            options={stated([
              ['P', 'P'],
              ['F', 'F'],
              ['any', 'Any solvent'],
              ['none', 'Crossed, none'],
            ])}
          />
        </FieldGrid>
        <More open={values('phrases').length > 0}>
          <summary>Words on the label</summary>
          <ChoiceField
            type="checkbox"
            name="phrases"
            label="It says"
            defaultValue={values('phrases')}
            error={error('phrases')}
            options={options.phrases}
          />
        </More>
      </Section>
      <Section>
        <h2>What you know of it</h2>
        <FieldGrid>
          <NumberField
            {...bind('dryMassG', 'Weight')}
            suffix="g, dry"
            hint="Weighed beats estimated. Empty: by kind and size."
          />
          <NumberField {...bind('valueEur', 'Value')} suffix="€" hint="Dear pieces are treated more gently." />
          {isNew && <NumberField {...bind('washed', 'Washed before')} suffix="times" />}
          {isNew && <NumberField {...bind('worn', 'Worn since its last wash')} suffix="times" />}
        </FieldGrid>
      </Section>
      <Actions>{children ?? <Button type="submit">Store</Button>}</Actions>
    </FormStack>
  );
}
