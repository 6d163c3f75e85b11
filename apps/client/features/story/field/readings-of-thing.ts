import type { Series } from '@ant-trail/contract/capture';
import type { Asset } from '@ant-trail/contract/register';
import { parsePath } from '@ant-trail/core/log';
import type { ExpectedRange } from '@ant-trail/core/measure';
import { isReading, questionsOf } from '@ant-trail/core/sheet';
import { Dexie } from 'dexie';
import type { LocalStore } from '@/device/local-store.ts';

/** What one question read at a thing, visit after visit, oldest first. */
export interface ReadingsOfThing {
  readonly id: string;
  readonly label: string;
  /** UCUM; the values are in it. */
  readonly unit: string;
  readonly expected: ExpectedRange | null;
  readonly points: Series['points'];
}

/** Readings of sheets about the thing, and of its rows in sheets about the place. */
const isOf = ({ asset, key }: Series, thing: string): boolean => {
  const parts = parsePath(key)?.scope.split('/') ?? [];
  // The innermost row: what stands in the row of a thing within another's is said of the inner one.
  return parts.length > 1 ? parts.at(-2) === thing : asset === thing;
};

/** What this phone knows was read at a thing before; that is what its person's work there asks for. */
export async function readingsOfThing(store: LocalStore, thing: Asset): Promise<ReadingsOfThing[]> {
  const series = await store.series
    .where('[site+template]')
    .between([thing.site, Dexie.minKey], [thing.site, Dexie.maxKey])
    .filter((each) => isOf(each, thing.id))
    .toArray();
  if (series.length === 0) return [];
  const templates = await store.templates.toArray();
  return series.flatMap(({ id, template, key, points }) => {
    const newest = templates
      .filter((each) => each.template === template)
      .sort((a, b) => b.number - a.number)[0];
    const asked = parsePath(key)?.key;
    const question = newest && questionsOf(newest.body).find((each) => each.key === asked);
    if (!question || !isReading(question) || points.length === 0) return [];
    const { label, unit } = question;
    const expected = ('expected' in question && question.expected) || null;
    return [{ id, label, unit, expected, points }];
  });
}
