import { chance, grass, kite, ridge, svg, vertical } from './drawing';
import { boat, clouds, gulls, houses, line, person, planks, swell } from './pieces';
import type { DemoPicture } from './picture';

/** Places of Ternhaven: the harbour, the strand, the hill, the lofts; drawn in units of which a spread is about 1,700 wide. */

const WARM = ['#f0b429', '#e2572b', '#b93a2e', '#3b2a44'] as const;
const PALE = ['#fdfbf5', '#e8e2d0', '#d7cfb8', '#b9ae94'] as const;
const COOL = ['#7fb0ba', '#2f5561', '#dbe7e6', '#1f3d47'] as const;
const MOSS = ['#93a05a', '#c9b257', '#5a6b3a', '#2f3a24'] as const;

const W = 1200;
const H = 800;

function harbour(): string {
  const random = chance(31);
  const water = 520;
  let masts = '';
  for (let i = 0; i < 9; i++)
    masts += boat(
      90 + i * 128 + random() * 40,
      water + 40 + random() * 120,
      120 + random() * 70,
      ['#7c2f26', '#1f3d47', '#d9c9a4', '#35513e'][i % 4]!,
      i % 4 === 1 ? '#e9dcc0' : undefined,
    );
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#sky)"/>${clouds(W, 70, 300, 9, random)}<path d="${ridge(W, 460, 300, 60, random, 3)}" fill="#8fa3a0"/>` +
      `<path d="${ridge(W, 460, 350, 50, random, 4)}" fill="#728b84"/>${houses(-10, 500, 1230, ['#d8cdb8', '#b7553d', '#c9b48a', '#8f9f9c', '#e3d7c2'], random)}` +
      `<rect y="496" width="${W}" height="34" fill="#6b6155"/><rect y="496" width="${W}" height="7" fill="#91866f"/><rect y="${water}" width="${W}" height="${H - water}" fill="url(#sea)"/>` +
      `${swell(W, H, water, ['#fff', '#20454d'], random)}${masts}${gulls(700, 120, 320, 12, random)}`,
    vertical('sky', [
      [0, '#9dc0c8'],
      [0.5, '#f2e6cf'],
    ]) +
      vertical('sea', [
        [0, '#7ba3a3'],
        [1, '#24535b'],
      ]),
  );
}

function harbourNight(): string {
  const random = chance(67);
  let lights = '';
  for (let i = 0; i < 34; i++) {
    const x = 40 + random() * 1120;
    lights += `<rect x="${x.toFixed(0)}" y="540" width="${(4 + random() * 5).toFixed(1)}" height="${(60 + random() * 190).toFixed(0)}" fill="#ffcf78" opacity="${(0.12 + random() * 0.22).toFixed(2)}"/>`;
  }
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#sky)"/><circle cx="930" cy="150" r="44" fill="#f6ecd2"/><circle cx="930" cy="150" r="120" fill="#f6ecd2" opacity="0.08"/>` +
      `<path d="${ridge(W, 500, 360, 80, random, 3)}" fill="#1c2b3e"/>${houses(20, 530, 1150, ['#2b3545', '#3a3443', '#253748', '#342f3c'], random, '#ffd27e')}` +
      `<rect y="528" width="${W}" height="272" fill="url(#sea)"/>${lights}${swell(W, H, 540, ['#8fb0c8', '#0a1420'], random)}` +
      `${boat(320, 660, 190, '#161d27')}${boat(760, 720, 230, '#11171f')}<path d="M930 560 L900 800 H980 Z" fill="#f6ecd2" opacity="0.12"/>`,
    vertical('sky', [
      [0, '#0f1c30'],
      [0.62, '#33506b'],
      [0.68, '#5d6d7c'],
    ]) +
      vertical('sea', [
        [0, '#203449'],
        [1, '#0a131d'],
      ]),
  );
}

function gannetHead(): string {
  const random = chance(913);
  return svg(
    W,
    900,
    `<rect width="${W}" height="900" fill="url(#sky)"/>${clouds(W, 60, 420, 11, random, '#fff', 0.16)}<rect y="620" width="${W}" height="280" fill="url(#sea)"/>${swell(W, 900, 620, ['#fff', '#16323c'], random)}` +
      `<path d="M520 900 C560 760 600 690 680 600 C720 556 790 528 860 520 C960 510 1080 560 1200 548 V900 Z" fill="#3c4742"/><path d="M600 900 C640 780 690 700 760 640 C820 600 900 590 1200 640 V900 Z" fill="#2a332f"/>` +
      `<rect x="792" y="452" width="190" height="92" fill="#e9e1cf"/><rect x="792" y="452" width="60" height="92" fill="#cfc5b0"/><path d="M778 456 L838 396 H946 L996 456 Z" fill="#4d3d39"/><rect x="930" y="372" width="26" height="44" fill="#5d4743"/><rect x="806" y="478" width="30" height="34" fill="#ffe08a"/><path d="M821 478 V512 M806 495 H836" stroke="#7a5b2a" stroke-width="3"/><rect x="880" y="482" width="24" height="62" fill="#35434a"/><rect x="930" y="482" width="26" height="28" fill="#35434a"/>` +
      `<circle cx="821" cy="495" r="70" fill="#ffe08a" opacity="0.16"/><path d="M806 480 L0 420 V640 L806 512 Z" fill="#ffe7a0" opacity="0.13"/>${gulls(120, 260, 460, 16, random)}${grass(640, 890, 560, 60, 190, ['#56634b', '#3c4a38', '#74805c'], random)}`,
    vertical('sky', [
      [0, '#4b6a80'],
      [0.5, '#c9b9a4'],
      [0.69, '#eacb9b'],
    ]) +
      vertical('sea', [
        [0, '#8b9d9c'],
        [1, '#284750'],
      ]),
  );
}

