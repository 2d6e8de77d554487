import type { DossierView } from '../../core/job';
import type { RestoreStep, Step } from '../../core/sequence';
import { PHASE_NAMES, RESTORE_NAMES } from '../job/names';

type WalkPoint = DossierView['walkDown'][number];
type LinePoint = DossierView['lineup'][number];
type LeakView = DossierView['leakTests'][number];

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
    | { readonly kind: 'lineup'; readonly point: LinePoint }
    | { readonly kind: 'leak-test'; readonly line: LeakView }
    | { readonly kind: 'start' };
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

const restoring = (view: DossierView, part: (step: RestoreStep) => boolean): Task[] =>
  view.restore.filter(part).map((step) => ({
    id: `restore ${step.subject}`,
    label: RESTORE_NAMES[step.kind],
    words:
      step.subject in view.shared
        ? `${view.shared[step.subject] ?? ''} needs it: it stays as it is`
        : `${RESTORE_NAMES[step.kind]}: ${step.subject}`,
    subject: step.subject,
    done: step.done,
    group: `restore ${step.group}`,
    about: { kind: 'restore', step },
  }));

function listRestoring(view: DossierView): Task[] {
  return [
    ...restoring(view, ({ kind }) => kind !== 'unlock'),
    ...view.leakTests.map((line): Task => ({
      id: `leak ${line.section}`,
      label: 'Test for leaks',
      words: 'Its outlets shut, hold a pressure on it before the first lock comes off',
      subject: line.section,
      done: line.test?.tight === true,
      group: 'leak',
      about: { kind: 'leak-test', line },
    })),
    ...restoring(view, ({ kind }) => kind === 'unlock'),
    ...view.lineup.map((point): Task => ({
      id: `walk ${point.point}`,
      label: 'Walk the line',
      words: `${point.point}: normally ${point.words[point.normal]}`,
      subject: point.point,
      done: point.done,
      group: 'walk',
      about: { kind: 'lineup', point },
    })),
    {
      id: 'start',
      label: 'Start it',
      words: 'Tell those affected, see that everyone keeps clear, watch it from a distance',
      subject: '',
      done: view.dossier.isolation.started !== undefined,
      group: 'start',
      about: { kind: 'start' },
    },
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
