import { preload } from 'react-dom';
import { notFound } from 'next/navigation';
import { documentUrl } from '@/client/fetchOpened';
import { issueHead } from '@/services/documents/issueHead';
import { PagesScreen } from '@/screens/pages/PagesScreen';

export const dynamic = 'force-dynamic';

interface PagesPageProps {
  readonly params: Promise<{ issue: string }>;
  readonly searchParams: Promise<{ page?: string }>;
}

export default async function PagesPage({ params, searchParams }: PagesPageProps) {
  const { issue } = await params;
  const { page } = await searchParams;
  const head = await issueHead(issue);
  if (!head) notFound();
  preload(documentUrl(issue), { as: 'fetch', crossOrigin: 'anonymous' });
  return <PagesScreen id={head.id} publication={head.publicationName} name={head.name} house={head.house} at={page} />;
}
