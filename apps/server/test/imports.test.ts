import type { ImportColumn, ImportKind, ImportResult } from '@ant-trail/contract/exchange';
import type { JobCard } from '@ant-trail/contract/planning';
import type { Asset } from '@ant-trail/contract/register';
import type { Client, Site } from '@ant-trail/contract/sites';
import { openOffice, type Caller, type Office, type Organisation } from './support/office.ts';
import { pull } from './support/pulled.ts';

let office: Office;
let org: Organisation;
let manager: Caller;
let technician: Caller;

beforeAll(async () => {
  office = await openOffice();
  ({ org, manager, technician } = await office.newTeam('imports'));
});
afterAll(() => office.close());

type Uses = readonly (string | null)[];

async function send(
  kind: ImportKind,
  csv: string,
  uses: Uses,
  more: { really?: boolean; without?: boolean } = {},
  who = manager,
): Promise<{ status: number; body: ImportResult }> {
  const { status, body } = await who.call('POST', `/api/imports/${kind}`, {
    ...{ name: 'file.csv', content: Buffer.from(csv).toString('base64'), uses },
    ...{ really: false, without: false, ...more },
  });
  return { status, body: body as ImportResult };
}

const list = async <Row>(at: string): Promise<Row[]> => {
  const { body } = await manager.call('GET', at);
  return (body as { rows: Row[] }).rows;
};

test('looking changes nothing; taking in does, once', async () => {
  const csv = 'Client;Nr\nHut wardens’ guild;17\nIsland Assembly;\n';
  const uses = ['name', 'number'];
  const looked = await send('clients', csv, uses);
  expect(looked.body).toMatchObject({ fits: 2, refused: [], done: false });
  expect(looked.body.sample[0]).toEqual({ line: 2, said: 'Hut wardens’ guild, 17' });
  expect(await list('/api/clients')).toEqual([]);
  const done = await send('clients', csv, uses, { really: true });
  expect(done.body).toMatchObject({ fits: 2, done: true });
  expect((await list<Client>('/api/clients')).map(({ name, number }) => [name, number])).toEqual([
    ['Hut wardens’ guild', '17'],
    ['Island Assembly', ''],
  ]);
  const again = await send('clients', csv, uses, { really: true });
  expect(again.status).toBe(409);
  expect((await send('clients', csv, uses)).body.refused).toHaveLength(2);
});

test('places come in with client, degrees, hazards and a contact; what can’t is named by its line', async () => {
  const csv = [
    'Name,Client,No,Lat,Lon,Hazards,Contact,Tel',
    'Upper cistern,Island Assembly,C-1,"38,6402",-41.29,Confined space; Wet ladder,Pia Lund,+999 55 2211',
    'Lower cistern,Island Assembly,C-1,38.63,-41.29,,,',
    'Upper cistern,Island Assembly,C-2,38.63,-41.29,,,',
    'Nowhere,,,95,-41,,,',
    'Somewhere,,,north,-41,,,',
    ',,,38,-41,,,',
    '',
    'Heron spring,Guild of wells,,38.66,-41.31,,,',
  ].join('\n');
  const uses = ['name', 'client', 'number', 'lat', 'lon', 'hazards', 'contact', 'phone'];
  const { body } = await send('places', csv, uses);
  expect(body.fits).toBe(2);
  expect(body.refused.map(({ line, why }) => `${line} ${why}`)).toEqual([
    '3 Island Assembly has number C-1 on line 2 already.',
    '4 There is a place called “Upper cistern” on line 2 already.',
    '5 Latitude: from −90 to 90.',
    '6 Latitude: “north” is no number of degrees.',
    '7 Place: Give a name.',
  ]);
  expect((await send('places', csv, uses, { really: true })).status).toBe(409);
  const done = await send('places', csv, uses, { really: true, without: true });
  expect(done.body).toMatchObject({ done: true, fits: 2 });
  const [place] = await list<Site>('/api/sites?text=upper');
  expect(place).toMatchObject({
    ...{ lat: 38.6402, lon: -41.29, hazards: ['Confined space', 'Wet ladder'] },
    contacts: [{ name: 'Pia Lund', phone: '+999 55 2211' }],
  });
  // A client that only a place names is one from then on.
  expect((await list<Client>('/api/clients?text=wells'))[0]).toMatchObject({ places: 1 });
});

