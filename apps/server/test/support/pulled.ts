import { PullAnswer, RECORDS, type RecordKind, type RecordOf } from '@ant-trail/contract/sync';
import type { Caller } from './office.ts';

/** A page of what a phone fetches, its records by kind, each read as that phone reads it. */
export interface Pulled extends PullAnswer {
  readonly of: <Kind extends RecordKind>(kind: Kind) => RecordOf<Kind>[];
  readonly gone: (kind: RecordKind) => string[];
}

export async function pull(who: Caller, cursor?: string, through?: string): Promise<Pulled> {
  const query = new URLSearchParams({
    ...(cursor ? { cursor } : {}),
    ...(through ? { through } : {}),
  });
  const { status, body } = await who.call('GET', `/api/pull?${query}`);
  if (status !== 200) throw new Error(`pull: ${status} ${JSON.stringify(body)}`);
  const page = PullAnswer.parse(body);
  return {
    ...page,
    of: <Kind extends RecordKind>(kind: Kind) =>
      page.changes
        .filter((change) => change.kind === kind && change.body !== null)
        .map((change) => RECORDS[kind].parse(change.body) as RecordOf<Kind>),
    gone: (kind) =>
      page.changes
        .filter((change) => change.kind === kind && change.body === null)
        .map((c) => c.id),
  };
}
