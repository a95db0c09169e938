import JSZip from 'jszip';
import { storyList } from '@/core/plan/storyList';
import { storyPictures } from '@/core/plan/storyParts';
import { find } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import { spoken } from '@/core/records/language';
import { writeCopy } from '@/formats/copy/out/write';
import { endingOf, fileStem, freeNames, pictureStem } from '@/formats/fileNames';
import { getBlob } from '@/store/blobs';
import type { WayOut } from './way';

/** Every story as a file of copy, and by choice the pictures as they came, with a list of their words. */
export const makeStories: WayOut<'stories'> = async ({ document, choices, progress }) => {
  const language = spoken(find(document, 'issue', 'issue')?.language);
  const stories = storyList(document).map(({ story }) => story);
  const zip = new JSZip();
  const named = freeNames();
  const wide = String(stories.length).length;
  const pictures = new Map<string, PictureRecord>();
  for (const [i, story] of stories.entries()) {
    await progress(i, stories.length);
    const name = `${String(i + 1).padStart(wide, '0')} ${fileStem(story.name, 'Story')}`;
    zip.file(named(name, choices.format), await writeCopy(document, story, choices.format, language));
    for (const picture of storyPictures(document, story)) pictures.set(picture.id, picture);
  }
  if (choices.pictures && pictures.size > 0) {
    const list: string[] = [];
    const files = freeNames();
    for (const picture of pictures.values()) {
      const { bytes } = await getBlob(picture.blob);
      const file = files(pictureStem(picture.name), endingOf(picture.media));
      zip.file(`pictures/${file}`, bytes);
      const words = [picture.caption, picture.credit, picture.alternative && `Alternative text: ${picture.alternative}`];
      list.push([file, ...words.filter(Boolean)].join('\n'));
    }
    zip.file('pictures/captions.txt', `${list.join('\n\n')}\n`);
  }
  await progress(stories.length, stories.length);
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' });
};
