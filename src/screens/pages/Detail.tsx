'use client';

import { useState } from 'react';
import type { Fit } from '@/core/compose/fit';
import { fitWords } from '@/core/compose/fit';
import type { Box } from '@/core/geometry/box';
import { formatNumber } from '@/core/length/length';
import { pageGrid, stretchBox, stretchOf, type Stretch } from '@/core/page/grid';
import type { PlacedPage } from '@/core/page/pages';
import { effectiveResolution, placedPicture } from '@/core/pictures/placing';
import { type Document, find, threadOf } from '@/core/records/document';
import { sidesOf } from '@/core/records/frame';
import type { FormatRecord, FrameRecord } from '@/core/records/index';
import { Choice } from '@/parts/Choice';
import { LengthField } from '@/parts/LengthField';
import type { FrameActions } from './FrameBar';
import { frameName, textOf } from './frameWords';

interface DetailProps {
  readonly document: Document;
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly frame: FrameRecord | undefined;
  readonly page: PlacedPage | undefined;
  readonly box: Box | undefined;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly actions: FrameActions;
  readonly onBox: (box: Box) => void;
  readonly onColumns: (columns: number, gutter: number) => void;
  readonly onMark: (page: PlacedPage, stretch: Stretch) => void;
  readonly onAddPages: (count: number) => void;
}

/** What is chosen, in figures and words, all of it to be changed. */
export function Detail(props: DetailProps) {
  const { document, frame, page, box } = props;
  return (
    <aside
      aria-label="Detail"
      className="border-base-300 bg-base-100 flex w-60 shrink-0 flex-col gap-5 overflow-auto border-l px-3.5 py-3"
    >
      {frame && page && box ? (
        <>
          <h2 className="leading-tight font-semibold">{frameName(document, frame)}</h2>
          <PlaceChapter key={`${frame.id} place`} {...props} frame={frame} page={page} box={box} />
          {frame.content.type === 'text' && <TextChapter {...props} frame={frame} />}
          {textOf(document, frame)?.text.role !== 'body' && <WrapChapter {...props} frame={frame} />}
          {frame.content.type === 'picture' && <PictureChapter {...props} frame={frame} box={box} />}
        </>
      ) : (
        <PageChapter {...props} />
      )}
    </aside>
  );
}

interface RangeProps {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly most: number;
  readonly onChange: (from: number, to: number) => void;
}

/** Two whole numbers, from and to. */
function Range({ name, from, to, most, onChange }: RangeProps) {
  const input = (label: string, value: number, set: (next: number) => void) => (
    <input
      key={value}
      aria-label={`${name}, ${label}`}
      type="number"
      min={1}
      max={most}
      defaultValue={value}
      className="field narrow w-full"
      onBlur={(event) => {
        const next = Math.round(Number(event.target.value));
        if (!Number.isFinite(next) || next < 1 || next > most) event.target.value = String(value);
        else if (next !== value) set(next);
      }}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
    />
  );
  return (
    <div className="grid grid-cols-[4rem_1fr_auto_1fr] items-center gap-1.5">
      <span className="opacity-75">{name}</span>
      {input('from', from, (next) => onChange(Math.min(next, to), Math.max(next, to)))}
      <span className="opacity-60">to</span>
      {input('to', to, (next) => onChange(Math.min(from, next), Math.max(from, next)))}
    </div>
  );
}

function PlaceChapter({ format, page, box, onBox }: DetailProps & { frame: FrameRecord; page: PlacedPage; box: Box }) {
  const grid = pageGrid(format, page.master, page.side);
  const at = stretchOf(grid, box);
  return (
    <section aria-label="Place">
      <h3 className="chapter pb-1">Place{at.onColumns ? '' : ', off the columns'}</h3>
      <Range
        name="Columns"
        from={at.columns[0]}
        to={at.columns[1]}
        most={grid.columns.length}
        onChange={(from, to) => onBox({ ...box, ...across(stretchBox(grid, { ...at, columns: [from, to] })) })}
      />
      <Range
        name="Lines"
        from={at.lines[0]}
        to={at.lines[1]}
        most={grid.lines}
        onChange={(from, to) => onBox({ ...box, ...down(stretchBox(grid, { ...at, lines: [from, to] })) })}
      />
      <div className="flex gap-2 pt-2">
        <LengthField label="From left" value={box.x} onChange={(x) => onBox({ ...box, x })} />
        <LengthField label="From top" value={box.y} onChange={(y) => onBox({ ...box, y })} />
      </div>
      <div className="flex gap-2 pt-1">
        <LengthField label="Width" value={box.w} onChange={(w) => onBox({ ...box, w })} />
        <LengthField label="Height" value={box.h} onChange={(h) => onBox({ ...box, h })} />
      </div>
    </section>
  );
}

