'use client';

import { type Fit, fitWords } from '@/core/compose/fit';
import { type Document, find, threadOf } from '@/core/records/document';
import type { TextContent, TextLayout } from '@/core/records/frame';
import type { FrameRecord } from '@/core/records/index';
import { Choice } from '@/parts/Choice';
import { LengthField } from '@/parts/LengthField';
import { Select } from '@/parts/Select';
import { Tick } from '@/parts/Tick';
import { textOf, troubleWords } from '../frameWords';
import { Chapter } from './Chapter';
import { SidesField } from './SidesField';

interface TextChapterProps {
  readonly document: Document;
  readonly frame: FrameRecord;
  readonly content: TextContent;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly onLayout: (layout: Partial<TextLayout>) => void;
}

/** How a text fits, and how it stands in its frame. */
export function TextChapter({ document, frame, content, fits, onLayout }: TextChapterProps) {
  const fit = fits.get(content.text);
  const thread = threadOf(document, content.text);
  const of = textOf(document, frame);
  return (
    <>
      <Chapter name="Text" now={fit && fitWords(fit)}>
        {fit && of?.text.role === 'body' && (
          <p className={fit.oversetLines > 0 ? 'text-error font-semibold' : 'text-success font-semibold'}>
            {fitWords(fit)}
            {fit.oversetLines > 0 && `, ${fit.oversetWords} words`}
          </p>
        )}
        {fit && <Troubles fit={fit} />}
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
        {!content.grows && <Columns content={content} onLayout={onLayout} />}
      </Chapter>
      <LayoutChapter content={content} onLayout={onLayout} />
    </>
  );
}

function Troubles({ fit }: { fit: Fit }) {
  const troubles = troubleWords(fit);
  if (troubles.length === 0) return null;
  return (
    <ul aria-label="What the typesetter reports" className="text-warning list-none">
      {troubles.map((trouble) => (
        <li key={trouble}>{trouble}</li>
      ))}
    </ul>
  );
}

export function Columns({ content, onLayout }: { content: TextLayout; onLayout: (layout: Partial<TextLayout>) => void }) {
  const step = (name: string, sign: string, to: number) => (
    <button
      type="button"
      className="btn btn-xs btn-square"
      aria-label={name}
      disabled={to < 1}
      onClick={() => onLayout({ columns: to })}
    >
      {sign}
    </button>
  );
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <div>
          <span className="text-2xs opacity-70">Columns</span>
          <div className="flex items-center gap-1">
            {step('Fewer columns', '−', content.columns - 1)}
            <span className="w-5 text-center">{content.columns}</span>
            {step('More columns', '+', content.columns + 1)}
          </div>
        </div>
        <LengthField label="Gutter" value={content.gutter} onChange={(gutter) => onLayout({ gutter })} />
      </div>
      {content.columns > 1 && (
        <Tick
          label="Balance the columns at the end"
          value={content.balanced ?? false}
          onChange={(balanced) => onLayout({ balanced })}
        />
      )}
    </>
  );
}

const ALIGNED: Readonly<Record<TextContent['align'], string>> = {
  top: 'Top',
  centre: 'Middle',
  bottom: 'Foot',
  spread: 'Spread',
};

/** What the frame itself does to the text: its edges, where lines begin and end, which way they run. */
export function LayoutChapter({ content, onLayout }: { content: TextLayout; onLayout: (layout: Partial<TextLayout>) => void }) {
  const { firstBaseline = 'ascent', turns = 0 } = content;
  const turned = turns === 0 ? '' : `, turned by ${turns * 90}°`;
  return (
    <Chapter name="Text in its frame" now={`${ALIGNED[content.align]}${turned}`} folded>
      {!content.grows && (
        <Choice
          label="Lines stand at"
          value={content.align}
          of={(['top', 'centre', 'bottom', 'spread'] as const).map((value) => ({ value, name: ALIGNED[value] }))}
          onChange={(align) => onLayout({ align })}
        />
      )}
      {content.align === 'spread' && !content.grows && (
        <LengthField
          label="At most between paragraphs"
          value={content.spreadMost ?? 12}
          onChange={(spreadMost) => onLayout({ spreadMost })}
        />
      )}
      <div className="flex gap-2">
        <Select
          label="First baseline"
          value={typeof firstBaseline === 'number' ? 'fixed' : firstBaseline}
          of={[
            { value: 'ascent', name: 'By ascent' },
            { value: 'capHeight', name: 'By cap height' },
            { value: 'leading', name: 'By leading' },
            { value: 'fixed', name: 'Fixed' },
          ]}
          onChange={(value) => onLayout({ firstBaseline: value === 'fixed' ? 12 : value })}
        />
        {typeof firstBaseline === 'number' && (
          <LengthField label="Below the top" value={firstBaseline} onChange={(points) => onLayout({ firstBaseline: points })} />
        )}
      </div>
      <SidesField label="Inset" value={content.inset} onChange={(inset) => onLayout({ inset })} />
      <div>
        <span className="text-2xs opacity-70">Lines run</span>
        <Choice
          label="Lines run"
          value={String(turns)}
          of={[
            { value: '0', name: 'Across' },
            { value: '3', name: 'Up' },
            { value: '1', name: 'Down' },
            { value: '2', name: 'Upside down' },
          ]}
          onChange={(value) => onLayout({ turns: Number(value) as 0 | 1 | 2 | 3 })}
        />
      </div>
      <div>
        <Tick label="As high as its text" value={content.grows} onChange={(grows) => onLayout({ grows })} />
        <Tick
          label="Type as wide as the frame"
          value={content.fitsWidth ?? false}
          onChange={(fitsWidth) => onLayout({ fitsWidth })}
        />
        <Tick label="Ignores text wraps" value={content.ignoresWraps} onChange={(ignoresWraps) => onLayout({ ignoresWraps })} />
      </div>
    </Chapter>
  );
}
