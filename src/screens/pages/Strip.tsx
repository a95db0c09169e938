'use client';

import type { ReactNode } from 'react';

/** The fixed row at the desk's foot with what one does most with what is chosen; it never covers the page. */
export function Strip({ children, hint }: { children: ReactNode; hint: string }) {
  return (
    <div className="border-base-300 bg-base-100 flex h-9 shrink-0 items-center overflow-x-auto border-t px-3" data-strip>
      {children || <span className="truncate opacity-60">{hint}</span>}
    </div>
  );
}
