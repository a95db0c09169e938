import { listShelf, removedFromShelf } from '@/services/shelf/list';
import { today } from '@/services/today';
import { ShelfScreen } from '@/screens/shelf/ShelfScreen';
import { guarded } from './guarded';

export const dynamic = 'force-dynamic';

export default guarded(async () => {
  const [publications, removed] = await Promise.all([listShelf(today()), removedFromShelf()]);
  return <ShelfScreen publications={publications} removed={removed} today={today()} />;
});
