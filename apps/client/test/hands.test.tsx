import { TamaguiProvider } from '@tamagui/core';
import { act, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState, type FormEvent, type ReactNode } from 'react';
import { ActionBar } from '@/design/action-bar.tsx';
import { Button } from '@/design/button.tsx';
import { Lines, Segments } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { useShortcut } from '@/design/use-shortcut.ts';
import { DesignProvider } from '@/design/provider.tsx';
import { config } from '@/design/tamagui.config.ts';
import { useSettings } from '@/device/settings.ts';
import {
  giveApproval,
  sendApproval,
  takeApprovalBack,
  TAKE_BACK_MS,
  useApproving,
} from '@/features/review/desk/approving.ts';

const user = userEvent.setup();
const show = (children: ReactNode) =>
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      {children}
    </TamaguiProvider>,
  );
const wait = (ms: number) => act(() => new Promise((done) => setTimeout(done, ms)));
const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));

beforeAll(() => {
  // jsdom knows dialogs, and not how to show them.
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function () {
    this.open = false;
  };
});

describe('one press, one act', () => {
  test('a double tap acts once; a press after a pause acts again', async () => {
    const acted = jest.fn();
    show(<Button onPress={acted}>Open it</Button>);
    press('Open it');
    press('Open it');
    expect(acted).toHaveBeenCalledTimes(1);
    await wait(400);
    press('Open it');
    expect(acted).toHaveBeenCalledTimes(2);
  });

  test('in a form it is no sending of the form as well', () => {
    const [acted, sent] = [jest.fn(), jest.fn((event: FormEvent) => event.preventDefault())];
    show(
      <form onSubmit={sent}>
        <Button onPress={acted}>Sign in</Button>
      </form>,
    );
    press('Sign in');
    expect([acted.mock.calls.length, sent.mock.calls.length]).toEqual([1, 0]);
  });

  test('while what was begun goes on nothing is begun again, also where it fails', async () => {
    let fail: (error: Error) => void = () => undefined;
    const acted = jest.fn(
      () =>
        new Promise<void>((_resolve, reject) => {
          fail = reject;
        }),
    );
    show(<Button onPress={() => acted().catch(() => undefined)}>Make the job</Button>);
    press('Make the job');
    await wait(500);
    press('Make the job');
    expect(acted).toHaveBeenCalledTimes(1);
    fail(new Error('no network'));
    await wait(400);
    press('Make the job');
    expect(acted).toHaveBeenCalledTimes(2);
  });

  test('the second tap of two does not take the next step in the place of the first', async () => {
    const steps: string[] = [];
    function Steps() {
      const [next, setNext] = useState('Set off');
      return (
        <ActionBar
          words={next}
          onPress={() => {
            steps.push(next);
            setNext(next === 'Set off' ? 'I have arrived' : 'Start the sheet');
          }}
        />
      );
    }
    show(<Steps />);
    press('Set off');
    await wait(250);
    press('I have arrived');
    expect(steps).toEqual(['Set off']);
    await wait(500);
    press('I have arrived');
    expect(steps).toEqual(['Set off', 'I have arrived']);
  });

  test.each([
    ['side by side', false],
    ['under each other, several of them', true],
  ])('a double tap on an answer %s gives it once', (_where, several) => {
    const chose = jest.fn();
    const Part = several ? Lines : Segments;
    show(
      <Part
        {...(several ? { several } : {})}
        label="Sound?"
        options={[{ value: 'yes', label: 'Yes' }]}
        chosen={[]}
        onPress={chose}
      />,
    );
    const answer = screen.getByRole(several ? 'checkbox' : 'radio');
    fireEvent.click(answer);
    fireEvent.click(answer);
    expect(chose).toHaveBeenCalledTimes(1);
  });
});

