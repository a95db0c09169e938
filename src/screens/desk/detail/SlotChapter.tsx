'use client';

import type { ComposerClient } from '@/client/composerClient';
import { useSetting } from '../../sheet/useSetting';
import { Group } from '@/parts/fields/Group';
import { slotKey } from '@/core/compose/measure/slotFits';
import type { SlotContent } from '@/core/records/frame';
import type { FrameRecord } from '@/core/records/index';
import { WordsField } from '@/parts/WordsField';

interface SlotChapterProps {
  readonly frame: FrameRecord;
  readonly page: string;
  readonly content: SlotContent;
  readonly composer: ComposerClient;
  readonly onName: (set: string, name: string) => void;
}

/** What a slot waits for, how much of it fits, and how it will stand. */
export function SlotChapter({ frame, page, content, composer, onName }: SlotChapterProps) {
  const words = useSetting(composer, (setting) => setting.slots.get(slotKey(frame.id, page)));
  return (
    <Group name="Slot">
      <WordsField label="For" value={content.name} onChange={(name) => onName(content.set, name)} />
      {words !== undefined && (
        <p className="opacity-75">{words.toLocaleString('en-GB')} words fit this slot and the others in its set.</p>
      )}
    </Group>
  );
}
