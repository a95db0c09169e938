import { chance, svg } from './drawing';
import type { DemoPicture } from './picture';

/** Drawings in line that stay drawings: knots, folds, charts of the water, the traces of the observatory. */

const INK = '#24323c';
const ROPE = '#c9a66b';
const EDGE = '#6b4d2b';
const RED = '#c7432e';

/** A rope along paths, later ones over earlier ones. */
const rope = (...paths: readonly string[]): string =>
  paths
    .map(
      (d) =>
        `<path d="${d}" fill="none" stroke="${EDGE}" stroke-width="26" stroke-linecap="round"/><path d="${d}" fill="none" stroke="${ROPE}" stroke-width="20" stroke-linecap="round"/><path d="${d}" fill="none" stroke="#efdcae" stroke-width="5" stroke-linecap="round" stroke-dasharray="9 13" opacity="0.8"/>`,
    )
    .join('');

const knot = (...paths: readonly string[]): string => svg(400, 300, rope(...paths));

const post = `<rect x="176" y="20" width="48" height="270" rx="10" fill="#8a5a36"/><rect x="176" y="20" width="16" height="270" rx="8" fill="#b07d50"/>`;
const ring = `<circle cx="280" cy="150" r="66" fill="none" stroke="#3a4147" stroke-width="26"/><circle cx="280" cy="150" r="66" fill="none" stroke="#7d868b" stroke-width="16"/>`;

const KNOTS: readonly (readonly [file: string, name: string, drawing: string])[] = [
  [
    'knot-overhand.svg',
    'Overhand',
    knot('M20 190 C120 190 160 190 220 130 C270 80 200 50 170 110', 'M170 110 C140 180 240 230 270 170 C285 140 330 150 380 150'),
  ],
  [
    'knot-eight.svg',
    'Figure of eight',
    knot(
      'M20 170 C100 170 130 120 180 120 C250 120 250 210 190 210 C150 210 140 180 160 150',
      'M160 150 C190 100 250 90 280 130 C310 180 250 220 220 170',
      'M220 170 C230 130 300 150 380 150',
    ),
  ],
  [
    'knot-larks-head.svg',
    'Lark’s head',
    svg(
      400,
      300,
      ring +
        rope(
          'M20 130 H200 C240 130 250 110 240 90 C230 70 200 90 200 130',
          'M20 172 H200 C240 172 250 190 240 210 C230 230 200 212 200 172',
          'M214 92 C190 120 190 180 214 208',
        ),
    ),
  ],
  [
    'knot-bowline.svg',
    'Bowline',
    knot(
      'M40 150 H170 C230 150 230 90 180 90 C140 90 140 150 160 190',
      'M160 190 C190 260 340 250 350 170 C356 110 290 110 240 130',
      'M240 130 C200 146 150 130 110 110',
    ),
  ],
  [
    'knot-blood.svg',
    'Blood knot',
    knot(
      'M20 150 H120 C140 110 160 110 170 150 C180 190 196 190 206 150',
      'M380 150 H290 C270 190 250 190 240 150 C230 110 216 110 206 150',
      'M120 150 C134 186 150 186 160 150 M290 150 C276 114 262 114 250 150',
      'M206 100 V200',
    ),
  ],
  [
    'knot-sheet-bend.svg',
    'Sheet bend',
    knot(
      'M20 110 H220 C280 110 280 200 220 200 H20',
      'M380 150 H260 C220 150 200 90 170 90',
      'M170 90 C140 100 140 220 170 226 C200 226 210 180 240 170',
    ),
  ],
  [
    'knot-rolling-hitch.svg',
    'Rolling hitch',
    svg(
      400,
      300,
      post +
        rope(
          'M20 230 C100 230 150 220 240 190',
          'M160 190 C190 160 220 150 244 150',
          'M160 150 C190 120 220 110 244 110',
          'M160 104 C200 90 260 70 380 64',
        ),
    ),
  ],
  [
    'knot-surgeon.svg',
    'Surgeon’s loop',
    knot(
      'M20 130 H130 C190 130 190 70 150 70 C120 76 120 130 150 170',
      'M20 176 H120 C190 176 200 230 160 236 C130 232 128 190 150 170',
      'M150 150 C220 80 350 90 350 150 C350 214 220 226 150 150',
    ),
  ],
  [
    'knot-two-half-hitches.svg',
    'Round turn, two half hitches',
    svg(
      400,
      300,
      `<g transform="translate(80 0)">${post}</g>` +
        rope(
          'M20 150 C120 150 180 150 320 120',
          'M240 120 C260 90 300 84 322 88',
          'M240 190 C200 190 170 210 130 180 C110 160 140 120 160 150',
          'M160 150 C180 190 120 210 90 176 C76 150 100 120 116 150',
        ),
    ),
  ],
];