test('answers of which one is chosen have one stop of the Tab key, and arrows go among them', async () => {
  const options = ['a', 'b', 'c'].map((value) => ({ value, label: value.toUpperCase() }));
  const chose = jest.fn();
  show(
    <>
      <Lines label="Which?" options={options} chosen={['b']} onPress={chose} />
      <Button onPress={() => undefined}>After</Button>
    </>,
  );
  await user.tab();
  expect(document.activeElement?.textContent).toContain('B');
  await user.keyboard('{ArrowDown}');
  expect(document.activeElement?.textContent).toContain('C');
  await user.keyboard('{ArrowRight}');
  expect(document.activeElement?.textContent).toContain('A');
  expect(chose).not.toHaveBeenCalled();
  await user.keyboard(' ');
  expect(chose).toHaveBeenCalledWith('a');
  await user.tab();
  expect(document.activeElement?.textContent).toBe('After');
});

describe('single keys', () => {
  const acted = jest.fn();
  function Page({ open }: { open: boolean }) {
    useShortcut('a', acted);
    return (
      <>
        <Input label="Word" value="" onChange={() => undefined} />
        {open ? <Dialog title="In front" onClose={() => undefined} children={null} /> : null}
      </>
    );
  }
  beforeEach(() => {
    acted.mockClear();
    useSettings.getState().change({ singleKeys: 'on' });
  });

  test('act once however long they are held', () => {
    show(<Page open={false} />);
    fireEvent.keyDown(document.body, { key: 'a', code: 'KeyA' });
    fireEvent.keyDown(document.body, { key: 'a', code: 'KeyA', repeat: true });
    expect(acted).toHaveBeenCalledTimes(1);
  });

  test('rest behind an open dialog, wherever the focus is', () => {
    show(<Page open />);
    fireEvent.keyDown(document.body, { key: 'a', code: 'KeyA' });
    expect(acted).not.toHaveBeenCalled();
  });

  test('rest while something is typed', () => {
    show(<Page open={false} />);
    fireEvent.keyDown(screen.getByRole('textbox'), { key: 'a', code: 'KeyA' });
    expect(acted).not.toHaveBeenCalled();
  });

  test.each(['altKey', 'ctrlKey', 'metaKey'])('leave the keys with %s alone', (modifier) => {
    show(<Page open={false} />);
    fireEvent.keyDown(document.body, { key: 'a', code: 'KeyA', [modifier]: true });
    expect(acted).not.toHaveBeenCalled();
  });

  test('do nothing once they are turned off', () => {
    useSettings.getState().change({ singleKeys: 'off' });
    show(<Page open={false} />);
    fireEvent.keyDown(document.body, { key: 'a', code: 'KeyA' });
    expect(acted).not.toHaveBeenCalled();
  });
});

describe('a dialog', () => {
  function Opened({ onClose }: { onClose: () => void }) {
    const [text, setText] = useState('');
    return (
      <Dialog title="In front" onClose={onClose}>
        <Input label="Word" value={text} onChange={setText} />
      </Dialog>
    );
  }
  const escape = (): void =>
    void fireEvent(screen.getByRole('dialog'), new Event('cancel', { cancelable: true }));

  test('in which nothing was written closes at once', () => {
    const closed = jest.fn();
    show(<Opened onClose={closed} />);
    escape();
    expect(closed).toHaveBeenCalledTimes(1);
  });

  test('asks before what was written in it is thrown away', async () => {
    const closed = jest.fn();
    show(<Opened onClose={closed} />);
    await user.type(screen.getByRole('textbox'), 'half a thought');
    escape();
    expect(closed).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toMatch(/not kept yet/);
    press('Go on writing');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('half a thought');
    press('Close');
    press('Leave it');
    expect(closed).toHaveBeenCalledTimes(1);
  });
});

test('the second of two taps that closed a dialog does not press what lies behind it', async () => {
  const behind = jest.fn();
  function Page() {
    const [open, setOpen] = useState(true);
    return (
      <>
        <Button onPress={behind}>Behind</Button>
        {open ? (
          <Dialog title="In front" onClose={() => setOpen(false)}>
            <Button onPress={() => setOpen(false)}>Keep</Button>
          </Dialog>
        ) : null}
      </>
    );
  }
  show(<Page />);
  const here = { clientX: 100, clientY: 300, detail: 1 };
  const keep = screen.getByRole('button', { name: 'Keep' });
  fireEvent.click(keep, here);
  const button = screen.getByRole('button', { name: 'Behind' });
  fireEvent.click(button, { ...here, clientX: 110, detail: 2 });
  expect(behind).not.toHaveBeenCalled();
  // Pressed somewhere else, or by a key, it is meant.
  fireEvent.click(button, { ...here, clientY: 500 });
  expect(behind).toHaveBeenCalledTimes(1);
  await wait(400);
  fireEvent.click(button, here);
  expect(behind).toHaveBeenCalledTimes(2);
});

