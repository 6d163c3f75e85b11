import { covers } from '@ant-trail/core/log';
import { revisionOf } from '@ant-trail/core/review';
import { asksConsent, consentsIn, fold, isPhoto, isSketch, planSheet } from '@ant-trail/core/sheet';
import type { EntityManager } from 'typeorm';
import type { Within } from '../../http/route.ts';
import { Refusal } from '../../refusals/refusal.ts';
import { TooMuchWork, WorkerLine } from '../../turns/worker-line.ts';
import { OrganisationRow } from '../accounts/entities.ts';
import { everybody } from '../accounts/people.ts';
import type { MediaFiles } from '../media/files.ts';
import { findDossier } from '../review/dossier.ts';
import type { ReportData } from './data.ts';
import { knownOf } from './known.ts';
import { wentOut } from './went-out.ts';

export interface Report {
  readonly name: string;
  readonly bytes: Buffer;
}

const LONGEST_MS = 60_000;

/** Gathers what a report says and has it drawn in a worker thread, within a time and memory of its own. */
export class ReportMaker {
  private readonly line: WorkerLine;

  constructor(
    worker: string,
    private readonly files: MediaFiles,
    longestMs = LONGEST_MS,
  ) {
    this.line = new WorkerLine({ worker, threads: 2, memoryMb: 700, longestMs, waiting: 200 });
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
    const { out, ...asked } = await within(async (db) => ({
      ...(await this.gather(db, sheet)),
      out: await wentOut(db, sheet),
    }));
    const dossier = approval === null ? asked.dossier : asOf(asked.dossier, approval);
    const revision = revisionOf(dossier.entries, out);
    const photos = await this.photosOf(organisation, dossier);
    const data = { ...asked, dossier, revision, photos, consent: null };
    const bytes = await this.draw(organisation, data);
    const which = revision ? `, version ${revision.number}` : '';
    return {
      name: `${dossier.site.name}, ${dossier.job.title}${which}.pdf`,
      bytes: Buffer.from(bytes),
    };
  }

  /** The consents signed in a sheet, as it is now or was at an approval, each a paper of its own. */
  async consents(
    organisation: string,
    sheet: string,
    within: Within,
    approval: string | null = null,
  ): Promise<readonly (Report & { readonly path: string })[]> {
    const asked = await within((db) => this.gather(db, sheet));
    const dossier = approval === null ? asked.dossier : asOf(asked.dossier, approval);
    // Most sheets ask for none, and folding one takes its time.
    if (!asksConsent(dossier.version.body)) return [];
    const signed = consentsIn(fold(planSheet(dossier.version.body), dossier.entries));
    const papers: (Report & { readonly path: string })[] = [];
    for (const { path, label } of signed) {
      const data = { ...asked, dossier, revision: null, photos: {}, consent: path };
      const bytes = Buffer.from(await this.draw(organisation, data));
      papers.push({ path, name: `${dossier.site.name}, ${label}.pdf`, bytes });
    }
    return papers;
  }

  private async draw(organisation: string, data: ReportData): Promise<Uint8Array> {
    try {
      return (await this.line.run(organisation, data)) as Uint8Array;
    } catch (error) {
      if (!(error instanceof TooMuchWork)) throw error;
      throw new Refusal(
        422,
        'report-too-large',
        'This report is too much to draw. Take its answers as a table instead.',
      );
    }
  }

  private async gather(
    db: EntityManager,
    sheet: string,
  ): Promise<Omit<ReportData, 'photos' | 'revision' | 'consent'>> {
    const dossier = await findDossier(db, sheet);
    const [own] = await db.find(OrganisationRow);
    return {
      dossier,
      people: await everybody(db),
      organisation: own?.name ?? '',
      timeZone: own?.timeZone ?? 'UTC',
      known: await knownOf(db, dossier),
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
    return this.line.close();
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
