'use client';

import { WalkDownPanel } from '../walk-down-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function WalkDownStage(props: DossierProps) {
  useReady();
  return <WalkDownPanel {...props} />;
}
