'use client';

import { useMemo } from 'react';
import { LAYOUT, layoutValues, WRAP, wrapValues } from '@/core/properties/frame';
import { LOOK, lookChange, lookValues, RULE, ruleValues } from '@/core/properties/look';
import { pointsIn } from '@/core/geometry/outline';
import { cropValues } from '@/core/pictures/placing';
import { BESIDE } from '@/core/properties/captions';
import { adjustValues } from '@/core/actions/pictures';
import { ADJUST } from '@/core/properties/adjust';
import { isDrawing } from '@/core/records/picture';
import { CROP } from '@/core/properties/crop';
import type { Table } from '@/core/properties/property';
import { type Document, find } from '@/core/records/document';
import type { Wrap } from '@/core/records/frame';
import type { FrameRecord } from '@/core/records/index';
import { Fields } from '@/parts/fields/Fields';
import { Group } from '@/parts/fields/Group';
import type { Choices } from '@/parts/fields/values';
import { choicesIn } from '../../frame/choices';
import type { FrameActions } from '../frames/frameActions';
import { lookWords, textOf, wrapWords } from '../frames/frameWords';
import type { Facet, FacetChange } from '../frames/useDeskActions';
import { frameKind, layoutOf, pictureIn } from '@/core/records/kinds/frames';

interface FrameFieldsProps {
  readonly document: Document;
  /** All that is chosen: a field stands for all of them. */
  readonly frames: readonly FrameRecord[];
  readonly actions: FrameActions;
}

const QUARTER = 90;

/** What the chosen frames have in common, to be changed on all of them: their text, their wrap, their look. */
export function FrameFields({ document, frames, actions }: FrameFieldsProps) {
  const choices = useMemo(() => choicesIn(document), [document]);
  const layouts = frames.map(({ content }) => layoutOf(content)).filter((each) => each !== undefined);
  const pictured = frames.flatMap(({ box, content }) => {
    const picture = content.type === 'picture' ? find(document, 'picture', content.picture) : undefined;
    return picture && content.type === 'picture' ? [{ box, content, picture }] : [];
  });
  const rules = frames.flatMap(({ box, content }) => (content.type === 'rule' ? [ruleValues(content, box)] : []));
  const isPictures = pictured.length === frames.length;
  const isBody = (frame: FrameRecord) => textOf(document, frame)?.text.role === 'body';
  const [first] = frames;
  if (!first) return null;
  const of = <F extends Facet>(facet: F, change: (key: string, value: unknown) => FacetChange[F]) => ({
    onPreview: (key: string, value: unknown) => actions.preview(facet, value === undefined ? undefined : change(key, value)),
    onChange: (key: string, value: unknown) => actions.set(facet, change(key, value)),
  });
  const plain = (key: string, value: unknown) => ({ [key]: value });
  return (
    <>
      {layouts.length === frames.length && (
        <Fields
          table={LAYOUT as Table}
          of={layouts.map((layout) => layoutValues(layout))}
          unfolded={['Columns']}
          choices={choices}
          {...of('layout', plain)}
        />
      )}
      {isPictures && (
        <Group name="Picture in its frame">
          <Fields
            table={CROP as Table}
            of={pictured.map(({ box, picture, content }) => cropValues(box, picture, content))}
            choices={choices}
            {...of('crop', plain)}
          />
        </Group>
      )}
      {isPictures && !pictured.some(({ picture }) => isDrawing(picture)) && (
        <Group name="Adjust" folded>
          <Fields
            table={ADJUST as Table}
            of={pictured.map(({ content }) => adjustValues(document, content))}
            choices={choices}
            {...of('adjust', plain)}
          />
        </Group>
      )}
      {rules.length === frames.length && (
        <Group name="Line">
          <Fields table={RULE as Table} of={rules} choices={choices} {...of('rule', plain)} />
        </Group>
      )}
      {frames.every(({ beside }) => beside) && (
        <Group name="Beside its picture">
          <Fields table={BESIDE as Table} of={frames.map(({ beside }) => beside!)} choices={choices} {...of('beside', plain)} />
        </Group>
      )}
      {!frames.some((frame) => frame.beside !== undefined || frame.group !== undefined || isBody(frame)) && (
        <Group name="Text wrap" now={frames.length === 1 ? wrapWords(first.wrap) : undefined}>
          <WrapFields
            wraps={frames.map(({ wrap }) => wrap)}
            outlines={outlinesOf(document, frames)}
            note={frames.length === 1 ? outlineNote(document, first) : undefined}
            {...of('wrap', plain)}
          />
        </Group>
      )}
      <Group name="Form and look" now={frames.length === 1 ? lookWords(first) : undefined} folded>
        <Fields
          table={LOOK as Table}
          of={frames.map((frame) => lookValues(frame))}
          choices={choices}
          beside={(key) =>
            key === 'rotation' && frames.length === 1 ? (
              <>
                {[-QUARTER, QUARTER].map((by) => (
                  <button
                    key={by}
                    type="button"
                    className="btn btn-xs min-h-6 w-6 px-0"
                    aria-label={by < 0 ? 'Rotate 90° anticlockwise' : 'Rotate 90° clockwise'}
                    title={by < 0 ? 'Rotate 90° anticlockwise' : 'Rotate 90° clockwise'}
                    onClick={() => actions.put('look', { rotation: (first.rotation ?? 0) + by })}
                  >
                    {by < 0 ? '↺' : '↻'}
                  </button>
                ))}
              </>
            ) : null
          }
          {...of('look', (key, value) => lookChange(key, value, lookValues(first)))}
        />
      </Group>
    </>
  );
}

