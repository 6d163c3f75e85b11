import type { OfficeDocument } from '@ant-trail/contract/documents';
import type { DocumentLink } from '@ant-trail/core/documents';
import { LocalStore } from '@/device/local-store.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';
import { fetchDocuments } from '@/features/documents/field/fetch-documents.ts';
import { fill, SITE, TEMPLATE } from './support/sheet.tsx';

const THING = '99999999-9999-4999-8999-999999999991';
const KIND = '99999999-9999-4999-8999-999999999992';
const ELSEWHERE = '99999999-9999-4999-8999-999999999993';

let store: LocalStore;
let count = 0;
let asked: string[];
/** Files the office gives, by the id of their version; else it says there is none. */
let files: Record<string, string>;

beforeEach(async () => {
  store = new LocalStore(`documents-${++count}`, ON_PHONE);
  await fill(store, { title: 'T', sections: [] });
  asked = [];
  files = {};
  globalThis.fetch = ((path: string) => {
    const version = path.split('/')[5] ?? '';
    asked.push(version);
    const words = files[version];
    if (words === 'no network') return Promise.reject(new TypeError('no network'));
    if (words === undefined)
      return Promise.resolve({
        ...{ ok: false, status: 404 },
        json: () => Promise.resolve({ code: 'not-there', message: 'Not there.' }),
      });
    return Promise.resolve({
      ...{ ok: true, status: 200 },
      blob: () => Promise.resolve(new Blob([words])),
    });
  }) as never;
});

const idOf = (name: string, number: number): string =>
  `00000000-0000-4000-8000-${`${name.charCodeAt(0)}${number}`.padStart(12, '0')}`;

/** A document with a version of these words, which the office has. */
async function keep(
  name: string,
  links: readonly DocumentLink[],
  number = 1,
  words = `${name} ${number}`,
): Promise<OfficeDocument> {
  const id = idOf(name, number);
  const document: OfficeDocument = {
    ...{ id: idOf(name, 0), name, note: '', links: [...links], retired: false },
    version: {
      ...{ id, number, sha256: `${name}${number}`, type: 'application/pdf' },
      ...{ bytes: words.length, file: 'x.pdf', note: '', at: '2031-01-01T00:00:00Z', by: SITE },
    },
  };
  files[id] ??= words;
  await store.documents.put(document);
  return document;
}
const here = async (): Promise<string[]> =>
  (await store.documentFiles.toArray()).map(({ sha256 }) => sha256).sort();

test('what is about place, thing, kind and sheets of the work here comes by itself, nothing else', async () => {
  const thing = { name: 'Pump 1', kind: 'Pump ', area: false, within: null, condition: 'sound' };
  await store.assets.put({
    ...thing,
    ...{ id: THING, site: SITE, facts: {}, purposes: [], alsoIn: [], retired: false },
  } as never);
  await store.assetKinds.put({ id: KIND, name: 'pump', fields: [] });
  await keep('a', [{ to: 'site', ref: SITE }]);
  await keep('b', [{ to: 'asset', ref: THING }]);
  await keep('c', [{ to: 'kind', ref: KIND }]);
  await keep('d', [{ to: 'template', ref: TEMPLATE }]);
  await keep('e', [{ to: 'site', ref: ELSEWHERE }]);
  await keep('f', []);
  await fetchDocuments(store);
  expect(await here()).toEqual(['a1', 'b1', 'c1', 'd1']);
  // All is here: nothing is asked again.
  asked = [];
  await fetchDocuments(store);
  expect(asked).toEqual([]);
});

test('what somebody asked for stays, whatever the work; when it is no longer needed it goes', async () => {
  const { id } = await keep('a', []);
  await store.documentsWanted.put({ id });
  await fetchDocuments(store);
  expect(await here()).toEqual(['a1']);
  await store.documentsWanted.delete(id);
  await fetchDocuments(store);
  expect(await here()).toEqual([]);
});

test('a version that was replaced stays until the new one is here', async () => {
  await keep('a', [{ to: 'site', ref: SITE }]);
  await fetchDocuments(store);
  files[idOf('a', 2)] = 'no network';
  await keep('a', [{ to: 'site', ref: SITE }], 2, 'second');
  await expect(fetchDocuments(store)).rejects.toThrow();
  expect(await here()).toEqual(['a1']);
  files[idOf('a', 2)] = 'second';
  await fetchDocuments(store);
  expect(await here()).toEqual(['a2']);
});

test('one the office does not give, and one that was cut off, hold up none behind them', async () => {
  const lost = await keep('a', [{ to: 'site', ref: SITE }]);
  delete files[lost.version.id];
  const cut = await keep('b', [{ to: 'site', ref: SITE }]);
  files[cut.version.id] = '';
  await keep('c', [{ to: 'site', ref: SITE }]);
  await fetchDocuments(store);
  expect(await here()).toEqual(['c1']);
});
