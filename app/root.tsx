import type { ReactNode } from 'react';
import { I18nProvider, RouterProvider } from 'react-aria-components';
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  redirect,
  Scripts,
  ScrollRestoration,
  useHref,
  useNavigate,
  type NavigateOptions,
} from 'react-router';
import type { Route } from './+types/root';
import { firstFonts } from './theme/fonts.ts';
import { GlobalStyle } from './theme/global.ts';
import { Empty } from './ui/notice.tsx';
import { Button, LinkButton } from './ui/button.tsx';
import { LearningProvider } from './ui/explained.tsx';
import { useNonce } from './ui/nonce.ts';
import { useHydrated } from './ui/use-hydrated.ts';
import { FormKeyProvider } from './ui/post-form.tsx';
import { Shell } from './shell/parts/shell.tsx';
import { admit } from './server/admit.server.ts';
import { visitorContext } from './server/context.ts';
import { answering, withHousehold } from './server/request.server.ts';
import { outsideView, shellView } from './shell/shell-view.server.ts';

declare module 'react-aria-components' {
  interface RouterConfig {
    routerOptions: NavigateOptions;
  }
}

/** Who asks is known, and whether they may, before any page is made. */
export const middleware = [admit];

/** Pages that need no household yet. */
const beforeAnyHousehold: ReadonlySet<string> = new Set([
  '/',
  '/welcome',
  '/begin',
  '/households',
  '/transfer/archive',
]);
export const loader = ({ request, context }: Route.LoaderArgs) => {
  const visitor = context.get(visitorContext);
  if (visitor.householdId === null) return answering(context, () => Promise.resolve(outsideView(visitor)));
  return withHousehold(context, async (scope) => {
    const view = await shellView(scope, context, request);
    const { pathname } = new URL(request.url);
    if (view.household === null && !beforeAnyHousehold.has(pathname.replace(/\.data$/, ''))) throw redirect('/welcome');
    return view;
  });
};
export const meta: Route.MetaFunction = () => [{ title: 'Neat Fold' }];

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useNonce();
  return (
    <html lang="en-GB">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta property="csp-nonce" nonce={nonce} />
        <meta name="color-scheme" content="light dark" />
        <meta
          name="description"
          content="Sorts a household's washing by fibre, colour and care label, plans every load and says why."
        />
        <link rel="icon" href="/icon.svg" type="image/svg+xml" />
        {firstFonts.map((href) => (
          <link key={href} rel="preload" as="font" type="font/woff2" href={href} crossOrigin="anonymous" />
        ))}
        <Meta />
        <Links nonce={nonce} />
      </head>
      <body>
        <GlobalStyle />
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function App({ loaderData }: Route.ComponentProps) {
  const navigate = useNavigate();
  const hydrated = useHydrated();
  return (
    <I18nProvider locale="en-GB">
      <RouterProvider navigate={(to, options) => void navigate(to, options)} useHref={useHref}>
        <div data-hydrated={hydrated}>
          <FormKeyProvider
            value={{ key: loaderData.formKey, home: loaderData.householdId, looksOnly: loaderData.looksOnly }}
          >
            <LearningProvider value={loaderData.learning !== null}>
              <Shell view={loaderData}>
                <Outlet />
              </Shell>
            </LearningProvider>
          </FormKeyProvider>
        </div>
      </RouterProvider>
    </I18nProvider>
  );
}

/** Unknown pages and failures, in plain words; details go to the server's log. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const status = isRouteErrorResponse(error) ? error.status : 500;
  const missing = status === 404;
  const away = status === 503;
  const text =
    isRouteErrorResponse(error) && typeof error.data === 'string' && error.data && !error.data.startsWith('Error:')
      ? error.data
      : null;
  return (
    <div data-error>
      <Shell view={null}>
        <Empty
          title={
            missing
              ? 'This shelf is empty'
              : status === 403
                ? 'This drawer is not yours to open'
                : away
                  ? 'The cupboard does not open'
                  : 'Something came apart at the seam'
          }
          action={
            away ? (
              <Button onPress={() => window.location.reload()}>Try again</Button>
            ) : (
              <LinkButton href="/basket">To the basket</LinkButton>
            )
          }
        >
          {missing
            ? (text ?? 'There is no page at this address. It may have moved, or the piece was put away.')
            : away
              ? 'The database gives no answer. Nothing you stored is lost, and what you typed is still there one page back.'
              : status < 500 && text
                ? text
                : 'This page could not be shown. Nothing you stored is lost; try again in a moment.'}
        </Empty>
      </Shell>
    </div>
  );
}
