'use client';

import { ReviewPanel } from '../plan-panel';
import { useReady } from '../../shell/use-ready';
import type { DossierProps } from '../types';

export function ReviewStage(props: DossierProps) {
  useReady();
  return <ReviewPanel {...props} />;
}
