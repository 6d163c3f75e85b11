import { spawn } from 'node:child_process';
import path from 'node:path';
import { command } from './command.mjs';
import { FOLD_WORKER, ORDER_WORKER, REPORT_WORKER, TABLE_WORKER } from './build-server.mjs';
import { CLIENT_DIST, SERVER_DIST } from './places.mjs';
import { Trouble } from './say.mjs';

/** Brings a cluster's database up to date and loads the demo where it is empty. */
export async function prepareDatabase(cluster, { demo = true } = {}) {
  await command(process.execPath, ['--enable-source-maps', path.join(SERVER_DIST, 'setup.mjs')], {
    env: {
      ...process.env,
      OWNER_URL: cluster.ownerUrl,
      APP_PASSWORD: cluster.appPassword,
      FILES_DIR: cluster.filesDir,
      DEMO: demo ? 'yes' : 'no',
    },
  });
}

/**
 * Starts the server; resolves when it listens.
 * @returns {Promise<import("node:child_process").ChildProcess>}
 */
export function startServer(cluster, { port, host = '127.0.0.1', log = 'warn', client = true }) {
  const child = spawn(
    process.execPath,
    ['--enable-source-maps', path.join(SERVER_DIST, 'main.mjs')],
    {
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      env: {
        ...process.env,
        PORT: String(port),
        HOST: host,
        DATABASE_URL: cluster.appUrl,
        FILES_DIR: cluster.filesDir,
        REPORT_WORKER,
        TABLE_WORKER,
        FOLD_WORKER,
        ORDER_WORKER,
        LOG_LEVEL: log,
        ...(client ? { CLIENT_DIR: CLIENT_DIST } : {}),
      },
    },
  );
  return new Promise((resolve, reject) => {
    child.on('message', (message) => message === 'ready' && resolve(child));
    child.on('exit', (code) =>
      reject(new Trouble(`The server did not start (it ended with ${code}).`)),
    );
  });
}

/** Ends a server and waits until it is gone. */
export function stopServer(child, signal = 'SIGTERM') {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    child.on('exit', resolve);
    child.kill(signal);
  });
}
