import { notFound } from 'next/navigation';
import { PlanScreen } from '@/screens/plan/PlanScreen';
import { openIssue } from '@/services/documents/openIssue';
import { recurringOf } from '@/services/house/recurringOf';
import { today } from '@/services/today';

export const dynamic = 'force-dynamic';

export default async function PlanPage({ params }: { params: Promise<{ issue: string }> }) {
  const { issue } = await params;
  const opened = await openIssue(issue);
  if (!opened) notFound();
  const { head, seq, records, history } = opened;
  return (
    <PlanScreen
      id={head.id}
      publication={head.publicationName}
      name={head.name}
      opened={{ seq, records, history }}
      recurring={await recurringOf(head.publication)}
      today={today()}
    />
  );
}
