import { PDFDocument } from '@cantoo/pdf-lib';
import type { Within } from '../../http/route.ts';
import type { MediaFiles } from '../media/files.ts';
import { keptReport } from '../reports/approvals.ts';
import type { ReportMaker } from '../reports/maker.ts';

export interface ReportSources {
  readonly reports: ReportMaker;
  readonly files: MediaFiles;
}

/** Reports of several sheets in one file, in the order asked for: as approved where they are, else as they are now. */
export async function reportsTogether(
  { reports, files }: ReportSources,
  organisation: string,
  sheets: readonly string[],
  within: Within,
): Promise<Buffer> {
  const together = await PDFDocument.create();
  for (const sheet of new Set(sheets)) {
    const kept = await within((db) => keptReport(db, sheet));
    const bytes =
      (kept && (await files.read(organisation, kept.sha256))) ??
      (await reports.make(organisation, sheet, within)).bytes;
    const one = await PDFDocument.load(bytes);
    for (const page of await together.copyPages(one, one.getPageIndices())) together.addPage(page);
  }
  return Buffer.from(await together.save());
}
