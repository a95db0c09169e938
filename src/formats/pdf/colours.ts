/** The inks a PDF is written in: the printer's four, or a screen's three. */
export type Colours = 'cmyk' | 'rgb';
