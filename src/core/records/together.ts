import { listed } from './count';
import type { RecordKind } from './index';
import type { Storable, StoredDiff, StoredRecord } from './stored';

/** What records of a document must be together, whoever changed which of them: looked at where changes meet. */

const JUDGED: readonly RecordKind[] = ['paragraphStyle', 'characterStyle', 'master', 'page', 'issue'];

/** Kinds that are looked at together where pages or masters change. */
const PAGED: readonly RecordKind[] = ['page', 'master', 'issue'];

/** The kinds that must be looked at together after a change. */
export function judgedKinds({ added, updated, removed }: StoredDiff): readonly RecordKind[] {
  const touched = new Set([...added, ...updated.map(({ after }) => after), ...removed].map(({ kind }) => kind));
  // Pages are nothing without masters: they are looked at together.
  const pages = touched.has('page') || touched.has('master');
  return JUDGED.filter((kind) => touched.has(kind) || (pages && PAGED.includes(kind)));
}

/** Why records may not be so together, in a sentence; undefined where they may. */
export function together(records: readonly Storable[]): string | undefined {
  for (const kind of ['paragraphStyle', 'characterStyle', 'master'] as const) {
    const circle = circleAmong(records.filter((record): record is Based & StoredRecord => record.kind === kind));
    if (circle) return `${listed(circle.map(({ name }) => `“${name}”`))} would be based on one another in a circle.`;
  }
  const has = (kind: RecordKind) => records.some((record) => record.kind === kind);
  if (has('issue') && has('master') && !has('page')) return 'The last page stays: an issue has at least one.';
  if (has('page') && !has('master')) return 'The last master cannot be removed: pages are laid out on one.';
  return undefined;
}

interface Based {
  readonly id: string;
  readonly name: string;
  readonly basedOn?: string | undefined;
}

/** Those that are based on one another in a circle, from the first that is met; undefined where none are. */
export function circleAmong<T extends Based>(list: readonly T[]): readonly T[] | undefined {
  const byId = new Map(list.map((each) => [each.id, each]));
  const clear = new Set<string>();
  for (const start of list) {
    const chain: T[] = [];
    for (
      let at: T | undefined = start;
      at && !clear.has(at.id);
      at = at.basedOn === undefined ? undefined : byId.get(at.basedOn)
    ) {
      const from = chain.indexOf(at);
      if (from >= 0) return chain.slice(from);
      chain.push(at);
    }
    for (const { id } of chain) clear.add(id);
  }
  return undefined;
}
