import { CATALOGUE } from './catalogue';

/** Where a browser finds a face's file. */
export const faceUrl = (id: string): string => `/fonts/${id}.ttf`;

/** CSS that makes every face known to a browser under its id: the very files that the typesetter shapes with. */
export function fontFaces(): string {
  return CATALOGUE.map(
    ({ id }) => `@font-face{font-family:'${id}';src:url('${faceUrl(id)}') format('truetype');font-display:block}`,
  ).join('\n');
}
