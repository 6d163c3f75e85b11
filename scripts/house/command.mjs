import { spawn } from 'node:child_process';
import { Trouble } from './say.mjs';

/** Runs a command to its end; gives its output. With `quiet`, output is shown only on failure. */
export function command(file, args, { quiet = true, allowFailure = false, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(file, args, {
      stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
      ...options,
    });
    let output = '';
    child.stdout?.on('data', (chunk) => (output += chunk));
    child.stderr?.on('data', (chunk) => (output += chunk));
    child.on('error', (error) => reject(new Trouble(`${file} could not be run: ${error.message}`)));
    child.on('close', (code) => {
      if (code === 0 || allowFailure) resolve({ code, output });
      else
        reject(
          new Trouble(`“${[file, ...args].join(' ')}” ended with ${code}.\n${output.slice(-3000)}`),
        );
    });
  });
}
