'use client';

import { isHeld } from '../../../core/job/permit-record';
import { AirLogPanel } from '../../permit/air-log';
import { AirPanel } from '../../permit/air-panel';
import { EntryPanel } from '../../permit/entry-panel';
import { HotWorkPanel } from '../../permit/hot-work-panel';
import { WorkPanel } from '../../permit/work-panel';
import { BoxPanel } from '../box-panel';
import { IsolatePanel } from '../isolate-panel';
import { TestPanel } from '../test-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function WorkStage(props: DossierProps) {
  useReady();
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
}
