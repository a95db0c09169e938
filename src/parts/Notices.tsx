'use client';

import { X } from 'lucide-react';

export interface Notice {
  readonly id: number;
  readonly tone: 'said' | 'wrong';
  readonly text: string;
  /** What can be done about it, as a button that does it. */
  readonly mend?: { readonly name: string; readonly run: () => void } | undefined;
}

interface NoticesProps {
  readonly notices: readonly Notice[];
  readonly onClose: (id: number) => void;
  /** Pixels from the foot of the window, to stand clear of what is there. */
  readonly above?: number;
}

/** Sentences that tell what happened, until they are put away. */
export function Notices({ notices, onClose, above = 40 }: NoticesProps) {
  return (
    <div
      style={{ bottom: above }}
      className="pointer-events-none fixed inset-x-0 z-40 flex flex-col items-center gap-1.5"
      aria-live="polite"
    >
      {notices.map(({ id, tone, text, mend }) => (
        <div
          key={id}
          role={tone === 'wrong' ? 'alert' : 'status'}
          className={`pointer-events-auto flex max-w-xl items-start gap-3 border-l-4 px-3 py-2 ${
            tone === 'wrong' ? 'border-error' : 'border-success'
          } bg-secondary text-secondary-content`}
        >
          <span>{text}</span>
          {mend && (
            <button
              type="button"
              className="font-semibold whitespace-nowrap underline"
              onClick={() => {
                mend.run();
                onClose(id);
              }}
            >
              {mend.name}
            </button>
          )}
          <button type="button" className="opacity-70 hover:opacity-100" aria-label="Dismiss" onClick={() => onClose(id)}>
            <X size={15} />
          </button>
        </div>
      ))}
    </div>
  );
}
