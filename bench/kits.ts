import { loadAllKits, KITS, type Reckoning, type SheetAnswers } from '@ant-trail/core/trades';
import { pictureOf, type Spot } from '@ant-trail/core/trades/property';
import { FRAME_MS, medianMs, show } from './measure.ts';

const many = <Item>(count: number, make: (at: number) => Item): Item[] =>
  Array.from({ length: count }, (_, at) => make(at));

const BOARDS: SheetAnswers = {
  earthing: 'TN-S',
  boards: many(8, () => ({
    circuits: many(24, (at) => ({
      ...{ use: at % 3 ? 'socket' : 'light', device: { curve: 'B', rating: 16 } },
      ...{ rcd: { milliamps: 30 }, insulation: 200, earth_loop: 0.6, polarity: 'yes' },
      ...{ trip_once: 22, trip_five: 18 },
    })),
  })),
};
const DEVICES: SheetAnswers = {
  devices: many(200, (at) => ({ zone: `Zone ${at % 9}`, ...(at % 4 ? { tried: 'done' } : {}) })),
  switched_off: many(6, () => ({ on_again: 'yes' })),
};
const SPOTS: readonly Spot[] = many(200, (at) => ({
  ...{ across: (at % 20) * 0.6, up: Math.floor(at / 20) * 0.6, wet: (at * 37) % 9 },
}));
const PLACE: SheetAnswers = {
  areas: many(60, (at) => ({ seen: at % 3 ? 'whole' : 'part' })),
  walls: many(40, () => ({
    wall_material: 'masonry',
    spots: SPOTS.map(({ across, up, wet }) => ({ spot_across: across, spot_up: up, wet })),
  })),
  conditions: many(80, (at) => ({ urgency: at % 2 ? 'now' : 'soon', mark_x: 20, mark_y: 30 })),
};

const beside = `limit ${(FRAME_MS / 4).toFixed(1)} ms, one frame on a CPU slowed to a quarter`;

async function reckoningOf(kit: string): Promise<Reckoning> {
  const { reckoning } = (await KITS.find(({ key }) => key === kit)?.load()) ?? {};
  if (!reckoning) throw new Error(`${kit} reckons nothing`);
  return reckoning;
}

/** What kits reckon over a whole sheet after each answer, at the largest that is met. */
export async function benchKits(): Promise<void> {
  await loadAllKits();
  for (const [kit, name, answers] of [
    ['electrical', 'reckoning over 8 boards with 24 circuits each', BOARDS],
    ['alarm', 'reckoning over 200 devices', DEVICES],
    ['property', 'reckoning over 40 walls with 200 readings each', PLACE],
  ] as const) {
    const reckoning = await reckoningOf(kit);
    show(name, await medianMs(() => reckoning.run(answers), 25, 10), beside);
  }
  show(
    'the picture of a wall with 200 readings',
    await medianMs(() => pictureOf('masonry', SPOTS), 25, 10),
    beside,
  );
}
