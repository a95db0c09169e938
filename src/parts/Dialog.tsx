'use client';

import { useEffect, useRef, type ReactNode } from 'react';

interface DialogProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly wide?: boolean;
}

/** A sheet over the work, closed by Esc or a press beside it. */
export function Dialog({ title, onClose, children, wide = false }: DialogProps) {
  const ref = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    ref.current?.showModal();
    // A field is what one wants to type into; the browser would choose whatever comes first.
    ref.current?.querySelector('input')?.focus();
  }, []);
  return (
    <dialog
      ref={ref}
      aria-label={title}
      className={`bg-base-100 text-base-content border-base-300 m-auto mt-24 border p-0 backdrop:bg-[#14213d]/30 ${wide ? 'w-[44rem]' : 'w-[30rem]'}`}
      onClose={onClose}
      onPointerDown={(event) => event.target === ref.current && onClose()}
    >
      {children}
    </dialog>
  );
}
