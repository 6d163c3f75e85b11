import { createContext } from 'react';

/** Pages of errors make room for a tab bar; there is none. */
export const BottomTabBarHeightContext = createContext(undefined);
