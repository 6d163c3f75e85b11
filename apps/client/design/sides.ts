import { useMedia } from '@tamagui/core';

/** Whether the screen, a tablet's or a laptop's, has room for two things beside each other. */
export const useTwoSides = (): boolean => useMedia().twoSides;

/** Whether there is room for a third. */
export const useThreeSides = (): boolean => useMedia().threeSides;
