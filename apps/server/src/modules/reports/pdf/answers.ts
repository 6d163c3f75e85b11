import type { HoldValue, PhotoValue, SignatureValue } from '@ant-trail/core/log';
import { sayRange, writeUnit } from '@ant-trail/core/measure';
import {
  isHold,
  isReading,
  isSaid,
  isSignature,
  isSketch,
  sayState,
  textOf,
  walk,
  type Photo,
  type QuestionState,
  type SheetState,
} from '@ant-trail/core/sheet';
import { CLAY, CLAY_GROUND, INK, QUIET, type Paper } from '../../../paper/paper.ts';
import { REPORT_PARTS } from '../../trades/report-parts.ts';
import type { ReportData } from '../data.ts';
import type { Say } from './say.ts';
import { drawSignature, signatureHeight } from './signature.ts';
import { drawShapes } from '../../../paper/shapes.ts';
import { drawSketch } from './sketch.ts';

/** Three beside each other: large enough to see what is meant, and few pages. */
const PHOTO_HEIGHT = 125;
const PHOTOS_IN_ROW = 3;
const GAP = 12;
/** A line below a photo, and the space around it. */
const CAPTION = 40;

/** Every section with what was asked and answered; what was not asked is not in the report. */
export function writeAnswers(paper: Paper, data: ReportData, state: SheetState, say: Say): void {
  const { kit } = data.dossier.version.body;
  const drawn = REPORT_PARTS.find((part) => part.kit === kit)?.draws ?? [];
  for (const section of state.sections) {
    const stops = [...walk(section.questions, [])].filter(
      ({ state }) => (state.required || isSaid(state)) && !standsElsewhere(state, drawn),
    );
    if (stops.length === 0) continue;
    paper.need(90);
    paper.space(16);
    paper.text(section.section.title, paper.left, {
      face: 'bold',
      size: 15,
      tag: 'H2',
    });
    paper.space(6);
    for (const { state, rows } of stops) writeQuestion(paper, data, state, [...rows], say);
  }
}

/** Whether the kit’s part has all that is to be said of it: no photo, no word, nothing amiss or corrected. */
function standsElsewhere(
  { path, photos, files, reason, alert, messages, history, findings }: QuestionState,
  drawn: readonly string[],
): boolean {
  if (!drawn.some((group) => path === group || path.startsWith(`${group}/`))) return false;
  const isPlain = photos.length + files.length + messages.length === 0 && !reason && !alert;
  const isFound = findings.some(({ key, severity }) => key === path && severity >= 2);
  return isPlain && !isFound && !history.some(({ kind }) => kind === 'correct');
}

function writeQuestion(
  paper: Paper,
  data: ReportData,
  state: QuestionState,
  rows: readonly string[],
  say: Say,
): void {
  const { question } = state;
  const label = [...rows, question.label].join(' · ');
  const answerX = paper.left + paper.width * 0.56;
  const answerWidth = paper.width * 0.44;
  const said = question.kind === 'photo' ? '' : sayState(state, (day) => say.day(day));
  const quiet = notesOn(state, say);
  const labelHeight = paper.heightOf(label, paper.width * 0.53);
  const noteHeight = quiet ? paper.heightOf(quiet, paper.width * 0.53, 9) : 0;
  const saidHeight = paper.heightOf(said, answerWidth);
  const signed = drawnSignature(state);
  const signedHeight = signed ? signatureHeight(signed) : 0;
  // One photo alone stands under the answer, beside its question.
  const [only] = state.photos.length === 1 ? state.photos : [];
  const onlyHeight = only ? photoHeight(paper, only, answerWidth, say) + 4 : 0;
  const below = saidHeight + signedHeight;
  const height = Math.max(labelHeight + noteHeight, below + onlyHeight) + 10;
  if (height > paper.pageHeight / 2) {
    writeLong(paper, label, quiet, said);
    if (signed) {
      paper.need(signedHeight + 8);
      drawSignature(paper, signed, paper.left, paper.y);
      paper.space(signedHeight + 8);
    }
    placeEvidence(paper, data, state, say, false);
    return;
  }
  // A photo stands with its question, not at the head of the next page.
  const evidence = state.photos.length > 1 ? PHOTO_HEIGHT + CAPTION : 0;
  paper.need(height + 4 + evidence);

  const top = paper.y;
  const stands =
    state.alert !== null || (question.kind !== 'rows' && (state.findings[0]?.severity ?? 0) >= 2);
  if (stands)
    paper.ornament(() => {
      paper.document.rect(paper.left - 6, top - 1, paper.width + 12, height).fill(CLAY_GROUND);
    });
  paper.beside(label, paper.left, top + 4, {
    width: paper.width * 0.53,
  });
  if (quiet)
    paper.beside(quiet, paper.left, top + 4 + labelHeight, {
      width: paper.width * 0.53,
      size: 9,
      color: QUIET,
    });
  if (stands) paper.diamond(answerX - 9, top + 10);
  paper.beside(said, answerX, top + 4, {
    width: answerWidth,
    face: isReading(question) ? 'mono' : 'bold',
    color: stands ? CLAY : INK,
  });
  if (signed) drawSignature(paper, signed, answerX, top + 4 + saidHeight);
  if (only)
    placePhoto(paper, data, state, only, say, {
      ...{ x: answerX, top: top + 6 + below, width: answerWidth },
    });
  paper.y = top + height;
  paper.rule();
  placeEvidence(paper, data, state, say, only !== undefined);
}

