'use client';

import type { DocumentRecord } from '@/core/records/index';
import type { ComposerClient } from '@/client/composerClient';
import type { PlacedPage } from '@/core/page/pages';
import type { Say } from '../frame/useNotices';
import type { useDeskActions } from './frames/useDeskActions';
import type { Hand } from './hand/hand';

interface Around {
  readonly composer: ComposerClient;
  readonly hand: Hand;
  readonly pages: readonly PlacedPage[];
  readonly actions: ReturnType<typeof useDeskActions>;
  readonly say: Say;
  readonly chooseAdded: (diff: { added: readonly DocumentRecord[] } | undefined) => void;
}

/** Picking a sentence of a text to quote it. */
export function usePicking({ composer, hand, pages, actions, say, chooseAdded }: Around) {
  return {
    begin: async (text: string) => {
      const sentences = await composer.sentences(text);
      const here = sentences.filter(({ boxes }) => boxes.some(({ page }) => pages.some((each) => each.page.id === page)));
      if (here.length === 0) say('No sentence of this text is on this spread.', 'wrong');
      else hand.take({ doing: 'picking', sentences: here, lit: 0 });
    },
    light: (lit: number) => {
      const now = hand.now();
      if (now.doing === 'picking') hand.take({ ...now, lit });
    },
    walk: (by: 1 | -1) => {
      const now = hand.now();
      if (now.doing !== 'picking') return;
      const { length } = now.sentences;
      hand.take({ ...now, lit: (now.lit + by + length) % length });
    },
    /** Quotes a sentence; the one that is lit when not said. */
    take: async (which?: number) => {
      const now = hand.now();
      if (now.doing !== 'picking') return;
      const { text, paragraph, from, to } = now.sentences[which ?? now.lit]!;
      hand.rest('picking');
      chooseAdded(await actions.quote({ text, paragraph, from, to }));
    },
  };
}
