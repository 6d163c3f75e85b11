import { loadPatterns } from '@ant-trail/core/logic';
import { prepareForAny } from '@ant-trail/core/sheet';
import type { ReportData } from '../data.ts';
import { drawConsent } from './consent.ts';
import { drawReport } from './draw.ts';
import { picturesForPaper } from './pictures.ts';

await Promise.all([loadPatterns(), prepareForAny()]);

/** The worker thread's one task: data in, PDF out. */
export default async function work(data: ReportData): Promise<Uint8Array> {
  if (data.consent !== null) return new Uint8Array(await drawConsent(data));
  const photos = await picturesForPaper(data.photos);
  return new Uint8Array(await drawReport({ ...data, photos }));
}
