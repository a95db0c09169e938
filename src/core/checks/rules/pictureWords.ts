import { listed } from '../../records/count';
import type { Found } from '../finding';
import { boxOf, ownItems, type Rule } from '../rule';

/** Pictures without caption, credit or alternative text. */
export const PICTURE_WORDS: Rule = {
  name: 'pictureWords',
  title: 'Pictures without words',
  page: (view) =>
    ownItems(view).flatMap((item): Found[] => {
      if (item.type !== 'picture' || view.find('frame', item.frame)?.content.type !== 'picture') return [];
      const picture = view.find('picture', item.picture);
      if (!picture) return [];
      const lacks = [
        ...(picture.caption.trim() ? [] : ['caption']),
        ...(picture.credit.trim() ? [] : ['credit']),
        ...(picture.alternative?.trim() ? [] : ['alternative text']),
      ];
      if (lacks.length === 0) return [];
      return [
        {
          grave: lacks.includes('credit') ? 'fault' : 'detail',
          at: { page: view.list.page, frame: item.frame, box: boxOf(item), picture: picture.id },
          words: `“${picture.name}” has ${listed(lacks.map((each) => `no ${each}`))}.`,
          effect: lacks.includes('credit')
            ? 'Nobody is named for it.'
            : lacks.includes('caption')
              ? 'Readers are not told what they see.'
              : 'Those who cannot see it are told nothing.',
        },
      ];
    }),
};
