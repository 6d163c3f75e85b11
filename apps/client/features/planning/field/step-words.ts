import type { NextStep } from '@ant-trail/core/planning';
import type { MarkName } from '@/design/mark.tsx';
import { sayWhen } from '../wording.ts';
import type { TrailStop } from './trail.ts';

/** What the action bar says for each next step. */
export const STEP_WORDS: Record<NextStep, string> = {
  'set off': 'Set off',
  arrived: 'I have arrived',
  start: 'Start the sheet',
  'go on': 'Go on with the sheet',
  'look again': 'Look again',
  nothing: 'Open the sheet',
};

export function markFor(stop: TrailStop, isNext: boolean): MarkName {
  if (stop.returnedWith !== null) return 'returned';
  if (stop.sheet.stage === 'approved') return 'approved';
  if (stop.sheet.stage === 'finished') return stop.unsent === 0 ? 'received' : 'finished';
  if (isNext) return 'next';
  return stop.step === 'set off' || stop.step === 'arrived' ? 'planned' : 'under way';
}

/** The quiet line under a stop: where it stands, in words. */
export function standingWords(stop: TrailStop, timeZone: string): string {
  const { sheet, job, unsent, receivedAt } = stop;
  if (stop.returnedWith !== null) return 'returned to you';
  if (sheet.stage === 'approved') return `${job.title} · approved`;
  if (sheet.stage === 'finished') {
    const received = receivedAt ? `received ${sayWhen(receivedAt, timeZone)}` : 'received';
    return unsent === 0 ? `${job.title} · ${received}` : `finished · ${unsent} kept here`;
  }
  if (sheet.answered > 0) return `${job.title} · begun, ${sheet.answered} of ${sheet.asked}`;
  return job.title;
}
