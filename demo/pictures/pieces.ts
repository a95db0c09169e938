import { ridge } from './drawing';

/** What several of the demo's scenes share: clouds, swell, boats, houses, people, gulls. Lengths in units of the drawing. */

type Random = () => number;

const f = (value: number): string => value.toFixed(1);

/** Long clouds, thinning upwards, between two heights. */
export function clouds(
  w: number,
  from: number,
  to: number,
  count: number,
  random: Random,
  colour = '#fff',
  strength = 0.22,
): string {
  let out = '';
  for (let i = 0; i < count; i++) {
    const y = from + (to - from) * (i / Math.max(1, count - 1)) + (random() - 0.5) * 20;
    const wide = w * (0.18 + random() * 0.3);
    out += `<ellipse cx="${f(random() * w)}" cy="${f(y)}" rx="${f(wide)}" ry="${f(wide * (0.05 + random() * 0.05))}" fill="${colour}" opacity="${(strength * (0.5 + random())).toFixed(2)}"/>`;
  }
  return out;
}

/** Water from a height down, in bands that grow towards the eye. */
export function swell(w: number, h: number, y: number, colours: readonly [string, string], random: Random, bands = 16): string {
  let out = '';
  for (let i = 0; i < bands; i++) {
    const at = y + (h - y) * ((i + 0.6) / bands) ** 1.7;
    const tall = 2 + i * 0.9;
    out += `<path d="${ridge(w, at + tall * 3, at, tall, random, 8)}" fill="${colours[i % 2]}" opacity="${(0.05 + i * 0.012).toFixed(3)}"/>`;
  }
  return out;
}

export function gulls(x: number, y: number, spread: number, count: number, random: Random, colour = '#26313a'): string {
  let out = '';
  for (let i = 0; i < count; i++) {
    const size = 5 + random() * 9;
    const [gx, gy] = [x + random() * spread, y + random() * spread * 0.4];
    out += `<path d="M${f(gx - size)} ${f(gy - size * 0.2)} Q${f(gx - size * 0.4)} ${f(gy - size * 0.55)} ${f(gx)} ${f(gy)} Q${f(gx + size * 0.4)} ${f(gy - size * 0.55)} ${f(gx + size)} ${f(gy - size * 0.2)}" fill="none" stroke="${colour}" stroke-width="${f(size * 0.16)}" stroke-linecap="round"/>`;
  }
  return out;
}

/** A person seen from a way off, feet at the point given; an arm may be up towards something in the sky. */
export function person(
  x: number,
  y: number,
  tall: number,
  colours: readonly [coat: string, rest: string],
  arm = 0,
  hat = false,
): string {
  const k = tall / 100;
  const [coat, rest] = colours;
  const hand =
    arm === 0
      ? ''
      : `<path d="M${f(x + 2 * k)} ${f(y - 72 * k)} l${f(arm * 30 * k)} ${f(-26 * k)}" stroke="${coat}" stroke-width="${f(8 * k)}" stroke-linecap="round"/>`;
  const brim = hat
    ? `<path d="M${f(x - 13 * k)} ${f(y - 96 * k)} h${f(26 * k)} l${f(-6 * k)} ${f(-11 * k)} h${f(-14 * k)} z" fill="${rest}"/>`
    : '';
  return (
    `<path d="M${f(x - 9 * k)} ${f(y)} l${f(2 * k)} ${f(-40 * k)} h${f(15 * k)} l${f(3 * k)} ${f(40 * k)} h${f(-6 * k)} l${f(-4 * k)} ${f(-32 * k)} l${f(-4 * k)} ${f(32 * k)} z" fill="${rest}"/>` +
    `<path d="M${f(x - 16 * k)} ${f(y - 26 * k)} C${f(x - 14 * k)} ${f(y - 66 * k)} ${f(x - 10 * k)} ${f(y - 80 * k)} ${f(x)} ${f(y - 82 * k)} C${f(x + 10 * k)} ${f(y - 80 * k)} ${f(x + 14 * k)} ${f(y - 66 * k)} ${f(x + 16 * k)} ${f(y - 26 * k)} Z" fill="${coat}"/>` +
    `<circle cx="${f(x)}" cy="${f(y - 91 * k)}" r="${f(9.5 * k)}" fill="#c99a76"/>${brim}${hand}`
  );
}

