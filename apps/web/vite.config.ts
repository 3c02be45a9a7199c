import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { says, withMessages } from './words.babel.mjs';

/** So that the application comes up without the network, with what the bakery's pages said last. */
const offline = VitePWA({
  // An update waits until somebody takes it: nobody's page changes in the middle of a weighing.
  registerType: 'prompt',
  injectRegister: 'script',
  manifest: {
    name: 'Jokul',
    short_name: 'Jokul',
    description: 'Scale, portion, rest and bake creamed cookie dough',
    start_url: '/',
    display: 'standalone',
    background_color: '#23272b',
    theme_color: '#23272b',
    icons: [
      { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
      { src: '/mark-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
      { src: '/mark-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
    ],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
    maximumFileSizeToCacheInBytes: 5_000_000,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    inlineWorkboxRuntime: true,
    runtimeCaching: [
      {
        // Streams, the journal and the clock are never answered from a store: the page keeps its own of the first two.
        urlPattern: /\/api\/(?:bakery|days|weeks|formulas|probes)(?:[/?]|$)/,
        handler: 'NetworkFirst',
        options: {
          cacheName: 'last-known',
          expiration: { maxEntries: 80, maxAgeSeconds: 14 * 86_400 },
          cacheableResponse: { statuses: [200] },
        },
      },
    ],
  },
});

/** What is said, compiled into the files that say it. */
const words: Plugin = {
  name: 'words',
  enforce: 'pre',
  transform(code, id) {
    const file = id.replace(/\?.*$/, '');
    return /\.tsx?$/.test(file) && !file.includes('/node_modules/') && says(code)
      ? withMessages(code, file, true)
      : null;
  },
};

/** What the core says it says in a worker too (`words/speak-core`); what the interface says is for the page. */
const silentWorkers = {
  name: 'silent-workers',
  resolveId(source: string, importer?: string) {
    if (source.startsWith('@lingui/'))
      throw new Error(`${importer ?? 'A worker'} says something in a worker: let the page say it.`);
  },
};

export default defineConfig({
  plugins: [words, react(), tailwindcss(), offline],
  worker: { format: 'es', plugins: () => [silentWorkers] },
  build: { target: 'es2022', reportCompressedSize: false, chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:4310' } },
});
