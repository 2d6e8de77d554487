'use client';

import { AuditPanel } from '../permit/audit-panel';
import { PointList } from '../plan-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function ClosedStage(props: DossierProps) {
  useReady();
  return (
    <section aria-label="Closed">
      <h2 className="text-lg font-bold">Closed</h2>
      {props.view.plan && <PointList plan={props.view.plan} />}
      <AuditPanel {...props} />
    </section>
  );
}
