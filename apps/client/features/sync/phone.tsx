import { createContext, useContext, useEffect, useMemo, type ReactNode } from 'react';
import { storeFor, type LocalStore, type OnPhone } from '@/device/local-store.ts';
import { askToKeep } from '@/device/storage.ts';
import { useStoreGone } from '@/device/store-gone.ts';
import { useMe } from '@/features/accounts/session.ts';
import { StoreGone } from './store-gone.tsx';
import { SyncEngine, useSync } from './engine.ts';

export interface Phone {
  readonly store: LocalStore;
  readonly engine: SyncEngine;
}

const PhoneContext = createContext<Phone | null>(null);

interface PhoneProviderProps {
  /** What each capability keeps here and sends. */
  readonly parts: readonly OnPhone[];
  readonly children: ReactNode;
}

/** Opens this person's store and keeps it in step while the field face is open. */
export function PhoneProvider({ parts, children }: PhoneProviderProps) {
  const { person } = useMe();
  const phone = useMemo<Phone>(() => {
    const store = storeFor(person.id, parts);
    return { store, engine: new SyncEngine(store) };
  }, [person.id, parts]);
  useEffect(() => {
    void askToKeep().then((kept) => useSync.setState({ mayBeCleared: !kept }));
    phone.engine.start();
    return () => phone.engine.stop();
  }, [phone]);
  const gone = useStoreGone((store) => store.gone);
  useEffect(() => {
    if (gone) phone.engine.stop();
  }, [gone, phone]);
  return gone ? (
    <StoreGone />
  ) : (
    <PhoneContext.Provider value={phone}>{children}</PhoneContext.Provider>
  );
}

export function usePhone(): Phone {
  const phone = useContext(PhoneContext);
  if (!phone) throw new Error('used outside the field face');
  return phone;
}
