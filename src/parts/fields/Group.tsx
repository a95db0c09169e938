'use client';

import { useState, type ReactNode } from 'react';
import { ChevronRight } from 'lucide-react';

/** Which headings a hand has opened or folded: kept while it goes from one thing to the next. */
const turned = new Map<string, boolean>();

interface GroupProps {
  readonly name: string;
  /** Said behind the name: what a folded heading holds, in a word or two. */
  readonly now?: string | undefined;
  readonly folded?: boolean;
  readonly children: ReactNode;
}

/** Fields under a heading that folds them away. */
export function Group({ name, now, folded = false, children }: GroupProps) {
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
          className="chapter flex min-h-6 w-full items-center gap-1 text-left"
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
