/** A demo site: name, who walks there, its template, where it lies (km east and north of the harbour). */
export interface DemoSite {
  readonly name: string;
  readonly who: string;
  readonly template: string;
  readonly east: number;
  readonly north: number;
  readonly hazards: readonly string[];
  readonly access: string;
}

const at = (
  who: string,
  template: string,
  name: string,
  east: number,
  north: number,
  hazards: readonly string[] = [],
  access = '',
): DemoSite => ({ who, template, name, east, north, hazards, access });

export const SITES: readonly DemoSite[] = [
  at('imke', 'drive', 'Harbour lift station', 0.3, 0.2),
  at(
    'imke',
    'drive',
    'Gannet Head, upper cableway station',
    2.4,
    4.1,
    ['Ice on the north stairs. Go in through the tunnel.'],
    'Key 14 from the harbour office. The lift in the tunnel is slow: hold the button.',
  ),
  at('imke', 'drive', 'Gannet Head, lower cableway station', 1.1, 1.6),
  at('imke', 'drive', 'Storm Petrel mid station', 1.9, 2.8, ['Live rail beside the door.']),
  at('imke', 'drive', 'Fulmar Ridge top station', -2.2, 5.3, [
    'Rime falls from the gantry in sun.',
  ]),
  at('imke', 'drive', 'Fulmar Ridge valley station', -1.4, 3.0),
  at('imke', 'drive', 'Skua Saddle station', 0.6, 6.2),
  at('imke', 'drive', 'North landing goods ropeway', -0.4, 9.1, ['Loads pass overhead.']),
  at('tove', 'board', 'Old mill boards', 0.9, 0.6),
  at('tove', 'board', 'Rescue store boards', 1.6, 1.1),
  at('tove', 'board', 'Harbour pump house', 0.1, -0.2, ['Floor floods at spring tide.']),
  at('tove', 'board', 'School house boards', 0.5, 0.9),
  at('tove', 'board', 'Weather station boards', 3.2, 7.4, ['Lightning mast: keep off in storms.']),
  at('tove', 'board', 'Depot workshop boards', -0.3, 0.4),
  at('tove', 'board', 'Assembly hall boards', 0.2, 0.7),
  at('tove', 'board', 'Bakehouse boards', 0.4, 0.3, ['Hot pipe at head height.']),
  at('marn', 'hut', 'Kittiwake hut', 2.9, 5.0),
  at('marn', 'hut', 'Petrel hut', -2.8, 6.6, ['The path crosses the avalanche gully.']),
  at('marn', 'hut', 'Eider hut', 3.6, 3.2),
  at('marn', 'hut', 'Razorbill hut', 4.4, 5.8),
  at('marn', 'hut', 'Shag Rock hut', 5.1, 2.2, ['Swell reaches the steps at high water.']),
  at('marn', 'hut', 'Dunlin hut', -3.5, 2.7),
  at('marn', 'hut', 'Knot hut', -1.1, 7.7),
  at('marn', 'hut', 'Turnstone hut', 1.3, 7.9),
  at('marn', 'hut', 'Harbour clinic', 0.2, 0.5),
  at('rook', 'spring', 'Skua spring intake', 0.9, 5.7, ['Loose stones above the intake.']),
  at('rook', 'spring', 'Heron spring', -0.8, 4.4),
  at('rook', 'spring', 'Upper cistern', 0.4, 2.2, ['Confined space: gas meter and second person.']),
  at('rook', 'spring', 'Lower cistern', 0.3, 1.2, ['Confined space: gas meter and second person.']),
  at('rook', 'spring', 'Tarn outlet weir', 1.5, 6.6),
  at('rook', 'turbine', 'Penstock valve house', 1.2, 4.9, ['Water under 14 bar.']),
  at('rook', 'turbine', 'Power house, turbine 1', 0.8, 1.9, [
    'Ear protection beyond the red line.',
  ]),
  at('rook', 'turbine', 'Power house, turbine 2', 0.8, 1.9, [
    'Ear protection beyond the red line.',
  ]),
  at('rook', 'spring', 'Filter house', 0.5, 1.5),
  at('jory', 'path', 'Puffin steps', 4.6, 1.1, ['Nesting birds: keep to the rope side.']),
  at('jory', 'path', 'Tern pass refuge', -1.8, 8.2),
  at('jory', 'path', 'Auk refuge', 3.9, 7.1),
  at('jory', 'path', 'South landing', 1.0, -2.1),
  at('jory', 'path', 'Cliff path north', 0.9, 9.6, ['Two anchors between posts 8 and 9 only.']),
  at('jory', 'path', 'Chain bridge', -2.4, 4.0),
  at('jory', 'path', 'Lantern stairs', 0.6, -0.6),
  at('jory', 'path', 'Quarry path', 2.0, 0.4, ['Blasting on Tuesdays, 10 to 11.']),
  at('jory', 'path', 'Gull gully footbridge', 3.1, 1.9),
];

/** The harbour, in the open ocean. */
const HARBOUR = { lat: 38.6204, lon: -41.3018 };
const KM_PER_DEGREE = 111.195;

/** Degrees of what lies so many kilometres east and north of the harbour. */
export function degreesOf(east: number, north: number): { lat: number; lon: number } {
  const lat = HARBOUR.lat + north / KM_PER_DEGREE;
  const lon = HARBOUR.lon + east / (KM_PER_DEGREE * Math.cos((lat * Math.PI) / 180));
  return { lat: Number(lat.toFixed(5)), lon: Number(lon.toFixed(5)) };
}

export const placeOf = ({ east, north }: DemoSite): { lat: number; lon: number } =>
  degreesOf(east, north);
