import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { readProfile } from '../pictures/profile';
import type { OutputProfile } from './metadata';

/** The printing that a file is made for: its profile, and what sharp is to convert by, which takes profiles by path. */
export interface Press extends OutputProfile {
  readonly path: string;
}

/** Does something with the profile of a press: the print shop’s own, or the usual one where it has given none. */
export async function withPress<T>(own: Uint8Array | undefined, work: (press: Press) => Promise<T>): Promise<T> {
  const profile = await outputProfile(own);
  if (!own) return work({ ...profile, path: USUAL });
  const folder = await mkdtemp(join(tmpdir(), 'press-'));
  try {
    const path = join(folder, 'press.icc');
    await writeFile(path, own);
    return await work({ ...profile, path });
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** The profile of a press, with what it calls itself: the print shop’s own, or the usual one where it has given none. */
export const outputProfile = async (own: Uint8Array | undefined): Promise<OutputProfile> =>
  own ? { bytes: own, name: readProfile(own)?.name ?? 'Press' } : usualProfile();

/** The name of the profile that sharp has with it. */
const USUAL = 'cmyk';

let usual: Promise<OutputProfile> | undefined;

/** That profile itself: it stands in any picture that was converted by it. */
async function usualProfile(): Promise<OutputProfile> {
  usual ??= (async () => {
    const dot = sharp({ create: { width: 1, height: 1, channels: 3, background: '#ffffff' } });
    const { icc } = await sharp(await dot.toColourspace('cmyk').withIccProfile(USUAL).jpeg().toBuffer()).metadata();
    if (!icc) throw new Error('The usual profile of a press is not to be had.');
    return { bytes: new Uint8Array(icc), name: readProfile(icc)?.name ?? 'Press' };
  })();
  return usual;
}
