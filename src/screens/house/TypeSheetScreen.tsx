'use client';

import { useEffect, useState } from 'react';
import type { PaintedSpecimen, TypeSheet, TypeSheetOrder } from '@/client/typeSheet.worker';
import { unevennessOf } from '@/core/compose/typeSheet';
import { formatNumber } from '@/core/length/length';
import { HouseFrame } from './HouseFrame';
import { WordSpaceChart } from './WordSpaceChart';

interface TypeSheetScreenProps extends TypeSheetOrder {
  readonly id: string;
  readonly publication: string;
}

/** A house's paragraph styles in real composed text, with the figures that follow from them. */
export function TypeSheetScreen({ id, publication, records, sample, body }: TypeSheetScreenProps) {
  const [sheet, setSheet] = useState<TypeSheet>();
  useEffect(() => {
    const worker = new Worker(new URL('../../client/typeSheet.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<TypeSheet | 'ready'>) => {
      if (data === 'ready') worker.postMessage({ records, sample, body } satisfies TypeSheetOrder);
      else setSheet(data);
    };
    return () => worker.terminate();
  }, [records, sample, body]);
  const made = sheet && 'specimens' in sheet ? sheet : undefined;
  return (
    <HouseFrame
      id={id}
      publication={publication}
      chapter="type"
      tools={
        made && (
          <p className="narrow opacity-75">
            {made.specimens.length} paragraph styles; {made.wordsPerPage.toLocaleString('en-GB')} words of the body fit a page
          </p>
        )
      }
    >
      <main className="bg-base-100 min-w-0 flex-1 overflow-auto px-8 py-6">
        <h1 className="sr-only">{publication}: type</h1>
        {!sheet && <p role="status">Setting the type …</p>}
        {sheet && 'failed' in sheet && (
          <p role="alert" className="text-error">
            The type sheet could not be set: {sheet.failed}
          </p>
        )}
        {made && (
          <>
            <section aria-label="Word spaces by line" className="border-base-300 border-b pb-6">
              <h2 className="chapter">Word spaces of the body, line by line</h2>
              <p className="max-w-3xl py-1.5">
                The same story, broken over whole paragraphs and line by line. Total fit strays from the face’s own word space by{' '}
                <strong>{percent(unevennessOf(made.comparison.totalFit))}</strong> on average, first fit by{' '}
                <strong>{percent(unevennessOf(made.comparison.firstFit))}</strong>.
              </p>
              <WordSpaceChart comparison={made.comparison} />
            </section>
            <ul>
              {made.specimens.map((specimen) => (
                <SpecimenRow key={specimen.style} specimen={specimen} />
              ))}
            </ul>
          </>
        )}
      </main>
    </HouseFrame>
  );
}

const percent = (share: number): string => `${formatNumber(100 * share, 1)} %`;

/** Pixels to the point: about the size it prints at, on a usual screen. */
const SCALE = 4 / 3;
/** Light type on a light sheet is shown on a ground of its own. */
const LIGHT = 0xb0;

function SpecimenRow({ specimen }: { specimen: PaintedSpecimen }) {
  const { name, basedOn, properties, measure, markup, height, charactersPerLine, unevenness, hyphens, lines, lacks } = specimen;
  const colour = /fill="#([0-9a-f]{6})"/.exec(markup)?.[1] ?? '000000';
  const light = [0, 2, 4].every((i) => parseInt(colour.slice(i, i + 2), 16) > LIGHT);
  const figures: readonly (readonly [string, string])[] = [
    ['Face', `${properties.family} ${properties.weight}${properties.italic ? ' italic' : ''}`],
    ['Size on leading', `${formatNumber(properties.size, 2)} on ${formatNumber(properties.leading, 2)} pt`],
    ['Measure', `${formatNumber(measure, 1)} pt, ${lines} line${lines === 1 ? '' : 's'}`],
    ['Characters a line', formatNumber(charactersPerLine, 1)],
    ...(unevenness === undefined ? [] : ([['Word spaces stray by', percent(unevenness)]] as const)),
    ...(properties.hyphens ? ([['Hyphens', String(hyphens)]] as const) : []),
  ];
  return (
    <li className="border-base-300 grid grid-cols-[17rem_1fr] gap-8 border-b py-5" data-specimen={specimen.style}>
      <div>
        <h2 className="font-semibold">{name}</h2>
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
      <div className="justify-self-start bg-[var(--paper)] px-4 py-3 shadow-[0_1px_3px_rgb(20_33_61/0.25)]">
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
