import mammoth from 'mammoth';
import { counted } from '@/core/records/count';
import { wellFormed } from '@/core/records/plain';
import { RefusedFileError } from '../refused';
import { type Archive, readArchive, textIn } from './archive';
import type { Copy, CopyPicture } from './blocks';
import { readHtml } from './html';

/** Levels of lists in DOCX (ECMA-376, 17.9.6). */
const LEVELS = 9;

/** A list's item is one, whatever style it has. */
const LISTS = Array.from({ length: LEVELS }, (_, i) => i + 1).flatMap((level) =>
  (['ul', 'ol'] as const).map((tag) => {
    const above = 'ul|ol > li > '.repeat(level - 1);
    return `p:${tag === 'ul' ? 'unordered' : 'ordered'}-list(${level}) => ${above}${tag} > li:fresh`;
  }),
);

/** What does not depend on the names that a document gives its styles. */
const STYLES = [
  ...LISTS,
  "p[style-name='Title'] => h1:fresh",
  "br[type='page'] => hr.page:fresh",
  "br[type='column'] => hr.column:fresh",
  'u => u',
  'strike => s',
  'small-caps => span.small-caps',
];

/** Names of styles that say no more than what a paragraph is. */
const PLAIN =
  /^(normal|body text|body text first indent|default paragraph font|title|list \w+|heading \d|footnote \w+|endnote \w+|hyperlink|no list|table normal)$/i;

/** What a document may hold that no story can take, by how it is written and what it is called. */
const LEFT_OUT: readonly (readonly [RegExp, string])[] = [
  [/<w:commentReference\b/g, 'comment'],
  [/<w:del\b/g, 'deletion that was marked'],
  [/<m:oMath\b/g, 'equation'],
  [/<c:chart\b/g, 'chart'],
  [/<w:headerReference\b/g, 'header'],
  [/<w:footerReference\b/g, 'footer'],
  [/<w:object\b/g, 'embedded object'],
];

const DOCUMENT = 'word/document.xml';
const NAMES = 'word/styles.xml';

/**
 * Reads a DOCX (Office Open XML, ECMA-376) as copy.
 * @throws RefusedFileError when it is damaged, too large inside, or no DOCX
 */
export async function readDocx(bytes: Uint8Array): Promise<Copy> {
  const archive = await readArchive(bytes, (name) => name === DOCUMENT || name === NAMES);
  const { paragraphs, letters, map } = namedStyles(textIn(archive, NAMES));
  const pictures: CopyPicture[] = [];
  try {
    const { value } = await mammoth.convertToHtml(
      { buffer: Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength) },
      {
        styleMap: [...STYLES, ...map],
        convertImage: mammoth.images.imgElement(async (image) => {
          try {
            const own = new Uint8Array(await image.readAsArrayBuffer());
            const name = `picture ${pictures.length + 1}`;
            return { src: `picture:${pictures.push({ name, says: '', bytes: own }) - 1}` };
          } catch {
            // Its file is not in the package: it is one that is kept elsewhere.
            return { src: 'elsewhere' };
          }
        }),
      },
    );
    return readHtml(wellFormed(value), { paragraphs, letters, pictures, dropped: leftOut(archive) });
  } catch (error) {
    if (error instanceof RefusedFileError) throw error;
    throw new RefusedFileError('The file is not a word processor document that can be read, or it is damaged.');
  }
}

/** The styles a document names, and how each is written for `readHtml`. */
function namedStyles(xml: string): { paragraphs: string[]; letters: string[]; map: string[] } {
  const paragraphs: string[] = [];
  const letters: string[] = [];
  const map: string[] = [];
  for (const [, type, inner] of xml.matchAll(/<w:style\b[^>]*w:type="(paragraph|character)"[^>]*>([\s\S]*?)<\/w:style>/g)) {
    const written = /<w:name\s+w:val="([^"]*)"/.exec(inner!)?.[1];
    // A name is put between quotes in the map; one that would end them is not told apart.
    if (written === undefined || PLAIN.test(written) || /['\\&]/.test(written)) continue;
    if (type === 'paragraph') {
      const heading = /^heading \d/i.test(written) || /<w:outlineLvl\b/.test(inner!);
      const quoted = /quot|block text/i.test(written);
      const tag = `${heading ? 'h2' : 'p'}.s${paragraphs.push(written) - 1}:fresh`;
      map.push(`p[style-name='${written}'] => ${quoted ? `blockquote > ${tag}` : tag}`);
    } else map.push(`r[style-name='${written}'] => span.c${letters.push(written) - 1}`);
  }
  return { paragraphs, letters, map };
}

function leftOut(archive: Archive): string[] {
  const xml = textIn(archive, DOCUMENT);
  const out = LEFT_OUT.flatMap(([written, one]) => {
    const count = xml.match(written)?.length ?? 0;
    return count > 0 ? [counted(count, one, /deletion/.test(one) ? 'deletions that were marked' : undefined)] : [];
  });
  if (archive.names.some((name) => name.endsWith('vbaProject.bin'))) out.push('the macros in it');
  return out;
}
