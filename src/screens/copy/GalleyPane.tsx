'use client';

import Link from 'next/link';
import { spotUrl } from '../frame/spotUrl';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { got } from '@/client/ask';
import type { ComposerClient } from '@/client/composerClient';
import { fitWords } from '@/core/compose/text/fit';
import { measureOf } from '@/core/compose/measure/galley';
import { lengthWords } from '@/parts/units';
import { pagesWords, storyList, wordsOf } from '@/core/plan/storyList';
import { type BodyJson, bodyOf, bodyText, countWords } from '@/core/records/body';
import { counted } from '@/core/records/count';
import { type Document, find, threadOf } from '@/core/records/document';
import type { StoryRecord } from '@/core/records/index';
import { Galley } from '../sheet/Galley';
import { useSetting } from '../sheet/useSetting';

interface GalleyPaneProps {
  readonly id: string;
  readonly document: Document;
  /** As it was when the place was opened. */
  readonly opened: Document;
  readonly story: StoryRecord;
  readonly composer: ComposerClient;
}

/** Pixels a point, and that the galley may be wide. */
const K = 1.06;
const WIDE = 232;

/** The name of yesterday's body in the galley, where only its lines are counted. */
const THEN = 'yesterday';

/** A story as it will be set: in its true measure, its lines counted, what it has to fit above it. */
export function GalleyPane({ id, document, opened, story, composer }: GalleyPaneProps) {
  const { headline, standfirst, byline, body } = story.parts;
  const yesterday = useQuery({
    queryKey: ['yesterday', id],
    queryFn: ({ signal }) => got<Readonly<Record<string, BodyJson | null>>>(`/api/documents/${id}/yesterday`, signal),
    staleTime: Infinity,
  }).data;
  const unchanged = find(opened, 'text', body)?.body;
  const then = useMemo(
    () => yesterday && (yesterday[body] === undefined ? unchanged && (unchanged.toJSON() as BodyJson) : yesterday[body]),
    [yesterday, body, unchanged],
  );
  const texts = useMemo(
    () => [headline, standfirst, byline, body].flatMap((each) => each ?? []),
    [headline, standfirst, byline, body],
  );
  useEffect(() => {
    composer.setGalley({ texts, tried: then ? [{ name: THEN, body: then, like: body }] : [] });
    return () => composer.setGalley(null);
  }, [composer, texts, then, body]);
  const fit = useSetting(composer, (setting) => setting.fits.get(body));
  const parts = useSetting(composer, (setting) => setting.galley);
  const lines = parts.find(({ name }) => name === body)?.baselines.length ?? 0;
  const linesThen = then ? (parts.find(({ name }) => name === THEN)?.baselines.length ?? lines) : then === null ? 0 : lines;
  const words = wordsOf(document, story);
  const wordsThen = useMemo(() => (then ? countWords(bodyText(bodyOf(then))) : undefined), [then]);
  const planned = storyList(document).find((each) => each.story.id === story.id);
  const over = fit !== undefined && fit.oversetLines > 0;
  const pages = planned?.pages && pagesWords(planned.pages);
  const since =
    yesterday === undefined ? undefined : changeWords(words - (then === null ? 0 : (wordsThen ?? words)), lines - linesThen);
  return (
    <section aria-label="As it will be set" className="bg-base-200 flex w-[20rem] shrink-0 flex-col">
      <header className="border-base-300 border-b px-5 py-2.5">
        <p className={`font-semibold ${over ? 'text-error' : fit ? 'text-success' : ''}`} data-fit>
          {fit ? (
            <Link
              href={spotUrl(id, { page: threadOf(document, body)[0]?.on }, body)}
              prefetch={false}
              className="hover:underline"
              title="Make it fit …"
            >
              {fitWords(fit)}
            </Link>
          ) : (
            'not placed'
          )}
        </p>
        <p className="narrow leading-tight">
          {counted(words, 'word')}
          {story.target !== undefined && ` of ${story.target.toLocaleString('en-GB')}`} · {counted(lines, 'line')}
        </p>
        <p className="narrow leading-tight opacity-75">
          {pages ? `Page ${pages}, ` : ''}
          {lengthWords(measureOf(document, body))} wide
        </p>
        {since && <p className="narrow leading-tight opacity-75">Since yesterday: {since}</p>}
      </header>
      <div role="region" aria-label="Galley" tabIndex={0} className="min-h-0 flex-1 overflow-auto py-5 pr-6 pl-11">
        {find(document, 'text', body) && <Galley composer={composer} k={K} width={WIDE} counted={body} not={THEN} />}
      </div>
    </section>
  );
}

const signed = (n: number): string =>
  n > 0 ? `+${n.toLocaleString('en-GB')}` : n < 0 ? `−${(-n).toLocaleString('en-GB')}` : '±0';

const changeWords = (words: number, lines: number): string | undefined =>
  words === 0 && lines === 0
    ? undefined
    : `${signed(words)} ${Math.abs(words) === 1 ? 'word' : 'words'}, ${signed(lines)} ${Math.abs(lines) === 1 ? 'line' : 'lines'}`;
