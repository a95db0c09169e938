'use client';

import { useEffect, useState } from 'react';
import type { DocumentStore, Opened } from '@/client/documentStore';
import { openStore } from '@/client/openStore';

/** The store of a house while its screen is there; undefined until it is open. */
export function useHouse(id: string, opened: Opened): DocumentStore | undefined {
  const [store, setStore] = useState<DocumentStore>();
  useEffect(() => {
    const own = openStore(id, opened);
    setStore(own.store);
    return () => {
      setStore(undefined);
      own.close();
    };
  }, [id, opened]);
  return store;
}
