'use client';

import type { Document } from '@/core/records/document';
import { frameName } from './frameWords';
import type { FrameInSight } from './Overlay';

interface InheritedBarProps {
  readonly document: Document;
  readonly inherited: FrameInSight;
  readonly onPart: () => void;
}

/** Says that something belongs to the master, and offers to part it from it here. */
export function InheritedBar({ document, inherited: { frame, page }, onPart }: InheritedBarProps) {
  return (
    <div
      role="toolbar"
      aria-label="From the master"
      className="flex items-center gap-3 whitespace-nowrap"
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
