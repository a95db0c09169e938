'use client';

import { useSyncExternalStore } from 'react';
import type { ComposerClient, Setting } from '@/client/composerClient';

/**
 * One part of what the typesetter last gave. A component asks for just the part it shows: with every key some page is
 * painted anew, and nothing but that page is to be rendered for it.
 *
 * @param choose gives the same object as long as nothing about the part changed
 */
export function useSetting<T>(composer: ComposerClient, choose: (setting: Setting) => T): T {
  const chosen = () => choose(composer.setting());
  return useSyncExternalStore(composer.subscribe, chosen, chosen);
}
