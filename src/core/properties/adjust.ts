import { choice, percent, type TableOf } from './property';

/** How a picture is changed as it is shown, all of it said; its file stays as it is. */
export interface AdjustValues {
  /** From −1, dark, over 0, as it is, to 1. */
  readonly light: number;
  readonly contrast: number;
  readonly sharpen: number;
  readonly inks: 'full' | 'grey' | 'one' | 'two';
  /** The swatch of its darks, and of its lights; lights are paper where there is one ink. */
  readonly dark: string;
  readonly pale: string;
}

const DARK = { label: 'Darks', kind: { type: 'pick', of: 'swatch' } } as const;

export const ADJUST: TableOf<AdjustValues> = {
  light: { label: 'Light', kind: percent(-1, 1) },
  contrast: { label: 'Contrast', kind: percent(-1, 1) },
  sharpen: { label: 'Sharpen', kind: percent(0, 1), help: 'For print, which softens edges.' },
  inks: {
    label: 'Colours',
    kind: choice({ full: 'As they are', grey: 'Grey', one: 'One ink', two: 'Two inks' }),
    wide: true,
  },
  dark: { ...DARK, label: 'Ink', when: ({ inks }) => inks === 'one' || inks === 'two' },
  pale: { ...DARK, label: 'Second ink', when: ({ inks }) => inks === 'two' },
};
