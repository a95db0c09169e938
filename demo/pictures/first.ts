import { chance, grass, kite, ridge, svg, vertical } from './drawing';
import type { DemoPicture } from './picture';

/** The pictures of Longspar’s first features, and those that several issues use. */

const SAIL = ['#f0b429', '#e2572b', '#b93a2e', '#3b2a44'] as const;

function cover(): string {
  const w = 2700;
  const h = 3480;
  const random = chance(14);
  let waves = '';
  for (let i = 0; i < 26; i++) {
    const y = 2080 + i * i * 1.25;
    waves += `<path d="${ridge(w, y + 90, y, 16 + i, random, 9)}" fill="${i % 2 ? '#fff' : '#0d3a4a'}" opacity="${0.035 + i * 0.002}"/>`;
  }
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="url(#sky)"/>` +
      `<ellipse cx="720" cy="1500" rx="1500" ry="150" fill="#fff" opacity="0.16"/><ellipse cx="2050" cy="1260" rx="1200" ry="110" fill="#fff" opacity="0.13"/>` +
      `<ellipse cx="1700" cy="1720" rx="1800" ry="90" fill="#fff" opacity="0.2"/>` +
      `<path d="${ridge(w, 2300, 1990, 90, random, 4)}" fill="#6f93a0"/><path d="${ridge(w, 2400, 2040, 50, random, 6)}" fill="#557f8c"/>` +
      `<rect y="2070" width="${w}" height="1000" fill="url(#sea)"/>${waves}` +
      `<path d="${ridge(w, h, 2960, 190, random, 3)}" fill="#c9b184"/><path d="${ridge(w, h, 3120, 150, random, 4)}" fill="#b59b6b"/>` +
      grass(-60, 3300, 1100, 420, 260, ['#5a6b3a', '#76854a', '#8c9455', '#47572f'], random) +
      grass(1900, 3420, 900, 300, 170, ['#5a6b3a', '#76854a', '#8c9455'], random) +
      `<path d="M1480 1240 C1380 1900 980 2600 660 3060" fill="none" stroke="#1d2a33" stroke-width="4" opacity="0.75"/>` +
      kite(1520, 1130, 1080, 17, SAIL, 7) +
      kite(520, 1180, 190, -12, ['#fdfbf5', '#e8e2d0', '#d7cfb8', '#b9ae94'], 5) +
      kite(2270, 1760, 130, 24, ['#3d6b79', '#2f5561', '#89aab3', '#1f3d47'], 5),
    vertical('sky', [
      [0, '#2f6f8f'],
      [0.35, '#7db4c4'],
      [0.58, '#f3dcb6'],
      [0.62, '#f7e6cb'],
    ]) +
      vertical('sea', [
        [0, '#86b3b8'],
        [0.3, '#3f7f8c'],
        [1, '#1c5262'],
      ]),
  );
}

function strand(): string {
  const w = 3600;
  const h = 2400;
  const random = chance(87);
  let foam = '';
  for (let i = 0; i < 30; i++) {
    const y = 1120 + i * i * 0.75;
    foam += `<path d="${ridge(w, y + 60, y, 14 + i * 0.8, random, 10)}" fill="${i % 3 ? '#fff' : '#22484f'}" opacity="${0.04 + i * 0.003}"/>`;
  }
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="url(#sky)"/>` +
      `<ellipse cx="900" cy="420" rx="1500" ry="120" fill="#fff" opacity="0.3"/><ellipse cx="2700" cy="640" rx="1500" ry="90" fill="#fff" opacity="0.25"/>` +
      `<path d="${ridge(w, 1200, 1060, 60, random, 3)}" fill="#7f9aa0"/><rect y="1100" width="${w}" height="800" fill="url(#sea)"/>${foam}` +
      `<path d="${ridge(w, h, 1810, 150, random, 3)}" fill="#d6c39c"/><path d="${ridge(w, h, 2010, 130, random, 4)}" fill="#c0a877"/>` +
      `<g fill="#233"><path d="M2420 1830 l14 -120 q12 -34 26 0 l12 120 z"/><circle cx="2447" cy="1672" r="22"/><path d="M2456 1722 L2530 1640" stroke="#233" stroke-width="14"/></g>` +
      `<path d="M2530 1640 C2300 1300 1900 900 1340 560" fill="none" stroke="#2b3a42" stroke-width="4"/>` +
      kite(1290, 500, 330, -28, SAIL, 6) +
      grass(2500, 2340, 1200, 380, 220, ['#66703f', '#848a52', '#4e5a31'], random),
    vertical('sky', [
      [0, '#8fb3bf'],
      [0.5, '#e7e3d3'],
    ]) +
      vertical('sea', [
        [0, '#9dbdbd'],
        [1, '#3e747c'],
      ]),
  );
}

function cutOut(): string {
  return svg(2400, 3600, kite(1200, 1180, 2350, 0, ['#d9512c', '#f2b01e', '#33243c', '#b8392f'], 0));
}

