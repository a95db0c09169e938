'use client';

import { grown } from '@/core/geometry/box';
import { type Look, USUAL_LOOK } from '../../sheet/look';
import { Spread } from '../../sheet/Spread';
import { toScreen } from '../../sheet/view';
import type { Desk } from '../useDesk';
import { PaperShadow } from './PaperShadow';

const AS_PRINTED: Look = { ...USUAL_LOOK, proof: true };

/** Those spreads as they will be printed: what can be worked on is the one in hand. */
export function RowSpreads({ desk: { row, format, composer } }: { desk: Desk }) {
  return row.map(({ by, pages, bleedBox, view }) => (
    <div key={pages[0]!.page.id} aria-hidden="true" data-row={by}>
      <PaperShadow at={toScreen(view, grown(bleedBox, -format.bleed))} />
      <Spread format={format} pages={pages} composer={composer} bleedBox={bleedBox} view={view} look={AS_PRINTED} />
    </div>
  ));
}

/** Where they are pressed to be taken in hand; what is carried over one goes there too. */
export function RowPlaces({ desk: { row, format, spread, view: desk } }: { desk: Desk }) {
  return row.map(({ by, pages, bleedBox, view }) => {
    const { x, y, w, h } = toScreen(view, grown(bleedBox, -format.bleed));
    const folios = pages.map(({ folio }) => folio).join('–');
    return (
      <button
        key={pages[0]!.page.id}
        type="button"
        className="absolute cursor-pointer"
        style={{ left: x, top: y, width: w, height: h }}
        aria-label={`Go to ${pages.length > 1 ? 'pages' : 'page'} ${folios}`}
        data-spread={spread.index + by}
        onClick={() => desk.goInRow(by, pages[0]!.page.id)}
      />
    );
  });
}
