'use client';

import { counted } from '@/core/records/count';
import type { ReactNode } from 'react';
import type { Command } from '../../frame/commands/command';
import { CommandButton } from '../../frame/commands/CommandButton';
import {
  ArrowDownToLine,
  ArrowUpToLine,
  Captions,
  CornerDownRight,
  Crop,
  Maximize,
  Minimize,
  Quote,
  Ruler,
  Spline,
  Trash2,
} from 'lucide-react';
import { find, type Document } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import type { Wrap } from '@/core/records/frame';
import type { FrameActions } from '../frames/frameActions';
import { standOffWords, textOf } from '../frames/frameWords';
import { StripTools } from '@/parts/Strip';
import { frameName } from '@/core/records/kinds/frames';

interface FrameBarProps {
  readonly document: Document;
  readonly frame: FrameRecord;
  readonly actions: FrameActions;
  /** Of the desk, by id. */
  readonly commands: ReadonlyMap<string, Command>;
}

const WRAPS: readonly { readonly mode: Wrap['mode']; readonly name: string }[] = [
  { mode: 'none', name: 'No wrap' },
  { mode: 'frame', name: 'Frame' },
  { mode: 'outline', name: 'Outline' },
  { mode: 'clear', name: 'Clear' },
];

/** What one does most with this kind of frame, in the strip at the desk's foot. */
export function FrameBar({ document, frame, actions, commands }: FrameBarProps) {
  const { content, wrap } = frame;
  const picture = content.type === 'picture' ? find(document, 'picture', content.picture) : undefined;
  const text = textOf(document, frame);
  const isBody = text?.text.role === 'body';
  const button = 'hover:bg-base-200 flex h-7 items-center gap-1.5 px-2.5 font-medium whitespace-nowrap';
  const shown = WRAPS.filter(
    ({ mode }) => mode !== 'outline' || (picture && (picture.outlines.alpha || picture.outlines.background)),
  );
  const line = 'border-base-300 border-l';
  const tool = (id: string, icon: ReactNode, { short, className = line }: { short?: string; className?: string } = {}) => (
    <CommandButton of={commands.get(id)!} icon={icon} className={className} {...(short ? { short } : {})} />
  );
  return (
    <StripTools label="Frame">
      <span className="max-w-60 truncate pr-2.5 font-semibold">{frameName(document, frame)}</span>
      {picture && content.type === 'picture' && (
        <>
          {tool('crop', <Crop size={14} />, { short: 'Crop' })}
          {content.fit === 'fill'
            ? tool('crop-all', <Minimize size={14} />, { short: 'Show all', className: '' })
            : tool('crop-fill', <Maximize size={14} />, { short: 'Fill', className: '' })}
          {tool('caption', <Captions size={14} />, { short: 'Caption' })}
        </>
      )}
      {isBody && content.type === 'text' && (
        <>
          <button
            type="button"
            className={button}
            aria-label="Fewer columns"
            disabled={content.columns === 1}
            onClick={() => actions.put('layout', { columns: content.columns - 1 })}
          >
            −
          </button>
          <span className="flex h-7 items-center whitespace-nowrap">{counted(content.columns, 'column')}</span>
          <button
            type="button"
            className={button}
            aria-label="More columns"
            onClick={() => actions.put('layout', { columns: content.columns + 1 })}
          >
            +
          </button>
          {tool('make-fit', <Ruler size={14} />, { short: 'Fit' })}
          {tool('pick', <Quote size={14} />, { short: 'Quote' })}
          {!commands.get('go-on')!.not && tool('go-on', <CornerDownRight size={14} />, { short: 'Continue' })}
        </>
      )}
      {!isBody &&
        shown.map(({ mode, name }) => (
          <button
            key={mode}
            type="button"
            aria-pressed={wrap.mode === mode}
            className={`${button} ${wrap.mode === mode ? 'bg-primary text-primary-content hover:bg-primary' : ''}`}
            onClick={() => actions.put('wrap', { mode, ...(wrap.standOff === 0 && mode !== 'none' ? { standOff: 11.34 } : {}) })}
          >
            {name}
          </button>
        ))}
      {!isBody && wrap.mode !== 'none' && (
        <span className="narrow border-base-300 flex h-7 items-center border-l px-2.5 whitespace-nowrap">
          {standOffWords(wrap.standOff)}
        </span>
      )}
      {wrap.mode === 'outline' && wrap.outline !== 'glyphs' && tool('outline', <Spline size={14} />, { short: 'Mend' })}
      {!picture && tool('front', <ArrowUpToLine size={14} />)}
      {!picture && tool('back', <ArrowDownToLine size={14} />, { className: '' })}
      {tool('remove', <Trash2 size={14} />, { className: '' })}
    </StripTools>
  );
}
