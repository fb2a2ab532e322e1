import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import * as v from 'valibot';
import { readHousehold } from '@data/household.ts';
import { addDevice, listDevices, newestSample, revokeDevice, type DeviceSample } from '@data/devices.ts';
import { deviceKinds, type DeviceKind } from '@data/schema.ts';
import type { Route } from './+types/devices';
import { errorOf, readForm } from '../forms/read.ts';
import { conflict, field, onSubmit, withHousehold } from '../server/request.server.ts';
import { clockText } from '../shared/words.ts';
import { Button } from '../ui/button.tsx';
import { FormStack, SelectField, TextField } from '../ui/fields.tsx';
import { Notice } from '../ui/notice.tsx';
import { PageHead, Rows, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';

export const meta: Route.MetaFunction = () => [{ title: 'Devices · Neat Fold' }];
const atMachine = (kind: DeviceKind): boolean => kind === 'washer' || kind === 'meter';
const saidOf = ({ watts, phase, temperatureC, humidity }: DeviceSample): string =>
  watts !== null
    ? `${Math.round(watts)} W`
    : temperatureC !== null && humidity !== null
      ? `${Math.round(temperatureC)} °C, ${Math.round(humidity * 100)} %`
      : (phase ?? '');

export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx }) => {
    const home = await readHousehold(tx);
    const washers = (home?.document.washers ?? []).map((w) => ({ id: w.id, name: w.name ?? w.id }));
    const devices = [];
    for (const d of await listDevices(tx)) {
      const last = await newestSample(tx, d.id);
      devices.push({
        id: d.id,
        name: d.name,
        kind: d.kind,
        machine: atMachine(d.kind)
          ? (washers.find((w) => w.id === d.washerId)?.name ?? 'a machine that is gone')
          : null,
        heard: d.lastSeenAt ? clockText(d.lastSeenAt, home?.timeZone ?? 'UTC') : null,
        said: last && saidOf(last),
      });
    }
    return { washers, devices };
  });

const kindWords: Record<DeviceKind, string> = {
  meter: 'A plug that measures watts',
  washer: 'A machine that reports by itself',
  room: 'A sensor in the room where laundry dries',
  weather: 'A weather service',
};
const schema = v.object({
  name: v.pipe(
    v.string('Name: give the device a name.'),
    v.trim(),
    v.minLength(1, 'Name: give the device a name.'),
    v.maxLength(60, 'Name: at most 60 characters.'),
  ),
  kind: v.picklist(deviceKinds, 'Kind: choose one.'),
  washer: v.optional(v.string()),
});

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async (scope, form) => {
    if (field(form, 'intent') === 'revoke')
      return (await revokeDevice(scope.tx, field(form, 'device'), scope.now))
        ? redirect('/household/devices')
        : conflict({ problem: 'It was put out on another screen already.', reply: null, token: null });
    const read = readForm(form, schema);
    if (!read.ok) return data({ problem: null, reply: read.reply, token: null }, { status: 422 });
    const home = await readHousehold(scope.tx);
    const { name, kind, washer = '' } = read.value;
    if (atMachine(kind) && !home?.document.washers?.some((w) => w.id === washer))
      return data({ problem: 'Machine: that one is not here any more.', reply: null, token: null }, { status: 422 });
    const { token } = await addDevice(scope.tx, scope.householdId, {
      name,
      kind,
      washerId: atMachine(kind) ? washer : '',
    });
    return data({ problem: null, reply: null, token });
  });

const Token = styled.code`
  display: block;
  overflow-wrap: anywhere;
  font-size: 1.05rem;
  padding: 0.6rem 0;
`;
const Device = styled.li`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  justify-content: space-between;
  align-items: center;
  padding: 0.6rem 0;
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

export default function Devices({ loaderData, actionData }: Route.ComponentProps) {
  const { washers, devices } = loaderData;
  const reply = actionData?.reply ?? null;
  return (
    <>
      <PageHead>
        <div>
          <h1>Devices</h1>
          <p>
            A meter at the plug, or a machine that reports, tells when a run is over and what it took; a sensor and the
            weather tell how fast laundry dries. Everything works by hand without.{' '}
            <Link to="/household">The household</Link>
          </p>
        </div>
      </PageHead>
      {actionData?.problem && (
        <Notice severity="caution" live>
          {actionData.problem}
        </Notice>
      )}
      {actionData?.token && (
        <Notice title="Its token, shown this once" live>
          <Token>{actionData.token}</Token>
          Give it to the device, which sends it with every reading. Whoever has it can report, and do nothing else.
        </Notice>
      )}
      {devices.length > 0 && (
        <Section>
          <h2>Let in</h2>
          <Rows>
            {devices.map((d) => (
              <Device key={d.id}>
                <span>
                  <b>{d.name}</b>
                  <small>
                    {kindWords[d.kind]}
                    {d.machine ? `, ${d.machine}` : ''}.{' '}
                    {d.heard ? `Last heard at ${d.heard}${d.said ? `: ${d.said}` : ''}.` : 'Not heard of yet.'}
                  </small>
                </span>
                <PostForm>
                  <input type="hidden" name="device" value={d.id} />
                  <Button type="submit" name="intent" value="revoke" $quiet aria-label={`Put out ${d.name}`}>
                    Put out
                  </Button>
                </PostForm>
              </Device>
            ))}
          </Rows>
        </Section>
      )}
      <Section>
        <h2>Let a device in</h2>
        <FormStack key={devices.length}>
          <TextField name="name" label="Name" placeholder="Plug in the bathroom" error={errorOf(reply, 'name')} />
          <SelectField name="kind" label="What it is" options={deviceKinds.map((k) => [k, kindWords[k]] as const)} />
          <SelectField
            name="washer"
            label="Machine, for a plug or a machine"
            options={washers.map((w) => [w.id, w.name] as const)}
            error={errorOf(reply, 'washer')}
          />
          <Button type="submit">Let it in</Button>
        </FormStack>
      </Section>
    </>
  );
}
