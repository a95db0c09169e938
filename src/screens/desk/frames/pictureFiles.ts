import type { DeskStore } from '@/client/deskStore';
import { ask } from '@/client/ask';
import { replaceFile } from '@/core/actions/pictures';
import { counted } from '@/core/records/count';
import { find as findRecord } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import { type CameAsPicture, readPictureFile } from '../../bringIn/useBringIn';
import type { Say } from '../../frame/useNotices';

/** What is done with the file of a picture that lies on pages already; where it cannot be done it is said. */
export function pictureFiles(store: DeskStore, say: Say) {
  const take = async (label: string, { id }: PictureRecord, came: Promise<CameAsPicture>) => {
    try {
      const { picture, notes } = await came;
      for (const note of notes) say(note);
      store.act(label, (document) => replaceFile(document, id, picture));
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  /** Looks among files for those that are missing: the very same file, else one of the same name. */
  const find = async (missing: readonly string[], files: readonly File[]) => {
    let found = 0;
    for (const file of files) {
      try {
        const { picture } = await readPictureFile(file);
        const lost = missing.flatMap((id) => findRecord(store.document, 'picture', id) ?? []);
        const own = lost.find(({ blob }) => blob === picture.blob) ?? lost.find(({ name }) => name === picture.name);
        if (!own) continue;
        found++;
        // The very same file is kept again by having been read: nothing else changes.
        if (own.blob !== picture.blob)
          store.act(`Replace the file of “${own.name}”`, (document) => replaceFile(document, own.id, picture));
      } catch (error) {
        say((error as Error).message, 'wrong');
      }
    }
    say(
      found === 0 ? 'None of those files is one that is missing.' : `${counted(found, 'file is', 'files are')} back.`,
      found === 0 ? 'wrong' : undefined,
    );
  };
  return {
    find,
    /** Takes what the agency has of it now. */
    renew: (picture: PictureRecord) =>
      take(
        `Take the newer “${picture.name}”`,
        picture,
        ask<CameAsPicture>('/api/agency/taken', { uri: picture.source?.uri ?? '' }),
      ),
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
