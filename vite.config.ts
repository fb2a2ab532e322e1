import { reactRouter } from '@react-router/dev/vite';
import { transformAsync } from '@babel/core';
import { defineConfig, type Plugin } from 'vite';
import { compression } from 'vite-plugin-compression2';

/** Stable component ids on server and client (from the path, not from a counter). */
function styledComponentsIds(): Plugin {
  return {
    name: 'styled-components-ids',
    enforce: 'pre',
    async transform(code, id) {
      const [file = ''] = id.split('?'); // without the router's ?__react-router-build-client-route suffix
      if (file.includes('/node_modules/') || !/\.[jt]sx?$/.test(file) || !code.includes('styled-components'))
        return null;
      const out = await transformAsync(code, {
        filename: file,
        babelrc: false,
        configFile: false,
        sourceMaps: true,
        parserOpts: { plugins: ['typescript', 'jsx'] },
        plugins: [
          [
            'babel-plugin-styled-components',
            { ssr: true, fileName: true, displayName: process.env.NODE_ENV !== 'production', pure: true },
          ],
        ],
      });
      return out?.code ? { code: out.code, map: out.map } : null;
    },
  };
}

/** Stand-alone chunks beside the server: what worker threads load. */
function serverEntries(entries: Record<string, string>): Plugin {
  return {
    name: 'server-entries',
    apply: 'build',
    applyToEnvironment: (env) => env.name === 'ssr',
    buildStart() {
      for (const [fileName, id] of Object.entries(entries)) this.emitFile({ type: 'chunk', id, fileName });
    },
  };
}

/** The service worker: one file at the root, so that it may look after every page. */
const serviceWorker = (): Plugin => ({
  name: 'service-worker',
  apply: 'build',
  applyToEnvironment: (env) => env.name === 'client',
  buildStart() {
    this.emitFile({ type: 'chunk', id: './workers/kept.worker.ts', fileName: 'sw.js' });
  },
});

/** Everything the browser loads, beside itself as Brotli and gzip. */
const compressedFiles = (): Plugin[] =>
  [
    compression({
      include: /\.(js|css|svg|json|txt|webmanifest)$/,
      algorithms: ['brotliCompress', 'gzip'],
      threshold: 600,
      skipIfLargerOrEqual: true,
    }),
  ]
    .flat()
    .map((plugin) => ({ ...plugin, applyToEnvironment: (env) => env.name === 'client' }));

export default defineConfig({
  plugins: [
    styledComponentsIds(),
    reactRouter(),
    serverEntries({ 'plan.worker.js': './workers/plan.worker.ts' }),
    serviceWorker(),
    compressedFiles(),
  ],
  resolve: { tsconfigPaths: true },
  optimizeDeps: {
    // Complete list of what the browser loads: no late discovery, no reload in the middle of a browser test.
    include: [
      'react-aria',
      'react-aria-components',
      'styled-components',
      'react-router',
      'react-router/dom',
      'lucide-react',
      'valibot',
      'culori/fn',
    ],
    exclude: ['pg', 'drizzle-orm', 'piscina'],
  },
  environments: { ssr: { build: { rollupOptions: { input: './app/server/app.ts' } } } },
});
