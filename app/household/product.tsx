import { randomUUID } from 'node:crypto';
import { data, redirect } from 'react-router';
import { styled } from 'styled-components';
import { doseUnits, productForms } from '@core/model/household.ts';
import { readHousehold, rememberHousehold, removeProduct, saveProduct, type ProductDocument } from '@data/household.ts';
import type { DoseMeasure } from '@data/schema.ts';
import type { Route } from './+types/product';
import { productClasses, productSchema, toProduct } from './household-form.ts';
import { readForm, seenOf } from '../forms/read.ts';
import { overtaken, versionOf } from '../forms/seen.server.ts';
import { conflict, field, notFound, onSubmit, withHousehold, type Scope } from '../server/request.server.ts';
import { media } from '../theme/tokens.ts';
import { FieldGrid, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { Section } from '../ui/page.tsx';
import { Editor, editorFields } from './parts/editor.tsx';
import { productClassText } from './product-words.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'Product'} · Neat Fold` },
];
const rows = ['soft', 'medium', 'hard'] as const;
const columns = ['light', 'normal', 'heavy'] as const;

async function find({ tx }: Scope, id: string) {
  const view = await readHousehold(tx);
  const product = view?.document.products?.find((p) => p.id === id) ?? null;
  if (!product && id !== 'new') throw notFound('That product is not in the cupboard.');
  return { product, measure: view?.measures[id] ?? null, currency: view?.document.tariff?.currency ?? 'EUR' };
}

/** A product as its form shows it; null = a new one. */
const shownProduct = (p: ProductDocument | null, measure: DoseMeasure | null): Record<string, string> => ({
  name: p?.name ?? '',
  class: p?.class ?? 'colour',
  form: p?.form ?? 'liquid',
  unit: p?.dose?.unit ?? 'ml',
  remaining: p?.remaining?.toString() ?? '',
  pricePerUnit: p?.pricePerUnit?.toString() ?? '',
  perLoadKg: p?.dose?.perLoadKg?.toString() ?? '4.5',
  handPerLitre: p?.dose?.handPerLitre?.toString() ?? '',
  measureName: measure?.name ?? '',
  measureHolds: measure?.holds.toString() ?? '',
  ...Object.fromEntries(
    rows.flatMap((h) => columns.map((s) => [`${h}-${s}`, p?.dose?.table?.[h][s].toString() ?? ''])),
  ),
});

export const loader = ({ params, context }: Route.LoaderArgs) =>
  withHousehold(context, async (scope) => {
    const { product: p, measure, currency } = await find(scope, params.productId);
    return {
      currency,
      title: p?.name ?? 'New product',
      isNew: p === null,
      classes: productClasses.map((c) => [c, productClassText(c)] as const),
      forms: productForms.map((f) => [f, f] as const),
      units: doseUnits.map((u) => [u, u] as const),
      start: shownProduct(p, measure),
      seen: versionOf(shownProduct(p, measure)),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    const { tx, householdId, now } = scope;
    const { product, measure } = await find(scope, args.params.productId);
    const name = product?.name ?? product?.id ?? '';
    if (field(form, 'intent') === 'remove' && product) {
      await rememberHousehold(tx, householdId, {
        note: `${name}: taken out of the cupboard`,
        subject: product.id,
        at: now,
      });
      await removeProduct(tx, product.id);
      return redirect('/household');
    }
    const read = readForm(form, productSchema);
    if (!read.ok) return data(read.reply, { status: 422 });
    const late = product ? overtaken(form, shownProduct(product, measure)) : null;
    if (late) return conflict(late);
    const id = product?.id ?? `product-${randomUUID().slice(0, 8)}`;
    await rememberHousehold(tx, householdId, {
      note: product ? `${name}: changed` : `${read.value.name}: put into the cupboard`,
      subject: id,
      at: now,
    });
    const { measureName, measureHolds } = read.value;
    await saveProduct(
      tx,
      householdId,
      toProduct(id, read.value),
      measureHolds === undefined ? null : { name: measureName || 'cap', holds: measureHolds },
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
  const { bind } = editorFields(reply, v.start);
  return (
    <Editor
      title={v.title}
      intro="Copy the dose table from the pack; it beats every estimate."
      reply={reply}
      seen={seenOf(reply, v.seen)}
      remove={v.isNew ? null : 'Take it out of the cupboard'}
    >
      <FieldGrid>
        <TextField {...bind('name', 'Name')} required />
        <SelectField {...bind('class', 'Class')} options={v.classes} />
        <SelectField {...bind('form', 'Form')} options={v.forms} />
        <SelectField {...bind('unit', 'Measured in')} options={v.units} />
        <NumberField {...bind('remaining', 'Left')} hint="Empty: enough. 0: used up." />
        <NumberField
          {...bind('pricePerUnit', 'Price')}
          suffix={`${v.currency} per unit`}
          hint="Or what a pack costs and holds:"
        />
        <NumberField {...bind('packPrice', 'A pack costs')} suffix={v.currency} />
        <NumberField {...bind('packHolds', 'A pack holds')} hint="In the unit above." />
        <TextField {...bind('measureName', 'Dosed with')} hint="cap, scoop, spoon …" />
        <NumberField {...bind('measureHolds', 'One of it holds')} hint="Measured once, in the unit above." />
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
    </Editor>
  );
}
