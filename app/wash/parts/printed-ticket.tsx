/** The ticket on paper: one page of A5, A4 or Letter, with boxes to tick. */
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { CareSymbol } from '../../ui/care-symbols.tsx';
import type { TicketView } from '../ticket-view.server.ts';

const Paper = styled.div`
  display: none;
  ${media.print} {
    display: block;
    color: #000;
    font-size: 8.6pt;
    line-height: 1.25;
    break-inside: avoid;
    h1 {
      font-size: 14pt;
      margin: 0;
    }
    h2 {
      font-size: 9.5pt;
      margin: 2.2mm 0 0.6mm;
      border-bottom: 0.3mm solid #000;
    }
    ul,
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li.box {
      padding-left: 5mm;
      position: relative;
      margin-top: 0.7mm;
    }
    li.box::before {
      content: '';
      position: absolute;
      left: 0;
      top: 0.4mm;
      width: 2.8mm;
      height: 2.8mm;
      border: 0.3mm solid #000;
    }
    .figures {
      display: flex;
      flex-wrap: wrap;
      gap: 1mm 6mm;
      font-weight: 700;
      font-size: 11pt;
      margin-top: 1mm;
    }
    .pieces {
      columns: 2;
      column-gap: 5mm;
    }
    .pieces li {
      break-inside: avoid;
      display: flex;
      align-items: center;
      gap: 1mm;
    }
    .pieces i {
      width: 2.6mm;
      height: 2.6mm;
      flex: none;
      border: 0.2mm solid #000;
      print-color-adjust: exact;
      -webkit-print-color-adjust: exact;
    }
    .pieces svg {
      width: 4.6mm;
      height: 4mm;
    }
    .pieces span {
      flex: 1;
      min-width: 0;
    }
  }
`;

export function PrintedTicket({ v }: { v: TicketView }) {
  const { card, figures, prepare, procedure, warnings } = v.facts;
  const careful = warnings.filter((w) => w.severity !== 'info');
  return (
    <Paper aria-hidden="true">
      <h1>{v.title}</h1>
      <div>
        {card.programme ? `${card.programme}, ${card.machine}` : `By hand, ${card.machine}`} · {v.subtitle}
      </div>
      <div className="figures">
        {figures.map((f, i) => (
          <span key={i}>
            {f.value} {f.unit}
          </span>
        ))}
      </div>
      {careful.slice(0, 4).map((w) => (
        <div key={w.code + w.text}>! {w.text}</div>
      ))}
      <h2>Pieces</h2>
      <ul className="pieces">
        {v.printed.pieces.map((p, i) => (
          <li key={i}>
            <i style={{ background: p.hex }} />
            <span>
              {p.name}
              {p.dry && <small> · {p.dry}</small>}
            </span>
            {p.symbols.slice(0, 5).map((s) => (
              <CareSymbol key={s.part} part={s.part} value={s.value} />
            ))}
          </li>
        ))}
        {v.printed.more > 0 && <li>and {v.printed.more} more</li>}
      </ul>
      {prepare.length > 0 && (
        <>
          <h2>Before</h2>
          <ul>
            {prepare.map((p) => (
              <li key={p.step} className="box">
                {p.words}
                {p.pieces.length < card.pieces.length && p.pieces.length <= 4
                  ? `: ${p.pieces.map((x) => x.name).join(', ')}`
                  : ''}
              </li>
            ))}
          </ul>
        </>
      )}
      <h2>In</h2>
      <ul>
        {v.facts.adds.map((a) => (
          <li key={a.product} className="box">
            {a.amount} {a.name}, {a.place}
          </li>
        ))}
        {v.machine.options.map((o) => (
          <li key={o} className="box">
            {o}
          </li>
        ))}
      </ul>
      <h2>Steps</h2>
      <ol>
        {procedure.map((s, i) => (
          <li key={i} className="box">
            {s.text} {s.minutes > 0 ? `(${s.minutes} min)` : ''}
          </li>
        ))}
      </ol>
    </Paper>
  );
}
