import { createContext } from 'react';

/** The place that the questions answered here are about; null where there is none yet. */
export const AtPlace = createContext<string | null>(null);
