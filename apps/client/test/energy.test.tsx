import type { Catalogue } from '@ant-trail/core/catalogues';
import * as kit from '@ant-trail/core/trades/energy';
import { act, cleanup } from '@testing-library/react';
import { HOUSE_SURVEY } from '../../../packages/demo/src/trades/energy/house.ts';
import { ENERGY_LISTS } from '../../../packages/demo/src/trades/energy/lists.ts';
import { lookUpIn } from '../../../packages/demo/src/trades/looked-up.ts';
import { nearestNow } from '@/features/trades/energy/nearest.ts';
import { placesOf, saidFor, saidForAll } from '@/features/trades/energy/taking-up.ts';
import { measuresOf, nowOf, type EnergyNow } from '@/features/trades/energy/use-energy.ts';
import { showSheet, type OpenedSheet } from './support/sheet.tsx';

afterEach(cleanup);

const lookUp = lookUpIn(ENERGY_LISTS);
const list = ENERGY_LISTS.find(({ key }) => key === 'measures') as Catalogue;

/** A house with a wall and a loft, of which everything else is known. */
async function withHouse(): Promise<OpenedSheet> {
  const sheet = await showSheet(HOUSE_SURVEY.body, {
    kept: (store) =>
      store.catalogues.bulkPut(
        ENERGY_LISTS.map((each, index) => ({
          ...each,
          id: `c${index}`,
          rows: [...each.rows],
        })) as never,
      ),
  });
  const said = [
    ['grant', lookUp('grants', 'winter')],
    ['floor_area', 100, 'm2'],
    ['room_height', 2.4, 'm'],
    ['bedrooms', 2, '1'],
    ['station', lookUp('stations', 'saddle')],
    ['heat_fuel', lookUp('fuels', 'oil')],
    ['heat_efficiency', 75, '%'],
    ['arrives', 90],
    ['base_fuel', lookUp('fuels', 'power')],
    ['base_load', 2400, 'kW.h'],
    ['parts/p1', { order: 1, name: 'Wall to the sea' }],
    ['parts/p1/part_kind', 'wall'],
    ['parts/p1/area', 90, 'm2'],
    ['parts/p1/u_known', 1.6, 'W/(m2.K)'],
    // Nobody knows yet what it is: it is no part of the house.
    ['parts/p2', { order: 2, name: 'Something' }],
    ['parts/p3', { order: 3, name: 'Loft' }],
    ['parts/p3/part_kind', 'roof'],
    ['parts/p3/area', 60, 'm2'],
    ['parts/p3/u_known', 1.2, 'W/(m2.K)'],
  ] as const;
  await act(async () => {
    for (const [path, value, unit] of said) {
      const refused = await sheet.session.write(path, 'answer', value, unit ? { unit } : {});
      expect(refused).toBeNull();
    }
  });
  await sheet.settled();
  return sheet;
}

const nowIn = (sheet: OpenedSheet): EnergyNow => {
  const now = nowOf(kit, sheet.session.state.getState(), measuresOf(kit, list));
  if (!now) throw new Error('the house is not known');
  return now;
};

const savedIn = ({ survey: { savings } }: EnergyNow): number =>
  savings.before.total - savings.after.total;

const write = async (sheet: OpenedSheet, said: ReturnType<typeof saidFor>): Promise<void> => {
  await act(async () => {
    const refused = await sheet.session.writeAll(
      said.map((each) => ({ ...each, kind: each.value === null ? 'clear' : 'answer' })),
    );
    expect(refused).toBeNull();
  });
  await sheet.settled();
};

describe('what can be done', () => {
  test('every place offers what is for it, and saves what it says', async () => {
    const sheet = await withHouse();
    const places = placesOf(nowIn(sheet));
    // Nothing is known of warm water; of the gaps nothing was measured, but they may be sealed.
    expect(places.map(({ name }) => name)).toEqual([
      ...['Wall to the sea', 'Loft', 'Air through gaps', 'Heating', 'Warm water'],
      'Lights and appliances',
    ]);
    const loft = places[1];
    expect(loft?.measureAt).toBe('parts/p3/measure');
    expect(loft?.offers.map(({ measure }) => measure.code).sort()).toEqual(['loft-16', 'loft-30']);
    const [best] = loft?.offers ?? [];
    if (!loft || !best) throw new Error('there is nothing for the loft');
    await write(sheet, saidFor(loft, best.measure, list));
    expect(sheet.at('parts/p3/measure')?.answer?.value).toMatchObject({ row: best.measure.code });
    expect(sheet.at('parts/p3/stand')?.answer?.value).toBe('proposed');
    expect(savedIn(nowIn(sheet))).toBeCloseTo(best.saved, 6);
    // Another in its place saves what it promises now, too.
    const other = placesOf(nowIn(sheet))[1]?.offers.at(-1);
    expect(other && other.measure.code !== best.measure.code).toBe(true);
    await write(sheet, saidFor(loft, other?.measure ?? null, list));
    expect(savedIn(nowIn(sheet))).toBeCloseTo(other?.saved ?? 0, 6);
    await write(sheet, saidFor(loft, null, list));
    expect(sheet.at('parts/p3/measure')?.answer).toBeNull();
    expect(savedIn(nowIn(sheet))).toBe(0);
  });

  test('the nearest way reaches the mark in one step', async () => {
    const sheet = await withHouse();
    const nearest = nearestNow(nowIn(sheet));
    expect(nearest?.way?.measures.length).toBeGreaterThan(0);
    await write(sheet, saidForAll(nowIn(sheet), nearest?.way?.measures ?? [], list));
    const now = nowIn(sheet);
    expect(savedIn(now)).toBeGreaterThanOrEqual((kit.wantedOf(now.survey) ?? Infinity) - 0.5);
    expect(nearestNow(now)).toBeNull();
  });

  test('what is barred is offered, but can’t be taken up', async () => {
    const sheet = await withHouse();
    await act(async () => {
      await sheet.session.write('draught', 'answer', 'no');
    });
    await sheet.settled();
    const [gaps] = placesOf(nowIn(sheet)).find(({ key }) => key === 'air')?.offers ?? [];
    expect(gaps?.barred).toBe('combustion');
    const way = nearestNow(nowIn(sheet))?.way;
    expect(way?.measures.map(({ measure }) => measure.code)).not.toContain('gaps');
  });
});
