import { chance, kite, ridge, svg } from './drawing';
import { lettering, lettersSvg } from './lettering';
import { planks } from './pieces';
import type { DemoPicture } from './picture';

/** Things: still lifes, cloth close to, cut-outs on nothing, and small pictures for briefs. */

type Random = () => number;

const object = (
  file: string,
  credit: string,
  scale: number,
  grain: number,
  caption: string,
  draw: DemoPicture['draw'],
): DemoPicture => ({
  file,
  caption,
  credit,
  grain,
  scale,
  draw,
});

/** Cloth as it looks from a hand’s breadth: threads over and under, in a colour and with a fault of its own. */
function cloth(
  base: readonly [number, number, number],
  pitch: number,
  rough: number,
  seed: number,
  fault: (w: number, h: number, random: Random) => string,
): string {
  const random = chance(seed);
  const [w, h] = [700, 700];
  const tone = () => {
    const shift = (random() - 0.5) * rough;
    return `rgb(${base.map((value) => Math.max(0, Math.min(255, Math.round(value + shift)))).join(',')})`;
  };
  let threads = '';
  for (let x = 0; x < w; x += pitch)
    threads += `<rect x="${x}" width="${(pitch * 0.86).toFixed(1)}" height="${h}" fill="${tone()}"/>`;
  for (let y = 0, row = 0; y < h; y += pitch, row++)
    for (let x = (row % 2) * pitch; x < w; x += 2 * pitch)
      threads += `<rect x="${(x - pitch * 0.1).toFixed(1)}" y="${y}" width="${(pitch * 1.1).toFixed(1)}" height="${(pitch * 0.82).toFixed(1)}" rx="${(pitch * 0.3).toFixed(1)}" fill="${tone()}"/>`;
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="rgb(${base.map((value) => value - 70).join(',')})"/>${threads}${fault(w, h, random)}`,
  );
}

const linen = () =>
  cloth(
    [206, 192, 160],
    11,
    34,
    1,
    (w, h, random) => `<path d="${ridge(w, h, h * 0.86, 40, random, 3)}" fill="#5b4a30" opacity="0.18"/>`,
  );
const silk = () =>
  cloth(
    [196, 88, 74],
    5,
    22,
    2,
    (w, h) =>
      `<path d="M0 ${h * 0.2} C${w * 0.3} ${h * 0.5} ${w * 0.6} ${h * 0.1} ${w} ${h * 0.5} V${h * 0.66} C${w * 0.6} ${h * 0.3} ${w * 0.3} ${h * 0.66} 0 ${h * 0.4} Z" fill="#fff" opacity="0.22"/>`,
  );
const nylon = () =>
  cloth(
    [60, 112, 128],
    14,
    10,
    4,
    (w, h) =>
      `${Array.from({ length: 8 }, (_, i) => `<path d="M${i * 100} 0 V${h} M0 ${i * 100} H${w}" stroke="#d8ecec" stroke-width="2.4" opacity="0.55"/>`).join('')}<path d="M0 0 L${w} ${h} V${h * 0.7} L${w * 0.3} 0 Z" fill="#fff" opacity="0.1"/>`,
  );

function paper(): string {
  const random = chance(3);
  const [w, h] = [700, 700];
  let creases = '';
  for (let i = 0; i < 26; i++) {
    const [x, y] = [random() * w, random() * h];
    creases += `<path d="M${x.toFixed(0)} ${y.toFixed(0)} l${(random() * 300 - 150).toFixed(0)} ${(random() * 300 - 150).toFixed(0)} l${(random() * 200 - 100).toFixed(0)} ${(random() * 200 - 100).toFixed(0)} Z" fill="${random() < 0.5 ? '#fff' : '#8d7a54'}" opacity="${(0.05 + random() * 0.1).toFixed(2)}"/>`;
  }
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="#d8c193"/>${creases}<rect x="390" y="330" width="210" height="120" fill="#e6d5ae" transform="rotate(-7 495 390)"/><path d="M430 380 l120 -14" stroke="#7a3529" stroke-width="5" stroke-dasharray="16 12"/>`,
  );
}

const table = (w: number, h: number, random: Random, wall = '#b9a98c'): string =>
  `<rect width="${w}" height="${h}" fill="${wall}"/><path d="M0 0 H${w} L${w * 0.4} ${h * 0.6} H0 Z" fill="#fff4d6" opacity="0.22"/>${planks(w, h, h * 0.62, ['#99683d', '#54351f'], random)}`;

