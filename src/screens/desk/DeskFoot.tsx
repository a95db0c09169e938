'use client';

import { useEffect, useState } from 'react';
import { parseNumber, type Unit, UNITS } from '@/core/length/length';
import { lengthWords, UNIT_NAMES, units, useUnit } from '@/parts/units';
import { useCommitted } from '@/parts/useCommitted';
import type { PlacedPage } from '@/core/page/pages';
import type { Look } from '../sheet/look';
import type { DeskView } from '../sheet/useDeskView';

interface DeskFootProps {
  readonly desk: DeskView;
  readonly pages: readonly PlacedPage[];
  readonly width: number;
  readonly look: Look;
  /** The name of the text that is written in. */
  readonly writing: string | undefined;
  readonly onToggle: (what: keyof Look) => void;
}

/** The line under the desk: where the pointer is, what lies there, and what is in sight. */
export function DeskFoot({ desk, pages, width, look, writing, onToggle }: DeskFootProps) {
  const first = pages[0]!;
  return (
    <footer className="border-base-300 bg-base-100 narrow flex h-6 min-w-0 shrink-0 items-center gap-4 overflow-hidden border-t px-3 whitespace-nowrap">
      {writing === undefined ? (
        <PointerPlace desk={desk} pages={pages} width={width} />
      ) : (
        <span
          role="status"
          className="bg-primary text-primary-content -ml-3 flex h-6 shrink-0 items-center px-3 font-semibold"
          data-typing
        >
          Writing in {writing}. Esc leaves it.
        </span>
      )}
      <span className="min-w-0 flex-initial truncate" title={`${first.master.name} master`}>
        {pages.length > 1 ? `Spread ${first.number}–${pages[1]!.number}` : `Page ${first.number}`}, {first.master.name} master
      </span>
      <ZoomField desk={desk} />
      {desk.turn !== 0 && (
        <button type="button" className="font-semibold underline" onClick={() => desk.turnBy(-desk.turn / 90)}>
          Turned {desk.turn}°, turn it back
        </button>
      )}
      <UnitField />
      <Switch on={look.columns} name="Columns and guides" keys="," run={() => onToggle('columns')} />
      <Switch on={look.baselines} name="Baselines" keys=";" run={() => onToggle('baselines')} />
      <Switch on={look.proof} name="Proof" keys="." run={() => onToggle('proof')} />
    </footer>
  );
}

/** How large the spread is shown: chosen from the usual ones, or typed. */
function ZoomField({ desk }: { desk: DeskView }) {
  const now = `${Math.round(desk.view.k * 100)} %`;
  const { typed, wrong, type, commit, onKeyDown, atRest } = useCommitted((words) => {
    const share = parseNumber(words, '%') / 100;
    if (!(share >= 0.05 && share <= 24)) throw new RangeError('From 5 to 2,400 %.');
    if (words !== now) desk.zoomTo(share);
  });
  return (
    <span className="flex items-center">
      <input
        aria-label="Zoom"
        title={wrong ?? 'Zoom: 5 to 2,400 %'}
        aria-invalid={wrong !== undefined}
        list="zooms"
        className={`w-14 bg-transparent tabular-nums ${wrong ? 'text-error' : ''}`}
        value={typed ?? now}
        onChange={(event) => type(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={commit}
        onKeyDown={onKeyDown}
        {...atRest}
      />
      <datalist id="zooms">
        {[25, 50, 75, 100, 150, 200, 400, 800].map((each) => (
          <option key={each} value={`${each} %`} />
        ))}
      </datalist>
    </span>
  );
}

/** The unit of lengths that this person goes by. */
function UnitField() {
  const now = useUnit();
  const own = units.own();
  return (
    <select
      aria-label="Unit of lengths"
      title="The unit you read and type lengths in. Type sizes are in points."
      className="bg-base-100 hover:bg-base-200 shrink-0"
      value={own ?? ''}
      onChange={(event) => units.choose((event.target.value || undefined) as Unit | undefined)}
    >
      <option value="">{`House: ${own ? units.ofPublication() : now}`}</option>
      {UNITS.map((unit) => (
        <option key={unit} value={unit}>
          {UNIT_NAMES[unit]}
        </option>
      ))}
    </select>
  );
}

/** Where the pointer is. It keeps that to itself, so that nothing else is drawn anew while it moves. */
function PointerPlace({ desk, pages, width }: Pick<DeskFootProps, 'desk' | 'pages' | 'width'>) {
  const [place, setPlace] = useState('');
  const { ref, pointAt } = desk;
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const onMove = (event: PointerEvent) => {
      const point = pointAt(event);
      const page = pages.find(({ dx }) => point.x >= dx && point.x <= dx + width) ?? pages[0]!;
      setPlace(`x ${lengthWords(point.x - page.dx)}  y ${lengthWords(point.y)}`);
    };
    const onLeave = () => setPlace('');
    element.addEventListener('pointermove', onMove);
    element.addEventListener('pointerleave', onLeave);
    return () => {
      element.removeEventListener('pointermove', onMove);
      element.removeEventListener('pointerleave', onLeave);
    };
  }, [ref, pointAt, pages, width]);
  return <span className="w-40 shrink-0 max-xl:w-32">{place}</span>;
}

function Switch({ on, name, keys, run }: { on: boolean; name: string; keys: string; run: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={run}
      className={`shrink-0 ${on ? 'font-semibold' : 'opacity-75 hover:opacity-100'}`}
    >
      {name} <kbd className="pl-1 font-bold">{keys}</kbd>
    </button>
  );
}
