'use client';

import { useSyncExternalStore, type ReactNode } from 'react';
import type { DocumentStore, Opened } from '@/client/documentStore';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { Notices } from '@/parts/Notices';
import { SaveState } from '../frame/SaveState';
import { TurnButtons } from '../frame/TurnButtons';
import { useNotices } from '../pages/useNotices';
import { HouseFrame, type ChapterPath } from './HouseFrame';
import { useHouse } from './useHouse';

/** What a chapter is shown and can do. */
export interface ChapterTools {
  readonly house: Document;
  /** Does a change. @throws ActionError with a sentence, for a field to say */
  readonly act: (label: string, action: (house: Document) => Diff) => void;
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
  const { document, undo, redo } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const { notices, say, close } = useNotices();
  const act = (label: string, action: (house: Document) => Diff) => store.do(label, action(store.document));
  const pressed = (label: string, action: (house: Document) => Diff) => {
    try {
      act(label, action);
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  const turn = (how: 'undo' | 'redo') => {
    const done = how === 'undo' ? store.undo() : store.redo();
    if (done && 'refused' in done) say(done.refused, 'wrong');
  };
  return (
    <HouseFrame
      id={id}
      publication={publication}
      chapter={chapter}
      tools={
        <>
          <SaveState store={store} />
          <TurnButtons undo={undo} redo={redo} onTurn={turn} />
        </>
      }
    >
      <main className="bg-base-100 min-w-0 flex-1 overflow-auto px-10 py-7">{children({ house: document, act, pressed })}</main>
      <Notices notices={notices} onClose={close} />
    </HouseFrame>
  );
}
