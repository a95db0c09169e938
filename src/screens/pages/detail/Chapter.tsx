'use client';

import { useState, type ReactNode } from 'react';
import { ChevronRight } from 'lucide-react';

/** Which chapters a hand has opened or folded: kept while it goes from frame to frame. */
const turned = new Map<string, boolean>();

interface ChapterProps {
  readonly name: string;
  /** Said behind the name: what a folded chapter holds, in a word or two. */
  readonly now?: string | undefined;
  readonly folded?: boolean;
  readonly children: ReactNode;
}

/** A named part of the detail that can be folded away. */
export function Chapter({ name, now, folded = false, children }: ChapterProps) {
  const [open, setOpen] = useState(turned.get(name) ?? !folded);
  const turn = () => {
    turned.set(name, !open);
    setOpen(!open);
  };
  return (
    <section aria-label={name}>
      <h3>
        <button
          type="button"
          aria-expanded={open}
          className="chapter flex w-full items-baseline gap-1 pb-1 text-left"
          onClick={turn}
        >
          <ChevronRight aria-hidden="true" size={11} className={`translate-y-px self-center ${open ? 'rotate-90' : ''}`} />
          {name}
          {now && !open && <span className="narrow min-w-0 flex-1 truncate text-right font-normal normal-case">{now}</span>}
        </button>
      </h3>
      {open && <div className="flex flex-col gap-1.5">{children}</div>}
    </section>
  );
}
