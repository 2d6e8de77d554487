'use client';

import Link from 'next/link';
import { useMemo } from 'react';
import type { Diagram } from '../../core/plant/drawing';
import { EMPTY_PLAN, type IsolationPlan } from '../../core/plant/isolation-plan';
import { PlantDiagram } from '../diagram/diagram';
import type { Marks, Presses } from '../diagram/marks';
import { usePlanDraft } from '../planning/draft';
import { useAsked } from '../planning/use-asked';
import { useLight } from './light';
import type { DossierProps } from './types';

type Props = Pick<DossierProps, 'jobId' | 'view' | 'asBuilt'>;

const HEIGHT_PX = 400;

/** The surroundings of the work with the ways of the lamp that is pressed, the plan and what hangs on it. */
function DiagramOf({
  jobId,
  view,
  asBuilt,
  plan,
  presses,
}: Props & { readonly plan: IsolationPlan; readonly presses: Presses }) {
  const { lamp, opened, open } = useLight();
  const { close, open: vents, restrain, stand } = plan;
  const sources = lamp?.sources.map(({ id }) => id) ?? [];
  const asked = useAsked<Diagram>(
    `/api/jobs/${jobId}/drawing`,
    { close, open: vents, restrain, ...(stand ? { stand } : {}), opened, sources },
    0,
  );
  const { locked, earths } = view.dossier.isolation;
  const marks = useMemo(
    (): Marks => ({
      work: view.dossier.scope.work.map(({ section }) => section),
      lit: lamp?.sources.flatMap(({ route }) => route) ?? [],
      planned: close,
      opened: vents,
      locked: Object.keys(locked),
      asBuilt,
      earths,
    }),
    [view.dossier.scope.work, lamp, close, vents, locked, asBuilt, earths],
  );
  const all = useMemo((): Presses => ({ ...presses, onMore: open }), [presses, open]);
  if (!asked) {
    return (
      <p role="status" className="border border-base-300 p-3" style={{ height: HEIGHT_PX + 28 }}>
        The diagram is being drawn…
      </p>
    );
  }
  return (
    <PlantDiagram drawing={asked} marks={marks} presses={all} height={HEIGHT_PX}>
      <Link href={`/jobs/${jobId}/diagram`} className="btn btn-xs">
        Marked-up diagram to print
      </Link>
    </PlantDiagram>
  );
}

/** The diagram while a plan is drawn up: choosing a valve or outlet puts it into the plan or takes it out. */
function DraftDiagram(props: Props) {
  const { plan, toggle } = usePlanDraft();
  const presses = useMemo(
    (): Presses => ({
      onLink: (id) => toggle('close', id),
      onOutlet: (id) => toggle('open', id),
    }),
    [toggle],
  );
  return <DiagramOf {...props} plan={plan} presses={presses} />;
}

const NO_PRESSES: Presses = {};

export function JobDiagram(props: Props) {
  return props.view.stage === 'plan' ? (
    <DraftDiagram {...props} />
  ) : (
    <DiagramOf {...props} plan={props.view.plan ?? EMPTY_PLAN} presses={NO_PRESSES} />
  );
}
