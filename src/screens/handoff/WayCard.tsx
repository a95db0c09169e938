'use client';

import { BookOpen, Files, FileText, FolderClosed, Globe, Images, Newspaper, Package, Printer } from 'lucide-react';
import type { ReactNode } from 'react';
import type { PagesToLay } from '@/core/handoff/pressPlan';
import { WAYS, type Chosen, type WayName } from '@/core/handoff/ways';
import { Fields } from '@/parts/fields/Fields';
import { PressSheets } from './PressSheets';

const ICONS: Readonly<Record<WayName, ReactNode>> = {
  print: <Printer size={19} />,
  screen: <FileText size={19} />,
  web: <Globe size={19} />,
  epub: <BookOpen size={19} />,
  pages: <Images size={19} />,
  sheets: <Newspaper size={19} />,
  stories: <Files size={19} />,
  folder: <FolderClosed size={19} />,
  bundle: <Package size={19} />,
};

interface WayCardProps {
  readonly issue: string;
  readonly chosen: Chosen;
  readonly pages: PagesToLay | undefined;
  readonly isBusy: boolean;
  readonly onChoose: (key: string, value: unknown) => void;
  readonly onMake: () => void;
}

/** A way out of the house: what comes, with its choices, and the press that has it made. */
export function WayCard({ issue, chosen, pages, isBusy, onChoose, onMake }: WayCardProps) {
  const { name, says, choices } = WAYS[chosen.way];
  return (
    <section aria-label={name} className="bg-base-100 border-base-300 flex gap-5 border p-5">
      <div className="w-36 shrink-0">
        {chosen.way === 'sheets' ? (
          pages && <PressSheets issue={issue} pages={pages} choices={chosen.choices} />
        ) : (
          <Shape issue={issue} chosen={chosen} />
        )}
      </div>
      <div className="flex min-w-0 flex-1 flex-col">
        <h2 className="flex items-center gap-2 pb-1.5 text-base font-semibold">
          {ICONS[chosen.way]} {name}
        </h2>
        <p className="pb-3">{says}</p>
        <div className="pb-3">
          <Fields table={choices} of={[chosen.choices]} onChange={onChoose} />
        </div>
        <button
          type="button"
          className="btn btn-primary btn-sm mt-auto self-start font-semibold"
          disabled={isBusy}
          onClick={onMake}
        >
          Make {inSentence(name)}
        </button>
      </div>
    </section>
  );
}

/** A name within a sentence: with a small letter, but for what is an abbreviation. */
export const inSentence = (name: string): string =>
  /^\p{Lu}{2}/u.test(name) ? name : name.charAt(0).toLowerCase() + name.slice(1);

/** What comes, as a picture: pages or a spread, with what is drawn around them. */
function Shape({ issue, chosen }: { issue: string; chosen: Exclude<Chosen, { way: 'sheets' }> }) {
  if (chosen.way === 'stories') return <Lines />;
  if (chosen.way === 'web' || chosen.way === 'epub') return <OnScreen issue={issue} isWide={chosen.way === 'web'} />;
  const isSpread = chosen.way === 'bundle' || (chosen.way !== 'folder' && chosen.choices.sheets === 'spreads');
  const marks =
    chosen.way === 'print' ? chosen.choices : chosen.way === 'folder' ? { ...NO_MARKS, ...chosen.choices } : undefined;
  return (
    <div className="relative p-3.5">
      <div className="flex shadow-[0_1px_3px_rgb(20_33_61/0.3)]">
        {(isSpread ? [2, 3] : [1]).map((page) => (
          <img
            key={page}
            src={`/api/documents/${issue}/pages/${page}`}
            alt={`Page ${page}`}
            className="min-w-0 flex-1 bg-white"
          />
        ))}
      </div>
      {marks?.crop && CORNERS.map((place) => <span key={place} className={`bg-base-content absolute ${place}`} />)}
      {marks?.fold && isSpread && FOLDS.map((place) => <span key={place} className={`border-base-content absolute ${place}`} />)}
      {marks?.strip && <InkStrip />}
      {marks?.slug && <span className="bg-base-content/60 absolute bottom-1 left-5 h-px w-14" />}
    </div>
  );
}

const NO_MARKS = { fold: false, strip: false, slug: false };

const CORNERS = [
  'left-3.5 top-0 h-2.5 w-px',
  'right-3.5 top-0 h-2.5 w-px',
  'left-3.5 bottom-0 h-2.5 w-px',
  'right-3.5 bottom-0 h-2.5 w-px',
  'left-0 top-3.5 h-px w-2.5',
  'left-0 bottom-3.5 h-px w-2.5',
  'right-0 top-3.5 h-px w-2.5',
  'right-0 bottom-3.5 h-px w-2.5',
];

const FOLDS = ['left-1/2 top-0 h-2.5 border-l border-dashed', 'left-1/2 bottom-0 h-2.5 border-l border-dashed'];

function InkStrip() {
  return (
    <span className="absolute top-1/2 left-0.5 flex -translate-y-1/2 flex-col">
      {['#009fe3', '#e6007e', '#ffed00', '#1d1d1b'].map((ink) => (
        <span key={ink} className="h-2 w-2" style={{ background: ink }} />
      ))}
    </span>
  );
}

/** The cover and the words beside it on a screen. */
function OnScreen({ issue, isWide }: { issue: string; isWide: boolean }) {
  return (
    <div className="p-2">
      <div
        className={`flex gap-2 overflow-hidden rounded-md border-4 border-[#14213d] bg-white p-2 ${isWide ? 'aspect-[4/3]' : 'mx-3 aspect-[3/4] flex-col'}`}
      >
        <img
          src={`/api/documents/${issue}/pages/1`}
          alt="Cover"
          className={`self-start shadow-[0_1px_3px_rgb(20_33_61/0.3)] ${isWide ? 'w-2/5' : 'w-1/2'}`}
        />
        <span aria-hidden="true" className="flex flex-1 flex-col gap-1.5">
          <span className="mb-0.5 h-1.5 w-4/5 bg-[#14213d]/70" />
          {WIDTHS.slice(0, 7).map((width, i) => (
            <span key={i} className="h-0.5 bg-[#14213d]/35" style={{ width }} />
          ))}
        </span>
      </div>
    </div>
  );
}

/** Words without their pages. */
function Lines() {
  return (
    <div aria-hidden="true" className="p-3.5">
      <div className="flex aspect-[3/4] flex-col gap-1.5 bg-white p-3 shadow-[0_1px_3px_rgb(20_33_61/0.3)]">
        <span className="mb-1 h-2 w-3/4 bg-[#14213d]/70" />
        {WIDTHS.map((width, i) => (
          <span key={i} className="h-0.5 bg-[#14213d]/35" style={{ width }} />
        ))}
      </div>
    </div>
  );
}

const WIDTHS = ['100%', '94%', '98%', '60%', '100%', '96%', '99%', '92%', '45%', '100%', '97%', '90%', '70%'];
