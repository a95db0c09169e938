'use client';

import { type ReactNode, useLayoutEffect, useRef } from 'react';
import { Dialog as Sheet } from 'react-aria-components/Dialog';
import { Modal, ModalOverlay } from 'react-aria-components/Modal';

interface DialogProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly size?: keyof typeof SIZES;
}

/** How wide a sheet is; `full` leaves little of what it lies over. */
const SIZES = { usual: 'w-[30rem]', wide: 'w-[44rem]', full: 'w-[76rem]' } as const;

/** A sheet over the work, closed by Esc or a press beside it; the focus stays in it and goes back where it was. */
export function Dialog({ title, onClose, children, size = 'usual' }: DialogProps) {
  return (
    <ModalOverlay
      isOpen
      isDismissable
      onOpenChange={(open) => !open && onClose()}
      className={`fixed inset-0 z-50 flex items-start justify-center overflow-auto bg-[#14213d]/30 ${size === 'full' ? 'py-5' : 'py-24'}`}
    >
      <Modal className={`bg-base-100 text-base-content border-base-300 max-w-[calc(100vw-2rem)] border ${SIZES[size]}`}>
        <Sheet aria-label={title} className="outline-none">
          <Fields>{children}</Fields>
        </Sheet>
      </Modal>
    </ModalOverlay>
  );
}

/**
 * A field is what one wants to type into: the first has the focus, unless another says that it is the first; without any, the
 * sheet itself. It has it as soon as it is seen: a key pressed then is meant for it.
 */
function Fields({ children }: { children: ReactNode }) {
  const ref = useRef<HTMLDivElement>(null);
  useLayoutEffect(
    () =>
      (
        ref.current?.querySelector<HTMLElement>('[data-first]') ??
        ref.current?.querySelector<HTMLElement>('input, select, textarea') ??
        ref.current?.closest<HTMLElement>('[role=dialog]')
      )?.focus(),
    [],
  );
  return <div ref={ref}>{children}</div>;
}
