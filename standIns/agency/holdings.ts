/** A picture that the agency holds: what it is called and shows, and what it may be used for. */
export interface Holding {
  readonly id: string;
  /** One of the pictures that ship, drawn when it is asked for. */
  readonly file: string;
  readonly title: string;
  readonly caption: string;
  readonly credit: string;
  readonly keywords: string;
  readonly usage: string;
  /** It may not be printed now. */
  readonly status?: 'withheld';
  readonly width: number;
  readonly height: number;
}

export const HELD: readonly Holding[] = [
  {
    id: '20261',
    file: 'ferry.jpg',
    title: 'Ferry off Gannet Head',
    caption: 'A ferry of the outer islands off Gannet Head, under a low sky.',
    credit: 'Sefa Brill / Skerry Pictures',
    keywords: 'boat sea crossing harbour',
    usage: 'Once, in print and on the screen, in one issue.',
    width: 2400,
    height: 1600,
  },
  {
    id: '20262',
    file: 'gale.jpg',
    title: 'Skerry light in a gale',
    caption: 'The light on the outer skerry in a north-westerly gale.',
    credit: 'Ida Corrow / Skerry Pictures',
    keywords: 'storm lighthouse sea weather wave',
    usage: 'Editorial use, without limit. Not for advertisements.',
    width: 2400,
    height: 1600,
  },
  {
    id: '20263',
    file: 'landing.jpg',
    title: 'The landing at low water',
    caption: 'Piles of the old landing at Ternhaven, at low water.',
    credit: 'Sefa Brill / Skerry Pictures',
    keywords: 'harbour pier tide mud',
    usage: 'Editorial use, without limit.',
    width: 2400,
    height: 1600,
  },
  {
    id: '20264',
    file: 'sea-wall.jpg',
    title: 'Sea wall, western third',
    caption: 'The sea wall at Ternhaven, western third, before the repairs.',
    credit: 'Rafe Dunmore / Skerry Pictures',
    keywords: 'wall stone harbour repair',
    usage: 'Once, in print.',
    width: 3000,
    height: 1900,
  },
  {
    id: '20265',
    file: 'strand.jpg',
    title: 'Kite over the strand',
    caption: 'A single-line kite over the west strand at the start of the purse.',
    credit: 'Inge Sarrow / Skerry Pictures',
    keywords: 'kite beach flying sea',
    usage: 'Withheld until its maker has agreed.',
    status: 'withheld',
    width: 3600,
    height: 2400,
  },
  {
    id: '20266',
    file: 'linen.jpg',
    title: 'Sailcloth, close',
    caption: 'Linen sailcloth from the chandlery, close to.',
    credit: 'Inge Sarrow / Skerry Pictures',
    keywords: 'cloth texture weave kite',
    usage: 'Editorial use, without limit.',
    width: 3000,
    height: 2000,
  },
];