function lantern(): string {
  return svg(
    2200,
    2800,
    `<rect width="2200" height="2800" fill="#fff"/>` +
      `<path d="M800 620 Q1100 60 1400 620" fill="none" stroke="#3a322c" stroke-width="38"/>` +
      `<path d="M760 760 h680 l-90 -170 h-500 z" fill="#4a4038"/><rect x="700" y="760" width="800" height="90" rx="16" fill="#2f2823"/>` +
      `<rect x="780" y="850" width="640" height="1220" fill="url(#glass)"/>` +
      `<path d="M1100 1980 C860 1780 960 1480 1100 1240 C1240 1480 1340 1780 1100 1980 Z" fill="#f6a21c"/><path d="M1100 1960 C980 1840 1030 1640 1100 1500 C1170 1640 1220 1840 1100 1960 Z" fill="#fff0b8"/>` +
      [780, 1080, 1380].map((x) => `<rect x="${x}" y="850" width="40" height="1220" fill="#3a322c"/>`).join('') +
      `<path d="M700 2070 h800 v110 h-800 z" fill="#2f2823"/><path d="M640 2180 h920 l60 220 h-1040 z" fill="#4a4038"/><rect x="580" y="2400" width="1040" height="70" rx="20" fill="#2f2823"/>`,
    `<radialGradient id="glass" cx="0.5" cy="0.62" r="0.7"><stop offset="0" stop-color="#ffdd7a"/><stop offset="0.5" stop-color="#f0b95a"/><stop offset="1" stop-color="#a8794a"/></radialGradient>`,
  );
}

function bench(): string {
  const w = 3300;
  const h = 2200;
  const random = chance(5);
  let curls = '';
  for (let i = 0; i < 46; i++) {
    const x = 250 + random() * 2800;
    const y = 1560 + random() * 480;
    const r = 34 + random() * 78;
    const turn = random() * 360;
    curls +=
      `<g transform="translate(${x.toFixed(0)} ${y.toFixed(0)}) rotate(${turn.toFixed(0)})">` +
      `<path d="M${r * 2.6} 0 C${r * 1.4} ${-r} ${-r * 0.4} ${-r * 1.1} ${-r * 0.7} 0 C${-r * 0.8} ${r * 0.8} ${r * 0.5} ${r * 0.8} ${r * 0.45} ${r * 0.1} C${r * 0.4} ${-r * 0.35} ${-r * 0.2} ${-r * 0.3} ${-r * 0.15} ${r * 0.1}" fill="none" stroke="${['#f2dcae', '#e6c88e', '#d9b675', '#f8e8c6'][i % 4]}" stroke-width="${(r * 0.3).toFixed(0)}" stroke-linecap="round"/></g>`;
  }
  let grainLines = '';
  for (let i = 0; i < 40; i++)
    grainLines += `<path d="${ridge(w, 2200, 1480 + i * 19, 10, random, 6)}" fill="#3b2315" opacity="0.035"/>`;
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="url(#wall)"/><rect x="1980" y="160" width="960" height="860" fill="#e9f0ea"/><rect x="1980" y="160" width="960" height="860" fill="url(#pane)"/>` +
      `<path d="M2460 160 V1020 M1980 590 H2940" stroke="#5b4636" stroke-width="34"/><rect x="1960" y="140" width="1000" height="900" fill="none" stroke="#5b4636" stroke-width="44"/>` +
      `<path d="M2000 1060 L2940 1060 L2200 2200 L300 2200 Z" fill="#ffe9b8" opacity="0.16"/>` +
      `<g stroke="#6d4a2e" stroke-width="26" stroke-linecap="round">${[0, 1, 2, 3, 4].map((i) => `<path d="M${320 + i * 150} 240 L${380 + i * 150} 1420" stroke="${['#b98a55', '#a97943', '#c89a63', '#93683a', '#b98a55'][i]}"/>`).join('')}</g>` +
      `<rect y="1440" width="${w}" height="760" fill="#8a5a36"/><rect y="1440" width="${w}" height="46" fill="#a87046"/>${grainLines}` +
      `<g transform="translate(1180 1300) rotate(-4)"><rect x="0" y="60" width="900" height="130" rx="30" fill="#5a3a24"/><path d="M150 60 C150 -60 280 -80 300 60 Z" fill="#6b452b"/><path d="M560 60 l90 -190 l90 30 l-60 160 z" fill="#8b8f94"/><path d="M700 60 C720 -40 860 -20 850 60 Z" fill="#6b452b"/></g>` +
      `<g transform="translate(200 1490) rotate(-2)"><rect width="2900" height="46" rx="20" fill="#e1bd83"/><rect width="2900" height="14" rx="7" fill="#f3dcae"/></g>` +
      curls,
    vertical('wall', [
      [0, '#6c5140'],
      [0.7, '#3d2c22'],
    ]) +
      `<linearGradient id="pane" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#cfe3e4"/><stop offset="1" stop-color="#f7edd2"/></linearGradient>`,
  );
}

