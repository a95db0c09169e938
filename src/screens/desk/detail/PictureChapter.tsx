'use client';

import type { Box } from '@/core/geometry/box';
import { formatNumber } from '@/core/length/length';
import { effectiveResolution, placedPicture } from '@/core/pictures/placing';
import { type Document, find } from '@/core/records/document';
import type { PictureContent } from '@/core/records/frame';
import { Choice } from '@/parts/Choice';
import { Group } from '@/parts/fields/Group';

/** Pixels to the inch below which a picture looks coarse in print (common practice). */
const ENOUGH = 250;

interface PictureChapterProps {
  readonly document: Document;
  readonly content: PictureContent;
  readonly box: Box;
  readonly onFit: (fit: 'fill' | 'fit') => void;
}

/** How a picture lies in its frame, and whether it is fine enough for print. */
export function PictureChapter({ document, content, box, onFit }: PictureChapterProps) {
  const picture = find(document, 'picture', content.picture);
  if (!picture) return <p className="opacity-75">This frame is empty. Drag a picture from the tray onto it.</p>;
  const placed = placedPicture(box, picture, content);
  const ppi = effectiveResolution(picture, placed);
  const drawing = picture.media === 'image/svg+xml';
  return (
    <>
      <Group name="Picture in its frame">
        <Choice
          label="Picture in its frame"
          value={content.fit}
          of={[
            { value: 'fill', name: 'Fill' },
            { value: 'fit', name: 'Show all' },
          ]}
          onChange={onFit}
        />
        <div>
          <p>Scale {formatNumber((100 * placed.w) / (picture.width * 0.24), 1)} % of 300 ppi</p>
          <p className={drawing || ppi >= ENOUGH ? '' : 'text-error font-semibold'}>
            {drawing
              ? 'A drawing: printed at 600 pixels to the inch'
              : `${Math.round(ppi)} ppi, ${ppi >= ENOUGH ? 'enough to print' : 'too coarse to print'}`}
          </p>
        </div>
      </Group>
      {(picture.caption || picture.credit) && (
        <Group name="Caption and credit" folded>
          <div>
            <p>{picture.caption}</p>
            <p className="opacity-75">{picture.credit}</p>
          </div>
        </Group>
      )}
    </>
  );
}