function spools(): string {
  const random = chance(61);
  const [w, h] = [1000, 700];
  const colours = ['#c7432e', '#e9dcc0', '#2f5561', '#d3a23a', '#6f7f45', '#7d3f52', '#f4eee0', '#24323c'];
  const rows = Array.from({ length: 8 }, (_, i) => {
    const [x, y] = [90 + i * 108 + (i % 2) * 6, 470 + (i % 3) * 46];
    return `<ellipse cx="${x}" cy="${y + 72}" rx="64" ry="12" fill="#2b1a10" opacity="0.35"/><ellipse cx="${x}" cy="${y + 66}" rx="48" ry="14" fill="#c9a26a"/><rect x="${x - 40}" y="${y - 62}" width="80" height="126" fill="${colours[i]}"/>${Array.from({ length: 12 }, (_, k) => `<path d="M${x - 40} ${y - 56 + k * 10} q40 9 80 0" fill="none" stroke="#000" stroke-opacity="0.16" stroke-width="2.4"/>`).join('')}<ellipse cx="${x}" cy="${y - 64}" rx="48" ry="14" fill="#dcb981"/><ellipse cx="${x}" cy="${y - 64}" rx="11" ry="4" fill="#4b3120"/>`;
  });
  return svg(
    w,
    h,
    `${table(w, h, random)}${rows.join('')}<path d="M84 400 C240 300 300 640 520 600 S900 640 960 500" fill="none" stroke="#c7432e" stroke-width="3"/><path d="M600 630 l250 -34" stroke="#8b8f94" stroke-width="7" stroke-linecap="round"/><ellipse cx="600" cy="630" rx="9" ry="3" fill="#3a3a3a" transform="rotate(-8 600 630)"/>`,
  );
}

function ledger(): string {
  const random = chance(1838);
  const [w, h] = [1000, 760];
  let writing = '';
  for (let i = 0; i < 17; i++) {
    const y = 170 + i * 28;
    for (const left of [170, 545]) {
      const long = 120 + random() * 110;
      writing += `<path d="M${left} ${y} q8 -12 16 0 t16 0 t16 -3 t16 3 t${(long / 6).toFixed(0)} 0 t${(long / 6).toFixed(0)} -2 t${(long / 6).toFixed(0)} 2" fill="none" stroke="#4a3a2c" stroke-width="2.1"/>`;
      if (random() < 0.34)
        writing += `<path d="M${left + 272} ${y - 10} l-7 10 m7 -10 v12 m0 -12 l7 10" stroke="#7a3529" stroke-width="2.4" fill="none"/>`;
    }
  }
  return svg(
    w,
    h,
    `${table(w, h, random, '#8b7a62')}<path d="M120 120 L500 100 L880 120 L930 690 L500 664 L70 690 Z" fill="#5d4f3a"/><path d="M140 112 C260 84 420 84 500 108 C580 84 740 84 860 112 L900 672 C760 644 600 640 500 660 C400 640 240 644 100 672 Z" fill="#efe4c8"/><path d="M500 108 V660" stroke="#b6a27a" stroke-width="9"/>${Array.from({ length: 18 }, (_, i) => `<path d="M${132 - i} ${158 + i * 28} Q320 ${132 + i * 28} 492 ${156 + i * 28} M508 ${156 + i * 28} Q680 ${132 + i * 28} ${868 + i} ${158 + i * 28}" fill="none" stroke="#9db0b3" stroke-width="1.2"/>`).join('')}${writing}<path d="M690 96 V640" stroke="#b5482c" stroke-width="1.6" opacity="0.6"/>`,
  );
}

