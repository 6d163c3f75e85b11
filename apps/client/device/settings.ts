import { knownSettings, type Settings } from '@ant-trail/contract/accounts';
import { create } from 'zustand';

const KEY = 'ant-trail.settings';

const AT_FIRST: Settings = {
  ...{ theme: 'as the phone', units: 'SI', goingOn: 'by itself', letters: 'usual' },
  ...{ hand: 'right', singleKeys: 'on', photosOver: 'any network' },
};

interface SettingsState {
  readonly values: Settings;
  /** What was changed here and the office does not know yet. */
  readonly unsent: Partial<Settings>;
  /** Whose they are; null before anybody signed in here. */
  readonly whose: string | null;
  readonly change: (part: Partial<Settings>) => void;
  /** The office knows of these by now. */
  readonly sent: (part: Partial<Settings>) => void;
  /**
   * As the office keeps them for whoever is signed in; what they changed here since stands above it,
   * and what somebody else left unsent is not theirs.
   */
  readonly take: (kept: Record<string, string>, person: string) => void;
}

type Kept = Pick<SettingsState, 'values' | 'unsent' | 'whose'>;

function remembered(): Kept {
  try {
    const kept = JSON.parse(globalThis.localStorage?.getItem(KEY) ?? '{}') as {
      values?: Record<string, string>;
      unsent?: Record<string, string>;
      whose?: string;
    };
    return {
      values: { ...AT_FIRST, ...knownSettings(kept.values ?? {}) },
      unsent: knownSettings(kept.unsent ?? {}),
      whose: kept.whose ?? null,
    };
  } catch {
    return { values: AT_FIRST, unsent: {}, whose: null };
  }
}

/** How the person at this phone wants it: kept here, and at the office for their other phones. */
export const useSettings = create<SettingsState>((set, get) => {
  const keep = (next: Kept): void => {
    globalThis.localStorage?.setItem(KEY, JSON.stringify(next));
    set(next);
  };
  return {
    ...remembered(),
    change: (part) =>
      keep({
        values: { ...get().values, ...part },
        unsent: { ...get().unsent, ...part },
        whose: get().whose,
      }),
    sent: (part) => {
      const { values, unsent, whose } = get();
      const left = Object.entries(unsent).filter(
        ([key, value]) => part[key as keyof Settings] !== value,
      );
      keep({ values, unsent: Object.fromEntries(left), whose });
    },
    take: (kept, person) => {
      const { whose } = get();
      const unsent = whose === null || whose === person ? get().unsent : {};
      keep({
        values: { ...AT_FIRST, ...knownSettings(kept), ...unsent },
        ...{ unsent, whose: person },
      });
    },
  };
});

export const setting = <Key extends keyof Settings>(key: Key): Settings[Key] =>
  useSettings.getState().values[key];

/** One of the settings, as it is now. */
export const useSetting = <Key extends keyof Settings>(key: Key): Settings[Key] =>
  useSettings(({ values }) => values[key]);