function ropewalk(): string {
  const random = chance(211);
  let beams = '';
  for (let i = 0; i < 9; i++) {
    const k = 0.12 + 0.88 * (1 - i / 9) ** 1.8;
    const [x, y, w, h] = [600 - 620 * k, 380 - 420 * k, 1240 * k, 840 * k];
    beams += `<rect x="${x.toFixed(1)}" y="${y.toFixed(1)}" width="${w.toFixed(1)}" height="${h.toFixed(1)}" fill="none" stroke="#4d3827" stroke-width="${(26 * k).toFixed(1)}" opacity="${(0.5 + 0.5 * k).toFixed(2)}"/>`;
    if (i > 0 && i < 8)
      beams += `<rect x="${(x + w * 0.06).toFixed(1)}" y="${(y + h * 0.28).toFixed(1)}" width="${(26 * k).toFixed(1)}" height="${(120 * k).toFixed(1)}" fill="#f3e2b4"/>`;
  }
  let ropes = '';
  for (let i = 0; i < 7; i++) {
    const x = 250 + i * 120;
    ropes += `<path d="M${x} 800 L${590 + i * 4} 392" stroke="${['#e0c48d', '#caa565', '#f0dcae'][i % 3]}" stroke-width="${9 - Math.abs(3 - i)}"/>`;
  }
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="#8a6a4a"/><path d="M0 0 L600 380 L1200 0 Z" fill="#6a4f37"/><path d="M0 800 L600 380 L1200 800 Z" fill="#a98659"/><path d="M0 0 L600 380 L0 800 Z" fill="#7c5d40"/><circle cx="600" cy="380" r="60" fill="#fff2cc" opacity="0.9"/><circle cx="600" cy="380" r="170" fill="#ffe9b0" opacity="0.25"/>` +
      `${beams}${ropes}${person(880, 720, 300, ['#2f4a57', '#20242a'], -0.6, true)}${person(420, 560, 150, ['#7a3529', '#26221f'], 0.4)}` +
      Array.from(
        { length: 50 },
        () =>
          `<circle cx="${(random() * W).toFixed(0)}" cy="${(random() * H).toFixed(0)}" r="${(0.8 + random() * 2).toFixed(1)}" fill="#fff4d0" opacity="0.25"/>`,
      ).join(''),
  );
}

function sailLoft(): string {
  const random = chance(52);
  let hung = '';
  const sets = [WARM, PALE, COOL, MOSS, PALE, WARM] as const;
  sets.forEach(
    (colours, i) =>
      (hung +=
        line(130 + i * 190, 60, 130 + i * 190, 240, 0, '#2c211a', 2) +
        kite(130 + i * 190, 300, 150 + (i % 3) * 34, (i % 2 ? 8 : -7) + i, colours, 4)),
  );
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#wall)"/><path d="M0 0 L600 -120 L1200 0 V70 L600 -20 L0 70 Z" fill="#4b3526"/><rect y="56" width="${W}" height="26" fill="#5c4230"/>` +
      `<rect x="470" y="360" width="260" height="210" fill="#dfe9e6"/><path d="M600 360 V570 M470 465 H730" stroke="#5c4230" stroke-width="10"/><rect x="464" y="354" width="272" height="222" fill="none" stroke="#5c4230" stroke-width="14"/>` +
      `${planks(W, H, 610, ['#a37a4e', '#5a3b22'], random)}<path d="M470 612 L730 612 L980 800 L180 800 Z" fill="#fff2c8" opacity="0.2"/>${hung}` +
      `<rect x="120" y="600" width="420" height="22" fill="#6d4a2e"/><path d="M150 622 V770 M510 622 V770" stroke="#5a3b22" stroke-width="16"/><path d="M180 600 C220 570 330 586 360 560 C400 540 470 590 520 600 Z" fill="#efe6d2"/>${person(840, 770, 250, ['#6e4b5c', '#2c2530'], -0.5)}`,
    vertical('wall', [
      [0, '#a88c6c'],
      [1, '#7b6048'],
    ]),
  );
}

