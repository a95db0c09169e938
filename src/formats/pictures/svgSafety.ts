import { Parser } from 'htmlparser2';
import { RefusedFileError } from '../refused';

const FORBIDDEN = new Set(['script', 'foreignobject', 'iframe', 'object', 'embed', 'handler', 'listener']);

/** Elements an SVG may hold, in all: far more than a drawing has, far fewer than stop a server. */
const MOST_ELEMENTS = 200_000;

/**
 * Lets only drawings through: an SVG with a script, an event handler, an entity declaration or a reference outside
 * itself is refused, not cleaned, so that nobody wonders what became of it.
 *
 * @throws RefusedFileError
 */
export function checkSvg(name: string, text: string): void {
  let root = '';
  let elements = 0;
  let found = '';
  if (/<!ENTITY|<!DOCTYPE[^>]*\[/i.test(text)) found = 'declares entities';
  const outside = (value: string) => {
    const target = value.trim();
    return target !== '' && !target.startsWith('#') && !/^data:image\/(png|jpeg|webp|gif);base64,/i.test(target);
  };
  const styled = (css: string) =>
    /@import|expression\s*\(|javascript:/i.test(css) ||
    [...css.matchAll(/url\(\s*['"]?([^'")]*)/gi)].some((match) => outside(match[1]!));
  let inStyle = false;
  const parser = new Parser(
    {
      onopentag(tag, attributes) {
        const own = tag.toLowerCase().replace(/^.*:/, '');
        root ||= own;
        elements++;
        inStyle = own === 'style';
        if (FORBIDDEN.has(own)) found ||= own === 'script' ? 'holds a script' : `holds a “${own}” element`;
        for (const [key, value] of Object.entries(attributes)) {
          const attribute = key.toLowerCase();
          if (/^on/.test(attribute)) found ||= 'holds a script';
          else if (/(^|:)href$/.test(attribute) || attribute === 'src') {
            if (own !== 'a' && outside(value)) found ||= 'refers to something outside itself';
            if (/^\s*javascript:/i.test(value)) found ||= 'holds a script';
          } else if (styled(value)) found ||= 'refers to something outside itself';
        }
      },
      ontext(css) {
        if (inStyle && styled(css)) found ||= 'refers to something outside itself';
      },
      onclosetag() {
        inStyle = false;
      },
      onprocessinginstruction(target) {
        if (/^\?xml-stylesheet/i.test(target)) found ||= 'refers to something outside itself';
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.write(text);
  parser.end();
  if (root !== 'svg') throw new RefusedFileError(`“${name}” is not an SVG drawing.`, 415);
  if (elements > MOST_ELEMENTS) throw new RefusedFileError(`“${name}” holds more shapes than can be drawn.`, 413);
  if (found) throw new RefusedFileError(`“${name}” ${found}, so it was not taken. Save it as a plain drawing.`);
}