test('who has written something since a dialog closed is not tapping twice', () => {
  const behind = jest.fn();
  function Page() {
    const [open, setOpen] = useState(true);
    return (
      <>
        <Input label="Word" value="" onChange={() => undefined} />
        <Button onPress={behind}>Behind</Button>
        {open ? (
          <Dialog title="In front" onClose={() => setOpen(false)}>
            <Button onPress={() => setOpen(false)}>Keep</Button>
          </Dialog>
        ) : null}
      </>
    );
  }
  show(<Page />);
  const here = { clientX: 100, clientY: 300, detail: 1 };
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }), here);
  fireEvent.input(screen.getByRole('textbox'), { target: { value: 'word' } });
  fireEvent.click(screen.getByRole('button', { name: 'Behind' }), here);
  expect(behind).toHaveBeenCalledTimes(1);
});

test('the theme changes colours, and nothing that was written', async () => {
  function Form() {
    const [text, setText] = useState('');
    return <Input label="Word" value={text} onChange={setText} />;
  }
  render(
    <DesignProvider>
      <Form />
    </DesignProvider>,
  );
  await user.type(screen.getByRole('textbox'), 'half a job');
  for (const choice of ['dark', 'sunlight', 'light'] as const) {
    act(() => useSettings.getState().change({ theme: choice }));
    expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('half a job');
    expect(document.querySelector(`.t_${choice}`)).not.toBeNull();
  }
});

describe('an approval', () => {
  const sent: string[] = [];
  const given = (sheet: string) => ({
    ...{ sheet, name: `Place ${sheet}`, onSent: () => undefined },
    draft: {
      ...{ sheet, path: '~stage', kind: 'approve' as const, value: null, seen: [] },
      by: '22222222-2222-4222-8222-222222222222',
    },
  });
  beforeEach(() => {
    jest.useFakeTimers();
    sent.length = 0;
    globalThis.fetch = ((_path: string, init: { body: string }) => {
      const { operations } = JSON.parse(init.body) as {
        operations: { body: { id: string; sheet: string } }[];
      };
      sent.push(...operations.map(({ body }) => body.sheet));
      const receipts = operations.map(({ body }) => ({
        ...{ id: body.id, at: '2031-04-05T08:00:00Z' },
        ...(body.sheet === 's9'
          ? { outcome: 'refused', reason: 'It moved on.' }
          : { outcome: 'received' }),
      }));
      return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve({ receipts }) });
    }) as never;
  });
  afterEach(() => jest.useRealTimers());

  test('goes out after a moment, and never once it was taken back', async () => {
    giveApproval(given('s1'));
    await jest.advanceTimersByTimeAsync(TAKE_BACK_MS - 100);
    expect(sent).toEqual([]);
    takeApprovalBack();
    await jest.advanceTimersByTimeAsync(TAKE_BACK_MS * 2);
    expect(sent).toEqual([]);
    giveApproval(given('s2'));
    await jest.advanceTimersByTimeAsync(TAKE_BACK_MS + 100);
    expect(sent).toEqual(['s2']);
  });

  test('sends the one before it at once, and itself when the page is left; each once', async () => {
    giveApproval(given('s1'));
    giveApproval(given('s2'));
    await jest.advanceTimersByTimeAsync(0);
    expect(sent).toEqual(['s1']);
    dispatchEvent(new Event('pagehide'));
    await sendApproval();
    await jest.advanceTimersByTimeAsync(TAKE_BACK_MS * 2);
    expect(sent).toEqual(['s1', 's2']);
  });

  test('refused by the office, it says so with the name of what it was about', async () => {
    giveApproval(given('s9'));
    await jest.advanceTimersByTimeAsync(TAKE_BACK_MS + 100);
    expect(useApproving.getState().refused?.words).toBe('Place s9: It moved on.');
  });
});
