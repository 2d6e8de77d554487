'use client';

import { AuditPanel } from '../permit/audit-panel';
import { BlanksPanel } from '../entry/blanks-panel';
import { PermitPanel } from '../permit/permit-panel';
import { RestorePanel } from '../restore-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function RestoreStage(props: DossierProps) {
  useReady();
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
}
