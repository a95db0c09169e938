'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import { Crumbs } from '../frame/Crumbs';

/** The chapters of a house that there are, in the order in which it is set up. */
const CHAPTERS = [
  { name: 'Details', path: 'details' },
  { name: 'Format and grid', path: 'grid' },
  { name: 'Masters', path: 'masters' },
  { name: 'Type', path: 'type' },
  { name: 'Colour', path: 'colour' },
  { name: 'Finishes', path: 'finishes' },
  { name: 'Furniture', path: 'furniture' },
  { name: 'Print', path: 'print' },
  { name: 'Recurring pages', path: 'recurring' },
] as const;

export type ChapterPath = (typeof CHAPTERS)[number]['path'];

interface HouseFrameProps {
  readonly id: string;
  readonly publication: string;
  readonly chapter: ChapterPath;
  /** On the right of the header: how far what was done is, undo and redo. */
  readonly tools?: ReactNode;
  readonly children: ReactNode;
}

/** The header of a house; on its right how far what was done is, undo and redo. */
export function HouseHeader({ publication, children }: { publication: string; children?: ReactNode }) {
  return (
    <header className="border-base-300 bg-base-100 flex h-11 shrink-0 items-center gap-4 border-b px-3">
      <Crumbs publication={publication} here="House" />
      <div className="ml-auto flex items-center gap-1">{children}</div>
    </header>
  );
}

/** The chapters of a house, of which one is open. */
export function ChapterList({ id, chapter }: Pick<HouseFrameProps, 'id' | 'chapter'>) {
  return (
    <nav aria-label="Chapters of the house" className="border-base-300 bg-base-100 w-44 shrink-0 border-r py-3">
      {CHAPTERS.map(({ name, path }) => (
        <Link
          key={path}
          href={`/houses/${id}/${path}`}
          aria-current={path === chapter ? 'page' : undefined}
          className={`block border-l-[3px] py-1.5 pl-3 ${path === chapter ? 'border-primary font-semibold' : 'border-transparent opacity-75 hover:opacity-100'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}

/** A house: its chapters on the left, the thing itself beside them. */
export function HouseFrame({ id, publication, chapter, tools, children }: HouseFrameProps) {
  return (
    <div className="flex h-full flex-col">
      <HouseHeader publication={publication}>{tools}</HouseHeader>
      <div className="flex min-h-0 flex-1">
        <ChapterList id={id} chapter={chapter} />
        {children}
      </div>
    </div>
  );
}
