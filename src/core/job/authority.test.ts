import { fieldSteps, site, WALKED } from '../../../tests/support/seal-change';
import { findWorkOrder, listRolesFor, listRolesForStep } from '.';

/** Commands by which a step is done. */
const DOES_A_STEP: ReadonlySet<string> = new Set([
  'lock-point',
  'see-open',
  'open-outlet',
  'restrain-store',
  'wait-out-store',
  'prove',
  'try-start',
]);

/** A seal change that is walked down, and its work order. */
function walked() {
  const state = WALKED();
  const order = state && findWorkOrder(state, site);
  if (!order) throw new Error('no work order');
  return order;
}

describe('who a step of the work order is for', () => {
  it('is whoever may give the command that does it, at each step of a seal change', () => {
    const { steps } = walked();
    const pairs = fieldSteps()
      .filter(([, { kind }]) => DOES_A_STEP.has(kind))
      .flatMap(([, command]) => {
        const named = Object.values(command) as unknown[];
        const step = steps.find(({ subject }) => subject !== '' && named.includes(subject));
        return step ? [{ command, step }] : [];
      });
    const phases = new Set(pairs.map(({ step }) => step.phase));
    expect([...phases]).toEqual(
      expect.arrayContaining(['isolate-drives', 'isolate-flows', 'let-down', 'restrain', 'prove', 'try-start']), // prettier-ignore
    );
    for (const { command, step } of pairs) {
      expect({ step, roles: [...listRolesForStep(site.graph, step)].sort() }).toEqual({
        step,
        roles: [...listRolesFor(command, site.graph)].sort(),
      });
    }
  });
});
