import { refuse, type Refusal } from '../../rules/refuse';
import { gateWalkDown, isStepDone } from '../gates';
import { findWorkOrder, type Context } from '../site';
import { type Dossier } from '../state';

/** Refuses a step that is not of the plan, is done, or comes before its turn. */
export function requireTurn(dossier: Dossier, subject: string, context: Context): Refusal[] {
  const unwalked = gateWalkDown(dossier);
  if (unwalked.length > 0) return unwalked;
  const { test } = dossier.isolation;
  if (test) return [refuse('test-open', { purpose: test.purpose })];
  if (dossier.restoring) return [refuse('already-done', { what: 'Isolating' })];
  const order = findWorkOrder(dossier, context.site);
  const step = order?.steps.find((one) => one.subject === subject && subject !== '');
  if (!order || !step) return [refuse('not-in-plan', { subject })];
  if (isStepDone(dossier.isolation, step)) return [refuse('already-done', { what: subject })];
  const at = order.steps.indexOf(step);
  const first = order.steps
    .slice(0, at)
    .find(
      (one) =>
        !(one.phase === step.phase && one.layer === step.layer) &&
        !isStepDone(dossier.isolation, one),
    );
  if (first?.phase === 'tell') return [refuse('not-told')];
  if (first?.phase === 'stop') return [refuse('not-stopped')];
  return first ? [refuse('out-of-order', { subject, first: first.subject })] : [];
}

/** Minutes left of a wait that began at `since` (ISO 8601, UTC), rounded up; 0 once it is over. */
export const minutesLeft = (since: string, seconds: number, now: string): number =>
  Math.max(0, Math.ceil((Date.parse(since) / 1000 + seconds - Date.parse(now) / 1000) / 60));
