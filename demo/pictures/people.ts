import { chance, svg } from './drawing';
import type { DemoPicture } from './picture';

/** Portraits of the makers and townspeople, drawn as profiles: what differs is the head, the hair, the hat and the light. */
interface Look {
  readonly ground: readonly [string, string];
  readonly skin: string;
  readonly hair: string;
  readonly coat: string;
  readonly style: 'short' | 'bun' | 'long' | 'bald' | 'curls' | 'cap' | 'hat' | 'scarf';
  readonly beard?: boolean;
  readonly glasses?: boolean;
  /** Looks to the right, as most look to the left. */
  readonly turned?: boolean;
  readonly nose?: number;
}

const HAIR: Readonly<Record<Look['style'], (colour: string, coat: string) => string>> = {
  short: (c) =>
    `<path d="M92 150 C86 78 150 44 204 64 C250 82 258 150 238 206 C226 190 226 168 216 150 C186 146 150 132 132 108 C122 126 108 140 92 150 Z" fill="${c}"/>`,
  bun: (c) =>
    `<circle cx="256" cy="92" r="36" fill="${c}"/><path d="M94 146 C90 76 150 46 204 66 C250 84 256 150 236 206 C222 176 220 150 190 122 C150 128 112 132 94 146 Z" fill="${c}"/>`,
  long: (c) =>
    `<path d="M92 148 C86 74 152 42 208 64 C262 90 262 190 258 290 C232 300 214 280 214 250 C226 200 220 160 196 124 C150 130 112 134 92 148 Z" fill="${c}"/>`,
  bald: (c) => `<path d="M232 150 C244 180 240 200 232 216 C220 196 220 170 214 150 Z" fill="${c}"/>`,
  curls: (c) =>
    [
      [112, 92],
      [144, 66],
      [182, 58],
      [218, 76],
      [238, 112],
      [244, 150],
      [236, 186],
      [150, 100],
      [198, 100],
    ]
      .map(([x, y]) => `<circle cx="${x}" cy="${y}" r="30" fill="${c}"/>`)
      .join(''),
  cap: (c, coat) =>
    `<path d="M216 130 C232 160 240 190 232 214 C220 190 216 160 208 136 Z" fill="${c}"/><path d="M96 132 C90 76 160 44 214 70 C244 88 248 120 244 140 C200 118 140 118 96 132 Z" fill="${coat}"/><path d="M98 130 C70 126 54 134 50 144 C76 148 100 144 120 128 Z" fill="${coat}"/>`,
  hat: (c, coat) =>
    `<path d="M220 140 C240 170 240 196 232 214 C220 190 216 160 208 136 Z" fill="${c}"/><path d="M60 132 C110 108 220 104 282 128 C270 146 90 152 60 132 Z" fill="${coat}"/><path d="M104 122 C100 40 236 36 240 118 Z" fill="${coat}"/><path d="M103 112 C150 98 200 98 240 108 V122 C200 112 150 112 104 124 Z" fill="#c7432e"/>`,
  scarf: (_, coat) =>
    `<path d="M90 152 C84 70 156 38 214 62 C268 90 262 200 226 266 C232 200 220 150 190 118 C150 126 112 132 90 152 Z" fill="${coat}"/><path d="M226 258 C262 276 280 310 270 340 C246 320 226 296 216 276 Z" fill="${coat}"/>`,
};

function portrait(look: Look, seed: number): string {
  const random = chance(seed);
  const nose = look.nose ?? 0;
  const head =
    `<path d="M60 380 C62 306 116 292 132 268 C104 258 92 230 100 196 C88 190 ${78 - nose} 182 ${90 - nose} 164 C92 104 128 60 180 66 C232 74 244 124 228 172 C218 200 200 216 196 250 C206 292 262 298 270 380 Z" fill="${look.skin}"/>` +
    `<path d="M228 172 C218 200 200 216 196 250 C206 292 262 298 270 380 H214 C216 330 190 290 180 262 C190 226 214 206 228 172 Z" fill="#000" opacity="0.12"/>` +
    `<path d="M112 160 q12 -7 22 0" fill="none" stroke="#2b2020" stroke-width="4" stroke-linecap="round"/><circle cx="122" cy="170" r="4.6" fill="#221a1a"/><path d="M104 222 q12 6 24 1" fill="none" stroke="#6d3a30" stroke-width="4" stroke-linecap="round"/><path d="M196 164 q14 10 4 28" fill="none" stroke="#000" stroke-opacity="0.25" stroke-width="4"/>` +
    (look.beard
      ? `<path d="M100 212 C96 250 116 292 150 290 C190 286 206 230 204 190 C186 214 150 216 130 208 Z" fill="${look.hair}"/>`
      : '') +
    (look.glasses
      ? `<circle cx="120" cy="170" r="17" fill="none" stroke="#2b2b2b" stroke-width="3.4"/><path d="M137 168 H196" stroke="#2b2b2b" stroke-width="3.4"/>`
      : '') +
    HAIR[look.style](look.hair, look.coat) +
    `<path d="M40 380 C60 326 120 304 146 300 C176 330 196 320 206 300 C250 312 280 336 290 380 Z" fill="${look.coat}"/><path d="M146 300 C164 330 192 330 206 300 L196 290 H150 Z" fill="#fff" opacity="0.3"/>`;
  const light = `<ellipse cx="${70 + random() * 60}" cy="110" rx="150" ry="170" fill="${look.ground[1]}" opacity="0.7"/>`;
  return svg(
    330,
    380,
    `<rect width="330" height="380" fill="${look.ground[0]}"/>${light}<g${look.turned ? ' transform="translate(330 0) scale(-1 1)"' : ''}>${head}</g>`,
  );
}

