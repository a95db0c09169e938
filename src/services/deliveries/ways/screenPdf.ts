import { paintPdf } from '@/formats/pdf/painter';
import { headOf, sheetsOf, sourcesOf } from './pdf';
import type { WayOut } from './way';

/** A PDF in the colours of a screen, trimmed, tagged, with bookmarks and links. */
export const makeScreenPdf: WayOut<'screen'> = async (material) => {
  const { document, choices } = material;
  return paintPdf(
    sheetsOf(material, choices.sheets),
    headOf(material),
    { for: 'screen', document, ppi: choices.ppi },
    sourcesOf(material),
  );
};
