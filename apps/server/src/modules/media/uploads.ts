import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, mkdirSync } from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { FileStore } from '@tus/file-store';
import { Server } from '@tus/server';
import { Sha256 } from '@ant-trail/contract/common';
import type { Express } from 'express';
import sharp from 'sharp';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { announce } from '../../database/feed.ts';
import { inOrganisation } from '../../database/tenancy.ts';
import { PERSON_HEADER, readSession, type Session } from '../../http/session.ts';
import { Turns } from '../../turns/turns.ts';
import type { MediaFiles } from './files.ts';
import { MOST_PIXELS } from './picture-limits.ts';

/** A short video; photos are far smaller. */
export const LARGEST_PHOTO = 60_000_000;
const PICTURE_TYPES: Record<string, string> = {
  jpeg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};

/** A refusal in the form tus wants: it reads these two fields. */
class UploadRefusal extends Error {
  readonly body: string;

  constructor(
    readonly status_code: number,
    message: string,
    code: string,
  ) {
    super(message);
    this.body = JSON.stringify({ code, message });
  }
}

const refuse = (status: number, message: string, code = 'photo-refused'): UploadRefusal =>
  new UploadRefusal(status, message, code);

interface WebRequest {
  readonly headers: { get(name: string): string | null };
}

/** An upload nobody went on with is dropped after this. */
const ABANDONED_MS = 7 * 86_400_000;
/** Pictures and files of one organisation that may be looked into at the same time. */
const LOOKS = { atOnce: 3, each: 2, waiting: 500 } as const;

export interface Uploads {
  /** Takes off what was begun long ago and never finished. */
  readonly dropAbandoned: () => Promise<unknown>;
}

/** Resumable photo uploads by the tus protocol, finished only when the bytes match their hash. */
export function mountUploads(
  app: Express,
  data: DataSource,
  files: MediaFiles,
  log: Pick<Logger, 'error'>,
): Uploads {
  const looks = new Turns(LOOKS);
  mkdirSync(files.uploads, { recursive: true });
  const sessionOf = async (request: WebRequest): Promise<Session> => {
    const session = await readSession(data, {
      headers: { cookie: request.headers.get('cookie') ?? undefined },
    });
    if (!session) throw refuse(401, 'You are not signed in any more. Sign in again to go on.');
    const meant = request.headers.get(PERSON_HEADER);
    if (meant !== null && meant !== session.person)
      throw refuse(
        401,
        'Somebody else is signed in by now. Sign in again to go on.',
        'someone-else',
      );
    return session;
  };
  const tus = new Server({
    path: '/uploads',
    datastore: new FileStore({
      directory: files.uploads,
      expirationPeriodInMilliseconds: ABANDONED_MS,
    }),
    relativeLocation: true,
    onResponseError: (_request, error) => {
      if (error instanceof UploadRefusal) return undefined;
      // What the tus library says of itself is for programs; what the disk says names its folders.
      const status = 'status_code' in error ? error.status_code : 500;
      if (status >= 500) log.error({ err: error }, 'upload failed');
      const message =
        status >= 500
          ? 'The office could not take this photo just now. It will be sent once more.'
          : 'This upload is not known here any more. It begins anew.';
      return {
        status_code: status >= 500 ? 503 : status,
        body: JSON.stringify({ code: 'upload-failed', message }),
      };
    },
    maxSize: LARGEST_PHOTO,
    namingFunction: async (request) => {
      const session = await sessionOf(request);
      return `${session.organisation}.${session.person}.${randomUUID()}`;
    },
    onIncomingRequest: async (request, id) => {
      const session = await sessionOf(request);
      const isNew = request.method === 'POST' || request.method === 'OPTIONS';
      if (!isNew && !id.startsWith(`${session.organisation}.${session.person}.`))
        throw refuse(404, 'This upload is not here, or not yours.');
    },
    onUploadCreate: async (_request, upload) => {
      if (!Sha256.safeParse(upload.metadata?.['sha256']).success)
        throw refuse(400, 'The photo came without its checksum.');
      if (!upload.size) throw refuse(422, 'This photo is empty. Take it again.');
      return Promise.resolve({});
    },
    onUploadFinish: async (request, upload) => {
      const session = await sessionOf(request);
      const sha256 = String(upload.metadata?.['sha256']);
      const place = path.join(files.uploads, upload.id);
      const problem = await looks.take(session.organisation, () =>
        problemWithFile(place, sha256, String(upload.metadata?.['filetype'] ?? 'image/')),
      );
      if ('refusal' in problem) {
        await files.dropUpload(upload.id);
        throw problem.refusal;
      }
      await files.takeIn(session.organisation, sha256, place);
      await files.dropUpload(upload.id);
      await inOrganisation(data, session.organisation, async (db) => {
        await db.query(
          `INSERT INTO media (org_id, sha256, type, bytes, by) VALUES ($1, $2, $3, $4, $5)
           ON CONFLICT (org_id, sha256) DO NOTHING`,
          [session.organisation, sha256, problem.type, upload.size, session.person],
        );
        await announce(db, session.organisation, [{ kind: 'media', ref: session.person }]);
      });
      return {};
    },
  });
  app.all('/uploads{/*rest}', (request, response) => tus.handle(request, response));
  return { dropAbandoned: () => tus.cleanUpExpiredUploads() };
}

async function problemWithFile(
  place: string,
  sha256: string,
  declared: string,
): Promise<{ readonly type: string } | { readonly refusal: UploadRefusal }> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(place), hash);
  if (hash.digest('hex') !== sha256)
    return {
      refusal: refuse(
        422,
        'The photo was damaged on its way. It is sent once more.',
        'photo-damaged',
      ),
    };
  if (!declared.startsWith('image/')) {
    const type = await otherType(place);
    return type
      ? { type }
      : { refusal: refuse(415, 'This file is neither a recording nor a PDF.') };
  }
  return problemWithPicture(place);
}

/** Reads no more than a picture's head: what it says of its size is judged before anything is decoded. */
async function problemWithPicture(
  place: string,
): Promise<{ readonly type: string } | { readonly refusal: UploadRefusal }> {
  const head = await sharp(place, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  const type = PICTURE_TYPES[head?.format ?? ''];
  if (!head || !type)
    return { refusal: refuse(415, 'This file is not a JPEG, PNG or WebP picture.') };
  if ((head.width ?? 0) * (head.height ?? 0) * (head.pages ?? 1) > MOST_PIXELS)
    return {
      refusal: refuse(422, 'This picture is larger than 60 megapixels. Send a smaller one.'),
    };
  return { type };
}

/** How files that are no pictures begin: recordings and PDF. */
const BEGINNINGS: readonly {
  readonly at: number;
  readonly bytes: string;
  readonly type: string;
}[] = [
  { at: 0, bytes: '1a45dfa3', type: 'video/webm' },
  { at: 4, bytes: '66747970', type: 'video/mp4' },
  { at: 0, bytes: '4f676753', type: 'audio/ogg' },
  { at: 0, bytes: '25504446', type: 'application/pdf' },
];

async function otherType(place: string): Promise<string | null> {
  const file = await open(place);
  try {
    const { buffer } = await file.read(Buffer.alloc(8), 0, 8, 0);
    const start = buffer.toString('hex');
    return BEGINNINGS.find(({ at, bytes }) => start.startsWith(bytes, at * 2))?.type ?? null;
  } finally {
    await file.close();
  }
}
