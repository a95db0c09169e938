'use client';

import { namedSize, SIZE_GROUPS, sizeName } from '@/core/page/formats';
import { heightFor, PROPORTIONS } from '@/core/page/practice';
import { Choice } from '@/parts/Choice';
import type { Table } from '@/core/properties/property';
import { PAPER } from '@/core/properties/sheet';
import { Fields } from '@/parts/fields/Fields';
import { Tick } from '@/parts/Tick';
import { Group } from '@/parts/fields/Group';
import type { GridChapterProps } from './chapter';

const SIZES: readonly { readonly value: string; readonly name: string; readonly group: string }[] = SIZE_GROUPS.flatMap(
  ({ name: group, sizes }) =>
    sizes.map((value) => ({ value, group, name: value.length > 2 ? value[0]!.toUpperCase() + value.slice(1) : value })),
);

/** Width, height and proportion of the pages, and how they lie to one another. */
export function PaperChapter({ format, actions, preview, pressed }: GridChapterProps) {
  const { width, height } = format;
  const landscape = width > height;
  const name = sizeName(width, height);
  const proportion = PROPORTIONS.find(({ ratio }) => Math.abs(width / height - ratio) < 0.002);
  const fields = (table: Table) => (
    <Fields
      table={table}
      of={[format]}
      onPreview={(key, value) => preview(value === undefined ? undefined : { [key]: value })}
      onChange={(key, value) => actions.format({ [key]: value })}
    />
  );
  return (
    <Group name="Pages" now={name ?? 'custom size'}>
      <label className="block">
        <span className="text-2xs block opacity-70">Size</span>
        <select
          className="field narrow"
          value={name ?? ''}
          onChange={(event) => {
            const size = namedSize(event.target.value);
            if (!size) return;
            pressed(() => actions.format(landscape ? { width: size.height, height: size.width } : size));
          }}
        >
          {!name && <option value="">Custom</option>}
          {SIZE_GROUPS.map((group) => (
            <optgroup key={group.name} label={group.name}>
              {SIZES.filter((size) => size.group === group.name).map((size) => (
                <option key={size.value} value={size.value}>
                  {size.name}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
      </label>
      {fields({ width: PAPER.width, height: PAPER.height })}
      <Choice
        label="Orientation"
        value={landscape ? 'landscape' : 'portrait'}
        of={[
          { value: 'portrait', name: 'Portrait' },
          { value: 'landscape', name: 'Landscape' },
        ]}
        onChange={(way) => {
          if ((way === 'landscape') !== landscape) pressed(() => actions.format({ width: height, height: width }));
        }}
      />
      <div>
        <span className="text-2xs opacity-70">Height by proportion</span>
        <Choice
          label="Proportion"
          value={proportion?.name ?? ''}
          of={PROPORTIONS.map((each) => ({ value: each.name, name: each.name }))}
          onChange={(chosen) => {
            const { ratio } = PROPORTIONS.find((each) => each.name === chosen)!;
            pressed(() => actions.format({ height: heightFor(width, ratio) }));
          }}
        />
      </div>
      <div>
        <Tick label="Facing pages" value={format.facing} onChange={(facing) => pressed(() => actions.format({ facing }))} />
        {format.facing && (
          <>
            <Tick
              label="First page on the right"
              value={format.firstSide === 'right'}
              onChange={(right) => pressed(() => actions.format({ firstSide: right ? 'right' : 'left' }))}
            />
            <Tick
              label="Mirror left pages"
              value={format.pattern !== 'repeated'}
              onChange={(mirrored) => pressed(() => actions.format({ pattern: mirrored ? undefined : 'repeated' }))}
            />
          </>
        )}
      </div>
      {fields({ bleed: PAPER.bleed, safe: PAPER.safe })}
    </Group>
  );
}
