import type { BoardStop } from '@ant-trail/contract/planning/desk';
import type { BoardFilter } from './board-bar.tsx';
import { isSought, isSoughtPerson, type Lane } from './board-stops.ts';

/**
 * The lanes somebody looks for, and of their stops those that stand back: a person who is looked for
 * has all of theirs, others only what fits the words.
 */
export function narrow(
  lanes: readonly Lane[],
  stops: readonly BoardStop[],
  { words, onlyMisfits }: BoardFilter,
  judged: boolean,
): { readonly lanes: readonly Lane[]; readonly faint: ReadonlySet<string> } {
  const faint = new Set<string>();
  const wanted = words.trim();
  let left = judged && onlyMisfits ? lanes.filter(({ misfits }) => misfits.length > 0) : lanes;
  if (wanted === '') return { lanes: left, faint };
  const known = new Set(
    lanes.flatMap(({ person }) => (isSoughtPerson(person, wanted) ? person.id : [])),
  );
  const having = new Set(known);
  for (const stop of stops) {
    const { person, id } = stop.visit;
    if (person !== null && known.has(person)) continue;
    if (!isSought(stop, wanted)) faint.add(id);
    else if (person !== null) having.add(person);
  }
  left = left.filter(({ person }) => having.has(person.id));
  return { lanes: left, faint };
}
