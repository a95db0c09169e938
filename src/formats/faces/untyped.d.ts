declare module 'wawoff2' {
  /** A face (TrueType or OpenType) as WOFF2. */
  export function compress(face: Uint8Array): Promise<Uint8Array>;
  /** A face out of WOFF2. */
  export function decompress(face: Uint8Array): Promise<Uint8Array>;
}
