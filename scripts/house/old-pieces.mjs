import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';

const BUNDLES = '_expo/static/js/web';
const OWN = '.pieces.json';

/** The pieces that a client was built with itself, without those it kept of the one before. */
const ownPieces = (dist) => {
  const list = path.join(dist, OWN);
  return existsSync(list) ? JSON.parse(readFileSync(list, 'utf8')) : [];
};

/**
 * Lays the pieces of the client that is there aside, to be put beside the next one: a page that was
 * opened with them may still ask for one.
 */
export function layPiecesAside(dist) {
  const aside = `${dist}.before`;
  rmSync(aside, { recursive: true, force: true });
  mkdirSync(aside, { recursive: true });
  for (const name of ownPieces(dist)) {
    const piece = path.join(dist, BUNDLES, name);
    if (existsSync(piece)) cpSync(piece, path.join(aside, name));
  }
}

/** Puts them beside the new ones, for one version. */
export function keepOldPieces(dist) {
  const aside = `${dist}.before`;
  writeFileSync(path.join(dist, OWN), JSON.stringify(readdirSync(path.join(dist, BUNDLES))));
  for (const name of existsSync(aside) ? readdirSync(aside) : []) {
    const place = path.join(dist, BUNDLES, name);
    if (!existsSync(place)) cpSync(path.join(aside, name), place);
  }
  rmSync(aside, { recursive: true, force: true });
}
