/** What a piece bears, limit by limit, with the reason of each. */
import type { ReactNode } from 'react';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import type { PieceView } from '../piece-view.server.ts';

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  th {
    text-align: left;
    font-weight: 600;
    width: 7.5rem;
  }
  td,
  th {
    padding: 0.45rem 0.8rem 0.45rem 0;
    border-bottom: 1px dotted var(--hairline);
    vertical-align: top;
  }
  td:last-child {
    color: var(--ink-soft);
    font-size: 0.92rem;
  }
  ${media.phone} {
    th {
      width: 6rem;
    }
    td:last-child {
      font-size: 0.86rem;
    }
  }
`;

/** `children` = further rows. */
export const Limits = ({ limits, children }: { limits: PieceView['limits']; children?: ReactNode }) => (
  <Table>
    <tbody>
      {limits.map((l) => (
        <tr key={l.what}>
          <th scope="row">{l.what}</th>
          <td>{l.value}</td>
          <td>{l.why}</td>
        </tr>
      ))}
      {children}
    </tbody>
  </Table>
);
