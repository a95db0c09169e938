'use client';

import { type Document, find } from '@/core/records/document';
import type { Wrap } from '@/core/records/frame';
import type { FrameRecord } from '@/core/records/index';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { wrapWords } from '../frameWords';
import { Chapter } from './Chapter';
import { SidesField } from './SidesField';

interface WrapChapterProps {
  readonly name?: string;
  readonly wrap: Wrap;
  /** Outlines that text can run along; without any there is no choice of them. */
  readonly outlines: readonly { readonly value: Wrap['outline']; readonly name: string }[];
  readonly note?: string | undefined;
  readonly onWrap: (wrap: Partial<Wrap>) => void;
}

/** How other texts keep away. */
export function WrapChapter({ name = 'Text wrap', wrap, outlines, note, onWrap }: WrapChapterProps) {
  const outline = outlines.find(({ value }) => value === wrap.outline) ?? outlines[0];
  return (
    <Chapter name={name} now={wrapWords(wrap)}>
      <Choice
        label="Text wrap"
        value={wrap.mode}
        of={[
          { value: 'none', name: 'None' },
          { value: 'frame', name: 'Frame' },
          { value: 'outline', name: 'Outline', disabled: outlines.length === 0 },
          { value: 'clear', name: 'Clear' },
        ]}
        onChange={(mode) => onWrap(mode === 'outline' && outline ? { mode, outline: outline.value } : { mode })}
      />
      {wrap.mode === 'outline' && outline && outlines.length > 1 && (
        <Select label="Along" value={outline.value} of={outlines} onChange={(value) => onWrap({ outline: value })} />
      )}
      {wrap.mode === 'outline' && note && <p className="opacity-75">{note}</p>}
      {(wrap.mode === 'frame' || wrap.mode === 'outline') && (
        <Select
          label="Text stands"
          value={wrap.side ?? 'both'}
          of={[
            { value: 'both', name: 'On both sides' },
            { value: 'left', name: 'On the left only' },
            { value: 'right', name: 'On the right only' },
            { value: 'wider', name: 'On the wider side' },
          ]}
          onChange={(side) => onWrap({ side })}
        />
      )}
      {wrap.mode !== 'none' && (
        <SidesField label="Stand-off" value={wrap.standOff} onChange={(standOff) => onWrap({ standOff })} />
      )}
    </Chapter>
  );
}

/** The outlines a frame has, best first. */
export function outlinesOf(document: Document, frame: FrameRecord): WrapChapterProps['outlines'] {
  const { content } = frame;
  const picture = content.type === 'picture' ? find(document, 'picture', content.picture) : undefined;
  return [
    ...(picture?.outlines.alpha ? [{ value: 'alpha' as const, name: 'What is not transparent' }] : []),
    ...(picture?.outlines.background ? [{ value: 'background' as const, name: 'What is before the plain background' }] : []),
    { value: 'shape', name: 'The form of the frame' },
    ...(content.type === 'text' ? [{ value: 'glyphs' as const, name: 'The letters' }] : []),
  ];
}

/** How fine a traced outline is. */
export function outlineNote(document: Document, { content, wrap }: FrameRecord): string | undefined {
  const picture = content.type === 'picture' ? find(document, 'picture', content.picture) : undefined;
  const traced = wrap.outline === 'alpha' || wrap.outline === 'background' ? picture?.outlines[wrap.outline] : undefined;
  if (!traced) return undefined;
  return `Traced in ${traced.reduce((sum, ring) => sum + ring.length / 2, 0)} points`;
}
