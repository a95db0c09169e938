import { notFound } from 'next/navigation';
import { openIssue } from '@/services/documents/openIssue';
import { PagesScreen } from '@/screens/pages/PagesScreen';

export const dynamic = 'force-dynamic';

interface PagesPageProps {
  readonly params: Promise<{ issue: string }>;
  readonly searchParams: Promise<{ page?: string }>;
}

export default async function PagesPage({ params, searchParams }: PagesPageProps) {
  const { issue } = await params;
  const { page } = await searchParams;
  const opened = await openIssue(issue);
  if (!opened) notFound();
  const { head, seq, records, history } = opened;
  return (
    <PagesScreen id={head.id} publication={head.publicationName} name={head.name} at={page} opened={{ seq, records, history }} />
  );
}
