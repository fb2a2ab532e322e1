import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { Route } from './+types/test';
import { withHousehold } from '../server/request.server.ts';
import { LinkButton } from '../ui/button.tsx';
import { Swatch } from '../ui/fold.tsx';
import { Empty } from '../ui/notice.tsx';
import { PageHead, Quiet, Rows } from '../ui/page.tsx';
import { testListView } from './test-view.server.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Test · Neat Fold' }];
export const loader = ({ context }: Route.LoaderArgs) => withHousehold(context, testListView);

const List = styled(Rows)`
  a {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 0.9rem;
    align-items: center;
    min-height: 3.6rem;
    text-decoration: none;
    padding: 0.4rem 0;
  }
  a:hover b {
    text-decoration: underline;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

export default function Tests({ loaderData: v }: Route.ComponentProps) {
  if (v.wanted.length === 0)
    return (
      <Empty title="Nothing to test" action={<LinkButton href="/basket">To the basket</LinkButton>}>
        No colour asks for a test: each has had its first washes, or its test is clear.
      </Empty>
    );
  return (
    <>
      <PageHead>
        <div>
          <h1>Will it bleed?</h1>
          <p>
            A wet white cloth on a hidden place tells before the whole piece is wet. Pieces of today’s basket come
            first.
          </p>
        </div>
      </PageHead>
      <List>
        {v.wanted.map((w) => (
          <li key={w.piece.id}>
            <Link to={`/test/${w.piece.id}`}>
              <Swatch cloth={w.piece.cloth} size={26} />
              <span>
                <b>{w.piece.name}</b>
                <small>
                  {w.reason}
                  {w.inBasket ? ' In the basket.' : ''}
                </small>
              </span>
              <Quiet>{w.progress}</Quiet>
            </Link>
          </li>
        ))}
      </List>
    </>
  );
}
