'use client';

import { AirPanel } from '../../permit/air-panel';
import { EntryPanel } from '../../permit/entry-panel';
import { HotWorkPanel } from '../../permit/hot-work-panel';
import { PapersPanel } from '../../permit/papers-panel';
import { PermitPanel } from '../../permit/permit-panel';
import { TeamPanel } from '../../permit/team-panel';
import { BoxPanel } from '../box-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function PermitStage(props: DossierProps) {
  useReady();
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
}
