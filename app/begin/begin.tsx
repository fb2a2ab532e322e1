import { useEffect, useRef } from 'react';
import { data, redirect } from 'react-router';
import { styled } from 'styled-components';
import { usualProducts } from '@core/setup/usual-cupboard.ts';
import { createHousehold, readHousehold } from '@data/household.ts';
import { supplyPlaces } from '@stand-ins/water-supplier.ts';
import { hardnessOptions } from '../household/hardness-options.ts';
import type { Route } from './+types/begin';
import { keyField, keyShape } from '../forms/names.ts';
import { errorOf, readForm, replyOf, typedValue } from '../forms/read.ts';
import { nowIn } from '../server/door.server.ts';
import { field, formOf, founding } from '../server/request.server.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import {
  Actions,
  AreaField,
  ChoiceField,
  FieldGrid,
  FormStack,
  NumberField,
  SelectField,
  TextField,
} from '../ui/fields.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { PageHead, Section } from '../ui/page.tsx';
import { beginSchema } from './begin-form.ts';
import { newHousehold, waterOf } from './new-household.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Set up a household · Neat Fold' }];

export const loader = () => ({
  products: usualProducts.map((p) => [p.id, p.name] as const),
  places: supplyPlaces.map((p) => [p, p] as const),
});

/** Makes the household under the form's own key: the same form sent twice is one household. */
export const action = async ({ request, context }: Route.ActionArgs) => {
  const form = await formOf(request);
  const id = field(form, keyField);
  if (!keyShape.test(id))
    throw new Response('This form is not complete. Open its page again and send it from there.', { status: 400 });
  const read = readForm(form, beginSchema);
  if (!read.ok) return data(read.reply, { status: 422 });
  const water = waterOf(read.value);
  if ('error' in water) return data(replyOf(form, { [water.field]: [water.error] }), { status: 422 });
  await founding(context, id, async (tx) => {
    if (!(await readHousehold(tx))) await createHousehold(tx, id, newHousehold(read.value, water.mmolPerL));
  });
  const text = (read.value.text ?? '').trim();
  return redirect(text ? `/pieces/several?${new URLSearchParams({ text, basket: 'yes' })}` : '/basket', {
    headers: await nowIn(context, id),
  });
};

const Steps = styled.div`
  display: grid;
  gap: 0.4rem;
  counter-reset: step;
  > section > h2::before {
    counter-increment: step;
    content: counter(step) '. ';
  }
`;

/** Only what belongs to the chosen answer is asked. */
const Asked = styled.div`
  > div {
    display: none;
    grid-template-columns: repeat(auto-fill, minmax(min(13rem, 100%), 1fr));
    gap: 1rem 1.25rem;
  }
  .water:has(input[value='figure']:checked) & > .figure,
  .water:has(input[value='strip']:checked) & > .strip,
  .water:has(input[value='place']:checked) & > .place {
    display: grid;
  }
`;
/** The browser's time zone, so that days and clocks are right from the first plan. */
function TimeZoneField() {
  const ref = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (ref.current) ref.current.value = Intl.DateTimeFormat().resolvedOptions().timeZone;
  }, []);
  return <input ref={ref} type="hidden" name="timeZone" />;
}

