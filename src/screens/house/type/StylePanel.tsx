'use client';

import { useMemo, useState } from 'react';
import {
  addStyle,
  reachedBy,
  removeStyle,
  renameStyle,
  resolvedStyle,
  setStyle,
  setStyleBase,
  type StyleChange,
  type StyleRecord,
} from '@/core/actions/styles';
import { usesOf } from '@/core/actions/instead';
import { all, type Document } from '@/core/records/document';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import { circleAmong } from '@/core/records/together';
import { CHARACTER, PARAGRAPH, USUAL_GROUPS } from '@/core/properties/type';
import type { Property, Table } from '@/core/properties/property';
import type { Diff } from '@/core/records/diff';
import { PLAIN } from '@/core/type/styles';
import { Fields } from '@/parts/fields/Fields';
import { Select } from '@/parts/Select';
import { WordsField } from '@/parts/WordsField';
import { choicesIn } from '../../frame/choices';
import { Removing } from '../Removing';
import type { HouseTools } from '../useHouseTools';

interface StylePanelProps extends Pick<HouseTools, 'act' | 'pressed'> {
  readonly house: Document;
  readonly style: StyleRecord;
  readonly onChoose: (style: string) => void;
  /** Told of a change that is being tried; undefined ends it. */
  readonly onPreview: (diff: Diff | undefined) => void;
  /** Told whether a change waits for an answer, so that nobody leaves it behind. */
  readonly onAsking: (asking: boolean) => void;
}

type Key = keyof ParagraphProperties;

const list = (names: readonly string[]): string => new Intl.ListFormat('en-GB').format(names);

/** What a style says, to be changed; a change that reaches styles based on it is asked about first. */
export function StylePanel({ house, style, act, pressed, onChoose, onPreview, onAsking }: StylePanelProps) {
  /** A change that waits for an answer. */
  const [asked, ask] = useState<{ readonly change: StyleChange; readonly reached: readonly StyleRecord[] }>();
  const setAsked = (next: typeof asked) => {
    ask(next);
    onAsking(next !== undefined);
  };
  const [cut, setCut] = useState<ReadonlySet<string>>(new Set());
  // What waits for an answer stands in its field.
  const resolved = { ...PLAIN, ...resolvedStyle(house, style.id), ...asked?.change } as ParagraphProperties;
  const said = style.properties as Partial<ParagraphProperties>;
  const isParagraph = style.kind === 'paragraphStyle';
  const choices = useMemo(() => choicesIn(house), [house]);
  const label = `Change the style ${style.name}`;
  /** Shows on the sheet what a value would do. */
  const preview = (key: string, value: unknown) => {
    try {
      onPreview(value === undefined ? undefined : setStyle(house, style.id, { [key]: value }));
    } catch {
      onPreview(undefined);
    }
  };
  const put = (change: StyleChange) => {
    onPreview(undefined);
    const reached = reachedBy(house, style.id, Object.keys(change) as Key[]);
    if (reached.length === 0) return act(label, (document) => setStyle(document, style.id, change));
    // What cannot be done is said at the field at once, not after the question.
    setStyle(house, style.id, change);
    setCut(new Set());
    setAsked({ change, reached });
  };
  const answer = (cutting: readonly string[]) => {
    const { change } = asked!;
    setAsked(undefined);
    pressed(() => act(label, (document) => setStyle(document, style.id, change, cutting)));
  };
  const others = all(house, style.kind).filter(({ id }) => id !== style.id);
  // Such a circle cannot be made here; one that came in otherwise can be mended here.
  const circle = circleAmong([style, ...others]);
  const [removing, setRemoving] = useState(false);
  const remove = (instead?: string) =>
    pressed(() => act('Remove a style', (document) => removeStyle(document, style.id, instead)));
  const table: Table = isParagraph ? PARAGRAPH : CHARACTER;
  const takenBack = (key: string, { label: name }: Property) =>
    key in said && style.basedOn !== undefined ? (
      <button
        type="button"
        className="btn btn-ghost btn-xs px-1"
        title="As the style it is based on"
        aria-label={`${name}: as the style it is based on`}
        onClick={() => pressed(() => put({ [key]: undefined }))}
      >
        ↺
      </button>
    ) : null;
  return (
    <aside
      aria-label="Style"
      className="border-base-300 bg-base-100 flex w-72 shrink-0 flex-col gap-3 overflow-auto *:flex-none border-l px-3.5 py-3"
    >
      <WordsField
        label={isParagraph ? 'Paragraph style' : 'Character style'}
        value={style.name}
        onChange={(name) => act('Rename a style', (document) => renameStyle(document, style.id, name))}
      />
      <Select
        label="Based on"
        value={style.basedOn ?? ''}
        of={[{ value: '', name: 'Nothing' }, ...others.map(({ id, name }) => ({ value: id, name }))]}
        onChange={(base) =>
          act('Base a style on another', (document) => setStyleBase(document, style.id, base === '' ? undefined : base))
        }
      />
      {circle && (
        <p role="alert" className="text-error leading-tight">
          {list(circle.map(({ name }) => name))} are based on one another in a circle, so that they take nothing from each other.
          Base one of them on another style, or on nothing.
        </p>
      )}
      {asked && (
        <section
          role="alertdialog"
          aria-label="Styles based on this one"
          className="border-primary bg-base-100 sticky -top-3 z-10 border-l-[3px] py-2 pl-2.5"
        >
          <p className="leading-tight font-semibold">
            This changes {asked.reached.length === 1 ? 'a style' : `${asked.reached.length} styles`} based on {style.name} too:
          </p>
          <ul className="py-1">
            {asked.reached.map(({ id, name }) => (
              <li key={id}>
                <label className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-xs"
                    checked={!cut.has(id)}
                    onChange={() => {
                      const next = new Set(cut);
                      if (!next.delete(id)) next.add(id);
                      setCut(next);
                    }}
                  />
                  {name}
                </label>
              </li>
            ))}
          </ul>
          <p className="narrow pb-1.5 opacity-75">Untick a style to keep its look; it will no longer be based on this one.</p>
          <div className="flex flex-wrap gap-1.5">
            <button type="button" className="btn btn-primary btn-xs font-semibold" onClick={() => answer([...cut])}>
              {cut.size === 0 ? 'Change them too' : `Change, and detach ${cut.size === 1 ? 'one style' : `${cut.size} styles`}`}
            </button>
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAsked(undefined)}>
              Cancel the change
            </button>
          </div>
        </section>
      )}
      <Fields
        table={table}
        of={[resolved]}
        unfolded={USUAL_GROUPS}
        choices={choices}
        beside={takenBack}
        onPreview={preview}
        onChange={(key, value) => put({ [key]: value })}
      />
      <section aria-label="Styles" className="flex gap-1.5">
        <button
          type="button"
          className="btn btn-xs"
          onClick={() =>
            pressed(() =>
              act('Add a style', (document) => {
                const diff = addStyle(document, style.id);
                onChoose(diff.added[0]!.id);
                return diff;
              }),
            )
          }
        >
          New, based on this
        </button>
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => (usesOf(house, style.id) === 0 ? remove() : setRemoving(true))}
        >
          Remove
        </button>
      </section>
      {removing && (
        <Removing
          name={style.name}
          uses={usesOf(house, style.id)}
          others={others}
          onRemove={remove}
          onClose={() => setRemoving(false)}
        />
      )}
    </aside>
  );
}
