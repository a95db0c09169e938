import { HOME_PAPER, pressPlan } from '@/core/handoff/pressPlan';
import { paintImposed } from '@/formats/pdf/imposed';
import { withPress } from '@/formats/pdf/press';
import { NO_MARKS } from '@/formats/pdf/printersMarks';
import { ownProfile } from '../ownProfile';
import { headOf, sheetsOf, slugIn, sourcesOf } from './pdf';
import type { WayOut } from './way';

/** Pages on the sheets of a press, front and back; or on sheets that are printed and folded at home. */
export const makeSheets: WayOut<'sheets'> = async (material) => {
  const { document, composed, shaper, choices } = material;
  const [first] = composed.pages;
  const { width, height, bleed } = first!;
  const { sheets, layout } = pressPlan({ count: composed.pages.length, width, height, bleed }, choices);
  const head = headOf(material);
  const slug = await slugIn(shaper, (label) => `${head.title} · ${label}`);
  return withPress(await ownProfile(document), (press) =>
    paintImposed(
      sheetsOf(material, 'pages'),
      sheets,
      layout,
      head,
      { for: 'print', marks: NO_MARKS, press, slug },
      sourcesOf(material),
      choices.onto === 'home' ? HOME_PAPER : undefined,
    ),
  );
};
