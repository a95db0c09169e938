import { isOpen } from '@/core/checks/finding';
import { escaped } from '../markup';
import { type CheckReport, GRAVITY_WORDS, type ReportedFinding } from '@/core/checks/report';

const MADE = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short', timeZone: 'UTC' });

/** A report as a page of its own, without scripts, that prints as it is read. */
export function reportPage({ title, at, limits, findings }: CheckReport): string {
  const open = findings.filter(isOpen);
  const accepted = findings.filter((each) => !isOpen(each));
  const rows = (list: readonly ReportedFinding[]) =>
    list
      .map(
        (each) =>
          `<tr class="${each.grave}"><td>${each.folio === undefined ? 'Issue' : `p. ${escaped(each.folio)}`}</td>` +
          `<td>${GRAVITY_WORDS[each.grave]}</td><td><b>${escaped(each.title)}</b><br>${escaped(each.words)} ` +
          `<span>${escaped(each.effect)}</span>${each.accepted === undefined ? '' : `<br><i>Accepted: ${escaped(each.accepted)}</i>`}</td></tr>`,
      )
      .join('\n');
  const table = (head: string, list: readonly ReportedFinding[]) =>
    list.length === 0
      ? ''
      : `<h2>${head}</h2>\n<table><thead><tr><th>Page</th><th>Weight</th><th>What was found</th></tr></thead><tbody>\n${rows(list)}\n</tbody></table>`;
  return `<!doctype html>
<html lang="en-GB"><head><meta charset="utf-8"><title>Checks, ${escaped(title)}</title>
<style>
body{font:15px/1.45 system-ui,sans-serif;color:#14213d;max-width:52rem;margin:2rem auto;padding:0 1rem}
h1{font-size:1.5rem;margin:0}h2{font-size:1.05rem;margin:2rem 0 .4rem}p{margin:.2rem 0}
table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;padding:.4rem .8rem .4rem 0;border-bottom:1px solid #cfd8df}
th{font-weight:600}td span{color:#51607a}.grave td:nth-child(2){font-weight:700;color:#b3261e}
</style></head><body>
<h1>Checks: ${escaped(title)}</h1>
<p>${MADE.format(new Date(at))} (UTC). Checked against: ${escaped(limits)}.</p>
<p>${open.length === 0 ? 'Nothing was found that is not accepted.' : `${open.length} found, ${accepted.length} accepted.`}</p>
${table('Found', open)}
${table('Accepted', accepted)}
</body></html>
`;
}
