import { mm } from '../length/length';
import { choice, few, millimetres, type Table, type TableOf, TICK, whole } from '../properties/property';
import { type Binding, type Signature, SIGNATURES } from './imposition';

/** What can be chosen for each way out of the house. */
export interface WayChoices {
  readonly print: {
    readonly sheets: 'pages' | 'spreads';
    readonly crop: boolean;
    readonly fold: boolean;
    readonly strip: boolean;
    readonly slug: boolean;
  };
  readonly sheets: {
    readonly onto: 'press' | 'home';
    readonly binding: Binding;
    readonly signature: Signature;
    /** Points. */
    readonly thickness: number;
    readonly gutter: number;
    readonly gripper: number;
    readonly milled: number;
  };
  readonly screen: { readonly sheets: 'pages' | 'spreads'; readonly ppi: number };
  readonly pages: {
    readonly format: 'png' | 'jpeg' | 'svg';
    readonly sheets: 'pages' | 'spreads';
    readonly ppi: number;
    readonly contact: boolean;
  };
  readonly web: { readonly address: string };
  readonly epub: { readonly pages: boolean };
  readonly folder: { readonly crop: boolean; readonly originals: boolean; readonly faces: boolean; readonly bundle: boolean };
  readonly bundle: { readonly faces: boolean };
  readonly stories: { readonly format: 'docx' | 'odt' | 'md' | 'html' | 'txt'; readonly pictures: boolean };
}

export type WayName = keyof WayChoices;

/** A way out with what was chosen for it. */
export type Chosen = { [W in WayName]: { readonly way: W; readonly choices: WayChoices[W] } }[WayName];

/** A way out as people meet it: what it is called, what it is for, and what can be chosen. */
export interface Way<W extends WayName = WayName> {
  readonly name: string;
  readonly says: string;
  readonly ending: string;
  readonly media: string;
  readonly choices: TableOf<WayChoices[W]>;
  /** What is chosen until somebody chooses otherwise. */
  readonly usual: WayChoices[W];
}

const SHEETS = { label: 'Sheets', kind: few({ pages: 'Single pages', spreads: 'Spreads' }) } as const;

const PDF = { ending: 'pdf', media: 'application/pdf' } as const;
const ZIP = { ending: 'zip', media: 'application/zip' } as const;

/** Resolutions that are worth a picture of a page, pixels to the inch. */
const LEAST_PPI = 36;
const MOST_PPI = 600;

const forPress = ({ onto }: Readonly<Record<string, unknown>>): boolean => onto === 'press';

