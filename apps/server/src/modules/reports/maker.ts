import { covers } from '@ant-trail/core/log';
import { isPhoto, isSketch } from '@ant-trail/core/sheet';
import { Piscina } from 'piscina';
import type { EntityManager } from 'typeorm';
import { Refusal } from '../../http/problem.ts';
import type { Within } from '../../http/route.ts';
import { Turns } from '../../turns/turns.ts';
import { listPeople } from '../accounts/people.ts';
import { OrganisationRow } from '../accounts/entities.ts';
import type { MediaFiles } from '../media/files.ts';
import { findDossier } from '../review/dossier.ts';
import type { ReportData } from './data.ts';

export interface Report {
  readonly name: string;
  readonly bytes: Buffer;
}

const THREADS = 2;
const LONGEST_MS = 60_000;
const MOST_MEMORY_MB = 700;

/** Gathers what a report says and has it drawn in a worker thread, within a time and memory of its own. */
export class ReportMaker {
  private readonly pool: Piscina;
  private readonly turns = new Turns({ atOnce: THREADS, each: THREADS, waiting: 200 });

  constructor(
    worker: string,
    private readonly files: MediaFiles,
    private readonly longestMs = LONGEST_MS,
  ) {
    this.pool = new Piscina({
      filename: worker,
      minThreads: 0,
      maxThreads: THREADS,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
  }

  /**
   * Makes the report of a sheet as it is now, or as it was at an approval. No connection is held
   * while it is drawn. Throws a refusal when it takes too long or too much.
   */
  async make(
    organisation: string,
    sheet: string,
    within: Within,
    approval: string | null = null,
  ): Promise<Report> {
    const asked = await within((db) => this.gather(db, sheet));
    const dossier = approval === null ? asked.dossier : asOf(asked.dossier, approval);
    return this.turns.take(organisation, async () => {
      const data = { ...asked, dossier, photos: await this.photosOf(organisation, dossier) };
      const bytes = await this.draw(data);
      return {
        name: `${dossier.site.name}, ${dossier.job.title}.pdf`,
        bytes: Buffer.from(bytes),
      };
    });
  }

  private async draw(data: ReportData): Promise<Uint8Array> {
    const deadline = AbortSignal.timeout(this.longestMs);
    try {
      return (await this.pool.run(data, { signal: deadline })) as Uint8Array;
    } catch (error) {
      const ranOut =
        error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY';
      if (deadline.aborted || ranOut)
        throw new Refusal(
          422,
          'report-too-large',
          'This report is too much to draw. Take its answers as a table instead.',
        );
      throw error;
    }
  }

  private async gather(db: EntityManager, sheet: string): Promise<Omit<ReportData, 'photos'>> {
    const dossier = await findDossier(db, sheet);
    const [own] = await db.find(OrganisationRow);
    return {
      dossier,
      people: await listPeople(db),
      organisation: own?.name ?? '',
      timeZone: own?.timeZone ?? 'UTC',
    };
  }

  private async photosOf(
    organisation: string,
    { entries }: ReportData['dossier'],
  ): Promise<Record<string, Uint8Array>> {
    const photos: Record<string, Uint8Array> = {};
    for (const sha256 of photosIn(entries)) {
      const bytes = await this.files.read(organisation, sha256);
      if (bytes) photos[sha256] = bytes;
    }
    return photos;
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}

/** A sheet as it was when it was approved: with what that approval covers, and nothing since. */
function asOf(dossier: ReportData['dossier'], approval: string): ReportData['dossier'] {
  const approve = dossier.entries.find(({ id }) => id === approval);
  return approve
    ? { ...dossier, entries: dossier.entries.filter((entry) => covers(approve, entry)) }
    : dossier;
}

/** The pictures a report shows; recordings and files stay where they are. */
const photosIn = (entries: ReportData['dossier']['entries']): Set<string> =>
  new Set(
    entries.flatMap(({ value }) => {
      if (isPhoto(value)) return [value.sha256];
      return isSketch(value) && value.under ? [value.under.sha256] : [];
    }),
  );
