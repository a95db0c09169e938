'use client';

import { useEffect, useState } from 'react';
import { ComposerClient } from '@/client/composerClient';
import type { DocumentStore, Opened } from '@/client/documentStore';
import { openStore } from '@/client/openStore';
import { IssueHeader } from '../frame/IssueHeader';
import { Workbench } from './Workbench';

interface PagesScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly opened: Opened;
}

/** Opens the document's store and its typesetter, and shows the desk once both are there. */
export function PagesScreen({ id, publication, name, opened }: PagesScreenProps) {
  const [tools, setTools] = useState<{ store: DocumentStore; composer: ComposerClient }>();
  useEffect(() => {
    const { store, close } = openStore(id, opened);
    const composer = new ComposerClient(store);
    setTools({ store, composer });
    return () => {
      setTools(undefined);
      composer.close();
      close();
    };
  }, [id, opened]);
  if (!tools) {
    return (
      <div className="flex h-full flex-col">
        <IssueHeader document={id} publication={publication} name={name} place="pages" />
        <p className="p-6 opacity-70" role="status">
          Laying out the desk …
        </p>
      </div>
    );
  }
  return <Workbench id={id} publication={publication} name={name} {...tools} />;
}