/** A row of gabled houses on a quay, windows lit or dark. */
export function houses(x: number, y: number, wide: number, colours: readonly string[], random: Random, lit = '#f3d9a0'): string {
  let out = '';
  let at = x;
  for (let i = 0; at < x + wide; i++) {
    const own = 46 + random() * 34;
    const tall = 60 + random() * 55;
    const wall = colours[i % colours.length]!;
    out +=
      `<rect x="${f(at)}" y="${f(y - tall)}" width="${f(own)}" height="${f(tall)}" fill="${wall}"/>` +
      `<path d="M${f(at - 3)} ${f(y - tall)} L${f(at + own / 2)} ${f(y - tall - 26 - random() * 14)} L${f(at + own + 3)} ${f(y - tall)} Z" fill="#4b3b3a"/>` +
      `<rect x="${f(at)}" y="${f(y - tall)}" width="${f(own * 0.3)}" height="${f(tall)}" fill="#000" opacity="0.08"/>`;
    for (let row = 0; row < Math.floor(tall / 32); row++)
      for (const col of [0.2, 0.6])
        out += `<rect x="${f(at + own * col)}" y="${f(y - tall + 12 + row * 30)}" width="${f(own * 0.2)}" height="15" fill="${random() < 0.4 ? lit : '#33424b'}"/>`;
    if (random() < 0.6) out += `<rect x="${f(at + own * 0.7)}" y="${f(y - tall - 34)}" width="8" height="24" fill="#5b4643"/>`;
    at += own + 1;
  }
  return out;
}

/** A small boat with a mast; with a sail where one is given. */
export function boat(x: number, y: number, size: number, hull: string, sail?: string): string {
  const k = size / 100;
  const canvas = sail
    ? `<path d="M${f(x)} ${f(y - 96 * k)} L${f(x)} ${f(y - 14 * k)} L${f(x + 52 * k)} ${f(y - 14 * k)} C${f(x + 42 * k)} ${f(y - 52 * k)} ${f(x + 22 * k)} ${f(y - 78 * k)} ${f(x)} ${f(y - 96 * k)} Z" fill="${sail}"/><path d="M${f(x - 4 * k)} ${f(y - 80 * k)} L${f(x - 4 * k)} ${f(y - 14 * k)} L${f(x - 38 * k)} ${f(y - 14 * k)} Z" fill="${sail}" opacity="0.82"/>`
    : '';
  return (
    `<path d="M${f(x)} ${f(y - 100 * k)} V${f(y)}" stroke="#3b2c22" stroke-width="${f(3.4 * k)}"/>${canvas}` +
    `<path d="M${f(x - 50 * k)} ${f(y - 10 * k)} H${f(x + 58 * k)} C${f(x + 50 * k)} ${f(y + 8 * k)} ${f(x + 36 * k)} ${f(y + 14 * k)} ${f(x + 24 * k)} ${f(y + 14 * k)} H${f(x - 26 * k)} C${f(x - 40 * k)} ${f(y + 12 * k)} ${f(x - 48 * k)} ${f(y + 4 * k)} ${f(x - 50 * k)} ${f(y - 10 * k)} Z" fill="${hull}"/>` +
    `<path d="M${f(x - 50 * k)} ${f(y - 10 * k)} H${f(x + 58 * k)}" stroke="#fff" stroke-opacity="0.5" stroke-width="${f(2.4 * k)}"/>`
  );
}

/** A wooden floor or table top that runs to the foot of the drawing. */
export function planks(w: number, h: number, y: number, colours: readonly [string, string], random: Random): string {
  let out = `<rect y="${y}" width="${w}" height="${h - y}" fill="${colours[0]}"/>`;
  for (let i = 0; i < 9; i++) {
    const at = y + (h - y) * (i / 9) ** 1.4;
    out += `<path d="M0 ${f(at)} H${w}" stroke="${colours[1]}" stroke-width="${f(1 + i * 0.35)}" opacity="0.55"/>`;
  }
  for (let i = 0; i < 26; i++) {
    const at = y + random() * (h - y);
    out += `<path d="${ridge(w, at + 3, at, 4, random, 5)}" fill="${colours[1]}" opacity="0.06"/>`;
  }
  return out;
}

/** A kite’s line: from a hand to what it holds, sagging a little. */
export const line = (x0: number, y0: number, x1: number, y1: number, sag = 40, colour = '#27323a', weight = 1.6): string =>
  `<path d="M${f(x0)} ${f(y0)} Q${f((x0 + x1) / 2 + sag * 0.4)} ${f((y0 + y1) / 2 + sag)} ${f(x1)} ${f(y1)}" fill="none" stroke="${colour}" stroke-width="${weight}"/>`;
