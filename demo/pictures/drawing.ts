/** What the demo's drawings are made with: SVG as text, and chance that is the same every time. */

/** A source of chance, 0 to 1, that a seed decides (mulberry32, public domain). */
export function chance(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export const svg = (width: number, height: number, body: string, defs = ''): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><defs>${defs}</defs>${body}</svg>`;

export const vertical = (id: string, stops: readonly (readonly [number, string])[]): string =>
  `<linearGradient id="${id}" x1="0" y1="0" x2="0" y2="1">${stops.map(([at, colour]) => `<stop offset="${at}" stop-color="${colour}"/>`).join('')}</linearGradient>`;

/** A rolling line from the left edge to the right, closed downwards: hills, dunes, swell. */
export function ridge(width: number, foot: number, y: number, height: number, random: () => number, waves = 5): string {
  const points: [number, number][] = [];
  for (let i = 0; i <= waves * 2; i++)
    points.push([(width * i) / (waves * 2), y + (random() - 0.5) * height * (i % 2 === 0 ? 1 : 0.6)]);
  let d = `M0 ${foot} L0 ${points[0]![1].toFixed(1)}`;
  for (let i = 1; i < points.length; i++) {
    const [x0, y0] = points[i - 1]!;
    const [x1, y1] = points[i]!;
    const middle = (x0 + x1) / 2;
    d += ` C${middle.toFixed(1)} ${y0.toFixed(1)} ${middle.toFixed(1)} ${y1.toFixed(1)} ${x1.toFixed(1)} ${y1.toFixed(1)}`;
  }
  return `${d} L${width} ${foot} Z`;
}

/** Marram grass: thin blades bent by the wind. */
export function grass(
  x: number,
  y: number,
  spread: number,
  height: number,
  count: number,
  colours: readonly string[],
  random: () => number,
): string {
  let out = '';
  for (let i = 0; i < count; i++) {
    const at = x + random() * spread;
    const foot = y + (random() - 0.3) * height * 0.4;
    const tall = height * (0.5 + random() * 0.6);
    const bend = tall * (0.35 + random() * 0.5);
    out += `<path d="M${at.toFixed(1)} ${foot.toFixed(1)} q${(bend * 0.15).toFixed(1)} ${(-tall * 0.65).toFixed(1)} ${bend.toFixed(1)} ${(-tall).toFixed(1)}" fill="none" stroke="${colours[i % colours.length]}" stroke-width="${(height / 70 + random() * (height / 60)).toFixed(1)}" stroke-linecap="round"/>`;
  }
  return out;
}

/** A four-panelled kite with its spars, bridle and bowed tail, hung at its crossing. */
export function kite(
  x: number,
  y: number,
  size: number,
  turn: number,
  colours: readonly [string, string, string, string],
  tail = 6,
): string {
  const w = size * 0.38;
  const up = size * 0.34;
  const down = size * 0.66;
  const panel = (points: string, colour: string) => `<polygon points="${points}" fill="${colour}"/>`;
  let bows = '';
  let d = `M0 ${down}`;
  let tx = 0;
  let ty = down;
  for (let i = 0; i < tail; i++) {
    const side = i % 2 === 0 ? 1 : -1;
    const nx = tx + size * 0.02 + side * size * 0.03;
    const ny = ty + size * 0.13;
    d += ` Q${(tx + side * size * 0.1).toFixed(1)} ${((ty + ny) / 2).toFixed(1)} ${nx.toFixed(1)} ${ny.toFixed(1)}`;
    const b = size * 0.045;
    bows += `<path d="M${nx} ${ny} l${-b} ${-b * 0.55} v${b * 1.1} z M${nx} ${ny} l${b} ${-b * 0.55} v${b * 1.1} z" fill="${colours[i % 2 === 0 ? 1 : 0]}"/>`;
    tx = nx;
    ty = ny;
  }
  return (
    `<g transform="translate(${x} ${y}) rotate(${turn})">` +
    (tail > 0 ? `<path d="${d}" fill="none" stroke="#2b2b33" stroke-width="${size * 0.007}"/>${bows}` : '') +
    panel(`0,${-up} ${-w},0 0,0`, colours[0]) +
    panel(`0,${-up} ${w},0 0,0`, colours[1]) +
    panel(`${-w},0 0,${down} 0,0`, colours[2]) +
    panel(`${w},0 0,${down} 0,0`, colours[3]) +
    `<path d="M0 ${-up} V${down} M${-w} 0 H${w}" stroke="#2a2320" stroke-width="${size * 0.011}" stroke-linecap="round"/>` +
    `<path d="M0 ${-up} L${-w} 0 L0 ${down} L${w} 0 Z" fill="none" stroke="#fff" stroke-opacity="0.25" stroke-width="${size * 0.008}"/>` +
    `</g>`
  );
}
