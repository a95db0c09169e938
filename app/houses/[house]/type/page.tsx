import { notFound } from 'next/navigation';
import { TypeSheetScreen } from '@/screens/house/TypeSheetScreen';
import { openTypeSheet } from '@/services/house/openTypeSheet';

export const dynamic = 'force-dynamic';

export default async function TypePage({ params }: { params: Promise<{ house: string }> }) {
  const { house } = await params;
  const opened = await openTypeSheet(house);
  if (!opened) notFound();
  const { head, records, sample, body } = opened;
  return <TypeSheetScreen publication={head.publicationName} records={records} sample={sample} body={body} />;
}
