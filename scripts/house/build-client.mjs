import { createHash } from 'node:crypto';
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { command } from './command.mjs';
import { keepOldPieces, layPiecesAside } from './old-pieces.mjs';
import { CLIENT, CLIENT_DIST, moreKits, ROOT } from './places.mjs';
import { say } from './say.mjs';

const STAMP = path.join(CLIENT_DIST, '.built-from');
const SOURCES = [
  'apps/client',
  'packages/core',
  'packages/contract',
  'packages/stand-ins',
  'package-lock.json',
  'package.json',
  'CHANGELOG.md',
  'scripts/house/build-client.mjs',
  ...[moreKits('packages/core'), moreKits('apps/client')].flatMap((kit) =>
    kit ? [path.relative(ROOT, path.dirname(kit))] : [],
  ),
];
/** What lies beside the sources but is no part of what is built. */
const SKIPPED = new Set([
  'node_modules',
  'dist',
  'dist-with-walls',
  'dist.before',
  'dist-with-walls.before',
  '.expo',
  'fonts',
  'codes',
  'pdf',
  'changes.json',
  'test',
  'tsconfig.json',
  'jest.config.cjs',
]);

function* filesIn(place) {
  if (!statSync(place).isDirectory()) {
    yield place;
    return;
  }
  for (const name of readdirSync(place).sort())
    if (!SKIPPED.has(name)) yield* filesIn(path.join(place, name));
}

function fingerprint() {
  const hash = createHash('sha256');
  for (const source of SOURCES)
    for (const file of filesIn(path.join(ROOT, source)))
      hash.update(path.relative(ROOT, file)).update(readFileSync(file));
  return hash.digest('hex');
}

/** The fonts are served by ourselves, from their packages. */
function bringFonts() {
  const require = createRequire(path.join(CLIENT, 'package.json'));
  const fonts = path.join(CLIENT, 'public/fonts');
  mkdirSync(fonts, { recursive: true });
  for (const family of ['next', 'mono']) {
    const name = `atkinson-hyperlegible-${family}`;
    cpSync(
      require.resolve(`@fontsource-variable/${name}/files/${name}-latin-wght-normal.woff2`),
      path.join(fonts, `${family}.woff2`),
    );
  }
}

/** The program that reads bar codes, too. */
function bringCodeReader() {
  const detector = createRequire(path.join(CLIENT, 'package.json')).resolve(
    'barcode-detector/ponyfill',
  );
  const require = createRequire(detector);
  const codes = path.join(CLIENT, 'public/codes');
  mkdirSync(codes, { recursive: true });
  cpSync(
    require.resolve('zxing-wasm/reader/zxing_reader.wasm'),
    path.join(codes, 'zxing_reader.wasm'),
  );
}

/** So many versions are told of. */
const VERSIONS_TOLD = 3;

/** What changed with the last versions, for whoever wants to read it in the application. */
function bringChanges() {
  const [, ...versions] = readFileSync(path.join(ROOT, 'CHANGELOG.md'), 'utf8').split(/^## /m);
  const changes = versions.slice(0, VERSIONS_TOLD).map((text) => {
    const [title = '', ...lines] = text.split('\n');
    const [version, date] = title.split(',').map((part) => part.trim());
    const [about = '', ...items] = lines.join('\n').split(/^- /m);
    const plain = (words) => words.replaceAll(/\s+/g, ' ').trim();
    return { version, date, about: plain(about), changes: items.map(plain) };
  });
  writeFileSync(path.join(CLIENT, 'public/changes.json'), JSON.stringify(changes));
}

/** The program that draws PDF files, too. */
function bringPdfReader() {
  const require = createRequire(path.join(CLIENT, 'package.json'));
  const from = path.dirname(require.resolve('pdfjs-dist/package.json'));
  const pdf = path.join(CLIENT, 'public/pdf');
  mkdirSync(pdf, { recursive: true });
  for (const name of [
    'legacy/build/pdf.min.mjs',
    'legacy/build/pdf.worker.min.mjs',
    'wasm/openjpeg.wasm',
    'wasm/jbig2.wasm',
    'wasm/qcms_bg.wasm',
  ])
    cpSync(path.join(from, name), path.join(pdf, path.basename(name)));
}

/** What is looked for beside the page, in a worker of its own, is a program of its own. */
async function buildOrderWorker() {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [path.join(CLIENT, 'features/planning/field/order-worker.ts')],
    outfile: path.join(CLIENT_DIST, 'order-worker.js'),
    ...{ bundle: true, minify: true, format: 'iife', platform: 'browser', target: 'es2022' },
    logLevel: 'warning',
  });
}

/** Exports the client and its service worker, when its sources changed since the last time. */
export async function buildClient() {
  const wanted = fingerprint();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  say('building the client (about two minutes the first time)');
  rmSync(STAMP, { force: true });
  bringFonts();
  bringCodeReader();
  bringPdfReader();
  bringChanges();
  layPiecesAside(CLIENT_DIST);
  await command(
    path.join(ROOT, 'node_modules/.bin/expo'),
    ['export', '--platform', 'web', '--output-dir', CLIENT_DIST],
    {
      cwd: CLIENT,
      env: {
        ...process.env,
        CI: '1',
        NODE_ENV: 'production',
        EXPO_OFFLINE: '1',
        EXPO_NO_TELEMETRY: '1',
        EXPO_UNSTABLE_METRO_OPTIMIZE_GRAPH: '1',
        EXPO_UNSTABLE_TREE_SHAKING: '1',
      },
    },
  );
  await buildOrderWorker();
  const { buildServiceWorker } = await import('./build-service-worker.mjs');
  await buildServiceWorker();
  keepOldPieces(CLIENT_DIST);
  writeFileSync(STAMP, wanted);
}
