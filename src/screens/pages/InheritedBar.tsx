'use client';

import type { Document } from '@/core/records/document';
import { frameName } from './frameWords';
import type { FrameInSight } from './Overlay';

interface InheritedBarProps {
  readonly document: Document;
  readonly inherited: FrameInSight;
  readonly left: number;
  readonly top: number;
  readonly onPart: () => void;
}

/** Says that something belongs to the master, and offers to part it from it here. */
export function InheritedBar({ document, inherited: { frame, page }, left, top, onPart }: InheritedBarProps) {
  return (
    <div
      role="toolbar"
      aria-label="From the master"
      className="bg-secondary text-secondary-content absolute z-10 flex h-7 items-center gap-2 px-2.5 whitespace-nowrap"
      style={{ left, top }}
      onPointerDown={(event) => event.stopPropagation()}
    >
      <span className="max-w-72 truncate">
        {frameName(document, frame)}, of the master {page.master.name}
      </span>
      {frame.content.type === 'slot' ? (
        <span className="opacity-75">Drop a story here to fill it</span>
      ) : (
        <button type="button" className="bg-primary text-primary-content h-5 px-2 font-medium" onClick={onPart}>
          Part it on this page
        </button>
      )}
    </div>
  );
}
