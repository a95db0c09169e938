'use client';

import { useMemo, useState } from 'react';
import { usesOfSwatch } from '@/core/actions/recolouring';
import { paletteInUse } from '@/core/actions/colour';
import { cmykToRgbHex, rgbHex } from '@/core/colour/cmyk';
import { placedPage, placedPages } from '@/core/page/pages';
import { all } from '@/core/records/document';
import type { SwatchRecord } from '@/core/records/index';
import { ROLES } from '@/core/records/swatch';
import { Choice } from '@/parts/Choice';
import { Dialog } from '@/parts/Dialog';
import { PaletteBar } from '@/parts/PaletteBar';
import { PaletteFromPicture } from '@/parts/PaletteFromPicture';
import { screenSource } from '@/core/pictures/screen';
import type { Desk } from './useDesk';

interface ColoursDialogProps {
  readonly desk: Desk;
  readonly onClose: () => void;
}

type Scope = 'spread' | 'section' | 'issue';

/** The colours in an issue: where each is used, another in its place, and palettes for a spread, a section or all of it. */
export function ColoursDialog({ desk, onClose }: ColoursDialogProps) {
  const { document, spread } = desk;
  const [scope, setScope] = useState<Scope>('spread');
  const section = spread.pages[0]!.section;
  const pages =
    scope === 'spread'
      ? spread.pages.map(({ page }) => page.id)
      : placedPages(document).flatMap((each) => (each.section?.id === section?.id ? [each.page.id] : []));
  const rank = ({ role }: SwatchRecord) => (role ? ROLES.indexOf(role) : ROLES.length);
  const swatches = [...all(document, 'swatch')].sort((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name, 'en'));
  const palettes = all(document, 'palette');
  const inUse = paletteInUse(document);
  const pictures = useMemo(
    () =>
      all(document, 'picture')
        .filter(({ media }) => media !== 'application/pdf')
        .map((picture) => ({ id: picture.id, name: picture.name, href: screenSource(picture, 200) })),
    [document],
  );
  return (
    <Dialog title="Colours in the issue" size="wide" onClose={onClose}>
      <div className="flex max-h-[calc(100vh-12rem)] flex-col gap-4 overflow-y-auto p-5">
        <h2 className="text-lg font-semibold">Colours in the issue</h2>
        <div className="flex items-center gap-3">
          <span className="opacity-75">Change them</span>
          <Choice
            label="Where colours are changed"
            value={scope}
            of={[
              { value: 'spread', name: spread.pages.length > 1 ? 'On this spread' : 'On this page' },
              { value: 'section', name: section ? `In “${section.name}”` : 'In this section', disabled: !section },
              { value: 'issue', name: 'In the whole issue' },
            ]}
            onChange={setScope}
          />
        </div>
        <section aria-label="Palettes">
          <h3 className="chapter pb-1">Palettes</h3>
          <ul className="grid grid-cols-3 gap-x-4 gap-y-3 pb-3">
            {palettes.map((palette) => (
              <li key={palette.id}>
                <PaletteBar colours={palette.colours} low />
                <div className="flex items-center justify-between gap-2 pt-1">
                  <span className="narrow truncate" title={palette.name}>
                    {palette.name}
                  </span>
                  {scope === 'issue' && inUse?.id === palette.id ? (
                    <span className="text-success shrink-0">in use</span>
                  ) : (
                    <button
                      type="button"
                      className="btn btn-xs min-h-6"
                      aria-label={`Use ${palette.name}`}
                      onClick={() =>
                        scope === 'issue' ? desk.actions.palette(palette.id) : desk.actions.paletteOn(pages, palette.id)
                      }
                    >
                      Use
                    </button>
                  )}
                </div>
              </li>
            ))}
          </ul>
          <PaletteFromPicture pictures={pictures} onKeep={desk.actions.addPalette} />
        </section>
        <section aria-label="Where colours are used">
          <h3 className="chapter pb-1">Where they are used</h3>
          <ul>
            {swatches.map((swatch) => (
              <SwatchRow
                key={swatch.id}
                desk={desk}
                swatch={swatch}
                others={swatches.filter(({ id }) => id !== swatch.id)}
                scope={scope}
                onGo={(page, frames) => {
                  const to = placedPage(document, page);
                  if (!to) return;
                  onClose();
                  desk.spread.go(to.spread);
                  desk.chosen.choose(frames);
                }}
                onInstead={(to) =>
                  scope === 'issue' ? desk.actions.mergeSwatch(swatch.id, to) : desk.actions.recolourPages(pages, swatch.id, to)
                }
              />
            ))}
          </ul>
        </section>
      </div>
    </Dialog>
  );
}

interface SwatchRowProps {
  readonly desk: Desk;
  readonly swatch: SwatchRecord;
  readonly others: readonly SwatchRecord[];
  readonly scope: Scope;
  readonly onGo: (page: string, frames: readonly string[]) => void;
  readonly onInstead: (to: string) => void;
}

/** Styles and the like that are named before the others are counted. */
const NAMED = 4;

function SwatchRow({ desk: { document }, swatch, others, scope, onGo, onInstead }: SwatchRowProps) {
  const { pages, named } = usesOfSwatch(document, swatch.id);
  const [instead, setInstead] = useState('');
  const isUsed = pages.length > 0 || named.length > 0;
  const more = named.length - NAMED;
  return (
    <li data-swatch={swatch.id} className="border-base-300 flex items-start gap-3 border-b py-2">
      <span
        aria-hidden="true"
        className="border-base-300 mt-0.5 h-6 w-9 shrink-0 border"
        style={{ background: swatch.rgb ? rgbHex(swatch.rgb) : cmykToRgbHex(swatch.cmyk) }}
      />
      <div className="min-w-0 flex-1">
        <span className="font-medium">{swatch.name}</span>
        {!isUsed && <span className="opacity-75"> · not used</span>}
        {named.length > 0 && (
          <span className="narrow block opacity-75">
            {named.slice(0, NAMED).join(', ')}
            {more > 0 && ` and ${more} more`}
          </span>
        )}
        {pages.length > 0 && (
          <span className="narrow flex flex-wrap items-baseline gap-x-1">
            <span className="opacity-75">{pages.length === 1 ? 'Page' : 'Pages'}</span>
            {pages.map(({ page, frames }) => {
              const folio = placedPage(document, page)?.folio;
              return (
                <button
                  key={page}
                  type="button"
                  className="link min-h-6 px-0.5"
                  aria-label={`Show ${swatch.name} on page ${folio}`}
                  onClick={() => onGo(page, frames)}
                >
                  {folio}
                </button>
              );
            })}
          </span>
        )}
      </div>
      <form
        className="flex shrink-0 items-center gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          if (instead === '') return;
          onInstead(instead);
          setInstead('');
        }}
      >
        <select
          aria-label={`In place of ${swatch.name}`}
          className="field narrow w-36"
          value={instead}
          disabled={!isUsed}
          onChange={(event) => setInstead(event.target.value)}
        >
          <option value="">Another colour</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <button type="submit" className="btn btn-xs min-h-6 w-20" disabled={instead === ''}>
          {scope === 'issue' && !swatch.role ? 'Merge into' : 'Use instead'}
        </button>
      </form>
    </li>
  );
}
