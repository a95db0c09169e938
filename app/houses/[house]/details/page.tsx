import { notFound } from 'next/navigation';
import { DetailsScreen } from '@/screens/house/details/DetailsScreen';
import { openHouse } from '@/services/house/openHouse';

export const dynamic = 'force-dynamic';

export default async function DetailsPage({ params }: { params: Promise<{ house: string }> }) {
  const { house } = await params;
  const opened = await openHouse(house);
  if (!opened) notFound();
  const { head, seq, records, history } = opened;
  return <DetailsScreen id={head.id} publication={head.publicationName} opened={{ seq, records, history }} />;
}
