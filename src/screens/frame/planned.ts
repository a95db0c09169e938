import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import type { PlannedActions } from '@/client/typesetter';
import type { Diff } from '@/core/records/diff';
import type { Say } from './useNotices';

/** Does changes that depend on how text falls: each gives its difference, or says why there is none. */
export const plannedOn =
  (store: DeskStore, composer: ComposerClient, say: Say) =>
  async <A extends keyof PlannedActions>(label: string, action: A, intent: PlannedActions[A]): Promise<Diff | undefined> => {
    try {
      const { diff, says } = await composer.plan(action, intent);
      store.do(label, diff);
      if (says !== undefined) say(says, 'wrong');
      return diff;
    } catch (error) {
      say((error as Error).message, 'wrong');
      return undefined;
    }
  };