/** The water before Ternhaven, with its depths, and a way over it. */
function chart(way: 'bar' | 'ferry'): string {
  const random = chance(4);
  const [w, h] = [1000, 760];
  let soundings = '';
  for (let i = 0; i < 60; i++) {
    const [x, y] = [120 + random() * 780, 150 + random() * 470];
    const deep = Math.max(1, Math.round(2 + ((y - 150) / 60) * (0.6 + random())));
    soundings += `<path d="M${x.toFixed(0)} ${y.toFixed(0)} h${(3 + deep).toFixed(0)}" stroke="#5a7f87" stroke-width="2" opacity="0.6"/>`;
  }
  const hill = Array.from(
    { length: 5 },
    (_, i) =>
      `<path d="M0 ${250 - i * 34} C${160 - i * 20} ${230 - i * 30} ${260 - i * 40} ${150 - i * 26} ${330 - i * 50} 0" fill="none" stroke="#a48a56" stroke-width="1.6"/>`,
  ).join('');
  const course =
    way === 'bar'
      ? `<path d="M286 214 C420 300 560 340 742 470" fill="none" stroke="${RED}" stroke-width="7" stroke-dasharray="20 12"/><circle cx="286" cy="214" r="11" fill="${RED}"/><path d="M742 470 l-30 -4 l16 -22 z" fill="${RED}"/>`
      : `<path d="M250 240 C260 420 420 600 620 590 C740 580 790 530 760 476" fill="none" stroke="${RED}" stroke-width="7" stroke-dasharray="20 12"/><circle cx="250" cy="240" r="11" fill="${RED}"/><path d="M760 476 l-8 30 l-18 -22 z" fill="${RED}"/>`;
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="#dfeae8"/><path d="M180 340 C330 300 560 360 700 520 C560 560 360 560 240 470 Z" fill="#f3ead0" opacity="0.9"/><path d="M180 340 C330 300 560 360 700 520 C560 560 360 560 240 470 Z" fill="none" stroke="#b89a5a" stroke-width="2.4" stroke-dasharray="4 7"/>${soundings}` +
      `<path d="M0 0 H420 C380 60 350 110 320 160 C300 210 240 240 190 260 C120 300 60 300 0 310 Z" fill="#ead9ad" stroke="#8a7240" stroke-width="3"/>${hill}<path d="M1000 300 C900 330 800 400 770 470 C790 560 880 620 1000 640 Z" fill="#ead9ad" stroke="#8a7240" stroke-width="3"/>` +
      `<path d="M250 230 h40 v-14 h22 v14 h18" fill="none" stroke="${INK}" stroke-width="5"/><path d="M480 470 V420 M466 436 H494" stroke="${INK}" stroke-width="5"/><circle cx="480" cy="474" r="6" fill="${INK}"/>${course}` +
      `<g transform="translate(900 110)"><circle r="56" fill="none" stroke="${INK}" stroke-width="2"/><path d="M0 -74 L12 0 L0 74 L-12 0 Z" fill="${INK}"/><path d="M-74 0 L0 -10 L74 0 L0 10 Z" fill="none" stroke="${INK}" stroke-width="2"/><path d="M0 -74 L12 0 H-12 Z" fill="${RED}"/></g>` +
      `<path d="M60 690 H300 M60 680 V700 M140 684 V696 M220 684 V696 M300 680 V700" stroke="${INK}" stroke-width="4"/><rect x="2" y="2" width="${w - 4}" height="${h - 4}" fill="none" stroke="${INK}" stroke-width="4"/>`,
  );
}

/** Four steps of a paper kite, from the square to the bridle. */
function fold(step: 1 | 2 | 3 | 4): string {
  const sheet = '#f2e2b8';
  const back = '#e0c98e';
  const dash = `stroke="${INK}" stroke-width="4" stroke-dasharray="14 10" fill="none"`;
  const solid = `stroke="${INK}" stroke-width="5" stroke-linejoin="round"`;
  const arrow = (d: string, head: string) =>
    `<path d="${d}" fill="none" stroke="${RED}" stroke-width="7"/><path d="${head}" fill="${RED}"/>`;
  const body = {
    1: `<path d="M60 60 H340 V340 H60 Z" fill="${sheet}" ${solid}/><path d="M60 60 L340 340" ${dash}/>${arrow('M300 100 C330 180 260 270 150 300', 'M150 300 l34 -20 l4 30 z')}`,
    2: `<path d="M200 40 L320 200 L200 370 L80 200 Z" fill="${sheet}" ${solid}/><path d="M200 40 L150 200 L200 370 M200 40 L250 200 L200 370" ${dash}/>${arrow('M60 130 C100 90 130 100 160 140', 'M160 140 l-34 -6 l20 -22 z')}`,
    3: `<path d="M200 40 L320 170 L200 370 L80 170 Z" fill="${sheet}" ${solid}/><path d="M200 40 L150 170 L200 370 L250 170 Z" fill="${back}" ${solid}/><path d="M80 170 H320" stroke="#8a5a36" stroke-width="11"/><path d="M200 40 V370" stroke="#8a5a36" stroke-width="11"/>`,
    4: `<path d="M150 40 L270 150 L150 320 L40 150 Z" fill="${sheet}" ${solid}/><path d="M150 90 L330 190 L150 250" fill="none" stroke="${INK}" stroke-width="4"/><circle cx="330" cy="190" r="9" fill="none" stroke="${INK}" stroke-width="5"/><path d="M330 190 L395 205" stroke="${INK}" stroke-width="4"/><path d="M150 320 q20 20 0 36 q-20 14 4 34" fill="none" stroke="${RED}" stroke-width="6"/>`,
  }[step];
  return svg(400, 400, body);
}

/** What the pen wrote in an hour: wind along, gusts up. */
function trace(): string {
  const random = chance(90);
  const [w, h] = [1400, 420];
  let d = 'M0 300';
  for (let x = 0; x <= w; x += 7) {
    const gust = [210, 520, 860, 1190].reduce((sum, at) => sum + Math.exp(-(((x - at) / 34) ** 2)), 0);
    d += ` L${x} ${(300 - random() * 34 - gust * (150 + random() * 50)).toFixed(1)}`;
  }
  const grid =
    Array.from(
      { length: 29 },
      (_, i) => `<path d="M${i * 50} 0 V${h}" stroke="#b5c7c4" stroke-width="${i % 4 === 0 ? 2.4 : 1}"/>`,
    ).join('') +
    Array.from(
      { length: 9 },
      (_, i) => `<path d="M0 ${i * 50 + 10} H${w}" stroke="#b5c7c4" stroke-width="${i % 4 === 0 ? 2.4 : 1}"/>`,
    ).join('');
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="#f4efdf"/>${grid}<path d="${d}" fill="none" stroke="${INK}" stroke-width="4" stroke-linejoin="round"/>${[210, 520, 860, 1190].map((x) => `<path d="M${x} 60 l-9 -22 h18 z" fill="${RED}"/>`).join('')}`,
  );
}

