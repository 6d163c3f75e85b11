import { createHash, randomBytes } from 'node:crypto';
import sharp from 'sharp';
import { Upload } from 'tus-js-client';
import { openOffice, type Caller, type Office, type Organisation } from './support/office.ts';

let office: Office;
let org: Organisation;
let technician: Caller;
let picture: Buffer;

beforeAll(async () => {
  office = await openOffice();
  org = await office.newOrganisation('media');
  technician = await office.signIn(org.emails.technician);
  picture = await sharp({
    create: {
      width: 900,
      height: 700,
      channels: 3,
      background: '#777',
      noise: { type: 'gaussian', mean: 120, sigma: 40 },
    },
  })
    .jpeg()
    .toBuffer();
});
afterAll(() => office.close());

const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

interface Sending {
  readonly sha256?: string;
  readonly stopAfter?: number;
  readonly from?: string;
  readonly as?: Caller;
  readonly filetype?: string;
}

/** Uploads as the phone does; gives the upload's address, or throws what the office said. */
function upload(
  bytes: Buffer,
  { sha256 = hashOf(bytes), stopAfter, from, as = technician, filetype }: Sending = {},
): Promise<string> {
  return new Promise((resolve, reject) => {
    const sending = new Upload(bytes, {
      endpoint: `${office.url}/uploads`,
      uploadUrl: from ?? null,
      chunkSize: 64 * 1024,
      retryDelays: [],
      metadata: { sha256, ...(filetype === undefined ? {} : { filetype }) },
      headers: { cookie: as.cookie },
      onProgress: (sent) => {
        if (stopAfter !== undefined && sent >= stopAfter)
          void sending.abort().then(() => resolve(sending.url ?? ''));
      },
      onSuccess: () => resolve(sending.url ?? ''),
      onError: reject,
    });
    sending.start();
  });
}
const receipts = async (sha256: string): Promise<unknown[]> =>
  (
    (await technician.call('POST', '/api/media/receipts', { sha256: [sha256] })).body as {
      received: unknown[];
    }
  ).received;

test('a photo arrives whole, gets its receipt and can be looked at', async () => {
  await upload(picture);
  expect(await receipts(hashOf(picture))).toMatchObject([{ sha256: hashOf(picture) }]);
  const response = await fetch(`${office.url}/api/media/${hashOf(picture)}`, {
    headers: { cookie: technician.cookie },
  });
  expect(response.headers.get('content-type')).toBe('image/jpeg');
  expect(hashOf(Buffer.from(await response.arrayBuffer()))).toBe(hashOf(picture));
});

test.each([
  ['a recording', '1a45dfa3', 'audio/webm', 'video/webm'],
  ['a film of a phone', '0000001866747970', 'video/mp4', 'video/mp4'],
  ['a document', '255044462d312e37', 'application/pdf', 'application/pdf'],
])('%s arrives as what its bytes say it is', async (_what, start, filetype, type) => {
  const bytes = Buffer.concat([Buffer.from(start, 'hex'), randomBytes(2000)]);
  await upload(bytes, { filetype });
  const response = await fetch(`${office.url}/api/media/${hashOf(bytes)}`, {
    headers: { cookie: technician.cookie },
  });
  expect(response.headers.get('content-type')).toBe(type);
  expect(hashOf(Buffer.from(await response.arrayBuffer()))).toBe(hashOf(bytes));
});

test('a page of a browser is taken neither as a recording nor as a document', async () => {
  const page = Buffer.from('<html><script>alert(1)</script></html>');
  const error = await upload(page, { filetype: 'application/pdf' }).catch((e: unknown) => e);
  const { originalResponse } = error as { originalResponse?: { getStatus(): number } };
  expect(originalResponse?.getStatus()).toBe(415);
  expect(await receipts(hashOf(page))).toEqual([]);
});

test('an upload that broke off goes on where it was', async () => {
  const large = await sharp(picture).resize(1400).png().toBuffer();
  const url = await upload(large, { stopAfter: 128 * 1024 });
  expect(await receipts(hashOf(large))).toEqual([]);
  const head = await fetch(new URL(url, office.url), {
    method: 'HEAD',
    headers: { cookie: technician.cookie, 'tus-resumable': '1.0.0' },
  });
  expect(Number(head.headers.get('upload-offset'))).toBeGreaterThan(0);
  await upload(large, { from: new URL(url, office.url).href });
  expect(await receipts(hashOf(large))).toHaveLength(1);
});

test.each([
  ['an empty one', () => Buffer.alloc(0), undefined, 422, /empty/],
  [
    'a document named as a photo',
    () => Buffer.from('%PDF-1.7\n%âãÏÓ\nnot a picture'),
    undefined,
    415,
    /not a JPEG/,
  ],
  [
    'one whose bytes do not match its hash',
    () => picture.subarray(0, 9000),
    'cd'.repeat(32),
    422,
    /damaged/,
  ],
  ['one without a hash', () => picture, 'none', 400, /checksum/],
])(
  '%s is refused in words, and leaves nothing behind',
  async (_name, bytes, sha256, status, words) => {
    const error = await upload(bytes(), sha256 === undefined ? {} : { sha256 }).catch(
      (e: unknown) => e,
    );
    const response = (error as { originalResponse?: { getStatus(): number; getBody(): string } })
      .originalResponse;
    expect(response?.getStatus()).toBe(status);
    expect(response?.getBody()).toMatch(words);
  },
);

test('nobody goes on with, or sees, another’s upload or photo', async () => {
  const other = await office.newOrganisation('other');
  const stranger = await office.signIn(other.emails.technician);
  const large = await sharp(picture).resize(1300).png().toBuffer();
  const url = await upload(large, { stopAfter: 64 * 1024 });
  const head = await fetch(new URL(url, office.url), {
    method: 'HEAD',
    headers: { cookie: stranger.cookie, 'tus-resumable': '1.0.0' },
  });
  expect(head.status).toBe(404);
  expect((await stranger.call('GET', `/api/media/${hashOf(picture)}`)).status).toBe(404);
  expect(
    (await stranger.call('POST', '/api/media/receipts', { sha256: [hashOf(picture)] })).body,
  ).toEqual({ received: [] });
});