export default function Begin({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const value = (name: string, usual: string): string => String([typedValue(reply, name)].flat()[0] ?? usual);
  const values = (name: string, usual: string[]): string[] => {
    const typed = typedValue(reply, name);
    return reply ? [typed ?? []].flat() : usual;
  };
  const bind = (name: string, label: string, usual = '') => ({
    name,
    label,
    defaultValue: value(name, usual),
    error: errorOf(reply, name),
  });
  return (
    <>
      <PageHead>
        <div>
          <h1>Your household</h1>
          <p>
            Usual values stand in where you do not know; everything can be changed later, each programme and each dose.
          </p>
        </div>
      </PageHead>
      <FormStack>
        <TimeZoneField />
        <NotStored reply={reply} />
        <Steps>
          <Section>
            <h2>What washes?</h2>
            <ChoiceField
              name="machine"
              label="A machine"
              defaultValue={value('machine', 'front')}
              error={errorOf(reply, 'machine')}
              options={[
                ['front', 'Door in front'],
                ['top-impeller', 'Lid on top, no post inside'],
                ['top-agitator', 'Lid on top, post in the middle'],
                ['coin-front', 'Laundry room, door in front'],
                ['coin-top', 'Laundry room, lid on top'],
                ['none', 'No machine: by hand'],
              ]}
            />
            <FieldGrid>
              <NumberField
                {...bind('drumKg', 'Size of the machine', '7')}
                suffix="kg"
                hint="Printed on it; 7 is usual."
              />
              <NumberField {...bind('pricePerRun', 'Price of a run')} suffix="coins, EUR" hint="Empty: nothing." />
              <SelectField
                {...bind('dryer', 'Dryer', 'none')}
                options={[
                  ['none', 'None'],
                  ['heat-pump', 'Heat pump'],
                  ['condenser', 'Condenser'],
                  ['vented', 'Vented'],
                ]}
              />
              <SelectField
                {...bind('basin', 'For hand washing', 'sink')}
                options={[
                  ['sink', 'Kitchen sink'],
                  ['tub', 'Washing-up tub'],
                  ['bucket', 'Bucket'],
                  ['bath', 'Bath tub'],
                  ['none', 'Nothing'],
                ]}
              />
              <SelectField
                {...bind('place', 'Where things dry', 'rack')}
                options={[
                  ['rack', 'A rack of usual size'],
                  ['small-rack', 'A small rack'],
                  ['large-rack', 'A large rack'],
                  ['line', 'A line outside'],
                  ['none', 'Nowhere yet'],
                ]}
              />
            </FieldGrid>
          </Section>
          <Section className="water">
            <h2>How hard is the water?</h2>
            <ChoiceField
              name="water"
              label="How you know"
              defaultValue={value('water', 'unknown')}
              options={[
                ['unknown', 'I do not know: medium'],
                ['figure', 'The supplier’s figure'],
                ['strip', 'A test strip'],
                ['place', 'Look up the place'],
              ]}
            />
            <Asked>
              <div className="figure">
                <NumberField {...bind('hardness', 'Figure')} />
                <SelectField {...bind('hardnessUnit', 'In', 'dH')} options={hardnessOptions} />
              </div>
              <div className="strip">
                <SelectField
                  {...bind('strip', 'Fields that turned, of four', '2')}
                  options={['0', '1', '2', '3', '4'].map((n) => [n, n] as const)}
                />
              </div>
              <div className="place">
                <SelectField {...bind('waterPlace', 'Place')} options={[['', 'Choose'], ...v.places]} />
              </div>
            </Asked>
          </Section>
          <Section>
            <h2>What is in the cupboard?</h2>
            <ChoiceField
              type="checkbox"
              name="products"
              label="Products"
              defaultValue={values('products', ['universal-powder', 'colour-liquid', 'dish'])}
              error={errorOf(reply, 'products')}
              options={v.products}
            />
          </Section>
          <Section>
            <h2>What is dirty?</h2>
            <AreaField
              {...bind('text', 'One piece a line, as you would say it')}
              rows={7}
              hint="Like: five white T-shirts · navy merino jumper, hand wash · jeans, worn 10 times · blouse 65 polyester 35 cotton, 30 gentle, coffee on the cuff"
            />
          </Section>
        </Steps>
        <FieldGrid>
          <TextField {...bind('name', 'Name of the household', 'Home')} required />
          <SelectField
            {...bind('children', 'Children about', 'no')}
            options={[
              ['no', 'No'],
              ['yes', 'Yes, they live here or visit'],
            ]}
          />
        </FieldGrid>
        <Actions>
          <Button type="submit" $large>
            Begin
          </Button>
          <LinkButton $quiet href="/welcome">
            Back
          </LinkButton>
        </Actions>
      </FormStack>
    </>
  );
}
