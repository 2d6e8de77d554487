'use client';

import dynamic from 'next/dynamic';
import { UntoldPanel } from './absent';
import { canReport } from './amiss';
import type { Tab } from '../kit/tabs';
import { LifeStrip } from './life-strip';
import { StagePanel } from './stage-panels';
import { STAGE_LABELS } from './stages';
import { countIn, type TabId } from './spots';
import { hasStored } from './has-stored';
import { isBeforeHatch, listWorkTabs, tab } from './work-tabs';
import type { DossierProps } from './types';

const JobDiagram = dynamic(() => import('./job-diagram').then((file) => file.JobDiagram));
const PapersPanel = dynamic(() => import('./papers/papers-panel').then((file) => file.PapersPanel));
const PermitPanel = dynamic(() => import('./permit/permit-panel').then((file) => file.PermitPanel));
const StoredPanel = dynamic(() => import('./stored-panel').then((file) => file.StoredPanel));
const PhotosTab = dynamic(() => import('../photos/photos-tab').then((file) => file.PhotosTab));
const ReportPanel = dynamic(() => import('./amiss').then((file) => file.ReportPanel));

/** Papers are decided until the permit is out; at the hatch they stand first until they are. */
const isBeforeWork = (props: DossierProps): boolean =>
  props.view.stage === 'permit' ? props.view.dossier.papers !== undefined : isBeforeHatch(props);

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
      <UntoldPanel {...props} />
      {worksOnDiagram(props) && <JobDiagram {...props} />}
      <div id="workspace" className="scroll-mt-44" />
      <StagePanel {...props} />
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
export function listTabs(props: DossierProps): Tab<TabId>[] {
  const { view, jobId, names } = props;
  const isClosed = view.stage === 'closed';
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
      count: countIn('papers', view.holding),
      content: <PapersTab {...props} />,
    }),
    ...listWorkTabs(props),
    ...tab(!isClosed && hasStored(view), {
      id: 'energy',
      label: 'Energy and sums',
      count: countIn('energy', view.holding),
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