function soup(): string {
  const random = chance(6);
  const [w, h] = [1000, 760];
  return svg(
    w,
    h,
    `${table(w, h, random, '#90866f')}<ellipse cx="500" cy="560" rx="330" ry="92" fill="#2b1a10" opacity="0.35"/><path d="M190 420 C200 600 320 660 500 660 C680 660 800 600 810 420 Z" fill="#2f5561"/><path d="M190 420 C196 520 240 600 330 636 C270 560 250 500 246 420 Z" fill="#fff" opacity="0.14"/><ellipse cx="500" cy="420" rx="310" ry="104" fill="#24424b"/><ellipse cx="500" cy="424" rx="284" ry="90" fill="#d9b35e"/>${Array.from({ length: 22 }, () => `<ellipse cx="${(270 + random() * 460).toFixed(0)}" cy="${(370 + random() * 110).toFixed(0)}" rx="${(7 + random() * 14).toFixed(0)}" ry="${(4 + random() * 6).toFixed(0)}" fill="${['#8fa34f', '#f0dfb0', '#c98b3a', '#6f8a3f'][Math.floor(random() * 4)]}"/>`).join('')}<path d="M640 420 L900 170" stroke="#b89058" stroke-width="22" stroke-linecap="round"/>${[380, 470, 560].map((x) => `<path d="M${x} 330 C${x - 40} 270 ${x + 40} 230 ${x} 150" fill="none" stroke="#fff" stroke-width="12" opacity="0.2" stroke-linecap="round"/>`).join('')}<path d="M60 600 C120 540 260 560 270 640 C220 690 90 680 60 600 Z" fill="#b98245"/><path d="M90 604 l40 40 M140 584 l40 50 M190 586 l30 46" stroke="#6d4526" stroke-width="5"/>`,
  );
}

function bookPile(): string {
  const random = chance(212);
  const [w, h] = [1000, 760];
  return svg(
    w,
    h,
    `${table(w, h, random)}<ellipse cx="500" cy="640" rx="330" ry="40" fill="#2b1a10" opacity="0.4"/><rect x="210" y="540" width="580" height="96" fill="#7a3529"/><rect x="780" y="548" width="16" height="80" fill="#efe4c8"/><rect x="250" y="556" width="150" height="10" fill="#d9b35e"/><rect x="260" y="452" width="500" height="86" fill="#2f4a57" transform="rotate(-2 500 500)"/><rect x="744" y="446" width="16" height="74" fill="#efe4c8" transform="rotate(-2 500 500)"/><rect x="330" y="404" width="380" height="46" fill="#e9dcc0" transform="rotate(3 500 430)"/><path d="M520 404 C540 360 610 340 640 400" fill="none" stroke="#c7432e" stroke-width="7"/><path d="M640 400 q30 40 20 90" fill="none" stroke="#c7432e" stroke-width="7"/>`,
  );
}

async function deskLid(): Promise<string> {
  const random = chance(40);
  const [w, h] = [1000, 700];
  const marks = ['J.F.', 'A.T.', 'M+R', 'H.B.', 'T.O.', 'P', 'E.Q.', 'W.C.', 'S.O.', 'R.D.', 'I.V.', 'B.U.'];
  const cut = await Promise.all(
    marks.map(async (mark, i) => {
      const [x, y] = [80 + (i % 4) * 225, 270 + Math.floor(i / 4) * 160];
      const { letters } = await lettering(
        mark,
        'SourceSerif4-700',
        54 + random() * 46,
        190,
        x + random() * 26,
        y + random() * 30,
      );
      return `<g transform="rotate(${((random() - 0.5) * 26).toFixed(0)} ${x + 70} ${y})"><g transform="translate(3 3)">${lettersSvg(letters, '#b98a5c')}</g>${lettersSvg(letters, '#2a170b')}</g>`;
    }),
  );
  return svg(
    w,
    h,
    `${planks(w, h, 0, ['#8a5d36', '#3f2716'], random)}<rect x="720" y="60" width="150" height="70" rx="35" fill="#2b1a10"/><ellipse cx="795" cy="95" rx="46" ry="22" fill="#10141a"/>${cut.join('')}`,
  );
}

