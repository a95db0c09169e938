import type { Bundle } from '@/formats/bundle/shape';
import type { InkTable } from '@/core/print/inkTable';
import type { ReadPicture } from '@/formats/pictures/read';
import type { SentCopy } from '@/formats/copy/sent';
import type { HeldPicture, WireItem } from '@/formats/wire/ninjs';

/** What a reading process is asked to do with a file that came from outside. */
export type ReadingJob =
  | { readonly job: 'copy'; readonly name: string; readonly bytes: Uint8Array; readonly encoding?: string | undefined }
  | { readonly job: 'picture'; readonly name: string; readonly bytes: Uint8Array; readonly page?: number | undefined }
  | { readonly job: 'feed'; readonly name: string; readonly bytes: Uint8Array }
  | { readonly job: 'held'; readonly name: string; readonly bytes: Uint8Array }
  | { readonly job: 'news'; readonly name: string; readonly item: WireItem }
  /** A colour profile; the usual one where there are no bytes. */
  | { readonly job: 'inkTable'; readonly name: string; readonly bytes: Uint8Array | undefined }
  | { readonly job: 'bundle'; readonly name: string; readonly bytes: Uint8Array }
  | { readonly job: 'screenCopy'; readonly side: number; readonly bytes: Uint8Array };

export interface ReadingResults {
  readonly copy: SentCopy;
  readonly picture: ReadPicture;
  readonly feed: readonly WireItem[];
  readonly held: readonly HeldPicture[];
  readonly news: SentCopy;
  readonly inkTable: InkTable;
  readonly bundle: Bundle;
  readonly screenCopy: Uint8Array;
}

/** What comes back: that it gets on, what it found, or why it cannot be taken. */
export type ReadingAnswer =
  | { readonly type: 'step' }
  | { readonly type: 'done'; readonly result: ReadingResults[keyof ReadingResults] }
  | { readonly type: 'refused'; readonly message: string; readonly status: 400 | 413 | 415 | 422 }
  | { readonly type: 'failed'; readonly message: string };
