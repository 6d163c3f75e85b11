import { isPhoto, isSketch } from '@ant-trail/core/sheet';
import { Piscina } from 'piscina';
import type { DataSource, EntityManager } from 'typeorm';
import { inOrganisation } from '../../database/tenancy.ts';
import { listPeople } from '../accounts/people.ts';
import { OrganisationRow } from '../accounts/entities.ts';
import type { MediaFiles } from '../media/files.ts';
import { findDossier } from '../review/dossier.ts';
import type { ReportData } from './data.ts';
import { sendLetter } from './mail.ts';
import type { ReportTask } from './queue.ts';

export interface Report {
  readonly name: string;
  readonly bytes: Buffer;
}

/** Gathers what a report says and has it drawn in a worker thread. */
export class ReportMaker {
  private readonly pool: Piscina;

  constructor(
    worker: string,
    private readonly files: MediaFiles,
  ) {
    this.pool = new Piscina({ filename: worker, minThreads: 0, maxThreads: 1 });
  }

  async make(db: EntityManager, organisation: string, sheet: string): Promise<Report> {
    const data = await this.gather(db, organisation, sheet);
    const bytes = (await this.pool.run(data)) as Uint8Array;
    const name = `${data.dossier.site.name}, ${data.dossier.job.title}.pdf`;
    return { name, bytes: Buffer.from(bytes) };
  }

  /** Makes a report and sends it to the job's recipients. */
  async mail(source: DataSource, mailPort: number, task: ReportTask): Promise<void> {
    const { organisation, sheet } = task;
    const { letter, report } = await inOrganisation(source, organisation, async (db) => ({
      letter: await findDossier(db, sheet),
      report: await this.make(db, organisation, sheet),
    }));
    if (letter.job.recipients.length === 0) return;
    await sendLetter(mailPort, {
      organisation,
      to: letter.job.recipients,
      subject: `${letter.site.name}: ${letter.job.title}`,
      text: `The report of “${letter.job.title}” at ${letter.site.name} is attached.`,
      attachment: {
        name: report.name,
        type: 'application/pdf',
        bytes: report.bytes,
      },
    });
  }

  private async gather(
    db: EntityManager,
    organisation: string,
    sheet: string,
  ): Promise<ReportData> {
    const dossier = await findDossier(db, sheet);
    const [own] = await db.find(OrganisationRow);
    const photos: Record<string, Uint8Array> = {};
    for (const value of photosIn(dossier.entries)) {
      const bytes = await this.files.read(organisation, value);
      if (bytes) photos[value] = bytes;
    }
    return {
      dossier,
      people: await listPeople(db),
      organisation: own?.name ?? '',
      timeZone: own?.timeZone ?? 'UTC',
      photos,
    };
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}

/** The pictures a report shows; recordings and files stay where they are. */
const photosIn = (entries: ReportData['dossier']['entries']): Set<string> =>
  new Set(
    entries.flatMap(({ value }) => {
      if (isPhoto(value)) return [value.sha256];
      return isSketch(value) && value.under ? [value.under.sha256] : [];
    }),
  );
