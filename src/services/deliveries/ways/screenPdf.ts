import { pdfFor } from './pdf';

/** A PDF in the colours of a screen, trimmed, to be read. */
export const screenPdf = pdfFor('screen');
