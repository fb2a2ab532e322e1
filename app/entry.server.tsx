import { PassThrough, Transform } from 'node:stream';
import { createReadableStreamFromReadable } from '@react-router/node';
import { isbot } from 'isbot';
import { renderToPipeableStream, type RenderToPipeableStreamOptions } from 'react-dom/server';
import {
  isRouteErrorResponse,
  ServerRouter,
  type EntryContext,
  type HandleErrorFunction,
  type RouterContextProvider,
} from 'react-router';
import { ServerStyleSheet } from 'styled-components';
import { logContext, nonceContext } from './server/context.ts';
import { NonceProvider } from './ui/nonce.ts';

export const streamTimeout = 5_000;

/** What went wrong while a page was made: into the log, with the request's id. */
export const handleError: HandleErrorFunction = (error, { request, context }) => {
  const log = request.signal.aborted ? null : context.get(logContext);
  if (isRouteErrorResponse(error) && error.status < 500) log?.info({ status: error.status }, 'a page was refused');
  else log?.error({ err: error }, 'a page failed');
};

/**
 * React hands its HTML over in 2-4 kB pieces that may end inside a tag, and calls
 * destination.flush() at the places where inserting markup is safe. Collect until flush.
 */
function styleInjector(sheet: ServerStyleSheet) {
  let held = '';
  let headDone = false;
  const decoder = new TextDecoder();
  const take = (): string => {
    const css = sheet.getStyleTags();
    sheet.instance.clearTag();
    // The words and the typefaces come before the scripts: a page is read before it is touched.
    let html = held.replaceAll('<link rel="modulepreload"', '<link rel="modulepreload" fetchpriority="low"');
    held = '';
    if (!headDone) {
      const at = html.indexOf('</head>');
      if (at >= 0) {
        headDone = true;
        html = html.slice(0, at) + css + html.slice(at);
        return html;
      }
    }
    return css + html;
  };
  const out = new Transform({
    transform(chunk: Buffer, _enc, cb) {
      held += decoder.decode(chunk, { stream: true });
      cb();
    },
    flush(cb) {
      held += decoder.decode();
      if (held) this.push(take());
      cb();
    },
  });
  // called by React (flushBuffered) after every complete batch
  return Object.assign(out, {
    flush() {
      if (!held) return;
      if (!headDone && !held.includes('</head>')) return;
      out.push(take());
    },
  });
}

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  routerContext: EntryContext,
  loadContext: RouterContextProvider,
) {
  if (request.method.toUpperCase() === 'HEAD') return new Response(null, { status, headers });
  const nonce = loadContext.get(nonceContext);

  return new Promise<Response>((resolve, reject) => {
    let shellRendered = false;
    const ua = request.headers.get('user-agent');
    const ready: keyof RenderToPipeableStreamOptions =
      (ua && isbot(ua)) || routerContext.isSpaMode ? 'onAllReady' : 'onShellReady';
    const sheet = new ServerStyleSheet({ nonce });
    const timer = setTimeout(() => abort(), streamTimeout + 1000);

    const { pipe, abort } = renderToPipeableStream(
      sheet.collectStyles(
        <NonceProvider value={nonce}>
          <ServerRouter context={routerContext} url={request.url} nonce={nonce} />
        </NonceProvider>,
      ),
      {
        nonce,
        [ready]() {
          shellRendered = true;
          const injector = styleInjector(sheet);
          const body = new PassThrough({
            final(cb) {
              clearTimeout(timer);
              cb();
            },
          });
          headers.set('Content-Type', 'text/html; charset=utf-8');
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status }));
          injector.pipe(body);
          pipe(injector);
        },
        onShellError(e: unknown) {
          clearTimeout(timer);
          reject(e instanceof Error ? e : new Error(String(e)));
        },
        onError(e: unknown) {
          status = 500;
          if (shellRendered) loadContext.get(logContext)?.error({ err: e }, 'a page broke off');
        },
      },
    );
  });
}