const across = ({ x, w }: Box) => ({ x, w });
const down = ({ y, h }: Box) => ({ y, h });

function TextChapter({ document, frame, fits, actions, onColumns }: DetailProps & { frame: FrameRecord }) {
  if (frame.content.type !== 'text') return null;
  const { content } = frame;
  const fit = fits.get(content.text);
  const thread = threadOf(document, content.text);
  const of = textOf(document, frame);
  return (
    <section aria-label="Text">
      <h3 className="chapter pb-1">Text</h3>
      {fit && of?.text.role === 'body' && (
        <p className={fit.oversetLines > 0 ? 'text-error font-semibold' : 'text-success font-semibold'}>
          {fitWords(fit)}
          {fit.oversetLines > 0 && `, ${fit.oversetWords} words`}
        </p>
      )}
      {thread.length > 1 && (
        <p className="opacity-75">
          Frame {thread.findIndex(({ id }) => id === frame.id) + 1} of {thread.length} in its thread
        </p>
      )}
      {of?.text.source && (
        <p className="opacity-75">
          Quoted from {find(document, 'story', find(document, 'text', of.text.source.text)?.story)?.name ?? 'a story'}
        </p>
      )}
      {!content.grows && (
        <div className="grid grid-cols-2 gap-2 pt-1">
          <div>
            <span className="text-2xs opacity-70">Columns</span>
            <div className="flex items-center gap-1">
              <button
                type="button"
                className="btn btn-xs btn-square"
                aria-label="Fewer columns"
                disabled={content.columns === 1}
                onClick={() => actions.columns(content.columns - 1)}
              >
                −
              </button>
              <span className="w-5 text-center">{content.columns}</span>
              <button
                type="button"
                className="btn btn-xs btn-square"
                aria-label="More columns"
                onClick={() => actions.columns(content.columns + 1)}
              >
                +
              </button>
            </div>
          </div>
          <LengthField label="Gutter" value={content.gutter} onChange={(gutter) => onColumns(content.columns, gutter)} />
        </div>
      )}
    </section>
  );
}

function WrapChapter({ document, frame, actions }: DetailProps & { frame: FrameRecord }) {
  const picture = frame.content.type === 'picture' ? find(document, 'picture', frame.content.picture) : undefined;
  const outlines = picture?.outlines ?? {};
  const traced = frame.wrap.outline === 'alpha' || frame.wrap.outline === 'background' ? outlines[frame.wrap.outline] : undefined;
  const points = (traced ?? []).reduce((sum, ring) => sum + ring.length / 2, 0);
  return (
    <section aria-label="Text wrap">
      <h3 className="chapter pb-1">Text wrap</h3>
      <Choice
        label="Text wrap"
        value={frame.wrap.mode}
        of={[
          { value: 'none', name: 'None' },
          { value: 'frame', name: 'Frame' },
          { value: 'outline', name: 'Outline', disabled: !outlines.alpha && !outlines.background },
          { value: 'clear', name: 'Clear' },
        ]}
        onChange={(mode) => actions.wrap({ mode })}
      />
      {frame.wrap.mode !== 'none' && (
        <div className="pt-2">
          <LengthField
            label="Stand-off"
            value={Math.max(...Object.values(sidesOf(frame.wrap.standOff)))}
            onChange={(standOff) => actions.wrap({ standOff })}
          />
        </div>
      )}
      {frame.wrap.mode === 'outline' && (
        <p className="pt-1.5 opacity-75">
          {frame.wrap.outline === 'alpha' ? 'From transparency' : 'From the plain background'}, {points} points
        </p>
      )}
    </section>
  );
}

