import { may } from '@ant-trail/core/accounts';
import {
  InvitationTaken,
  Me,
  SignInAnswer,
  type Invitation,
  type SignIn,
} from '@ant-trail/contract/accounts';
import { create } from 'zustand';
import { ask, askFor, onLapse, Refused, tell, Unreachable, type Lapse } from '@/device/api.ts';

const KEY = 'ant-trail.me';
/** Somebody left with no network: the office still has to be told. */
const OWED_KEY = 'ant-trail.sign-out-owed';

/** One of the organisations a person works for. */
export interface OwnOrganisation {
  readonly id: string;
  readonly name: string;
}

interface SessionState {
  /** Who is signed in, as this phone remembers: it must know that with no network too. */
  readonly me: Me | null;
  /** Why the office does not know this person any more; work goes on, sending waits for a sign-in. */
  readonly lapsed: Lapse | null;
  /** Signs in; gives the organisations to choose from where there are several. */
  readonly signIn: (input: SignIn) => Promise<readonly OwnOrganisation[]>;
  /** Goes on in another of one's branches. Throws where the office can't be reached. */
  readonly changeBranch: (branch: string) => Promise<void>;
  /** Signs out here at once; where there is no network the office hears it later. */
  readonly signOut: () => Promise<void>;
  /** Asks the office for what it knows of this person by now. */
  readonly refresh: () => Promise<void>;
}

function remembered(): Me | null {
  const stored = globalThis.localStorage?.getItem(KEY);
  if (!stored) return null;
  try {
    return Me.parse(JSON.parse(stored));
  } catch {
    // Whoever it was signs in again; what they recorded is in their own store.
    return null;
  }
}

/** Takes up an invitation: the password somebody chose is theirs from now on. Gives the address to sign in with. */
export const takeUpInvitation = (invitation: Invitation): Promise<InvitationTaken> =>
  ask(InvitationTaken, 'POST', '/api/invitations', invitation);

export const useSession = create<SessionState>((set, get) => {
  const remember = (me: Me | null): void => {
    if (me) localStorage.setItem(KEY, JSON.stringify(me));
    else localStorage.removeItem(KEY);
    set({ me, lapsed: null });
  };
  return {
    me: remembered(),
    lapsed: null,
    signIn: async (input) => {
      const answer = await ask(SignInAnswer, 'POST', '/api/sign-in', input);
      if ('choose' in answer) return answer.choose;
      localStorage.removeItem(OWED_KEY);
      remember(answer);
      return [];
    },
    changeBranch: async (branch) => remember(await ask(Me, 'PUT', '/api/me/branch', { branch })),
    signOut: async () => {
      // Another person's session is not this one's to end.
      if (get().lapsed !== 'someone else')
        try {
          await tell('POST', '/api/sign-out');
        } catch (error) {
          // Where the office knows this person no more, there is nothing left to end.
          if (error instanceof Unreachable) localStorage.setItem(OWED_KEY, 'yes');
          else if (!(error instanceof Refused && error.status === 401)) throw error;
        }
      remember(null);
    },
    refresh: async () => {
      try {
        const me = await ask(Me, 'GET', '/api/me');
        if (JSON.stringify(me) !== JSON.stringify(get().me)) remember(me);
      } catch {
        // Known as well as before; that a session has ended is told by itself.
      }
    },
  };
});

const askForMe = ({ me }: Pick<SessionState, 'me'>): void => askFor(me?.person.id ?? null);
askForMe(useSession.getState());
useSession.subscribe(askForMe);
onLapse((why) => useSession.setState({ lapsed: why }));

/** Ends at the office what was ended here with no network, as long as nobody has signed in since. */
async function endOwed(): Promise<void> {
  if (localStorage.getItem(OWED_KEY) === null || useSession.getState().me) return;
  try {
    await tell('POST', '/api/sign-out');
    localStorage.removeItem(OWED_KEY);
  } catch {
    // Still no network: the next time.
  }
}

/** Hears of who signs in or out in other windows of this browser: they all share one session. */
export function watchOtherWindows(): () => void {
  const heard = ({ key }: StorageEvent): void => {
    const { me } = useSession.getState();
    if (key !== KEY || !me) return;
    const now = remembered();
    if (!now) useSession.setState({ lapsed: 'ended' });
    else if (now.person.id === me.person.id) useSession.setState({ me: now, lapsed: null });
    else useSession.setState({ lapsed: 'someone else' });
  };
  const back = (): void => void endOwed();
  back();
  addEventListener('storage', heard);
  addEventListener('online', back);
  return () => {
    removeEventListener('storage', heard);
    removeEventListener('online', back);
  };
}

/** The person signed in; screens behind the sign-in use this. */
export function useMe(): Me {
  const me = useSession((state) => state.me);
  if (!me) throw new Error('nobody is signed in');
  return me;
}

/** Whether a person works at the desk or in the field first. */
export const worksAtDesk = (me: Me): boolean => may(me.person.roles, 'read');
