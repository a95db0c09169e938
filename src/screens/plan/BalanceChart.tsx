'use client';

import { useEffect, useRef } from 'react';
import type * as PlotlyModule from 'plotly.js-basic-dist-min';
import type { Balance } from '@/core/plan/balance';

const HEIGHT = 118;

/** Milliseconds. */
const LONGEST_WAIT = 3000;

interface BalanceChartProps {
  readonly folios: readonly string[];
  readonly pages: readonly Balance[];
}

const KINDS = [
  ['text', 'Text', '--plan-text'],
  ['pictures', 'Pictures', '--plan-pictures'],
  ['advertisements', 'Advertisements', '--plan-advertisements'],
] as const;

/** What takes up each page: text, pictures, advertisements, as shares of its type area. */
export function BalanceChart({ folios, pages }: BalanceChartProps) {
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = ref.current!;
    let gone = false;
    const draw = ({ default: plotly }: typeof PlotlyModule) => {
      if (gone) return;
      const style = getComputedStyle(document.documentElement);
      const colour = (name: string) => style.getPropertyValue(name).trim();
      const x = folios.map((_, i) => i);
      const every = Math.max(1, Math.ceil(folios.length / 24));
      const ticks = x.filter((i) => i % every === 0);
      void plotly.react(
        element,
        KINDS.map(([kind, name, ink]) => ({
          type: 'bar',
          name,
          x,
          y: pages.map((page) => Math.round(page[kind] * 1000) / 10),
          customdata: folios,
          marker: { color: colour(ink) },
          hovertemplate: 'page %{customdata}: %{y} %<extra>%{fullData.name}</extra>',
        })),
        {
          barmode: 'stack',
          bargap: 0.18,
          height: HEIGHT,
          margin: { l: 26, r: 4, t: 4, b: 18 },
          paper_bgcolor: 'transparent',
          plot_bgcolor: 'transparent',
          showlegend: false,
          font: { family: getComputedStyle(document.body).fontFamily, size: 10, color: colour('--color-base-content') },
          xaxis: { tickvals: ticks, ticktext: ticks.map((i) => folios[i]), fixedrange: true, showgrid: false, zeroline: false },
          yaxis: { range: [0, 100], tickvals: [0, 50, 100], fixedrange: true, gridcolor: 'rgba(20,33,61,0.12)', zeroline: false },
        },
        { displayModeBar: false, responsive: true },
      );
    };
    // The pages themselves come first: the chart is drawn when there is time for it.
    const idle = requestIdleCallback(() => void import('plotly.js-basic-dist-min').then(draw), {
      timeout: LONGEST_WAIT,
    });
    return () => {
      gone = true;
      cancelIdleCallback(idle);
    };
  }, [folios, pages]);
  return (
    <div ref={ref} role="img" aria-label="Text, pictures and advertisements by page" style={{ height: HEIGHT }} data-chart />
  );
}
