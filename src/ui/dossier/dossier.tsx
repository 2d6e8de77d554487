'use client';

import Link from 'next/link';
import { useState } from 'react';
import { isHeld, type DossierView, type Lamp, type LampSource } from '../../core/job';
import { CommandDesk } from '../command/use-command';
import { LampSign, LampWord } from '../lamp/lamp';
import { ProofsEnd } from '../lamp/proofs-end';
import { AirLogPanel } from '../permit/air-log';
import { AirPanel } from '../permit/air-panel';
import { AuditPanel } from '../permit/audit-panel';
import { BlanksPanel } from '../permit/blanks-panel';
import { ClashPanel } from '../permit/clash-panel';
import { EntryPanel } from '../permit/entry-panel';
import { HotWorkPanel } from '../permit/hot-work-panel';
import { PapersPanel } from '../permit/papers-panel';
import { PermitPanel } from '../permit/permit-panel';
import { StopPanel } from '../permit/stop-panel';
import { TeamPanel } from '../permit/team-panel';
import { WorkPanel } from '../permit/work-panel';
import { PlanDraftDesk } from '../planning/draft';
import { UntoldPanel } from './absent';
import { AlarmPanels, canReport, ReportPanel } from './amiss';
import { BoxPanel } from './box-panel';
import { IsolatePanel } from './isolate-panel';
import { JobDiagram } from './job-diagram';
import { JobHeader } from './job-header';
import { JobTabs, type JobTab } from './job-tabs';
import { NextCard } from './next-card';
import { PlanPanel, PointList, ReviewPanel } from './plan-panel';
import { RestorePanel } from './restore-panel';
import { BypassPanel, InspectionPanel } from './standing-panel';
import { STAGE_LABELS } from './stages';
import { hasStored, StoredPanel } from './stored-panel';
import { TestPanel } from './test-panel';
import type { DossierProps } from './types';
import { WalkDownPanel } from './walk-down-panel';

function LampRow({
  lamp,
  jobId,
  source,
}: {
  readonly lamp: Lamp;
  readonly jobId: string;
  readonly source: string | undefined;
}) {
  const picked = lamp.sources.some(({ id }) => id === source);
  return (
    <li
      data-lamp={lamp.state}
      className={`flex items-start gap-2 py-1 ${picked ? 'bg-base-200' : ''}`}
    >
      <LampSign state={lamp.state} />
      <div className="min-w-0">
        <p className="flex flex-wrap items-baseline gap-x-2">
          <LampWord state={lamp.state} />
          {lamp.kind === 'store' && <span className="font-mono text-sm">{lamp.id}</span>}
        </p>
        <p className="text-sm">{lamp.name}</p>
        {lamp.sources.length > 0 && (
          <p className="flex flex-wrap gap-x-2 text-xs">
            {lamp.sources.map(({ id }) => (
              <Link
                key={id}
                href={`/jobs/${jobId}?source=${encodeURIComponent(id)}`}
                scroll={false}
                className={`font-mono underline ${id === source ? 'font-bold' : ''}`}
              >
                {id}
              </Link>
            ))}
          </p>
        )}
      </div>
    </li>
  );
}

function Lamps({
  view,
  jobId,
  source,
}: {
  readonly view: DossierView;
  readonly jobId: string;
  readonly source?: string;
}) {
  const count = (state: Lamp['state']) => view.lamps.filter((lamp) => lamp.state === state).length;
  return (
    <section aria-label="Lamps">
      <h2 className="text-lg font-bold">Lamps</h2>
      <p className="text-sm">
        <span data-testid="lamps-lit">{count('lit')} lit</span>, {count('shuttered')} shuttered,{' '}
        <span data-testid="lamps-dark">{count('dark')} dark</span>
      </p>
      <ProofsEnd now={view.now} end={view.proofsEnd} />
      <ul className="grid grid-cols-1 gap-x-2 sm:grid-cols-2 lg:grid-cols-1">
        {view.lamps.map((lamp) => (
          <LampRow key={lamp.id} lamp={lamp} jobId={jobId} source={source} />
        ))}
      </ul>
    </section>
  );
}

