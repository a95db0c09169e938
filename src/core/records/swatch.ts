import type { RecordBase } from './common';
import { type Kind, LINE, list, maybe, oneOf, parts, SHARE, YES_OR_NO } from './kind';

/** Shares of cyan, magenta, yellow and black, each 0 to 1. */
export type Cmyk = readonly [number, number, number, number];

/** Shares of red, green and blue light (sRGB), each 0 to 1. */
export type Rgb = readonly [number, number, number];

/** What a colour is for: a palette gives each role a colour. */
export const ROLES = ['ink', 'paper', 'accent1', 'accent2', 'tint'] as const;
export type Role = (typeof ROLES)[number];

/** A colour by name, in the inks it prints in. */
export interface SwatchRecord extends RecordBase<'swatch'> {
  readonly name: string;
  readonly cmyk: Cmyk;
  /** The light it was given as, where it was: then the inks follow from it, and a screen shows just this. */
  readonly rgb?: Rgb | undefined;
  /** It is printed with an ink of its own, which has its name; `cmyk` stands for it where there is none. */
  readonly spot?: boolean | undefined;
  /** Then it changes with the palette. */
  readonly role?: Role | undefined;
}

/** Colours for all roles that go together. */
export interface PaletteRecord extends RecordBase<'palette'> {
  readonly name: string;
  readonly colours: Readonly<Record<Role, Cmyk>>;
}

const INKS = list(SHARE, 4, 4);

export const SWATCH: Kind<SwatchRecord> = {
  called: 'colour',
  offered: 'Colour',
  fields: {
    name: LINE,
    cmyk: INKS,
    rgb: maybe(list(SHARE, 3, 3)),
    spot: maybe(YES_OR_NO),
    role: maybe(oneOf(...ROLES)),
  },
};

export const PALETTE: Kind<PaletteRecord> = {
  called: 'palette',
  offered: 'Palette',
  fields: { name: LINE, colours: parts({ ink: INKS, paper: INKS, accent1: INKS, accent2: INKS, tint: INKS }) },
};
