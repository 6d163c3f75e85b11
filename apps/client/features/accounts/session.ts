import { may } from '@ant-trail/core/accounts';
import {
  InvitationTaken,
  Me,
  SignInAnswer,
  type Invitation,
  type SignIn,
} from '@ant-trail/contract/accounts';
import { create } from 'zustand';
import { ask, Refused, tell } from '@/device/api.ts';

const KEY = 'ant-trail.me';

/** One of the organisations a person works for. */
export interface OwnOrganisation {
  readonly id: string;
  readonly name: string;
}

interface SessionState {
  /** Who is signed in, as this phone remembers: it must know that with no network too. */
  readonly me: Me | null;
  /** The office no longer knows the session; work goes on, sending waits for a sign-in. */
  readonly lapsed: boolean;
  /** Signs in; gives the organisations to choose from where there are several. */
  readonly signIn: (input: SignIn) => Promise<readonly OwnOrganisation[]>;
  readonly signOut: () => Promise<void>;
  readonly refresh: () => Promise<void>;
  readonly lapse: () => void;
}

function remembered(): Me | null {
  const stored = globalThis.localStorage?.getItem(KEY);
  if (!stored) return null;
  const read = Me.safeParse(JSON.parse(stored));
  return read.success ? read.data : null;
}

/** Takes up an invitation: the password somebody chose is theirs from now on. Gives the address to sign in with. */
export const takeUpInvitation = (invitation: Invitation): Promise<InvitationTaken> =>
  ask(InvitationTaken, 'POST', '/api/invitations', invitation);

export const useSession = create<SessionState>((set) => {
  const remember = (me: Me | null): void => {
    if (me) localStorage.setItem(KEY, JSON.stringify(me));
    else localStorage.removeItem(KEY);
    set({ me, lapsed: false });
  };
  return {
    me: remembered(),
    lapsed: false,
    signIn: async (input) => {
      const answer = await ask(SignInAnswer, 'POST', '/api/sign-in', input);
      if ('choose' in answer) return answer.choose;
      remember(answer);
      return [];
    },
    signOut: async () => {
      await tell('POST', '/api/sign-out');
      remember(null);
    },
    refresh: async () => {
      try {
        remember(await ask(Me, 'GET', '/api/me'));
      } catch (error) {
        if (error instanceof Refused && error.status === 401) set({ lapsed: true });
      }
    },
    lapse: () => set({ lapsed: true }),
  };
});

/** The person signed in; screens behind the sign-in use this. */
export function useMe(): Me {
  const me = useSession((state) => state.me);
  if (!me) throw new Error('nobody is signed in');
  return me;
}

/** Whether a person works at the desk or in the field first. */
export const worksAtDesk = (me: Me): boolean => may(me.person.roles, 'read');
