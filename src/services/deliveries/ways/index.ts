import { printPdf } from './printPdf';
import { screenPdf } from './screenPdf';
import type { WayOut } from './way';

/** Every way out there is: a new one is a file of its own and a line here. */
export const WAYS_OUT: Readonly<Record<WayOut['id'], WayOut>> = { print: printPdf, screen: screenPdf };
