'use client';

import { WorkPanel } from '../permit/work-panel';
import { IsolatePanel } from '../isolate-panel';
import { hasKit, KitPanel } from '../kit-panel';
import { TestPanel } from '../test-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function WorkStage(props: DossierProps) {
  useReady();
  return (
    <>
      {props.view.steps.some(({ done }) => !done) && <IsolatePanel {...props} />}
      <WorkPanel {...props} />
      <TestPanel {...props} />
      {hasKit(props.view.kit) && <KitPanel {...props} />}
    </>
  );
}
