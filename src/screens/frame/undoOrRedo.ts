import type { DeskStore } from '@/client/deskStore';
import type { Say } from '../pages/useNotices';

/** Undoes or redoes, and says why where that cannot be. */
export async function undoOrRedo(store: Pick<DeskStore, 'undo' | 'redo'>, how: 'undo' | 'redo', say: Say): Promise<void> {
  const done = await store[how]();
  if (done && 'refused' in done) say(done.refused, 'wrong');
}
