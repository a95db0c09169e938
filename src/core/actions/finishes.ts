import type { Diff } from '../records/diff';
import { all, type Document, find, get } from '../records/document';
import { finished } from '../page/finished';
import type { FinishLook, FinishRecord } from '../records/finish';
import { FINISHED, type FinishedKey, lookFields } from '../records/frame';
import type { FrameRecord } from '../records/index';
import { frameKind, layoutOf, withLayout } from '../records/kinds/frames';
import { referring } from '../records/references';
import { said } from '../records/said';
import { ActionError, Edit, freeName, newId, orderAfter, ownName } from './edit';
import { removeFor } from './instead';

/** Frames of a finish. */
export const framesOfFinish = (document: Document, finish: string): readonly FrameRecord[] =>
  referring(document, [get(document, 'finish', finish)]).flatMap(({ record }) =>
    record.kind === 'frame' && record.finish === finish ? [record] : [],
  );

/** Forms that say something of edges and corners; those that were drawn are one frame's own. */
const GIVEN_FORMS: ReadonlySet<string> = new Set(['rectangle', 'rounded', 'corners', 'ellipse', 'arch']);

/** What a finish would say that looks like a frame. */
export function lookOf(document: Document, frame: FrameRecord): FinishLook {
  const own = finished(document, frame);
  const form = own.shape ?? { type: 'rectangle' as const };
  const shape = GIVEN_FORMS.has(form.type) && !frameKind(own.content).isThin ? form : undefined;
  const inset = layoutOf(own.content)?.inset;
  const { mode, standOff, side } = own.wrap;
  return said({ ...lookFields(own), shape, inset, wrap: said({ mode, standOff, side }) });
}

/** Parts of a look that stay a frame's own where its finish says nothing of them. */
const STAYS: ReadonlySet<FinishedKey> = new Set(['shape', 'inset', 'wrap']);

/** What a frame no longer says that has a finish. */
const GONE: ReadonlySet<string> = new Set(['own', ...FINISHED.filter((key) => !STAYS.has(key))]);

/** A frame without what its finish now says for it. Hundreds are made at once: one walk over its fields, and no more objects. */
export function plain(frame: FrameRecord): FrameRecord {
  const out: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(frame)) if (!GONE.has(key)) out[key] = value;
  return out as unknown as FrameRecord;
}

/** What a change of a frame's look makes its own, where its finish says it too. */
export function saysItself({ finish, own = [] }: FrameRecord, changes: object): Pick<FrameRecord, 'own'> {
  if (finish === undefined) return {};
  const keys = FINISHED.filter((key) => own.includes(key) || key in changes);
  return keys.length > 0 ? { own: keys } : {};
}

const named = (document: Document, name: string, own?: string): string => ownName(all(document, 'finish'), 'finish', name, own);

/** Keeps what a frame looks like under a name; the frame has that finish from then on. @throws ActionError where there is no name */
export function keepFinish(document: Document, frame: string, name: string): Diff {
  const edit = new Edit(document);
  const own = get(document, 'frame', frame);
  const finish = edit.put<FinishRecord>({
    id: newId(),
    kind: 'finish',
    name: named(document, name),
    order: orderAfter(all(document, 'finish')),
    look: lookOf(document, own),
  });
  edit.put({ ...plain(own), finish: finish.id });
  return edit.diff();
}

/** Gives frames a finish: their crop, text, place and rotation stay as they are. */
export function giveFinish(document: Document, frames: readonly string[], finish: string): Diff {
  const edit = new Edit(document);
  get(document, 'finish', finish);
  for (const id of frames) edit.put({ ...plain(get(document, 'frame', id)), finish });
  return edit.diff();
}

