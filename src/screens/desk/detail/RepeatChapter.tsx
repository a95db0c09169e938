'use client';

import { useState } from 'react';
import { type Repeat, usualStep } from '@/core/actions/copies';
import type { Document } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import { LengthField } from '@/parts/LengthField';
import { NumberField } from '@/parts/NumberField';
import { Group } from '@/parts/fields/Group';

interface RepeatChapterProps {
  readonly document: Document;
  readonly frame: FrameRecord;
  readonly onRepeat: (intent: Repeat) => void;
}

/** Repeats a frame across and down with even gaps. */
export function RepeatChapter({ document, frame, onRepeat }: RepeatChapterProps) {
  const step = usualStep(document, frame);
  const [times, setTimes] = useState({ across: 2, down: 1 });
  const [steps, setSteps] = useState<{ across?: number; down?: number }>({});
  const across = steps.across ?? step.across;
  const down = steps.down ?? step.down;
  return (
    <Group name="Repeat" folded>
      <div className="flex gap-2">
        <NumberField
          label="Across"
          value={times.across}
          least={1}
          most={40}
          whole
          onChange={(to) => setTimes({ ...times, across: to })}
        />
        <LengthField
          label="Gap across"
          value={across - frame.box.w}
          onChange={(to) => setSteps({ ...steps, across: frame.box.w + to })}
        />
      </div>
      <div className="flex gap-2">
        <NumberField
          label="Down"
          value={times.down}
          least={1}
          most={40}
          whole
          onChange={(to) => setTimes({ ...times, down: to })}
        />
        <LengthField
          label="Gap down"
          value={down - frame.box.h}
          onChange={(to) => setSteps({ ...steps, down: frame.box.h + to })}
        />
      </div>
      <button
        type="button"
        className="btn btn-xs self-start"
        onClick={() => onRepeat({ ...times, stepAcross: across, stepDown: down })}
      >
        Repeat
      </button>
    </Group>
  );
}