test('things come to their places, into areas that are made for them, with the facts of their kind', async () => {
  await manager.call('POST', '/api/asset-kinds', {
    name: 'Pump',
    fields: [
      { kind: 'text', key: 'maker', label: 'Maker', required: false },
      { kind: 'number', key: 'flow', label: 'Rated flow', unit: 'L/s', required: false },
      {
        ...{ kind: 'choice', key: 'drive', label: 'Drive', required: false },
        options: [
          { key: 'belt', label: 'By belt' },
          { key: 'direct', label: 'Direct' },
        ],
      },
      { kind: 'yesNo', key: 'spare', label: 'Spare there', required: false },
    ],
  });
  const { body: answer } = await manager.call('GET', '/api/imports/things/columns');
  const { columns } = answer as { columns: ImportColumn[] };
  expect(columns.map(({ label }) => label)).toEqual([
    ...[
      'Thing',
      'Kind',
      'Place',
      'Area',
      'Condition',
      'Maker',
      'Rated flow',
      'Drive',
      'Spare there',
    ],
  ]);
  const uses = columns.map(({ key }) => key);
  const csv = [
    'Thing,Kind,Place,Area,Condition,Maker,Rated flow,Drive,Spare',
    'Pump 1,pump,Upper cistern,House / Valve room,sound,Harbour foundry,"12,5 L/s",by belt,Yes',
    'Pump 2,PUMP,C-1,house/valve room,Watch,,,,',
    'Pump 1,Pump,Upper cistern,House / Valve room,,,,,',
    'Pump 3,Pump,Old mill,,,,,,',
    'Pump 4,Pump,Upper cistern,,good,,,,',
    'Pump 5,Pump,Upper cistern,,,,many,,',
    'Pump 6,Pump,Upper cistern,,,,,by hand,',
    'Ladder,,Upper cistern,,,,,,',
    'Ladder,ladder,,,,,,,',
  ].join('\n');
  const { body } = await send('things', csv, uses);
  expect(body.refused.map(({ line, why }) => `${line} ${why}`)).toEqual([
    '4 “Pump 1” stands there on line 2 already.',
    '5 There is no place called “Old mill”.',
    '6 Condition: one of unknown, sound, watch, poor, failed.',
    '7 Rated flow: Write a number, such as 12.5.',
    '8 Drive: Choose one of the answers offered.',
    '9 Kind: Give a name.',
    '10 It names no place.',
  ]);
  await send('things', csv, uses, { really: true, without: true });
  const [place] = await list<Site>('/api/sites?text=upper');
  const { body: register } = await manager.call('GET', `/api/sites/${place?.id}/assets`);
  const { assets } = register as { assets: Asset[] };
  const named = (name: string) => assets.find((each) => each.name === name);
  expect(assets.map(({ name }) => name)).toEqual(['House', 'Pump 1', 'Pump 2', 'Valve room']);
  expect(named('Valve room')).toMatchObject({ area: true, within: named('House')?.id });
  expect(named('Pump 2')).toMatchObject({ condition: 'watch', within: named('Valve room')?.id });
  expect(named('Pump 1')?.facts).toEqual({
    maker: { value: 'Harbour foundry' },
    flow: { value: 12.5, unit: 'L/s' },
    drive: { value: 'belt' },
    spare: { value: 'yes' },
  });
  expect((await pull(technician)).of('asset').map(({ name }) => name)).toContain('Pump 2');
});

test('people come in without a way in, and nobody gives roles that are not theirs to give', async () => {
  const csv = [
    'Name,Mail,Role,Trade',
    'Ansa Fell,Ansa@imports.example,,fitter',
    'Bram Rook,bram@imports.example,"Technician, reviewer",',
    'Pia Lund,ansa@imports.example,,',
    'Orrin Tully,orrin@imports.example,Administrator,',
    'Nobody,nowhere,,',
    'Some Body,some@imports.example,boss,',
  ].join('\n');
  const uses = ['name', 'email', 'roles', 'trade'];
  const { body } = await send('people', csv, uses, { really: true, without: true });
  expect(body).toMatchObject({ fits: 2, done: true });
  expect(body.refused.map(({ line, why }) => `${line} ${why}`)).toEqual([
    '4 Somebody has ansa@imports.example on line 2 already.',
    '5 Roles: only an administrator makes administrators.',
    '6 E-mail: This is not an e-mail address.',
    '7 Roles: “boss” is none of manager, reviewer, technician, administrator.',
  ]);
  const [ansa] = await list<{ roles: string[]; joined: boolean }>('/api/people?text=ansa');
  expect(ansa).toMatchObject({ roles: ['technician'], joined: false });
});

