/** What somebody says of their working day, in the order it usually happens. */
export const CLOCK_STEPS = ['began', 'break', 'back', 'ended'] as const;
export type ClockStep = (typeof CLOCK_STEPS)[number];

/** One thing said of a working day, or of what was said before. Nothing that was said is lost. */
export interface ClockEntry {
  /** Ordered by time: a later one has a greater id. */
  readonly id: string;
  /** The day the work began: a shift past midnight stays with it. */
  readonly day: string;
  /** Null strikes out what it stands in place of. */
  readonly step: ClockStep | null;
  /** When it happened, an instant. */
  readonly at: string;
  /** The entry it stands in place of; null for what is said at first. */
  readonly insteadOf: string | null;
}

/** How somebody's day stands. */
export type ClockState = 'off' | 'working' | 'on a break';

/** From one instant to another; open as long as it goes on. */
export interface Span {
  readonly from: string;
  readonly to: string | null;
}

export interface ClockDay<Entry extends ClockEntry = ClockEntry> {
  /** What counts, in the order of its time. */
  readonly steps: readonly Entry[];
  /** Where work began and ended, breaks within. */
  readonly spans: readonly Span[];
  readonly breaks: readonly Span[];
  readonly state: ClockState;
  /** Entries that can't have happened as they are said, such as a break before work began. */
  readonly odd: readonly string[];
}

/**
 * What counts of all that was said: of several that stand in place of the same, the one said last; and
 * nothing of what was struck out.
 */
export function whatCounts<Entry extends ClockEntry>(entries: readonly Entry[]): Entry[] {
  const known = new Map(entries.map((entry) => [entry.id, entry]));
  /** The first of a line of corrections. */
  const rootOf = (entry: Entry): string => {
    let at = entry;
    const seen = new Set<string>();
    while (at.insteadOf !== null && !seen.has(at.id)) {
      seen.add(at.id);
      const before = known.get(at.insteadOf);
      if (!before) return at.insteadOf;
      at = before;
    }
    return at.id;
  };
  const last = new Map<string, Entry>();
  for (const entry of entries) {
    const root = rootOf(entry);
    const before = last.get(root);
    if (!before || before.id < entry.id) last.set(root, entry);
  }
  return [...last.values()]
    .filter(({ step }) => step !== null)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
}

/** A day of work as it was said, whatever order it came in. */
export function clockDay<Entry extends ClockEntry>(entries: readonly Entry[]): ClockDay<Entry> {
  const steps = whatCounts(entries);
  const spans: { from: string; to: string | null }[] = [];
  const breaks: { from: string; to: string | null }[] = [];
  const odd: string[] = [];
  let state: ClockState = 'off';
  for (const { id, step, at } of steps) {
    const fits =
      step === 'began'
        ? state === 'off'
        : step === 'break'
          ? state === 'working'
          : step === 'back'
            ? state === 'on a break'
            : state !== 'off';
    if (!fits) {
      odd.push(id);
      continue;
    }
    const [span, pause] = [spans.at(-1), breaks.at(-1)];
    if (step === 'began') spans.push({ from: at, to: null });
    if (step === 'break') breaks.push({ from: at, to: null });
    if (state === 'on a break' && (step === 'back' || step === 'ended') && pause) pause.to = at;
    if (step === 'ended' && span) span.to = at;
    state = step === 'ended' ? 'off' : step === 'break' ? 'on a break' : 'working';
  }
  return { steps, spans, breaks, state, odd };
}

const MS_PER_MINUTE = 60_000;

/** How long spans are together, in whole minutes; one that goes on counts until now. */
export function minutesIn(spans: readonly Span[], now: string): number {
  const ms = spans.reduce(
    (sum, { from, to }) => sum + Math.max(0, Date.parse(to ?? now) - Date.parse(from)),
    0,
  );
  return Math.round(ms / MS_PER_MINUTE);
}

/**
 * What of a day counts as work, in minutes: from its beginning to its end, breaks left out. A day whose
 * end was forgotten counts nothing until it is said.
 */
export function workedMinutes(day: ClockDay, now: string): number {
  const { spans, breaks } = day;
  if (isForgotten(day, now)) return 0;
  return Math.max(0, minutesIn(spans, now) - minutesIn(breaks, now));
}

/** Nobody is at work for longer in one go (our own choice, no source). */
const LONGEST_SHIFT_MS = 16 * 60 * MS_PER_MINUTE;

/** Until when something open counts that began then: until now, and never longer than a shift. */
export const countsUntil = (from: string, now: string): string =>
  new Date(Math.min(Date.parse(now), Date.parse(from) + LONGEST_SHIFT_MS)).toISOString();

/** Whether nobody said the end of a day, and it must long be over. */
export function isForgotten({ state, spans }: ClockDay, now: string): boolean {
  const from = spans.at(-1)?.from;
  return (
    state !== 'off' && from !== undefined && Date.parse(now) - Date.parse(from) > LONGEST_SHIFT_MS
  );
}

/** What can be said next. */
export function nextSteps(state: ClockState): readonly ClockStep[] {
  if (state === 'off') return ['began'];
  return state === 'working' ? ['break', 'ended'] : ['back', 'ended'];
}
