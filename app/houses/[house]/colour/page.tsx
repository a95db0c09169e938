import { notFound } from 'next/navigation';
import { ColourScreen } from '@/screens/house/colour/ColourScreen';
import { openHouse } from '@/services/house/openHouse';

export const dynamic = 'force-dynamic';

export default async function ColourPage({ params }: { params: Promise<{ house: string }> }) {
  const { house } = await params;
  const opened = await openHouse(house);
  if (!opened) notFound();
  const { head, seq, records, history } = opened;
  return <ColourScreen id={head.id} publication={head.publicationName} opened={{ seq, records, history }} />;
}
