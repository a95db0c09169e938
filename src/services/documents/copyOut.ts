import { find } from '@/core/records/document';
import { spoken } from '@/core/records/language';
import { readDocument } from '@/core/records/stored';
import { COPY_WAYS, type CopyWay, MEDIA } from '@/formats/copy/out/ways';
import { fileStem } from '@/formats/fileNames';
import { writeCopy } from '@/formats/copy/out/write';
import { loadRecords } from '@/store/documents';
import { NotThereError } from '../errors';

export { COPY_WAYS, type CopyWay };

export interface CopyFile {
  readonly name: string;
  readonly media: string;
  readonly bytes: Uint8Array;
}

/** A story as a file of copy. @throws NoSuchDocumentError, NotThereError */
export async function copyOut(document: string, id: string, way: CopyWay): Promise<CopyFile> {
  const records = readDocument((await loadRecords(document)).records);
  const story = find(records, 'story', id);
  if (!story) throw new NotThereError('That story is no longer in the issue.');
  const language = spoken(find(records, 'issue', 'issue')?.language);
  return {
    media: MEDIA[way],
    name: fileStem(story.name, 'story'),
    bytes: await writeCopy(records, story, way, language),
  };
}