/** Gives frames the look of another frame: its finish with what it says otherwise, or what it looks like itself. */
export function giveLook(document: Document, frames: readonly string[], from: FrameRecord): Diff {
  const edit = new Edit(document);
  const { shape, inset, wrap, ...look } = lookOf(document, from);
  for (const id of frames) {
    if (id === from.id) continue;
    const frame = plain(get(document, 'frame', id));
    const { finish: _, ...alone } = frame;
    if (from.finish !== undefined && find(document, 'finish', from.finish)) {
      const own = Object.fromEntries(
        (from.own ?? []).filter((key) => !STAYS.has(key)).map((key) => [key, from[key as keyof FrameRecord]]),
      );
      edit.put(said({ ...alone, ...own, finish: from.finish, own: from.own?.filter((key) => !STAYS.has(key)) }));
      continue;
    }
    const form = shape && !frameKind(frame.content).isThin ? { shape: shape.type === 'rectangle' ? undefined : shape } : {};
    const laid = inset === undefined ? alone : withLayout(alone, { inset });
    edit.put(said({ ...laid, ...look, ...form, wrap: said({ ...frame.wrap, side: undefined, ...wrap! }) }));
  }
  return edit.diff();
}

/** Lets frames look as their finish says again, in one thing or in all. */
export function followFinish(document: Document, frames: readonly string[], keys: readonly FinishedKey[] = FINISHED): Diff {
  const edit = new Edit(document);
  for (const id of frames) {
    const frame = get(document, 'frame', id);
    const own = frame.own?.filter((key) => !keys.includes(key));
    const gone = Object.fromEntries(keys.filter((key) => !STAYS.has(key)).map((key) => [key, undefined]));
    edit.put(said({ ...frame, ...gone, own: own?.length ? own : undefined }));
  }
  return edit.diff();
}

/** Makes what a frame says otherwise what its finish says: every frame of it follows. @throws ActionError where it has none */
export function intoFinish(document: Document, frame: string): Diff {
  const edit = new Edit(document);
  const own = get(document, 'frame', frame);
  const finish = find(document, 'finish', own.finish);
  if (!finish) throw new ActionError('That frame has no finish.');
  const { shape, inset, wrap, ...look } = lookOf(document, own);
  // What the frame does not say otherwise, or has none of, the finish goes on saying as it did.
  const kept = (key: 'shape' | 'inset' | 'wrap') =>
    (own.own?.includes(key) ? { ...finish.look, ...said({ shape, inset, wrap }) } : finish.look)[key];
  edit.put({
    ...finish,
    look: said({ ...look, shape: kept('shape'), inset: kept('inset'), wrap: kept('wrap') } as FinishLook),
  });
  edit.put({ ...plain(own), finish: finish.id });
  return edit.diff();
}

/** Lets frames have no finish, and look as they do. */
export function leaveFinish(document: Document, frames: readonly string[]): Diff {
  const edit = new Edit(document);
  for (const id of frames) edit.put(left(document, get(document, 'frame', id)));
  return edit.diff();
}

const left = (document: Document, frame: FrameRecord): FrameRecord =>
  said({ ...finished(document, frame), finish: undefined, own: undefined });

/** Names a finish, or has it say something else. @throws ActionError where it would have no name of its own */
export function setFinish(document: Document, id: string, change: Partial<Pick<FinishRecord, 'name' | 'look'>>): Diff {
  const edit = new Edit(document);
  const finish = get(document, 'finish', id);
  const name = change.name === undefined ? finish.name : named(document, change.name, id);
  edit.put({ ...finish, name, look: said({ ...finish.look, ...change.look }) });
  return edit.diff();
}

/** A finish to begin with: a tint with a thin edge. */
export function addFinish(document: Document): Diff {
  const edit = new Edit(document);
  const swatches = all(document, 'swatch');
  const tint = swatches.find(({ role }) => role === 'tint') ?? swatches[0];
  if (!tint) throw new ActionError('A house without colours has no finishes.');
  edit.put<FinishRecord>({
    id: newId(),
    kind: 'finish',
    name: freeName(all(document, 'finish'), 'Finish'),
    order: orderAfter(all(document, 'finish')),
    look: { fill: { swatch: tint.id, tint: 1 }, wrap: { mode: 'frame', standOff: 11.34 } },
  });
  return edit.diff();
}

/** Removes a finish: its frames have another in its place, or keep what they look like. */
export function removeFinish(document: Document, id: string, instead?: string): Diff {
  const edit = new Edit(document);
  if (instead === undefined) for (const frame of framesOfFinish(document, id)) edit.put(left(document, frame));
  removeFor(edit, 'finish', id, instead);
  return edit.diff();
}