/** A source that is run empty: how it would reach the work, and how far that it is empty is proved. */
function EmptiedRoute({
  id,
  name,
  medium,
  route,
  lamp,
}: DossierView['emptied'][number] & { readonly lamp: LampSource | undefined }) {
  return (
    <div className="border-l-4 border-warning pl-2 text-sm">
      <p>
        <strong className="font-mono">{id}</strong> {name} ({medium}) is run empty before anything
        is shut: nothing has to stand between it and the work, and it has to be proved empty.
      </p>
      <p className="font-mono text-xs">{[id, ...route, 'work'].join(' › ')}</p>
      <p>{lamp?.why}</p>
    </div>
  );
}

function PickedRoute({
  view,
  source,
}: {
  readonly view: DossierView;
  readonly source: string | undefined;
}) {
  const empty = view.emptied.find(({ id }) => id === source);
  const found = view.sources.find(({ id }) => id === source) ?? view.sources[0];
  const lampOf = (wanted: string | undefined) =>
    view.lamps.flatMap(({ sources }) => sources).find(({ id }) => id === wanted);
  if (empty) return <EmptiedRoute {...empty} lamp={lampOf(source)} />;
  const lamp = lampOf(found?.id);
  if (!found || !lamp)
    return <p>No source reaches this work on the drawing: doubt the drawing before going on.</p>;
  return (
    <div className="border-l-4 border-warning pl-2 text-sm">
      <p>
        <strong className="font-mono">{found.id}</strong> {found.name} ({found.medium}), grade{' '}
        <strong>{found.grade}</strong>: {found.reasons.join('; ')}
        {found.score && ` (stricter ${found.score})`}
      </p>
      <p className="font-mono text-xs">{[found.id, ...found.route, 'work'].join(' › ')}</p>
      <p>{lamp.why}</p>
    </div>
  );
}

/** Papers are decided until the permit is out; at the hatch they stand first until they are. */
const isBeforeWork = ({ view }: DossierProps): boolean =>
  view.stage === 'permit'
    ? view.dossier.papers !== undefined
    : ['plan', 'review', 'walk-down', 'isolate'].includes(view.stage);

/** What can breathe out is found while the plan can still blank it. */
const isBeforeHatch = ({ view }: DossierProps): boolean =>
  ['plan', 'review', 'walk-down', 'isolate'].includes(view.stage);

/** What can be assessed and approved while the isolation is still under way, so that the hatch is quick. */
const isAhead = ({ view }: DossierProps): boolean =>
  view.dossier.papers !== undefined && ['review', 'walk-down', 'isolate'].includes(view.stage);

function StagePanel(props: DossierProps) {
  switch (props.view.stage) {
    case 'plan':
      return <PlanPanel {...props} />;
    case 'review':
      return <ReviewPanel {...props} />;
    case 'walk-down':
      return <WalkDownPanel {...props} />;
    case 'isolate':
      return (
        <>
          <IsolatePanel {...props} />
          <BoxPanel {...props} />
          <TestPanel {...props} />
        </>
      );
    case 'permit':
      return (
        <>
          {!props.view.dossier.papers && <PapersPanel {...props} />}
          <AirPanel {...props} />
          <EntryPanel {...props} />
          <HotWorkPanel {...props} />
          <PermitPanel {...props} />
          <BoxPanel {...props} />
          <TeamPanel {...props} />
        </>
      );
    case 'work':
      return (
        <>
          {props.view.steps.some(({ done }) => !done) && <IsolatePanel {...props} />}
          <WorkPanel {...props} />
          {isHeld(props.view.dossier.permit) && (
            <>
              <EntryPanel {...props} />
              <AirPanel {...props} />
              <AirLogPanel {...props} />
              <HotWorkPanel {...props} />
            </>
          )}
          <BoxPanel {...props} />
          <TestPanel {...props} />
        </>
      );
    case 'restore':
      return (
        <>
          {props.view.dossier.permit.kind === 'cancelled' && !props.view.dossier.restoring && (
            <PermitPanel {...props} />
          )}
          <RestorePanel {...props} />
          <BlanksPanel {...props} />
          <AuditPanel {...props} />
        </>
      );
    case 'closed':
      return (
        <section aria-label="Closed">
          <h2 className="text-lg font-bold">Closed</h2>
          {props.view.plan && <PointList plan={props.view.plan} />}
          <AuditPanel {...props} />
        </section>
      );
  }
}

