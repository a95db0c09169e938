'use client';

import { type ReactNode, useEffect, useRef } from 'react';
import { Menu, MenuItem } from 'react-aria-components/Menu';

/** A line of a menu. */
export interface MenuLine {
  readonly id: string;
  readonly name: string;
  /** The key that does the same. */
  readonly keys?: string | undefined;
  /** Stands behind its name, in a word. */
  readonly more?: ReactNode;
  /** The story tint that marks it. */
  readonly tint?: number;
  readonly run: () => void;
}

interface MenuListProps {
  readonly label: string;
  readonly lines: readonly MenuLine[];
  /** Told before a line is done. */
  readonly onClose?: () => void;
}

/** What can be chosen, one under another; the first has the focus. */
export function MenuList({ label, lines, onClose }: MenuListProps) {
  const menu = useRef<HTMLDivElement>(null);
  // At once: after a press by key the library waits for a frame, and a letter pressed meanwhile would be lost.
  useEffect(() => {
    const own = menu.current;
    if (own && !own.contains(document.activeElement)) own.focus();
  }, []);
  return (
    <Menu
      ref={menu}
      aria-label={label}
      autoFocus="first"
      className="outline-none"
      onAction={(id) => {
        onClose?.();
        lines.find((line) => line.id === id)?.run();
      }}
    >
      {lines.map(({ id, name, keys, more, tint }) => (
        <MenuItem
          key={id}
          id={id}
          textValue={name}
          className={({ isFocused }) =>
            `flex w-full cursor-default items-baseline gap-3 px-3 py-1 outline-none ${isFocused ? 'bg-primary/25' : ''} ${tint === undefined ? '' : 'border-l-[3px]'}`
          }
          {...(tint === undefined ? {} : { style: { borderColor: `var(--story-${tint})` } })}
        >
          {name}
          {keys && <kbd className="ml-auto font-bold opacity-75">{keys}</kbd>}
          {more && <span className="narrow ml-auto whitespace-nowrap opacity-75">{more}</span>}
        </MenuItem>
      ))}
    </Menu>
  );
}
