import { LIVE, RAISE, site, START, carryOut } from '../../../tests/support/seal-change';
import { jobWith, siteOn } from '../../../tests/support/small-job';
import { CAUTIONS, findCautionKind } from '../cautions/kinds';
import { parsePlant, type Plant } from '../plant';
import { findCautionsAt } from './caution-at';
import { listJobCautions } from './cautions';
import { describeSheets, type Dossier } from '.';

const NO_PLAN = { close: [], open: [], restrain: [] };

/** A feeder with a current transformer, a voltage transformer and a screened cable, fed over a breaker. */
function feeder(): Plant {
  const parsed = parsePlant({
    format: 'heavy-lantern/plant',
    version: 1,
    name: 'feeder',
    areas: [{ id: 'A', name: 'switch room', outline: [], zone: 'none' }],
    media: [{ id: 'HV', name: '10 kV', energy: 'electrical', phase: 'none', hazards: [] }],
    sections: ['GRID', 'BAY', 'CABLE'].map((id) => ({
      id,
      name: id,
      medium: 'HV',
      area: 'A',
      voltage_v: 10_000,
      ...(id === 'GRID' ? { source: { name: 'grid' } } : {}),
    })),
    links: [
      { id: 'Q1', kind: 'circuit-breaker', between: ['GRID', 'BAY'] },
      { id: 'Q9', kind: 'isolator', between: ['BAY', 'CABLE'] },
    ],
    outlets: [{ id: 'E1', section: 'BAY', kind: 'earth', leads_to: 'earth' }],
    equipment: [
      {
        id: 'CT-1',
        name: 'current transformer',
        kind: 'Current-Transformer',
        area: 'A',
        sections: ['BAY'],
      },
      {
        id: 'VT-1',
        name: 'voltage transformer',
        kind: 'voltage transformer',
        area: 'A',
        sections: ['BAY'],
      },
      { id: 'K-1', name: 'cable', kind: 'screened cable', area: 'A', sections: ['CABLE'] },
      { id: 'BR-1', name: 'breaker', kind: 'breaker', area: 'A', sections: ['BAY'] },
    ],
  });
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  return parsed.value;
}
const kindsOf = (dossier: Dossier, at = siteOn(feeder())) =>
  listJobCautions(dossier, at).map(({ kind, of }) => [kind, ...of]);

describe('cautions by kind of equipment', () => {
  it.each([
    ['current transformer', 'current transformer'],
    ['Current-Transformer', 'current transformer'],
    ['  PILOT_cable ', 'pilot cable'],
    ['breaker', undefined],
    ['', undefined],
    ['constructor', undefined],
  ])('a drawing that writes %p means %p', (written, kind) => {
    expect(findCautionKind(written)).toBe(kind);
  });

  it('each says something, and what it rests on', () => {
    for (const { title, says, basis } of Object.values(CAUTIONS)) {
      expect([title, says.every((one) => one.endsWith('.')), basis.length > 5]).toEqual([
        title,
        true,
        true,
      ]);
    }
  });

  it('are for what is worked on, and with a plan for all that lies inside it', () => {
    expect(kindsOf(jobWith('CABLE', NO_PLAN, 'drafted'))).toEqual([
      ['voltage transformer', 'VT-1'],
      ['current transformer', 'CT-1'],
      ['screened cable', 'K-1'],
    ]);
    expect(kindsOf(jobWith('CABLE', { ...NO_PLAN, close: ['Q9'] }, 'drafted'))).toEqual([
      ['screened cable', 'K-1'],
    ]);
    expect(
      kindsOf(jobWith('BAY', { ...NO_PLAN, close: ['Q1', 'Q9'], open: ['E1'] }, 'drafted')),
    ).toEqual([
      ['voltage transformer', 'VT-1'],
      ['current transformer', 'CT-1'],
      ['earthing', 'E1'],
    ]);
  });

  it('are for a store that keeps a charge, whatever its equipment is called', () => {
    const at = jobWith('CAP-1', NO_PLAN, 'drafted');
    expect(kindsOf(at, site)[0]?.[0]).toBe('capacitor bank');
    expect(kindsOf(carryOut([['ada', RAISE]]) as Dossier, site)).toEqual([]);
    // Behind one fuse of the busbar, while nothing is planned.
    const busbar = { ...RAISE, work: [{ section: 'SWB-A', activity: 'touch' as const }] };
    expect(kindsOf(carryOut([['ada', busbar]]) as Dossier, site)).toEqual([
      ['capacitor bank', 'CAP-BANK', 'ST-CAP1'],
    ]);
  });

  it('are said at the points of the equipment, and at what is read there', () => {
    const cautions = listJobCautions(
      jobWith('BAY', { ...NO_PLAN, close: ['Q1', 'Q9'], open: ['E1'] }, 'drafted'),
      siteOn(feeder()),
    );
    const at = (subject: string) => findCautionsAt(cautions, subject).map(({ kind }) => kind);
    expect(at('Q1')).toEqual(['voltage transformer', 'current transformer']);
    expect(at('voltage:BAY')).toEqual(['voltage transformer', 'current transformer']);
    expect(at('E1')).toEqual(['voltage transformer', 'current transformer', 'earthing']);
    expect(at('HV-2004')).toEqual([]);
  });

  it('stand on the paper that goes to the place', () => {
    const earthed = {
      ...(LIVE() as Dossier),
      scope: { work: [{ section: 'CAP-1', activity: 'touch' as const }], hours: 4 },
    };
    const [permit] = describeSheets(earthed, { site, job: 'J-0001', now: START } as never);
    const titles = permit?.blocks.flatMap((block) => ('title' in block ? [block.title] : []));
    expect(titles).toEqual(
      expect.arrayContaining([expect.stringMatching(/^Caution: Capacitor bank/)]),
    );
  });
});
