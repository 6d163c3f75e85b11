import { consentsIn, fold, planSheet } from '@ant-trail/core/sheet';
import { Paper, QUIET } from '../../../paper/paper.ts';
import type { ReportData } from '../data.ts';
import { Say } from './say.ts';
import { drawSignature, signatureHeight } from './signature.ts';

/** Draws one consent as a paper of its own: what was read, for what, who signed it and when. */
export async function drawConsent(data: ReportData): Promise<Buffer> {
  const { dossier } = data;
  const { site, job, version } = dossier;
  const state = fold(planSheet(version.body), dossier.entries);
  const consent = consentsIn(state).find(({ path }) => path === data.consent);
  if (!consent) throw new Error('nothing was consented to there');
  const { label, words, signature, entry } = consent;
  const say = new Say(data);
  const paper = new Paper(`${label}: ${site.name}`, data.organisation);
  paper.text(data.organisation, paper.left, { face: 'bold', size: 12 });
  paper.space(28);
  paper.text(label, paper.left, { face: 'bold', size: 24, tag: 'H1' });
  paper.text([site.name, site.address].filter(Boolean).join(', '), paper.left, { size: 13 });
  paper.text(job.title, paper.left, { size: 13, color: QUIET });
  paper.space(14);
  paper.trail();
  paper.space(10);
  for (const paragraph of words.split(/\n+/)) {
    paper.text(paragraph, paper.left, { size: 12 });
    paper.space(7);
  }
  const height = signatureHeight(signature);
  paper.need(height + 70);
  paper.space(16);
  if (!('typed' in signature)) {
    drawSignature(paper, signature, paper.left, paper.y);
    paper.space(height);
  }
  paper.rule();
  paper.text(signature.name, paper.left, { face: 'bold', size: 12 });
  paper.text(
    [
      'typed' in signature ? 'Signed by typing the name' : 'Signed',
      say.moment(entry.at),
      `before ${say.name(entry.by)}`,
    ].join(', '),
    paper.left,
    { color: QUIET },
  );
  paper.number(`${site.name} · ${label} · template version ${version.number}`);
  return paper.end();
}
