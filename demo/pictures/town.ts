import { chance, ridge, svg, vertical } from './drawing';
import type { DemoPicture } from './picture';

/** Pictures of the newsletter and the newspaper. */

function seaWall(): string {
  const w = 3000;
  const h = 1900;
  const random = chance(1206);
  let stones = '';
  for (let row = 0; row < 9; row++) {
    const y = 760 + row * 118;
    for (let x = -160 + (row % 2) * 120; x < w;) {
      const wide = 190 + random() * 190;
      const shade = 96 + Math.floor(random() * 52);
      const lean = (random() - 0.5) * 10;
      stones += `<path d="M${x + 7} ${y + 9 + lean} l${wide - 12} ${-lean} l${-3 + random() * 6} 100 l${-(wide - 14)} ${lean / 2} Z" fill="rgb(${shade + 14},${shade + 6},${shade - 8})"/>`;
      if (random() < 0.1)
        stones += `<ellipse cx="${x + wide / 2}" cy="${y + 62}" rx="${26 + random() * 30}" ry="${18 + random() * 16}" fill="#1c1a17"/>`;
      x += wide;
    }
  }
  const ring = (x: number, y: number) =>
    `<circle cx="${x}" cy="${y + 48}" r="44" fill="none" stroke="#54402f" stroke-width="15"/><circle cx="${x}" cy="${y}" r="17" fill="#3c2e23"/>`;
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="url(#sky)"/><path d="${ridge(w, 800, 640, 60, random, 5)}" fill="#7f95a0"/>` +
      `<rect y="700" width="${w}" height="1200" fill="#3a342d"/><rect y="690" width="${w}" height="66" fill="#8d8373"/>${stones}` +
      ring(620, 980) +
      ring(1500, 980) +
      ring(2380, 980) +
      `<path d="${ridge(w, h, 1790, 70, random, 7)}" fill="#41616a"/><path d="${ridge(w, h, 1840, 50, random, 9)}" fill="#2f4a53"/>`,
    vertical('sky', [
      [0, '#9fb4bf'],
      [0.36, '#dfe4e2'],
    ]),
  );
}

function linen(): string {
  const w = 3000;
  const h = 2000;
  const random = chance(9);
  let threads = '';
  const tone = (base: number) => {
    const shade = base + Math.floor(random() * 22);
    return `rgb(${shade},${shade - 12},${shade - 38})`;
  };
  for (let i = 0; i * 27 < w; i++)
    if (i % 9 !== 8) threads += `<rect x="${i * 27}" width="${19 + random() * 3}" height="${h}" fill="${tone(196)}"/>`;
  for (let i = 0; i * 27 < h; i++) {
    if (i % 9 === 8) continue;
    for (let k = i % 2; k * 27 < w; k += 2)
      threads += `<rect x="${k * 27 - 3}" y="${i * 27}" width="27" height="${19 + random() * 3}" rx="6" fill="${tone(206)}"/>`;
  }
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="#5b6f7a"/>${threads}<path d="M2140 ${h} C2190 1500 2440 1180 ${w} 960 L${w} ${h} Z" fill="#2f3f49" opacity="0.55"/>`,
  );
}

export const TOWN_PICTURES: readonly DemoPicture[] = [
  {
    file: 'sea-wall.jpg',
    caption: 'The western third at low water, with three of its thirty-four rings.',
    credit: 'Rafe Dunmore',
    grain: 16,
    draw: seaWall,
  },
  {
    file: 'linen.jpg',
    caption: 'Twenty-six yards of it: every ninth thread is missing, both ways.',
    credit: 'Inge Sarrow',
    grain: 14,
    draw: linen,
  },
];