function market(): string {
  const random = chance(268);
  let stalls = '';
  const cloth = ['#b9472f', '#2f5f6b', '#d3a23a', '#6f7f45', '#7d3f52'];
  for (let i = 0; i < 5; i++) {
    const x = -20 + i * 252;
    const colour = cloth[i]!;
    let stripes = '';
    for (let s = 0; s < 7; s++) stripes += `<path d="M${x + 12 + s * 32} 380 h16 l${-4 + s} 92 h-18 z" fill="#f6ecd6"/>`;
    stalls +=
      `<path d="M${x + 22} 380 V660 M${x + 216} 380 V660" stroke="#4b382a" stroke-width="8"/><path d="M${x} 380 H${x + 240} L${x + 252} 472 H${x - 14} Z" fill="${colour}"/>${stripes}` +
      `<path d="M${x - 14} 472 ${Array.from({ length: 7 }, () => `q19 24 38 0`).join(' ')} V464 H${x - 14} Z" fill="${colour}"/><rect x="${x + 6}" y="568" width="226" height="26" fill="#7a5a3c"/>` +
      Array.from(
        { length: 13 },
        (_, k) =>
          `<circle cx="${x + 20 + k * 16.5}" cy="${560 - random() * 8}" r="${9 + random() * 4}" fill="${['#d98b2b', '#a9b04a', '#b23b31', '#e6d6ae'][(k + i) % 4]}"/>`,
      ).join('');
  }
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#sky)"/>${clouds(W, 40, 180, 6, random)}${houses(0, 380, 1220, ['#cbbfa9', '#a7614c', '#bba987', '#97a19a'], random)}<rect y="378" width="${W}" height="430" fill="#a9977b"/>` +
      `${stalls}<rect y="650" width="${W}" height="150" fill="#8d7b62"/>${[90, 210, 350, 470, 640, 780, 930, 1090]
        .map((x, i) =>
          person(
            x,
            740 + (i % 3) * 18,
            190 + (i % 2) * 24,
            (
              [
                ['#2f3f4f', '#22262b'],
                ['#7b3b32', '#2b2422'],
                ['#5a6a4a', '#272a22'],
                ['#8a6a3c', '#30281f'],
              ] as const
            )[i % 4]!,
            i % 3 === 0 ? 0.5 : 0,
            i % 2 === 0,
          ),
        )
        .join('')}`,
    vertical('sky', [
      [0, '#b5cbd0'],
      [0.4, '#f3e7d0'],
    ]),
  );
}

function ferry(): string {
  const random = chance(637);
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#sky)"/>${clouds(W, 50, 260, 9, random, '#fff', 0.26)}<path d="${ridge(W, 480, 390, 60, random, 3)}" fill="#7d959b"/><rect y="450" width="${W}" height="350" fill="url(#sea)"/>` +
      `<path d="M230 560 H930 L880 640 H300 Z" fill="#22323c"/><path d="M230 560 H930 L922 574 H240 Z" fill="#c7432e"/><rect x="330" y="470" width="460" height="92" fill="#f4efe2"/><rect x="330" y="470" width="460" height="18" fill="#dcd3bf"/>` +
      Array.from({ length: 9 }, (_, i) => `<rect x="${352 + i * 48}" y="502" width="28" height="26" fill="#2f4a57"/>`).join('') +
      `<rect x="420" y="404" width="150" height="68" fill="#efe7d4"/><rect x="432" y="418" width="126" height="24" fill="#2f4a57"/><path d="M640 470 V360 H712 V470 Z" fill="#c7432e"/><rect x="640" y="378" width="72" height="18" fill="#f0b429"/><path d="M500 404 V300 M500 316 L620 470" stroke="#2b2f33" stroke-width="4"/>` +
      `<path d="M676 356 C700 300 780 300 800 250 C840 200 960 220 1060 170 C980 260 880 260 830 300 C780 350 730 330 700 360 Z" fill="#6f777a" opacity="0.55"/>${swell(W, H, 610, ['#fff', '#15333d'], random)}<path d="M180 636 C300 618 900 618 1020 640 L1080 668 H130 Z" fill="#fff" opacity="0.5"/>${gulls(160, 220, 300, 11, random)}`,
    vertical('sky', [
      [0, '#7fa3b2'],
      [0.56, '#efe4cd'],
    ]) +
      vertical('sea', [
        [0, '#86a9aa'],
        [1, '#22505c'],
      ]),
  );
}

function noWind(): string {
  const random = chance(287);
  return svg(
    1200,
    1500,
    `<rect width="1200" height="1500" fill="url(#sky)"/><circle cx="310" cy="640" r="70" fill="#fff7e0" opacity="0.9"/><circle cx="310" cy="640" r="190" fill="#fff3d0" opacity="0.25"/><path d="${ridge(1200, 900, 850, 24, random, 2)}" fill="#b7c0bd"/><rect y="880" width="1200" height="230" fill="url(#sea)"/>` +
      `<rect x="250" y="884" width="120" height="220" fill="#fff6dc" opacity="0.35"/><path d="${ridge(1200, 1500, 1110, 20, random, 2)}" fill="#d9ccb0"/><path d="${ridge(1200, 1500, 1240, 40, random, 2)}" fill="#c6b592"/>` +
      `${person(760, 1190, 260, ['#3d4c57', '#2a2e33'], 0, false)}<ellipse cx="790" cy="1196" rx="80" ry="10" fill="#8f7f62" opacity="0.5"/><rect x="788" y="1062" width="34" height="20" rx="6" fill="#8a5a36"/>`,
    vertical('sky', [
      [0, '#a9bcc0'],
      [0.58, '#f0e5d0'],
    ]) +
      vertical('sea', [
        [0, '#d3d6cc'],
        [1, '#a9b9b6'],
      ]),
  );
}

