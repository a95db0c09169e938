'use client';

import { Inks } from '@/core/compose/displayList/inks';
import { lookItems } from '@/core/compose/page/lookItems';
import { finished } from '@/core/page/finished';
import { screenSource } from '@/core/pictures/screen';
import { bodyText } from '@/core/records/body';
import { type Document, find, framesOn } from '@/core/records/document';
import { lookFields, sidesOf } from '@/core/records/frame';
import type { FrameRecord, FurnitureRecord } from '@/core/records/index';
import { layoutOf, pictureIn, textIn } from '@/core/records/kinds/frames';
import { paintItem } from '@/formats/svg/painter';

/** Points between the lines that stand for text. */
const LEADING = 9;

/** A piece of furniture small: its areas and pictures as they are, its text as lines. */
export function FurnitureSample({
  document,
  furniture,
  width,
}: {
  document: Document;
  furniture: FurnitureRecord;
  width: number;
}) {
  const { width: w, height: h } = furniture;
  const high = Math.min(width * 1.2, (width * Math.max(h, 12)) / Math.max(w, 1));
  return (
    <svg
      width={width}
      height={high}
      viewBox={`-2 -2 ${w + 4} ${h + 4}`}
      aria-hidden="true"
      className="outline-base-300 bg-white outline-1"
    >
      {framesOn(document, furniture.id).map((part) => (
        <Part key={part.id} document={document} frame={finished(document, part)} />
      ))}
    </svg>
  );
}

function Part({ document, frame }: { document: Document; frame: FrameRecord }) {
  const { box } = frame;
  const markup = lookItems(document, new Inks(), `sample-${frame.id}`, lookFields(frame), box)
    .flatMap((item) => paintItem(item, () => ''))
    .map((chunk) => chunk.markup)
    .join('');
  const picture = find(document, 'picture', pictureIn(document, frame)?.picture);
  const text = find(document, 'text', textIn(frame));
  return (
    <g>
      <g dangerouslySetInnerHTML={{ __html: markup }} />
      {picture && (
        <image
          href={screenSource(picture, 200)}
          x={box.x}
          y={box.y}
          width={box.w}
          height={box.h}
          preserveAspectRatio="xMidYMid slice"
        />
      )}
      {frame.content.type === 'picture' && !picture && (
        <rect x={box.x} y={box.y} width={box.w} height={box.h} fill="none" stroke="#7d93a6" strokeDasharray="3 2" />
      )}
      {text && <TextLines frame={frame} letters={bodyText(text.body).length} />}
    </g>
  );
}

/** Lines as long as a text about fills. */
function TextLines({ frame, letters }: { frame: FrameRecord; letters: number }) {
  const inset = sidesOf(layoutOf(frame.content)?.inset ?? 0);
  const across = Math.max(4, frame.box.w - inset.left - inset.right);
  const most = Math.max(1, Math.floor((frame.box.h - inset.top - inset.bottom) / LEADING));
  const full = (letters * 4.6) / across;
  return Array.from({ length: Math.min(most, Math.max(1, Math.ceil(full))) }, (_, i) => (
    <rect
      key={i}
      x={frame.box.x + inset.left}
      y={frame.box.y + inset.top + i * LEADING + 2}
      width={across * Math.min(1, Math.max(0.2, full - i))}
      height={LEADING * 0.45}
      fill="#14213d"
      opacity={0.45}
    />
  ));
}
