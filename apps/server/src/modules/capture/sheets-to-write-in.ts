import {
  EMPTY_PATH_LOG,
  mergePath,
  STAGE_PATH,
  type Entry,
  type PathLog,
} from '@ant-trail/core/log';
import { foldStage, type SheetPlan, type Stage } from '@ant-trail/core/sheet';
import { In, type EntityManager } from 'typeorm';
import { EntryRow } from '../../log/entities.ts';
import { SheetRow } from '../planning/entities.ts';
import { formersAt, type Formers } from '../planning/who-has-part.ts';
import { findVersions, planOf } from '../templates/versions.ts';

/** What has to be known of a sheet to judge whether an entry may join its log. */
export class SheetToWriteIn {
  private stages: PathLog = EMPTY_PATH_LOG;
  private readonly ids: Set<string>;

  constructor(
    readonly plan: SheetPlan,
    /** Who fills it in: whose it is, or everybody at the job; and who handed it over. */
    readonly writers: ReadonlySet<string>,
    /** From whom the office took the visit: what they answered is taken in, and marked. */
    readonly losers: ReadonlySet<string>,
    /** Whoever answered, finished or was there: none of them may approve it. */
    readonly workers: ReadonlySet<string>,
    private readonly summary: Stage,
    moves: readonly Entry[],
    known: readonly string[],
    /** Paths on which somebody has said something, as far as these are asked about. */
    private readonly said: Set<string>,
  ) {
    this.stages = mergePath(EMPTY_PATH_LOG, moves);
    this.ids = new Set(known);
  }

  /** Where it stands: by its moves, unless something came after an approval. */
  get stage(): Stage {
    const { stage } = foldStage(this.stages, true);
    return stage === 'approved' && this.summary === 'finished' ? 'finished' : stage;
  }

  get stageHeads(): readonly string[] {
    return this.stages.heads.map(({ id }) => id);
  }

  has(id: string): boolean {
    return this.ids.has(id);
  }

  isSaid(path: string): boolean {
    return this.said.has(path);
  }

  /** Reckons with an entry that comes before others in the same batch. */
  take(entry: Entry): void {
    if (entry.kind !== 'prepare') this.said.add(entry.path);
    if (entry.path === STAGE_PATH) this.stages = mergePath(this.stages, [entry]);
  }
}

/** The sheets these entries mean, as far as they are there. */
export async function sheetsToWriteIn(
  db: EntityManager,
  entries: readonly Entry[],
): Promise<Map<string, SheetToWriteIn>> {
  const ids = [...new Set(entries.map(({ sheet }) => sheet))];
  const rows = await db.find(SheetRow, {
    where: { id: In(ids) },
    relations: { job: { visits: true } },
  });
  const formers = await formersAt(db, [...new Set(rows.map(({ job }) => job.id))]);
  const versions = await findVersions(
    db,
    rows.map((row) => row.version),
  );
  const plans = new Map(versions.map((version) => [version.id, planOf(version)]));
  const preparing = entries.filter(({ kind }) => kind === 'prepare');
  const moving = preparing.length > 0 || entries.some(({ path }) => path === STAGE_PATH);
  const moves = moving ? await db.findBy(EntryRow, { sheet: In(ids), path: STAGE_PATH }) : [];
  const workers = moving ? await workersOn(db, ids) : [];
  const known = await db.find(EntryRow, {
    select: { id: true },
    where: { id: In(entries.map(({ id }) => id)) },
  });
  const said = preparing.length > 0 ? await saidAt(db, preparing) : [];
  const sheets = new Map<string, SheetToWriteIn>();
  for (const row of rows) {
    const plan = plans.get(row.version);
    if (!plan) continue;
    sheets.set(
      row.id,
      new SheetToWriteIn(
        plan,
        writersOf(row, formers(row.job.id)),
        formers(row.job.id).losers,
        new Set(workers.filter(({ sheet }) => sheet === row.id).map(({ person }) => person)),
        row.summary.stage,
        moves.filter(({ sheet }) => sheet === row.id).map(({ body }) => body),
        known.map(({ id }) => id),
        new Set(said.filter(({ sheet }) => sheet === row.id).map(({ path }) => path)),
      ),
    );
  }
  return sheets;
}

function writersOf({ person, job }: SheetRow, { givers }: Formers): Set<string> {
  const there = job.visits.flatMap((visit) => (visit.person === null ? [] : [visit.person]));
  return new Set([...(person === null ? there : [person]), ...givers]);
}

/** On which of these paths somebody has said something, other than beforehand. */
const saidAt = (
  db: EntityManager,
  entries: readonly Entry[],
): Promise<{ sheet: string; path: string }[]> =>
  db.query(
    `SELECT DISTINCT sheet_id AS sheet, path FROM entry
       WHERE sheet_id = ANY ($1) AND path = ANY ($2) AND body->>'kind' <> 'prepare'`,
    [entries.map(({ sheet }) => sheet), entries.map(({ path }) => path)],
  );

/** Who worked on these sheets in any way: by what they said in them, or by going there. */
const workersOn = (
  db: EntityManager,
  sheets: readonly string[],
): Promise<{ sheet: string; person: string }[]> =>
  db.query(
    `SELECT sheet_id AS sheet, body->>'by' AS person FROM entry
       WHERE sheet_id = ANY ($1) AND body->>'kind' IN ('answer', 'clear', 'finish')
         AND path <> '~programme'
     UNION
     SELECT s.id, e.body->>'by' FROM sheet s
       JOIN visit v ON v.job_id = s.job_id JOIN visit_event e ON e.visit_id = v.id
       WHERE s.id = ANY ($1)`,
    [sheets],
  );
