import { format } from 'date-fns';
import { paintPdf } from '@/formats/pdf/painter';
import { withPress } from '@/formats/pdf/press';
import { ownProfile } from '../ownProfile';
import { headOf, sheetsOf, slugIn, sourcesOf } from './pdf';
import type { WayOut } from './way';

/** A PDF/X-4 in the inks of a press, with bleed, and marks by choice. */
export const makePrintPdf: WayOut<'print'> = async (material) => {
  const { document, shaper, choices } = material;
  const { sheets, crop, fold, strip, slug } = choices;
  const head = headOf(material);
  const made = format(head.at, 'd MMMM yyyy, HH:mm');
  const line = slug
    ? await slugIn(shaper, (label) => `${head.title} · ${sheets === 'spreads' ? 'spread' : 'page'} ${label} · ${made}`)
    : undefined;
  return withPress(await ownProfile(document), (press) =>
    paintPdf(
      sheetsOf(material, sheets),
      head,
      { for: 'print', marks: { crop, fold: fold && sheets === 'spreads', strip, slug }, press, slug: line },
      sourcesOf(material),
    ),
  );
};