function observatory(): string {
  const w = 3600;
  const h = 2300;
  const random = chance(1206);
  let stars = '';
  for (let i = 0; i < 130; i++)
    stars += `<circle cx="${(random() * w).toFixed(0)}" cy="${(random() * 900).toFixed(0)}" r="${(1.5 + random() * 3.5).toFixed(1)}" fill="#fff" opacity="${(0.3 + random() * 0.6).toFixed(2)}"/>`;
  let strokes = '';
  for (let i = 0; i < 16; i++) {
    const y = 300 + i * 68 + random() * 30;
    strokes += `<path d="M${-100 - random() * 400} ${y.toFixed(0)} C${900 + random() * 300} ${(y - 160).toFixed(0)} ${1900 + random() * 300} ${(y + 150).toFixed(0)} ${w + 200} ${(y - 40 - random() * 80).toFixed(0)}" fill="none" stroke="#dfe9ef" stroke-width="${(2 + random() * 5).toFixed(1)}" opacity="${(0.08 + random() * 0.14).toFixed(2)}"/>`;
  }
  const cup = (angle: number) =>
    `<g transform="rotate(${angle})"><path d="M0 0 H130" stroke="#c9813c" stroke-width="11"/><path d="M130 -40 a40 40 0 0 1 0 80 z" fill="#d89248"/></g>`;
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="url(#dusk)"/>${stars}${strokes}` +
      `<path d="${ridge(w, h, 1640, 120, random, 3)}" fill="#31455c"/><rect y="1700" width="${w}" height="600" fill="#22384d"/>` +
      `<path d="M1500 2300 C1800 1640 2300 1480 2600 1470 C3000 1470 3300 1600 3700 1700 V2300 Z" fill="#16222f"/>` +
      `<path d="M2420 1490 V840 h420 V1490 Z" fill="#dcd3bf"/><path d="M2630 840 h210 V1490 h-210 z" fill="#b4aa95"/><path d="M2380 840 a250 210 0 0 1 500 0 z" fill="#5d7d76"/><path d="M2630 630 a250 210 0 0 1 250 210 h-250 z" fill="#46635d"/>` +
      `<rect x="2500" y="1000" width="90" height="150" rx="45" fill="#ffce6b"/><rect x="2680" y="1180" width="90" height="150" rx="45" fill="#ffce6b"/><rect x="2540" y="1340" width="120" height="150" fill="#4c3a2b"/>` +
      `<path d="M2630 640 V430" stroke="#c9c2b2" stroke-width="14"/><g transform="translate(2630 430) scale(1 0.42)">${[20, 140, 260].map(cup).join('')}</g>` +
      `<path d="M2590 1075 L900 2300 L3500 2300 Z" fill="#ffce6b" opacity="0.06"/>` +
      grass(1500, 2290, 2100, 200, 320, ['#0e1822', '#1b2a38', '#22364a'], random),
    vertical('dusk', [
      [0, '#1c2f4a'],
      [0.45, '#4e6f8f'],
      [0.68, '#d99a72'],
      [0.74, '#f0c191'],
    ]),
  );
}

function profile(): string {
  return svg(
    300,
    380,
    `<rect width="300" height="380" fill="#d9cdb6"/><circle cx="210" cy="120" r="120" fill="#e9dfca"/>` +
      `<path d="M60 380 C60 300 120 290 130 262 C104 252 92 214 98 176 C86 170 84 160 96 146 C92 96 130 62 178 70 C226 78 240 124 224 168 C216 196 196 214 192 248 C200 290 262 296 270 380 Z" fill="#4a3a4e"/>` +
      `<path d="M96 120 C110 60 190 40 226 90 C246 120 238 150 226 160 C210 120 150 130 96 120 Z" fill="#2b2030"/><path d="M70 380 C90 320 150 306 190 306 C240 312 262 340 268 380 Z" fill="#8a4b38"/>`,
  );
}

export const PICTURES: readonly DemoPicture[] = [
  {
    file: 'cover-easterly.jpg',
    caption: 'Over the bar at the river mouth, the first morning of the easterlies.',
    credit: 'Inge Sarrow',
    grain: 18,
    draw: cover,
  },
  {
    file: 'fenn-kite-cutout.png',
    caption: 'The nine-foot ash kite above the bench, last flown in the year of the long easterlies.',
    credit: 'Inge Sarrow',
    grain: 0,
    draw: cutOut,
  },
  {
    file: 'fenn-bench.webp',
    scale: 1.06,
    caption: 'Ash by the window: the shavings come off in a single curl, or she begins again.',
    credit: 'Inge Sarrow',
    grain: 22,
    draw: bench,
  },
  {
    file: 'hollin-head-dusk.jpg',
    caption: 'Hollin Head at dusk. The four copper cups have turned since the tower was built.',
    credit: 'Rafe Dunmore',
    grain: 20,
    draw: observatory,
  },
  {
    file: 'strand.jpg',
    caption: 'Taking the line in during the purse, west strand.',
    credit: 'Rafe Dunmore',
    grain: 18,
    draw: strand,
  },
  {
    file: 'lantern.jpg',
    caption: 'The lamp that will be lit two minutes before the gusts.',
    credit: 'Rafe Dunmore',
    grain: 0,
    draw: lantern,
  },
  { file: 'orrin-profile.jpg', caption: 'Tam Orrin, apprentice.', credit: 'Inge Sarrow', grain: 0, draw: profile },
];
