import { notFound } from 'next/navigation';
import { openIssue } from '@/services/documents/openIssue';
import { PagesScreen } from '@/screens/pages/PagesScreen';

export const dynamic = 'force-dynamic';

export default async function PagesPage({ params }: { params: Promise<{ issue: string }> }) {
  const { issue } = await params;
  const opened = await openIssue(issue);
  if (!opened) notFound();
  const { head, seq, records, history } = opened;
  return <PagesScreen id={head.id} publication={head.publicationName} name={head.name} opened={{ seq, records, history }} />;
}
