import { computeRequirement, planIsolation } from '../../src/core/isolation';
import type { DossierState } from '../../src/core/job';
import type { Scope } from '../../src/core/plant';
import { carryOut, RAISE, site, type Step } from './seal-change';

/** A job on any place of work at Quillmere, planned for least effort and walked down. */
export function walkedDown(work: Scope['work'], hours = 6): DossierState {
  const { graph, policy } = site;
  const { answers } = planIsolation(graph, computeRequirement(graph, { work, hours }, {}, policy));
  const { close, open, restrain } = answers.effort;
  const steps: Step[] = [
    ['ada', { ...RAISE, work: [...work], hours }],
    [
      'ada',
      {
        kind: 'draft-plan',
        origin: 'effort',
        close: [...close],
        open: [...open],
        restrain: [...restrain],
      },
    ],
    ['ada', { kind: 'submit-plan', drawingChecked: false }],
    ['hana', { kind: 'accept-plan', note: '' }],
    ...[...close, ...open, ...restrain].map((point): Step => [
      'cora',
      { kind: 'check-label', point, found: 'as-drawn', note: '' },
    ]),
  ];
  return carryOut(steps);
}
