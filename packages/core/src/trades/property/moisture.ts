/** Materials a wall is made of, as far as they take up water differently. */
export const MATERIALS = ['timber', 'masonry', 'board'] as const;
export type Material = (typeof MATERIALS)[number];

export const BANDS = ['dry', 'damp', 'wet'] as const;
export type Band = (typeof BANDS)[number];

/**
 * Percent by mass up to which a material is dry, and above which it is wet. Timber decays above some 20 %
 * (the line between use classes 2 and 3 of EN 335; value from memory). The others are common practice, no source.
 */
const LIMITS: Readonly<Record<Material, readonly [dry: number, damp: number]>> = {
  timber: [16, 20],
  masonry: [3, 5],
  board: [0.5, 1],
};

/** How wet a reading is for what it was taken in. */
export function bandOf(material: Material, percent: number): Band {
  const [dry, damp] = LIMITS[material];
  if (percent <= dry) return 'dry';
  return percent <= damp ? 'damp' : 'wet';
}

/** A reading on a wall: metres from its left end and from the floor, percent by mass. */
export interface Spot {
  readonly across: number;
  readonly up: number;
  readonly wet: number;
}

/** Square metres: nearer than a tenth of a millimetre. */
const SAME_PLACE = 1e-8;

/**
 * What a wall is likely to hold between its readings: their mean, the nearer the heavier (inverse distance
 * weighting, D. Shepard, 1968, with the fourth power of the distance: with the second each reading would be an
 * island). At a reading it is that reading, of several the wettest, and nowhere more than the highest or less
 * than the lowest.
 */
export function wetAt(spots: readonly Spot[], across: number, up: number): number | null {
  let here: number | null = null;
  let weights = 0;
  let sum = 0;
  for (const spot of spots) {
    const distance = (spot.across - across) ** 2 + (spot.up - up) ** 2;
    // Of several readings at one place the wettest counts.
    if (distance < SAME_PLACE) here = Math.max(here ?? 0, spot.wet);
    else {
      weights += 1 / distance ** 2;
      sum += spot.wet / distance ** 2;
    }
  }
  return here ?? (weights === 0 ? null : sum / weights);
}

/** A piece of the picture of a wall, in a box 1 wide, from its lower left. */
export interface Tile {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly wet: number;
  readonly band: Band;
}

/** A wall as it is drawn: what it holds everywhere, and its readings on top. */
export interface WallPicture {
  /** Of the picture, when it is 1 wide. */
  readonly height: number;
  readonly tiles: readonly Tile[];
  readonly points: readonly {
    readonly x: number;
    readonly y: number;
    readonly wet: number;
    readonly band: Band;
  }[];
  /** Places that are still to be read. */
  readonly unread: readonly { readonly x: number; readonly y: number }[];
}

const TILES_ACROSS = 24;
/** Walls are wide, and towers are not drawn as lines. */
const LOWEST = 0.25;
const HIGHEST = 1;

/** The picture of a wall with the places that are still to be read; null where nothing was read on it. */
export function pictureOf(
  material: Material,
  spots: readonly Spot[],
  unread: readonly Pick<Spot, 'across' | 'up'>[] = [],
): WallPicture | null {
  if (spots.length === 0) return null;
  const box = frameAround([...spots, ...unread]);
  const height = Math.min(HIGHEST, Math.max(LOWEST, box.height / box.width));
  const rows = Math.max(4, Math.round(TILES_ACROSS * height));
  const tiles = Array.from({ length: TILES_ACROSS * rows }, (_, at): Tile => {
    const [column, row] = [at % TILES_ACROSS, Math.floor(at / TILES_ACROSS)];
    const across = box.left + ((column + 0.5) / TILES_ACROSS) * box.width;
    const up = box.low + ((row + 0.5) / rows) * box.height;
    const wet = wetAt(spots, across, up) ?? 0;
    return {
      ...{ x: column / TILES_ACROSS, width: 1 / TILES_ACROSS, wet, band: bandOf(material, wet) },
      ...{ y: (row / rows) * height, height: height / rows },
    };
  });
  const at = ({ across, up }: Pick<Spot, 'across' | 'up'>) => ({
    x: (across - box.left) / box.width,
    y: ((up - box.low) / box.height) * height,
  });
  const points = spots.map((spot) => ({
    ...at(spot),
    wet: spot.wet,
    band: bandOf(material, spot.wet),
  }));
  return { height, tiles, points, unread: unread.map(at) };
}

/** Half a metre around all readings, so that none of them lies at the edge. */
const ROOM = 0.5;

function frameAround(spots: readonly Pick<Spot, 'across' | 'up'>[]) {
  const across = spots.map((spot) => spot.across);
  const up = spots.map((spot) => spot.up);
  const left = Math.min(...across) - ROOM;
  const low = Math.min(...up) - ROOM;
  return {
    ...{ left, low },
    width: Math.max(...across) + ROOM - left,
    height: Math.max(...up) + ROOM - low,
  };
}

/** How much of the colour of water each band is drawn with; it is told by the numbers written on it as well. */
export const DEPTHS: Readonly<Record<Band, number>> = { dry: 0.05, damp: 0.28, wet: 0.56 };

/** How far tiles reach over one another, so that no seam shows between them. */
const OVER = 0.002;

/** All pieces of one band as one SVG path, in a picture so wide, from its upper left. */
export const pathOf = ({ tiles, height }: WallPicture, band: Band, wide: number): string =>
  tiles
    .filter((tile) => tile.band === band)
    .map((tile) => {
      const left = px(tile.x, wide);
      const right = px(Math.min(1, tile.x + tile.width + OVER), wide);
      const top = px(Math.max(0, height - tile.y - tile.height - OVER), wide);
      const foot = px(height - tile.y, wide);
      return `M${left} ${top}H${right}V${foot}H${left}Z`;
    })
    .join('');

const px = (part: number, wide: number): number => Math.round(part * wide * 10) / 10;
