'use client';

import type { ReactNode } from 'react';
import { Toolbar } from 'react-aria-components/Toolbar';

/** The fixed row at the desk's foot with what one does most with what is chosen; it never covers the page. */
export function Strip({ children, hint }: { children: ReactNode; hint: string }) {
  return (
    <div className="border-base-300 bg-base-100 flex h-9 shrink-0 items-center overflow-x-auto border-t px-3" data-strip>
      {children || <span className="truncate opacity-75">{hint}</span>}
    </div>
  );
}

/** What can be done with what is chosen; a press or key on it is not one on the desk. */
export function StripTools({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div
      onPointerDown={(event) => event.stopPropagation()}
      onKeyDown={(event) =>
        event.key !== 'Escape' && !event.ctrlKey && !event.metaKey && !event.altKey && event.stopPropagation()
      }
    >
      <Toolbar aria-label={label} className="flex items-center">
        {children}
      </Toolbar>
    </div>
  );
}
