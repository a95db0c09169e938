import { listShelf, removedFromShelf } from '@/services/shelf/list';
import { today } from '@/services/today';
import { ShelfScreen } from '@/screens/shelf/ShelfScreen';

export const dynamic = 'force-dynamic';

export default async function ShelfPage() {
  const [publications, removed] = await Promise.all([listShelf(), removedFromShelf()]);
  return <ShelfScreen publications={publications} removed={removed} today={today()} />;
}
