'use client';

import type { ReactNode } from 'react';
import type { DocumentStore, Opened } from '@/client/documentStore';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { HouseFrame, type ChapterPath } from './HouseFrame';
import { useHouse } from './useHouse';
import { type HouseTools, useHouseTools } from './useHouseTools';

/** What a chapter is shown and can do. */
export interface ChapterTools extends Pick<HouseTools, 'house' | 'act'> {
  /** The same for a button, which has no field: the sentence is said below. */
  readonly pressed: (label: string, action: (house: Document) => Diff) => void;
}

interface HouseChapterProps {
  readonly id: string;
  readonly publication: string;
  readonly chapter: ChapterPath;
  readonly opened: Opened;
  readonly children: (tools: ChapterTools) => ReactNode;
}

/** A chapter that is set out as a page of fields: the house opened, with undo and what is stored above it. */
export function HouseChapter(props: HouseChapterProps) {
  const store = useHouse(props.id, props.opened);
  if (store) return <Open {...props} store={store} />;
  return (
    <HouseFrame id={props.id} publication={props.publication} chapter={props.chapter}>
      <p className="p-6 opacity-70" role="status">
        Opening the house …
      </p>
    </HouseFrame>
  );
}

function Open({ id, publication, chapter, children, store }: HouseChapterProps & { store: DocumentStore }) {
  const { house, act, pressed, header, notices } = useHouseTools(store);
  return (
    <HouseFrame id={id} publication={publication} chapter={chapter} tools={header}>
      <main className="bg-base-100 min-w-0 flex-1 overflow-auto px-10 py-7">
        {children({ house, act, pressed: (label, action) => pressed(() => act(label, action)) })}
      </main>
      {notices}
    </HouseFrame>
  );
}
