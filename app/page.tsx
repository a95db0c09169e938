import { listShelf } from '@/services/shelf/list';
import { ShelfScreen } from '@/screens/shelf/ShelfScreen';

export const dynamic = 'force-dynamic';

export default async function ShelfPage() {
  return <ShelfScreen publications={await listShelf()} today={new Date().toISOString().slice(0, 10)} />;
}