function clock(): string {
  const [w, h] = [700, 1000];
  const random = chance(84);
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="#6f6250"/><path d="M0 0 H${w} L0 ${h * 0.8} Z" fill="#fff0c8" opacity="0.12"/>${planks(w, h, 880, ['#6d4a2e', '#33200f'], random)}<path d="M210 900 V130 C260 40 440 40 490 130 V900 Z" fill="#5b3620"/><path d="M240 880 V560 H460 V880 Z" fill="#3d2415"/><circle cx="350" cy="270" r="132" fill="#b9872f"/><circle cx="350" cy="270" r="118" fill="#f4ead0"/>${Array.from({ length: 12 }, (_, i) => `<path d="M350 164 v18" stroke="#2b1a10" stroke-width="7" transform="rotate(${i * 30} 350 270)"/>`).join('')}<path d="M350 270 V196 M350 270 l46 -66" stroke="#1f1710" stroke-width="9" stroke-linecap="round"/><path d="M350 570 V780" stroke="#d9b35e" stroke-width="7"/><circle cx="350" cy="800" r="44" fill="#d9b35e"/><circle cx="338" cy="788" r="14" fill="#fff" opacity="0.4"/>`,
  );
}

function bell(): string {
  const random = chance(1874);
  const [w, h] = [800, 700];
  return svg(
    w,
    h,
    `${table(w, h, random, '#7d8a8c')}<path d="M180 640 H620 V360 H180 Z" fill="#b58d56"/>${Array.from({ length: 5 }, (_, i) => `<path d="M180 ${384 + i * 56} H620" stroke="#7a5831" stroke-width="6"/>`).join('')}${Array.from({ length: 60 }, () => `<path d="M${(190 + random() * 420).toFixed(0)} ${(350 + random() * 20).toFixed(0)} l${(random() * 60 - 30).toFixed(0)} ${(-10 - random() * 40).toFixed(0)}" stroke="#dcbb6a" stroke-width="3"/>`).join('')}<path d="M280 360 C320 320 320 200 400 170 C480 200 480 320 520 360 Z" fill="#8a6a2c"/><path d="M280 360 C320 320 320 200 400 170 L384 360 Z" fill="#c39a48"/><rect x="384" y="140" width="32" height="36" rx="8" fill="#6b5122"/>`,
  );
}

function balance(): string {
  const [w, h] = [700, 1000];
  const random = chance(90);
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="#d5c7a8"/>${planks(w, h, 0, ['#cbb88f', '#8d7548'], random)}<path d="M350 60 a34 34 0 1 1 -1 0" fill="none" stroke="#54402f" stroke-width="16"/><rect x="270" y="130" width="160" height="620" rx="26" fill="#c7943a"/><rect x="290" y="160" width="120" height="560" rx="12" fill="#f6eed8"/>${Array.from({ length: 21 }, (_, i) => `<path d="M${i % 5 === 0 ? 300 : 330} ${180 + i * 25} H400" stroke="#33281c" stroke-width="${i % 5 === 0 ? 4 : 2}"/>`).join('')}<path d="M288 612 h130" stroke="#c7432e" stroke-width="10"/><path d="M350 750 V850 C350 930 420 930 420 870" fill="none" stroke="#54402f" stroke-width="16" stroke-linecap="round"/>`,
  );
}

/* Cut-outs: on nothing, for text to run around. */

const boxKite = () => {
  const edge = 'stroke="#2b211b" stroke-width="9" stroke-linecap="round"';
  const band = (y: number, front: string, side: string) =>
    `<path d="M180 ${y} L480 ${y + 60} V${y + 240} L180 ${y + 180} Z" fill="${front}"/><path d="M480 ${y + 60} L700 ${y - 20} V${y + 160} L480 ${y + 240} Z" fill="${side}"/>`;
  return svg(
    900,
    1300,
    `<path d="M400 -10 V1180" ${edge} opacity="0"/><path d="M420 120 V1180" ${edge}/>${band(200, '#d9512c', '#b93a2e')}${band(880, '#f0b429', '#cf9420')}<path d="M180 130 V1130 M480 190 V1210 M700 110 V1110" ${edge}/><path d="M180 600 L700 640 M480 660 L420 590" stroke="#2b211b" stroke-width="5"/>`,
  );
};

const deltaKite = () =>
  svg(
    1300,
    900,
    `<path d="M650 60 L1280 640 L820 600 L650 760 L480 600 L20 640 Z" fill="#2f5561"/><path d="M650 60 L1280 640 L820 600 Z" fill="#7fb0ba"/><path d="M650 60 L820 600 L650 760 Z" fill="#f0b429"/><path d="M650 60 L480 600 L650 760 Z" fill="#e2a022"/><path d="M650 60 V760 M650 60 L1280 640 M650 60 L20 640" stroke="#1c2a33" stroke-width="10" stroke-linecap="round"/>`,
  );

const fishKite = () => {
  let scales = '';
  for (let row = 0; row < 5; row++)
    for (let i = 0; i < 9; i++)
      scales += `<path d="M${330 + i * 74 + (row % 2) * 37} ${250 + row * 62} a40 40 0 0 1 0 66" fill="none" stroke="#f6ead0" stroke-width="7" opacity="0.75"/>`;
  return svg(
    1400,
    800,
    `<path d="M120 400 C220 150 720 120 1020 360 L1340 180 L1270 400 L1340 620 L1020 440 C720 680 220 650 120 400 Z" fill="#c7432e"/><path d="M120 400 C220 650 720 680 1020 440 L1340 620 L1270 400 L1020 400 Z" fill="#9b2f23"/>${scales}<circle cx="250" cy="360" r="46" fill="#fbf5e4"/><circle cx="242" cy="362" r="22" fill="#16202a"/><path d="M120 400 C160 420 200 424 236 420" fill="none" stroke="#3b1712" stroke-width="9"/>`,
  );
};

