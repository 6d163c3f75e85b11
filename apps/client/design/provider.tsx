import { TamaguiProvider, Theme } from '@tamagui/core';
import { useEffect, useSyncExternalStore, type ReactNode } from 'react';
import { PALETTES, type ThemeName } from './palettes.ts';
import { config } from './tamagui.config.ts';
import { useSetting } from '@/device/settings.ts';

const darkQuery = (): MediaQueryList | null =>
  typeof matchMedia === 'function' ? matchMedia('(prefers-color-scheme: dark)') : null;

function usePrefersDark(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const query = darkQuery();
      query?.addEventListener('change', changed);
      return () => query?.removeEventListener('change', changed);
    },
    () => darkQuery()?.matches ?? false,
    () => false,
  );
}

export function useThemeName(): ThemeName {
  const choice = useSetting('theme');
  const prefersDark = usePrefersDark();
  return choice === 'as the phone' ? (prefersDark ? 'dark' : 'light') : choice;
}

/** Of the size set in the browser. */
const LETTERS = { usual: '', large: '115%', largest: '135%' } as const;

/** Theme and type for everything below. */
export function DesignProvider({ children }: { children: ReactNode }) {
  const theme = useThemeName();
  useEffect(() => {
    document.body.style.background = PALETTES[theme].paper;
    document
      .querySelector('meta[name=theme-color]')
      ?.setAttribute('content', PALETTES[theme].paper);
  }, [theme]);
  const letters = useSetting('letters');
  const hand = useSetting('hand');
  useEffect(() => {
    document.documentElement.style.fontSize = LETTERS[letters];
    document.documentElement.dataset['hand'] = hand;
  }, [letters, hand]);
  return (
    <TamaguiProvider config={config} defaultTheme="light">
      {/* The evening comes in the middle of a form: it changes colours, and nothing else. */}
      <Theme name={theme} forceClassName>
        {children}
      </Theme>
    </TamaguiProvider>
  );
}
