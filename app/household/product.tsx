import { randomUUID } from 'node:crypto';
import { data, redirect } from 'react-router';
import { styled } from 'styled-components';
import { doseUnits, productForms } from '@core/model/household.ts';
import { readHousehold, removeProduct, saveProduct, type ProductDocument } from '@data/household.ts';
import type { Route } from './+types/product';
import { productClasses, productSchema, toProduct } from './household-form.ts';
import { errorOf, readForm, typedValue, seenOf } from '../forms/read.ts';
import { field, notFound, withHousehold, type Scope, onSubmit, conflict } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { Button, LinkButton } from '../ui/button.tsx';
import { Actions, FieldGrid, FormStack, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Section } from '../ui/page.tsx';
import { productClassText } from './product-words.ts';
import { overtaken, versionOf } from '../forms/seen.server.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'Product'} · Neat Fold` },
];
const rows = ['soft', 'medium', 'hard'] as const;
const columns = ['light', 'normal', 'heavy'] as const;

async function find({ tx }: Scope, id: string) {
  const product = (await readHousehold(tx))?.document.products?.find((p) => p.id === id) ?? null;
  if (!product && id !== 'new') throw notFound('That product is not in the cupboard.');
  return product;
}

/** A product as its form shows it; null = a new one. */
const shownProduct = (p: ProductDocument | null): Record<string, string> => ({
  name: p?.name ?? '',
  class: p?.class ?? 'colour',
  form: p?.form ?? 'liquid',
  unit: p?.dose?.unit ?? 'ml',
  remaining: p?.remaining?.toString() ?? '',
  pricePerUnit: p?.pricePerUnit?.toString() ?? '',
  perLoadKg: p?.dose?.perLoadKg?.toString() ?? '4.5',
  handPerLitre: p?.dose?.handPerLitre?.toString() ?? '',
  ...Object.fromEntries(
    rows.flatMap((h) => columns.map((s) => [`${h}-${s}`, p?.dose?.table?.[h][s].toString() ?? ''])),
  ),
});

export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const p = await find(scope, params.productId);
    return {
      title: p?.name ?? 'New product',
      isNew: p === null,
      classes: productClasses.map((c) => [c, productClassText(c)] as const),
      forms: productForms.map((f) => [f, f] as const),
      units: doseUnits.map((u) => [u, u] as const),
      start: shownProduct(p),
      seen: versionOf(shownProduct(p)),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const product = await find(scope, args.params.productId);
    if (field(form, 'intent') === 'remove' && product) {
      await removeProduct(scope.tx, product.id);
      return redirect('/household');
    }
    const read = readForm(form, productSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const late = overtaken(form, shownProduct(product));
    if (late) return conflict(late);
    await saveProduct(
      scope.tx,
      scope.householdId,
      toProduct(product?.id ?? `product-${randomUUID().slice(0, 8)}`, read.value),
    );
    return redirect('/household');
  });

const Table = styled.div`
  display: grid;
  grid-template-columns: 7rem repeat(3, minmax(4.5rem, 8rem));
  gap: 0.5rem 0.8rem;
  align-items: end;
  > b {
    padding-bottom: 0.7rem;
  }
  label {
    font-weight: 500;
  }
  ${media.phone} {
    grid-template-columns: repeat(3, minmax(0, 1fr));
    > b {
      grid-column: 1 / -1;
      padding: 0.4rem 0 0;
    }
  }
`;

export default function Product({ loaderData: v, actionData }: Route.ComponentProps) {
  const reply = actionData ?? null;
  const bind = (name: string, label: string) => ({
    name,
    label,
    defaultValue: String((reply ? typedValue(reply, name) : v.start[name]) ?? ''),
    error: errorOf(reply, name),
  });
  return (
    <>
      <PageHead>
        <div>
          <h1>{v.title}</h1>
          <p>Copy the dose table from the pack; it beats every estimate.</p>
        </div>
      </PageHead>
      <FormStack seen={seenOf(reply, v.seen)}>
        {reply && (
          <Notice severity="caution" title="Not stored yet" live>
            {Object.values(reply.error ?? {})
              .flatMap((e) => e ?? [])
              .join(' ')}
          </Notice>
        )}
        <FieldGrid>
          <TextField {...bind('name', 'Name')} required />
          <SelectField {...bind('class', 'Class')} options={v.classes} />
          <SelectField {...bind('form', 'Form')} options={v.forms} />
          <SelectField {...bind('unit', 'Measured in')} options={v.units} />
          <NumberField {...bind('remaining', 'Left')} hint="Empty: enough. 0: used up." />
          <NumberField {...bind('pricePerUnit', 'Price')} suffix="per unit" />
          <NumberField {...bind('handPerLitre', 'By hand, per litre')} hint="0: not for hand washing." />
        </FieldGrid>
        <Section>
          <h2>Dose table</h2>
          <FieldGrid>
            <NumberField {...bind('perLoadKg', 'The table is for')} suffix="kg" />
          </FieldGrid>
          <Table role="group" aria-label="Dose by water and soil">
            {rows.map((h) => [
              <b key={h}>{h} water</b>,
              ...columns.map((s) => <NumberField key={`${h}-${s}`} {...bind(`${h}-${s}`, `${s}`)} />),
            ])}
          </Table>
        </Section>
        <Actions>
          <Button type="submit" name="intent" value="store">
            Store
          </Button>
          <LinkButton $quiet href="/household">
            Back
          </LinkButton>
          {!v.isNew && (
            <Button type="submit" name="intent" value="remove" $danger>
              Take it out of the cupboard
            </Button>
          )}
        </Actions>
      </FormStack>
    </>
  );
}
