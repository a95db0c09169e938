import { inReadingOrder } from '@/core/compose/displayList/readingOrder';
import { openSpreads, singlePages, type Sheet } from '@/core/handoff/sheets';
import { placedPages } from '@/core/page/pages';
import { find, get } from '@/core/records/document';
import { spoken } from '@/core/records/language';
import type { Shaper } from '@/core/type/shaper';
import { loadFaces } from '@/formats/faces/files';
import type { PdfHead } from '@/formats/pdf/metadata';
import type { PdfSources } from '@/formats/pdf/painter';
import { getBlob } from '@/store/blobs';
import type { Material } from './way';

type Issue = Pick<Material<'print'>, 'document' | 'composed' | 'shaper' | 'at' | 'progress'>;

/** The pages of an issue as the sheets that were asked for. */
export function sheetsOf({ document, composed }: Pick<Issue, 'document' | 'composed'>, sheets: 'pages' | 'spreads'): Sheet[] {
  const folios = placedPages(document).map(({ folio }) => folio);
  return (sheets === 'spreads' ? openSpreads : singlePages)(composed.pages, folios);
}

/** What every PDF of an issue says of itself. */
export function headOf({ document, at }: Pick<Issue, 'document' | 'at'>): PdfHead {
  const issue = find(document, 'issue', 'issue');
  return {
    title: [issue?.publication, issue?.number].filter(Boolean).join(' ') || 'Issue',
    author: issue?.publication ?? '',
    language: spoken(issue?.language),
    at,
  };
}

export const sourcesOf = ({ document, shaper, progress }: Pick<Issue, 'document' | 'shaper' | 'progress'>): PdfSources => ({
  face: (face) => shaper.face(face),
  picture: (picture) => get(document, 'picture', picture),
  bytes: async (picture) => (await getBlob(picture.drawing ?? picture.blob)).bytes,
  order: (items) => inReadingOrder(document, items),
  progress,
});

/** The face that words beside the pages are set in. */
const SLUG_FACE = 'Archivo-400';

/** How words beside the pages are set. @param words for a sheet’s label */
export async function slugIn(shaper: Shaper, words: (label: string) => string) {
  await loadFaces(shaper, [SLUG_FACE]);
  return (label: string) => {
    const said = words(label);
    return { words: said, face: shaper.face(SLUG_FACE), shaped: shaper.with(SLUG_FACE, '', 'en').shape(said) };
  };
}
