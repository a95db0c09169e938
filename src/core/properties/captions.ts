import { mm } from '../length/length';
import { choice, few, millimetres, type TableOf, TICK } from './property';

/** A house's way with captions and credits. Lengths in points. */
export interface CaptionHabit {
  readonly place: 'below' | 'left' | 'right' | 'on';
  readonly gap: number;
  /** Of captions to the left or right of their pictures. */
  readonly width: number;
  readonly credit: 'end' | 'under' | 'edge' | 'none';
  /** They come with every picture that has words. */
  readonly always: boolean;
}

/** Under the picture, close to it (common practice: 1.5 to 3 mm), with the credit on a line of its own. */
export const USUAL_CAPTIONS: CaptionHabit = { place: 'below', gap: mm(1.5), width: mm(40), credit: 'under', always: true };

const isBeside = ({ place }: Readonly<Record<string, unknown>>): boolean => place === 'left' || place === 'right';

const GAP = { label: 'Distance', kind: millimetres(0, 720) } as const;
const WIDTH = { label: 'Width', kind: millimetres(10, 20_000), when: isBeside } as const;

export const CAPTIONS: TableOf<CaptionHabit> = {
  place: { label: 'Captions', kind: few({ below: 'Below', left: 'Left', right: 'Right', on: 'On the picture' }), wide: true },
  gap: GAP,
  width: WIDTH,
  credit: {
    label: 'Credits',
    kind: choice({ end: 'At the end of the caption', under: 'Under the caption', edge: 'Turned at the edge', none: 'None' }),
    wide: true,
  },
  always: { label: 'With every picture that has words', kind: TICK },
};

/** Where one caption or credit lies. */
export const BESIDE: TableOf<{ place: string; gap: number; width: number }> = {
  place: {
    label: 'Position',
    kind: choice({
      below: 'Below the picture',
      left: 'To its left',
      right: 'To its right',
      on: 'On the picture',
      edge: 'Turned at its edge',
      own: 'Where it was put',
    }),
    wide: true,
  },
  gap: { ...GAP, when: ({ place }) => place !== 'own' },
  width: WIDTH,
};
