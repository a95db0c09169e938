'use client';

import type { Document } from '@/core/records/document';
import { StripTools } from '@/parts/Strip';
import type { FrameInSight } from '../frames/frameInSight';
import { frameKind, frameName } from '@/core/records/kinds/frames';

interface InheritedBarProps {
  readonly document: Document;
  readonly inherited: FrameInSight;
  readonly onPart: () => void;
}

/** Says that something belongs to the master, and offers to part it from it here. */
export function InheritedBar({ document, inherited: { frame, page }, onPart }: InheritedBarProps) {
  return (
    <StripTools label="From the master">
      <span className="max-w-72 truncate pr-3">
        {frameName(document, frame)}, of the master {page.master.name}
      </span>
      {frameKind(frame.content).isFilled ? (
        <span className="opacity-75">Drop a story here to fill it</span>
      ) : (
        <button type="button" className="bg-primary text-primary-content h-5 px-2 font-medium" onClick={onPart}>
          Free from master
        </button>
      )}
    </StripTools>
  );
}
