import { readFileSync } from 'node:fs';
import path from 'node:path';
import { moreKits, SERVER, SERVER_DIST } from './places.mjs';

/** Puts the further kit that is asked for in the place of the empty lists. */
const withMoreKits = {
  name: 'more-kits',
  setup: (build) => {
    const put = (filter, place) => build.onResolve({ filter }, () => ({ path: place }));
    const [core, server] = [moreKits('packages/core'), moreKits('apps/server')];
    if (core) put(/\/more-kits\.ts$/, core);
    if (server) put(/\/more-report-parts\.ts$/, server);
  },
};

/** Bundles the server, its set-up and its workers; what only the core needs is bundled, other packages stay outside. */
export async function buildServer() {
  const { build } = await import('esbuild');
  await build(whatIsBuilt());
}

/** Bundles anew whenever a source changed, and tells how that went; gives the way to stop. */
export async function watchServer(onBuilt) {
  const { context } = await import('esbuild');
  const told = {
    name: 'told',
    setup: (build) => build.onEnd(({ errors }) => onBuilt(errors.length === 0)),
  };
  const what = whatIsBuilt();
  const watching = await context({ ...what, plugins: [...what.plugins, told] });
  await watching.watch();
  return () => watching.dispose();
}

function whatIsBuilt() {
  const outside = ['apps/server', 'packages/demo', 'packages/stand-ins']
    .flatMap((place) =>
      Object.keys(
        JSON.parse(readFileSync(path.join(SERVER, '../..', place, 'package.json'), 'utf8'))
          .dependencies,
      ),
    )
    .filter((name) => !name.startsWith('@ant-trail/'));
  return {
    entryPoints: {
      main: path.join(SERVER, 'src/main.ts'),
      setup: path.join(SERVER, 'src/setup/main.ts'),
      'report-worker': path.join(SERVER, 'src/modules/reports/pdf/worker.ts'),
      'table-worker': path.join(SERVER, 'src/tables/table-worker.ts'),
      'fold-worker': path.join(SERVER, 'src/log/fold-worker.ts'),
      'order-worker': path.join(SERVER, 'src/modules/planning/order-worker.ts'),
    },
    outdir: SERVER_DIST,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    external: [...new Set(outside)].flatMap((name) => [name, `${name}/*`]),
    tsconfigRaw: {
      compilerOptions: { experimentalDecorators: true, useDefineForClassFields: false },
    },
    plugins: [withMoreKits],
    logLevel: 'warning',
  };
}

export const REPORT_WORKER = path.join(SERVER_DIST, 'report-worker.mjs');
export const TABLE_WORKER = path.join(SERVER_DIST, 'table-worker.mjs');
export const ORDER_WORKER = path.join(SERVER_DIST, 'order-worker.mjs');
export const FOLD_WORKER = path.join(SERVER_DIST, 'fold-worker.mjs');
