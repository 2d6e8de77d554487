import type { Remains, TaskAssessment } from './assessment';

/** People who accept what remains, with the most that each accepts. */
export function listAccepters({ steps }: Pick<TaskAssessment, 'steps'>): {
  person: string;
  remains: Remains;
}[] {
  const most = new Map<string, Remains>();
  for (const { accepter, remains } of steps.flatMap(({ hazards }) => hazards)) {
    if (accepter === undefined || remains === 'low') continue;
    if (most.get(accepter) !== 'high') most.set(accepter, remains);
  }
  return [...most].map(([person, remains]) => ({ person, remains }));
}
