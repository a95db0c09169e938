import { notFound } from 'next/navigation';
import { listDeliveries } from '@/services/deliveries/list';
import { issueHead } from '@/services/documents/issueHead';
import { HandoffScreen } from '@/screens/handoff/HandoffScreen';

export const dynamic = 'force-dynamic';

export default async function HandoffPage({ params }: { params: Promise<{ issue: string }> }) {
  const { issue } = await params;
  const head = await issueHead(issue);
  if (!head) notFound();
  return (
    <HandoffScreen
      id={head.id}
      publication={head.publicationName}
      name={head.name}
      house={head.house}
      pages={head.pages}
      deliveries={await listDeliveries(issue)}
    />
  );
}
