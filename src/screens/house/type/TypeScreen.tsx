'use client';

import { counted } from '@/core/records/count';
import { proxy, type Remote, wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { DocumentStore, Opened } from '@/client/documentStore';
import { startWorker, workerUrl } from '@/client/startWorker';
import type { PaintedSpecimen, TypeSheet, TypeSheetMaker } from '@/client/typeSheet.worker';
import { type Comparison, unevennessOf } from '@/core/compose/measure/wordSpaces';
import type { SampleText } from '@/core/page/sampleText';
import { formatNumber } from '@/core/length/length';
import { applied, type Diff } from '@/core/records/diff';
import { type Document, find } from '@/core/records/document';
import { stored } from '@/core/records/stored';
import { HouseFrame } from '../HouseFrame';
import { useHouse } from '../useHouse';
import { useHouseTools } from '../useHouseTools';
import { StylePanel } from './StylePanel';
import { WordSpaceChart } from './WordSpaceChart';

interface TypeScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
  readonly sample: SampleText;
  /** The style whose lines are compared. */
  readonly body: string;
}

/** A house's styles in real composed text, with the figures that follow from them, and all they say to be changed. */
export function TypeScreen(props: TypeScreenProps) {
  const store = useHouse(props.id, props.opened);
  if (store) return <Open {...props} store={store} />;
  return (
    <HouseFrame id={props.id} publication={props.publication} chapter="type">
      <p className="p-6 opacity-70" role="status">
        Setting the type …
      </p>
    </HouseFrame>
  );
}

