import { putBlob, getBlob } from '@/store/blobs';
import { readProfile } from '@/formats/pictures/profile';
import type { InkTable } from '@/core/print/inkTable';
import { Kept } from './kept';
import { inReader } from './reading/readers';
import type { Upload } from './imports/upload';

/** Bytes of a colour profile at most: those of presses have one or two million. */
export const PROFILE_BYTES = 8_000_000;

const kept = new Kept<InkTable>(20);

/** How light becomes inks by a print shop’s profile that was brought in, or by the usual one. @throws NoSuchBlobError, RefusedFileError */
export const inkTableOf = (profile: string, signal?: AbortSignal): Promise<InkTable> =>
  kept.get(
    profile,
    async (stop) => {
      const bytes = profile === 'usual' ? undefined : (await getBlob(profile)).bytes;
      return inReader({ job: 'inkTable', name: 'The colour profile', bytes }, stop);
    },
    signal,
  );

/** Reads a print shop’s profile and keeps it. @throws RefusedFileError */
export async function importProfile({ name, bytes }: Upload, signal?: AbortSignal): Promise<{ blob: string; name: string }> {
  await inReader({ job: 'inkTable', name, bytes }, signal);
  return { blob: await putBlob('application/vnd.iccprofile', bytes), name: readProfile(bytes)?.name ?? name };
}
