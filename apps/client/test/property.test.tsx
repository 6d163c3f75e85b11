import * as kit from '@ant-trail/core/trades/property';
import { act, cleanup } from '@testing-library/react';
import { PROPERTY_REPORT } from '../../../packages/demo/src/trades/property/report.ts';
import { newId } from '@/device/identity.ts';
import {
  isRead,
  laidOn,
  materialOf,
  roomOn,
  saidForPlaces,
} from '@/features/trades/property/spots.ts';
import { sayWall } from '@/features/trades/property/walls.tsx';
import type { Said } from '@/features/trades/part.ts';
import { showSheet, type OpenedSheet } from './support/sheet.tsx';

afterEach(cleanup);

const wallIn = (sheet: OpenedSheet) => {
  const wall = sheet.at('walls')?.rows[0];
  if (!wall) throw new Error('there is no wall');
  return wall;
};

const write = async (sheet: OpenedSheet, said: readonly Said[]): Promise<void> => {
  await act(async () => {
    expect(
      await sheet.session.writeAll(said.map((each) => ({ ...each, kind: 'answer' }))),
    ).toBeNull();
  });
  await sheet.settled();
};

const lay = (columns: number, lines: number) => {
  const laid = kit.layOut(columns, lines, 0.5);
  if ('problem' in laid) throw new Error(laid.problem);
  return laid.places;
};

test('a wall is laid out, read, and laid out further; its words follow', async () => {
  const sheet = await showSheet(PROPERTY_REPORT.body);
  await write(sheet, [{ path: 'walls/w1', value: { order: 1, name: 'To the sea' } }]);
  expect(sayWall(kit, wallIn(sheet))).toBe('Say what it is made of.');
  await write(sheet, [{ path: 'walls/w1/wall_material', value: 'masonry' }]);
  expect(materialOf(kit, wallIn(sheet))).toBe('masonry');
  expect(sayWall(kit, wallIn(sheet))).toBe('Nothing is laid out on it yet.');
  await write(sheet, saidForPlaces(wallIn(sheet), lay(2, 1), newId));
  const [first, second] = laidOn(wallIn(sheet));
  expect([first?.across, first?.up, first?.wet]).toEqual([0.25, 0.25, null]);
  expect(sayWall(kit, wallIn(sheet))).toBe('0 of 2 read');
  await write(sheet, [{ path: `${first?.path}/wet`, value: 6.5, unit: '%' }]);
  expect(sayWall(kit, wallIn(sheet))).toBe('1 of 2 read, 1 wet');
  await write(sheet, [{ path: `${second?.path}/wet`, value: 2, unit: '%' }]);
  expect(sayWall(kit, wallIn(sheet))).toBe('2 of 2 read, 1 wet, up to 6.5 %');
  // More of it comes behind what is there.
  await write(sheet, saidForPlaces(wallIn(sheet), lay(1, 1), newId));
  const all = laidOn(wallIn(sheet));
  expect(all.map(({ wet }) => wet)).toEqual([6.5, 2, null]);
  expect(all.filter(isRead)).toHaveLength(2);
  // A wall takes no more than its template says.
  expect(roomOn(wallIn(sheet))).toBe(197);
});

test('two who lay the same wall out keep both, and neither reading is lost', async () => {
  const sheet = await showSheet(PROPERTY_REPORT.body);
  await write(sheet, [
    { path: 'walls/w1', value: { order: 1, name: 'To the sea' } },
    { path: 'walls/w1/wall_material', value: 'timber' },
  ]);
  const wall = wallIn(sheet);
  // Both saw the wall while nothing was laid out on it.
  await write(sheet, saidForPlaces(wall, lay(1, 1), newId));
  await write(sheet, saidForPlaces(wall, lay(1, 1), newId));
  const [a, b] = laidOn(wallIn(sheet));
  await write(sheet, [
    { path: `${a?.path}/wet`, value: 21, unit: '%' },
    { path: `${b?.path}/wet`, value: 12, unit: '%' },
  ]);
  const read = laidOn(wallIn(sheet)).filter(isRead);
  expect(read).toHaveLength(2);
  // At the same place the wettest counts.
  expect(kit.wetAt(read, 0.25, 0.25)).toBe(21);
});