function Open({ id, publication, sample, body, store }: TypeScreenProps & { store: DocumentStore }) {
  const { house, act, pressed, header, notices } = useHouseTools(store);
  const [tried, setTried] = useState<Diff>();
  // A change that is being tried is set like one that is done.
  const shown = useMemo(() => (tried ? applied(house, tried) : house), [house, tried]);
  const sheet = useTypeSheet(shown, sample, body);
  const [chosen, setChosen] = useState(body);
  const [asking, setAsking] = useState(false);
  useEffect(() => {
    if (!asking) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [asking]);
  const choose = (next: string) => {
    if (!asking) return setChosen(next);
    // The question is in sight beside the fields; it is answered first.
    window.document.querySelector<HTMLElement>('[role="alertdialog"] button')?.focus();
  };
  const made = sheet && 'specimens' in sheet ? sheet : undefined;
  const style =
    find(house, 'paragraphStyle', chosen) ?? find(house, 'characterStyle', chosen) ?? find(house, 'paragraphStyle', body)!;
  return (
    <HouseFrame
      id={id}
      publication={publication}
      chapter="type"
      tools={
        <>
          {made?.figures && (
            <p className="narrow pr-3 opacity-75">
              {made.specimens.length} styles; {made.figures.wordsPerPage.toLocaleString('en-GB')} words of the body fit a page
            </p>
          )}
          {header}
        </>
      }
    >
      <main className="bg-base-100 min-w-0 flex-1 overflow-auto px-7 py-5">
        <h1 className="sr-only">{publication}: type</h1>
        {!sheet && <p role="status">Setting the type …</p>}
        {sheet && 'failed' in sheet && (
          <p role="alert" className="text-error">
            The type sheet could not be set: {sheet.failed}
          </p>
        )}
        {made && (
          <>
            <ul>
              {made.specimens.map((specimen) => (
                <SpecimenRow
                  key={specimen.style}
                  specimen={specimen}
                  chosen={specimen.style === style.id}
                  onChoose={() => choose(specimen.style)}
                />
              ))}
            </ul>
            {made.figures ? <Breaking comparison={made.figures.comparison} /> : <p role="status">Setting the rest …</p>}
          </>
        )}
      </main>
      <StylePanel
        key={style.id}
        house={house}
        style={style}
        act={act}
        pressed={pressed}
        onChoose={setChosen}
        onPreview={setTried}
        onAsking={setAsking}
      />
      {notices}
    </HouseFrame>
  );
}

/** How the body's lines are broken over whole paragraphs and line by line. */
function Breaking({ comparison }: { comparison: Comparison }) {
  return (
    <section aria-label="Word spaces by line" className="pt-6">
      <h2 className="chapter">Word spaces of the body, line by line</h2>
      <p className="max-w-3xl py-1.5">
        The same story, broken over whole paragraphs and line by line. Over whole paragraphs, word spaces vary from the face’s own
        by <strong>{percent(unevennessOf(comparison.totalFit))}</strong> on average; line by line, by{' '}
        <strong>{percent(unevennessOf(comparison.firstFit))}</strong>.
      </p>
      <WordSpaceChart comparison={comparison} />
    </section>
  );
}

/** The type sheet of a house as it now is, or why there is none; the last one stays in sight while the next is set. */
function useTypeSheet(house: Document, sample: SampleText, body: string): TypeSheet | { readonly failed: string } | undefined {
  const [sheet, setSheet] = useState<TypeSheet | { readonly failed: string }>();
  const [maker, setMaker] = useState<Remote<TypeSheetMaker>>();
  useEffect(() => {
    const { worker, stopped } = startWorker(workerUrl('typeSheet'));
    setMaker(() => wrap<TypeSheetMaker>(worker));
    void stopped.then((why) => setSheet({ failed: `The type sheet stopped (${why}). Reload the page.` }));
    return () => worker.terminate();
  }, []);
  useEffect(() => {
    void maker
      ?.make({ records: [...house.records.values()].map(stored), sample, body }, proxy(setSheet))
      .then((made) => made && setSheet(made))
      .catch((error: unknown) => setSheet({ failed: error instanceof Error ? error.message : String(error) }));
  }, [maker, house, sample, body]);
  return sheet;
}

const percent = (share: number): string => `${formatNumber(100 * share, 1)} %`;

/** Pixels to the point. */
const SCALE = 1.15;
/** Light type on a light sheet is shown on a ground of its own. */
const LIGHT = 0xb0;

function SpecimenRow({ specimen, chosen, onChoose }: { specimen: PaintedSpecimen; chosen: boolean; onChoose: () => void }) {
  const { name, basedOn, properties, measure, markup, height, charactersPerLine, unevenness, hyphens, lines, lacks } = specimen;
  const colour = /fill="#([0-9a-f]{6})"/.exec(markup)?.[1] ?? '000000';
  const light = [0, 2, 4].every((i) => parseInt(colour.slice(i, i + 2), 16) > LIGHT);
  const figures: readonly (readonly [string, string])[] = [
    ['Face', `${properties.family} ${properties.weight}${properties.italic ? ' italic' : ''}`],
    ['Size on leading', `${formatNumber(properties.size, 2)} on ${formatNumber(properties.leading, 2)} pt`],
    ['Measure', `${formatNumber(measure, 1)} pt, ${counted(lines, 'line')}`],
    ['Characters a line', formatNumber(charactersPerLine, 1)],
    ...(unevenness === undefined ? [] : ([['Word spaces vary by', percent(unevenness)]] as const)),
    ...(properties.hyphens ? ([['Hyphens', String(hyphens)]] as const) : []),
  ];
  const row = useRef<HTMLLIElement>(null);
  // A style that was just made comes into sight.
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <li
      ref={row}
      className={`border-base-300 relative grid grid-cols-[12.5rem_1fr] gap-5 border-b py-4 pl-3 ${chosen ? 'before:bg-primary before:absolute before:inset-y-2 before:left-0 before:w-[3px]' : ''}`}
      data-specimen={specimen.style}
    >
      <div>
        <h2>
          <button type="button" className="text-left font-semibold hover:underline" aria-pressed={chosen} onClick={onChoose}>
            {name}
          </button>
        </h2>
        {specimen.kind === 'characterStyle' && <p className="narrow opacity-75">character style</p>}
        {basedOn && <p className="narrow opacity-75">based on {basedOn}</p>}
        <dl className="narrow grid grid-cols-[auto_1fr] gap-x-3 pt-1.5">
          {figures.map(([term, value]) => (
            <div key={term} className="contents">
              <dt className="opacity-75">{term}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
        {lacks.length > 0 && <p className="narrow text-error pt-1">The face lacks {lacks.join(', ')}.</p>}
      </div>
      <div className="min-w-0 justify-self-start bg-[var(--paper)] px-4 py-3 shadow-[0_1px_3px_rgb(20_33_61/0.25)]">
        <svg
          role="img"
          aria-label={`Text in the style ${name}`}
          width={measure * SCALE + 16}
          height={(height + 8) * SCALE}
          viewBox={`-6 -3 ${measure + 12} ${height + 6}`}
          className="max-w-full overflow-visible"
          textRendering="geometricPrecision"
        >
          {light && <rect x={-6} y={-3} width={measure + 12} height={height + 6} fill="#14213d" />}
          <g dangerouslySetInnerHTML={{ __html: markup }} />
        </svg>
      </div>
    </li>
  );
}