const reel = () =>
  svg(
    900,
    900,
    `<rect x="130" y="200" width="90" height="500" rx="30" fill="#8a5a36"/><rect x="680" y="200" width="90" height="500" rx="30" fill="#7a4c2b"/><rect x="200" y="300" width="500" height="300" fill="#e9dcc0"/>${Array.from({ length: 18 }, (_, i) => `<path d="M${206 + i * 28} 296 q14 154 0 308" fill="none" stroke="#b59b6b" stroke-width="7"/>`).join('')}<path d="M20 420 H130 V480 H20 Z M770 420 H880 V480 H770 Z" fill="#5d3b22"/><path d="M690 590 C760 700 760 800 850 860" fill="none" stroke="#d8c79f" stroke-width="9"/>`,
  );

const shears = () =>
  svg(
    1200,
    760,
    `<path d="M430 380 L1160 240 C1170 262 1150 290 1120 300 L470 430 Z" fill="#a9b0b3"/><path d="M430 380 L1160 520 C1170 498 1150 470 1120 460 L470 330 Z" fill="#8b9296"/><circle cx="500" cy="380" r="20" fill="#4b5154"/><path d="M470 420 C340 470 330 640 190 640 C60 640 50 470 170 450 C280 430 360 410 440 366 Z M190 590 C250 590 260 500 190 500 C110 506 110 590 190 590 Z" fill="#24323c" fill-rule="evenodd"/><path d="M470 340 C340 290 330 120 190 120 C60 120 50 290 170 310 C280 330 360 350 440 394 Z M190 170 C250 170 260 260 190 260 C110 254 110 170 190 170 Z" fill="#1a252d" fill-rule="evenodd"/>`,
  );

const gull = () =>
  svg(
    1200,
    800,
    `<path d="M60 240 C260 120 420 220 560 400 C700 180 940 80 1140 190 C960 200 800 330 720 470 C760 520 740 560 660 590 L560 660 L540 600 C460 590 420 540 430 470 C360 330 220 250 60 240 Z" fill="#f3f0e8" stroke="#7d8689" stroke-width="7"/><path d="M60 240 C160 200 260 220 330 280 C240 250 150 240 60 240 Z M1140 190 C1040 150 940 170 870 230 C950 190 1040 184 1140 190 Z" fill="#36424a"/><path d="M660 590 L760 600 L680 560 Z" fill="#e0a02b"/><circle cx="650" cy="520" r="11" fill="#20262a"/>`,
  );

/** The pattern that was cut in the floor: a leaf cut off short, with three lines across. */
const pattern = () =>
  svg(
    800,
    1000,
    `<path d="M400 60 C640 220 700 520 620 860 H180 C100 520 160 220 400 60 Z" fill="#efe4c8" stroke="#6d4a2e" stroke-width="9"/><path d="M400 60 V860 M150 480 H650" stroke="#6d4a2e" stroke-width="7"/><path d="M170 330 C320 300 480 300 630 330" fill="none" stroke="#c7432e" stroke-width="8" stroke-dasharray="26 16"/>`,
  );

/* Small ones, for briefs. */

const small = (ground: string, body: string) => svg(420, 300, `<rect width="420" height="300" fill="${ground}"/>${body}`);

