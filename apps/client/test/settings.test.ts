import type { Me } from '@ant-trail/contract/accounts';
import { waitFor } from '@testing-library/react';
import { setting, useSettings } from '@/device/settings.ts';
import { mayCarryMuch } from '@/device/network.ts';
import { keepSettings } from '@/features/accounts/keep-settings.ts';
import { useSession } from '@/features/accounts/session.ts';
import { COLLEAGUE, ME, signIn } from './support/sheet.tsx';

let sent: unknown[];
let network: boolean;
let stop: () => void;

beforeEach(() => {
  signIn();
  sent = [];
  network = true;
  useSettings.setState({ unsent: {}, whose: null });
  useSettings.getState().take({}, ME);
  globalThis.fetch = ((path: string, init?: { body?: string }) => {
    if (!network) return Promise.reject(new TypeError('no network'));
    if (path !== '/api/me/settings') return Promise.reject(new TypeError(path));
    sent.push(JSON.parse(init?.body ?? '{}'));
    return Promise.resolve({
      ...{ ok: true, status: 200, headers: new Headers() },
      json: () => Promise.resolve(useSession.getState().me),
    });
  }) as never;
  stop = keepSettings();
});
afterEach(() => stop());

const me = (): Me => {
  const known = useSession.getState().me;
  if (!known) throw new Error('nobody is signed in');
  return known;
};
const officeSays = (settings: Record<string, string>): void =>
  useSession.setState({ me: { ...me(), settings } });

test('what is changed here is told to the office, and known after a new start', async () => {
  useSettings.getState().change({ hand: 'left' });
  await waitFor(() => expect(sent).toEqual([{ hand: 'left' }]), { timeout: 3_000 });
  await waitFor(() => expect(useSettings.getState().unsent).toEqual({}));
  expect(JSON.parse(localStorage.getItem('ant-trail.settings') ?? '')).toMatchObject({
    values: { hand: 'left' },
    unsent: {},
  });
});

test('with no network it waits, stands above what the office says, and goes out later', async () => {
  network = false;
  useSettings.getState().change({ letters: 'large' });
  officeSays({ letters: 'largest', hand: 'left' });
  expect([setting('letters'), setting('hand')]).toEqual(['large', 'left']);
  network = true;
  dispatchEvent(new Event('online'));
  await waitFor(() => expect(sent).toEqual([{ letters: 'large' }]), { timeout: 3_000 });
});

test('another person has theirs, and not what the one before left unsent', async () => {
  network = false;
  useSettings.getState().change({ theme: 'dark' });
  const { person } = me();
  const signedIn = me();
  useSession.setState({ me: null });
  useSession.setState({
    me: { ...signedIn, person: { ...person, id: COLLEAGUE }, settings: { units: 'US' } },
  });
  expect([setting('theme'), setting('units')]).toEqual(['as the phone', 'US']);
  network = true;
  dispatchEvent(new Event('online'));
  await new Promise((resolve) => setTimeout(resolve, 1_200));
  expect(sent).toEqual([]);
});

test('a setting or value this version does not know changes nothing', () => {
  officeSays({ hand: 'third', smell: 'strong', units: 'US' });
  expect([setting('hand'), setting('units')]).toEqual(['right', 'US']);
});

test('over Wi-Fi alone photos wait only where the phone says that it is none', () => {
  const over = (type?: string): void => {
    Object.defineProperty(navigator, 'connection', { value: { type }, configurable: true });
  };
  over('cellular');
  expect(mayCarryMuch()).toBe(true);
  useSettings.getState().change({ photosOver: 'Wi-Fi alone' });
  expect(mayCarryMuch()).toBe(false);
  over('wifi');
  expect(mayCarryMuch()).toBe(true);
  over();
  expect(mayCarryMuch()).toBe(true);
});
