'use client';

import { ArrowDownToLine, ArrowUpToLine, CornerDownRight, Quote, Trash2 } from 'lucide-react';
import { find, type Document } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import type { Wrap } from '@/core/records/frame';
import type { FrameActions } from './frameActions';
import { frameName, standOffWords, textOf } from './frameWords';

interface FrameBarProps {
  readonly document: Document;
  readonly frame: FrameRecord;
  readonly overset: number;
  readonly actions: FrameActions;
}

const WRAPS: readonly { readonly mode: Wrap['mode']; readonly name: string }[] = [
  { mode: 'none', name: 'No wrap' },
  { mode: 'frame', name: 'Frame' },
  { mode: 'outline', name: 'Outline' },
  { mode: 'clear', name: 'Clear' },
];

/** What one does most with this kind of frame, in the strip at the desk's foot. */
export function FrameBar({ document, frame, overset, actions }: FrameBarProps) {
  const { content, wrap } = frame;
  const picture = content.type === 'picture' ? find(document, 'picture', content.picture) : undefined;
  const text = textOf(document, frame);
  const isBody = text?.text.role === 'body';
  const button = 'hover:bg-base-200 flex h-7 items-center gap-1.5 px-2.5 font-medium whitespace-nowrap';
  const shown = WRAPS.filter(
    ({ mode }) => mode !== 'outline' || (picture && (picture.outlines.alpha || picture.outlines.background)),
  );
  return (
    <div
      role="toolbar"
      aria-label="Frame"
      className="flex items-center"
      onPointerDown={(event) => event.stopPropagation()}
      onKeyDown={(event) => event.key !== 'Escape' && event.stopPropagation()}
    >
      <span className="max-w-60 truncate pr-2.5 font-semibold">{frameName(document, frame)}</span>
      {picture && content.type === 'picture' && (
        <button
          type="button"
          className={`${button} border-base-300 border-l`}
          onClick={() => actions.fit(content.fit === 'fill' ? 'fit' : 'fill')}
        >
          {content.fit === 'fill' ? 'Show all' : 'Fill'}
        </button>
      )}
      {isBody && content.type === 'text' && (
        <>
          <button
            type="button"
            className={button}
            aria-label="One column fewer"
            disabled={content.columns === 1}
            onClick={() => actions.layout({ columns: content.columns - 1 })}
          >
            −
          </button>
          <span className="flex h-7 items-center">
            {content.columns} {content.columns === 1 ? 'column' : 'columns'}
          </span>
          <button
            type="button"
            className={button}
            aria-label="One column more"
            onClick={() => actions.layout({ columns: content.columns + 1 })}
          >
            +
          </button>
          <button type="button" className={`${button} border-base-300 border-l`} onClick={actions.quote}>
            <Quote size={14} /> Quote
          </button>
          {overset > 0 && (
            <button type="button" className={`${button} border-base-300 border-l`} onClick={actions.goOn}>
              <CornerDownRight size={14} /> Go on
            </button>
          )}
        </>
      )}
      {!isBody &&
        shown.map(({ mode, name }) => (
          <button
            key={mode}
            type="button"
            aria-pressed={wrap.mode === mode}
            className={`${button} ${wrap.mode === mode ? 'bg-primary text-primary-content hover:bg-primary' : ''}`}
            onClick={() => actions.wrap({ mode, ...(wrap.standOff === 0 && mode !== 'none' ? { standOff: 11.34 } : {}) })}
          >
            {name}
          </button>
        ))}
      {!isBody && wrap.mode !== 'none' && (
        <span className="narrow border-base-300 flex h-7 items-center border-l px-2.5">{standOffWords(wrap.standOff)}</span>
      )}
      <button
        type="button"
        className={`${button} border-base-300 border-l`}
        aria-label="To the front"
        title="To the front"
        onClick={() => actions.stack('front')}
      >
        <ArrowUpToLine size={14} />
      </button>
      <button type="button" className={button} aria-label="To the back" title="To the back" onClick={() => actions.stack('back')}>
        <ArrowDownToLine size={14} />
      </button>
      <button
        type="button"
        className={button}
        aria-label="Remove the frame"
        title="Remove the frame; its text stays in the story"
        onClick={actions.remove}
      >
        <Trash2 size={14} />
      </button>
    </div>
  );
}
