import { shownFile } from '@/core/pictures/screen';
import { severalAtOnce } from '../../several';
import { createHash } from 'node:crypto';
import { facesOf } from '@/core/compose/paragraph/faces';
import { type Edition, type EditionBlock, type EditionFigure, editionOf, storiesOf } from '@/core/handoff/reading/edition';
import { placedPages } from '@/core/page/pages';
import type { OutBlock, OutParagraph } from '@/core/handoff/reading/outline';
import { type Document, find } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import { CATALOGUE, FALLBACKS } from '@/core/type/catalogue';
import { webFaces, type WebFace } from '@/formats/faces/web';
import { freeNames, slug } from '@/formats/fileNames';
import { HouseType, type UsedFace } from '@/formats/html/houseType';
import type { EditionSources } from '@/formats/html/story';
import type { ShownPicture } from '@/formats/html/shownPicture';
import { editionPicture } from '@/formats/pictures/edition';
import { alternativeOf } from '@/core/pictures/alternative';
import { getBlob, NoSuchBlobError } from '@/store/blobs';
import { drawnSheet } from '../../typesetting/sheetPictures';
import type { Material } from '../ways/way';

/** Pictures that are made at once: while one is read, another is written. */
const AT_ONCE = 2;

/** Pixels that the picture of the cover is wide. */
const COVER_WIDTH = 960;

/** What every edition is made of: its words, the house's type, and its pictures as files. */
export interface EditionMaterial extends EditionSources {
  readonly edition: Edition;
  /** Files of the pictures, by path. */
  readonly files: ReadonlyMap<string, Uint8Array>;
  /** Its faces, with those that have what the house's own lack, for all the words that are written. */
  readonly faces: (words: string) => Promise<WebFace[]>;
  readonly urn: (of: string) => string;
}

/** Reads an issue as an edition and makes its pictures, telling after each how far it is. @param avif see `editionPicture` */
export async function editionMaterial(
  { document, composed, shaper, source, progress }: Omit<Material<'web'>, 'choices'>,
  avif: boolean,
): Promise<EditionMaterial> {
  const edition = editionOf(document, composed.pages);
  const figures = figuresOf(edition);
  const inline = inlinePictures(document, edition);
  const leads = new Set(storiesOf(edition).map(({ lead }) => lead));
  const free = freeNames('-');
  const wanted = [
    ...figures.map((figure) => ({ picture: figure.picture, figure })),
    ...inline.map((picture) => ({ picture })),
  ].map((each: { picture: PictureRecord; figure?: EditionFigure }) => ({ ...each, stem: stemOf(each.picture, free) }));
  const of = wanted.length + 1;
  const files = new Map<string, Uint8Array>();
  const shown = new Map<EditionFigure | string, ShownPicture>();
  let done = 0;
  await progress(0, of);
  await severalAtOnce(AT_ONCE, wanted, async ({ picture, figure, stem }) => {
    // An upright one is shown no wider than one in the text.
    const place = figure && leads.has(figure) && isWide(figure) ? 'opening' : 'inText';
    const bytes = await bytesOf(picture);
    const out = await editionPicture(picture, bytes, figure?.shown, alternativeOf(picture), stem, { place, avif });
    for (const [path, own] of out.files) files.set(path, own);
    shown.set(figure ?? picture.id, out.shown);
    await progress(++done, of);
  });
  let cover: ShownPicture | undefined;
  if (edition.cover) {
    const sheet = { pages: [{ list: edition.cover, dx: 0 }], beside: undefined, label: placedPages(document)[0]?.folio ?? '' };
    const bytes = await (await drawnSheet(document, sheet, shaper, COVER_WIDTH)).png().toBuffer();
    const alternative = [`Cover of ${edition.publication}`, edition.coverWords].filter(Boolean).join(': ');
    const out = await editionPicture(
      { media: 'image/png', width: COVER_WIDTH, transparent: false },
      bytes,
      undefined,
      alternative,
      'pictures/cover',
      { place: 'inText', avif },
    );
    for (const [path, own] of out.files) files.set(path, own);
    cover = out.shown;
  }
  const fallbacks = fallbackFaces(document);
  const type = new HouseType(
    document,
    fallbacks.map(({ family }) => family),
  );
  return {
    edition,
    type,
    faces: (words) => webFaces([...type.faces, ...fallbacks], words),
    cover,
    picture: (figure) => shown.get(figure),
    inline: (picture) => shown.get(picture),
    files,
    urn: (what) => urnOf(`${source.id} ${what}`),
  };
}

/** Faces for characters that the house's own may lack. */
function fallbackFaces(document: Document): UsedFace[] {
  const used = new Set(facesOf(document));
  return FALLBACKS.flatMap(({ face }) => (used.has(face) ? (CATALOGUE.find(({ id }) => id === face) ?? []) : []));
}

const isWide = ({ shown, picture }: EditionFigure): boolean =>
  shown ? shown.box.w >= shown.box.h : picture.width >= picture.height;

/** A name for the files of a picture, in the folder of pictures. */
const stemOf = ({ name }: PictureRecord, free: ReturnType<typeof freeNames>): string =>
  `pictures/${free(slug(name.replace(/\.\w{2,4}$/, ''), 'picture'), '').replace(/\.$/, '')}`;

/** What screens are given of a picture: a smaller copy where one is kept, or its file. @throws Error where it is lost */
async function bytesOf(picture: PictureRecord): Promise<Uint8Array> {
  try {
    return (await getBlob(shownFile(picture))).bytes;
  } catch (error) {
    if (error instanceof NoSuchBlobError) throw new Error(`The file of the picture “${picture.name}” is lost.`);
    throw error;
  }
}

function figuresOf(edition: Edition): EditionFigure[] {
  const inBlocks = (blocks: readonly EditionBlock[]) => blocks.filter((block): block is EditionFigure => block.is === 'figure');
  return [
    ...storiesOf(edition).flatMap(({ lead, body }) => [...(lead ? [lead] : []), ...inBlocks(body)]),
    ...edition.sections.flatMap(({ more }) => more.flatMap(inBlocks)),
  ];
}

/** Pictures that stand in lines, each once. */
function inlinePictures(document: Document, edition: Edition): PictureRecord[] {
  const paragraphs = (blocks: readonly EditionBlock[]): readonly OutParagraph[] =>
    blocks.flatMap((block): readonly OutParagraph[] => {
      if (block.is === 'paragraph') return [block];
      if (block.is === 'table') return block.rows.flat().flatMap((cell) => cell.paragraphs);
      return paragraphs(block.is === 'figure' ? block.caption : (block.blocks as readonly OutBlock[]));
    });
  const all = [
    ...storiesOf(edition).flatMap(({ headline, standfirst, byline, body }) => [...headline, ...standfirst, ...byline, ...body]),
    ...edition.sections.flatMap(({ more }) => more.flat()),
  ];
  const ids = new Set(paragraphs(all).flatMap(({ runs }) => runs.flatMap(({ picture }) => picture?.picture ?? [])));
  return [...ids].flatMap((id) => find(document, 'picture', id) ?? []);
}

/** A name for something that is the same wherever it stands (RFC 9562, version 8: from a digest). */
function urnOf(what: string): string {
  const digest = createHash('sha256').update(what).digest('hex');
  const variant = ((parseInt(digest[16]!, 16) & 3) | 8).toString(16);
  const parts = [
    digest.slice(0, 8),
    digest.slice(8, 12),
    `8${digest.slice(13, 16)}`,
    variant + digest.slice(17, 20),
    digest.slice(20, 32),
  ];
  return `urn:uuid:${parts.join('-')}`;
}
