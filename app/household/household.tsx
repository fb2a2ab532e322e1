import { data, Link, redirect, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import { weightPresets } from '@core/cost/weights.ts';
import { ruleWords } from '@words/en/rules.ts';
import { houseRules, type HouseRuleKey, type Household } from '@core/model/household.ts';
import { convertHardness, hardnessClass, type HardnessUnit } from '@core/units/hardness.ts';
import { householdOf } from '@formats/hamper.ts';
import {
  newestChange,
  readHousehold,
  rememberHousehold,
  saveGeneral,
  takeBackChange,
  type HouseholdView,
} from '@data/household.ts';
import { hardnessOptions } from './hardness-options.ts';
import type { Route } from './+types/household';
import { generalSchema, givenWeights, hardnessOf, rulesSchema, weightFields, weightsSchema } from './household-form.ts';
import { errorOf, readForm, typedValue, seenOf, replyOf } from '../forms/read.ts';
import { visitorContext } from '../server/context.ts';
import { hosted } from '../server/mode.server.ts';
import { field, notFound, withHousehold, onSubmit, conflict } from '../server/request.server.ts';
import { clockText } from '../shared/words.ts';
import { Button, LinkButton, TextButton } from '../ui/button.tsx';
import { Actions, ChoiceField, FieldGrid, FormStack, NumberField, SelectField, TextField } from '../ui/fields.tsx';
import { NotStored } from '../ui/not-stored.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows, Section } from '../ui/page.tsx';
import { media } from '../theme/tokens.ts';
import { PostForm } from '../ui/post-form.tsx';
import { groupsOf } from './groups.server.ts';
import { overtaken, versionOf } from '../forms/seen.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Household · Neat Fold' }];

/** mmol/l in the household's unit, to a thousandth. */
function hardnessIn(unit: HardnessUnit, mmolPerL: number): number {
  const c = convertHardness(mmolPerL, 'mmol', unit);
  return c.ok ? Math.round(c.value * 1000) / 1000 : mmolPerL;
}
/** The household as its three forms show it. */
const shownGeneral = (view: HouseholdView, h: Household) => ({
  name: view.name,
  hardness: String(hardnessIn(view.units.hardness, h.water.hardnessMmolPerL)),
  hardnessUnit: view.units.hardness,
  coldC: String(h.water.coldC),
  hotC: String(h.water.hotC),
  electricityPerKwh: String(h.tariff.electricityPerKwh),
  waterPerM3: String(h.tariff.waterPerM3),
  daysToNextWash: String(h.daysToNextWash),
  roomC: String(h.room.temperatureC),
  humidity: String(Math.round(h.room.relativeHumidity * 100)),
  poisonCentre: view.poisonCentre ?? '',
  children: view.children ? 'yes' : 'no',
  nets: String(view.nets.all),
  netsWithoutMetal: String(view.nets.withoutMetal),
});
const shownRules = (h: Household): Record<string, string> =>
  Object.fromEntries((Object.keys(houseRules) as HouseRuleKey[]).map((key) => [key, h.rules[key]]));
const shownWeights = (h: Household): Record<string, string> =>
  Object.fromEntries(weightFields.map((f) => [f.key, h.rules.weights[f.key]?.toString() ?? '']));

/** So long a change can be taken back from this page. */
const undoneWithinMs = 86_400_000;

