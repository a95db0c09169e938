import { missingPictures, takenPictures } from '@/store/pictures';
import { changedAtAgency } from '../agency/agency';

/** Milliseconds that an agency is waited for before nothing is said of what it holds. */
const PATIENCE = 5_000;

/** Of a document's pictures, those whose file is not there, and those of which their agency has another version now. */
export async function pictureFiles(document: string, signal: AbortSignal): Promise<{ missing: string[]; changed: string[] }> {
  const [missing, taken] = await Promise.all([missingPictures(document), takenPictures(document)]);
  if (taken.length === 0) return { missing, changed: [] };
  try {
    const newer = await changedAtAgency(taken, AbortSignal.any([signal, AbortSignal.timeout(PATIENCE)]));
    return { missing, changed: taken.filter(({ uri }) => newer.has(uri)).map(({ id }) => id) };
  } catch {
    // An agency that does not answer says nothing of the pictures that came from it.
    return { missing, changed: [] };
  }
}
