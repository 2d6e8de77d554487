'use client';

import dynamic from 'next/dynamic';
import { WorkPanel } from '../permit/work-panel';
import { TestPanel } from '../test-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

/** Only what has to be proved again is worked on here. */
const IsolatePanel = dynamic(() => import('../isolate-panel').then((file) => file.IsolatePanel));

export function WorkStage(props: DossierProps) {
  useReady();
  return (
    <>
      {props.view.steps.some(({ done }) => !done) && <IsolatePanel {...props} />}
      <WorkPanel {...props} />
      <TestPanel {...props} />
    </>
  );
}
