import { createRequire } from 'node:module';
import path from 'node:path';
import { CLIENT, CLIENT_DIST } from './places.mjs';

const BUNDLES = '_expo/static/js/web';

/** The desk's bundles: phones do not need them, and desks keep them once they were loaded. */
const DESK_ONLY = [`${BUNDLES}/desk-*.js`, `${BUNDLES}/builder-*.js`];

/** Networks with a sign-in page of their own answer everything with it: that is never kept. */
const FROM_THE_OFFICE = { statuses: [200], headers: { 'X-Ant-Trail': 'office' } };

/** Writes the worker that lets the application start with no network. */
export async function buildServiceWorker() {
  const require = createRequire(path.join(CLIENT, 'package.json'));
  const { generateSW } = require('workbox-build');
  await generateSW({
    globDirectory: CLIENT_DIST,
    swDest: path.join(CLIENT_DIST, 'sw.js'),
    globPatterns: [
      'index.html',
      'base.css',
      'mark.svg',
      'app.webmanifest',
      'fonts/*',
      'codes/*',
      'pdf/*',
      'changes.json',
      'order-worker.js',
      `${BUNDLES}/*.js`,
    ],
    globIgnores: DESK_ONLY,
    maximumFileSizeToCacheInBytes: 8_000_000,
    // Names under /_expo carry their hash already.
    dontCacheBustURLsMatching: /_expo\//,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/uploads/, /^\/_expo\//, /^\/assets\//],
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    // A new version waits until the page asks for it: never while a sheet is being edited.
    skipWaiting: false,
    runtimeCaching: [
      {
        urlPattern: ({ url }) => url.pathname.startsWith('/_expo/'),
        handler: 'CacheFirst',
        options: { cacheName: 'desk', cacheableResponse: FROM_THE_OFFICE },
      },
      {
        urlPattern: ({ url }) => url.pathname.startsWith('/api/media/'),
        handler: 'CacheFirst',
        options: {
          cacheName: 'photos',
          expiration: { maxEntries: 300 },
          cacheableResponse: FROM_THE_OFFICE,
        },
      },
    ],
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
  });
}
