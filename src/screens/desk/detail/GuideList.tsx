'use client';

import { X } from 'lucide-react';
import { mm } from '@/core/length/length';
import type { PlacedPage } from '@/core/page/pages';
import type { PageGuide } from '@/core/records/page';
import { Group } from '@/parts/fields/Group';
import { LengthField } from '@/parts/LengthField';
import { Tick } from '@/parts/Tick';
import type { Desk } from '../useDesk';

/** The guides drawn on a page, by figure. */
export function GuideList({ desk, page }: { desk: Desk; page: PlacedPage }) {
  const { actions, format, place, spread } = desk;
  if (place.kind === 'masters') return null;
  const { id, guides = [] } = page.page;
  const add = (direction: PageGuide['direction']) => () =>
    actions.addGuide(id, { direction, at: (direction === 'upright' ? format.width : format.height) / 2 });
  const nth = (i: number) => guides.slice(0, i + 1).filter(({ direction }) => direction === guides[i]!.direction).length;
  return (
    <Group name={`Guides of page ${page.folio}`} now={guides.length === 0 ? 'none' : String(guides.length)} folded>
      <p className="opacity-75">Drag them onto the page from its rim; Shift takes a horizontal one over the spread.</p>
      <div className="flex gap-1.5">
        <button type="button" className="btn btn-xs" onClick={add('upright')}>
          Add vertical
        </button>
        <button type="button" className="btn btn-xs" onClick={add('level')}>
          Add horizontal
        </button>
      </div>
      {guides.length > 0 && (
        <ul className="space-y-1">
          {guides.map((guide, i) => {
            const isUpright = guide.direction === 'upright';
            const name = `${isUpright ? 'Vertical' : 'Horizontal'} ${nth(i)}`;
            const own = { page: id, index: i };
            const limits = {
              type: 'length',
              unit: 'mm',
              least: -mm(20),
              most: mm(20) + (isUpright ? format.width : format.height),
            } as const;
            return (
              <li key={i} className="flex items-end gap-2">
                <LengthField
                  label={name}
                  value={guide.at}
                  limits={limits}
                  onChange={(at) => actions.moveGuide(own, id, { ...guide, at })}
                />
                {!isUpright && spread.pages.length > 1 && (
                  <Tick
                    label="Spread"
                    value={guide.spread === true}
                    onChange={(over) => actions.moveGuide(own, id, { ...guide, spread: over })}
                  />
                )}
                <button
                  type="button"
                  className="btn btn-ghost btn-xs btn-square"
                  aria-label={`Remove ${name.toLowerCase()}`}
                  onClick={() => actions.removeGuide(own)}
                >
                  <X size={12} />
                </button>
              </li>
            );
          })}
        </ul>
      )}
    </Group>
  );
}
