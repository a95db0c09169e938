import { chance, ridge, svg, vertical } from '@demo/pictures/drawing';
import type { DemoPicture } from '@demo/pictures/picture';

/** Pictures that go with the news, drawn when they are asked for. */

const WIDTH = 2400;
const HEIGHT = 1600;

/** A hull seen from its side with the sea to its waterline. */
function boat(x: number, y: number, k: number): string {
  const windows = Array.from({ length: 9 }, (_, i) => `<rect x="${150 + i * 92}" y="-150" width="56" height="44" rx="6"/>`).join(
    '',
  );
  return `<g transform="translate(${x} ${y}) scale(${k})"><path d="M0 0 L60 150 H1080 L1180 -40 H1010 L980 0 Z" fill="#24313c"/><path d="M22 54 L34 84 H1100 L1118 54 Z" fill="#c9563a"/><path d="M96 0 V-190 H960 L980 0 Z" fill="#efe9db"/><g fill="#31505f">${windows}</g><path d="M560 -190 V-300 H820 L850 -190 Z" fill="#e2dac6"/><rect x="596" y="-276" width="196" height="46" fill="#31505f"/><path d="M300 -190 V-330 H392 V-190 Z" fill="#c9563a"/><path d="M690 -300 V-450" stroke="#24313c" stroke-width="10"/></g>`;
}

const sea = (y: number, random: () => number, colours: readonly string[], height: number): string =>
  colours
    .map((colour, i) => `<path d="${ridge(WIDTH, HEIGHT, y + i * height, height * 0.6, random, 6 + i)}" fill="${colour}"/>`)
    .join('');

function ferry(): string {
  const random = chance(31);
  return svg(
    WIDTH,
    HEIGHT,
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#sky)"/><path d="${ridge(WIDTH, 1000, 720, 170, random, 3)}" fill="#8fa3a6"/>` +
      `<path d="${ridge(WIDTH, 1000, 800, 80, random, 5)}" fill="#6c8489"/>${sea(960, random, ['#5c7f87', '#4d7079'], 60)}` +
      boat(560, 1010, 1.1) +
      sea(1130, random, ['#436671', '#385762', '#2d4853'], 150),
    vertical('sky', [
      [0, '#b7cbd0'],
      [0.55, '#f3e6cf'],
    ]),
  );
}

function landing(): string {
  const random = chance(12);
  const piles = Array.from(
    { length: 8 },
    (_, i) =>
      `<path d="M${200 + i * 280} 820 h56 v${620 + random() * 40} h-56 Z" fill="#3d3026"/><ellipse cx="${228 + i * 280}" cy="820" rx="28" ry="12" fill="#6b5743"/>`,
  ).join('');
  const planks = Array.from({ length: 24 }, (_, i) => {
    const shade = random() * 24;
    return `<rect x="${i * 100}" y="880" width="94" height="88" fill="rgb(${122 + shade},${102 + shade},${78 + shade})"/>`;
  }).join('');
  return svg(
    WIDTH,
    HEIGHT,
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#sky)"/>${sea(760, random, ['#6d8a8c', '#587679', '#466166', '#395158'], 190)}` +
      `${boat(1500, 748, 0.42)}${piles}${planks}<path d="M0 968 H${WIDTH} V996 H0 Z" fill="#4a3b2f"/>`,
    vertical('sky', [
      [0, '#cfd9d6'],
      [0.5, '#f0ead9'],
    ]),
  );
}

function gale(): string {
  const random = chance(9);
  const rain = Array.from({ length: 420 }, () => {
    const x = random() * WIDTH;
    const y = random() * HEIGHT * 0.8;
    return `<path d="M${x.toFixed()} ${y.toFixed()} l-60 44" stroke="#c9d3d6" stroke-width="2.4" opacity="${(0.2 + random() * 0.4).toFixed(2)}"/>`;
  }).join('');
  return svg(
    WIDTH,
    HEIGHT,
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#sky)"/><path d="${ridge(WIDTH, 900, 420, 300, random, 4)}" fill="#4d575f" opacity="0.7"/>` +
      `<path d="M1700 900 V560 H1760 V900 Z M1690 560 L1730 500 L1770 560 Z" fill="#e8e2d4"/><path d="M1500 900 C1620 820 1860 820 1990 900 Z" fill="#2f3a3d"/>` +
      `${sea(860, random, ['#59707a', '#465c66', '#364a54', '#28393f'], 170)}${rain}`,
    vertical('sky', [
      [0, '#39434c'],
      [0.6, '#8b9aa0'],
    ]),
  );
}

/** By file, with what the wire says of them. */
export const WIRE_PICTURES: readonly (DemoPicture & { readonly width: number; readonly height: number })[] = [
  {
    file: 'ferry.jpg',
    caption: 'The Linnet on her trial off Hollin Head. She has carried sheep and schoolchildren for nineteen years.',
    credit: 'Sefa Brill',
    grain: 14,
    draw: ferry,
    width: WIDTH,
    height: HEIGHT,
  },
  {
    file: 'landing.jpg',
    caption: 'The lower landing, where the second boat will lie.',
    credit: 'Sefa Brill',
    grain: 14,
    draw: landing,
    width: WIDTH,
    height: HEIGHT,
  },
  {
    file: 'gale.jpg',
    caption: 'The light on the outer skerry in last winter’s gale.',
    credit: 'Ida Corrow',
    grain: 18,
    draw: gale,
    width: WIDTH,
    height: HEIGHT,
  },
];
