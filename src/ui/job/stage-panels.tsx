'use client';

import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { Stage } from '../../core/job';
import { isBroken } from './broken';
import { BypassPanel, InspectionPanel } from './standing-panel';
import type { DossierProps } from './types';

/** The work of each stage: what it needs is loaded with it, and nothing of the others. */
const STAGES: Readonly<Record<Stage, ComponentType<DossierProps>>> = {
  plan: dynamic(() => import('./stages/plan').then((file) => file.PlanStage)),
  review: dynamic(() => import('./stages/review').then((file) => file.ReviewStage)),
  'walk-down': dynamic(() => import('./stages/walk-down').then((file) => file.WalkDownStage)),
  isolate: dynamic(() => import('./stages/isolate').then((file) => file.IsolateStage)),
  permit: dynamic(() => import('./stages/permit').then((file) => file.PermitStage)),
  work: dynamic(() => import('./stages/work').then((file) => file.WorkStage)),
  restore: dynamic(() => import('./stages/restore').then((file) => file.RestoreStage)),
  closed: dynamic(() => import('./stages/closed').then((file) => file.ClosedStage)),
};

/** What few jobs have is loaded where one has it. */
const CautionsPanel = dynamic(() => import('./cautions-panel').then((file) => file.CautionsPanel));
const ClearancesPanel = dynamic(() =>
  import('./clearances-panel').then((file) => file.ClearancesPanel),
);
const PressureRepairPanel = dynamic(() =>
  import('./pressure-repair-panel').then((file) => file.PressureRepairPanel),
);
const GasTestPanel = dynamic(() => import('./gas-test-panel').then((file) => file.GasTestPanel));
const DefectsPanel = dynamic(() => import('./defects-panel').then((file) => file.DefectsPanel));
const WriteProcedure = dynamic(() =>
  import('./write-procedure').then((file) => file.WriteProcedure),
);

/** The work of the stage that a job is at, with what it puts out of action and what stands for long. */
export function StagePanel(props: DossierProps) {
  const { view, procedures } = props;
  const Work = STAGES[view.stage];
  const hasDefects = view.defects.length + view.changes.length > 0 || isBroken(view);
  return (
    <>
      <Work {...props} />
      {view.clearances.length > 0 && view.stage !== 'closed' && <ClearancesPanel {...props} />}
      {view.gasTests.length > 0 && view.stage !== 'closed' && <GasTestPanel {...props} />}
      {view.isRepairedUnderPressure && ['isolate', 'permit', 'work'].includes(view.stage) && (
        <PressureRepairPanel {...props} />
      )}
      {view.cautions.length > 0 && <CautionsPanel cautions={view.cautions} />}
      {hasDefects && <DefectsPanel {...props} />}
      {procedures && <WriteProcedure {...props} />}
      <BypassPanel {...props} />
      <InspectionPanel {...props} />
    </>
  );
}
