import type { DossierView } from '../../core/job';
import type { RestoreStep, Step } from '../../core/sequence';
import { PHASE_NAMES, RESTORE_NAMES } from '../dossier/names';

type WalkPoint = DossierView['walkDown'][number];
type LinePoint = DossierView['lineup'][number];

/** One thing to do at one place, in walking order. */
export interface Task {
  readonly id: string;
  readonly label: string;
  readonly words: string;
  /** Empty where it is done at no place of the plant. */
  readonly subject: string;
  readonly done: boolean;
  /** Tasks of one group are open together. */
  readonly group: string;
  readonly about:
    | { readonly kind: 'step'; readonly step: Step }
    | { readonly kind: 'label'; readonly point: WalkPoint }
    | { readonly kind: 'restore'; readonly step: RestoreStep }
    | { readonly kind: 'lineup'; readonly point: LinePoint };
}

function listSteps(view: DossierView): Task[] {
  return view.steps.map((step) => ({
    id: `${step.phase} ${step.subject}`,
    label: PHASE_NAMES[step.phase],
    words: step.words,
    subject: step.subject,
    done: step.done,
    group: `${step.phase} ${step.layer}`,
    about: { kind: 'step', step },
  }));
}

function listRestoring(view: DossierView): Task[] {
  return [
    ...view.restore.map((step): Task => ({
      id: `restore ${step.subject}`,
      label: RESTORE_NAMES[step.kind],
      words: `${RESTORE_NAMES[step.kind]}: ${step.subject}`,
      subject: step.subject,
      done: step.done,
      group: `restore ${step.group}`,
      about: { kind: 'restore', step },
    })),
    ...view.lineup.map((point): Task => ({
      id: `walk ${point.point}`,
      label: 'Walk the line',
      words: `${point.point}: normally ${point.normal}`,
      subject: point.point,
      done: point.done,
      group: 'walk',
      about: { kind: 'lineup', point },
    })),
  ];
}

/** What there is to do in the field at the stage that a job stands at, in order; empty at a desk's stage. */
export function listTasks(view: DossierView): Task[] {
  switch (view.stage) {
    case 'walk-down':
      return view.walkDown.map((point) => ({
        id: `label ${point.point}`,
        label: 'Walk down',
        words: `${point.what}, ${point.where}`,
        subject: point.point,
        done: point.seen !== undefined,
        group: 'label',
        about: { kind: 'label', point },
      }));
    case 'isolate':
    case 'permit':
    case 'work':
      return listSteps(view);
    case 'restore':
      return view.dossier.isolation.box ? [] : listRestoring(view);
    default:
      return [];
  }
}
