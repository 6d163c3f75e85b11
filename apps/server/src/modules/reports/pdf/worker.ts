import { loadPatterns } from '@ant-trail/core/logic';
import { prepareForAny } from '@ant-trail/core/sheet';
import type { ReportData } from '../data.ts';
import { drawReport } from './draw.ts';
import { picturesForPaper } from './pictures.ts';

await Promise.all([loadPatterns(), prepareForAny()]);

/** The worker thread's one task: data in, PDF out. */
export default async function work(data: ReportData): Promise<Uint8Array> {
  const photos = await picturesForPaper(data.photos);
  return new Uint8Array(await drawReport({ ...data, photos }));
}