/** Pixels to the inch below which a picture looks coarse in print (common practice). */
const ENOUGH = 250;

function PictureChapter({ document, frame, box, actions }: DetailProps & { frame: FrameRecord; box: Box }) {
  if (frame.content.type !== 'picture') return null;
  const picture = find(document, 'picture', frame.content.picture);
  if (!picture) return <p className="opacity-75">The frame waits for a picture. Drag one from the tray onto it.</p>;
  const placed = placedPicture(box, picture, frame.content);
  const ppi = effectiveResolution(picture, placed);
  const drawing = picture.media === 'image/svg+xml';
  return (
    <>
      <section aria-label="Picture in its frame">
        <h3 className="chapter pb-1">Picture in its frame</h3>
        <Choice
          label="Picture in its frame"
          value={frame.content.fit}
          of={[
            { value: 'fill', name: 'Fill' },
            { value: 'fit', name: 'Show all' },
          ]}
          onChange={actions.fit}
        />
        <p className="pt-2">Scale {formatNumber((100 * placed.w) / (picture.width * 0.24), 1)} % of 300 ppi</p>
        <p className={drawing || ppi >= ENOUGH ? '' : 'text-error font-semibold'}>
          {drawing
            ? 'A drawing: sharp at any size'
            : `${Math.round(ppi)} ppi, ${ppi >= ENOUGH ? 'enough to print' : 'too coarse to print'}`}
        </p>
      </section>
      {(picture.caption || picture.credit) && (
        <section aria-label="Caption and credit">
          <h3 className="chapter pb-1">Caption and credit</h3>
          <p>{picture.caption}</p>
          <p className="opacity-75">{picture.credit}</p>
        </section>
      )}
    </>
  );
}

function PageChapter({ format, pages, onMark, onAddPages }: DetailProps) {
  const [which, setWhich] = useState(0);
  const page = pages[which] ?? pages[0];
  const [marked, setMarked] = useState<Stretch>({ columns: [1, 1], lines: [1, 10] });
  if (!page) return null;
  const grid = pageGrid(format, page.master, page.side);
  return (
    <>
      <section aria-label="Spread">
        <h2 className="font-semibold">
          {pages.length > 1 ? `Pages ${pages[0]!.number} and ${pages[1]!.number}` : `Page ${page.number}`}
        </h2>
        <p className="opacity-75">
          {grid.columns.length} columns, {grid.lines} lines,{' '}
          {pages
            .map(({ master }) => master.name)
            .filter((name, i, all) => all.indexOf(name) === i)
            .join(' and ')}
        </p>
        <p className="pt-2 opacity-75">Choose a frame by pressing on it. Drag over empty grid to mark out a stretch.</p>
      </section>
      <section aria-label="Mark out a stretch">
        <h3 className="chapter pb-1">Mark out a stretch</h3>
        {pages.length > 1 && (
          <div className="pb-1.5">
            <Choice
              label="On page"
              value={String(pages.indexOf(page))}
              of={pages.map(({ number }, i) => ({ value: String(i), name: `Page ${number}` }))}
              onChange={(value) => setWhich(Number(value))}
            />
          </div>
        )}
        <Range
          name="Columns"
          from={marked.columns[0]}
          to={marked.columns[1]}
          most={grid.columns.length}
          onChange={(from, to) => setMarked({ ...marked, columns: [from, to] })}
        />
        <Range
          name="Lines"
          from={marked.lines[0]}
          to={marked.lines[1]}
          most={grid.lines}
          onChange={(from, to) => setMarked({ ...marked, lines: [from, to] })}
        />
        <button type="button" className="btn btn-xs mt-2" onClick={() => onMark(page, marked)}>
          Mark out
        </button>
      </section>
      <section aria-label="Pages">
        <h3 className="chapter pb-1">Pages</h3>
        <div className="flex gap-1.5">
          <button type="button" className="btn btn-xs" onClick={() => onAddPages(1)}>
            Add one after
          </button>
          <button type="button" className="btn btn-xs" onClick={() => onAddPages(2)}>
            Add two after
          </button>
        </div>
      </section>
    </>
  );
}
