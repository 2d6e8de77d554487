'use client';

import type { Diagram } from '../../core/plant/drawing';
import { PlantDiagram } from '../diagram/diagram';
import { usePlanDraft } from '../planning/draft';
import { useAsked } from '../planning/use-asked';
import type { DossierProps } from './types';

type Props = Pick<DossierProps, 'jobId' | 'view' | 'drawing' | 'route' | 'asBuilt'>;

/** The diagram while a plan is drawn up: choosing a valve or outlet puts it into the plan or takes it out. */
function DraftDiagram({ jobId, view, drawing, route, asBuilt }: Props) {
  const { plan, toggle } = usePlanDraft();
  const asked = useAsked<Diagram>(`/api/jobs/${jobId}/drawing`, plan, 250);
  const shown = new Set(drawing.links.map(({ id }) => id));
  const isWhole = plan.close.every((id) => shown.has(id));
  return (
    <PlantDiagram
      drawing={isWhole ? drawing : (asked ?? drawing)}
      work={view.dossier.scope.work.map(({ section }) => section)}
      route={route}
      planned={plan.close}
      opened={plan.open}
      asBuilt={asBuilt}
      onPick={(kind, id) => toggle(kind === 'link' ? 'close' : 'open', id)}
    />
  );
}

/** The surroundings of the work with the lit route, the plan and what hangs on it. */
export function JobDiagram(props: Props) {
  const { view, drawing, route, asBuilt } = props;
  if (view.stage === 'plan') return <DraftDiagram {...props} />;
  return (
    <PlantDiagram
      drawing={drawing}
      work={view.dossier.scope.work.map(({ section }) => section)}
      route={route}
      planned={view.plan?.close ?? []}
      opened={view.plan?.open ?? []}
      locked={Object.keys(view.dossier.isolation.locked)}
      asBuilt={asBuilt}
    />
  );
}
