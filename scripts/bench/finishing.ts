import polygonClipping, { type Ring } from 'polygon-clipping';
import { setAppearance } from '@/core/actions/appearance';
import { giveFinish } from '@/core/actions/finishes';
import { Composer } from '@/core/compose/composer';
import { combined } from '@/core/geometry/shapes';
import { startIssue } from '@/core/plan/startIssue';
import { startingHouse } from '@/core/plan/startingHouse';
import { all, documentOf } from '@/core/records/document';
import { applied } from '@/core/records/diff';
import type { DocumentRecord } from '@/core/records/index';
import { Shaper } from '@/core/type/shaper';
import { facesOf } from '@/core/compose/paragraph/faces';
import { loadFaces } from '@/formats/faces/files';
import { paintItem } from '@/formats/svg/painter';

/** Frames that get a finish, and points of each of two outlines that are put together. */
export const FINISHED_FRAMES = 500;
export const OUTLINE_POINTS = 2_000;

export interface FinishingFigures {
  /** Milliseconds: a finish given to all the frames, from the action to the page painted. */
  readonly giving: readonly number[];
  /** A gradient moved by a hand, from the action to the frame painted. */
  readonly gradient: readonly number[];
  /** Two outlines put together, and the same by polygon-clipping. */
  readonly boolean: readonly number[];
  readonly theirs: readonly number[];
}

/** What finishing costs, on an issue of panels; in a process of its own. */
export async function finishing(rounds: number): Promise<FinishingFigures> {
  const house = startingHouse('magazine', 'en-GB');
  const order = { publication: 'Longspar', number: '1', season: '', date: '2026-03-01', language: 'en-GB', pages: 8 };
  const started = startIssue(house, order);
  const page = all(documentOf(started), 'page')[1]!.id;
  const panels = Array.from({ length: FINISHED_FRAMES }, (_, i): DocumentRecord => ({
    id: `panel-${i}`,
    kind: 'frame',
    on: page,
    side: 'both',
    box: { x: 20 + 22 * (i % 25), y: 20 + 36 * Math.floor(i / 25), w: 18, h: 30 },
    order: `a${String(i).padStart(4, '0')}V`,
    content: { type: 'panel' },
    wrap: { mode: 'none', standOff: 0, outline: 'shape' },
    fill: { swatch: 'accent1', tint: 0.5 },
  }));
  const document = documentOf([...started, ...panels]);
  const shaper = new Shaper();
  await loadFaces(shaper, facesOf(document));
  const composer = new Composer(shaper);
  const ids = panels.map(({ id }) => id);
  const painted = (of: typeof document) => {
    const list = composer.compose(of).pages.find((each) => each.page === page)!;
    return list.items.reduce((sum, item) => sum + paintItem(item, () => '').length, 0);
  };
  painted(document);
  const giving: number[] = [];
  const gradient: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const finish = i % 2 === 0 ? 'plate' : 'boxOut';
    const before = performance.now();
    painted(applied(document, giveFinish(document, ids, finish)));
    giving.push(performance.now() - before);
  }
  painted(document);
  for (let i = 0; i < 10 * rounds; i++) {
    const before = performance.now();
    const from = { x: (i % 10) / 10, y: 0 };
    const run = { form: 'linear', from, to: { x: 1, y: 1 }, swatch: 'paper', tint: 1 } as const;
    const shadow = { dx: i % 7, dy: 3, blur: 6, swatch: 'ink', opacity: 0.4 };
    painted(applied(document, setAppearance(document, ['panel-7'], { gradient: run, shadow })));
    gradient.push(performance.now() - before);
  }
  const [a, b] = [wavy(0), wavy(70)];
  const pairs = (ring: readonly number[]): Ring =>
    Array.from({ length: ring.length / 2 }, (_, i) => [ring[2 * i]!, ring[2 * i + 1]!] as [number, number]);
  const [boolean, theirs]: number[][] = [[], []];
  for (let i = 0; i < 2 * rounds; i++) {
    const before = performance.now();
    combined('join', [a], [b]);
    const between = performance.now();
    polygonClipping.union([pairs(a)], [pairs(b)]);
    boolean!.push(between - before);
    theirs!.push(performance.now() - between);
  }
  return { giving, gradient, boolean: boolean!, theirs: theirs! };
}

/** A ring of many points that waves about a circle. */
const wavy = (x: number): number[] =>
  Array.from({ length: OUTLINE_POINTS }, (_, i) => (2 * Math.PI * i) / OUTLINE_POINTS).flatMap((angle) => {
    const r = 100 + 12 * Math.sin(40 * angle);
    return [x + r * Math.cos(angle), r * Math.sin(angle)];
  });
