import sharp from 'sharp';

/** A PNG of a few bytes whose head says that it is so many pixels wide and high. */
export async function pngThatClaims(width: number, height: number): Promise<Uint8Array> {
  const png = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#336699' } })
    .png()
    .toBuffer();
  const view = new DataView(png.buffer, png.byteOffset);
  view.setUint32(16, width);
  view.setUint32(20, height);
  view.setUint32(29, crc(png.subarray(12, 29)));
  return new Uint8Array(png);
}

/** The CRC-32 of PNG (ISO 3309). */
function crc(bytes: Uint8Array): number {
  let sum = 0xffffffff;
  for (const byte of bytes) {
    sum ^= byte;
    for (let i = 0; i < 8; i++) sum = sum & 1 ? (sum >>> 1) ^ 0xedb88320 : sum >>> 1;
  }
  return (sum ^ 0xffffffff) >>> 0;
}
