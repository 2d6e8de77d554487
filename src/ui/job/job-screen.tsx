'use client';

import { CommandDesk } from '../command/use-command';
import { PlanDraftDesk } from '../planning/draft';
import { JobHeader } from './job-header';
import { Tabs } from '../kit/tabs';
import { LampBoard } from './lamp-board';
import { LightDesk } from './light';
import { NextCard } from './next-card';
import { goToWork, leadFrom, type TabId } from './spots';
import { Urgent } from './urgent';
import { useTab } from '../kit/use-tab';
import { listTabs, worksOnDiagram } from './tabs';
import type { PackedProps } from './types';
import { unpackChoices } from '../../core/choices';
import { Note } from '../kit/note';

/** One job: what it is and how to stop it, what is next, and the work of the stage that it is at. */
export function JobScreen(given: PackedProps & { readonly source?: string | undefined }) {
  const props = { ...given, choices: unpackChoices(given.choices) };
  const { view, jobId, sequence, me, names, source } = props;
  const onDiagram = worksOnDiagram(props);
  const [tab, setTab] = useTab<TabId>(source !== undefined && !onDiagram ? 'diagram' : 'stage');
  const tabs = listTabs(props);
  return (
    <CommandDesk handle={{ jobId, sequence, me, names }}>
      <JobHeader {...props} />
      <main className="grid gap-4 px-4 py-3 lg:grid-cols-[minmax(0,1fr)_21rem]">
        <LightDesk view={view} source={source}>
          <div className="flex min-w-0 flex-col gap-4">
            {view.isOldTrace && view.stage !== 'closed' && (
              <Note isSmall role="note">
                This plan was drawn up before the trace told what can really arrive. It stands as it
                was accepted; a plan computed now may need fewer points.
              </Note>
            )}
            <Urgent {...props} />
            <PlanDraftDesk key={view.stage} stored={view.plan}>
              <Tabs label="Parts of this job" tabs={tabs} shown={tab} onShow={setTab} />
            </PlanDraftDesk>
          </div>
          <aside className="flex flex-col gap-4 lg:sticky lg:top-32 lg:max-h-[calc(100vh-8.5rem)] lg:self-start lg:overflow-auto">
            <NextCard
              {...props}
              onGo={() => goToWork(setTab)}
              onLead={(code) => leadFrom(code, tabs, setTab)}
            />
            {view.stage !== 'closed' && (
              <LampBoard view={view} onShow={onDiagram ? undefined : () => setTab('diagram')} />
            )}
          </aside>
        </LightDesk>
      </main>
    </CommandDesk>
  );
}
