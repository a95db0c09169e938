'use client';

import Link from 'next/link';
import { KiteMark } from '@/parts/KiteMark';
import { anchorOf } from './anchors';

/** The way back to the shelf, and where one is: a publication's issue or house. */
export function Crumbs({ publication, here }: { publication: string; here: string }) {
  return (
    <>
      <Link href="/" prefetch={false} aria-label="Shelf" className="flex items-center gap-2">
        <KiteMark />
      </Link>
      <p className="font-semibold whitespace-nowrap">
        <Link prefetch={false} href={`/#${anchorOf(publication)}`} className="hover:underline">
          {publication}
        </Link>
        <span className="px-1.5 opacity-40">/</span>
        {here}
      </p>
    </>
  );
}
