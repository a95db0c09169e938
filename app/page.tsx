import { listShelf } from '@/services/shelf/list';
import { today } from '@/services/today';
import { ShelfScreen } from '@/screens/shelf/ShelfScreen';

export const dynamic = 'force-dynamic';

export default async function ShelfPage() {
  return <ShelfScreen publications={await listShelf()} today={today()} />;
}
