import { formatNumber } from '../../length/length';
import type { Found } from '../finding';
import { shortened } from '../lines';
import type { Mend } from '../mends';
import type { Rule } from '../rule';

/** Text that cannot be read on what lies under it, measured over the pixels there (WCAG 2.2, 1.4.3). */
export const CONTRAST: Rule = {
  name: 'contrast',
  title: 'Text that is hard to read on its ground',
  page: (view) =>
    [...(view.measured?.legibility ?? [])].flatMap(([id, read]): Found[] => {
      const { ratio, needed, words, panel, picture, box, paragraph, isBare } = read;
      if (ratio >= needed) return [];
      const frame = view.find('frame', id);
      const isOwn = frame?.on === view.list.page;
      const item = view.list.items.find((each) => each.type === 'text' && each.frame === id);
      // It was measured when there was such a text.
      if (!item) return [];
      const mends: Mend[] = [];
      if (isOwn && picture?.gain !== undefined) {
        const shown = view.find('frame', picture.frame)?.content;
        const before = shown?.type === 'picture' ? (shown.adjust?.light ?? 0) : 0;
        const light = Math.max(-1, Math.min(1, (1 + before) * picture.gain - 1));
        mends.push({
          name: picture.gain < 1 ? 'Make the picture darker' : 'Make the picture lighter',
          do: 'light',
          of: { frame: picture.frame, light: Math.round(light * 100) / 100 },
        });
      }
      if (isOwn && panel && item && !isBare)
        mends.push({
          name: `Put a ${panel.tone} panel behind`,
          do: 'panel',
          of: { frame: id, tone: panel.tone, opacity: panel.opacity, box: item.box },
        });
      if (isOwn && picture?.fade !== undefined)
        mends.push({ name: 'Make the picture fainter', do: 'fade', of: { frame: picture.frame, opacity: picture.fade } });
      if (isBare) mends.push({ name: 'Open Colour', open: 'house', chapter: 'colour' });
      return [
        {
          grave: ratio < needed / 2 ? 'grave' : 'fault',
          at: {
            page: view.list.page,
            frame: id,
            box: item ? box : undefined,
            text: item?.type === 'text' ? item.text : undefined,
            paragraph,
          },
          words: `“${shortened(words)}” contrasts ${formatNumber(ratio, 1)} to 1 with ${isBare ? 'the paper' : 'what lies under it'}; ${formatNumber(needed, 1)} is needed.`,
          effect: 'Many readers cannot make it out.',
          mends,
        },
      ];
    }),
};
