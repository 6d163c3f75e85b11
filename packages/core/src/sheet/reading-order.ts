import type { Program } from '../logic/index.ts';
import type { PlannedQuestion } from './planned.ts';

/** Everything that reads these, or reads what reads them. */
export function downstream(
  names: Iterable<string>,
  readers: readonly ReadonlyMap<string, readonly string[]>[],
): Set<string> {
  const found = new Set<string>();
  const line = [...names];
  for (let name = line.pop(); name !== undefined; name = line.pop())
    for (const map of readers)
      for (const key of map.get(name) ?? [])
        if (!found.has(key)) {
          found.add(key);
          line.push(key);
        }
  return found;
}

export function programsOf(of: Omit<PlannedQuestion, 'rank'>): Program[] {
  const { required, reason, photo, suggest, formula, low, high } = of;
  return [
    ...of.visible,
    ...[required, reason, photo, suggest, formula, low, high].flatMap((one) => (one ? [one] : [])),
    ...of.messages.map(({ when }) => when),
    ...of.findings.map(({ when }) => when),
    ...of.checks.map(({ must }) => must),
  ];
}

type Planned = ReadonlyMap<string, Omit<PlannedQuestion, 'rank'>>;

/**
 * An order in which everything follows what it reads, as far as that goes: what a message or a limit
 * reads too, so that rules over all rows are computed once all rows are. Only values and conditions
 * can go in a circle; a message or a limit changes no answer. The row before is not followed, since
 * rows end.
 */
export function sortByReading(planned: Planned): { order: string[]; circle: string[] | null } {
  const members = new Map<string, string[]>();
  for (const [key, { groups }] of planned) {
    const group = groups.at(-1);
    if (!group) continue;
    const line = members.get(group);
    if (line) line.push(key);
    else members.set(group, [key]);
  }
  const named = (programs: readonly Program[]): string[] =>
    programs.flatMap(({ reads }) => [...reads.names]);
  const hard = (key: string): string[] => {
    const of = planned.get(key);
    if (!of) return [];
    return [
      ...named([...of.visible, ...(of.formula ? [of.formula] : [])]),
      ...(members.get(key) ?? []),
    ];
  };
  const all = (key: string): string[] => {
    const of = planned.get(key);
    return of ? [...hard(key), ...named(programsOf(of))] : [];
  };
  const keys = [...planned.keys()];
  return { order: follow(keys, all).order, circle: follow(keys, hard).circle };
}

/** What is followed before what follows it, without a call within a call: chains may be long. */
function follow(
  keys: readonly string[],
  next: (key: string) => readonly string[],
): { order: string[]; circle: string[] | null } {
  const order: string[] = [];
  const state = new Map<string, 'open' | 'done'>();
  const known = new Set(keys);
  let circle: string[] | null = null;
  for (const start of keys) {
    const trail: { readonly key: string; readonly rest: string[] }[] = [];
    const open = (key: string): void => {
      if (!known.has(key) || state.get(key) === 'done') return;
      if (state.get(key) === 'open') {
        const from = trail.findIndex((step) => step.key === key);
        circle ??= trail.slice(from).map((step) => step.key);
        return;
      }
      state.set(key, 'open');
      trail.push({ key, rest: [...next(key)].reverse() });
    };
    open(start);
    for (let step = trail.at(-1); step; step = trail.at(-1)) {
      const following = step.rest.pop();
      if (following !== undefined) {
        open(following);
        continue;
      }
      state.set(step.key, 'done');
      order.push(step.key);
      trail.pop();
    }
  }
  return { order, circle };
}