export const OBJECTS: readonly DemoPicture[] = [
  object('cloth-linen.jpg', 'Inge Sarrow', 1.2, 12, 'Linen', linen),
  object('cloth-silk.jpg', 'Inge Sarrow', 1.2, 10, 'Silk', silk),
  object('cloth-paper.jpg', 'Inge Sarrow', 1.2, 12, 'Paper', paper),
  object('cloth-nylon.jpg', 'Inge Sarrow', 1.2, 8, 'Nylon', nylon),
  object('spools.jpg', 'Inge Sarrow', 1.8, 16, 'Thread from the chandlery, in the order in which it is used up.', spools),
  object(
    'ledger.jpg',
    'Inge Sarrow',
    2,
    16,
    'The ledger, 1838 to 1871. Beside each small entry stands a mark like a bird’s foot.',
    ledger,
  ),
  object('soup.jpg', 'Inge Sarrow', 1.8, 16, 'Leek and parsnip, after the first frost.', soup),
  object('books.jpg', 'Inge Sarrow', 1.6, 16, 'The red wool is at the ninth joint.', bookPile),
  object(
    'desk-lid.jpg',
    'Rafe Dunmore',
    1.8,
    16,
    'Desk number two, from the window side: four pounds eleven, to a committee.',
    deskLid,
  ),
  object('clock.jpg', 'Rafe Dunmore', 1.4, 14, 'In Slip Street, at ten minutes past something.', clock),
  object('bell.webp', 'Rafe Dunmore', 1.6, 14, 'As it was found, with straw.', bell),
  object('spring-balance.jpg', 'Rafe Dunmore', 1.6, 14, 'Ninety pounds in twelve knots. In sixteen it broke.', balance),
  object('box-kite.png', 'Inge Sarrow', 2, 0, 'Two bands of cloth and four sticks.', boxKite),
  object('delta-kite.png', 'Inge Sarrow', 2, 0, 'A sail of the autumn, by Sefa Orrin.', deltaKite),
  object('fish-kite.png', 'Inge Sarrow', 2, 0, 'The gurnard, which is flown at weddings.', fishKite),
  object('reel.png', 'Inge Sarrow', 1.6, 0, 'A reel of forty-pound linen.', reel),
  object('shears.png', 'Inge Sarrow', 1.6, 0, 'Shears, for cutting on the bias.', shears),
  object('gull.png', 'Rafe Dunmore', 1.6, 0, 'One of those that walk.', gull),
  object('leaf-pattern.png', 'Traced by Wynne Carrow', 1.8, 0, 'The pattern in the floor.', pattern),
  object('brief-key.jpg', 'Rafe Dunmore', 1.6, 12, 'The key.', () =>
    small(
      '#c9b48a',
      `<circle cx="120" cy="150" r="52" fill="none" stroke="#54402f" stroke-width="22"/><path d="M170 150 H340 M300 150 v44 M334 150 v34" stroke="#54402f" stroke-width="22" stroke-linecap="round"/>`,
    ),
  ),
  object('brief-seal.jpg', 'Rafe Dunmore', 1.6, 12, 'The seal, on the slip.', () =>
    small(
      '#8fa8ab',
      `<rect y="210" width="420" height="90" fill="#8b8171"/><path d="M60 220 C90 110 250 90 330 160 C370 170 380 210 330 224 L180 232 Z" fill="#4d5860"/><circle cx="318" cy="170" r="6" fill="#10161a"/><path d="M60 220 l-34 -26 l8 40 z" fill="#4d5860"/>`,
    ),
  ),
  object('brief-cup.jpg', 'Inge Sarrow', 1.6, 12, 'The cup.', () =>
    small(
      '#b7553d',
      `<path d="M150 60 H270 C270 150 250 190 210 196 C170 190 150 150 150 60 Z" fill="#e9c766"/><path d="M150 80 C100 80 100 150 160 150 M270 80 C320 80 320 150 260 150" fill="none" stroke="#e9c766" stroke-width="12"/><path d="M200 196 h20 v40 h40 v24 H160 v-24 h40 z" fill="#c79f3c"/>`,
    ),
  ),
  object('brief-fish.jpg', 'Rafe Dunmore', 1.6, 12, 'A gurnard, of nine pounds.', () =>
    small(
      '#d8cdb8',
      `<path d="M60 150 C120 70 260 80 310 140 L380 90 L366 150 L380 210 L310 160 C260 220 120 230 60 150 Z" fill="#b5482c"/><circle cx="112" cy="140" r="11" fill="#fff"/><circle cx="110" cy="141" r="5" fill="#111"/>`,
    ),
  ),
  object('brief-boot.jpg', 'Rafe Dunmore', 1.6, 12, 'The left one.', () =>
    small(
      '#93a05a',
      `<path d="M150 40 H236 V170 C290 180 340 200 340 236 V256 H150 Z" fill="#4a3226"/><rect x="150" y="250" width="192" height="16" fill="#241812"/>`,
    ),
  ),
  object('brief-kite.jpg', 'Inge Sarrow', 1.6, 12, 'Her small blue sail.', () =>
    small('#dfe7e4', kite(210, 120, 150, 18, ['#7fb0ba', '#2f5561', '#3d7c8c', '#1f3d47'], 3)),
  ),
];
