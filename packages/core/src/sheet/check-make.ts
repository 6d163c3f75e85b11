import { parsePath } from '../log/index.ts';
import { canConvert } from '../measure/index.ts';
import { problemWithAnswer, rulesOf } from './kinds/index.ts';
import type { Placed } from './planned.ts';
import type { Question, TemplateBody } from './template.ts';
import { problemWithUnit } from './unit-given.ts';

/** Tells of something wrong, with the key of the question it is about. */
export type Report = (question: string | null, message: string) => void;

type PlacedByKey = ReadonlyMap<string, Placed>;

/** Programmes may name only what is asked, each once. */
export function checkProgrammes(body: TemplateBody, placed: PlacedByKey, report: Report): void {
  const programmes = body.programmes ?? [];
  for (const { key, name, required, leftOut } of programmes) {
    if (programmes.filter((each) => each.key === key).length > 1)
      report(null, `The programme “${name}” stands twice.`);
    for (const named of [...required, ...leftOut])
      if (!placed.has(named))
        report(null, `The programme “${name}” names “${named}”, which is not asked.`);
    for (const named of required)
      if (leftOut.includes(named))
        report(named, `The programme “${name}” both requires and leaves out “${named}”.`);
  }
}

/** A variant may answer only what can be answered so. */
export function checkVariants(body: TemplateBody, placed: PlacedByKey, report: Report): void {
  for (const { name, answers } of body.variants ?? [])
    for (const { path, value, unit } of answers) {
      const parsed = parsePath(path);
      const of = parsed && placed.get(parsed.key);
      const wrong =
        !of ||
        (parsed.aspect === 'answer' &&
          (problemWithAnswer(of.question, value) ?? problemWithUnit(of.question, unit)) !== null);
      if (wrong)
        report(
          parsed?.key ?? null,
          `The variant “${name}” no longer fits “${of?.question.label ?? path}”.`,
        );
    }
}

/** What follows can depend only on an answer that is offered, outside rows. */
export function checkFollowUp(body: TemplateBody, placed: PlacedByKey, report: Report): void {
  const only = body.followUp?.only;
  if (!only) return;
  const of = placed.get(only.question);
  if (!of || of.groups.length > 0)
    return report(null, `What follows depends on “${only.question}”, which is not asked.`);
  const { question } = of;
  const offered = rulesOf(question).offers?.(question) ?? [];
  if (!offered.some(({ value }) => value === only.answer))
    report(
      question.key,
      `What follows depends on an answer that “${question.label}” does not offer.`,
    );
}

/** What a question of its kind needs to make sense. */
export function checkMake(question: Question, report: Report): void {
  const { key, label } = question;
  const lack = rulesOf(question).lacks?.(question) ?? null;
  if (lack) report(key, `“${label}” ${lack}.`);
  if (question.follows !== undefined && question.follows === key)
    report(key, `“${label}” can’t follow from itself.`);
  if ('expected' in question && question.expected) {
    const { low, high } = question.expected;
    if (low !== undefined && high !== undefined && low > high)
      report(key, `The expected range of “${label}” ends before it begins.`);
  }
  if ('alsoIn' in question)
    for (const unit of question.alsoIn ?? [])
      if (!canConvert(unit, question.unit))
        report(key, `“${label}” can't be entered in ${unit}: it measures something else.`);
}
