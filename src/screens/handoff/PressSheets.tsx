'use client';

import { useState } from 'react';
import type { PressSheet, SheetSide } from '@/core/handoff/imposition';
import { type PagesToLay, pressPlan } from '@/core/handoff/pressPlan';
import { laidSheet, type PressLayout } from '@/core/handoff/pressSheet';
import type { WayChoices } from '@/core/handoff/ways';
import { counted } from '@/core/records/count';
import { Dialog } from '@/parts/Dialog';

interface PressSheetsProps {
  readonly issue: string;
  readonly pages: PagesToLay;
  readonly choices: WayChoices['sheets'];
}

/** The first sheet as it will come, how many there are, and a way to look at all of them. */
export function PressSheets({ issue, pages, choices }: PressSheetsProps) {
  const [all, setAll] = useState(false);
  const { sheets, layout } = pressPlan(pages, choices);
  const blank = sheets.reduce((sum, { front, back }) => sum + blanks(front) + blanks(back), 0);
  return (
    <div className="p-1">
      <Side issue={issue} side={sheets[0]!.front} layout={layout} called="Sheet 1, front" />
      <p className="narrow pt-2 opacity-75">
        {counted(sheets.length, 'sheet')}
        {blank > 0 && `, ${counted(blank, 'page')} blank at the end`}
      </p>
      <button type="button" className="link link-hover narrow" onClick={() => setAll(true)}>
        See every sheet
      </button>
      {all && <AllSheets issue={issue} sheets={sheets} layout={layout} onClose={() => setAll(false)} />}
    </div>
  );
}

const blanks = ({ cells }: SheetSide): number => cells.filter(({ page }) => page === undefined).length;

interface AllSheetsProps {
  readonly issue: string;
  readonly sheets: readonly PressSheet[];
  readonly layout: PressLayout;
  readonly onClose: () => void;
}

function AllSheets({ issue, sheets, layout, onClose }: AllSheetsProps) {
  return (
    <Dialog title="Imposed sheets" size="full" onClose={onClose}>
      <div className="p-5">
        <div className="flex items-baseline justify-between pb-4">
          <h2 className="text-lg font-semibold">Imposed sheets</h2>
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Close
          </button>
        </div>
        <ol className="grid grid-cols-1 gap-6 md:grid-cols-2">
          {sheets.flatMap((sheet, i) =>
            (['front', 'back'] as const).map((which) => (
              <li key={`${i} ${which}`}>
                <p className="pb-1.5 font-medium">
                  Sheet {i + 1}, {which}
                </p>
                <Side issue={issue} side={sheet[which]} layout={layout} called={`Sheet ${i + 1}, ${which}`} />
              </li>
            )),
          )}
        </ol>
      </div>
    </Dialog>
  );
}

/** A side of a sheet: its pages where they lie, with what is cut and folded. */
function Side({ issue, side, layout, called }: { issue: string; side: SheetSide; layout: PressLayout; called: string }) {
  const { width, height, cells, folds } = laidSheet(side, layout);
  const pages = cells.map(({ page, turned }) => (page === undefined ? 'blank' : `${page}${turned ? ' upside down' : ''}`));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`${called}: ${pages.join(', ')}`}
      className="w-full bg-white shadow-[0_1px_3px_rgb(20_33_61/0.3)]"
    >
      {cells.map((cell) => {
        const { x, y, page, turned } = cell;
        const middle = { x: x + layout.width / 2, y: y + layout.height / 2 };
        return (
          <g key={`${cell.column} ${cell.row}`} transform={turned ? `rotate(180 ${middle.x} ${middle.y})` : undefined}>
            {page !== undefined && (
              <image
                href={`/api/documents/${issue}/pages/${page}`}
                x={x}
                y={y}
                width={layout.width}
                height={layout.height}
                preserveAspectRatio="none"
              />
            )}
            <rect
              x={x}
              y={y}
              width={layout.width}
              height={layout.height}
              fill="none"
              stroke="#14213d"
              strokeOpacity={0.35}
              strokeWidth={1.5}
            />
            <text
              x={middle.x}
              y={middle.y}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={layout.height / 3.2}
              fontWeight={700}
              fill="#14213d"
              stroke="#ffffff"
              strokeWidth={layout.height / 40}
              paintOrder="stroke"
            >
              {page ?? '–'}
            </text>
          </g>
        );
      })}
      {folds.across.map((x) => (
        <line key={`x${x}`} x1={x} x2={x} y1={0} y2={height} stroke="#14213d" strokeDasharray="14 10" strokeWidth={2} />
      ))}
      {folds.down.map((y) => (
        <line key={`y${y}`} x1={0} x2={width} y1={y} y2={y} stroke="#14213d" strokeDasharray="14 10" strokeWidth={2} />
      ))}
      {layout.gripper > 0 && (
        <rect x={0} y={height - layout.gripper} width={width} height={layout.gripper} fill="#14213d" fillOpacity={0.12} />
      )}
    </svg>
  );
}
