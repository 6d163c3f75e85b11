import type { NextStep } from '@ant-trail/core/planning';
import type { MarkName } from '@/design/mark.tsx';
import { sayWhen } from '@/design/say-day.ts';
import type { TrailSheet, TrailStop } from './trail.ts';

/** What the action bar says for each next step. */
export const STEP_WORDS: Record<NextStep, string> = {
  'set off': 'Set off',
  arrived: 'I have arrived',
  start: 'Start the sheet',
  'go on': 'Go on with the sheet',
  'look again': 'Look again',
  leave: 'I am done here',
  nothing: 'Open the sheet',
};

export function markFor(stop: TrailStop, isNext: boolean): MarkName {
  const { stage } = stop.current;
  if (stop.returnedWith !== null) return 'returned';
  if (stop.turnedBackFor !== null) return 'needs eyes';
  if (stage === 'approved') return 'approved';
  if (isNext) return 'next';
  if (stage === 'finished') return stop.unsent === 0 ? 'received' : 'finished';
  return stop.step === 'set off' || stop.step === 'arrived' ? 'planned' : 'under way';
}

/** The mark of one sheet of a stop. */
export function markForSheet({ stage, unsent, leftOut }: TrailSheet): MarkName {
  if (leftOut) return 'needs eyes';
  if (stage === 'returned' || stage === 'approved') return stage;
  if (stage === 'finished') return unsent === 0 ? 'received' : 'finished';
  return stage === 'under way' ? 'under way' : 'planned';
}

/** How far one sheet is, in words. */
export function sayProgress({ stage, answered, asked, unsent, leftOut }: TrailSheet): string {
  if (leftOut) return `left out: ${leftOut.reason}`;
  if (stage === 'untouched') return 'not begun';
  if (stage === 'under way') return `begun, ${answered} of ${asked}`;
  if (stage === 'finished') return unsent === 0 ? 'received' : `finished · ${unsent} kept here`;
  return stage === 'returned' ? 'returned' : 'approved';
}

/** The quiet line under a stop: where it stands, in words. */
export function standingWords(stop: TrailStop, timeZone: string): string {
  const { current, sheets, job, unsent, receivedAt } = stop;
  const { stage, answered, asked } = current;
  if (stop.returnedWith !== null) return 'returned to you';
  if (stop.turnedBackFor !== null) return `${job.title} · turned back`;
  if (stage === 'approved') return `${job.title} · approved`;
  if (stage === 'finished') {
    const received = receivedAt ? `received ${sayWhen(receivedAt, timeZone)}` : 'received';
    return unsent === 0 ? `${job.title} · ${received}` : `finished · ${unsent} kept here`;
  }
  if (sheets.length > 1) {
    const done = sheets.filter((sheet) => isDone(sheet)).length;
    return `${job.title} · ${done} of ${sheets.length} sheets`;
  }
  if (answered > 0) return `${job.title} · begun, ${answered} of ${asked}`;
  return job.title;
}

const isDone = ({ stage }: TrailSheet): boolean => stage === 'finished' || stage === 'approved';