/** What is too long to stand side by side stands below one another, over as many pages as it takes. */
function writeLong(paper: Paper, label: string, quiet: string, said: string): void {
  paper.space(4);
  paper.text(label);
  if (quiet) paper.text(quiet, paper.left, { size: 9, color: QUIET });
  paper.space(4);
  paper.text(said, paper.left + 12, { face: 'bold' });
  paper.space(6);
  paper.rule();
}

/** The sketch and photos that belong to an answer, below it. */
function placeEvidence(
  paper: Paper,
  data: ReportData,
  state: QuestionState,
  say: Say,
  photoIsPlaced: boolean,
): void {
  const { question, answer } = state;
  if (isSketch(answer?.value) && question.kind === 'sketch')
    drawSketch(paper, answer.value, question.symbols ?? [], question.label, data.photos);
  if (state.photos.length > 0 && !photoIsPlaced) placePhotos(paper, data, state, say);
}

/** The small words under a label: limit, verdict, reason, and what was corrected by whom. */
function notesOn(state: QuestionState, say: Say): string {
  const { question, alert, expected, reason } = state;
  const notes: string[] = [];
  if (isReading(question) && expected)
    notes.push(`expected ${sayRange(expected, writeUnit(question.unit))}`);
  if (alert) notes.push(alert.words);
  if (reason) notes.push(`“${textOf(reason.value)}”`);
  for (const message of state.messages) notes.push(message.words);
  for (const entry of state.history)
    if (entry.kind === 'correct')
      notes.push(`corrected by ${say.name(entry.by)}: ${entry.reason ?? ''}`);
  if (state.answer?.entry.kind === 'prepare')
    notes.push(`filled in beforehand by ${say.name(state.answer.entry.by)}`);
  return notes.join(' · ');
}

/** What was signed by hand; null where nobody signed, or the name was typed. */
function drawnSignature({ answer }: QuestionState): SignatureValue | HoldValue | null {
  const value = answer?.value;
  const isDrawn = isSignature(value) || isHold(value);
  return isDrawn && value.strokes.length > 0 ? value : null;
}

/** What was drawn over a photo, light under dark, so that it stands out from any ground. */
function drawMarks(paper: Paper, photo: PhotoValue, x: number, y: number, room: number): void {
  const { marks, width: w, height: h } = photo;
  if (!marks) return;
  const width = Math.min(room, (PHOTO_HEIGHT * w) / h);
  drawShapes(paper, marks, [], { x, y, width, ink: '#FFFCF5', line: 14 });
  drawShapes(paper, marks, [], { x, y, width, ink: CLAY, line: 8 });
}

/** Photos in rows below their question; one alone stands beside it already. */
function placePhotos(paper: Paper, data: ReportData, state: QuestionState, say: Say): void {
  const width = (paper.width - GAP * (PHOTOS_IN_ROW - 1)) / PHOTOS_IN_ROW;
  for (let i = 0; i < state.photos.length; i += PHOTOS_IN_ROW) {
    const row = state.photos.slice(i, i + PHOTOS_IN_ROW);
    const height = Math.max(...row.map((photo) => photoHeight(paper, photo, width, say)));
    paper.need(height + 18);
    const top = paper.y + 8;
    row.forEach((photo, column) =>
      placePhoto(paper, data, state, photo, say, {
        ...{ x: paper.left + column * (width + GAP), top, width },
      }),
    );
    paper.y = top + height + 8;
  }
  paper.rule();
}

interface Spot {
  readonly x: number;
  readonly top: number;
  readonly width: number;
}

const captionOf = ({ value }: Photo, say: Say): string =>
  `${(value.comment || 'Photo').replace(/\.$/, '')}, ${say.time(value.takenAt)}`;

/** With the words below it. */
const photoHeight = (paper: Paper, photo: Photo, width: number, say: Say): number =>
  PHOTO_HEIGHT + 4 + paper.heightOf(captionOf(photo, say), width, 9);

function placePhoto(
  paper: Paper,
  data: ReportData,
  { question }: QuestionState,
  photo: Photo,
  say: Say,
  { x, top, width }: Spot,
): void {
  const bytes = data.photos[photo.value.sha256];
  if (bytes)
    paper.figure(photo.value.comment || `Photo: ${question.label}`, () => {
      paper.document.image(Buffer.from(bytes), x, top, { fit: [width, PHOTO_HEIGHT] });
      drawMarks(paper, photo.value, x, top, width);
    });
  else
    paper.beside('This photo has not arrived yet.', x, top + PHOTO_HEIGHT / 2, {
      ...{ width, color: QUIET },
    });
  paper.beside(captionOf(photo, say), x, top + PHOTO_HEIGHT + 4, {
    ...{ width, size: 9, color: QUIET, tag: 'Caption' as const },
  });
}
