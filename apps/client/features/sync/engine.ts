import { create } from 'zustand';
import { Refused, Unreachable } from '@/device/api.ts';
import { officeTime } from '@/device/clock.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { mayCarryMuch } from '@/device/network.ts';
import { useSession } from '@/features/accounts/session.ts';
import { keepInHand } from './in-hand.ts';
import { makeRoom } from './make-room.ts';
import { sendPhotos } from './photos.ts';
import { pullAll } from './pull.ts';
import { pushAll } from './push.ts';

export type SyncState = 'idle' | 'sending' | 'no network' | 'office away' | 'sign in' | 'failed';

interface SyncStatus {
  readonly state: SyncState;
  readonly spaceIsLow: boolean;
  /** The browser may clear what is kept here when it wants the space. */
  readonly mayBeCleared: boolean;
  /** An exchange failed since the application was opened. */
  readonly interrupted: boolean;
}

export const useSync = create<SyncStatus>(() => ({
  state: 'idle',
  spaceIsLow: false,
  mayBeCleared: false,
  interrupted: false,
}));

const EVERY_MS = 20_000;
const SOON_MS = 400;
const LONGEST_PAUSE_MS = 60_000;
/** Trying with no network costs next to nothing, and browsers do not always say when it is back. */
const NO_NETWORK_MS = 8_000;

/** Keeps phone and office in step, by itself: soon after each change, when the network is back, and now and then. */
export class SyncEngine {
  private running: Promise<void> | null = null;
  private again = false;
  private failures = 0;
  private timer: { readonly at: number; readonly id: ReturnType<typeof setTimeout> } | null = null;
  private stopped = false;
  private deaf: () => void = () => undefined;

  constructor(private readonly store: LocalStore) {}

  start(): void {
    addEventListener('online', this.soon);
    document.addEventListener('visibilitychange', this.soon);
    this.deaf = useSession.subscribe(({ lapsed }, before) => {
      if (before.lapsed && !lapsed) void this.now();
    });
    void this.now();
  }

  stop(): void {
    this.stopped = true;
    this.deaf();
    removeEventListener('online', this.soon);
    document.removeEventListener('visibilitychange', this.soon);
    if (this.timer) clearTimeout(this.timer.id);
  }

  /** Called after every change on the phone. */
  readonly soon = (): void => this.schedule(SOON_MS);

  /** One whole exchange; a call during another makes that one go round once more. */
  now(): Promise<void> {
    if (this.running) {
      this.again = true;
      return this.running;
    }
    this.running = this.round().finally(() => {
      this.running = null;
      if (this.stopped) return;
      if (this.again) {
        this.again = false;
        this.schedule(0);
      } else this.schedule(this.pause());
    });
    return this.running;
  }

  private pause(): number {
    if (useSync.getState().state === 'no network') return NO_NETWORK_MS;
    return Math.min(EVERY_MS * 2 ** Math.min(this.failures, 2), LONGEST_PAUSE_MS);
  }

  private schedule(after: number): void {
    if (this.stopped) return;
    const at = Date.now() + after;
    // What was said in the last moments of an exchange must not wait for the next regular one.
    if (this.timer && this.timer.at <= at) return;
    if (this.timer) clearTimeout(this.timer.id);
    const id = setTimeout(() => {
      this.timer = null;
      void this.now();
    }, after);
    this.timer = { at, id };
  }

  /** A stage that fails for a reason of its own does not hold up the ones after it. */
  private async round(): Promise<void> {
    useSync.setState({ state: 'sending' });
    let state: SyncState = 'idle';
    for (const stage of STAGES) {
      try {
        await stage(this.store);
      } catch (error) {
        if (state === 'idle') state = stateFor(error);
        if (state !== 'failed') break;
      }
    }
    this.failures = state === 'idle' ? 0 : this.failures + 1;
    useSync.setState(state === 'idle' ? { state } : { state, interrupted: true });
  }
}

const STAGES: readonly ((store: LocalStore) => Promise<void>)[] = [
  keepInHand,
  async (store) => useSync.setState({ spaceIsLow: await makeRoom(store) }),
  pushAll,
  pullAll,
  async (store) => {
    for (const part of store.parts)
      await part.clearAway?.(store, officeTime().toISOString().slice(0, 10));
  },
  async (store) => {
    if (!mayCarryMuch()) return;
    await sendPhotos(store);
    for (const part of store.parts) await part.fetchBehind?.(store);
  },
];

function stateFor(error: unknown): SyncState {
  if (error instanceof Refused && error.status === 401) return 'sign in';
  return error instanceof Unreachable ? error.why : 'failed';
}
