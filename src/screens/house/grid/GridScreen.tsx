'use client';

import { useEffect, useState } from 'react';
import { ComposerClient } from '@/client/composerClient';
import type { Opened } from '@/client/documentStore';
import { openStore } from '@/client/openStore';
import { SpecimenSource } from '@/client/specimenSource';
import { SPECIMEN_PAGES, specimenDocument } from '@/core/page/specimen';
import { mastersOf } from '@/core/page/pages';
import { HouseFrame } from '../HouseFrame';
import type { GridTools } from './chapter';
import { GridBench } from './GridBench';

interface GridScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
  /** Paragraphs of dummy text, and the style of running text. */
  readonly sample: readonly string[];
  readonly body: string;
}

/** Opens the house's store and a specimen of its pages. */
export function GridScreen({ id, publication, opened, sample, body }: GridScreenProps) {
  const [tools, setTools] = useState<GridTools>();
  useEffect(() => {
    const { store, close } = openStore(id, opened);
    const text = { publication, paragraphs: sample, style: body };
    const first = mastersOf(store.document)[0]!.id;
    const specimen = new SpecimenSource(specimenDocument(store.document, first, text));
    const composer = new ComposerClient(specimen);
    composer.watch(SPECIMEN_PAGES);
    setTools({ store, specimen, composer });
    return () => {
      setTools(undefined);
      composer.close();
      close();
    };
  }, [id, publication, opened, sample, body]);
  if (tools) return <GridBench id={id} publication={publication} sample={sample} body={body} {...tools} />;
  return (
    <HouseFrame id={id} publication={publication} chapter="grid">
      <p className="p-6 opacity-70" role="status">
        Drawing the pages …
      </p>
    </HouseFrame>
  );
}
