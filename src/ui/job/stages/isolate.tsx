'use client';

import { BoxPanel } from '../box-panel';
import { IsolatePanel } from '../isolate-panel';
import { TestPanel } from '../test-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function IsolateStage(props: DossierProps) {
  useReady();
  return (
    <>
      <IsolatePanel {...props} />
      <BoxPanel {...props} />
      <TestPanel {...props} />
    </>
  );
}
