import type { Diff } from '../records/diff';
import { all, type Document, get } from '../records/document';
import type { PaletteRecord, SwatchRecord } from '../records/index';
import { rgbToCmyk } from '../colour/cmyk';
import { said } from '../records/said';
import { same } from '../records/same';
import { type Cmyk, ROLES } from '../records/swatch';
import { ActionError, Edit, newId, ownName } from './edit';
import { removeFor } from './instead';

/**
 * Names a swatch, or gives it other inks; or other light, from which its inks follow; or an ink of its own.
 * @throws ActionError when it would have no name, or inks or light that there are not
 */
export function setSwatch(
  document: Document,
  id: string,
  change: Partial<Pick<SwatchRecord, 'name' | 'cmyk' | 'rgb' | 'spot'>>,
): Diff {
  const edit = new Edit(document);
  const { rgb, ...before } = get(document, 'swatch', id);
  const light = change.rgb ?? (change.cmyk || change.spot ? undefined : rgb);
  if (light && !light.every((each) => each >= 0 && each <= 1))
    throw new ActionError('Red, green and blue are between 0 and 255.');
  const next: SwatchRecord = { ...before, ...change, ...(light ? { rgb: light, cmyk: rgbToCmyk(light) } : {}) };
  if (next.name.trim() === '') throw new ActionError('A colour needs a name.');
  if (!next.cmyk.every((ink) => ink >= 0 && ink <= 1)) throw new ActionError('An ink is between 0 and 100 %.');
  edit.put(said(next));
  return edit.diff();
}

export function addSwatch(document: Document, name: string, cmyk: Cmyk): Diff {
  const edit = new Edit(document);
  edit.put({ id: newId(), kind: 'swatch', name, cmyk });
  return edit.diff();
}

/**
 * Removes a swatch; where it is used, another takes its place.
 * @throws ActionError when it is used and nothing takes its place, or palettes have a colour for it
 */
export function removeSwatch(document: Document, id: string, instead?: string): Diff {
  const edit = new Edit(document);
  const { name, role } = get(document, 'swatch', id);
  if (role) throw new ActionError(`“${name}” stays: every palette has a colour for it.`);
  removeFor(edit, 'swatch', id, instead);
  return edit.diff();
}

/** Gives every swatch that has a role the palette's colour for it. */
export function recolour(document: Document, palette: string): Diff {
  const edit = new Edit(document);
  const { colours } = get(document, 'palette', palette);
  for (const swatch of all(document, 'swatch'))
    if (swatch.role) edit.put(said({ ...swatch, rgb: undefined, spot: undefined, cmyk: colours[swatch.role] }));
  return edit.diff();
}

/** The palette whose colours the swatches have; undefined where they have those of none. */
export function paletteInUse(document: Document): PaletteRecord | undefined {
  const roles = all(document, 'swatch').filter(({ role }) => role !== undefined);
  return all(document, 'palette').find(({ colours }) => roles.every(({ role, cmyk }) => same(colours[role!], cmyk)));
}

/** Adds a palette. @throws ActionError where it has no name, or another has it */
export function addPalette(document: Document, name: string, colours: PaletteRecord['colours']): Diff {
  const edit = new Edit(document);
  edit.put<PaletteRecord>({ id: newId(), kind: 'palette', name: ownName(all(document, 'palette'), 'palette', name), colours });
  return edit.diff();
}

/** Keeps the colours of the roles, as they now are, as a palette. */
export function keepPalette(document: Document, name: string): Diff {
  const missing = ROLES.filter((role) => !all(document, 'swatch').some((swatch) => swatch.role === role));
  if (missing.length > 0)
    throw new ActionError(`A palette has a colour for every role; there is none for ${missing.join(', ')}.`);
  const colours = Object.fromEntries(all(document, 'swatch').flatMap(({ role, cmyk }) => (role ? [[role, cmyk]] : [])));
  return addPalette(document, name, colours as PaletteRecord['colours']);
}