export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx, now }) => {
    const view = await readHousehold(tx);
    if (!view) throw notFound('There is no household yet.');
    const h = householdOf(view.document);
    const change = await newestChange(tx);
    return {
      hosted,
      letsIn: !hosted && context.get(visitorContext).role === 'owner',
      start: shownGeneral(view, h),
      seen: {
        general: versionOf(shownGeneral(view, h)),
        rules: versionOf(shownRules(h)),
        weights: versionOf(shownWeights(h)),
      },
      currency: h.tariff.currency,
      waterClass: hardnessClass(h.water.hardnessMmolPerL),
      rules: (Object.keys(houseRules) as HouseRuleKey[]).map((key) => ({
        key,
        question: ruleWords[key].question,
        reason: ruleWords[key].reason,
        value: h.rules[key],
        options: Object.entries<string>(ruleWords[key].options),
      })),
      weights: weightFields.map((f) => ({
        ...f,
        own: h.rules.weights[f.key] === undefined ? '' : String(h.rules.weights[f.key]),
        preset: String(weightPresets[h.rules.priority][f.key]),
      })),
      groups: groupsOf(view, h),
      lastChange:
        change && now.getTime() - change.at.getTime() < undoneWithinMs
          ? { id: change.id, text: change.note, clock: clockText(change.at, view.timeZone) }
          : null,
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId, now }, form) => {
    const intent = field(form, 'intent');
    if (intent === 'take-back') {
      const done = await takeBackChange(tx, householdId, Number(field(form, 'change')) || 0);
      return done
        ? redirect('/household?stored=back')
        : conflict({
            part: 'general' as const,
            reply: replyOf(form, {
              '': ['Something else was changed meanwhile; only the newest change is taken back.'],
            }),
          });
    }
    const remember = (note: string) => rememberHousehold(tx, householdId, { note, at: now });
    const view = await readHousehold(tx);
    if (!view) throw notFound('There is no household yet.');
    const h = householdOf(view.document);
    if (intent === 'rules') {
      const read = readForm(form, rulesSchema);
      if (!read.ok) return data({ part: 'rules' as const, reply: read.reply }, { status: 422 });
      const late = overtaken(form, shownRules(h));
      if (late) return conflict({ part: 'rules' as const, reply: late });
      await remember('House rules: changed');
      await saveGeneral(tx, { rules: { ...view.document.rules, ...read.value } });
      return redirect('/household?stored=rules#rules');
    }
    if (intent === 'weights') {
      const read = readForm(form, weightsSchema);
      if (!read.ok) return data({ part: 'weights' as const, reply: read.reply }, { status: 422 });
      const late = overtaken(form, shownWeights(h));
      if (late) return conflict({ part: 'weights' as const, reply: late });
      await remember('The numbers behind the priority: changed');
      await saveGeneral(tx, { rules: { ...view.document.rules, weights: givenWeights(read.value) } });
      return redirect('/household?stored=weights#weights');
    }
    const read = readForm(form, generalSchema);
    if (!read.ok) return data({ part: 'general' as const, reply: read.reply }, { status: 422 });
    const f = read.value;
    const hardnessMmolPerL = hardnessOf(f);
    if (hardnessMmolPerL === null)
      return data(
        {
          part: 'general' as const,
          reply: replyOf(form, {
            hardness: ['Water hardness: more than 10 mmol/l is not drinking water; check the unit.'],
          }),
        },
        { status: 422 },
      );
    const late = overtaken(form, shownGeneral(view, h));
    if (late) return conflict({ part: 'general' as const, reply: late });
    await remember('The household: changed');
    await saveGeneral(tx, {
      name: f.name,
      daysToNextWash: f.daysToNextWash,
      water: { hardnessMmolPerL, coldC: f.coldC, hotC: f.hotC },
      tariff: { ...view.document.tariff, electricityPerKwh: f.electricityPerKwh, waterPerM3: f.waterPerM3 },
      poisonCentre: f.poisonCentre ?? null,
      children: f.children,
      nets: Math.round(f.nets),
      netsWithoutMetal: Math.round(Math.min(f.nets, f.netsWithoutMetal)),
      room: { ...view.document.room, temperatureC: f.roomC, relativeHumidity: f.humidity / 100 },
    });
    return redirect('/household?stored=general');
  });

const Rules = styled.div`
  display: grid;
  gap: 1.3rem 2.5rem;
  grid-template-columns: repeat(auto-fit, minmax(min(24rem, 100%), 1fr));
  > div {
    display: grid;
    gap: 0.3rem;
    align-content: start;
  }
`;
const Groups = styled.div`
  columns: 2;
  column-gap: 3rem;
  > section {
    break-inside: avoid;
    margin-top: 0;
    padding-top: 1.75rem;
  }
  ${media.tablet} {
    columns: 1;
  }
`;
const List = styled(Rows)`
  a {
    display: grid;
    padding: 0.5rem 0;
    min-height: 3rem;
    align-content: center;
    text-decoration: none;
  }
  a:hover b {
    text-decoration: underline;
  }
  small {
    color: var(--ink-soft);
  }
  li > span {
    display: block;
    padding: 0.5rem 0;
  }
`;

