import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { ALL_DESIGNS } from '@/core/plan/designs/index';
import { designSpecimen, fittedSpecimen } from '@/core/plan/designSpecimen';
import { startingHouse } from '@/core/plan/startingHouse';
import type { PublicationKind } from '@/core/records/publicationKind';
import { all, documentOf } from '@/core/records/document';
import { composerFor } from '@/formats/faces/files';
import { severalAtOnce } from '@/services/several';
import { drawnPage } from '@/services/typesetting/pictures';

/**
 * Draws the recurring pages of every starting design in each of its palettes, filled with sample copy, into a folder:
 * `[design]/[palette]/[page].png`, pages counted from 1. They are true pages, composed and painted as those of an issue.
 */

/** What the publications are called that designs are shown with. */
const NAMES: Readonly<Record<PublicationKind, string>> = {
  magazine: 'Halyard',
  newsletter: 'The Mooring',
  newspaper: 'The Quay Post',
};

/** Pixels across, for about 120 on the screen. */
const WIDTH = 240;

/** How many are painted at a time. */
const AT_ONCE = 2;

const folder = process.argv[2]!;
await rm(folder, { recursive: true, force: true });
for (const { id, kind, palettes } of ALL_DESIGNS)
  for (const palette of palettes.keys()) {
    const house = documentOf(startingHouse(kind, 'en-GB', { design: id, palette }));
    const whole = designSpecimen(house, NAMES[kind]);
    const { composer, shaper } = await composerFor(whole);
    const document = fittedSpecimen(whole, composer.compose(whole).fits);
    const pages = composer.compose(document).pages.slice(0, all(house, 'page').length);
    const into = join(folder, id, String(palette));
    await mkdir(into, { recursive: true });
    await severalAtOnce(AT_ONCE, [...pages.entries()], async ([i, list]) => {
      const page = await drawnPage(document, list, shaper, WIDTH);
      await page.png({ palette: true }).toFile(join(into, `${i + 1}.png`));
    });
  }
process.exit(0);
