'use client';

import dynamic from 'next/dynamic';
import { isHeld } from '../../core/job/permit-record';
import type { DossierProps } from './types';

// Each stage loads what it needs, and nothing of the others.
const PlanPanel = dynamic(() => import('./plan-panel').then((file) => file.PlanPanel));
const ReviewPanel = dynamic(() => import('./plan-panel').then((file) => file.ReviewPanel));
const PointList = dynamic(() => import('./plan-panel').then((file) => file.PointList));
const WalkDownPanel = dynamic(() => import('./walk-down-panel').then((file) => file.WalkDownPanel));
const IsolatePanel = dynamic(() => import('./isolate-panel').then((file) => file.IsolatePanel));
const BoxPanel = dynamic(() => import('./box-panel').then((file) => file.BoxPanel));
const TestPanel = dynamic(() => import('./test-panel').then((file) => file.TestPanel));
const PapersPanel = dynamic(() =>
  import('../permit/papers-panel').then((file) => file.PapersPanel),
);
const AirPanel = dynamic(() => import('../permit/air-panel').then((file) => file.AirPanel));
const AirLogPanel = dynamic(() => import('../permit/air-log').then((file) => file.AirLogPanel));
const EntryPanel = dynamic(() => import('../permit/entry-panel').then((file) => file.EntryPanel));
const HotWorkPanel = dynamic(() =>
  import('../permit/hot-work-panel').then((file) => file.HotWorkPanel),
);
const PermitPanel = dynamic(() =>
  import('../permit/permit-panel').then((file) => file.PermitPanel),
);
const TeamPanel = dynamic(() => import('../permit/team-panel').then((file) => file.TeamPanel));
const WorkPanel = dynamic(() => import('../permit/work-panel').then((file) => file.WorkPanel));
const BlanksPanel = dynamic(() =>
  import('../permit/blanks-panel').then((file) => file.BlanksPanel),
);
const AuditPanel = dynamic(() => import('../permit/audit-panel').then((file) => file.AuditPanel));
const RestorePanel = dynamic(() => import('./restore-panel').then((file) => file.RestorePanel));

/** The work of the stage that a job is at. */
export function StagePanel(props: DossierProps) {
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
