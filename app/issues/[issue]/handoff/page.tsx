import { notFound } from 'next/navigation';
import { listDeliveries } from '@/services/deliveries/list';
import { openIssue } from '@/services/documents/openIssue';
import { HandoffScreen } from '@/screens/handoff/HandoffScreen';

export const dynamic = 'force-dynamic';

export default async function HandoffPage({ params }: { params: Promise<{ issue: string }> }) {
  const { issue } = await params;
  const opened = await openIssue(issue);
  if (!opened) notFound();
  const pages = opened.records.filter((record) => record.kind === 'page').length;
  return (
    <HandoffScreen
      id={opened.head.id}
      publication={opened.head.publicationName}
      name={opened.head.name}
      pages={pages}
      deliveries={await listDeliveries(issue)}
    />
  );
}
