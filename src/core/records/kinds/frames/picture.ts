import { find } from '../../document';
import type { PictureContent, Wrap } from '../../frame';
import { maybe, oneOf, parts, reference, SHARE } from '../../kind';
import type { FrameKind } from './kind';

/** A picture, or the place of one. */
export const PICTURE_FRAME: FrameKind<PictureContent> = {
  fields: {
    picture: maybe(reference('picture', 'forgets')),
    fit: oneOf('fill', 'fit'),
    focus: parts({ x: SHARE, y: SHARE }),
  },
  named: ({ picture: id }, document) => {
    const picture = find(document, 'picture', id);
    return picture ? `Picture, ${picture.name}` : 'Picture frame, empty';
  },
  waitsFor: ({ picture }) => (picture === undefined ? 'Picture' : undefined),
  picture: ({ picture, fit, focus }) => (picture === undefined ? undefined : { picture, fit, focus }),
  takesPicture: ({ picture }) => (picture === undefined ? 'into this frame' : 'in place of this picture'),
  outlines: ({ picture }, document) => {
    const { alpha, background } = find(document, 'picture', picture)?.outlines ?? {};
    return [...(alpha ? (['alpha'] as const) : []), ...(background ? (['background'] as const) : [])];
  },
  copied: (content) => content,
  emptied: (frame, { fit, focus }) => ({ ...frame, content: { type: 'picture', fit, focus }, wrap: withoutOutline(frame.wrap) }),
  takes: ({ picture }) => (picture === undefined ? undefined : 'pictures'),
};

/** A picture that is not there has no outline to run around. */
const withoutOutline = (wrap: Wrap): Wrap => (wrap.mode === 'outline' ? { ...wrap, mode: 'frame', outline: 'shape' } : wrap);
