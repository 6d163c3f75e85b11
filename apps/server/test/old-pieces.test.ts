import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { keepOldPieces, layPiecesAside } from '../../../scripts/house/old-pieces.mjs';

const PIECES = '_expo/static/js/web';
let dist: string;
beforeEach(() => {
  dist = path.join(mkdtempSync(path.join(tmpdir(), 'pieces-')), 'dist');
});
afterEach(() => rmSync(path.dirname(dist), { recursive: true }));

/** Builds a client of these pieces in the place of what was there. */
function build(...names: string[]): string[] {
  layPiecesAside(dist);
  rmSync(dist, { recursive: true, force: true });
  mkdirSync(path.join(dist, PIECES), { recursive: true });
  for (const name of names) writeFileSync(path.join(dist, PIECES, name), `new ${name}`);
  keepOldPieces(dist);
  return readdirSync(path.join(dist, PIECES)).sort();
}

test('pieces of the version before stay beside the new ones, and no longer than that', () => {
  expect(build('entry-1.js', 'sheet-1.js')).toEqual(['entry-1.js', 'sheet-1.js']);
  expect(build('entry-2.js', 'sheet-1.js')).toEqual(['entry-1.js', 'entry-2.js', 'sheet-1.js']);
  expect(build('entry-3.js', 'sheet-3.js')).toEqual([
    ...['entry-2.js', 'entry-3.js', 'sheet-1.js', 'sheet-3.js'],
  ]);
  expect(readdirSync(path.dirname(dist))).toEqual(['dist']);
});

test('a piece that is the same is the new one', () => {
  build('entry-1.js');
  writeFileSync(path.join(dist, PIECES, 'entry-1.js'), 'old');
  build('entry-1.js');
  expect(readFileSync(path.join(dist, PIECES, 'entry-1.js'), 'utf8')).toBe('new entry-1.js');
});

test('a build that broke off leaves nothing in the way of the next', () => {
  build('entry-1.js');
  layPiecesAside(dist);
  rmSync(dist, { recursive: true });
  expect(build('entry-2.js')).toEqual(['entry-2.js']);
});
