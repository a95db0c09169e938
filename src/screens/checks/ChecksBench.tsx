'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { acceptFindings, askAgain } from '@/core/actions/acceptances';
import { recordAt } from '@/core/checks/checker';
import { type Finding, isOpen } from '@/core/checks/finding';
import { allMended, isDone, type Mend, mended } from '@/core/checks/mends';
import { reportOf } from '@/core/checks/report';
import { lengthIn } from '@/core/length/length';
import { formatOf, placedPage } from '@/core/page/pages';
import { profileOf } from '@/core/print/profile';
import { paperWords } from '@/core/properties/print';
import { counted } from '@/core/records/count';
import { reportPage } from '@/formats/report/report';
import { Choice } from '@/parts/Choice';
import { Notices } from '@/parts/Notices';
import { PageCells } from '../desk/PageLine';
import { command } from '../frame/commands/command';
import { useCommands } from '../frame/commands/useCommands';
import { IssueHeader } from '../frame/IssueHeader';
import { useConflicts } from '../frame/useConflicts';
import { useLatest } from '../frame/useLatest';
import { PAUSES, useLiveChecks } from '../frame/useLiveChecks';
import { useNotices } from '../frame/useNotices';
import type { OpenedTools } from '../frame/useOpened';
import { spotUrl } from '../frame/spotUrl';
import { useSetting } from '../sheet/useSetting';
import { AcceptDialog } from './AcceptDialog';
import { CheckedPage } from './CheckedPage';
import { FindingRow } from './FindingRow';
import { countsOf, grouped, type GroupedBy } from './grouping';
import { LimitsDialog } from './LimitsDialog';

export interface ChecksScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly house: string | undefined;
}

/** Pixels that pages are drawn wide for the small pictures of their places. */
const SMALL = 220;

const NONE: readonly Finding[] = [];
const nothing = () => undefined;

/** What of the list is in sight. */
const SHOWN = { all: 'All', fault: 'Without details', grave: 'Grave only' } as const;
type Shown = keyof typeof SHOWN;

const isShown = (finding: Finding, shown: Shown): boolean =>
  !isOpen(finding) || shown === 'all' || finding.grave === 'grave' || finding.grave === shown;

