import { severityWord, type SheetState } from '@ant-trail/core/sheet';
import { QUIET, type Paper } from '../../../paper/paper.ts';
import type { ReportData } from '../data.ts';
import type { Say } from './say.ts';

/** What was found, and what is being done about it. */
export function writeFollowUp(paper: Paper, data: ReportData, state: SheetState, say: Say): void {
  const { actions } = data.dossier;
  if (state.findings.length === 0 && actions.length === 0) return;
  paper.need(140);
  paper.space(20);
  paper.trail();
  paper.text('Findings', paper.left, { face: 'bold', size: 15, tag: 'H2' });
  paper.space(6);
  for (const finding of state.findings) {
    paper.need(40);
    paper.diamond(paper.left + 5, paper.y + 7);
    paper.text(finding.words, paper.left + 18, { face: 'bold' });
    const proposed = finding.proposedAction ? `, proposed: ${finding.proposedAction}` : '';
    paper.text(`${severityWord(finding.severity)}${proposed}`, paper.left + 18, {
      size: 9.5,
      color: QUIET,
    });
    paper.space(5);
  }
  if (actions.length === 0) return;
  paper.need(90);
  paper.space(12);
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
