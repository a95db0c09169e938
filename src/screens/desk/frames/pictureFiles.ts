import type { DeskStore } from '@/client/deskStore';
import { ask } from '@/client/ask';
import { replaceFile } from '@/core/actions/pictures';
import type { PictureRecord } from '@/core/records/index';
import { type CameAsPicture, readPictureFile } from '../../bringIn/useBringIn';
import type { Say } from '../../frame/useNotices';

/** What is done with the file of a picture that lies on pages already; where it cannot be done it is said. */
export function pictureFiles(store: DeskStore, say: Say) {
  const take = async (label: string, { id }: PictureRecord, came: Promise<CameAsPicture>) => {
    try {
      const { picture, notes } = await came;
      for (const note of notes) say(note);
      store.do(label, replaceFile(store.document, id, picture));
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  return {
    replace: (picture: PictureRecord, file: File) =>
      void take(`Replace the file of “${picture.name}”`, picture, readPictureFile(file)),
    page: (picture: PictureRecord, page: number) =>
      void take(
        `Show page ${page} of “${picture.name}”`,
        picture,
        ask<CameAsPicture>(`/api/pictures/${picture.blob}/page`, { name: picture.name, page }),
      ),
  };
}
