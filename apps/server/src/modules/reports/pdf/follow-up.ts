import { severityWord, type SheetState } from '@ant-trail/core/sheet';
import { QUIET, type Paper } from '../../../paper/paper.ts';
import type { ReportData } from '../data.ts';
import type { Say } from './say.ts';

const SMALL = 9.5;

/** How high all findings are together. */
function heightOfFindings(paper: Paper, findings: SheetState['findings']): number {
  const width = paper.width - 18;
  return findings.reduce(
    (sum, finding) =>
      sum +
      paper.heightOf(finding.words, width, 10.5, 'bold') +
      paper.heightOf(sayWeight(finding), width, SMALL) +
      5,
    0,
  );
}

const sayWeight = ({ severity, proposedAction }: SheetState['findings'][number]): string =>
  `${severityWord(severity)}${proposedAction ? `, proposed: ${proposedAction}` : ''}`;

/** Whether the findings stand on the first page, where they are read first. */
export const fitsOnCover = (paper: Paper, { findings }: SheetState): boolean =>
  findings.length > 0 && heightOfFindings(paper, findings) < paper.room - 10;

export function writeFindings(paper: Paper, findings: SheetState['findings']): void {
  for (const finding of findings) {
    paper.need(40);
    paper.diamond(paper.left + 5, paper.y + 7);
    paper.text(finding.words, paper.left + 18, { face: 'bold' });
    paper.text(sayWeight(finding), paper.left + 18, { size: SMALL, color: QUIET });
    paper.space(5);
  }
}

/** What was found, unless it stands on the first page, and what is being done about it. */
export function writeFollowUp(
  paper: Paper,
  data: ReportData,
  state: SheetState,
  say: Say,
  findingsStand: boolean,
): void {
  const { actions } = data.dossier;
  const findings = findingsStand ? [] : state.findings;
  if (findings.length === 0 && actions.length === 0) return;
  paper.need(100);
  paper.space(20);
  paper.trail();
  if (findings.length > 0) {
    paper.text('Findings', paper.left, { face: 'bold', size: 15, tag: 'H2' });
    paper.space(6);
    writeFindings(paper, findings);
  }
  if (actions.length === 0) return;
  paper.need(80);
  paper.space(findings.length > 0 ? 12 : 0);
  paper.text('Corrective actions', paper.left, {
    face: 'bold',
    size: 15,
    tag: 'H2',
  });
  paper.space(6);
  for (const action of actions) {
    paper.need(46);
    paper.text(action.title, paper.left, { face: 'bold' });
    paper.text(
      `${action.state} · ${say.name(action.owner)} · due ${say.day(action.dueOn)} · ${severityWord(action.severity)}`,
      paper.left,
      { size: 9.5, color: QUIET },
    );
    if (action.details) paper.text(action.details);
    paper.space(6);
  }
}
