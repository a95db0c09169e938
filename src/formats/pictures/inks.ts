import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { type InkTable, TABLE_SIDE, tableLights } from '@/core/print/inkTable';
import { MEASURED_SIDE, type PictureSource } from '@/core/print/picturePixels';
import type { PictureRecord } from '@/core/records/index';
import { plainName, RefusedFileError } from '../refused';
import { readProfile } from './profile';
import { PICTURE_PIXELS } from './read';

/**
 * How light becomes inks by a profile: the print shop’s own, as a file, or the one that pictures are converted by where none is
 * given. sharp takes profiles by path, so the file lies on the disk as long as it is read.
 *
 * @throws Error where it is no profile of four inks
 */
export async function inkTable(profile?: Uint8Array): Promise<InkTable> {
  const folder = profile && (await mkdtemp(join(tmpdir(), 'profile-')));
  try {
    const path = folder ? join(folder, 'press.icc') : 'cmyk';
    if (profile) await writeFile(path, profile);
    const raw = { width: TABLE_SIDE * TABLE_SIDE, height: TABLE_SIDE, channels: 3 } as const;
    const inks = await sharp(tableLights(), { raw })
      .pipelineColourspace('rgb16')
      .toColourspace('cmyk')
      .withIccProfile(path, { attach: false })
      .raw({ depth: 'uchar' })
      .toBuffer();
    return { side: TABLE_SIDE, inks: new Uint8Array(inks) };
  } finally {
    if (folder) await rm(folder, { recursive: true, force: true });
  }
}

/** The same for a file from outside. @throws RefusedFileError where it is no profile of a press */
export async function readInkTable(name: string, bytes: Uint8Array | undefined): Promise<InkTable> {
  const profile = readProfile(bytes);
  if (bytes && profile?.channels !== 4)
    throw new RefusedFileError(
      profile
        ? `“${plainName(name)}” is a profile, but not of a press with four inks.`
        : `“${plainName(name)}” is no colour profile.`,
      415,
    );
  try {
    return await inkTable(bytes);
  } catch {
    throw new RefusedFileError(`“${plainName(name)}” says nothing of how light becomes inks.`, 422);
  }
}

/** A picture small, to be measured on its page. */
export async function pictureSource(picture: PictureRecord, bytes: Uint8Array): Promise<PictureSource> {
  const { data, info } = await sharp(bytes, { limitInputPixels: PICTURE_PIXELS })
    .autoOrient()
    .resize({ width: MEASURED_SIDE, height: MEASURED_SIDE, fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .ensureAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, rgba: data, ...(picture.colour === 'grey' ? { grey: true } : {}) };
}
