import { notFound } from 'next/navigation';
import { HouseDesk } from '@/screens/house/HouseDesk';
import { openHouse } from '@/services/house/openHouse';

export const dynamic = 'force-dynamic';

export default async function RecurringPage({ params }: { params: Promise<{ house: string }> }) {
  const { house } = await params;
  const opened = await openHouse(house);
  if (!opened) notFound();
  const { head, seq, records, history } = opened;
  return <HouseDesk id={head.id} publication={head.publicationName} chapter="recurring" opened={{ seq, records, history }} />;
}
