import type { Found } from '../finding';
import { boxOf, type Rule } from '../rule';

/** Pictures whose file is gone, or not the one that their agency has now. */
export const PICTURE_FILES: Rule = {
  name: 'pictureFiles',
  title: 'Missing and changed pictures',
  page: (view) =>
    view.list.items.flatMap((item): Found[] => {
      if (item.type !== 'picture') return [];
      const picture = view.find('picture', item.picture);
      if (!picture) return [];
      const at = { page: view.list.page, frame: item.frame, box: boxOf(item), picture: picture.id };
      const out: Found[] = [];
      if (view.files.missing.has(picture.id))
        out.push({
          grave: 'grave',
          at,
          words: `The file of “${picture.name}” is missing or damaged.`,
          effect: 'It cannot be printed. Bring the file in again.',
        });
      if (view.files.changed.has(picture.id))
        out.push({
          grave: 'fault',
          at,
          words: `There is a newer “${picture.name}” at its agency.`,
          effect: 'The old one would go out.',
        });
      return out;
    }),
};
