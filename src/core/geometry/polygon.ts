/** Corners of an even polygon in the unit square, x and y in turn, the first at the top. */
export function evenPolygon(corners: number): number[] {
  const points: number[] = [];
  for (let i = 0; i < corners; i++) {
    const angle = (2 * Math.PI * i) / corners - Math.PI / 2;
    points.push(0.5 + 0.5 * Math.cos(angle), 0.5 + 0.5 * Math.sin(angle));
  }
  return points;
}
