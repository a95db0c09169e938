import type { WayName } from '@/core/handoff/ways';
import { makeBundle } from './bundle';
import { makeFolder } from './folder';
import { makeEpub } from './epub';
import { makePages } from './pages';
import { makePrintPdf } from './printPdf';
import { makeScreenPdf } from './screenPdf';
import { makeSheets } from './sheets';
import { makeStories } from './stories';
import { makeWeb } from './web';
import type { WayOut } from './way';

/** How each way out is made: a new one is a file of its own and a line here, and an entry in `core/handoff/ways.ts`. */
export const WAYS_OUT: { readonly [W in WayName]: WayOut<W> } = {
  print: makePrintPdf,
  sheets: makeSheets,
  screen: makeScreenPdf,
  web: makeWeb,
  epub: makeEpub,
  pages: makePages,
  stories: makeStories,
  folder: makeFolder,
  bundle: makeBundle,
};