function reasonable(): string {
  const random = chance(950);
  let lines = '';
  for (let i = 0; i < 14; i++)
    lines += line(640 + (i - 7) * 3, 590, 980 + i * 38, 190 + Math.sin(i / 2.2) * 34, 26, '#27323a', 1.3);
  return svg(
    1700,
    1000,
    `<rect width="1700" height="1000" fill="url(#sky)"/>${clouds(1700, 60, 380, 12, random, '#fff', 0.2)}<path d="${ridge(1700, 560, 430, 90, random, 3)}" fill="#6d8a8f"/><path d="${ridge(1700, 560, 490, 50, random, 5)}" fill="#53757a"/><rect y="545" width="1700" height="455" fill="url(#sea)"/>${swell(1700, 1000, 545, ['#fff', '#123039'], random, 22)}` +
      `<path d="M960 210 C1060 60 1420 40 1560 200 C1540 236 1500 250 1490 206 C1440 160 1390 250 1370 186 C1320 150 1270 244 1250 180 C1190 160 1150 246 1120 190 C1070 170 1020 250 960 210 Z" fill="#d9512c"/><path d="M1120 190 C1140 120 1180 90 1250 80 L1250 180 C1190 160 1150 246 1120 190 Z M1370 186 C1380 120 1400 96 1430 96 C1500 110 1540 160 1560 200 C1540 236 1500 250 1490 206 C1440 160 1390 250 1370 186 Z" fill="#f0b429"/>` +
      `${lines}<path d="M440 640 H860 L846 668 H452 Z" fill="#6d4a2e"/><path d="M440 640 H860 V650 H440 Z" fill="#a37a4e"/>${[480, 590, 700, 800].map((x) => `<ellipse cx="${x}" cy="676" rx="40" ry="17" fill="#4a3524"/>`).join('')}` +
      `${person(650, 640, 150, ['#2f4a57', '#20242a'], -0.3, true)}${person(510, 642, 140, ['#8a3a2c', '#26221f'], 0.3)}${person(770, 640, 136, ['#d8b35a', '#2b2a25'], 0)}<path d="M430 610 L520 600" stroke="#4a3524" stroke-width="7"/><path d="M360 690 C480 672 820 672 960 690 L1010 712 H320 Z" fill="#fff" opacity="0.4"/>${gulls(180, 180, 460, 14, random)}`,
    vertical('sky', [
      [0, '#4f8096'],
      [0.5, '#f0dcb6'],
    ]) +
      vertical('sea', [
        [0, '#7fa7a6'],
        [1, '#1c4652'],
      ]),
  );
}

function easterly(): string {
  const random = chance(444);
  let crests = '';
  for (let i = 0; i < 9; i++) {
    const y = 380 + i * 46;
    const x = random() * 300 - 200;
    crests += `<path d="M${x} ${y} C${x + 260} ${y - 60 - i * 8} ${x + 420} ${y - 70 - i * 8} ${x + 560} ${y + 6} C${x + 760} ${y - 30} ${x + 980} ${y - 60 - i * 6} ${x + 1500} ${y + 10} V800 H${x} Z" fill="${['#5f8187', '#4b7078', '#39606a', '#2d525c'][i % 4]}"/><path d="M${x + 300} ${y - 44 - i * 6} C${x + 400} ${y - 66 - i * 8} ${x + 480} ${y - 40} ${x + 560} ${y + 6} C${x + 470} ${y - 16} ${x + 380} ${y - 30} ${x + 300} ${y - 44 - i * 6} Z" fill="#f4f1e6" opacity="0.85"/>`;
  }
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#sky)"/>${clouds(W, 20, 330, 16, random, '#3d4852', 0.22)}${crests}${boat(760, 520, 150, '#7c2f26', '#e9dcc0')}`,
    vertical('sky', [
      [0, '#5c6970'],
      [0.5, '#b9b6aa'],
    ]),
  );
}

function roofs(): string {
  const random = chance(120);
  let rows = '';
  for (let row = 0; row < 5; row++)
    rows += `<g transform="translate(${-60 - row * 30} ${330 + row * 112}) scale(${1 + row * 0.28})">${houses(0, 0, 1300, ['#c9b9a0', '#a9644e', '#8f9a96', '#d8cbb2'], random)}</g>`;
  const vane = (x: number, y: number) =>
    `<path d="M${x} ${y} V${y - 70} M${x - 24} ${y - 52} H${x + 24}" stroke="#2b2b2b" stroke-width="4"/><path d="M${x - 30} ${y - 70} l40 -14 l26 14 l-26 12 z" fill="#b5482c"/>`;
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#sky)"/>${clouds(W, 40, 220, 8, random)}<path d="${ridge(W, 400, 220, 80, random, 2)}" fill="#93a79f"/>${rows}${vane(300, 250)}${vane(860, 300)}${kite(1010, 130, 120, 20, WARM, 5)}`,
    vertical('sky', [
      [0, '#8fb5c2'],
      [0.5, '#f0e6d2'],
    ]),
  );
}

