import type { ParagraphProperties } from '../../records/paragraphStyle';
import { type Characters, OBJECT } from './characters';
import type { SetLook } from './look';
import type { PreparedCap } from './prepared';
import type { Setting } from './setting';

/** The first letters of a paragraph as its style sets them large; undefined where it does not, or nothing follows them. */
export function dropCap(
  { text, segments }: Characters,
  style: ParagraphProperties,
  main: SetLook,
  { looks, language }: Setting,
): PreparedCap | undefined {
  const of = style.dropCap;
  const first = segments[0];
  if (!of || !first) return undefined;
  let to = 0;
  let letters = 0;
  for (const { segment, index } of new Intl.Segmenter(language, { granularity: 'grapheme' }).segment(text)) {
    if (letters === of.letters || /\s/.test(segment) || segment === OBJECT) break;
    to = index + segment.length;
    letters++;
  }
  if (to === 0 || to === text.length) return undefined;
  const own = looks.styled(first.properties, of.style);
  const plain = looks.of(own);
  const { face } = plain.shaper;
  // From the first line's cap height down to the last line's baseline.
  const height = (of.lines - 1) * style.leading + main.shaper.face.capHeight * main.scale;
  const size = (height * face.unitsPerEm) / face.capHeight;
  const look: SetLook = { ...plain, size, scale: size / face.unitsPerEm, tracking: 0, trackingUnits: 0 };
  const letter = text.slice(0, to);
  const shaped = look.shaper.shape(letter);
  const { scale } = look;
  let rise = 0;
  let fall = 0;
  for (const glyph of shaped.glyphs) {
    const extents = face.font.glyphExtents(glyph);
    if (!extents) continue;
    rise = Math.max(rise, extents.yBearing * scale);
    fall = Math.max(fall, -(extents.yBearing + extents.height) * scale);
  }
  const bearing = (face.font.glyphExtents(shaped.glyphs[0]!)?.xBearing ?? 0) * scale;
  return { of, text: letter, shaped, look, width: shaped.width * scale - bearing + of.gap, bearing, rise, fall };
}
