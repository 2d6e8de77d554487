'use client';

import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import type { Aim } from '../../core/isolation';
import { EMPTY_PLAN, pointsOf, type IsolationPlan } from '../../core/plant/isolation-plan';
import type { Part } from './points';

type Origin = Aim | 'own' | 'template';

interface Draft {
  readonly plan: IsolationPlan;
  readonly origin: Origin;
  /** The job that the plan was taken over from. */
  readonly template?: string;
  /** The written procedure that it was taken over from, by its number. */
  readonly procedure?: number;
}

interface DraftDesk extends Draft {
  /** Takes a whole plan over. */
  readonly take: (
    origin: Origin,
    plan: IsolationPlan,
    template?: string,
    procedure?: number,
  ) => void;
  /** Changes the plan by hand. */
  readonly change: (plan: IsolationPlan) => void;
  /** Puts a point in, or takes it out. */
  readonly toggle: (part: Part, id: string) => void;
  /** Undoes the last change; undefined when there is none. */
  readonly undo: (() => void) | undefined;
}

const Drafts = createContext<DraftDesk | undefined>(undefined);

/** The plan being drawn up on this screen, shared by the list and the diagram. Nothing of it is kept until it is saved. */
export function usePlanDraft(): DraftDesk {
  const desk = useContext(Drafts);
  if (!desk) throw new Error('no plan is being drawn up here');
  return desk;
}

export function PlanDraftDesk({
  stored,
  children,
}: {
  readonly stored: IsolationPlan | undefined;
  readonly children: ReactNode;
}) {
  const [past, setPast] = useState<readonly Draft[]>([
    { plan: stored ?? EMPTY_PLAN, origin: 'own' },
  ]);
  const desk = useMemo((): DraftDesk => {
    const now = past.at(-1) ?? { plan: EMPTY_PLAN, origin: 'own' };
    const push = (next: Draft) => setPast([...past, next]);
    const change = (plan: IsolationPlan) =>
      push({
        plan,
        origin: now.origin === 'template' ? 'template' : 'own',
        template: now.template,
        procedure: now.procedure,
      });
    return {
      ...now,
      take: (origin, plan, template, procedure) => push({ plan, origin, template, procedure }),
      change,
      toggle: (part, id) =>
        change({
          ...now.plan,
          [part]: pointsOf(now.plan, part).includes(id)
            ? pointsOf(now.plan, part).filter((other) => other !== id)
            : [...pointsOf(now.plan, part), id].sort(),
        }),
      undo: past.length > 1 ? () => setPast(past.slice(0, -1)) : undefined,
    };
  }, [past]);
  return <Drafts.Provider value={desk}>{children}</Drafts.Provider>;
}
