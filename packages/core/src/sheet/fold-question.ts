import {
  differingHeads,
  EMPTY_PATH_LOG,
  parsePath,
  type Entry,
  type PathLog,
} from '../log/index.ts';
import { isPhoto } from './answer.ts';
import { alertOf, findingOf, isAmiss, severityOf } from './judge.ts';
import type { Answer, LooseEnd, Missing, Photo, QuestionState } from './state.ts';
import type { Question } from './template.ts';

/** The logs of one question: its answer, its reason, and each of its photos. */
export interface QuestionLogs {
  readonly answer: PathLog;
  readonly reason: PathLog;
  readonly photos: ReadonlyMap<string, PathLog>;
}

export const EMPTY_QUESTION_LOGS: QuestionLogs = {
  answer: EMPTY_PATH_LOG,
  reason: EMPTY_PATH_LOG,
  photos: new Map(),
};

/** What stands on a path: the newest of its heads, whatever else they say. */
function standing(log: PathLog): Answer | null {
  const entry = log.heads.at(-1);
  if (!entry || entry.kind === 'clear' || entry.value === null) return null;
  return {
    value: entry.value,
    ...(entry.unit === undefined ? {} : { unit: entry.unit }),
    entry,
  };
}

export const standingAnswer = (logs: QuestionLogs): Answer | null => standing(logs.answer);

function standingPhotos(logs: QuestionLogs): Photo[] {
  const photos: Photo[] = [];
  for (const [path, log] of [...logs.photos].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const found = standing(log);
    const id = parsePath(path)?.photo;
    if (found && id && isPhoto(found.value))
      photos.push({ id, path, value: found.value, entry: found.entry });
  }
  return photos;
}

const MISSING_WORDS: Record<Missing, string> = {
  answer: 'no answer yet',
  reason: 'say why',
  photo: 'a photo is wanted',
};

/** Computes one question from its logs. Pure: the same logs give the same state. */
export function foldQuestion(
  question: Question,
  section: string,
  visible: boolean,
  logs: QuestionLogs,
): QuestionState {
  const answer = standing(logs.answer);
  const reason = standing(logs.reason);
  const photos = standingPhotos(logs);
  const alert = alertOf(question, answer);
  const severity = severityOf(question, answer, alert);
  const amiss = isAmiss(question, answer, severity);
  const asksReason = amiss && question.whenAmiss?.reason === true;
  const asksPhoto = amiss && question.whenAmiss?.photo === true;

  const missing: Missing[] = [];
  if (visible) {
    if (question.kind === 'photo') {
      if (question.required && photos.length === 0) missing.push('photo');
    } else if (question.required && !answer) missing.push('answer');
    if (asksReason && !reason) missing.push('reason');
    if (asksPhoto && photos.length === 0) missing.push('photo');
  }
  const looseEnds: LooseEnd[] = missing.map((what) => ({
    key: question.key,
    section,
    missing: what,
    words: `${question.label}: ${MISSING_WORDS[what]}`,
  }));
  const differing = differingHeads(logs.answer);

  return {
    question,
    section,
    visible,
    answer,
    reason,
    photos,
    alert: visible ? alert : null,
    finding: visible ? findingOf(question, answer, alert, severity) : null,
    looseEnds,
    asksReason,
    asksPhoto,
    disagreement: differing.length > 1 ? differing : [],
    history: historyOf(logs),
  };
}

function historyOf(logs: QuestionLogs): readonly Entry[] {
  if (logs.reason.entries.length === 0 && logs.photos.size === 0) return logs.answer.entries;
  return [
    ...logs.answer.entries,
    ...logs.reason.entries,
    ...[...logs.photos.values()].flatMap((log) => log.entries),
  ].sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Whether a question counts as answered in progress: a photo question by its photos. */
export const isAnswered = (state: QuestionState): boolean =>
  state.question.kind === 'photo' ? state.photos.length > 0 : state.answer !== null;
