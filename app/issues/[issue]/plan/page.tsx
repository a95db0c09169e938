import { preload } from 'react-dom';
import { notFound } from 'next/navigation';
import { PlanScreen } from '@/screens/plan/PlanScreen';
import { documentUrl } from '@/client/fetchOpened';
import { issueHead } from '@/services/documents/issueHead';
import { recurringOf } from '@/services/house/recurringOf';
import { today } from '@/services/today';

export const dynamic = 'force-dynamic';

export default async function PlanPage({ params }: { params: Promise<{ issue: string }> }) {
  const { issue } = await params;
  const head = await issueHead(issue);
  if (!head) notFound();
  preload(documentUrl(issue), { as: 'fetch', crossOrigin: 'anonymous' });
  return (
    <PlanScreen
      id={head.id}
      publication={head.publicationName}
      name={head.name}
      house={head.house}
      recurring={await recurringOf(head.publication)}
      today={today()}
    />
  );
}
