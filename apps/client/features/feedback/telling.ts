import { create } from 'zustand';
import type { TakenPicture } from '@/device/picture.ts';

interface Telling {
  /** Nothing; looking for the screen it is about; or writing, with its picture where one was taken. */
  readonly step: 'none' | 'looking' | 'writing';
  readonly picture: TakenPicture | null;
  readonly screen: string;
}

const NONE: Telling = { step: 'none', picture: null, screen: '' };

/** Somebody is about to tell the office something: they go to the screen it is about first. */
export const useTelling = create<Telling>(() => NONE);

export const beginTelling = (): void => useTelling.setState({ ...NONE, step: 'looking' });
export const stopTelling = (): void => useTelling.setState(NONE);
