'use client';

import { BarriersPanel } from '../barriers-panel';
import { PapersPanel } from '../papers/papers-panel';
import { PermitPanel } from '../permit/permit-panel';
import { TeamPanel } from '../permit/team-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function PermitStage(props: DossierProps) {
  useReady();
  return (
    <>
      {!props.view.dossier.papers && <PapersPanel {...props} />}
      <PermitPanel {...props} />
      {props.view.needsBarriers && <BarriersPanel {...props} />}
      <TeamPanel {...props} />
    </>
  );
}
