import { decideOnSmall, jobWith, siteOn } from '../../../tests/support/small-job';
import { planOf, smallPlant } from '../../../tests/support/small-plant';
import { explainIn } from '../rules/book';
import type { Command } from '.';

const LOCK: Command = { kind: 'lock-point', link: 'CB', lock: 'E-01', tag: 'T' };

/** What is refused when Elif, authorised up to some voltage, locks a breaker at another; the small site's rule says 1000 V. */
function refused(volts: number | undefined, upTo: number | undefined, low = 1000) {
  const at = { voltage_v: volts };
  const site = siteOn(smallPlant({ sections: { BUS: at, CBL: at } }));
  const elif = site.people.get('elif');
  if (!elif) throw new Error('no Elif');
  const authorisations = elif.authorisations.map(({ role, until }) => ({
    role,
    until,
    ...(upTo === undefined ? {} : { up_to_v: upTo }),
  }));
  const people = new Map(site.people).set('elif', { ...elif, authorisations });
  const values = { ...site.values, 'electrical-authority-v': low };
  const { codes, refusals } = decideOnSmall(
    jobWith('W', planOf(['V2', 'CB'], ['DR'])),
    'elif',
    LOCK,
    {
      site: { ...site, people, values },
      now: '2026-11-24T06:31:00.000Z',
    },
  );
  return { codes, words: refusals.map((one) => explainIn('UTC')(one).says).join() };
}

describe('how far an electrical authorisation goes', () => {
  it.each<[string, number | undefined, number | undefined, number, string[]]>([
    ['none named, at 400 V', 400, undefined, 1000, []],
    ['none named, at 1000 V', 1000, undefined, 1000, []],
    ['none named, just above', 1001, undefined, 1000, ['voltage-beyond']],
    ['none named, where the site says 230 V', 400, undefined, 230, ['voltage-beyond']],
    ['11 kV named, at 11 kV', 11_000, 11_000, 1000, []],
    ['11 kV named, at 33 kV', 33_000, 11_000, 1000, ['voltage-beyond']],
    ['230 V named, at 400 V', 400, 230, 1000, ['voltage-beyond']],
    ['none named, and none drawn', undefined, undefined, 1000, ['voltage-beyond']],
    ['11 kV named, and none drawn', undefined, 11_000, 1000, []],
  ])('%s', (_label, volts, upTo, low, codes) => {
    expect(refused(volts, upTo, low).codes).toEqual(codes);
  });

  it('says how far it goes and at what the conductor stands', () => {
    expect(refused(11_000, undefined).words).toContain('up to 1000 V, and BUS stands at 11000 V');
    expect(refused(undefined, undefined).words).toContain(
      'a voltage that the drawing does not give',
    );
  });
});
