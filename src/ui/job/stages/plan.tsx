'use client';

import { PlanPanel } from '../plan-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function PlanStage(props: DossierProps) {
  useReady();
  return <PlanPanel {...props} />;
}