/** Whether the diagram is worked on at the stage: points are added and compared there. */
const worksOnDiagram = ({ view }: DossierProps): boolean =>
  ['plan', 'review', 'walk-down'].includes(view.stage);

/** The tabs of a job: the work of its stage first, then what does not depend on it, where the job has it. */
function listTabs(props: DossierProps & { readonly source?: string }): JobTab[] {
  const { view, jobId, names, source } = props;
  const isClosed = view.stage === 'closed';
  const drawing = (
    <>
      <PickedRoute view={view} source={source} />
      <JobDiagram {...props} />
    </>
  );
  const onDiagram = worksOnDiagram(props);
  const tab = (is: boolean, one: JobTab): JobTab[] => (is ? [one] : []);
  return [
    {
      id: 'stage',
      label: STAGE_LABELS[view.stage],
      content: (
        <>
          <StopPanel {...props} />
          <AlarmPanels {...props} />
          <UntoldPanel {...props} />
          {onDiagram && drawing}
          <div id="workspace" className="scroll-mt-44" />
          <StagePanel {...props} />
          <BypassPanel {...props} />
          <InspectionPanel {...props} />
        </>
      ),
    },
    ...tab(!onDiagram, { id: 'diagram', label: 'Diagram', content: drawing }),
    ...tab(isBeforeWork(props) || isAhead(props), {
      id: 'papers',
      label: 'Papers',
      content: (
        <>
          {isBeforeWork(props) && <PapersPanel {...props} />}
          {isAhead(props) && (
            <section aria-label="Ahead of time">
              <h2 className="text-lg font-bold">Assess and approve ahead of time</h2>
              <PermitPanel {...props} />
            </section>
          )}
        </>
      ),
    }),
    ...tab(isBeforeHatch(props) && view.hotWork !== undefined, {
      id: 'hot-work',
      label: 'Hot work',
      content: <HotWorkPanel {...props} />,
    }),
    ...tab(!isClosed, {
      id: 'neighbours',
      label: 'Hour and neighbours',
      count: view.clashes.length,
      content: <ClashPanel {...props} />,
    }),
    ...tab(!isClosed && hasStored(view), {
      id: 'energy',
      label: 'Stored energy',
      content: <StoredPanel jobId={jobId} view={view} names={names} />,
    }),
    ...tab(canReport(view), {
      id: 'report',
      label: 'Report something',
      content: <ReportPanel {...props} />,
    }),
  ];
}

/** One job: what it is and how to stop it, what is next, and the work of the stage that it is at. */
export function DossierScreen(props: DossierProps & { readonly source?: string }) {
  const { view, jobId, sequence, me, names, source } = props;
  const [tab, setTab] = useState('stage');
  const [lit, setLit] = useState(source);
  // Whoever asks for the route of a source wants to see it.
  if (lit !== source) {
    setLit(source);
    if (!worksOnDiagram(props)) setTab('diagram');
  }
  const goToWork = () => {
    setTab('stage');
    // Once the tab stands open.
    requestAnimationFrame(() => document.getElementById('workspace')?.scrollIntoView());
  };
  return (
    <CommandDesk handle={{ jobId, sequence, me, names }}>
      <JobHeader {...props} />
      <main className="grid gap-4 px-4 py-3 lg:grid-cols-[minmax(0,1fr)_21rem]">
        <div className="flex min-w-0 flex-col gap-4">
          {view.isOldTrace && view.stage !== 'closed' && (
            <p role="note" className="border-l-4 border-base-300 pl-2 text-sm">
              This plan was drawn up before the trace told what can really arrive. It stands as it
              was accepted; a plan computed now may need fewer points.
            </p>
          )}
          <PlanDraftDesk key={view.stage} stored={view.plan}>
            <JobTabs tabs={listTabs(props)} shown={tab} onShow={setTab} />
          </PlanDraftDesk>
        </div>
        <aside className="flex flex-col gap-4 lg:sticky lg:top-32 lg:max-h-[calc(100vh-8.5rem)] lg:self-start lg:overflow-auto">
          <NextCard {...props} onGo={goToWork} />
          <Lamps view={view} jobId={jobId} source={source} />
        </aside>
      </main>
    </CommandDesk>
  );
}
