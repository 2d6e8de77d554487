import { carryOut, fieldSteps, site, START, WALKED } from '../../../tests/support/seal-change';
import { viewDossier, type Dossier, type SiteFacts } from '../job';
import { presentOrThrow } from '../result';
import { findNextStep, listNextUp } from '.';

/** The site with somebody's authorisations kept to areas. */
const only = (person: string, areas: readonly string[]): SiteFacts => {
  const known = presentOrThrow(site.people.get(person), person);
  const authorisations = known.authorisations.map((one) => ({ ...one, areas }));
  return { ...site, people: new Map([...site.people, [person, { ...known, authorisations }]]) };
};

function whoIsNext(dossier: Dossier, at: SiteFacts): readonly string[] {
  const view = viewDossier(dossier, at, START, [], 'J-0001');
  return findNextStep(listNextUp('J-0001', dossier, view.stage, at, START), view, at)?.who ?? [];
}

describe('who is named as next', () => {
  const steps = fieldSteps();
  const firstLock = steps.findIndex(([, { kind }]) => kind === 'lock-point');
  const [locker = '', lock] = steps[firstLock] ?? [];
  const before = presentOrThrow(carryOut(steps.slice(0, firstLock), WALKED()), 'job');
  const link = site.graph.links.find(({ id }) => lock?.kind === 'lock-point' && id === lock.link);
  const areasOf = (link?.between ?? []).map(
    (end) => site.graph.sections[site.graph.sectionAt.get(end) ?? -1]?.area ?? '',
  );

  it('is whoever may do the step, there where the point is', () => {
    expect(whoIsNext(before, site)).toContain(locker);
    expect(whoIsNext(before, only(locker, areasOf))).toContain(locker);
    expect(whoIsNext(before, only(locker, ['SOMEWHERE-ELSE']))).not.toContain(locker);
  });
});
