import { randomUUID } from 'node:crypto';
import { Piscina } from 'piscina';
import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import { sha256Hex, timeOrderedId, type Entry } from '@ant-trail/core/log';
import { REPORT_WORKER } from '../scripts/house/build-server.mjs';
import { medianMs, show } from './measure.ts';

const PHOTOS = 60;

async function reportData(): Promise<{ data: object; photos: Record<string, Uint8Array> }> {
  const photos: Record<string, Uint8Array> = {};
  const entries: Entry[] = [];
  const [person, sheet, job] = [randomUUID(), randomUUID(), randomUUID()];
  for (let i = 0; i < PHOTOS; i++) {
    const bytes = await sharp({
      create: {
        width: 1600,
        height: 1200,
        channels: 3,
        background: { r: i * 4, g: 120, b: 90 },
        noise: { type: 'gaussian', mean: 128, sigma: 12 },
      },
    })
      .jpeg({ quality: 80 })
      .toBuffer();
    const sha256 = sha256Hex(bytes);
    photos[sha256] = new Uint8Array(bytes);
    entries.push({
      id: timeOrderedId(1_700_000_000_000 + i, crypto.getRandomValues(new Uint8Array(16))),
      sheet,
      path: `view~photo~p${i}`,
      kind: 'answer',
      value: {
        sha256,
        type: 'image/jpeg',
        bytes: bytes.length,
        width: 1600,
        height: 1200,
        takenAt: '2031-04-05T08:00:00Z',
        comment: `Photo ${i}`,
      },
      seen: [],
      by: person,
      device: randomUUID(),
      at: '2031-04-05T08:00:00Z',
      prev: null,
    });
  }
  const site = {
    id: randomUUID(),
    name: 'Site',
    client: '',
    address: 'Road',
    lat: 0,
    lon: 0,
    access: '',
    hazards: [],
    contacts: [],
  };
  const data = {
    dossier: {
      sheet: { id: sheet, job, version: randomUUID() },
      job: {
        id: job,
        site: site.id,
        template: randomUUID(),
        title: 'Round',
        instructions: '',
        day: '2031-04-05',
        windowFrom: null,
        windowTo: null,
        recipients: [],
        state: 'in review',
        sheet: { id: sheet, job, version: '' },
      },
      visit: {
        id: randomUUID(),
        job,
        person,
        day: '2031-04-05',
        start: 480,
        minutes: 45,
        events: [],
      },
      site,
      version: {
        id: randomUUID(),
        template: randomUUID(),
        number: 1,
        publishedAt: '2031-01-01T00:00:00Z',
        body: {
          title: 'Round',
          sections: [
            {
              id: 's',
              title: 'Photos',
              questions: [{ kind: 'photo', key: 'view', label: 'View', required: true }],
            },
          ],
        },
      },
      entries,
      series: [],
      actions: [],
      receivedAt: {},
    },
    people: [],
    organisation: 'Bench',
    timeZone: 'UTC',
    photos,
  };
  return { data, photos };
}

/** The peer: the PDF library alone, placing the same photos two in a row with no text or structure. */
function bare(photos: Record<string, Uint8Array>): Promise<number> {
  return new Promise((resolve) => {
    const document = new PDFDocument({ size: 'A4' });
    let bytes = 0;
    document.on('data', (chunk: Buffer) => (bytes += chunk.length));
    document.on('end', () => resolve(bytes));
    Object.values(photos).forEach((photo, i) => {
      if (i > 0 && i % 8 === 0) document.addPage();
      document.image(Buffer.from(photo), 50 + (i % 2) * 250, 50 + Math.floor((i % 8) / 2) * 180, {
        fit: [240, 150],
      });
    });
    document.end();
  });
}

export async function benchReport(): Promise<void> {
  const { data, photos } = await reportData();
  const pool = new Piscina({ filename: REPORT_WORKER, maxThreads: 1 });
  const ours = await medianMs(() => pool.run(data) as Promise<Uint8Array>, 5, 1);
  const peer = await medianMs(() => bare(photos), 5, 1);
  await pool.destroy();
  show(
    `report with ${PHOTOS} photos, tagged, in a worker`,
    ours,
    `pdfkit alone places them in ${peer.toFixed(0)} ms: ours takes ${(ours / peer).toFixed(2)} × that`,
  );
}
