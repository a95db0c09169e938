import { notFound } from 'next/navigation';
import { TypeSheetScreen } from '@/screens/house/TypeSheetScreen';
import { openHouse } from '@/services/house/openHouse';

export const dynamic = 'force-dynamic';

export default async function TypePage({ params }: { params: Promise<{ house: string }> }) {
  const { house } = await params;
  const opened = await openHouse(house);
  if (!opened) notFound();
  const { head, records, sample, body } = opened;
  return <TypeSheetScreen id={head.id} publication={head.publicationName} records={records} sample={sample} body={body} />;
}
