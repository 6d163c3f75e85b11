#!/usr/bin/env node
import { spawn } from 'node:child_process';
import path from 'node:path';
import { freePort, openCluster } from './house/cluster.mjs';
import { mustBeFree, takeData } from './house/one-at-a-time.mjs';
import { ensurePackages } from './house/packages.mjs';
import { CLIENT, ROOT } from './house/places.mjs';
import { run, say } from './house/say.mjs';

const port = Number(process.env.PORT ?? 8080);
const host = '127.0.0.1';
const dataDir = path.resolve(process.env.ANT_TRAIL_DATA ?? path.join(ROOT, '.local/dev'));

/** The client from its sources: what is changed is in the page within a second. */
function startMetro(at) {
  return spawn(
    path.join(ROOT, 'node_modules/.bin/expo'),
    ['start', '--web', '--port', String(at)],
    {
      cwd: CLIENT,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, BROWSER: 'none', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1' },
    },
  );
}

/** One origin for both, as it is served: the office's routes, and everything else from the sources. */
async function startFront(office, metro) {
  const { createServer } = await import('node:http');
  const { createProxyMiddleware } = await import('http-proxy-middleware');
  const to = (at) => createProxyMiddleware({ target: `http://${host}:${at}` });
  const [toOffice, toMetro] = [to(office), to(metro)];
  const front = createServer((request, response) => {
    const proxy = request.url?.startsWith('/api') ? toOffice : toMetro;
    void proxy(request, response, () => response.writeHead(404).end());
  });
  front.on('upgrade', toMetro.upgrade);
  await new Promise((resolve) => front.listen(port, host, resolve));
  return front;
}

/** `npm run dev`: server and client that follow their sources, on data of their own. */
await run(async () => {
  await mustBeFree(port, host, 'run dev');
  const letGo = takeData(dataDir);
  await ensurePackages();
  const { buildServer, watchServer } = await import('./house/build-server.mjs');
  const { prepareDatabase, startServer, stopServer } = await import('./house/serve.mjs');
  await buildServer();
  const cluster = await openCluster(dataDir);
  await prepareDatabase(cluster);
  const [officePort, metroPort] = [await freePort(), await freePort()];
  let server = null;
  let line = Promise.resolve();
  const restart = (isGood) => {
    if (!isGood) return;
    line = line.then(async () => {
      if (server) await stopServer(server);
      server = null;
      try {
        server = await startServer(cluster, { port: officePort, client: false });
        say('the server follows its sources');
      } catch (error) {
        say(`the server does not start: ${error.message}`);
      }
    });
  };
  const stopWatching = await watchServer(restart);
  const metro = startMetro(metroPort);
  const front = await startFront(officePort, metroPort);
  const stop = async () => {
    front.close();
    front.closeAllConnections();
    metro.kill('SIGTERM');
    await stopWatching();
    await line;
    if (server) await stopServer(server);
    await cluster.stop();
    letGo();
    process.exit(0);
  };
  process.on('SIGINT', () => void stop());
  process.on('SIGTERM', () => void stop());
  const { DEMO_SIGN_INS } = await import('./house/demo-sign-ins.mjs');
  console.log(
    `\n  Ant Trail from its sources is at http://localhost:${port}\n\n${DEMO_SIGN_INS}\n`,
  );
});