interface WrapFieldsProps {
  readonly wraps: readonly Wrap[];
  readonly outlines: readonly Wrap['outline'][];
  readonly note?: string | undefined;
  readonly onPreview?: (key: string, value: unknown) => void;
  readonly onChange: (key: string, value: unknown) => void;
}

/** How other texts keep away from frames, or from a group. */
export function WrapFields({ wraps, outlines, note, onPreview, onChange }: WrapFieldsProps) {
  const choices: Choices = (of) => OUTLINES.filter(({ value }) => of === 'outline' && outlines.includes(value));
  return (
    <>
      <Fields
        table={WRAP as Table}
        of={wraps.map((wrap) => wrapValues(wrap))}
        choices={choices}
        onPreview={onPreview}
        onChange={onChange}
      />
      {note && wraps[0]?.mode === 'outline' && <p className="opacity-75">{note}</p>}
    </>
  );
}

const OUTLINES: readonly { readonly value: Wrap['outline']; readonly name: string }[] = [
  { value: 'alpha', name: 'Transparency' },
  { value: 'background', name: 'Cut-out subject' },
  { value: 'shape', name: 'Frame’s shape' },
  { value: 'glyphs', name: 'Letters' },
];

/** The outlines that all the frames have. */
const outlinesOf = (document: Document, frames: readonly FrameRecord[]): readonly Wrap['outline'][] =>
  OUTLINES.map(({ value }) => value).filter((outline) => frames.every((frame) => hasOutline(document, frame, outline)));

const hasOutline = (document: Document, { content }: FrameRecord, outline: Wrap['outline']): boolean =>
  outline === 'shape' || frameKind(content).outlines?.(content, document).includes(outline) === true;

/** How fine a traced outline is. */
function outlineNote(document: Document, frame: FrameRecord): string | undefined {
  const { wrap } = frame;
  const picture = find(document, 'picture', pictureIn(document, frame)?.picture);
  if (frame.outline) return `Mended by hand, ${pointsIn(frame.outline)} points`;
  const traced = wrap.outline === 'alpha' || wrap.outline === 'background' ? picture?.outlines[wrap.outline] : undefined;
  if (!traced) return undefined;
  return `Traced in ${pointsIn(traced)} points`;
}
