/**
 * What a colour profile calls itself, and how many inks or lights it is of (ICC.1:2022: header in 7.2, `desc` in 9.2.41;
 * `textDescriptionType` of ICC.1:2001, 6.5.17, which most profiles in use still have).
 *
 * @returns undefined where it is no profile, or a broken one
 */
export function readProfile(bytes: Uint8Array | undefined): { readonly name: string; readonly channels: 1 | 3 | 4 } | undefined {
  if (!bytes || bytes.length < 132) return undefined;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const text = (at: number, length: number) => Buffer.from(bytes.subarray(at, at + length)).toString('latin1');
  if (text(36, 4) !== 'acsp' || view.getUint32(0) > bytes.length) return undefined;
  const channels = CHANNELS[text(16, 4)];
  if (channels === undefined) return undefined;
  const tags = view.getUint32(128);
  for (let i = 0; i < Math.min(tags, 100); i++) {
    const entry = 132 + 12 * i;
    if (entry + 12 > bytes.length) return undefined;
    if (text(entry, 4) !== 'desc') continue;
    const at = view.getUint32(entry + 4);
    if (at + 28 > bytes.length) return undefined;
    const type = text(at, 4);
    if (type === 'desc') {
      const length = view.getUint32(at + 8);
      return { name: plain(text(at + 12, Math.min(length, 200))), channels };
    }
    if (type === 'mluc') {
      const [length, from] = [view.getUint32(at + 20), at + view.getUint32(at + 24)];
      let name = '';
      for (let k = from; k + 1 < Math.min(bytes.length, from + Math.min(length, 400)); k += 2)
        name += String.fromCharCode(view.getUint16(k));
      return { name: plain(name), channels };
    }
  }
  return undefined;
}

const CHANNELS: Readonly<Record<string, 1 | 3 | 4>> = { GRAY: 1, 'RGB ': 3, CMYK: 4, 'Lab ': 3 };

const plain = (name: string): string =>
  name
    .replace(/[\u0000-\u001f\u007f-\u009f]/g, '')
    .trim()
    .slice(0, 200) || 'Unnamed';
