import { type Finding, type Gravity, isOpen } from '@/core/checks/finding';
import { placedPages } from '@/core/page/pages';
import type { Document } from '@/core/records/document';

/** What the list is put together by. */
export type GroupedBy = 'page' | 'rule';

export interface FindingGroup {
  readonly key: string;
  readonly name: string;
  readonly findings: readonly Finding[];
}

const WEIGHT: Readonly<Record<Gravity, number>> = { grave: 0, fault: 1, detail: 2 };

/** Findings in groups, what weighs most first in each; those that were accepted are a group of their own, at the end. */
export function grouped(document: Document, findings: readonly Finding[], by: GroupedBy): FindingGroup[] {
  const folios = new Map(placedPages(document).map(({ page, folio }) => [page.id, folio]));
  const groups = new Map<string, { name: string; findings: Finding[] }>();
  const nameOf = ({ at, title }: Finding) => {
    if (by === 'rule') return title;
    const folio = folios.get(at.page ?? '');
    return folio === undefined ? 'The issue' : `Page ${folio}`;
  };
  for (const each of findings.filter(isOpen)) {
    const key = by === 'rule' ? each.rule : (each.at.page ?? '');
    const group = groups.get(key) ?? { name: nameOf(each), findings: [] };
    group.findings.push(each);
    groups.set(key, group);
  }
  const out = [...groups].map(([key, { name, findings: own }]) => ({
    key: `${by} ${key}`,
    name,
    findings: own.sort((a, b) => WEIGHT[a.grave] - WEIGHT[b.grave]),
  }));
  const accepted = findings.filter((each) => !isOpen(each));
  if (accepted.length > 0) out.push({ key: 'accepted', name: 'Accepted', findings: accepted });
  return out;
}

/** How many of each weight there are that nobody has accepted, and how many somebody has. */
export function countsOf(findings: readonly Finding[]): Readonly<Record<Gravity | 'accepted', number>> {
  const out = { grave: 0, fault: 0, detail: 0, accepted: 0 };
  for (const each of findings) out[isOpen(each) ? each.grave : 'accepted']++;
  return out;
}
