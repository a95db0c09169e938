import { notFound } from 'next/navigation';
import { TypeScreen } from '@/screens/house/type/TypeScreen';
import { openHouse } from '@/services/house/openHouse';

export const dynamic = 'force-dynamic';

export default async function TypePage({ params }: { params: Promise<{ house: string }> }) {
  const { house } = await params;
  const opened = await openHouse(house);
  if (!opened) notFound();
  const { head, seq, records, history, sample, body } = opened;
  return (
    <TypeScreen id={head.id} publication={head.publicationName} opened={{ seq, records, history }} sample={sample} body={body} />
  );
}
