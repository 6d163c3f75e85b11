import type { FollowUp, Question, TemplateBody } from '@ant-trail/core/sheet';
import { TamaguiProvider } from '@tamagui/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { config } from '@/design/tamagui.config.ts';
import { OnlyFields } from '@/features/templates/desk/only-fields.tsx';

afterEach(cleanup);

const RULE: FollowUp = {
  ...{ days: 7, title: '', template: null, when: 'always', person: 'the same' },
};
const ask = (kind: string, key: string, label: string, more: object = {}): Question =>
  ({ kind, key, label, required: false, ...more }) as unknown as Question;
const WORD = ask('choice', 'word', 'The household', {
  options: [
    { key: 'accepts', label: 'Accepts' },
    { key: 'thinks', label: 'Thinks' },
  ],
});

/** Shows the fields for a rule; gives what became of it last. */
function show(questions: readonly Question[], rule: FollowUp) {
  const changed: TemplateBody[] = [];
  const body: TemplateBody = {
    ...{ title: 'T', followUp: rule },
    sections: [{ id: 's', title: 'S', questions }],
  };
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <OnlyFields body={body} rule={rule} onChange={(next) => changed.push(next)} />
    </TamaguiProvider>,
  );
  return () => changed.at(-1)?.followUp;
}

test('what follows may depend on an answer of a question that offers a few, and on nothing again', () => {
  const last = show([ask('text', 'note', 'Note'), WORD], RULE);
  const by = screen.getByRole('combobox', { name: 'Only by the answer to' });
  expect([...by.querySelectorAll('option')].map((each) => each.textContent)).toEqual([
    ...['whatever was answered', 'The household'],
  ]);
  expect(screen.queryByRole('combobox', { name: 'Where it is' })).toBeNull();
  fireEvent.change(by, { target: { value: 'word' } });
  expect(last()).toEqual({ ...RULE, only: { question: 'word', answer: 'accepts' } });
  cleanup();
  const chosen = show([WORD], { ...RULE, only: { question: 'word', answer: 'accepts' } });
  fireEvent.change(screen.getByRole('combobox', { name: 'Where it is' }), {
    target: { value: 'thinks' },
  });
  expect(chosen()?.only).toEqual({ question: 'word', answer: 'thinks' });
  fireEvent.change(screen.getByRole('combobox', { name: 'Only by the answer to' }), {
    target: { value: '' },
  });
  expect(chosen()).toEqual(RULE);
});

test('where nothing can be chosen it is not asked, unless a rule still names what is gone', () => {
  show([ask('text', 'note', 'Note')], RULE);
  expect(screen.queryByRole('combobox')).toBeNull();
  cleanup();
  const last = show([ask('text', 'note', 'Note')], {
    ...RULE,
    only: { question: 'gone', answer: 'yes' },
  });
  fireEvent.change(screen.getByRole('combobox', { name: 'Only by the answer to' }), {
    target: { value: '' },
  });
  expect(last()).toEqual(RULE);
});
