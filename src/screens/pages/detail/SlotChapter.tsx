'use client';

import { Chapter } from './Chapter';
import { Columns, LayoutChapter } from './TextChapter';
import { slotKey } from '@/core/compose/slotFits';
import type { SlotContent, TextLayout } from '@/core/records/frame';
import type { FrameRecord } from '@/core/records/index';
import { WordsField } from '@/parts/WordsField';

interface SlotChapterProps {
  readonly frame: FrameRecord;
  readonly page: string;
  readonly content: SlotContent;
  readonly slots: ReadonlyMap<string, number>;
  readonly onName: (set: string, name: string) => void;
  readonly onLayout: (layout: Partial<TextLayout>) => void;
}

/** What a slot waits for, how much of it fits, and how it will stand. */
export function SlotChapter({ frame, page, content, slots, onName, onLayout }: SlotChapterProps) {
  const words = slots.get(slotKey(frame.id, page));
  return (
    <>
      <Chapter name="Slot">
        <WordsField label="For" value={content.name} onChange={(name) => onName(content.set, name)} />
        {words !== undefined && (
          <p className="opacity-75">{words.toLocaleString('en-GB')} words fit it and the others of its set.</p>
        )}
        {!content.layout.grows && <Columns content={content.layout} onLayout={onLayout} />}
      </Chapter>
      <LayoutChapter content={content.layout} onLayout={onLayout} />
    </>
  );
}
