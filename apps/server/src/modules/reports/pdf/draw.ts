import { fold, planSheet } from '@ant-trail/core/sheet';
import { Paper } from '../../../paper/paper.ts';
import type { ReportData } from '../data.ts';
import { writeAnswers } from './answers.ts';
import { writeCover } from './cover.ts';
import { writeFollowUp } from './follow-up.ts';
import { writeReckoned } from './reckoned.ts';
import { Say } from './say.ts';

/** So much of a page must be left for the answers to begin on it. */
const ROOM_TO_BEGIN = 0.35;

/** Draws a report as an accessible PDF. Pure but for its fonts: the same data, the same pages. */
export async function drawReport(data: ReportData): Promise<Buffer> {
  const { dossier } = data;
  const state = fold(planSheet(dossier.version.body), dossier.entries);
  const say = new Say(data);
  const paper = new Paper(`${dossier.site.name}: ${dossier.job.title}`, data.organisation);
  const { findingsStand } = writeCover(paper, data, state, say);
  writeReckoned(paper, state, dossier.version.body.kit, data.photos);
  // A short sheet goes on below; a longer one begins on a page of its own.
  paper.need(paper.pageHeight * ROOM_TO_BEGIN);
  writeAnswers(paper, data, state, say);
  writeFollowUp(paper, data, state, say, findingsStand);
  paper.number(
    `${dossier.site.name} · ${dossier.job.title} · template version ${dossier.version.number}`,
  );
  return paper.end();
}
