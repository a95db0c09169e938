'use client';

import { CAPTIONS, USUAL_CAPTIONS } from '@/core/properties/captions';
import type { Table } from '@/core/properties/property';
import { Fields } from '@/parts/fields/Fields';
import { Group } from '@/parts/fields/Group';
import type { GridChapterProps } from './chapter';

/** How captions and credits are set beside pictures. */
export function CaptionChapter({ format, actions }: GridChapterProps) {
  const habit = format.captions ?? USUAL_CAPTIONS;
  return (
    <Group name="Captions and credits" folded>
      <Fields
        table={CAPTIONS as Table}
        of={[habit]}
        onChange={(key, value) => actions.format({ captions: { ...habit, [key]: value } })}
      />
    </Group>
  );
}
