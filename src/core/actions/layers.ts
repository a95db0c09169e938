import { generateKeyBetween } from 'fractional-indexing';
import { withCaptions } from '../page/beside';
import type { Diff } from '../records/diff';
import { all, type Document, find, get } from '../records/document';
import type { LayerRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit, freeName, newId } from './edit';

/** Adds a layer above the others, and puts frames on it. */
export function addLayer(document: Document, name: string, frames: readonly string[]): Diff {
  const edit = new Edit(document);
  const layers = all(document, 'layer');
  const own = name.trim();
  if (own === '') throw new ActionError('A layer needs a name.');
  const order = generateKeyBetween(layers.at(-1)?.order ?? null, null);
  const layer = edit.put<LayerRecord>({ id: newId(), kind: 'layer', name: freeName(layers, own), order });
  put(edit, frames, layer.id);
  return edit.diff();
}

/** Names, hides, locks a layer, or keeps it from being printed; what is given as undefined is taken off. @throws ActionError */
export function setLayer(document: Document, id: string, change: Partial<Omit<LayerRecord, 'id' | 'kind' | 'order'>>): Diff {
  const edit = new Edit(document);
  if (change.name !== undefined && change.name.trim() === '') throw new ActionError('A layer needs a name.');
  edit.put(said({ ...get(document, 'layer', id), ...change }));
  return edit.diff();
}

/** Puts frames, pictures with their captions, on a layer; on none when not said. */
export function putOnLayer(document: Document, frames: readonly string[], layer: string | undefined): Diff {
  const edit = new Edit(document);
  if (layer !== undefined && !find(document, 'layer', layer)) throw new ActionError('That layer is no longer there.');
  put(edit, frames, layer);
  return edit.diff();
}

function put(edit: Edit, frames: readonly string[], layer: string | undefined): void {
  const { document } = edit;
  for (const id of withCaptions(document, frames)) edit.put(said({ ...get(document, 'frame', id), layer }));
}

/** Removes a layer; what lay on it stays where it is. */
export function removeLayer(document: Document, id: string): Diff {
  const edit = new Edit(document);
  edit.remove(id);
  return edit.diff();
}
