'use client';

import dynamic from 'next/dynamic';
import { UntoldPanel } from './absent';
import { AlarmPanels, canReport } from './amiss';
import { StopPanel } from '../permit/stop-panel';
import type { JobTab } from './job-tabs';
import { LifeStrip } from './life-strip';
import { StagePanel } from './stage-panels';
import { STAGE_LABELS } from './stages';
import { BypassPanel, InspectionPanel } from './standing-panel';
import { hasStored } from './has-stored';
import type { DossierProps } from './types';

const JobDiagram = dynamic(() => import('./job-diagram').then((file) => file.JobDiagram));
const PapersPanel = dynamic(() =>
  import('../permit/papers-panel').then((file) => file.PapersPanel),
);
const PermitPanel = dynamic(() =>
  import('../permit/permit-panel').then((file) => file.PermitPanel),
);
const HotWorkPanel = dynamic(() =>
  import('../permit/hot-work-panel').then((file) => file.HotWorkPanel),
);
const ClashPanel = dynamic(() => import('../permit/clash-panel').then((file) => file.ClashPanel));
const StoredPanel = dynamic(() => import('./stored-panel').then((file) => file.StoredPanel));
const PhotosTab = dynamic(() => import('../photos/photos-tab').then((file) => file.PhotosTab));
const ReportPanel = dynamic(() => import('./amiss').then((file) => file.ReportPanel));

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

/** Whether the diagram is worked on at the stage: points are added and compared there. */
export const worksOnDiagram = ({ view }: Pick<DossierProps, 'view'>): boolean =>
  ['plan', 'review', 'walk-down'].includes(view.stage);

function StageTab(props: DossierProps) {
  return (
    <>
      <LifeStrip view={props.view} names={props.names} />
      <StopPanel {...props} />
      <AlarmPanels {...props} />
      <UntoldPanel {...props} />
      {worksOnDiagram(props) && <JobDiagram {...props} />}
      <div id="workspace" className="scroll-mt-44" />
      <StagePanel {...props} />
      <BypassPanel {...props} />
      <InspectionPanel {...props} />
    </>
  );
}

function PapersTab(props: DossierProps) {
  return (
    <>
      {isBeforeWork(props) && <PapersPanel {...props} />}
      {isAhead(props) && (
        <section aria-label="Ahead of time">
          <h2 className="text-lg font-bold">Assess and approve ahead of time</h2>
          <PermitPanel {...props} />
        </section>
      )}
    </>
  );
}

/** The tabs of a job: the work of its stage first, then what does not depend on it, where the job has it. */
export function listTabs(props: DossierProps): JobTab[] {
  const { view, jobId, names } = props;
  const isClosed = view.stage === 'closed';
  const tab = (is: boolean, one: JobTab): JobTab[] => (is ? [one] : []);
  return [
    { id: 'stage', label: STAGE_LABELS[view.stage], content: <StageTab {...props} /> },
    ...tab(!worksOnDiagram(props), {
      id: 'diagram',
      label: 'Diagram',
      content: <JobDiagram {...props} />,
    }),
    ...tab(isBeforeWork(props) || isAhead(props), {
      id: 'papers',
      label: 'Papers',
      content: <PapersTab {...props} />,
    }),
    ...tab(isBeforeHatch(props) && view.hotWork !== undefined, {
      id: 'hot-work',
      label: 'Hot work',
      content: <HotWorkPanel {...props} />,
    }),
    ...tab(!isClosed, {
      id: 'neighbours',
      label: 'Timing and neighbours',
      count: view.clashes.length,
      content: <ClashPanel {...props} />,
    }),
    ...tab(!isClosed && hasStored(view), {
      id: 'energy',
      label: 'Stored energy',
      content: <StoredPanel jobId={jobId} view={view} names={names} />,
    }),
    {
      id: 'photographs',
      label: 'Photographs',
      count: view.dossier.photos.length,
      content: <PhotosTab view={view} names={names} />,
    },
    ...tab(canReport(view), {
      id: 'report',
      label: 'Report something',
      content: <ReportPanel {...props} />,
    }),
  ];
}