const WARM = ['#cdb894', '#e6d8b8'] as const;
const SEA = ['#86a3a8', '#b7cbcb'] as const;
const DUSK = ['#6f7f95', '#b9b2ae'] as const;
const LEAF = ['#a3a77c', '#cfd0a8'] as const;

const of = (file: string, caption: string, credit: string, seed: number, look: Look): DemoPicture => ({
  file,
  caption,
  credit,
  grain: 12,
  scale: 3.2,
  draw: () => portrait(look, seed),
});

export const PEOPLE: readonly DemoPicture[] = [
  of('portrait-fenn.jpg', 'Odalys Fenn, who bridles by ear.', 'Inge Sarrow', 1, {
    ground: WARM,
    skin: '#c99a76',
    hair: '#d8d3c8',
    coat: '#3d5a63',
    style: 'bun',
    glasses: true,
  }),
  of('portrait-marsh.jpg', 'Teodor Marsh, line walker.', 'Rafe Dunmore', 2, {
    ground: DUSK,
    skin: '#b98a66',
    hair: '#8d8a84',
    coat: '#2f3b42',
    style: 'cap',
    beard: true,
    nose: 4,
  }),
  of('portrait-carrow.jpg', 'Wynne Carrow, maker.', 'Inge Sarrow', 3, {
    ground: SEA,
    skin: '#a87452',
    hair: '#2a211d',
    coat: '#8a3a2c',
    style: 'curls',
    turned: true,
  }),
  of('portrait-lindqvist.jpg', 'Dr D. Lindqvist, of the observatory.', 'Rafe Dunmore', 4, {
    ground: DUSK,
    skin: '#d6ab8a',
    hair: '#e4ddcf',
    coat: '#24404f',
    style: 'short',
    glasses: true,
  }),
  of('portrait-reyes.jpg', 'Ottoline Reyes, for the hill.', 'Inge Sarrow', 5, {
    ground: LEAF,
    skin: '#9b6a4a',
    hair: '#1d1715',
    coat: '#d3a23a',
    style: 'scarf',
  }),
  of('portrait-udall.jpg', 'Bram Udall, for the harbour.', 'Inge Sarrow', 6, {
    ground: SEA,
    skin: '#c48f68',
    hair: '#6b3d22',
    coat: '#24323c',
    style: 'short',
    beard: true,
    turned: true,
    nose: 3,
  }),
  of('portrait-roake.jpg', 'Mrs Hester Roake. “I have a window,” she says.', 'Rafe Dunmore', 7, {
    ground: WARM,
    skin: '#cfa382',
    hair: '#efeadf',
    coat: '#5c4a63',
    style: 'bun',
  }),
  of('portrait-quill.jpg', 'Mr Ezra Quill, in the year he gave up the clock.', 'From the chapel album', 8, {
    ground: ['#b9ad98', '#d6ccb8'],
    skin: '#c0a58c',
    hair: '#e6e0d4',
    coat: '#3a352f',
    style: 'bald',
    beard: true,
  }),
  of('portrait-fairweather.jpg', 'Joan Fairweather, harbour master.', 'Rafe Dunmore', 9, {
    ground: SEA,
    skin: '#b88462',
    hair: '#3c2a20',
    coat: '#1f3d57',
    style: 'hat',
  }),
  of('portrait-holt.jpg', 'Piers Holt, in the chair.', 'Bryony Cole', 10, {
    ground: LEAF,
    skin: '#d3a684',
    hair: '#a08d74',
    coat: '#56603c',
    style: 'short',
    glasses: true,
    turned: true,
  }),
  of('portrait-pike.jpg', 'Josune Pike, who counted.', 'Inge Sarrow', 11, {
    ground: WARM,
    skin: '#a5785a',
    hair: '#2d2420',
    coat: '#7d3f52',
    style: 'long',
  }),
  of('portrait-sefa.jpg', 'Sefa Orrin, eleven.', 'Inge Sarrow', 12, {
    ground: SEA,
    skin: '#c08e6a',
    hair: '#5a3a22',
    coat: '#c7432e',
    style: 'long',
    turned: true,
  }),
  of('portrait-thorne.jpg', 'Agnes Thorne, ninety-one.', 'Inge Sarrow', 13, {
    ground: DUSK,
    skin: '#d2ab8c',
    hair: '#f2eee6',
    coat: '#4f5a3c',
    style: 'scarf',
  }),
  of('portrait-brandreth.jpg', 'Hal Brandreth, with all four.', 'Inge Sarrow', 14, {
    ground: LEAF,
    skin: '#bd8a66',
    hair: '#2b2521',
    coat: '#8a5a36',
    style: 'cap',
  }),
];