function nets(): string {
  const random = chance(192);
  let mesh = '';
  for (let i = -10; i < 34; i++)
    mesh += `<path d="M${i * 44} 250 q120 260 ${220 + random() * 30} 560" fill="none" stroke="#2f5561" stroke-width="3" opacity="0.75"/><path d="M${i * 44 + 300} 250 q-150 240 ${-240 - random() * 30} 560" fill="none" stroke="#2f5561" stroke-width="3" opacity="0.75"/>`;
  let floats = '';
  for (let i = 0; i < 15; i++)
    floats += `<ellipse cx="${(60 + i * 78 + random() * 20).toFixed(0)}" cy="${(250 + Math.sin(i) * 18).toFixed(0)}" rx="30" ry="21" fill="${['#d98b2b', '#b5482c', '#e6d6ae'][i % 3]}"/><ellipse cx="${(54 + i * 78).toFixed(0)}" cy="243" rx="10" ry="6" fill="#fff" opacity="0.4"/>`;
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="#cdbb97"/>${planks(W, H, 0, ['#b79a70', '#6b4d30'], random)}<path d="M0 240 C300 180 900 300 1200 230 V800 H0 Z" fill="#23414b" opacity="0.35"/>${mesh}${floats}${kite(720, 470, 300, 62, PALE, 5)}`,
  );
}

function lifeboat(): string {
  const random = chance(128);
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#sky)"/>${clouds(W, 30, 220, 9, random, '#56626a', 0.2)}<rect y="400" width="${W}" height="400" fill="#45666c"/>${swell(W, H, 400, ['#fff', '#142a31'], random, 20)}<path d="M240 470 C320 450 820 440 980 430 C950 520 900 580 840 592 H360 C300 590 262 530 240 470 Z" fill="#24405a"/><path d="M240 470 C320 450 820 440 980 430 L974 450 C820 462 330 474 246 490 Z" fill="#e2572b"/><rect x="520" y="380" width="180" height="70" rx="12" fill="#e2572b"/><rect x="540" y="394" width="60" height="26" fill="#dfe9e6"/>${[330, 400, 470, 740, 800, 860].map((x) => person(x, 470, 110, ['#e0a02b', '#2b2b2b'], 0, true)).join('')}<path d="M160 600 C400 560 860 570 1080 610 L1140 660 H90 Z" fill="#fff" opacity="0.55"/>`,
    vertical('sky', [
      [0, '#6d7b82'],
      [0.5, '#c8c4b6'],
    ]),
  );
}

function equinoxFly(): string {
  const random = chance(1414);
  let up = '';
  for (let i = 0; i < 13; i++) {
    const [x, y] = [120 + random() * 1450, 90 + random() * 330];
    const hand = 160 + i * 108;
    up +=
      line(hand, 800 + (i % 3) * 22, x, y + 20, 60, '#27323a', 1.2) +
      kite(x, y, 60 + random() * 90, (random() - 0.5) * 60, [WARM, PALE, COOL, MOSS][i % 4]!, 5);
  }
  return svg(
    1700,
    1000,
    `<rect width="1700" height="1000" fill="url(#sky)"/>${clouds(1700, 60, 460, 14, random, '#fff', 0.2)}<path d="${ridge(1700, 760, 620, 110, random, 3)}" fill="#8aa08f"/><path d="${ridge(1700, 1000, 760, 90, random, 3)}" fill="#768b5c"/><path d="${ridge(1700, 1000, 850, 60, random, 4)}" fill="#5d7247"/>${up}${Array.from(
      { length: 13 },
      (_, i) =>
        person(
          160 + i * 108,
          866 + (i % 3) * 26,
          100 + (i % 2) * 16,
          (
            [
              ['#2f3f4f', '#22262b'],
              ['#7b3b32', '#2b2422'],
              ['#c08a2e', '#272a22'],
              ['#e8ddc4', '#30281f'],
            ] as const
          )[i % 4]!,
          0.6,
          i % 3 === 0,
        ),
    ).join('')}${grass(0, 1000, 1700, 70, 420, ['#48592f', '#6e8147', '#88965a'], random)}`,
    vertical('sky', [
      [0, '#6aa0b8'],
      [0.62, '#f4e8cf'],
    ]),
  );
}

function hillSchool(): string {
  const random = chance(214);
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#sky)"/>${clouds(W, 50, 240, 8, random)}<path d="${ridge(W, H, 470, 70, random, 2)}" fill="#8fa36a"/><path d="M640 430 H1060 V560 H640 Z" fill="#c8664a"/><path d="M620 430 L850 330 L1080 430 Z" fill="#4c3d3a"/><rect x="830" y="280" width="44" height="70" fill="#c8664a"/><path d="M822 282 L852 246 L882 282 Z" fill="#4c3d3a"/>${[670, 740, 900, 970].map((x) => `<rect x="${x}" y="462" width="42" height="56" fill="#eef0e4"/>`).join('')}<rect x="828" y="480" width="46" height="80" fill="#2f4a57"/><path d="${ridge(W, H, 590, 40, random, 3)}" fill="#75894f"/>${Array.from({ length: 7 }, (_, i) => line(140 + i * 84, 640, 210 + i * 120, 130 + (i % 3) * 70, 30) + kite(210 + i * 120, 120 + (i % 3) * 70, 90, 14 - i * 4, [WARM, COOL, MOSS, PALE][i % 4]!, 5) + person(140 + i * 84, 720, 110, i % 2 ? ['#2f5f6b', '#22262b'] : ['#a8392c', '#2b2422'], 0.4)).join('')}`,
    vertical('sky', [
      [0, '#86b6c9'],
      [0.6, '#eef0df'],
    ]),
  );
}

