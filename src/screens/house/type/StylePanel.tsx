'use client';

import { useState, type ReactNode } from 'react';
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
import { CATALOGUE, FAMILIES } from '@/core/type/catalogue';
import { PLAIN } from '@/core/type/styles';
import { LengthField } from '@/parts/LengthField';
import { NumberField } from '@/parts/NumberField';
import { Select } from '@/parts/Select';
import { Tick } from '@/parts/Tick';
import { WordsField } from '@/parts/WordsField';
import { Removing } from '../Removing';
import type { HouseTools } from '../useHouseTools';

interface StylePanelProps extends Pick<HouseTools, 'act' | 'pressed'> {
  readonly house: Document;
  readonly style: StyleRecord;
  readonly onChoose: (style: string) => void;
  /** Told whether a change waits for an answer, so that nobody leaves it behind. */
  readonly onAsking: (asking: boolean) => void;
}

type Key = keyof ParagraphProperties;

const list = (names: readonly string[]): string => new Intl.ListFormat('en-GB').format(names);

const CASES = [
  { value: 'typed', name: 'As typed' },
  { value: 'upper', name: 'Capitals' },
  { value: 'lower', name: 'Lower case' },
  { value: 'smallCapitals', name: 'Small capitals' },
  { value: 'allSmallCapitals', name: 'All small capitals' },
] as const;

const FIGURES = [
  { value: 'usual', name: 'As the face has them' },
  { value: 'lining', name: 'Lining' },
  { value: 'oldStyle', name: 'Old style' },
] as const;

const ALIGNS = [
  { value: 'justify', name: 'Justified' },
  { value: 'left', name: 'Left' },
  { value: 'centre', name: 'Centred' },
  { value: 'right', name: 'Right' },
  { value: 'towardsSpine', name: 'Towards the spine' },
  { value: 'awayFromSpine', name: 'Away from the spine' },
] as const;

/** What a style says, to be changed; a change that reaches styles based on it is asked about first. */
export function StylePanel({ house, style, act, pressed, onChoose, onAsking }: StylePanelProps) {
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
  const label = `Change the style ${style.name}`;
  const put = (change: StyleChange) => {
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
  const weights = [...new Set(CATALOGUE.filter(({ family }) => family === resolved.family).map(({ weight }) => weight))].sort(
    (a, b) => a - b,
  );
  const own = (key: Key, children: ReactNode) => (
    <div className="flex items-end gap-1" key={key}>
      <div className="min-w-0 flex-1">{children}</div>
      {key in said && style.basedOn !== undefined && (
        <button
          type="button"
          className="btn btn-ghost btn-xs px-1"
          title="As the style it is based on"
          aria-label={`${key}: as the style it is based on`}
          onClick={() => pressed(() => put({ [key]: undefined }))}
        >
          ↺
        </button>
      )}
    </div>
  );
  const points = (
    key: Key & ('size' | 'leading' | 'spaceBefore' | 'spaceAfter' | 'firstIndent' | 'leftIndent' | 'rightIndent'),
    name: string,
  ) => own(key, <LengthField label={name} unit="pt" value={resolved[key]} onChange={(value) => put({ [key]: value })} />);
  const number = (key: Key & ('tracking' | 'widows' | 'orphans' | 'keepNext'), name: string, least: number, most: number) =>
    own(
      key,
      <NumberField
        label={name}
        value={resolved[key]}
        least={least}
        most={most}
        whole
        onChange={(value) => put({ [key]: value })}
      />,
    );
  const tick = (key: Key & ('italic' | 'hyphens' | 'onGrid' | 'keepTogether' | 'spans' | 'underline'), name: string) =>
    own(key, <Tick label={name} value={resolved[key]} onChange={(value) => pressed(() => put({ [key]: value }))} />);
  return (
    <aside
      aria-label="Style"
      className="border-base-300 bg-base-100 flex w-72 shrink-0 flex-col gap-3 overflow-auto border-l px-3.5 py-3"
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
          <p className="narrow pb-1.5 opacity-75">A style without its tick keeps its look; its tie to this one is cut.</p>
          <div className="flex flex-wrap gap-1.5">
            <button type="button" className="btn btn-primary btn-xs font-semibold" onClick={() => answer([...cut])}>
              {cut.size === 0 ? 'Change them too' : `Change, and cut ${cut.size === 1 ? 'a tie' : `${cut.size} ties`}`}
            </button>
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAsked(undefined)}>
              Change nothing
            </button>
          </div>
        </section>
      )}
      <section aria-label="Letters" className="flex flex-col gap-1.5">
        <h2 className="chapter">Letters</h2>
        <div className="grid grid-cols-[1fr_5rem] gap-2">
          {own(
            'family',
            <Select
              label="Family"
              value={resolved.family}
              of={FAMILIES.map((family) => ({ value: family, name: family }))}
              onChange={(family) => pressed(() => put({ family }))}
            />,
          )}
          {own(
            'weight',
            <Select
              label="Weight"
              value={String(resolved.weight)}
              of={weights.map((weight) => ({ value: String(weight), name: String(weight) }))}
              onChange={(weight) => pressed(() => put({ weight: Number(weight) }))}
            />,
          )}
        </div>
        <div className="grid grid-cols-3 gap-2">
          {points('size', 'Size')}
          {isParagraph && points('leading', 'Leading')}
          {number('tracking', 'Tracking', -500, 2000)}
        </div>
        <div className="grid grid-cols-2 gap-2">
          {own(
            'letterCase',
            <Select
              label="Case"
              value={resolved.letterCase}
              of={CASES}
              onChange={(letterCase) => pressed(() => put({ letterCase }))}
            />,
          )}
          {own(
            'figures',
            <Select
              label="Figures"
              value={resolved.figures}
              of={FIGURES}
              onChange={(figures) => pressed(() => put({ figures }))}
            />,
          )}
        </div>
        <div className="grid grid-cols-[1fr_5rem] gap-2">
          {own(
            'swatch',
            <Select
              label="Colour"
              value={resolved.swatch}
              of={all(house, 'swatch').map(({ id, name }) => ({ value: id, name }))}
              onChange={(swatch) => pressed(() => put({ swatch }))}
            />,
          )}
          {own(
            'tint',
            <NumberField
              label="Tint"
              unit="%"
              value={100 * resolved.tint}
              least={0}
              most={100}
              onChange={(value) => put({ tint: value / 100 })}
            />,
          )}
        </div>
        {tick('italic', 'Italic')}
        {tick('underline', 'Underlined')}
      </section>
      {isParagraph && (
        <section aria-label="Paragraph" className="flex flex-col gap-1.5">
          <h2 className="chapter">Paragraph</h2>
          {own(
            'align',
            <Select label="Stands" value={resolved.align} of={ALIGNS} onChange={(align) => pressed(() => put({ align }))} />,
          )}
          <div className="grid grid-cols-2 gap-2">
            {points('spaceBefore', 'Space before')}
            {points('spaceAfter', 'Space after')}
          </div>
          <div className="grid grid-cols-3 gap-2">
            {points('firstIndent', 'First indent')}
            {points('leftIndent', 'Left indent')}
            {points('rightIndent', 'Right indent')}
          </div>
          {tick('hyphens', 'Hyphenated')}
          {tick('onGrid', 'On the baseline grid')}
          {tick('keepTogether', 'Kept together')}
          {tick('spans', 'Across all columns')}
          <div className="grid grid-cols-3 gap-2">
            {number('widows', 'Widows', 1, 20)}
            {number('orphans', 'Orphans', 1, 20)}
            {number('keepNext', 'Keep with next', 0, 20)}
          </div>
        </section>
      )}
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
