import JSZip from 'jszip';
import { epubBook } from '@/formats/epub/book';
import { packageOf } from '@/formats/epub/package';
import { faceRules } from '@/formats/faces/web';
import { editionMaterial } from '../edition/material';
import type { WayOut } from './way';

/** The issue as EPUB 3. */
export const makeEpub: WayOut<'epub'> = async (material) => {
  const { choices, at } = material;
  const own = await editionMaterial(material, false);
  const book = epubBook(own.edition, { ...own, pages: choices.pages });
  const faces = await own.faces([...book.texts.values()].join(''));
  const zip = new JSZip();
  // It says what it is before anything else, as it lies (OCF 3.3, 4.3).
  zip.file('mimetype', 'application/epub+zip', { compression: 'STORE' });
  zip.file('META-INF/container.xml', CONTAINER);
  const binary = new Map([...own.files, ...faces.map(({ path, bytes }) => [path, bytes] as const)]);
  zip.file('EPUB/package.opf', packageOf(book, { binary: [...binary.keys()], urn: own.urn(''), at }));
  for (const [path, text] of book.texts) zip.file(`EPUB/${path}`, path === 'style.css' ? faceRules(faces) + text : text);
  for (const [path, bytes] of binary) zip.file(`EPUB/${path}`, bytes, { compression: 'STORE' });
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' });
};

const CONTAINER = `<?xml version="1.0" encoding="utf-8"?>
<container xmlns="urn:oasis:names:tc:opendocument:xmlns:container" version="1.0"><rootfiles>
<rootfile full-path="EPUB/package.opf" media-type="application/oebps-package+xml"/>
</rootfiles></container>
`;
