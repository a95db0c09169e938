/**
 * The outline of a glyph, as HarfBuzz draws it, as closed rings of points (flat lists, font units), curves in so many straight pieces.
 */
export function flattened(commands: readonly { type: string; values: number[] }[], steps: number): number[][] {
  const rings: number[][] = [];
  let ring: number[] = [];
  for (const { type, values } of commands) {
    const [x0, y0] = [ring[ring.length - 2] ?? 0, ring[ring.length - 1] ?? 0];
    if (type === 'M') {
      if (ring.length >= 6) rings.push(ring);
      ring = [...values];
    } else if (type === 'L') ring.push(values[0]!, values[1]!);
    else if (type === 'Q') {
      const [x1, y1, x2, y2] = values as [number, number, number, number];
      for (let i = 1; i <= steps; i++) {
        const t = i / steps;
        const u = 1 - t;
        ring.push(u * u * x0 + 2 * u * t * x1 + t * t * x2, u * u * y0 + 2 * u * t * y1 + t * t * y2);
      }
    } else if (type === 'C') {
      const [x1, y1, x2, y2, x3, y3] = values as [number, number, number, number, number, number];
      for (let i = 1; i <= steps; i++) {
        const t = i / steps;
        const u = 1 - t;
        const of = (p: number, q: number, r: number, s: number) =>
          u ** 3 * p + 3 * u * u * t * q + 3 * u * t * t * r + t ** 3 * s;
        ring.push(of(x0, x1, x2, x3), of(y0, y1, y2, y3));
      }
    }
  }
  if (ring.length >= 6) rings.push(ring);
  return rings;
}
