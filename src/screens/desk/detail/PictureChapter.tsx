'use client';

import { type Beneath, captionText } from '@/core/actions/captions';
import type { PictureWords } from '@/core/actions/pictures';
import { useRef } from 'react';
import { NumberField } from '@/parts/NumberField';
import { WordsField } from '@/parts/WordsField';
import type { Box } from '@/core/geometry/box';
import { type PictureFiles, pictureStates } from '@/core/pictures/states';
import { ENOUGH_PPI, effectiveResolution, GOOD_PPI, placedPicture } from '@/core/pictures/placing';
import { type Document, find } from '@/core/records/document';
import type { PictureContent } from '@/core/records/frame';
import type { PictureRecord } from '@/core/records/index';
import { isDrawing, PICTURE_ENDINGS } from '@/core/records/picture';
import { Group } from '@/parts/fields/Group';

interface PictureChapterProps {
  readonly document: Document;
  readonly frame: string;
  readonly content: PictureContent;
  readonly box: Box;
  readonly onPictureWords: (picture: string, words: Partial<PictureWords>) => void;
  readonly onPage: (picture: PictureRecord, page: number) => void;
  readonly onFile: (picture: PictureRecord, file: File) => void;
  readonly files: PictureFiles;
  /** Looks for all that is missing among files. */
  readonly onFind: (files: readonly File[]) => void;
  readonly onRenew: (picture: PictureRecord) => void;
  /** Makes the frame smaller, until the picture is fine enough. */
  readonly onShrink: () => void;
  /** Goes into a text. */
  readonly onWrite: (text: string) => void;
}

/** What is known of a picture as it lies here: whether it is fine enough for print, its inks, its words. */
export function PictureChapter(props: PictureChapterProps) {
  const { document, frame, content, box, onPictureWords, onPage, onFile, onWrite } = props;
  const picture = find(document, 'picture', content.picture);
  const chooser = useRef<HTMLInputElement>(null);
  if (!picture) return <p className="opacity-75">This frame is empty. Drag a picture from the tray onto it.</p>;
  const onWords = (words: Partial<PictureWords>) => onPictureWords(picture.id, words);
  // What is set on the page is written there.
  const captioned = (what: Beneath) => {
    const text = captionText(document, frame, what);
    if (!text) return undefined;
    return (
      <button type="button" className="btn btn-xs self-start" onClick={() => onWrite(text.id)}>
        {what === 'caption' ? 'Write the caption on the page' : 'Write the credit on the page'}
      </button>
    );
  };
  return (
    <Group name="Picture">
      <Resolution picture={picture} ppi={effectiveResolution(picture, placedPicture(box, picture, content).box)} />
      <States {...props} picture={picture} />
      <p className="opacity-75">{kindWords(picture)}</p>
      {picture.colour === 'rgb' && !isDrawing(picture) && <p className="opacity-75">Converted to inks for print.</p>}
      {picture.pages !== undefined && picture.pages > 1 && (
        <NumberField
          label={`Page, of ${picture.pages}`}
          value={picture.page ?? 1}
          least={1}
          most={picture.pages}
          whole
          onChange={(page) => onPage(picture, page)}
        />
      )}
      <button type="button" className="btn btn-xs self-start" onClick={() => chooser.current?.click()}>
        Replace the file …
      </button>
      <input
        ref={chooser}
        type="file"
        hidden
        accept={PICTURE_ENDINGS}
        aria-label="File to replace it with"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(picture, file);
          event.target.value = '';
        }}
      />
      {captioned('caption') ?? (
        <WordsField label="Caption" lines={2} most={2000} value={picture.caption} onChange={(caption) => onWords({ caption })} />
      )}
      {captioned('credit') ?? <WordsField label="Credit" value={picture.credit} onChange={(credit) => onWords({ credit })} />}
      <WordsField
        label="Alternative text"
        lines={2}
        most={2000}
        help="What it shows, for those who do not see it."
        value={picture.alternative ?? ''}
        onChange={(words) => onWords({ alternative: words.trim() || undefined })}
      />
      {picture.rights && <p className="opacity-75">Rights: {picture.rights}</p>}
    </Group>
  );
}

/** What is wrong with a picture here, each with what mends it. */
function States({ picture, content, box, files, onFind, onRenew, onShrink }: PictureChapterProps & { picture: PictureRecord }) {
  const chooser = useRef<HTMLInputElement>(null);
  const mends = {
    missing: { name: 'Find the file …', run: () => chooser.current?.click() },
    changed: { name: 'Take the newer one', run: () => onRenew(picture) },
    coarse: { name: `Make it smaller, to ${ENOUGH_PPI} ppi`, run: onShrink },
  } as const;
  return (
    <>
      {pictureStates(picture, box, content, files).map(({ is, words }) => (
        <div key={is} data-state={is}>
          {is !== 'coarse' && <p className="text-error font-semibold">{words}.</p>}
          <button type="button" className="btn btn-xs mt-0.5" onClick={mends[is].run}>
            {mends[is].name}
          </button>
        </div>
      ))}
      <input
        ref={chooser}
        type="file"
        hidden
        multiple
        accept={PICTURE_ENDINGS}
        aria-label="Files to look through"
        onChange={(event) => {
          if (event.target.files?.length) onFind([...event.target.files]);
          event.target.value = '';
        }}
      />
    </>
  );
}

/** How many pixels to the inch a picture has as it lies, and whether they will do. */
export function Resolution({ picture, ppi }: { picture: PictureRecord; ppi: number }) {
  if (isDrawing(picture)) return <p>A drawing: sharp at any size</p>;
  return (
    <p className={ppi >= ENOUGH_PPI ? '' : 'text-error font-semibold'} data-ppi={Math.round(ppi)}>
      {`${Math.round(ppi)} ppi, ${ppi >= GOOD_PPI ? 'good for print' : ppi >= ENOUGH_PPI ? 'enough to print' : 'too coarse to print'}`}
    </p>
  );
}

const COLOURS = { rgb: 'RGB', cmyk: 'CMYK', grey: 'Grey' } as const;

const KINDS: Readonly<Record<PictureRecord['media'], string>> = {
  'image/jpeg': 'JPEG',
  'image/png': 'PNG',
  'image/webp': 'WebP',
  'image/tiff': 'TIFF',
  'image/avif': 'AVIF',
  'image/gif': 'GIF',
  'image/svg+xml': 'SVG',
  'application/pdf': 'PDF',
  'application/postscript': 'EPS',
};

/** "TIFF, 2,400 × 1,600, CMYK, 16 bits, profile Coated". */
function kindWords({ media, width, height, colour, depth, profile, page }: PictureRecord): string {
  const size = `${Math.round(width).toLocaleString('en-GB')} × ${Math.round(height).toLocaleString('en-GB')}`;
  return [
    KINDS[media],
    ...(page === undefined ? [] : [`page ${page}`]),
    size,
    COLOURS[colour],
    ...(depth ? [`${depth} bits`] : []),
    ...(profile ? [`profile ${profile}`] : []),
  ].join(', ');
}
