import { carryOut, LIVE, RAISE, site } from '../../../tests/support/seal-change';
import { listNumberedTags, type OpenJob } from '../job';
import { askSection, mapPlant } from '.';

const jobOf = (id: string, state: ReturnType<typeof carryOut>): OpenJob => {
  if (!state) throw new Error('no job');
  return { id, dossier: state };
};
const RAISED = jobOf('J-0001', carryOut([['ada', RAISE]]));
const ISOLATED = jobOf('J-0002', LIVE());

describe('a section that is asked about before any job is raised', () => {
  it('names what can reach it, with how well that has to be held back', () => {
    const answer = askSection(site, [], 'P201-CAS', 'open');
    const words = answer?.arrivals.map((one) => one.words) ?? [];
    expect(words).toContainEqual(expect.stringMatching(/^Digestate from/));
    expect(words).toContainEqual(expect.stringMatching(/^The motor M-P201/));
    const digestate = answer?.arrivals.find((one) => one.words.startsWith('Digestate'));
    expect(digestate?.sources.map(({ grade }) => grade)).toContain('double-bled');
    expect(digestate?.sources[0]?.route.length).toBeGreaterThan(0);
    expect(answer?.equipment).toEqual([expect.objectContaining({ id: 'P-201' })]);
  });

  it('asks for more where somebody goes inside than where a line is opened', () => {
    const gradesFor = (activity: 'open' | 'enter') =>
      new Set(
        askSection(site, [], 'D2-GAS', activity)?.arrivals.flatMap(({ sources }) =>
          sources.flatMap(({ grade }) => grade ?? []),
        ),
      );
    expect(gradesFor('enter')).toContain('positive');
    expect(gradesFor('open')).not.toContain('positive');
  });

  it('says which jobs work there and which hold a point at its edge', () => {
    expect(askSection(site, [RAISED], 'P201-CAS', 'open')?.jobs).toEqual([
      expect.objectContaining({ id: 'J-0001', stage: 'plan', worksHere: true, points: [] }),
    ]);
    const [beside] = askSection(site, [ISOLATED], 'P201-DIS', 'open')?.jobs ?? [];
    expect(beside).toMatchObject({ id: 'J-0002', worksHere: false });
    expect(beside?.points).toContain('HV-2004');
  });

  it('is not there where the drawing does not have it', () => {
    expect(askSection(site, [], 'P999-CAS', 'open')).toBeUndefined();
  });
});

describe('the plant whole', () => {
  const map = mapPlant(site, [RAISED]);

  it('has every section once, in its area and its lane', () => {
    const all = map.areas.flatMap(({ lanes }) => lanes.flatMap(({ shown }) => shown));
    expect(all.map(({ id }) => id).sort()).toEqual(site.graph.sections.map(({ id }) => id).sort());
    for (const { lanes } of map.areas) {
      for (const { carrier, shown } of lanes) {
        const carriers = shown.map(
          ({ id }) => site.graph.carrier[site.graph.sectionAt.get(id) ?? -1],
        );
        expect(new Set(carriers)).toEqual(new Set([carrier]));
      }
    }
  });

  it('names the jobs where they work', () => {
    const hall = map.areas.find(({ id }) => id === 'A-PMP');
    expect(hall?.jobs).toEqual([expect.objectContaining({ id: 'J-0001', stage: 'plan' })]);
    const casing = hall?.lanes.flatMap(({ shown }) => shown).find(({ id }) => id === 'P201-CAS');
    expect(casing?.jobs).toEqual(['J-0001']);
  });
});

describe('points numbered in the order of work', () => {
  it('begin with the drive, and open an outlet only after what feeds it is closed', () => {
    const tags = listNumberedTags(ISOLATED.dossier, site, 'J-0002');
    expect(tags.map(({ number }) => number)).toEqual(tags.map((_, n) => n + 1));
    const numberOf = (point: string) => tags.find((tag) => tag.point === point)?.number ?? NaN;
    expect(numberOf('CB-P201')).toBeLessThan(numberOf('HV-2004'));
    expect(numberOf('HV-2002')).toBeLessThan(numberOf('DR-2002'));
  });
});
