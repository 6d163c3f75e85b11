import { timeOrderedId, type Entry } from '@ant-trail/core/log';
import {
  OpenSheet,
  planSheet,
  prepareForAny,
  problemsOf,
  type Question,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { Model } from 'survey-core';
import { FRAME_MS, medianMs, show } from './measure.ts';

await prepareForAny();

const SECTIONS = 20;
const QUESTIONS = 1_000;
const RULES = 300;

/** Which question a rule's question waits for: the one before its section, spread over the sheet. */
const readBy = (n: number): number => Math.floor(n / 50) * 50;
const hasRule = (n: number): boolean => n % 50 >= 50 - (RULES / QUESTIONS) * 50;
const keyOf = (n: number): string => `q${n}`;

const BODY: TemplateBody = {
  title: 'Large',
  sections: Array.from({ length: SECTIONS }, (_, s) => ({
    id: `s${s}`,
    title: `Section ${s}`,
    questions: Array.from({ length: QUESTIONS / SECTIONS }, (_, q): Question => {
      const n = (s * QUESTIONS) / SECTIONS + q;
      return {
        kind: 'number',
        key: keyOf(n),
        label: keyOf(n),
        unit: '1',
        required: true,
        ...(hasRule(n) ? { visibleWhen: `${keyOf(readBy(n))} > ${n % 7}` } : {}),
      };
    }),
  })),
};

const FORM = {
  pages: BODY.sections.map((section) => ({
    name: section.id,
    elements: section.questions.map(({ key, visibleWhen }) => ({
      type: 'text',
      inputType: 'number',
      name: key,
      isRequired: true,
      ...(visibleWhen ? { visibleIf: visibleWhen.replace(/^(q\d+)/, '{$1}') } : {}),
    })),
  })),
};

let turn = 0;
function answer(open: OpenSheet, path: string, value: number): Entry {
  const at = 1_700_000_000_000 + ++turn;
  return {
    id: timeOrderedId(at, crypto.getRandomValues(new Uint8Array(16))),
    sheet: 's',
    path,
    kind: 'answer',
    value,
    unit: '1',
    seen: open.headsOf(path),
    by: 'p',
    device: 'd',
    at: new Date(at).toISOString(),
    prev: null,
  };
}

/** Recomputing a sheet of 1,000 questions with 300 rules, beside a general form library. */
export async function benchRules(): Promise<void> {
  const plan = planSheet(BODY);
  const open = new OpenSheet(plan);
  const form = new Model(FORM);
  let n = 0;
  const ours = await medianMs(
    () => {
      n = (n + 50) % QUESTIONS;
      const path = keyOf(n);
      open.add([answer(open, path, (n + turn) % 9)]);
    },
    200,
    20,
  );
  let m = 0;
  const theirs = await medianMs(
    () => {
      m = (m + 50) % QUESTIONS;
      form.setValue(keyOf(m), (m + ++turn) % 9);
    },
    60,
    5,
  );
  show(
    'an answer that rules read, all recomputed',
    ours,
    `${(ours / FRAME_MS).toFixed(3)} of a frame`,
  );
  show('the same in survey-core', theirs, `${(theirs / ours).toFixed(0)} times as long`);
  const opening = await medianMs(() => new OpenSheet(plan), 15);
  const openingTheirs = await medianMs(() => new Model(FORM), 5, 1);
  show('opening that sheet', opening, '');
  show(
    'the same in survey-core',
    openingTheirs,
    `${(openingTheirs / opening).toFixed(0)} times as long`,
  );
  show('checking it for publishing', await medianMs(() => problemsOf(BODY), 9), '');
}
