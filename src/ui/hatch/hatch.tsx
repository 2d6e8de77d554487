'use client';

import Link from 'next/link';
import { capitalise } from '../../core/text';
import type { JobRow } from '../../core/watch';
import { CommandDesk } from '../command/use-command';
import { Tabs } from '../kit/tabs';
import { NextCard } from '../job/next-card';
import { goToWork, leadFrom, type TabId } from '../job/spots';
import { Urgent } from '../job/urgent';
import { useTab } from '../kit/use-tab';
import { StagePanel } from '../job/stage-panels';
import { STAGE_LABELS } from '../job/stages';
import { listWorkTabs } from '../job/work-tabs';
import { PlanDraftDesk } from '../planning/draft';
import { unpackChoices } from '../../core/choices';
import type { DossierProps, PackedProps } from '../job/types';
import { Beside } from '../kit/moment';
import { Standing } from '../kit/standing';

/** One permit in the queue: what it is for, how it stands, what it waits for. */
function Waiting({
  row,
  isChosen,
  now,
}: {
  readonly row: JobRow;
  readonly isChosen: boolean;
  readonly now: string;
}) {
  const { id, title, equipment, stands, until, next } = row;
  return (
    <li>
      <Link
        href={`/hatch?job=${id}`}
        aria-current={isChosen ? 'true' : undefined}
        className={`flex flex-col rounded-box border-2 px-3 py-2 ${isChosen ? 'border-primary bg-base-200' : 'border-transparent hover:bg-base-200'}`}
      >
        <span className="flex items-baseline gap-2">
          <span className="font-mono">{id}</span>
          <span className="ml-auto text-sm">
            <Standing words={stands} />
          </span>
        </span>
        <span className="font-bold">{title}</span>
        <span className="flex flex-wrap gap-x-3 text-sm">
          <span className="font-mono">{equipment}</span>
          {until !== undefined && <Beside at={until} now={now} />}
        </span>
        {next && (
          <span
            className={`line-clamp-2 text-sm ${next.urgency === 'now' ? 'font-bold text-error' : ''}`}
          >
            {capitalise(next.what)}
          </span>
        )}
      </Link>
    </li>
  );
}

/** The permit that is dealt with: whose it is, what holds it up, and what can be done with it. */
function Chosen(props: DossierProps) {
  const { jobId, sequence, me, names, view } = props;
  const [shown, setShown] = useTab<TabId>('stage');
  const tabs = [
    { id: 'stage' as const, label: STAGE_LABELS[view.stage], content: <StagePanel {...props} /> },
    ...listWorkTabs(props),
  ];
  return (
    <CommandDesk key={jobId} handle={{ jobId, sequence, me, names }}>
      <section aria-label="Permit at hand" className="flex min-w-0 flex-col gap-3">
        <h2 className="text-xl font-bold">
          <Link href={`/jobs/${jobId}`} className="font-mono underline">
            {jobId}
          </Link>{' '}
          {view.dossier.title}
        </h2>
        <Urgent {...props} />
        <div id="workspace" className="scroll-mt-16" />
        <PlanDraftDesk stored={view.plan}>
          <Tabs label="Parts of this job" tabs={tabs} shown={shown} onShow={setShown} />
        </PlanDraftDesk>
      </section>
      <aside className="flex flex-col gap-4 lg:sticky lg:top-14 lg:self-start">
        <NextCard
          {...props}
          onGo={() => goToWork(setShown)}
          onLead={(code) => leadFrom(code, tabs, setShown)}
        />
      </aside>
    </CommandDesk>
  );
}

/** The desk of the issuing authority: who waits, for what, what is missing; and the permit at hand, without opening its job. */
export function HatchScreen({
  waiting,
  now,
  at,
}: {
  readonly waiting: readonly JobRow[];
  readonly now: string;
  readonly at?: PackedProps;
}) {
  return (
    <main className="grid gap-4 p-4 lg:grid-cols-[18rem_minmax(0,1fr)_19rem]">
      <section
        aria-label="At the hatch"
        className="flex flex-col gap-2 lg:sticky lg:top-14 lg:max-h-[calc(100vh-8rem)] lg:self-start"
      >
        <h1 className="text-xl font-bold">Hatch</h1>
        {waiting.length === 0 ? (
          <p>
            Nobody is at the hatch. A job comes here once it is isolated and proved, and stays until
            its permit is closed.
          </p>
        ) : (
          <ul className="flex min-h-0 flex-col gap-1 overflow-y-auto max-lg:max-h-[50vh]">
            {waiting.map((row) => (
              <Waiting key={row.id} row={row} isChosen={row.id === at?.jobId} now={now} />
            ))}
          </ul>
        )}
      </section>
      {at && <Chosen {...at} choices={unpackChoices(at.choices)} />}
    </main>
  );
}
