'use client';

import { counted } from '@/core/records/count';
import { useEffect, useMemo, useState } from 'react';
import { type FormatChange, type GridChange, setBaseline, setFormat, setGrid } from '@/core/actions/house';
import { pageGrid, textArea } from '@/core/page/grid';
import { formatOf, mastersOf, spreads } from '@/core/page/pages';
import { SPECIMEN_TEXT, specimenDocument } from '@/core/page/specimen';
import { applied, type Diff } from '@/core/records/diff';
import { find, get } from '@/core/records/document';
import { styleSheet } from '@/core/type/styles';
import { Select } from '@/parts/Select';
import { useSetting } from '../../sheet/useSetting';
import { HouseFrame } from '../HouseFrame';
import { useHouseTools } from '../useHouseTools';
import { BeforeAfter } from './BeforeAfter';
import { CaptionChapter } from './CaptionChapter';
import { ColumnChapter } from './ColumnChapter';
import { GridDesk } from './GridDesk';
import type { GridActions, GridTools } from './chapter';
import { GuideChapter } from './GuideChapter';
import { LineChapter } from './LineChapter';
import { MarginChapter } from './MarginChapter';
import { PaperChapter } from './PaperChapter';
import { specimenFigures } from './specimenFigures';

interface GridBenchProps extends GridTools {
  readonly id: string;
  readonly publication: string;
  readonly sample: readonly string[];
  readonly body: string;
}

/** Format and grid of a house: the spread drawn true and live in the middle, what decides it on the right. */
export function GridBench({ id, publication, sample, body, store, specimen, composer }: GridBenchProps) {
  const { house: document, act, pressed, header, notices } = useHouseTools(store);
  const fits = useSetting(composer, (setting) => setting.fits);
  const trouble = useSetting(composer, (setting) => setting.trouble);
  const masters = useMemo(() => mastersOf(document), [document]);
  const [chosen, setChosen] = useState(masters[0]!.id);
  const master = find(document, 'master', chosen) ?? masters[0]!;
  /** The house as it was when this chapter was opened. */
  const [opened] = useState(document);
  /** A change that a hand is trying. */
  const [draft, setDraft] = useState<Diff>();
  const house = useMemo(() => (draft ? applied(document, draft) : document), [document, draft]);

  const shown = useMemo(
    () => specimenDocument(house, master.id, { publication, paragraphs: sample, style: body }),
    [house, master.id, publication, sample, body],
  );
  useEffect(() => specimen.show(shown), [specimen, shown]);

  const done = (work: () => void) => {
    setDraft(undefined);
    work();
  };
  const actions: GridActions = {
    format: (change) => done(() => act('Change the format', (now) => setFormat(now, change))),
    grid: (change) => done(() => act('Change the grid', (now) => setGrid(now, master.id, change))),
    baseline: (step) => act('Change the baseline grid', (now) => setBaseline(now, step)),
  };
  const format = formatOf(house);
  const own = get(house, 'master', master.id);
  const grid = pageGrid(format, own, 'right');
  const leading = styleSheet(house).paragraph.get(body)?.leading ?? format.baseline.step;
  const figures = specimenFigures(find(shown, 'text', SPECIMEN_TEXT)!.body, fits.get(SPECIMEN_TEXT));
  const area = textArea(grid, own);
  const preview = (change: FormatChange | undefined, gridChange?: GridChange) => {
    if (!change && !gridChange) return setDraft(undefined);
    try {
      setDraft(change ? setFormat(store.document, change) : setGrid(store.document, master.id, gridChange!));
    } catch {
      // What will not do is said when it is meant; on the way it shows nothing.
      setDraft(undefined);
    }
  };
  // Fields show what is so, the drawing and its figures what is being tried.
  const chapter = { format: formatOf(document), master, grid, actions, preview, pressed };
  return (
    <HouseFrame id={id} publication={publication} chapter="grid" tools={header}>
      <main className="bg-base-200 relative min-w-0 flex-1">
        <h1 className="sr-only">{publication}: format and grid</h1>
        <GridDesk
          house={house}
          pages={spreads(shown).at(-1)!}
          composer={composer}
          onDraft={(widths) => setDraft(widths && setGrid(store.document, master.id, { widths }))}
          onWidths={(widths) => pressed(() => actions.grid({ widths }))}
        />
        {trouble && (
          <p role="alert" className="text-error absolute top-3 left-3">
            {trouble}
          </p>
        )}
        <dl
          aria-label="Figures of the specimen"
          className="narrow bg-base-100/90 absolute right-0 bottom-0 left-0 flex justify-center gap-8 px-4 py-1.5"
        >
          {(
            [
              ['Type area', `${grid.lines} lines`],
              ['Text', `${counted(area.columns, 'column')}, ${Math.round(area.measure * 10) / 10} pt wide`],
              ['Characters a line', figures ? String(Math.round(figures.charactersPerLine)) : '…'],
              ['Lines a column', String(area.lines)],
              ['Words a page', figures ? figures.wordsPerPage.toLocaleString('en-GB') : '…'],
            ] as const
          ).map(([term, value]) => (
            <div key={term} className="flex gap-1.5">
              <dt className="opacity-75">{term}</dt>
              <dd className="font-semibold">{value}</dd>
            </div>
          ))}
        </dl>
      </main>
      <aside
        aria-label="Format and grid"
        className="border-base-300 bg-base-100 flex w-64 shrink-0 flex-col gap-3.5 overflow-auto *:flex-none border-l px-3.5 py-3"
      >
        <PaperChapter {...chapter} />
        <Select
          label="Grid of the pages"
          value={master.id}
          of={masters.map(({ id: value, name }) => ({ value, name }))}
          onChange={setChosen}
        />
        <MarginChapter {...chapter} />
        <ColumnChapter {...chapter} />
        <LineChapter {...chapter} leading={leading} />
        <GuideChapter {...chapter} />
        <CaptionChapter {...chapter} />
        <BeforeAfter before={opened} after={house} />
      </aside>
      {notices}
    </HouseFrame>
  );
}
