import { createHash } from 'node:crypto';
import { RefusedFileError } from '@/formats/refused';
import { putBlob } from '@/store/blobs';
import { insertBrought, listPublications } from '@/store/publications';
import { getUpload } from '@/store/uploads';
import { inReader } from '../reading/readers';
import type { JobKind } from './kind';

/** What a bundle became. */
export interface TakenBundle {
  readonly publication: string;
  readonly issue: string;
  /** What they are called on the shelf. */
  readonly name: string;
  readonly issueName: string;
}

/** Takes a bundle in: read and checked first, then kept all at once, as a publication of its own with its house and issue. */
export const takeBundle: JobKind<{ readonly upload: string }, TakenBundle> = {
  name: 'take-bundle',
  atOnce: 1,
  async run({ upload }, signal) {
    const { manifest, issue, house, files } = await inReader({ job: 'bundle', ...(await getUpload(upload)) }, signal);
    const media = new Map(manifest.files.map((file) => [file.sha256, file.media]));
    for (const [hash, bytes] of files) {
      signal.throwIfAborted();
      if ((await putBlob(media.get(hash)!, bytes)) !== hash) throw new RefusedFileError('The bundle is damaged.');
    }
    signal.throwIfAborted();
    // Done again after its server died, it comes to the same.
    const idOf = (what: string) => createHash('sha256').update(`${upload} ${what}`).digest('base64url').slice(0, 12);
    const name = freeName(manifest.publication.name, new Set((await listPublications()).map((each) => each.name.toLowerCase())));
    const publication = { ...manifest.publication, id: idOf('publication'), name };
    await insertBrought(publication, { ...house, id: idOf('house') }, { ...issue, id: idOf('issue') });
    return { publication: publication.id, issue: idOf('issue'), name, issueName: issue.name };
  },
};

/** A name that is not on the shelf yet: "Longspar 2" where there is a Longspar. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const own = n === 1 ? name : `${name} ${n}`;
    if (!taken.has(own.toLowerCase())) return own;
  }
}
