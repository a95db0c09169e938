import { pdfFor } from './pdf';

/** A PDF in four inks, with bleed, for a print shop. */
export const printPdf = pdfFor('print');
