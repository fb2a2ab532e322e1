/** At the machine: the drum before the door closes, the drawer with what goes where, the bottle's rest, the options. */
import { Fragment } from 'react';
import { styled } from 'styled-components';
import { Link } from 'react-router';
import { Quiet } from '../../ui/page.tsx';
import { Notice } from '../../ui/notice.tsx';
import type { Compartment } from '../machine-view.server.ts';
import type { TicketView } from '../ticket-view.server.ts';
import { Adds, Block, Notes } from './sheet.tsx';

const placeWords: Record<Compartment, string> = {
  drum: 'into the empty drum, first',
  prewash: 'drawer, I (prewash)',
  main: 'drawer, II (main wash)',
  softener: 'drawer, flower (last rinse)',
  basin: 'into the water',
};

const Drawing = styled.svg`
  width: min(100%, 21rem);
  height: auto;
  stroke: var(--ink);
  fill: none;
  stroke-width: 2;
  stroke-linejoin: round;
  .used {
    fill: var(--wash);
  }
  text {
    fill: var(--ink);
    stroke: none;
    font:
      700 17px 'Atkinson Hyperlegible Next Variable',
      sans-serif;
    text-anchor: middle;
  }
  text.small {
    font-size: 12px;
    font-weight: 620;
  }
`;
/** A pulled-out drawer seen from above, its three wells, and the drum beside it: own drawing. */
function Drawer({ used }: { used: ReadonlySet<Compartment> }) {
  const well = (c: Compartment) => (used.has(c) ? 'used' : undefined);
  return (
    <Drawing viewBox="0 0 340 118" aria-hidden="true">
      <path d="M8 14h206v82q0 10-10 10H18q-10 0-10-10z" />
      <path className={well('prewash')} d="M18 24h54v70H26q-8 0-8-8z" />
      <path className={well('softener')} d="M80 24h46v70H80z" />
      <path className={well('main')} d="M134 24h70v62q0 8-8 8h-62z" />
      <path d="M86 106v6h50v-6" />
      <text x="45" y="66">
        I
      </text>
      <text x="169" y="66">
        II
      </text>
      <g transform="translate(103 58)">
        {[0, 72, 144, 216, 288].map((a) => (
          <ellipse key={a} cx="0" cy="-9" rx="4.5" ry="7" transform={`rotate(${a})`} />
        ))}
        <circle r="3.5" />
      </g>
      <circle cx="280" cy="60" r="48" />
      <circle className={well('drum')} cx="280" cy="60" r="37" />
      <text className="small" x="280" y="64">
        drum
      </text>
    </Drawing>
  );
}

/** How full the loose pile fills the round of the drum. */
function Drum({ share }: { share: number }) {
  const y = 60 + 46 - 92 * share;
  return (
    <Drawing viewBox="0 0 120 120" style={{ width: '6.5rem', flex: 'none' }} aria-hidden="true">
      <clipPath id="drum-pile">
        <rect x="0" y={y} width="120" height="120" />
      </clipPath>
      <circle className="used" cx="60" cy="60" r="46" clipPath="url(#drum-pile)" style={{ stroke: 'none' }} />
      <circle cx="60" cy="60" r="46" />
      <circle cx="60" cy="60" r="55" />
    </Drawing>
  );
}
const Check = styled.div`
  display: flex;
  gap: 1.2rem;
  align-items: center;
  ul {
    flex: 1;
  }
`;

export function AtTheMachine({ v }: { v: TicketView }) {
  const { check, options, stay, learnt } = v.machine;
  if (v.byHand || !check) return null;
  return (
    <Block aria-labelledby="machine">
      <h2 id="machine">Before the door closes</h2>
      <Check>
        <Drum share={check.looseShare} />
        <Notes>
          <li>The drum is empty, nothing left in its seal.</li>
          <li>
            {check.massText}. {check.freeText}
          </li>
          <li>The door latches with a click.</li>
        </Notes>
      </Check>
      {check.tooFull && (
        <Notice severity="caution">Fuller than it washes clean: take something out if your hand finds no room.</Notice>
      )}
      {options.length > 0 && (
        <p>
          {options.map((o, i) => (
            <Fragment key={o}>
              {i > 0 && ', '}
              <b>{o}</b>
            </Fragment>
          ))}
          <Quiet> on its panel.</Quiet>
        </p>
      )}
      {stay && <Notice severity="caution">{stay}</Notice>}
      {learnt.map((l) => (
        <p key={l}>
          <Quiet>{l}</Quiet>
        </p>
      ))}
      {v.upkeep && (
        <Notice>
          {v.upkeep} <Link to="/upkeep">Care of the machines</Link>
        </Notice>
      )}
    </Block>
  );
}

/** Everything that goes in, in its place, the drum first. */
export function WhatGoesIn({ v }: { v: TicketView }) {
  const { places, hasDrawer, stock } = v.machine;
  if (places.length === 0) return null;
  return (
    <Block aria-labelledby="adds">
      <h2 id="adds">What goes in</h2>
      {hasDrawer && <Drawer used={new Set(places.map((p) => p.compartment))} />}
      <Adds>
        {places.flatMap((place) =>
          place.products.map((p) => (
            <li key={place.compartment + p.name}>
              <b>{p.amount}</b>
              <span>
                {p.name}
                <small>{placeWords[place.compartment]}</small>
              </span>
            </li>
          )),
        )}
      </Adds>
      {stock.map((s) => (
        <Quiet key={s}>{s}</Quiet>
      ))}
    </Block>
  );
}
