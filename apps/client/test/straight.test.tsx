import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { TamaguiProvider } from '@tamagui/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { FormTime } from '@/design/form-fields.tsx';
import { config } from '@/design/tamagui.config.ts';
import { TimeField } from '@/design/when.tsx';
import { LocalStore } from '@/device/local-store.ts';
import { useStoreGone } from '@/device/store-gone.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';
import { onwardFrom } from '@/features/capture/field/straight-through.ts';
import { sayKept } from '@/features/sync/field/sending-said.tsx';
import { showSheet } from './support/sheet.tsx';

afterEach(cleanup);

const yesNo = (key: string, more: object = {}): Question =>
  ({ kind: 'yesNo', key, label: `${key}?`, required: true, ...more }) as unknown as Question;

const BODY: TemplateBody = {
  title: 'Check',
  sections: [
    {
      id: 'one',
      title: 'One',
      questions: [
        yesNo('first', { whenAmiss: { reason: true, severity: 2 } }),
        yesNo('hidden', { visibleWhen: 'first == "no"' }),
        {
          ...{ kind: 'calculated', key: 'sum', label: 'Sum', unit: '1', required: false },
          formula: '1.0 + 1.0',
        },
        yesNo('second'),
      ],
    },
    { id: 'two', title: 'Two', questions: [yesNo('third'), yesNo('last', { required: false })] },
  ],
} as unknown as TemplateBody;

describe('where somebody goes who answers straight through', () => {
  test('to the next question that is asked, then to the next section, then to the end', async () => {
    const { session, settled } = await showSheet(BODY);
    const say = async (path: string, value: string): Promise<void> => {
      await act(async () => void (await session.write(path, 'answer', value)));
      await settled();
    };
    const from = (path: string) => onwardFrom(session.state.getState(), path);
    expect(from('nothing of this name')).toBeNull();
    // What must be answered and is not holds whoever wants to go on.
    expect(from('first')).toBeNull();
    await say('first', 'yes');
    // What is calculated asks nobody anything.
    expect(from('first')).toEqual({ to: 'question', path: 'second' });
    await say('second', 'yes');
    expect(from('second')).toEqual({ to: 'section', section: 'two' });
    // Back again to mend something: the page stays.
    expect(from('first')).toBeNull();
    await say('third', 'yes');
    expect(from('third')).toEqual({ to: 'question', path: 'last' });
    expect(from('second')).toBeNull();
    // What may stay open lets whoever presses Enter on.
    expect(from('last')).toEqual({ to: 'the end' });
    await say('last', 'yes');
    expect(from('last')).toEqual({ to: 'the end' });
  });

  test('nowhere, where the answer asks for a word first', async () => {
    const { session, settled } = await showSheet(BODY);
    await act(async () => void (await session.write('first', 'answer', 'no')));
    await settled();
    expect(onwardFrom(session.state.getState(), 'first')).toBeNull();
  });
});

describe('a time of day', () => {
  const user = userEvent.setup();
  const given: string[] = [];
  function Asked() {
    const [value, setValue] = useState('');
    return (
      <TamaguiProvider config={config} defaultTheme="light" disableInjectCSS>
        <TimeField
          label="Start"
          value={value}
          onChange={(to) => {
            given.push(to);
            setValue(to);
          }}
        />
      </TamaguiProvider>
    );
  }

  test('is written as one likes and shown in one form; what is none stays to be mended', async () => {
    render(<Asked />);
    const field = screen.getByLabelText<HTMLInputElement>('Start');
    await user.type(field, '7.5');
    await user.tab();
    expect(screen.getByRole('alert').textContent).toMatch(/Write a time/);
    expect(field.value).toBe('7.5');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    await user.clear(field);
    await user.type(field, '745{Enter}');
    expect(field.value).toBe('07:45');
    await user.clear(field);
    await user.type(field, '7:45 pm');
    await user.tab();
    expect(field.value).toBe('19:45');
    await user.clear(field);
    await user.tab();
    expect(field.value).toBe('');
    // What could not be read was not taken for the time before.
    expect([...new Set(given)]).toEqual(['7.5', '07:45', '19:45', '']);
    // A whole time is one at once, also where nobody leaves the field.
    fireEvent.change(field, { target: { value: '05:30' } });
    expect(given.at(-1)).toBe('05:30');
  });
});

test('a form with a time that is none is not sent, neither with the one before nor without any', async () => {
  const user = userEvent.setup();
  const sent: unknown[] = [];
  const Asked = z.object({ start: z.int(), until: z.int().nullable() });
  function Form() {
    const { control, handleSubmit } = useForm<z.infer<typeof Asked>>({
      resolver: zodResolver(Asked),
      defaultValues: { start: 465, until: null },
    });
    return (
      <TamaguiProvider config={config} defaultTheme="light" disableInjectCSS>
        <FormTime {...{ control, name: 'start', label: 'Start' }} />
        <FormTime {...{ control, name: 'until', label: 'Until' }} />
        <button type="button" onClick={() => void handleSubmit((draft) => sent.push(draft))()}>
          Send
        </button>
      </TamaguiProvider>
    );
  }
  render(<Form />);
  const send = () => user.click(screen.getByRole('button', { name: 'Send' }));
  const write = async (label: string, words: string): Promise<void> => {
    await user.clear(screen.getByLabelText(label));
    if (words) await user.type(screen.getByLabelText(label), words);
  };
  await write('Start', '7:75');
  await send();
  await screen.findByRole('alert');
  await write('Start', '8');
  await write('Until', 'noon');
  await send();
  expect(sent).toEqual([]);
  await write('Until', '');
  await send();
  await waitFor(() => expect(sent).toEqual([{ start: 480, until: null }]));
  await write('Until', '12.30');
  await send();
  await waitFor(() => expect(sent.at(-1)).toEqual({ start: 480, until: 750 }));
});

test('what the office has is said in few words, the worst first', () => {
  expect(sayKept(0, 0, 'idle')).toBe('All is sent.');
  expect(sayKept(3, 0, 'sending')).toBe('Sending.');
  expect(sayKept(3, 0, 'no network')).toMatch(/no network/);
  expect(sayKept(3, 1, 'no network')).toMatch(/refused/);
  expect(sayKept(0, 0, 'sign in')).toMatch(/sign in/);
});

test('a store that is deleted under the open page is known to be gone', async () => {
  const store = new LocalStore('gone', ON_PHONE);
  await store.open();
  indexedDB.deleteDatabase('ant-trail-gone');
  await waitFor(() => expect(useStoreGone.getState().gone).toBe(true));
  act(() => useStoreGone.setState({ gone: false }));
});
