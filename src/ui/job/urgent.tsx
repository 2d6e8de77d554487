import { AlarmPanels } from './amiss';
import { ToAccount } from './entry/to-account';
import { StopPanel } from './permit/stop-panel';
import type { DossierProps } from './types';

/** What cannot wait: everyone out, a stop, an alarm, unfit locks. Never behind a tab, on the job and at the hatch alike. */
export const Urgent = (props: DossierProps) => (
  <>
    <ToAccount {...props} />
    <StopPanel {...props} />
    <AlarmPanels {...props} />
  </>
);
