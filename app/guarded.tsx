import type { ReactNode } from 'react';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { admit, type Visit } from '@/services/door';

interface PageProps {
  readonly params: Promise<Record<string, string>>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

/** What a page is made from: who was let in to what, and what is said behind the question mark. */
interface Loading {
  readonly visit: Visit;
  readonly search: Record<string, string | string[] | undefined>;
}

/** A page that passes the door; one of something that is not there is the page that says so, as is one that loads nothing. */
export function guarded(load: (loading: Loading) => Promise<ReactNode>): (props: PageProps) => Promise<ReactNode> {
  return async ({ params, searchParams }) => {
    const visit = await admit({ headers: await headers(), right: 'read', of: await params }).catch((error: Error) => {
      if (error.name === 'NoSuchDocumentError') notFound();
      throw error;
    });
    return (await load({ visit, search: await searchParams })) ?? notFound();
  };
}
