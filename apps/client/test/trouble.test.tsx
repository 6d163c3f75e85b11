import { TamaguiProvider } from '@tamagui/core';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { config } from '@/design/tamagui.config.ts';
import { TroubleBoundary } from '@/design/trouble-boundary.tsx';
import { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';

afterEach(cleanup);

let fails = true;
function Counting({ store }: { store: LocalStore }) {
  const count = useLive(
    () => (fails ? Promise.reject(new Error('broken row')) : store.entries.count()),
    [store],
  );
  return <p>{count === undefined ? 'looking' : `${count} kept`}</p>;
}

test('a store that can’t be read is no empty one: it is said, and can be tried again', async () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  render(
    <TamaguiProvider config={config} defaultTheme="light" disableInjectCSS>
      <TroubleBoundary comfort="What you recorded is kept on this phone.">
        <Counting store={new LocalStore('trouble', ON_PHONE)} />
      </TroubleBoundary>
    </TamaguiProvider>,
  );
  expect(await screen.findByRole('alert')).toBeTruthy();
  expect(screen.getByText('What you recorded is kept on this phone.')).toBeTruthy();
  fails = false;
  await act(() => userEvent.click(screen.getByRole('button', { name: 'Try again' })));
  expect(await screen.findByText('0 kept')).toBeTruthy();
  quiet.mockRestore();
});
