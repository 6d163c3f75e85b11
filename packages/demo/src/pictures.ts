import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { Chance } from './chance.ts';

export interface DemoPicture {
  readonly sha256: string;
  readonly bytes: Buffer;
  readonly width: number;
  readonly height: number;
}

const WIDTH = 1280;
const HEIGHT = 960;

type Draw = (chance: Chance) => string;

const mountains: Draw = (chance) => {
  const ridge = (base: number, color: string): string => {
    let path = `M0 ${HEIGHT} L0 ${base}`;
    for (let x = 0; x <= WIDTH; x += 128) path += ` L${x} ${base - chance.between(0, 210)}`;
    return `<path d="${path} L${WIDTH} ${HEIGHT} Z" fill="${color}"/>`;
  };
  return (
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="#b9cbd0"/>` +
    ridge(460, '#8b9da0') +
    ridge(590, '#64756f') +
    `<rect y="690" width="${WIDTH}" height="270" fill="#4d5a48"/>`
  );
};

const room: Draw = (chance) =>
  `<rect width="${WIDTH}" height="${HEIGHT}" fill="hsl(${chance.between(185, 215)} 9% 62%)"/>` +
  `<rect y="640" width="${WIDTH}" height="320" fill="#565a58"/>` +
  Array.from(
    { length: 6 },
    (_, i) => `<rect x="${i * 220 + 20}" y="40" width="8" height="600" fill="#0002"/>`,
  ).join('');

const brake: Draw = (chance) =>
  `${room(chance)}<g transform="translate(640 500)"><circle r="330" fill="#6d7272"/>` +
  `<circle r="318" fill="#9aa0a0"/><circle r="${chance.between(180, 230)}" fill="#7d8484"/>` +
  `<circle r="70" fill="#3b3f40"/><path d="M150 -330 h190 v230 h-150 z" fill="#c2502c"/>` +
  `<circle r="265" fill="none" stroke="#5b3520" stroke-opacity=".45" stroke-width="${chance.between(8, 40)}"/></g>`;

const gauge: Draw = (chance) => {
  const angle = chance.between(-120, 110);
  const ticks = Array.from(
    { length: 25 },
    (_, i) =>
      `<rect x="-5" y="-300" width="10" height="${i % 4 === 0 ? 60 : 32}" fill="#222" transform="rotate(${-135 + i * 11.25})"/>`,
  ).join('');
  return (
    `${room(chance)}<g transform="translate(640 480)"><circle r="370" fill="#2f3434"/>` +
    `<circle r="345" fill="#f2efe6"/>${ticks}<g transform="rotate(${angle})">` +
    `<path d="M-12 40 L0 -270 L12 40 Z" fill="#b23a1c"/></g><circle r="34" fill="#2f3434"/></g>`
  );
};

const hut: Draw = (chance) =>
  `${mountains(chance)}<g transform="translate(${chance.between(380, 620)} 520)">` +
  `<rect width="360" height="220" fill="#7a5234"/><path d="M-40 10 L180 -150 L400 10 Z" fill="#8d3425"/>` +
  `<rect x="150" y="90" width="70" height="130" fill="#3d2716"/><rect x="40" y="70" width="70" height="60" fill="#e9cf86"/>` +
  `<rect x="260" y="70" width="70" height="60" fill="#e9cf86"/></g>`;

const spring: Draw = (chance) =>
  `${mountains(chance)}<path d="M520 640 Q640 ${chance.between(700, 780)} 560 960 L860 960 Q760 780 720 640 Z" fill="#7fb1c0"/>` +
  `<rect x="440" y="560" width="380" height="90" fill="#a7a49a"/><rect x="560" y="590" width="140" height="60" fill="#4c5555"/>`;

const path: Draw = (chance) =>
  `${mountains(chance)}<path d="M560 960 Q${chance.between(420, 760)} 800 640 690 L690 690 Q${chance.between(760, 900)} 800 860 960 Z" fill="#b59b74"/>` +
  Array.from(
    { length: 5 },
    (_, i) =>
      `<rect x="${470 - i * 4 + i * 40}" y="${880 - i * 42}" width="14" height="90" fill="#5a3d22"/>`,
  ).join('');

const board: Draw = (chance) =>
  `${room(chance)}<rect x="330" y="120" width="620" height="700" rx="14" fill="#d9d7cf"/>` +
  Array.from({ length: 24 }, (_, i) => {
    const [x, y] = [380 + (i % 8) * 66, 200 + Math.floor(i / 8) * 200];
    const up = chance.happens(0.85);
    return `<rect x="${x}" y="${y}" width="52" height="130" fill="#f5f3ec" stroke="#999"/><rect x="${x + 14}" y="${up ? y + 24 : y + 66}" width="24" height="40" fill="${up ? '#2c3130' : '#b23a1c'}"/>`;
  }).join('');

const SCENES: Record<string, readonly Draw[]> = {
  drive: [brake, gauge],
  hut: [hut, gauge],
  board: [board, board],
  spring: [spring, gauge],
  turbine: [gauge, brake],
  path: [path, path],
};

/** Draws three pictures for each kind of place. */
export async function drawPictures(): Promise<Record<string, DemoPicture[]>> {
  const chance = new Chance(4711);
  const pictures: Record<string, DemoPicture[]> = {};
  for (const [kind, draws] of Object.entries(SCENES)) {
    const drawn: DemoPicture[] = [];
    for (let i = 0; i < 3; i++) {
      const draw = draws[i % draws.length] ?? mountains;
      const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">${draw(chance)}</svg>`;
      const bytes = await sharp(Buffer.from(svg)).jpeg({ quality: 78 }).toBuffer();
      const sha256 = createHash('sha256').update(bytes).digest('hex');
      drawn.push({ sha256, bytes, width: WIDTH, height: HEIGHT });
    }
    pictures[kind] = drawn;
  }
  return pictures;
}
