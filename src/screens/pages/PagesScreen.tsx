'use client';

import { useCallback } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { IssueHeader } from '../frame/IssueHeader';
import type { DeskPlace } from '../desk/deskPlace';
import { DeskScreen } from '../desk/DeskScreen';
import { DeskSkeleton, type OpeningPaper } from '../desk/DeskSkeleton';

interface PagesScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly house: string | undefined;
  /** What is seen until all is there. */
  readonly paper: OpeningPaper;
  /** The page that is to be in sight first. */
  readonly at?: string | undefined;
  /** The frame that is to be chosen, and the text that Fit is to be opened at. */
  readonly frame?: string | undefined;
  readonly fit?: string | undefined;
}

/** The place Pages: the issue on the desk. */
export function PagesScreen({ id, publication, name, house, paper, at, frame, fit }: PagesScreenProps) {
  const placeOf = useCallback(
    (store: DeskStore, composer: ComposerClient): DeskPlace => ({
      document: id,
      kind: 'issue',
      at,
      frame,
      fit,
      title: `${publication}, ${name}: pages`,
      header: (tools) => (
        <IssueHeader
          document={id}
          publication={publication}
          name={name}
          house={house}
          place="pages"
          store={store}
          composer={composer}
          tools={tools}
        />
      ),
    }),
    [id, publication, name, house, at, frame, fit],
  );
  const waiting = (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} house={house} place="pages" />
      <DeskSkeleton paper={paper} />
    </div>
  );
  return <DeskScreen id={id} placeOf={placeOf} waiting={waiting} />;
}