function lampWindow(): string {
  const random = chance(777);
  const [w, h] = [900, 1100];
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="#3a2c22"/><rect x="130" y="90" width="640" height="760" fill="url(#sky)"/><path d="${ridge(w, 850, 640, 20, random, 2)}" fill="#1a2a38"/><rect x="130" y="640" width="640" height="210" fill="#20384a"/>${swell(w, 850, 650, ['#8fa6b4', '#0d1a24'], random, 9)}` +
      `<rect y="0" width="130" height="${h}" fill="#3a2c22"/><rect x="770" y="0" width="130" height="${h}" fill="#3a2c22"/><rect x="110" y="70" width="680" height="800" fill="none" stroke="#6b4f38" stroke-width="44"/><path d="M450 80 V850 M120 440 H780" stroke="#6b4f38" stroke-width="20"/>` +
      `<circle cx="450" cy="640" r="420" fill="#ffd98a" opacity="0.1"/><circle cx="450" cy="640" r="250" fill="#ffd98a" opacity="0.16"/><rect x="40" y="850" width="820" height="46" fill="#8a6544"/><rect x="40" y="850" width="820" height="12" fill="#b58a5f"/>` +
      `<path d="M372 850 C360 770 540 770 528 850 Z" fill="#b9872f"/><path d="M372 850 C366 800 400 776 440 776 L430 850 Z" fill="#dcb25a"/><rect x="424" y="740" width="52" height="44" fill="#8a6426"/><path d="M412 740 C380 640 414 560 424 480 H476 C486 560 520 640 488 740 Z" fill="#fff3cf" opacity="0.55" stroke="#fff" stroke-opacity="0.5" stroke-width="3"/><path d="M450 738 C414 690 440 650 450 600 C460 650 486 690 450 738 Z" fill="#ffb52e"/><path d="M450 736 C434 704 446 680 450 650 C456 680 466 704 450 736 Z" fill="#fff6d8"/>` +
      `<path d="M40 896 H860 L${w} ${h} H0 Z" fill="#2b201a"/><path d="M610 850 l10 -64 h70 l8 64 z" fill="#7f9aa0"/><ellipse cx="655" cy="786" rx="36" ry="9" fill="#a8bcc0"/>`,
    vertical('sky', [
      [0, '#16263a'],
      [0.8, '#476078'],
    ]),
  );
}

function sewingLoft(): string {
  const random = chance(88);
  const coats = ['#6e4b5c', '#3d5a63', '#8a5a36', '#4f5a3c', '#7a3529', '#56505e'];
  const sewers = Array.from({ length: 11 }, (_, i) => {
    const x = 110 + i * 100;
    const coat = coats[i % 6]!;
    // Each is tipped back on her chair towards the window, her sail over her lap.
    return (
      `<path d="M${x + 26} 640 L${x + 12} 500 M${x - 22} 640 L${x - 10} 570 M${x - 16} 572 H${x + 22}" stroke="#3a281c" stroke-width="7" stroke-linecap="round"/>` +
      `<path d="M${x - 24} 580 C${x - 20} 500 ${x - 12} 470 ${x + 4} 468 C${x + 24} 470 ${x + 30} 520 ${x + 26} 584 Z" fill="${coat}"/><circle cx="${x - 2}" cy="448" r="17" fill="#c99a76"/><path d="M${x - 18} 446 C${x - 16} 424 ${x + 14} 422 ${x + 17} 446 C${x + 14} 462 ${x + 10} 450 ${x + 4} 436 Z" fill="#2c2430"/>` +
      `<path d="M${x - 54} 640 C${x - 60} 590 ${x - 36} 560 ${x} 562 C${x + 22} 570 ${x + 14} 600 ${x + 6} 640 Z" fill="${['#efe6d2', '#e3d6b8', '#d9512c', '#f4eee0'][i % 4]}"/>`
    );
  }).join('');
  return svg(
    W,
    H,
    `<rect width="${W}" height="${H}" fill="url(#wall)"/><path d="M0 0 L600 -90 L1200 0 V90 H0 Z" fill="#4b3526"/><rect x="400" y="110" width="400" height="260" fill="url(#pane)"/><path d="M533 110 V370 M667 110 V370 M400 240 H800" stroke="#5c4230" stroke-width="9"/><rect x="394" y="104" width="412" height="272" fill="none" stroke="#5c4230" stroke-width="16"/>` +
      `<path d="M400 370 H800 L1180 800 H20 Z" fill="#fff0c4" opacity="0.16"/>${planks(W, H, 600, ['#a37a4e', '#55371f'], random)}${sewers}${line(80, 60, 80, 330, 0, '#2c211a', 2)}<ellipse cx="80" cy="360" rx="52" ry="40" fill="none" stroke="#c9ab74" stroke-width="14"/><ellipse cx="1120" cy="350" rx="56" ry="44" fill="none" stroke="#b9935a" stroke-width="16"/>`,
    vertical('wall', [
      [0, '#9b7f62'],
      [1, '#6f5742'],
    ]) +
      vertical('pane', [
        [0, '#dfe9ea'],
        [1, '#f6e6bf'],
      ]),
  );
}

function lineWalker(): string {
  const random = chance(670);
  const [w, h] = [1200, 1500];
  let strings = '';
  for (let i = 0; i < 11; i++) {
    const x = 60 + i * 104;
    strings += `<path d="M${x} 1010 V1180" stroke="#5a4632" stroke-width="13"/>`;
    for (let k = 0; k < 3; k++)
      strings += `<path d="M${x + 14 + k * 26} 1046 q${8 + random() * 8} ${60 + random() * 60} ${(random() - 0.5) * 20} ${70 + random() * 70}" fill="none" stroke="${['#e9dcc0', '#c7432e', '#2f5561', '#d3a23a'][(i + k) % 4]}" stroke-width="4"/>`;
  }
  return svg(
    w,
    h,
    `<rect width="${w}" height="${h}" fill="url(#sky)"/>${clouds(w, 120, 560, 9, random, '#fff', 0.2)}<circle cx="930" cy="770" r="60" fill="#fff2d2"/><path d="${ridge(w, 900, 800, 70, random, 2)}" fill="#7d8f95"/><rect y="840" width="${w}" height="200" fill="url(#sea)"/>${swell(w, 1040, 840, ['#fff', '#2a4a52'], random, 9)}` +
      `<path d="${ridge(w, h, 1000, 26, random, 3)}" fill="#c9b48c"/><path d="${ridge(w, h, 1130, 40, random, 3)}" fill="#b79f73"/><path d="M0 1044 H${w} M0 1100 H${w}" stroke="#5a4632" stroke-width="7"/>${strings}${person(470, 1330, 470, ['#3a444c', '#25282c'], -0.5, true)}<path d="M486 1010 C560 1020 590 1110 570 1180 C540 1210 500 1190 492 1130 Z" fill="#a98a5c"/>` +
      `<path d="M330 890 C230 1080 190 1260 60 1400" fill="none" stroke="#e9dcc0" stroke-width="3"/><ellipse cx="500" cy="1336" rx="150" ry="14" fill="#6f5c3e" opacity="0.5"/>${grass(780, 1490, 420, 160, 160, ['#6c7a4c', '#505e3a', '#8a9560'], random)}`,
    vertical('sky', [
      [0, '#6f8ea2'],
      [0.55, '#f0d5b0'],
    ]) +
      vertical('sea', [
        [0, '#b8bfb6'],
        [1, '#5f7f84'],
      ]),
  );
}

/** A kite that has come down somewhere: on the perch, in the nets, against railings, over the head. */
function fallen(where: 'perch' | 'railings' | 'head' | 'elm' | 'gasworks'): string {
  const random = chance({ perch: 1, railings: 2, head: 3, elm: 4, gasworks: 5 }[where]);
  const sky = `<rect width="900" height="900" fill="url(#sky)"/>${clouds(900, 60, 380, 7, random)}`;
  const defs = vertical(
    'sky',
    {
      perch: [
        [0, '#8ba9b3'],
        [1, '#efe3cc'],
      ],
      railings: [
        [0, '#c6d2cf'],
        [1, '#f1e8d6'],
      ],
      head: [
        [0, '#1f3350'],
        [1, '#d99a72'],
      ],
      elm: [
        [0, '#a9bfc2'],
        [1, '#f3e4c4'],
      ],
      gasworks: [
        [0, '#77797c'],
        [1, '#c9bfae'],
      ],
    }[where] as [number, string][],
  );
  const body = {
    perch: () =>
      `<rect y="600" width="900" height="300" fill="#55787e"/>${swell(900, 900, 600, ['#fff', '#173038'], random)}<path d="M430 900 L440 250 H466 L478 900 Z" fill="#4b3a2c"/><path d="M380 330 H530" stroke="#4b3a2c" stroke-width="16"/>${kite(520, 440, 300, 96, WARM, 4)}${line(452, 300, 470, 420, 10)}`,
    railings: () =>
      `<rect y="640" width="900" height="260" fill="#9b917f"/><rect y="250" width="900" height="16" fill="#26292b"/><rect y="600" width="900" height="16" fill="#26292b"/>${Array.from({ length: 15 }, (_, i) => `<path d="M${30 + i * 60} 660 V214 l8 -22 l8 22 V660 Z" fill="#26292b"/>`).join('')}${kite(470, 420, 340, -34, ['#f4eee0', '#e2d8c2', '#fbf7ee', '#d5c8ac'], 6)}`,
    head: () =>
      `${Array.from({ length: 60 }, () => `<circle cx="${(random() * 900).toFixed(0)}" cy="${(random() * 420).toFixed(0)}" r="${(0.8 + random() * 1.6).toFixed(1)}" fill="#fff" opacity="0.7"/>`).join('')}<circle cx="640" cy="240" r="52" fill="#f6ecd2"/><path d="M0 900 C200 700 420 640 620 660 C760 676 840 720 900 740 V900 Z" fill="#16222f"/>${kite(330, 210, 90, 10, PALE, 6)}${line(330, 300, 520, 660, 30, '#dfe3e0', 1)}`,
    elm: () =>
      `<path d="${ridge(900, 900, 700, 60, random, 2)}" fill="#7f9160"/><path d="M420 900 C430 700 430 600 420 480 C400 420 300 380 240 300 M430 560 C480 470 600 430 690 300 M424 500 C430 400 450 300 440 180" fill="none" stroke="#3d2f24" stroke-width="26" stroke-linecap="round"/>${Array.from({ length: 46 }, () => `<path d="M${(250 + random() * 420).toFixed(0)} ${(170 + random() * 320).toFixed(0)} l${(random() * 80 - 40).toFixed(0)} ${(-30 - random() * 50).toFixed(0)}" stroke="#3d2f24" stroke-width="${(2 + random() * 4).toFixed(1)}"/>`).join('')}${kite(560, 330, 240, 140, COOL, 6)}${kite(300, 260, 130, -40, WARM, 4)}${kite(440, 180, 110, 70, PALE, 4)}`,
    gasworks: () =>
      `<rect x="90" y="120" width="560" height="520" fill="#5f3b31"/>${Array.from({ length: 12 }, (_, i) => `<path d="M90 ${150 + i * 42} H650" stroke="#4a2d26" stroke-width="4"/>`).join('')}<ellipse cx="370" cy="120" rx="280" ry="46" fill="#6d4a3e"/><rect x="720" y="40" width="80" height="600" fill="#43302a"/><rect y="630" width="900" height="270" fill="#8a8274"/>${kite(420, 720, 330, 84, ['#d9b9c9', '#b98aa6', '#efdde4', '#8f6480'], 5)}<path d="M360 690 h110 v48 h-110 z" fill="#a04a35"/><path d="M376 660 h92 v32 h-92 z" fill="#c06a4c"/>`,
  }[where];
  return svg(900, 900, sky + body(), defs);
}

const scene = (file: string, credit: string, scale: number, caption: string, draw: () => string): DemoPicture => ({
  file,
  caption,
  credit,
  grain: 18,
  scale,
  draw,
});

export const SCENES: readonly DemoPicture[] = [
  scene(
    'harbour-morning.jpg',
    'Inge Sarrow',
    2,
    'The quay before the market, with the fleet in and nothing to be done about the smell.',
    harbour,
  ),
  scene('harbour-night.jpg', 'Rafe Dunmore', 2, 'Half past ten. The lit window is the Packet’s.', harbourNight),
  scene(
    'gannet-head.jpg',
    'Rafe Dunmore',
    2.2,
    'The cottage at Gannet Head. The light is on the chart; the keeper is not.',
    gannetHead,
  ),
  scene(
    'ropewalk.jpg',
    'Inge Sarrow',
    2.2,
    'Three hundred and ten yards under one roof: the Ropewalk, looking towards the sea.',
    ropewalk,
  ),
  scene(
    'sail-loft.webp',
    'Inge Sarrow',
    2.9,
    'The loft above the chandlery. What hangs here was never finished, or was finished too well.',
    sailLoft,
  ),
  scene(
    'market-awnings.jpg',
    'Inge Sarrow',
    2,
    'Sailcloth, not awning cloth: each has a little belly to it, and the rain runs off behind.',
    market,
  ),
  scene(
    'ferry.jpg',
    'Rafe Dunmore',
    2,
    'The ferry over the bar, an hour before high water, with everybody who was there.',
    ferry,
  ),
  scene('no-wind.jpg', 'Inge Sarrow', 1.6, 'West strand, on one of the eleven days.', noWind),
  scene(
    'the-reasonable.jpg',
    'Rafe Dunmore',
    2.8,
    'The Reasonable, under way. From the strand, through the long glass.',
    reasonable,
  ),
  scene('easterly.jpg', 'Rafe Dunmore', 2, 'Outside the bar, on the second day of the easterlies.', easterly),
  scene('roofs.jpg', 'Inge Sarrow', 2, 'The hill above the Ropewalk: forty vanes, of which thirty-eight agree.', roofs),
  scene('nets.jpg', 'Rafe Dunmore', 1.8, 'In the nets at Marram. It was taken for a skate, weighed, and entered.', nets),
  scene('lifeboat.jpg', 'Rafe Dunmore', 1.6, 'The Agnes and Mary, on the night that it was the light on the Head.', lifeboat),
  scene('equinox-fly.jpg', 'Inge Sarrow', 2.6, 'The Equinox Fly, Hollin Head, ten minutes after sunrise.', equinoxFly),
  scene('hill-school.jpg', 'Inge Sarrow', 1.8, 'Form Three above the school, on the afternoon they won.', hillSchool),
  scene(
    'lamp-window.jpg',
    'Rafe Dunmore',
    1.6,
    'The seaward window. It is trimmed at dusk, and nobody has been told to do it.',
    lampWindow,
  ),
  scene(
    'sewing-loft.jpg',
    'Drawn for Longspar by Inge Sarrow',
    3.4,
    'Eleven chairs, a chair’s width apart, tipped back at dusk for the last of the light.',
    sewingLoft,
  ),
  scene(
    'line-walker.jpg',
    'Rafe Dunmore',
    2.2,
    'Teodor Marsh at the fence. What is not known to be anybody’s is hung here.',
    lineWalker,
  ),
  scene('fallen-elm.jpg', 'Inge Sarrow', 1.4, 'In the elm at the manse.', () => fallen('elm')),
  scene('fallen-perch.jpg', 'Inge Sarrow', 1.4, 'On the perch, inner bar.', () => fallen('perch')),
  scene('fallen-gasworks.jpg', 'Inge Sarrow', 1.4, 'Behind the gasworks.', () => fallen('gasworks')),
  scene('fallen-railings.jpg', 'Inge Sarrow', 1.4, 'Against the school railings.', () => fallen('railings')),
  scene('fallen-head.jpg', 'Inge Sarrow', 1.4, 'Over Hollin Head. This one has not come down.', () => fallen('head')),
];
