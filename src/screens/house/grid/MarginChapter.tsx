'use client';

import { USUAL_MARGINS } from '@/core/page/practice';
import { margins as marginTable } from '@/core/properties/sheet';
import { Fields } from '@/parts/fields/Fields';
import { Group } from '@/parts/fields/Group';
import type { GridChapterProps } from './chapter';

/** The white around the type area. */
export function MarginChapter({ format, master, actions, preview, pressed }: GridChapterProps) {
  const { margins } = master;
  return (
    <Group name="Margins">
      <Fields
        table={marginTable(format.facing)}
        of={[margins]}
        onPreview={(key, value) =>
          preview(undefined, value === undefined ? undefined : { margins: { ...margins, [key]: value } })
        }
        onChange={(key, value) => actions.grid({ margins: { ...margins, [key]: value } })}
      />
      <button
        type="button"
        className="btn btn-xs self-start"
        title="Inner 10 mm, top and outer half as much again, bottom 20 mm, so that the folio has room"
        onClick={() => pressed(() => actions.grid({ margins: USUAL_MARGINS }))}
      >
        Use the usual margins
      </button>
    </Group>
  );
}
