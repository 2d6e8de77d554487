'use client';

import dynamic from 'next/dynamic';
import { isHeld } from '../../core/job/permit-record';
import { countIn } from './spots';
import type { Tab } from '../kit/tabs';
import type { TabId } from './spots';
import type { DossierProps } from './types';

const HotWorkPanel = dynamic(() =>
  import('./hot-work/hot-work-panel').then((file) => file.HotWorkPanel),
);
const AirTab = dynamic(() => import('./air/air-tab').then((file) => file.AirTab));
const EntryPanel = dynamic(() => import('./entry/entry-panel').then((file) => file.EntryPanel));
const AuditPanel = dynamic(() => import('./permit/audit-panel').then((file) => file.AuditPanel));
const ClashPanel = dynamic(() => import('./clash-panel').then((file) => file.ClashPanel));
const BriefingTab = dynamic(() =>
  import('./briefing/briefing-tab').then((file) => file.BriefingTab),
);
const KitPanel = dynamic(() => import('./kit-panel').then((file) => file.KitPanel));
const ClearingTab = dynamic(() =>
  import('./clearing/clearing-tab').then((file) => file.ClearingTab),
);
const RunUpPanel = dynamic(() => import('./run-up/run-up-panel').then((file) => file.RunUpPanel));
const BoxPanel = dynamic(() => import('./box-panel').then((file) => file.BoxPanel));

/** While the plan can still change: what can breathe out is found, and papers are decided. */
export const isBeforeHatch = ({ view }: DossierProps): boolean =>
  ['plan', 'review', 'walk-down', 'isolate'].includes(view.stage);

/** Whether the permit is being made ready or is out. */
const isAtHatch = ({ view }: DossierProps): boolean =>
  view.stage === 'permit' || (view.stage === 'work' && isHeld(view.dossier.permit));

/** Kit is looked at from the field work on; a job that needs none, at a site that registers none, has nothing to show. */
const hasKit = ({ view: { stage, kit } }: DossierProps): boolean =>
  ['isolate', 'permit', 'work'].includes(stage) &&
  kit.needs.length + kit.checked.length + kit.pressure.length + kit.offered.length > 0;

/** Messages go while the permit is made ready, while the work goes on, and when it is started again; a line may have been planned before. */
const hasMessages = ({ view }: DossierProps): boolean =>
  ['permit', 'work', 'restore'].includes(view.stage) || view.clearing !== undefined;

/** A tab, where the job has it. */
export const tab = (is: boolean, one: Tab<TabId>): Tab<TabId>[] => (is ? [one] : []);

/** What the work itself asks for, on the job and at the hatch: entry, air, hot work, locks, checks, neighbours. */
export function listWorkTabs(props: DossierProps): Tab<TabId>[] {
  const { view } = props;
  const atHatch = isAtHatch(props);
  return [
    ...tab(atHatch && view.entry !== undefined, {
      id: 'entry',
      label: 'Entry',
      count: countIn('entry', view.holding),
      content: <EntryPanel {...props} />,
    }),
    ...tab(atHatch && view.air.length > 0, {
      id: 'air',
      label: 'Air',
      count: countIn('air', view.holding),
      content: <AirTab {...props} />,
    }),
    ...tab((atHatch || isBeforeHatch(props)) && view.hotWork !== undefined, {
      id: 'hot-work',
      label: 'Hot work',
      count: countIn('hot-work', view.holding),
      content: <HotWorkPanel {...props} />,
    }),
    ...tab(atHatch && view.briefing.isSigned && view.briefing.canBeHeld, {
      id: 'briefing',
      label: 'Briefing',
      count: countIn('briefing', view.holding),
      content: <BriefingTab {...props} />,
    }),
    ...tab(view.stage === 'permit' || view.stage === 'work', {
      id: 'locks',
      label: 'Locks',
      count: countIn('locks', view.holding),
      content: <BoxPanel {...props} />,
    }),
    ...tab(view.stage === 'work' && (atHatch || view.dossier.audits.length > 0), {
      id: 'checks',
      label: 'Checks',
      content: (
        <AuditPanel
          {...props}
          {...(isHeld(view.dossier.permit) ? { permit: view.dossier.permit } : {})}
        />
      ),
    }),
    ...tab(hasKit(props), {
      id: 'kit',
      label: 'Kit',
      count: countIn('kit', view.holding),
      content: <KitPanel {...props} />,
    }),
    ...tab(hasMessages(props), {
      id: 'clearing',
      label: view.canBeCleared ? 'Clearing and messages' : 'Messages',
      count: countIn('clearing', view.holding),
      content: <ClearingTab {...props} />,
    }),
    ...tab(view.stage !== 'closed' && view.dossier.window !== undefined, {
      id: 'run-up',
      label: 'Before the stop',
      count: countIn('run-up', view.holding),
      content: <RunUpPanel {...props} />,
    }),
    ...tab(view.stage !== 'closed', {
      id: 'neighbours',
      label: 'Timing and neighbours',
      count: view.clashes.length,
      content: <ClashPanel {...props} />,
    }),
  ];
}
