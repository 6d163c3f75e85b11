import { createContext, useContext, useEffect, useMemo, type ReactNode } from 'react';
import { storeFor, type LocalStore } from '@/device/local-store.ts';
import { askToKeep } from '@/device/storage.ts';
import { useMe } from '@/features/accounts/session.ts';
import { SyncEngine } from './engine.ts';

export interface Phone {
  readonly store: LocalStore;
  readonly engine: SyncEngine;
}

const PhoneContext = createContext<Phone | null>(null);

/** Opens this person's store and keeps it in step while the field face is open. */
export function PhoneProvider({ children }: { children: ReactNode }) {
  const { person } = useMe();
  const phone = useMemo<Phone>(() => {
    const store = storeFor(person.id);
    return { store, engine: new SyncEngine(store) };
  }, [person.id]);
  useEffect(() => {
    void askToKeep();
    phone.engine.start();
    return () => phone.engine.stop();
  }, [phone]);
  return <PhoneContext.Provider value={phone}>{children}</PhoneContext.Provider>;
}

export function usePhone(): Phone {
  const phone = useContext(PhoneContext);
  if (!phone) throw new Error('used outside the field face');
  return phone;
}
