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
  type QuestionState,
  type SheetState,
} from '@ant-trail/core/sheet';
import { CLAY, CLAY_GROUND, INK, QUIET, type Paper } from '../../../paper/paper.ts';
import type { ReportData } from '../data.ts';
import type { Say } from './say.ts';
import { drawShapes, drawSketch } from './sketch.ts';

const PHOTO_HEIGHT = 150;
const GAP = 14;

/** Every section with what was asked and answered; what was not asked is not in the report. */
export function writeAnswers(paper: Paper, data: ReportData, state: SheetState, say: Say): void {
  for (const section of state.sections) {
    const stops = [...walk(section.questions, [])].filter(
      ({ state }) => state.required || isSaid(state),
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
  const height = Math.max(labelHeight + noteHeight, paper.heightOf(said, answerWidth)) + 10;
  if (height > paper.pageHeight / 2) {
    writeLong(paper, label, quiet, said);
    placeEvidence(paper, data, state, say);
    return;
  }
  paper.need(height + 4);

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
  paper.y = top + height;
  paper.rule();
  placeEvidence(paper, data, state, say);
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

/** The signature, sketch and photos that belong to an answer, below it. */
function placeEvidence(paper: Paper, data: ReportData, state: QuestionState, say: Say): void {
  const { question, answer } = state;
  if ((isSignature(answer?.value) || isHold(answer?.value)) && answer.value.strokes.length > 0)
    drawSignature(paper, answer.value);
  if (isSketch(answer?.value) && question.kind === 'sketch')
    drawSketch(
      paper,
      answer.value,
      question.symbols ?? [],
      question.label,
      data.photos[answer.value.under?.sha256 ?? ''],
    );
  if (state.photos.length > 0) placePhotos(paper, data, state, say);
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

function drawSignature(paper: Paper, signature: SignatureValue | HoldValue): void {
  const width = 190;
  const deepest = Math.max(...signature.strokes.flat().map(([, y]) => y), 0.2);
  const height = Math.min(90, deepest * width + 10);
  paper.need(height + 24);
  const top = paper.y + 8;
  paper.figure(`Signature of ${signature.name}`, () => {
    paper.document.lineWidth(1.4).strokeColor(INK).lineCap('round').lineJoin('round');
    for (const stroke of signature.strokes) {
      stroke.forEach(([x, y], index) => {
        const [px, py] = [paper.left + x * width, top + y * width];
        if (index === 0) paper.document.moveTo(px, py);
        else paper.document.lineTo(px, py);
      });
      paper.document.stroke();
    }
  });
  paper.y = top + height + 8;
  paper.rule();
}

/** What was drawn over a photo, light under dark, so that it stands out from any ground. */
function drawMarks(paper: Paper, photo: PhotoValue, x: number, y: number, room: number): void {
  const { marks, width: w, height: h } = photo;
  if (!marks) return;
  const width = Math.min(room, (PHOTO_HEIGHT * w) / h);
  drawShapes(paper, marks, [], { x, y, width, ink: '#FFFCF5', line: 14 });
  drawShapes(paper, marks, [], { x, y, width, ink: CLAY, line: 8 });
}

function placePhotos(paper: Paper, data: ReportData, state: QuestionState, say: Say): void {
  const width = (paper.width - GAP) / 2;
  for (let i = 0; i < state.photos.length; i += 2) {
    const row = state.photos.slice(i, i + 2);
    const captions = row.map(
      (photo) =>
        `${(photo.value.comment || 'Photo').replace(/\.$/, '')}, ${say.time(photo.value.takenAt)}`,
    );
    const captionHeight = Math.max(...captions.map((words) => paper.heightOf(words, width, 9)));
    paper.need(PHOTO_HEIGHT + captionHeight + 22);
    const top = paper.y + 8;
    row.forEach((photo, column) => {
      const x = paper.left + column * (width + GAP);
      const bytes = data.photos[photo.value.sha256];
      const caption = captions[column] ?? '';
      if (bytes)
        paper.figure(photo.value.comment || `Photo: ${state.question.label}`, () => {
          paper.document.image(Buffer.from(bytes), x, top, {
            fit: [width, PHOTO_HEIGHT],
          });
          drawMarks(paper, photo.value, x, top, width);
        });
      else
        paper.beside('This photo has not arrived yet.', x, top + PHOTO_HEIGHT / 2, {
          width,
          color: QUIET,
        });
      paper.beside(caption, x, top + PHOTO_HEIGHT + 4, {
        width,
        size: 9,
        color: QUIET,
        tag: 'Caption',
      });
    });
    paper.y = top + PHOTO_HEIGHT + captionHeight + 12;
  }
  paper.rule();
}
