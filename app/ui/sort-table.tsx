/**
 * A table whose heads sort it, by a link: keyboard, no JavaScript and the address all agree. On a phone each row becomes a card whose cells carry
 * their heads. Rows and columns are held by TanStack Table; sorting is the server's where `sorted` comes from there.
 */
import { flexRender, getCoreRowModel, useReactTable, type ColumnDef, type RowData } from '@tanstack/react-table';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../theme/tokens.ts';

declare module '@tanstack/react-table' {
  // The library's own type parameters have to be repeated.
  // eslint-disable-next-line @typescript-eslint/no-unused-vars
  interface ColumnMeta<TData extends RowData, TValue> {
    /** Numbers stand right. */
    number?: boolean;
  }
}

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  th,
  td {
    text-align: left;
    padding: 0.45rem 0.9rem 0.45rem 0;
    border-bottom: 1px dotted var(--hairline);
    vertical-align: top;
  }
  th {
    border-bottom: 1.5px solid var(--ink);
    white-space: nowrap;
    vertical-align: bottom;
  }
  th a,
  th .head {
    display: inline-flex;
    min-height: 2.5rem;
    align-items: center;
    gap: 0.3rem;
    text-decoration: none;
  }
  th a:hover {
    text-decoration: underline;
  }
  .number {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  tr[data-struck='true'] td {
    text-decoration: line-through;
    color: var(--ink-soft);
  }
  ${media.phone} {
    &[data-cards='true'] {
      thead tr {
        display: flex;
        flex-wrap: wrap;
        gap: 0 1rem;
        border-bottom: 1.5px solid var(--ink);
      }
      th {
        border: 0;
        padding: 0;
      }
      tbody tr {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        padding: 0.5rem 0;
        border-bottom: 1px solid var(--hairline);
      }
      td {
        border: 0;
        padding: 0.1rem 0.5rem 0.1rem 0;
        text-align: left;
      }
      td:first-child {
        grid-column: 1 / -1;
      }
      td::before {
        content: attr(data-head) ' ';
        color: var(--ink-soft);
        font-size: 0.85rem;
      }
      td:first-child::before {
        content: none;
      }
    }
  }
`;

export interface Sorted {
  by: string;
  up: boolean;
}
export function SortTable<Row>({
  rows,
  columns,
  sorted,
  sortable,
  href,
  label,
  isStruck = () => false,
}: {
  rows: readonly Row[];
  columns: ColumnDef<Row>[];
  sorted: Sorted;
  /** Ids of the columns whose heads are links. */
  sortable: readonly string[];
  /** The address that sorts so. */
  href: (by: string, up: boolean) => string;
  label: string;
  /** Rows that count no more. */
  isStruck?: (row: Row) => boolean;
}) {
  // The table holds no state of its own: rows, columns and order come from the page.
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoised by hand
  const table = useReactTable({
    data: rows as Row[],
    columns,
    getCoreRowModel: getCoreRowModel(),
    manualSorting: true,
    state: { sorting: [{ id: sorted.by, desc: !sorted.up }] },
  });
  return (
    <Table data-cards="true" aria-label={label}>
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((h) => {
              const dir = h.column.getIsSorted();
              const words = flexRender(h.column.columnDef.header, h.getContext());
              return (
                <th
                  key={h.id}
                  scope="col"
                  className={h.column.columnDef.meta?.number ? 'number' : undefined}
                  aria-sort={dir === 'asc' ? 'ascending' : dir === 'desc' ? 'descending' : undefined}
                >
                  {sortable.includes(h.id) ? (
                    <Link to={href(h.id, dir === 'desc')} preventScrollReset>
                      {words}
                      <span aria-hidden="true">{dir === 'asc' ? '▴' : dir === 'desc' ? '▾' : ''}</span>
                    </Link>
                  ) : (
                    <span className="head">{words}</span>
                  )}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr key={row.id} data-struck={isStruck(row.original)}>
            {row.getVisibleCells().map((cell) => (
              <td
                key={cell.id}
                data-head={typeof cell.column.columnDef.header === 'string' ? cell.column.columnDef.header : ''}
                className={cell.column.columnDef.meta?.number ? 'number' : undefined}
              >
                {flexRender(cell.column.columnDef.cell, cell.getContext())}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
