import { cutTo, wellFormed } from '@/core/records/plain';

/**
 * A file that cannot be taken. The message is one sentence for the person who chose it; `status` is the HTTP status
 * that says the same to a program.
 */
export class RefusedFileError extends Error {
  override name = 'RefusedFileError';
  readonly status: 400 | 413 | 415 | 422;

  constructor(message: string, status: 400 | 413 | 415 | 422 = 422) {
    super(message);
    this.status = status;
  }
}

/** A file's name as a person may read it: without folders, control characters, and not too long. */
export function plainName(name: string): string {
  const last = name.split(/[\\/]/).at(-1) ?? '';
  const clean = wellFormed(last.replace(/[\u0000-\u001f\u007f]/g, '')).trim();
  return cutTo(clean, 120) || 'unnamed file';
}

/** Bytes as people say them. */
export function megabytes(bytes: number): string {
  return `${Math.round(bytes / 1_000_000)} MB`;
}
