import { few, percent, type TableOf, TICK } from './property';

/** How a picture lies in its frame, all of it said. */
export interface CropValues {
  readonly fit: 'fill' | 'fit' | 'own';
  /** Times the size at which it just covers its frame. */
  readonly zoom: number;
  /** The place of the picture in the middle of its frame, as shares of its width and height. */
  readonly x: number;
  readonly y: number;
  /** Degrees clockwise. */
  readonly turn: number;
  readonly mirrored: boolean;
}

/** From the size of a stamp on a page to a pupil that fills it. */
export const LEAST_ZOOM = 0.02;
export const MOST_ZOOM = 40;

export const CROP: TableOf<CropValues> = {
  fit: {
    label: 'Picture in its frame',
    kind: few({ fill: 'Fill', fit: 'Show all', own: 'By hand' }),
    bare: true,
    wide: true,
  },
  zoom: { label: 'Zoom', kind: percent(LEAST_ZOOM, MOST_ZOOM), help: 'Of the size at which the picture just covers its frame.' },
  turn: { label: 'Turned inside', kind: { type: 'number', least: -360, most: 360, unit: '°' } },
  x: { label: 'Centre, from left', kind: percent(0, 1), help: 'The place of the picture in the middle of its frame.' },
  y: { label: 'From top', kind: percent(0, 1) },
  mirrored: { label: 'Mirrored', kind: TICK },
};
