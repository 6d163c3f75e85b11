import { randomBytes, randomUUID } from 'node:crypto';
import type { SiteNote } from '@ant-trail/contract/sites';
import { timeOrderedId } from '@ant-trail/core/log';
import { openOffice, type Caller, type Office, type Team } from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let team: Team;
let count = 0;

beforeAll(async () => {
  office = await openOffice();
});
afterAll(() => office.close());
beforeEach(async () => {
  team = await office.newTeam(`notes${++count}`);
});

const write = async (who: Caller, text: string, site = team.org.site) =>
  who.call('POST', `/api/sites/${site}/notes`, { text });
const shown = async (): Promise<SiteNote[]> =>
  (
    (await team.manager.call('GET', `/api/sites/${team.org.site}/notes`)).body as {
      notes: SiteNote[];
    }
  ).notes;

describe('a note at a place', () => {
  test('goes to the phones that have the place, and so does its withdrawal', async () => {
    const { cursor } = await pull(team.technician);
    const { body } = await write(team.manager, 'The gate sticks: lift it.');
    const note = body as SiteNote;
    const told = await pull(team.technician, cursor);
    expect(told.of('site note')).toEqual([note]);
    await team.manager.call('POST', `/api/site-notes/${note.id}/withdrawal`);
    const again = await team.manager.call('POST', `/api/site-notes/${note.id}/withdrawal`);
    expect(again).toMatchObject({ status: 200, body: { withdrawn: true } });
    const after = await pull(team.technician, told.cursor);
    expect(after.of('site note')).toEqual([{ ...note, withdrawn: true }]);
    // A new phone is filled with it too, as withdrawn.
    expect((await pull(team.technician)).of('site note')).toEqual([{ ...note, withdrawn: true }]);
  });

  test('is written and withdrawn by whoever keeps places alone, in words, at a place there is', async () => {
    expect((await write(team.technician, 'Hello')).status).toBe(403);
    expect((await write(team.reviewer, 'Hello')).status).toBe(403);
    expect((await write(team.manager, '   ')).status).toBe(400);
    expect((await write(team.manager, 'x'.repeat(1001))).status).toBe(400);
    expect((await write(team.manager, 'Hello', randomUUID())).status).toBe(404);
    const at = `/api/site-notes/${randomUUID()}/withdrawal`;
    expect((await team.manager.call('POST', at)).status).toBe(404);
    expect(await shown()).toEqual([]);
  });
});

describe('a note left from a phone', () => {
  const left = (over: object = {}) => ({
    kind: 'site note',
    body: {
      ...{ id: timeOrderedId(Date.now(), randomBytes(16)), site: team.org.site },
      ...{ text: 'Ring twice.', by: team.org.people.technician, at: '2026-11-26T08:00:00.000Z' },
      ...over,
    },
  });
  const outcomes = async (...operations: unknown[]): Promise<string[]> =>
    (await team.technician.push(...operations)).map(({ outcome, reason }) => reason ?? outcome);

  test('is taken in once, even twice at once, and stands at the desk', async () => {
    const note = left();
    const twice = await Promise.all([outcomes(note), outcomes(note)]);
    expect(twice.flat().sort()).toEqual(['already had', 'received']);
    expect(await shown()).toMatchObject([{ ...note.body, withdrawn: false }]);
    // Withdrawn meanwhile, it is still the same note when it is sent again.
    await team.manager.call('POST', `/api/site-notes/${note.body.id}/withdrawal`);
    expect(await outcomes(note)).toEqual(['already had']);
    expect(await shown()).toMatchObject([{ withdrawn: true }]);
  });

  test('is refused in another’s name, at no place, and over another note; the others are taken', async () => {
    const note = left();
    expect(
      await outcomes(
        note,
        left({ by: team.org.people.manager }),
        left({ site: randomUUID() }),
        { ...note, body: { ...note.body, text: 'Something else' } },
        left({ text: ' ' }),
        left({ withdrawn: true }),
        left(),
      ),
    ).toEqual([
      'received',
      expect.stringMatching(/another person/),
      expect.stringMatching(/does not have this place/),
      expect.stringMatching(/something else/),
      expect.stringMatching(/not right/),
      expect.stringMatching(/not right/),
      'received',
    ]);
  });
});
