import { contrast, type Light, lightOf, through } from './contrast';

/** Steps in which a colour is taken nearer to black or white. */
const STEPS = 40;

const BLACK: Light = [0, 0, 0];
const WHITE: Light = [255, 255, 255];

/** Light as `#aabbcc`. */
export const hexOf = (light: Light): string =>
  `#${light
    .map((value) =>
      Math.round(Math.min(255, Math.max(0, value)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/**
 * The colour nearest to one that is read on a ground: as it is where it contrasts enough, else darker on a light ground and
 * lighter on a dark one.
 *
 * @param colour `#aabbcc`
 * @param ground likewise
 * @param needed the contrast that is asked for (WCAG 2.2), at most what black or white have on that ground
 */
export function readableOn(colour: string, ground: string, needed: number): string {
  const [own, under] = [lightOf(colour), lightOf(ground)];
  if (contrast(own, under) >= needed) return colour;
  const end = contrast(BLACK, under) > contrast(WHITE, under) ? BLACK : WHITE;
  for (let i = 1; i < STEPS; i++) {
    const nearer = hexOf(through(own, end, i / STEPS));
    if (contrast(lightOf(nearer), under) >= needed) return nearer;
  }
  return hexOf(end);
}