export const WAYS: { readonly [W in WayName]: Way<W> } = {
  print: {
    ...PDF,
    name: 'Print PDF',
    says: 'For the print shop: PDF/X-4 with trim and bleed, everything in inks, and the profile of the press in it.',
    choices: {
      sheets: SHEETS,
      crop: { label: 'Crop marks', kind: TICK, help: 'Fine lines outside the bleed, where the sheet is cut.' },
      fold: { label: 'Fold marks', kind: TICK, help: 'Where a spread is folded.', when: ({ sheets }) => sheets === 'spreads' },
      strip: { label: 'Ink strip', kind: TICK, help: 'Ink patches beside the page, for setting the press.' },
      slug: { label: 'Slug line', kind: TICK, help: 'At the foot of the sheet: what it is, and when it was made.' },
    },
    usual: { sheets: 'pages', crop: true, fold: true, strip: false, slug: false },
  },
  sheets: {
    ...PDF,
    name: 'Imposed sheets',
    says: 'Pages imposed on press sheets, so that they come in order when folded; or a dummy to fold at home.',
    choices: {
      onto: { label: 'For', kind: few({ press: 'The press', home: 'A dummy on A4' }) },
      binding: {
        label: 'Binding',
        kind: few({ saddle: 'Saddle-stitched', bound: 'Bound' }),
        help: 'Sheets in one another with wire through the fold, or behind one another, glued or sewn.',
        when: forPress,
      },
      signature: {
        label: 'Pages per signature',
        kind: { type: 'choice', of: SIGNATURES.map((value) => ({ value, name: String(value) })) },
        when: forPress,
      },
      thickness: {
        label: 'Paper thickness',
        kind: millimetres(0, mm(2)),
        help: 'Inner pages move towards the spine by it, sheet by sheet, so that all are trimmed alike.',
        when: forPress,
      },
      gutter: {
        label: 'Gutter',
        kind: millimetres(0, mm(50)),
        help: 'Where pages are cut apart; for twice the bleed.',
        when: forPress,
      },
      gripper: {
        label: 'Gripper edge',
        kind: millimetres(0, mm(60)),
        help: 'Along the foot, where the press grips the sheet.',
        when: forPress,
      },
      milled: {
        label: 'Milled at the spine',
        kind: millimetres(0, mm(10)),
        help: 'What is taken off each page before it is glued.',
        when: (values) => forPress(values) && values['binding'] === 'bound',
      },
    },
    usual: {
      onto: 'press',
      binding: 'saddle',
      signature: 16,
      thickness: mm(0.1),
      gutter: mm(10),
      gripper: mm(12),
      milled: mm(3),
    },
  },
  screen: {
    ...PDF,
    name: 'Screen PDF',
    says: 'For reading: cut to its trim, in screen colours, with bookmarks and links, and tagged for screen readers.',
    choices: {
      sheets: SHEETS,
      ppi: {
        label: 'Limit pictures to',
        kind: { ...whole(LEAST_PPI, 2400), unit: 'ppi' },
        help: 'Pictures finer than this, at the size they are shown, are reduced.',
      },
    },
    usual: { sheets: 'pages', ppi: 200 },
  },
  web: {
    ...ZIP,
    name: 'Web edition',
    says: 'Pages for a website in the house’s type and colours: contents, sections, a page for each story, and feeds. Advertisements stay in print.',
    choices: {
      address: {
        label: 'Address',
        kind: { type: 'address', most: 400 },
        help: 'Where it will be published, such as https://example.org/14/. Shared links need it; without it the feeds link within their own folder.',
        wide: true,
      },
    },
    usual: { address: '' },
  },
  epub: {
    name: 'EPUB',
    ending: 'epub',
    media: 'application/epub+zip',
    says: 'For electronic readers: EPUB 3 with the words and pictures of every story, laid out afresh on any screen. Advertisements stay in print.',
    choices: {
      pages: {
        label: 'Print page numbers',
        kind: TICK,
        help: 'Marks where each printed page begins.',
      },
    },
    usual: { pages: true },
  },
  pages: {
    ...ZIP,
    name: 'Pictures of pages',
    says: 'Every page as a file of its own, for a website, a newsagent or approval.',
    choices: {
      format: { label: 'Format', kind: few({ png: 'PNG', jpeg: 'JPEG', svg: 'SVG' }) },
      sheets: SHEETS,
      ppi: {
        label: 'Resolution',
        kind: { ...whole(LEAST_PPI, MOST_PPI), unit: 'ppi' },
        when: ({ format }) => format !== 'svg',
      },
      contact: { label: 'Contact sheet', kind: TICK, help: 'Adds one picture of the whole issue, page by page.' },
    },
    usual: { format: 'png', sheets: 'pages', ppi: 144, contact: true },
  },
  stories: {
    ...ZIP,
    name: 'Stories',
    says: 'The words of every story as a file, for an archive or the next editor.',
    choices: {
      format: {
        label: 'Format',
        kind: choice({
          docx: 'DOCX (Office Open XML)',
          odt: 'ODT (OpenDocument)',
          md: 'Markdown',
          html: 'HTML',
          txt: 'Plain text',
        }),
      },
      pictures: { label: 'Pictures with their captions', kind: TICK, help: 'The files of the pictures as they came.' },
    },
    usual: { format: 'docx', pictures: true },
  },
  folder: {
    ...ZIP,
    name: 'Folder',
    says: 'Everything a print shop may ask for in one folder: the print PDF, the report of Checks, and a job ticket.',
    choices: {
      crop: { label: 'Crop marks', kind: TICK },
      originals: { label: 'Pictures as they came', kind: TICK },
      faces: { label: 'Faces', kind: TICK, help: 'The faces it is set in, those that may be given away.' },
      bundle: { label: 'Bundle', kind: TICK, help: 'The whole issue and its house in an open format.' },
    },
    usual: { crop: true, originals: true, faces: true, bundle: false },
  },
  bundle: {
    ...ZIP,
    name: 'Bundle',
    says: 'The whole issue and its house in an open format: for another installation, a partner, or an archive.',
    choices: {
      faces: { label: 'Faces', kind: TICK, help: 'The faces it is set in, those that may be given away.' },
    },
    usual: { faces: true },
  },
};

export const WAY_NAMES = Object.keys(WAYS) as readonly WayName[];

/** The choices of a way, whichever it is. */
export const choicesOf = (way: WayName): Table => WAYS[way].choices;