test('what a file can’t be taken in as is said before anything is', async () => {
  const csv = 'a,b\n1,2\n';
  const wrong: [Uses, RegExp][] = [
    [[null, null], /Say which column is “Client”/],
    [['name', 'name'], /Two columns are “Client”/],
    [['name', 'colour'], /nothing a column can be/],
  ];
  for (const [uses, words] of wrong) {
    const { status, body } = await send('clients', csv, uses, { really: true });
    expect(status).toBe(422);
    expect(JSON.stringify(body)).toMatch(words);
  }
  expect((await send('clients', csv, ['name'], {}, technician)).status).toBe(403);
  expect((await manager.call('POST', '/api/imports/planets', {})).status).toBe(400);
  expect((await manager.call('POST', '/api/imports/clients', { uses: [] })).status).toBe(400);
});

test('a file taken in twice at once comes in once, whole', async () => {
  const lines = Array.from({ length: 400 }, (_, at) => `Client ${at},${at}`);
  const csv = ['Name,No', ...lines].join('\n');
  const both = await Promise.all(
    [1, 2].map(() => send('clients', csv, ['name', 'number'], { really: true })),
  );
  expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  const { body } = await manager.call('GET', '/api/clients?text=client');
  expect((body as { total: number }).total).toBe(400);
});

test('a client that is renamed is so at its places, and no two have one name', async () => {
  const [guild] = await list<Client>('/api/clients?text=wells');
  const { id, number, address, contacts, note } = guild ?? ({} as Client);
  const draft = { number, address, contacts, note };
  const put = (name: string) => manager.call('PUT', `/api/clients/${id}`, { ...draft, name });
  expect((await put('island assembly')).status).toBe(409);
  expect((await put('Guild of springs')).status).toBe(200);
  const [heron] = await list<Site>('/api/sites?text=heron');
  expect(heron?.client).toBe('Guild of springs');
  expect((await pull(technician)).of('site')).toContainEqual(
    expect.objectContaining({ name: 'Heron spring', client: 'Guild of springs' }),
  );
  expect(org.id).toBeTruthy();
});

test('a place that could be either of two is asked about, and an area too long to be named is refused', async () => {
  for (const lat of [38.1, 38.2])
    await manager.call('POST', '/api/sites', {
      ...{ name: 'Twin cistern', client: '', number: '', address: '', access: '' },
      ...{ lat, lon: -41, hazards: [], contacts: [] },
    });
  const { body } = await send(
    'things',
    `Thing,Kind,Place,Area\nLid,lid,twin cistern,\nPump,pump,Upper basin,${'x'.repeat(201)}\n`,
    ['name', 'kind', 'place', 'within'],
  );
  expect(body.refused.map(({ line }) => line)).toEqual([2, 3]);
  expect(body.refused[0]?.why).toContain('Several places are called');
});

test('jobs come in at places, with sheets and people that are there; a second time none does', async () => {
  const day = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
  const [year, month, date] = day.split('-');
  const { body: site } = await manager.call('GET', `/api/sites/${org.site}`);
  const { name } = site as Site;
  const csv = [
    'Site;Template;Date;Time;Minutes;Technician;What to do;Until',
    `${name};Round;${day};08:30;30;technician@imports.example;Bring the key;`,
    `${name};round;${Number(date)}.${Number(month)}.${year};;;;;`,
    `${name};Round;${day};08:30;30;;;`,
    `Nowhere;Round;${day};;;;;`,
    `${name};Nothing;${day};;;;;`,
    `${name};Round;31.2.2031;;;;;`,
    `${name};Round;4/8/2031;;;;;`,
    `${name};Round;${day};soon;;;;`,
    `${name};Round;${day};;;Nobody at all;;`,
    `${name};Round;${day};10:00;2;;;`,
    `${name};Round;${day};11:00;30;;;10:00`,
  ].join('\n');
  const uses = [
    ...['place', 'sheet', 'day', 'start', 'minutes', 'person', 'instructions', 'latest'],
  ];
  const mail = org.emails.technician;
  const file = csv.replace('technician@imports.example', mail);
  const { body } = await send('jobs', file, uses);
  expect(body.refused.map(({ line }) => line)).toEqual([4, 5, 6, 7, 8, 9, 10, 11]);
  expect(body.refused[0]?.why).toBe('Such a job is planned for then on line 2 already.');
  expect(body.fits).toBe(3);
  const done = await send('jobs', file, uses, { really: true, without: true });
  expect(done.body).toMatchObject({ fits: 3, done: true });
  const rows = await list<JobCard>(`/api/jobs?from=${day}&to=${day}`);
  const planned = rows.find(({ visits }) => visits[0]?.person === org.people.technician);
  expect(planned?.visits[0]).toMatchObject({ start: 510, minutes: 30 });
  expect(planned?.job.instructions).toBe('Bring the key');
  expect((await send('jobs', file, uses)).body.fits).toBe(0);
  expect((await send('jobs', file, uses, {}, technician)).status).toBe(403);
});
