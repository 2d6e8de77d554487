import {
  decideJob,
  evolveDossier,
  listSigners,
  type Command,
  type Context,
  type Dossier,
  type DossierState,
} from '../../src/core/job';
import { buildGraph, type IsolationPlan, type Plant } from '../../src/core/plant';
import type { Refusal, RuleCode } from '../../src/core/rules/book';
import { contextFor, RAISE, site, START } from './seal-change';

/** The people and registers of Quillmere on another plant. */
export const siteOn = (plant: Plant): Context['site'] => ({ ...site, graph: buildGraph(plant) });

const MARK = { by: 'ada', at: START };

/** A job on `section`, with `emptied` run empty, whose plan was accepted and walked down, or is only drafted. */
export function jobWith(
  section: string,
  plan: IsolationPlan,
  stage: 'drafted' | 'accepted' = 'accepted',
  emptied?: string[],
): Dossier {
  const work = [{ section, activity: 'open' as const }];
  const events = [
    { ...RAISE, kind: 'job-raised', work, ...(emptied ? { emptied } : {}) },
    {
      kind: 'plan-drafted',
      origin: 'own',
      ...plan,
      close: [...plan.close],
      open: [...plan.open],
      restrain: [...plan.restrain],
    },
    ...(stage === 'accepted'
      ? ([{ kind: 'plan-submitted' }, { kind: 'plan-accepted', note: '' }] as const)
      : []),
    ...(stage === 'accepted'
      ? [...plan.close, ...plan.open].map(
          (point) => ({ kind: 'label-checked', point, found: 'as-drawn', note: '' }) as const,
        )
      : []),
    ...(stage === 'accepted'
      ? ([
          { kind: 'affected-told', who: 'control room' },
          { kind: 'plant-stopped', how: 'at the panel' },
        ] as const)
      : []),
  ] as const;
  return events.reduce<DossierState>(
    (state, event) => evolveDossier(state, event as never, MARK),
    undefined,
  ) as Dossier;
}

/** The refusals of a command on a job and their codes; the state after it when there are none. */
export function decideOnSmall(
  state: Dossier,
  actor: string,
  command: Command,
  more: Partial<Context>,
): { codes: RuleCode[]; refusals: readonly Refusal[]; after: Dossier } {
  const decision = decideJob(state, command, {
    ...contextFor(actor, listSigners(command, actor)),
    ...more,
  });
  if (!decision.ok) {
    const { refusals } = decision;
    return { codes: refusals.map(({ code }) => code), refusals, after: state };
  }
  const at = more.now ?? START;
  const after = decision.events.reduce<DossierState>(
    (before, event) => evolveDossier(before, event, { by: actor, at }),
    state,
  );
  return { codes: [], refusals: [], after: after as Dossier };
}
