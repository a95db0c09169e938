'use client';

import { useEffect, useRef } from 'react';
import type { Comparison } from '@/core/compose/measure/wordSpaces';

const HEIGHT = 240;

/** Word spaces by line as shares of the face's own: total fit over first fit. */
export function WordSpaceChart({ comparison }: { comparison: Comparison }) {
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = ref.current!;
    let gone = false;
    void import('plotly.js-basic-dist-min').then(({ default: plotly }) => {
      if (gone) return;
      const style = getComputedStyle(document.documentElement);
      const ink = style.getPropertyValue('--color-base-content').trim() || '#14213d';
      const line = (name: string, y: readonly number[], color: string, width: number) => ({
        type: 'scatter' as const,
        mode: 'lines+markers' as const,
        name,
        x: y.map((_, i) => i + 1),
        y: y.map((each) => Math.round(each * 1000) / 10),
        line: { color, width },
        marker: { color, size: 4 },
        hovertemplate: 'line %{x}: %{y} %<extra>%{fullData.name}</extra>',
      });
      void plotly.newPlot(
        element,
        [line('Line by line', comparison.firstFit, '#c1452b', 1), line('Whole paragraph', comparison.totalFit, '#2d6f8f', 2)],
        {
          height: HEIGHT,
          margin: { l: 52, r: 8, t: 8, b: 36 },
          paper_bgcolor: 'transparent',
          plot_bgcolor: 'transparent',
          font: { family: getComputedStyle(document.body).fontFamily, size: 12, color: ink },
          legend: { orientation: 'h', x: 1, xanchor: 'right', y: 1.12 },
          xaxis: { title: { text: 'Line' }, showgrid: false, zeroline: false },
          yaxis: { title: { text: 'Word space, %' }, gridcolor: 'rgba(20,33,61,0.12)', zeroline: false },
          shapes: [{ type: 'line', xref: 'paper', x0: 0, x1: 1, y0: 100, y1: 100, line: { color: ink, width: 1, dash: 'dot' } }],
        },
        { displayModeBar: false, responsive: true },
      );
    });
    return () => {
      gone = true;
      void import('plotly.js-basic-dist-min').then(({ default: plotly }) => plotly.purge(element));
    };
  }, [comparison]);
  return (
    <div
      ref={ref}
      role="img"
      aria-label="Word spaces by line, broken over the whole paragraph and line by line"
      style={{ height: HEIGHT }}
      data-chart
    />
  );
}
