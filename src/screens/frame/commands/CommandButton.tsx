'use client';

import type { ReactNode } from 'react';
import { type Command, keysIn } from './command';

interface CommandButtonProps {
  readonly of: Command;
  readonly icon: ReactNode;
  /** A shorter name beside the sign; the sign alone where there is none. */
  readonly short?: string;
  readonly className?: string;
  /** One of many in a row. */
  readonly tight?: boolean;
}

/** A command as a button: what it does, its key, and why it cannot be done now. */
export function CommandButton({ of, icon, short, className = '', tight = false }: CommandButtonProps) {
  return (
    <button
      type="button"
      className={`hover:bg-base-200 flex h-7 items-center gap-1.5 ${tight ? 'px-1.5' : 'px-2.5'} font-medium whitespace-nowrap disabled:opacity-40 ${className}`}
      aria-label={short ? undefined : of.name}
      title={of.not ? `${of.name}: ${of.not}` : `${of.name}${keysIn(of)}`}
      disabled={of.not !== undefined}
      onClick={of.run}
    >
      {icon} {short}
    </button>
  );
}
