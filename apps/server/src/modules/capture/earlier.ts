import type { EarlierAnswers } from '@ant-trail/contract/capture';
import type { EntityManager } from 'typeorm';

/** A sheet as far as earlier ones of the same kind are sought for it. */
export interface SheetAt {
  readonly id: string;
  readonly site: string;
  readonly template: string;
  readonly asset: string | null;
  readonly job: string;
  readonly day: string;
}

/**
 * What is offered of an earlier sheet at the same place or thing: of the one its job follows, whatever was asked
 * there, so that nobody says twice what was found; else of the last finished one of the same template.
 */
export async function earlierAnswers(
  db: EntityManager,
  { id, site, template, asset, job, day }: SheetAt,
): Promise<EarlierAnswers | null> {
  const [before] = await db.query<{ day: string; carried: EarlierAnswers['answers'] }[]>(
    `WITH followed AS (SELECT (follows->>'job')::uuid AS id FROM job WHERE id = $5)
     SELECT j.day::text AS day, s.carried FROM sheet s JOIN job j ON j.id = s.job_id
     WHERE s.id <> $1 AND j.id <> $5 AND j.site_id = $2
       AND (s.template_id = $3 OR j.id = (SELECT id FROM followed))
       AND s.asset_id IS NOT DISTINCT FROM $4::uuid
       AND s.summary->>'stage' IN ('finished', 'approved') AND j.day <= $6::date
     ORDER BY j.id IS NOT DISTINCT FROM (SELECT id FROM followed) DESC,
       j.day DESC, j.id DESC, s.place DESC LIMIT 1`,
    [id, site, template, asset, job, day],
  );
  if (!before) return null;
  return {
    ...{ site, template, day: before.day, answers: before.carried },
    ...(asset === null ? {} : { asset }),
  };
}
