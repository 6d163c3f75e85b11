import { create } from 'zustand';
import type { ThemeName } from './palettes.ts';

export type ThemeChoice = ThemeName | 'as the phone';
const KEY = 'ant-trail.theme';

interface ThemeState {
  readonly choice: ThemeChoice;
  readonly choose: (choice: ThemeChoice) => void;
}

const CHOICES: readonly ThemeChoice[] = ['as the phone', 'light', 'dark', 'sunlight'];

function remembered(): ThemeChoice {
  const stored = globalThis.localStorage?.getItem(KEY);
  return CHOICES.find((choice) => choice === stored) ?? 'as the phone';
}

export const useThemeChoice = create<ThemeState>((set) => ({
  choice: remembered(),
  choose: (choice) => {
    globalThis.localStorage?.setItem(KEY, choice);
    set({ choice });
  },
}));
