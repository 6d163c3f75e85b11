import type { Action } from '@ant-trail/contract/actions';
import type { AssetEvent } from '@ant-trail/contract/register';
import type { Opening } from '@ant-trail/contract/arrival';
import type { Story, ToldBySheet } from '@ant-trail/contract/story';
import { ACTION_STATE_RULES } from '@ant-trail/core/actions';
import { CONDITION_RULES, type Condition } from '@ant-trail/core/register';
import type { MarkName } from '@/design/mark.tsx';
import { HOW_WORDS, needsLook } from '@/features/arrival/desk/how-words.ts';

/** One thing that happened, as the story shows it. */
export interface StoryLine {
  readonly id: string;
  readonly at: string;
  readonly mark: MarkName;
  readonly words: string;
  readonly more: readonly string[];
  readonly by: string | null;
  readonly photos: readonly string[];
  /** The sheet that says so. */
  readonly sheet: string | null;
}

const EVENTS: Readonly<Record<AssetEvent['kind'], (event: AssetEvent) => string>> = {
  entered: () => 'Entered in the register',
  found: () => 'Found on site, and entered in the register',
  renamed: ({ from, to }) => `Called ${to}, before ${from}`,
  moved: ({ from, to }) => `Moved from ${from} to ${to}`,
  condition: ({ from, to }) => `Condition from ${from} to ${to}`,
  facts: () => 'What is known of it was changed',
  retired: () => 'Retired: it is no longer there',
  'brought back': () => 'In use again',
  'label bound': ({ to }) => `Label ${to} put on`,
  'label taken off': ({ from }) => `Label ${from} taken off`,
};

const markOfEvent = ({ kind, to }: AssetEvent): MarkName =>
  kind === 'condition' && Object.hasOwn(CONDITION_RULES, to)
    ? CONDITION_RULES[to as Condition].mark
    : 'received';

const ofEvent = (event: AssetEvent): StoryLine => ({
  ...{ id: event.id, at: event.at, by: event.by, photos: [], sheet: null },
  mark: markOfEvent(event),
  words: EVENTS[event.kind](event),
  more: event.note ? [`“${event.note}”`] : [],
});

const counted = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

const ofSheet = (told: ToldBySheet): StoryLine => ({
  ...{ id: told.sheet, at: told.at, by: told.by, photos: told.photos, sheet: told.sheet },
  mark: told.worst >= 2 ? 'needs eyes' : told.stage === 'under way' ? 'under way' : 'received',
  words: `${told.title}, ${counted(told.answered, 'answer')}${told.worst === 0 ? ', all as usual' : ''}`,
  more: told.findings.map(({ words }) => words),
});

const ofAction = (action: Action): StoryLine => ({
  ...{ id: action.id, at: action.createdAt, by: action.createdBy, photos: [], sheet: null },
  mark: ACTION_STATE_RULES[action.state].mark,
  words: `Action: ${action.title}`,
  more: [action.state],
});

/** What is only for whoever is at its place was read. */
const ofOpening = (opening: Opening): StoryLine => ({
  ...{ id: opening.id, at: opening.at, by: opening.by, photos: [], sheet: null },
  mark: needsLook(opening.how) ? 'needs eyes' : 'received',
  words: `What is for whoever is at its place: somebody ${HOW_WORDS[opening.how]}`,
  more: opening.reason ? [`“${opening.reason}”`] : [],
});

/** Everything in a story, the newest first. */
export const linesOf = ({ events, sheets, actions, openings }: Story): StoryLine[] =>
  [
    ...events.map(ofEvent),
    ...sheets.map(ofSheet),
    ...actions.map(ofAction),
    ...openings.map(ofOpening),
  ].sort((a, b) => b.at.localeCompare(a.at));

/** Readings of one question over time, oldest first. */
export interface StorySeries {
  readonly key: string;
  readonly label: string;
  readonly unit: string;
  readonly points: readonly {
    readonly at: string;
    readonly value: number;
    readonly out: boolean;
  }[];
  readonly expected: { readonly low?: number; readonly high?: number } | undefined;
}

/** The series in a story that are long enough to be drawn, those with something out of range first. */
export function seriesOf({ sheets }: Story): StorySeries[] {
  const series = new Map<string, StorySeries & { points: StorySeries['points'][number][] }>();
  for (const { template, readings } of [...sheets].reverse())
    for (const { key, label, unit, value, at, expected } of readings) {
      const name = `${template} ${key} ${unit}`;
      const known = series.get(name) ?? { key: name, label, unit, points: [], expected: undefined };
      const { low, high } = expected ?? {};
      const out = (low !== undefined && value < low) || (high !== undefined && value > high);
      known.points.push({ at, value, out });
      series.set(name, {
        ...known,
        // The newest word on what is expected is the one that is drawn.
        expected: {
          ...(low === undefined ? {} : { low }),
          ...(high === undefined ? {} : { high }),
        },
      });
    }
  return [...series.values()]
    .filter(({ points }) => points.length > 1)
    .sort((a, b) => outIn(b) - outIn(a) || b.points.length - a.points.length);
}

const outIn = ({ points }: StorySeries): number => points.filter(({ out }) => out).length;
