import JSZip from 'jszip';
import { faceRules } from '@/formats/faces/web';
import { webSite } from '@/formats/web/site';
import { editionMaterial } from '../edition/material';
import type { WayOut } from './way';

/** The issue as a folder of pages that any web server can hand out. */
export const makeWeb: WayOut<'web'> = async (material) => {
  const { choices, at } = material;
  const own = await editionMaterial(material, true);
  const address = choices.address === '' ? undefined : choices.address.replace(/\/*$/, '/');
  const pages = webSite(own.edition, { ...own, address, at });
  const faces = await own.faces([...pages.values()].join(''));
  const zip = new JSZip();
  for (const [path, text] of pages) zip.file(path, path === 'style.css' ? faceRules(faces) + text : text);
  for (const { path, bytes } of faces) zip.file(path, bytes, { compression: 'STORE' });
  for (const [path, bytes] of own.files) zip.file(path, bytes, { compression: 'STORE' });
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' });
};
