/** A name as files may be called everywhere: no sign that any system keeps for itself, no more than 80 characters. */
export function fileStem(name: string, otherwise: string): string {
  const plain = name
    .replace(/[\\/:*?"<>|\u0000-\u001f\u007f]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return (
    [...plain]
      .slice(0, MOST)
      .join('')
      .replace(/[. ]+$/, '') || otherwise
  );
}

const MOST = 80;

/** Gives names of files in one folder: one that is taken gets a number behind a sign, whatever the case of its letters. */
export function freeNames(sign = ' '): (stem: string, ending: string) => string {
  const taken = new Set<string>();
  return (stem, ending) => {
    for (let n = 1; ; n++) {
      const name = `${n === 1 ? stem : `${stem}${sign}${n}`}.${ending}`;
      if (taken.has(name.toLowerCase())) continue;
      taken.add(name.toLowerCase());
      return name;
    }
  };
}

/** A picture’s name without the ending that it came with, as files may be called. */
export const pictureStem = (name: string): string => fileStem(name.replace(/\.\w{2,4}$/, ''), 'Picture');

/** The ending by which a kind of file is known. */
export const endingOf = (media: string): string => ENDINGS[media] ?? 'bin';

const ENDINGS: Readonly<Record<string, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
  'image/tiff': 'tif',
  'image/gif': 'gif',
  'image/avif': 'avif',
  'image/svg+xml': 'svg',
  'application/pdf': 'pdf',
  'application/postscript': 'eps',
  'application/vnd.iccprofile': 'icc',
};

/** A name as a part of an address: letters and figures of any script, small, with hyphens between words. */
export function slug(name: string, otherwise: string): string {
  const words = name
    .normalize('NFKD')
    .replace(/(\p{Script=Latin})\p{M}+/gu, '$1')
    .normalize('NFC')
    .toLowerCase()
    .match(/[\p{L}\p{M}\p{N}]+/gu);
  return [...(words ?? []).join('-')].slice(0, MOST_SLUG).join('').replace(/-+$/, '') || otherwise;
}

const MOST_SLUG = 60;