export function ChecksBench({ id, publication, name, house, store, composer }: ChecksScreenProps & OpenedTools) {
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  useLiveChecks(id, store, composer, PAUSES.checks);
  const checked = useSetting(composer, (setting) => setting.checked);
  const fits = useSetting(composer, (setting) => setting.fits);
  const trouble = useSetting(composer, (setting) => setting.trouble);
  const { notices, say, close } = useNotices();
  useConflicts(store, say);
  const router = useRouter();
  const [by, setBy] = useState<GroupedBy>('page');
  const [shown, setShown] = useState<Shown>('all');
  const [chosenKey, setChosen] = useState<string>();
  const [accepting, setAccepting] = useState<Finding>();
  const [limits, setLimits] = useState(false);
  const list = useRef<HTMLUListElement>(null);
  const findings = checked?.findings ?? NONE;
  const format = formatOf(document);
  const groups = useMemo(
    () =>
      grouped(
        document,
        findings.filter((each) => isShown(each, shown)),
        by,
      ),
    [document, findings, by, shown],
  );
  const inOrder = useMemo(() => groups.flatMap((group) => group.findings), [groups]);
  const chosen = useChosenFinding(inOrder, chosenKey, list);
  const counts = countsOf(findings);
  const alike = useMemo(() => {
    const out = new Map<string, number>();
    for (const { rule, mends } of findings.filter(isOpen)) if (mends.some(isDone)) out.set(rule, (out.get(rule) ?? 0) + 1);
    return out;
  }, [findings]);

  useEffect(() => composer.watchSmall(pagesOf(findings), SMALL), [composer, findings]);

  const show = useCallback((finding: Finding) => router.push(spotUrl(id, finding.at)), [router, id]);
  const mend = useLatest((finding: Finding, how: Mend) => {
    if (!isDone(how)) {
      if (how.open === 'fit') router.push(spotUrl(id, finding.at, how.text));
      else if (how.open === 'copy') router.push(`/issues/${id}/copy?story=${how.story}`);
      else if (how.open === 'plan') router.push(`/issues/${id}/plan`);
      else if (house) router.push(`/houses/${house}/${how.chapter}`);
      return;
    }
    try {
      store.act(how.name, (now) => mended(now, how));
      say(`${how.name}: done.`);
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  });
  const mendAll = useLatest(({ rule, title }: Finding) => {
    const mends = findings.filter((each) => each.rule === rule && isOpen(each)).flatMap((each) => each.mends.find(isDone) ?? []);
    try {
      store.act(`Mend all: ${title.toLowerCase()}`, (now) => allMended(now, mends));
      say(`${title}: ${counted(mends.length, 'place')} mended.`);
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  });
  const accept = (of: Finding, reason: string) => {
    store.act('Accept a finding', (now) =>
      acceptFindings(now, [{ about: of.about, words: of.words, at: recordAt(of.at) }], reason),
    );
    setAccepting(undefined);
  };
  const ask = useLatest((of: Finding) => void store.act('Ask again for a finding', (now) => askAgain(now, [of])));

  /** Chooses the first finding of a spread. */
  const goTo = useLatest((spread: number) => {
    const first = inOrder.find((each) => isOpen(each) && placedPage(document, each.at.page ?? '')?.spread === spread);
    if (!first) return say('Nothing was found on those pages.');
    setChosen(first.key);
    rowOf(list.current, first.key)?.focus();
  });
  const step = (by: 1 | -1) => {
    const at = chosen ? inOrder.indexOf(chosen) : -1;
    const next = inOrder[Math.max(0, Math.min(inOrder.length - 1, at + by))];
    if (!next) return;
    setChosen(next.key);
    rowOf(list.current, next.key)?.focus();
  };
  const none = !chosen && 'Nothing is chosen';
  const done = chosen !== undefined && !isOpen(chosen) && 'It is accepted';
  const firstMend = chosen?.mends[0];
  const { tools, dialogs } = useCommands({
    store,
    say,
    guided: true,
    commands: [
      command('next', 'Next finding', 'ArrowDown', inOrder.length === 0 && 'Nothing is found', () => step(1)),
      command('previous', 'Previous finding', 'ArrowUp', inOrder.length === 0 && 'Nothing is found', () => step(-1)),
      command('show', 'Show it on the page', 'Enter', none || (!chosen?.at.page && 'It is on no page'), () => show(chosen!)),
      command('mend', 'Mend it', 'm', none || done || (!firstMend && 'Nothing is offered'), () => mend(chosen!, firstMend!)),
      command(
        'mend-all',
        'Mend all of this kind',
        'Shift+M',
        none || done || ((alike.get(chosen!.rule) ?? 0) < 1 && 'Nothing is offered'),
        () => mendAll(chosen!),
      ),
      command('accept', 'Accept it …', 'a', none || done, () => setAccepting(chosen)),
      command('by-page', 'Put together by page', undefined, by === 'page' && 'It is', () => setBy('page')),
      command('by-rule', 'Put together by kind', undefined, by === 'rule' && 'It is', () => setBy('rule')),
      command('limits', 'Limits …', undefined, undefined, () => setLimits(true)),
      command('report', 'Save the report', undefined, !checked && 'Nothing has been checked yet', () => saveReport()),
    ],
  });
  const saveReport = () => {
    const report = reportOf(document, findings, new Date().toISOString());
    const url = URL.createObjectURL(new Blob([reportPage(report)], { type: 'text/html' }));
    const link = window.document.createElement('a');
    link.href = url;
    link.download = `${report.title.replace(/[^\p{L}\p{N}]+/gu, '-')}-checks.html`;
    link.click();
    URL.revokeObjectURL(url);
  };
  const isMeasuring = checked !== undefined && checked.measured < checked.pages;
  const isClean = checked !== undefined && !isMeasuring && counts.grave + counts.fault + counts.detail === 0;
  const profile = profileOf(document);

  return (
    <div className="flex h-full flex-col">
      <IssueHeader
        document={id}
        publication={publication}
        name={name}
        house={house}
        place="checks"
        store={store}
        composer={composer}
        tools={tools}
      />
      <PageCells
        document={document}
        format={format}
        spread={placedPage(document, chosen?.at.page ?? '')?.spread ?? -1}
        fits={fits}
        findings={findings}
        stirred={false}
        hovered={undefined}
        composer={composer}
        kind="issue"
        onGo={goTo}
        onHover={nothing}
      />
      <div className="flex min-h-0 flex-1">
        <main className="border-base-300 bg-base-100 flex w-[47.5rem] min-w-0 shrink flex-col border-r">
          <h1 className="sr-only">Checks</h1>
          <div className="border-base-300 flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1 border-b px-5 py-1.5">
            <button
              type="button"
              className="link link-hover font-semibold"
              title="What the issue is checked against"
              onClick={() => setLimits(true)}
            >
              {paperWords(profile.paper)}
            </button>
            <span className="narrow opacity-75">
              {profile.leastPpi} ppi
              {profile.inks && `, ink up to ${Math.round(100 * profile.coverage)} %`}, {lengthIn(format.bleed)} bleed
            </span>
            <Counts counts={counts} />
          </div>
          <div className="border-base-300 flex items-center gap-4 border-b px-5 py-1.5">
            <Choice
              label="Put together by"
              value={by}
              of={[
                { value: 'page', name: 'By page' },
                { value: 'rule', name: 'By kind' },
              ]}
              onChange={setBy}
            />
            <Choice
              label="Shown"
              value={shown}
              of={(Object.keys(SHOWN) as Shown[]).map((value) => ({ value, name: SHOWN[value] }))}
              onChange={setShown}
            />
            <span className="narrow ml-auto opacity-75" role="status">
              {!checked
                ? 'Looking through the issue …'
                : isMeasuring
                  ? `Measuring ink, page ${checked.measured + 1} of ${checked.pages} …`
                  : ''}
            </span>
            <button type="button" className="link link-hover narrow" disabled={!checked} onClick={saveReport}>
              Save the report
            </button>
          </div>
          {trouble && (
            <p role="alert" className="text-error px-5 py-2">
              {trouble}
            </p>
          )}
          <div className="min-h-0 flex-1 overflow-auto" data-checked={checked !== undefined && !isMeasuring}>
            {isClean && (
              <p className="text-success px-5 py-6 font-semibold">Nothing is in the way of this issue. Deliver it in Handoff.</p>
            )}
            <ul ref={list} aria-label="Findings">
              {groups.map((group) => (
                <li key={group.key}>
                  <h2 className="chapter px-5 pt-4 pb-1.5">
                    {group.name} <span className="font-normal opacity-75">{group.findings.length}</span>
                  </h2>
                  <ul>
                    {group.findings.map((finding) => (
                      <FindingRow
                        key={finding.key}
                        finding={finding}
                        composer={composer}
                        format={format}
                        isChosen={finding === chosen}
                        alike={alike.get(finding.rule) ?? 0}
                        onChoose={setChosen}
                        onMend={mend}
                        onMendAll={mendAll}
                        onAccept={setAccepting}
                        onAskAgain={ask}
                        onShow={show}
                      />
                    ))}
                  </ul>
                </li>
              ))}
            </ul>
          </div>
          <p className="border-base-300 narrow border-t px-5 py-1.5 opacity-75">
            Up and down: next and previous · Enter: show on the page · M: mend · Shift M: all of this kind · A: accept
          </p>
        </main>
        <CheckedPage document={document} format={format} composer={composer} finding={chosen} onShow={show} />
      </div>
      {dialogs}
      {accepting && <AcceptDialog finding={accepting} onAccept={accept} onClose={() => setAccepting(undefined)} />}
      {limits && <LimitsDialog store={store} onClose={() => setLimits(false)} />}
      <Notices notices={notices} onClose={close} />
    </div>
  );
}

/** How much there is of each weight, in words. */
function Counts({ counts: { grave, fault, detail, accepted } }: { counts: ReturnType<typeof countsOf> }) {
  return (
    <span className="narrow ml-auto flex gap-4" data-counts={[grave, fault, detail, accepted].join()}>
      {grave > 0 && <span className="text-error font-semibold">{grave} to be mended</span>}
      {fault > 0 && <span className="font-semibold">{fault} to look at</span>}
      {detail > 0 && <span>{counted(detail, 'detail')}</span>}
      {accepted > 0 && <span className="opacity-75">{accepted} accepted</span>}
    </span>
  );
}

/** The finding that is chosen: where it has gone, the one that has come to its place, which then has the focus that it had. */
function useChosenFinding(
  inOrder: readonly Finding[],
  key: string | undefined,
  list: React.RefObject<HTMLUListElement | null>,
): Finding | undefined {
  const place = useRef(0);
  const at = inOrder.findIndex((each) => each.key === key);
  const now = inOrder[at >= 0 ? at : Math.min(place.current, inOrder.length - 1)];
  useEffect(() => {
    if (at >= 0) place.current = at;
    else if (now && key !== undefined && !window.document.activeElement?.closest('[data-finding], [role=dialog]'))
      rowOf(list.current, now.key)?.focus();
  }, [at, now, key, list]);
  return now;
}

const rowOf = (list: HTMLElement | null, key: string): HTMLElement | null | undefined =>
  list?.querySelector<HTMLElement>(`[data-finding="${CSS.escape(key)}"]`);

const pagesOf = (findings: readonly Finding[]): string[] => [...new Set(findings.flatMap(({ at }) => at.page ?? []))];
