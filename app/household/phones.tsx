import { data, Link, redirect } from 'react-router';
import { styled } from 'styled-components';
import { readHousehold } from '@data/household.ts';
import { pairing } from '@data/pairing.ts';
import { listPockets, newPairing, pairingOpen, throwOut } from '@data/pockets.ts';
import type { Route } from './+types/phones';
import { conflict, field, onSubmit, withHousehold } from '../server/request.server.ts';
import { clockText, dayAndYear } from '../shared/words.ts';
import { Button } from '../ui/button.tsx';
import { Notice } from '../ui/notice.tsx';
import { ActionRows, PageHead, Quiet, Section } from '../ui/page.tsx';
import { PostForm } from '../ui/post-form.tsx';
import { useRefresh } from '../ui/use-refresh.ts';
import { qrOf, shareOf } from './share.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Phones · Neat Fold' }];

export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, async ({ tx, now }) => {
    const share = shareOf();
    const zone = (await readHousehold(tx))?.timeZone ?? 'UTC';
    return {
      share: share && { addresses: share.addresses, fingerprint: share.fingerprint },
      open: await pairingOpen(tx, now),
      pockets: (await listPockets(tx)).map((p) => ({
        id: p.id,
        name: p.name,
        words: `let in ${dayAndYear(p.pairedAt, zone)}${p.lastSeenAt ? `, last seen ${dayAndYear(p.lastSeenAt, zone)}, ${clockText(p.lastSeenAt, zone)}` : ''}`,
      })),
    };
  });

export const action = (args: Route.ActionArgs) =>
  onSubmit(args, async ({ tx, householdId, now }, form) => {
    if (field(form, 'intent') === 'throw-out')
      return (await throwOut(tx, field(form, 'pocket'), now))
        ? redirect('/household/phones')
        : conflict({ problem: 'It was thrown out on another screen already.', code: null, pictures: [] });
    const share = shareOf();
    if (!share)
      return data(
        {
          problem: 'This machine is not shared just now: start it with npm start -- --share.',
          code: null,
          pictures: [],
        },
        { status: 409 },
      );
    const code = await newPairing(tx, householdId, now);
    const pictures = await Promise.all(
      share.addresses.map(async (address) => ({ address, svg: await qrOf(`${address}/pair?code=${code}`) })),
    );
    return data({ problem: null, code, pictures });
  });

const Card = styled.div`
  display: flex;
  gap: 1.4rem 2.4rem;
  flex-wrap: wrap;
  align-items: center;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 4px 18px 4px 18px;
  padding: 1.2rem 1.5rem;
  max-width: 52rem;
  > .picture {
    width: 13rem;
    background: #fff;
    border-radius: 3px;
  }
  > .picture svg {
    display: block;
    width: 100%;
    height: auto;
  }
  > div:last-child {
    flex: 1 1 16rem;
    display: grid;
    gap: 0.6rem;
  }
  .code {
    font:
      2.6rem/1 'Young Serif',
      Georgia,
      serif;
    letter-spacing: 0.06em;
    white-space: nowrap;
  }
  code {
    overflow-wrap: anywhere;
  }
`;
const Steps = styled.ol`
  display: grid;
  gap: 0.5rem;
  max-width: 46rem;
  padding-left: 1.3rem;
  list-style: decimal;
`;
const Finger = styled.code`
  display: block;
  overflow-wrap: anywhere;
  font-size: 0.9rem;
`;

export default function Phones({ loaderData: v, actionData }: Route.ComponentProps) {
  const code = actionData?.code ?? null;
  useRefresh(v.open);
  return (
    <>
      <PageHead>
        <div>
          <h1>Phones</h1>
          <p>
            A phone on the machine shows tickets and clocks and takes your ticks, over your own home network.{' '}
            <Link to="/household">The household</Link>
          </p>
        </div>
      </PageHead>
      {actionData?.problem && (
        <Notice severity="caution" title="Not done" live>
          {actionData.problem}
        </Notice>
      )}
      {!v.share && (
        <Notice title="Only this computer can open Neat Fold just now">
          Stop it and start it with <code>npm start -- --share</code>. Then it listens on the home network too,
          encrypted, and lets in only what you let in here.
        </Notice>
      )}
      {v.share && (
        <Section>
          <h2>Let one in</h2>
          {code && actionData ? (
            <Card>
              {actionData.pictures.slice(0, 1).map((p) => (
                <div
                  key={p.address}
                  className="picture"
                  role="img"
                  aria-label={`Picture of the address ${p.address} for a phone's camera`}
                  dangerouslySetInnerHTML={{ __html: p.svg }}
                />
              ))}
              <div>
                <p>Point the phone’s camera at the picture, or open one of these there:</p>
                {v.share.addresses.map((a) => (
                  <code key={a}>{a}</code>
                ))}
                <p>and type this code. It is good once, for {pairing.minutes} minutes.</p>
                <output className="code">{`${code.slice(0, 4)} ${code.slice(4)}`}</output>
              </div>
            </Card>
          ) : (
            <Quiet>{v.open ? 'A code is still good; a new one ends it.' : 'Nobody gets in without a code.'}</Quiet>
          )}
          <PostForm>
            <Button type="submit" name="intent" value="code" $quiet={code !== null}>
              {code ? 'A new code' : 'Show a code'}
            </Button>
          </PostForm>
        </Section>
      )}
      <Section>
        <h2>Let in</h2>
        {v.pockets.length === 0 && <Quiet>No phone yet.</Quiet>}
        <ActionRows>
          {v.pockets.map((p) => (
            <li key={p.id}>
              <span>
                <b>{p.name}</b>
                <small>{p.words}</small>
              </span>
              <PostForm>
                <input type="hidden" name="pocket" value={p.id} />
                <Button type="submit" name="intent" value="throw-out" $quiet aria-label={`Throw out ${p.name}`}>
                  Throw out
                </Button>
              </PostForm>
            </li>
          ))}
        </ActionRows>
      </Section>
      {v.share && (
        <Section>
          <h2>When the phone warns you</h2>
          <p>
            The line is encrypted with a certificate this computer made itself. No authority vouches for it, so a
            browser says that the connection is not private. That is true of strangers’ pages; here you can look for
            yourself:
          </p>
          <Steps>
            <li>
              On the phone, open the details of the warning and compare the certificate’s SHA-256 fingerprint with this
              one:
              <Finger>{v.share.fingerprint}</Finger>
              If they are the same, it is this computer: go on. If not, do not.
            </li>
            <li>
              Better, once: bring <a href="/household/certificate.crt">the household’s certificate</a> to the phone and
              install it there as a certificate you trust. Then nothing is warned about any more.
            </li>
          </Steps>
          <p>
            Without the second step everything is shown and stored as usual, but the browser allows no notifications and
            keeps no pages for a cellar without a connection: a wash by hand then needs the line all the time.
          </p>
        </Section>
      )}
    </>
  );
}