export default function Household({ loaderData: v, actionData }: Route.ComponentProps) {
  const [query] = useSearchParams();
  const stored = query.get('stored');
  const reply = actionData?.part === 'general' ? actionData.reply : null;
  const value = (name: string): string =>
    String((reply ? typedValue(reply, name) : (v.start as Record<string, string>)[name]) ?? '');
  const weightReply = actionData?.part === 'weights' ? actionData.reply : null;
  const bind = (name: string, label: string) => ({
    name,
    label,
    defaultValue: value(name),
    error: errorOf(reply, name),
  });
  const ruleReply = actionData?.part === 'rules' ? actionData.reply : null;
  return (
    <>
      <PageHead>
        <div>
          <h1>Household</h1>
          <p>Machine, water and cupboard decide what can be done; your rules decide between schools.</p>
          <p>
            <Link to="/upkeep">Care of the machines</Link> · <Link to="/household/devices">Devices that report</Link>
            {v.hosted && (
              <>
                {' '}
                · <Link to="/household/people">People</Link>
              </>
            )}
            {v.letsIn && (
              <>
                {' '}
                · <Link to="/household/phones">Phones</Link>
              </>
            )}
          </p>
        </div>
      </PageHead>
      {v.lastChange && (
        <PostForm preventScrollReset>
          <input type="hidden" name="change" value={v.lastChange.id} />
          <p style={{ marginBottom: '0.8rem' }}>
            <Quiet>
              {v.lastChange.clock}: {v.lastChange.text}.{' '}
            </Quiet>
            <TextButton type="submit" name="intent" value="take-back">
              Take it back
            </TextButton>
          </p>
        </PostForm>
      )}
      <FormStack key={JSON.stringify(v.start)} seen={seenOf(reply, v.seen.general)}>
        {stored === 'general' && !reply && (
          <Notice live title="Stored">
            The next sorting uses it.
          </Notice>
        )}
        {stored === 'back' && !reply && (
          <Notice live title="Taken back">
            The household is as it was before the last change.
          </Notice>
        )}
        <NotStored reply={reply} />
        <FieldGrid>
          <TextField {...bind('name', 'Name')} />
          <NumberField {...bind('hardness', 'Water hardness')} hint={`${v.waterClass} water`} />
          <SelectField {...bind('hardnessUnit', 'Hardness in')} options={hardnessOptions} />
          <NumberField {...bind('coldC', 'Cold tap')} suffix="°C" />
          <NumberField {...bind('hotC', 'Hot tap')} suffix="°C" />
          <NumberField {...bind('electricityPerKwh', 'Electricity')} suffix={`${v.currency} per kWh`} />
          <NumberField {...bind('waterPerM3', 'Water')} suffix={`${v.currency} per m³`} />
          <NumberField {...bind('daysToNextWash', 'Days to the next wash')} />
          <NumberField {...bind('roomC', 'Drying room')} suffix="°C" />
          <NumberField {...bind('humidity', 'Its humidity')} suffix="%" />
          <TextField {...bind('poisonCentre', 'Poison centre, telephone')} />
          <SelectField
            {...bind('children', 'Children about')}
            options={[
              ['no', 'No'],
              ['yes', 'Yes, they live here or visit'],
            ]}
          />
          <NumberField {...bind('nets', 'Washing nets')} />
          <NumberField {...bind('netsWithoutMetal', 'Nets without metal')} />
        </FieldGrid>
        <Actions>
          <Button type="submit" name="intent" value="general">
            Store
          </Button>
        </Actions>
      </FormStack>
      <Groups>
        {v.groups.map((g) => (
          <Section key={g.title}>
            <h2>{g.title}</h2>
            {g.items.length === 0 ? (
              <Quiet>{g.none}</Quiet>
            ) : (
              <List>
                {g.items.map((i) => (
                  <li key={i.href}>
                    <Link to={i.href}>
                      <b>{i.name}</b>
                      <small>{i.text}</small>
                    </Link>
                  </li>
                ))}
              </List>
            )}
            {g.add && (
              <Actions>
                <LinkButton $quiet href={g.add.href}>
                  {g.add.words}
                </LinkButton>
              </Actions>
            )}
          </Section>
        ))}
      </Groups>
      <Section id="rules">
        <h2>House rules</h2>
        <FormStack key={v.rules.map((r) => r.value).join()} seen={seenOf(ruleReply, v.seen.rules)}>
          {stored === 'rules' && (
            <Notice live title="Stored">
              The next sorting follows these rules.
            </Notice>
          )}
          <NotStored reply={ruleReply}>
            {errorOf(ruleReply, '') ?? 'Choose one of the shown schools for each rule.'}
          </NotStored>
          <Rules>
            {v.rules.map((r) => (
              <div key={r.key}>
                <ChoiceField
                  name={r.key}
                  label={r.question}
                  defaultValue={[typedValue(ruleReply, r.key) ?? r.value].flat()[0] ?? r.value}
                  options={r.options}
                />
                <Quiet>{r.reason}</Quiet>
              </div>
            ))}
          </Rules>
          <Actions>
            <Button type="submit" name="intent" value="rules">
              Store the rules
            </Button>
          </Actions>
        </FormStack>
      </Section>
      <Section id="weights">
        <h2>The numbers behind the priority</h2>
        <p>
          <Quiet>
            What the plan weighs against each other. An empty field follows the priority (
            {v.rules.find((r) => r.key === 'priority')?.value}).
          </Quiet>
        </p>
        <FormStack key={JSON.stringify(v.weights)} seen={seenOf(weightReply, v.seen.weights)}>
          {stored === 'weights' && !weightReply && (
            <Notice live title="Stored">
              The next sorting weighs with these numbers.
            </Notice>
          )}
          <NotStored reply={weightReply} />
          <FieldGrid>
            {v.weights.map((w) => (
              <NumberField
                key={w.key}
                name={w.key}
                label={w.label}
                suffix={w.unit}
                hint={`priority: ${w.preset}`}
                defaultValue={String((weightReply ? typedValue(weightReply, w.key) : w.own) ?? '')}
                error={errorOf(weightReply, w.key)}
              />
            ))}
          </FieldGrid>
          <Actions>
            <Button type="submit" name="intent" value="weights">
              Store the numbers
            </Button>
          </Actions>
        </FormStack>
      </Section>
    </>
  );
}
