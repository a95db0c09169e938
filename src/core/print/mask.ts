/**
 * Which share of every pixel an outline covers, exactly: each edge adds the area that it cuts off to the right of it, and one sum
 * along every row gives the coverage (signed-area accumulation, as in R. Levien’s font-rs, 2015).
 */
export class Mask {
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  readonly #sums: Float32Array;
  /** What has been reached: nothing outside of it is covered. */
  #x0 = Infinity;
  #y0 = Infinity;
  #x1 = -Infinity;
  #y1 = -Infinity;

  constructor(width: number, height: number) {
    this.width = width;
    this.height = height;
    // An edge at the right border adds to one pixel further.
    this.#sums = new Float32Array((width + 2) * height);
  }

  /**
   * Adds a closed ring, as a flat list of points. Of rings inside one another, the sense counts.
   * @param matrix from the points’ coordinates to pixels, in its six figures: a page has tens of thousands of letters, and each is
   * mapped without an object of its own
   */
  ring(points: readonly number[], a: number, b: number, c: number, d: number, e: number, f: number): void {
    const n = points.length;
    if (n < 4) return;
    let x = a * points[n - 2]! + c * points[n - 1]! + e;
    let y = b * points[n - 2]! + d * points[n - 1]! + f;
    for (let i = 0; i < n; i += 2) {
      const nextX = a * points[i]! + c * points[i + 1]! + e;
      const nextY = b * points[i]! + d * points[i + 1]! + f;
      if (y < nextY) this.#edge(x, y, nextX, nextY, 1);
      else if (y > nextY) this.#edge(nextX, nextY, x, y, -1);
      x = nextX;
      y = nextY;
    }
  }

  /** An edge from above downwards. */
  #edge(x0: number, y0: number, x1: number, y1: number, sense: 1 | -1): void {
    const { width, height } = this;
    const sums = this.#sums;
    if (y1 <= 0 || y0 >= height) return;
    const slope = (x1 - x0) / (y1 - y0);
    const top = Math.max(0, y0);
    const foot = Math.min(height, y1);
    if (Math.min(x0, x1) < this.#x0) this.#x0 = Math.min(x0, x1);
    if (Math.max(x0, x1) > this.#x1) this.#x1 = Math.max(x0, x1);
    if (top < this.#y0) this.#y0 = top;
    if (foot > this.#y1) this.#y1 = foot;
    const last = Math.ceil(foot);
    for (let row = Math.floor(top); row < last; row++) {
      const from = Math.max(top, row);
      const to = Math.min(foot, row + 1);
      if (to <= from) continue;
      const at = row * (width + 2);
      const d = (to - from) * sense;
      const xa = Math.min(width, Math.max(0, x0 + slope * (from - y0)));
      const xb = Math.min(width, Math.max(0, x0 + slope * (to - y0)));
      const left = xa < xb ? xa : xb;
      const right = xa < xb ? xb : xa;
      const first = Math.floor(left);
      const end = Math.ceil(right);
      if (end <= first + 1) {
        // The edge stays in one pixel: a trapezium of it lies to the right.
        const share = 0.5 * (left + right) - first;
        sums[at + first]! += d * (1 - share);
        sums[at + first + 1]! += d * share;
        continue;
      }
      const steep = 1 / (right - left);
      const a = first + 1 - left;
      const begin = 0.5 * steep * a * a;
      const b = right - end + 1;
      const close = 0.5 * steep * b * b;
      sums[at + first]! += d * begin;
      if (end === first + 2) sums[at + first + 1]! += d * (1 - begin - close);
      else {
        const second = steep * (1.5 - (left - first));
        sums[at + first + 1]! += d * (second - begin);
        for (let x = first + 2; x < end - 1; x++) sums[at + x]! += d * steep;
        const before = second + (end - first - 3) * steep;
        sums[at + end - 1]! += d * (1 - before - close);
      }
      sums[at + end]! += d * close;
    }
  }

  /**
   * Tells of every pixel that is covered, with its share from 0 to 1, and begins anew.
   * @param evenOdd what an even number of rings surrounds is outside; otherwise every ring of either sense is inside
   */
  spend(evenOdd: boolean, each: (pixel: number, share: number, x: number, y: number) => void): void {
    const { width, height } = this;
    if (this.#y0 > this.#y1) return;
    const x0 = Math.max(0, Math.floor(this.#x0));
    const x1 = Math.min(width + 1, Math.ceil(this.#x1) + 1);
    const y1 = Math.min(height, Math.ceil(this.#y1));
    for (let y = Math.max(0, Math.floor(this.#y0)); y < y1; y++) {
      const at = y * (width + 2);
      let sum = 0;
      for (let x = x0; x <= x1; x++) {
        sum += this.#sums[at + x]!;
        this.#sums[at + x] = 0;
        if (x >= width) continue;
        let share = sum < 0 ? -sum : sum;
        if (evenOdd) share = Math.abs(share - 2 * Math.round(share / 2));
        else if (share > 1) share = 1;
        if (share > 1 / 1024) each(y * width + x, share, x, y);
      }
    }
    this.#x0 = this.#y0 = Infinity;
    this.#x1 = this.#y1 = -Infinity;
  }
}
