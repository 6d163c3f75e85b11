import { createContext, useContext } from 'react';
import type { useOffice } from './office.ts';

const Here = createContext<typeof useOffice | null>(null);

/** Given by the desk to parts of it that are loaded by themselves. */
export const OfficeHere = Here.Provider;

/**
 * Asks the office as the desk does, for a part that is loaded by itself. Such a part must not name what
 * the desk asks by: whatever two loaded pieces share goes into the one that the field loads, too.
 */
export const useOfficeHere: typeof useOffice = (schema, path, about) => {
  const useDesk = useContext(Here);
  if (!useDesk) throw new Error('there is no desk around this');
  return useDesk(schema, path, about);
};