/** A kite with its parts marked out. */
const anatomy = () =>
  svg(
    900,
    1000,
    `<path d="M450 60 L780 380 L450 940 L120 380 Z" fill="#f4ead0" stroke="${INK}" stroke-width="6"/><path d="M450 60 V940" stroke="#8a5a36" stroke-width="13"/><path d="M120 380 Q450 330 780 380" fill="none" stroke="#8a5a36" stroke-width="11"/><path d="M450 200 L620 470 L450 700" fill="none" stroke="${INK}" stroke-width="4"/><circle cx="620" cy="470" r="13" fill="none" stroke="${INK}" stroke-width="6"/><path d="M620 470 L880 560" stroke="${INK}" stroke-width="4"/>${[
      [450, 60],
      [780, 380],
      [450, 940],
      [120, 380],
      [620, 470],
    ]
      .map(([x, y]) => `<circle cx="${x}" cy="${y}" r="22" fill="none" stroke="${RED}" stroke-width="5"/>`)
      .join('')}`,
  );

const drawing = (file: string, caption: string, credit: string, draw: () => string): DemoPicture => ({
  file,
  caption,
  credit,
  grain: 0,
  draw,
});

export const DIAGRAMS: readonly DemoPicture[] = [
  ...KNOTS.map(([file, name, made]) => drawing(file, name, 'Wynne Carrow', () => made)),
  drawing('chart-bar.svg', 'A mile and three quarters by the bar; two and a half miles by the perch.', 'Longspar', () =>
    chart('bar'),
  ),
  drawing('chart-ferry.svg', 'The way of the ferry, round by the perch.', 'The Packet', () => chart('ferry')),
  ...([1, 2, 3, 4] as const).map((step) => drawing(`fold-${step}.svg`, `Step ${step}.`, 'Bryony Cole', () => fold(step))),
  drawing(
    'gust-trace.svg',
    'An hour of the fourth of November, as the pen wrote it. The marks are the observatory’s.',
    'Hollin Head',
    trace,
  ),
  drawing('anatomy.svg', 'The five places where a kite is held.', 'Wynne Carrow', anatomy),
];
