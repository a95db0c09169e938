import { CROP } from '../../../properties/crop';
import { find } from '../../document';
import type { Crop, PictureContent, Wrap } from '../../frame';
import { figure, maybe, oneOf, parts, properties, reference, SHARE } from '../../kind';
import { said } from '../../said';
import type { FrameKind } from './kind';

/** How a picture lies in its frame, and nothing else of it. */
const cropOf = ({ fit, at, zoom, turn, mirrored }: Crop): Crop => said({ fit, at, zoom, turn, mirrored });

/** A picture, or the place of one. */
export const PICTURE_FRAME: FrameKind<PictureContent> = {
  fields: {
    picture: maybe(reference('picture', 'forgets')),
    fit: oneOf('fill', 'fit', 'own'),
    at: maybe(parts({ x: SHARE, y: SHARE })),
    adjust: maybe(
      parts({
        light: maybe(figure(-1, 1)),
        contrast: maybe(figure(-1, 1)),
        sharpen: maybe(SHARE),
        inks: maybe(oneOf('grey', 'one', 'two')),
        dark: maybe(reference('swatch', 'holds')),
        pale: maybe(reference('swatch', 'holds')),
      }),
    ),
    ...properties({ zoom: CROP.zoom, turn: CROP.turn, mirrored: CROP.mirrored }),
  },
  named: ({ picture: id }, document) => {
    const picture = find(document, 'picture', id);
    return picture ? `Picture, ${picture.name}` : 'Picture frame, empty';
  },
  waitsFor: ({ picture }) => (picture === undefined ? 'Picture' : undefined),
  picture: ({ picture, adjust, ...crop }) =>
    picture === undefined ? undefined : { picture, ...(adjust ? { adjust } : {}), ...cropOf(crop) },
  takesPicture: ({ picture }) => (picture === undefined ? 'into this frame' : 'in place of this picture'),
  outlines: ({ picture }, document) => {
    const { alpha, background } = find(document, 'picture', picture)?.outlines ?? {};
    return [...(alpha ? (['alpha'] as const) : []), ...(background ? (['background'] as const) : [])];
  },
  copied: (content) => content,
  // How the last picture lay says nothing about the next.
  emptied: (frame, { fit }) => ({
    ...frame,
    content: { type: 'picture', fit: fit === 'own' ? 'fill' : fit },
    wrap: withoutOutline(frame.wrap),
  }),
  takes: ({ picture }) => (picture === undefined ? undefined : 'pictures'),
};

/** A picture that is not there has no outline to run around. */
const withoutOutline = (wrap: Wrap): Wrap => (wrap.mode === 'outline' ? { ...wrap, mode: 'frame', outline: 'shape' } : wrap);
