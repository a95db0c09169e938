import { type Document, find } from '../records/document';
import type { FinishLook } from '../records/finish';
import { FINISHED } from '../records/frame';
import type { FinishRecord, FrameRecord } from '../records/index';
import { frameKind, withLayout } from '../records/kinds/frames';
import { said } from '../records/said';

const made = new WeakMap<FrameRecord, { readonly finish: FinishRecord; readonly as: FrameRecord }>();

/** A frame as it looks: by its finish, but for what it says otherwise itself. The same frame of the same finish is the same object. */
export function finished(document: Document, frame: FrameRecord): FrameRecord {
  const finish = find(document, 'finish', frame.finish);
  // What is stored wrongly says nothing: its frames are seen as they are by themselves.
  if (!finish || typeof finish.look !== 'object') return frame;
  const kept = made.get(frame);
  if (kept?.finish === finish) return kept.as;
  const as = withLook(frame, finish.look);
  made.set(frame, { finish, as });
  return as;
}

function withLook(frame: FrameRecord, { shape, inset, wrap, ...look }: FinishLook): FrameRecord {
  const own = new Set(Array.isArray(frame.own) ? frame.own : []);
  const changes: Record<string, unknown> = {};
  for (const key of FINISHED) {
    if (key === 'shape' || key === 'inset' || key === 'wrap' || own.has(key)) continue;
    changes[key] = look[key];
  }
  // A rule has no form and no edge.
  if (frameKind(frame.content).isThin) delete changes['border'];
  else if (shape && !own.has('shape')) changes['shape'] = shape.type === 'rectangle' ? undefined : shape;
  if (wrap && !own.has('wrap')) changes['wrap'] = said({ ...frame.wrap, side: undefined, ...wrap });
  const out = said({ ...frame, ...changes });
  return inset === undefined || own.has('inset') ? out : withLayout(out, { inset });
}
