import { profileOf } from '@/core/print/profile';
import type { Document } from '@/core/records/document';
import { getBlob } from '@/store/blobs';

/** The print shop’s own profile, where the issue has one. */
export async function ownProfile(document: Document): Promise<Uint8Array | undefined> {
  const { icc } = profileOf(document);
  return icc && (await getBlob(icc.blob)).bytes;
}
