'use client';

import { useEffect, useRef } from 'react';
import { MenuList } from '@/parts/MenuList';
import type { Command } from './command';

interface CommandMenuProps {
  readonly label: string;
  /** Pixels from the left and top of what it lies in. */
  readonly left: number;
  readonly top: number;
  readonly commands: readonly Command[];
  readonly onClose: () => void;
}

/** The commands that can be done with what was pressed, where it was pressed. A press elsewhere or Esc puts it away. */
export function CommandMenu({ label, left, top, commands, onClose }: CommandMenuProps) {
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const onPress = (event: PointerEvent) => {
      if (!ref.current?.contains(event.target as Node)) onClose();
    };
    window.addEventListener('pointerdown', onPress, true);
    return () => window.removeEventListener('pointerdown', onPress, true);
  }, [onClose]);
  return (
    <div
      ref={ref}
      className="bg-base-100 border-base-content absolute z-30 max-h-96 w-72 overflow-auto border"
      style={{ left, top }}
      onPointerDown={(event) => event.stopPropagation()}
      onContextMenu={(event) => event.preventDefault()}
      onKeyDownCapture={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onClose();
      }}
      onKeyDown={(event) => event.stopPropagation()}
    >
      <MenuList label={label} lines={commands} onClose={onClose} />
    </div>
  );
}
