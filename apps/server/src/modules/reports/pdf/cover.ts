import type { DocumentThen } from '@ant-trail/contract/documents';
import { sayFact } from '@ant-trail/core/fields';
import {
  everyQuestion,
  sayMinutes,
  sayPath,
  sayScore,
  timeInSheet,
  type SheetState,
} from '@ant-trail/core/sheet';
import { CLAY, INK, QUIET, SUN, type Paper } from '../../../paper/paper.ts';
import type { ReportData } from '../data.ts';
import { fitsOnCover, writeFindings } from './follow-up.ts';
import type { Say } from './say.ts';
import { drawSignature, signatureHeight } from './signature.ts';

const PICTURE_HEIGHT = 250;

/**
 * The first page: what, where, who with which credentials, when, under which template, and what was
 * found as far as there is room for all of it.
 */
export function writeCover(
  paper: Paper,
  data: ReportData,
  state: SheetState,
  say: Say,
): { readonly findingsStand: boolean } {
  const { dossier } = data;
  paper.ornament(() => {
    const { document } = paper;
    for (let i = 0; i < 3; i++) document.circle(paper.left + 4 + i * 11, 60, 3).fill(INK);
    document
      .moveTo(paper.left + 34, 54)
      .lineTo(paper.left + 42, 60)
      .lineTo(paper.left + 34, 66)
      .lineWidth(3)
      .strokeColor(SUN)
      .stroke();
  });
  paper.y = 52;
  paper.text(data.organisation, paper.left + 54, { face: 'bold', size: 12 });
  paper.space(44);
  paper.text(dossier.site.name, paper.left, {
    face: 'bold',
    size: 27,
    tag: 'H1',
  });
  paper.text(dossier.job.title, paper.left, {
    size: 17,
    color: QUIET,
    tag: 'P',
  });
  paper.space(14);
  coverPicture(paper, data, state);
  paper.trail();
  paper.space(8);

  const finish = dossier.entries.filter((entry) => entry.kind === 'finish').at(-1);
  const approval = dossier.entries.filter((entry) => entry.kind === 'approve').at(-1);
  const doer = say.person(finish?.by ?? dossier.visit.person);
  const credentials = (doer?.credentials ?? [])
    .map((c) => `${c.kind} ${c.number}, ${c.issuer}, valid to ${say.day(c.expiresOn)}`)
    .join('; ');
  const arrived = dossier.visit.events.find((event) => event.kind === 'arrived');
  const ownEntries = dossier.entries.filter((entry) => entry.by === doer?.id);
  const lines: [string, string][] = [
    ['Where', [dossier.site.address, dossier.site.client].filter(Boolean).join(' · ')],
    ['Done by', [doer?.name ?? 'nobody yet', credentials].filter(Boolean).join('\n')],
    ['Arrived', arrived ? say.moment(arrived.at) : 'not recorded'],
    ['Finished', finish ? say.moment(finish.at) : 'not finished yet'],
    ['Approved', approval ? `${say.moment(approval.at)}, ${say.name(approval.by)}` : 'not yet'],
    ['Version', sayRevision(data, say)],
    ['Time', sayMinutes(timeInSheet(ownEntries.map((entry) => entry.at)))],
    ['Result', state.score ? sayScore(state.score) : ''],
    ['Asked', dossier.job.instructions || dossier.version.body.title],
    ['Documents', dossier.documents.map((each) => sayDocument(each, say)).join('\n')],
    ...data.known.map(({ field, facts }): [string, string] => [
      field.label,
      sayFact(field, facts, (day) => say.day(day)),
    ]),
    [
      'Template',
      `${dossier.version.body.title}, version ${dossier.version.number} of ${say.day(dossier.version.publishedAt.slice(0, 10))}`,
    ],
  ];
  for (const [label, words] of lines) {
    if (!words) continue;
    const y = paper.y;
    const height = Math.max(
      paper.beside(label, paper.left, y, { width: 90, color: QUIET }),
      paper.beside(words, paper.left + 96, y, { width: paper.width - 96 }),
    );
    paper.y = y + height + 6;
  }
  signedOnSite(paper, data, say);
  paper.space(8);
  const count = state.findings.length;
  const stand = fitsOnCover(paper, state);
  const words =
    count === 0
      ? 'Nothing was found that is not as it should be.'
      : `${count} ${count === 1 ? 'finding' : 'findings'}${stand ? '' : ', see the end of this report'}`;
  paper.text(words, paper.left, {
    face: 'bold',
    size: 12,
    color: count > 0 ? CLAY : INK,
    ...(stand ? { tag: 'H2' as const } : {}),
  });
  if (stand) {
    paper.space(6);
    writeFindings(paper, state.findings);
  }
  return { findingsStand: stand };
}

/** That it takes the place of a report that went out before, and what is otherwise in it. */
function sayRevision({ dossier: { version }, revision }: ReportData, say: Say): string {
  if (!revision) return '';
  const { number, instead, changed } = revision;
  const what = [...new Set(changed.map((path) => sayPath(version.body, path)))];
  return [
    `${number}, in place of the one of ${say.moment(instead.at)}`,
    what.length === 0 ? '' : `Changed since: ${what.join(', ')}`,
  ]
    .filter(Boolean)
    .join('\n');
}

/** Who signed at the place for the work, by hand or by name; or why the office does without. */
function signedOnSite(paper: Paper, { dossier }: ReportData, say: Say): void {
  const { asked = false, waived = null, signed = null } = dossier.job.signing ?? {};
  if (!asked && !signed) return;
  const words = signed
    ? [signed.signature.name, signed.role, say.moment(signed.at)].filter(Boolean).join(', ')
    : waived
      ? `by nobody: ${waived.reason}`
      : 'not yet';
  const y = paper.y;
  const height = Math.max(
    paper.beside('Signed on site', paper.left, y, { width: 90, color: QUIET }),
    paper.beside(words, paper.left + 96, y, { width: paper.width - 96 }),
  );
  paper.y = y + height + 6;
  if (!signed || 'typed' in signed.signature) return;
  const top = paper.y;
  drawSignature(paper, signed.signature, paper.left + 96, top);
  paper.y = top + signatureHeight(signed.signature);
}

/** As “Pump manual, version 2 of 3 May 2031”. */
const sayDocument = ({ name, version }: DocumentThen, say: Say): string =>
  `${name}, version ${version.number} of ${say.day(version.at.slice(0, 10))}`;

function coverPicture(paper: Paper, data: ReportData, state: SheetState): void {
  const photos = [...everyQuestion(state)]
    .flatMap((stop) => stop.state.photos)
    .filter((photo) => data.photos[photo.value.sha256]);
  const first = photos.find((photo) => photo.path === state.cover) ?? photos[0];
  const bytes = first && data.photos[first.value.sha256];
  if (!first || !bytes) return;
  const top = paper.y;
  paper.figure(first.value.comment || 'Photo from the visit', () => {
    paper.document.save();
    paper.document.roundedRect(paper.left, top, paper.width, PICTURE_HEIGHT, 12).clip();
    paper.document.image(Buffer.from(bytes), paper.left, top, {
      cover: [paper.width, PICTURE_HEIGHT],
      align: 'center',
      valign: 'center',
    });
    paper.document.restore();
  });
  paper.y = top + PICTURE_HEIGHT + 18;
}
